import type { StyleRule } from '../content/styles';
import type { Item, ResponseProcessing, Stimulus } from '../item/item';
import { interactionsOf } from '../content/content';
import type { ResponseDeclaration } from '../content/declarations';
import { interactionOf } from '../interactions';
import { decimalSignOf } from '../languages';
import type { Reporter } from '../xml/problem';
import { readCatalog } from './readCatalog';
import { ContentReader, viewsOf } from './readContent';
import {
  readDeclaration,
  readOutcomeDeclaration,
  readResponseDeclaration,
  readTemplateDeclaration,
} from './readDeclarations';
import { readMaterials } from './readMaterials';
import { readRules, type Names } from './readProgram';
import { booleanAttribute, childOf, descendantsOf, elementsOf, textOf, type XmlElement } from '../xml/xml';

export interface FileContext {
  readonly report: Reporter;
  asset(href: string, line: number): string | null;
  /** The identifier of a stimulus by the path written here; null (and reported) when it is not in the package. */
  stimulus(href: string, identifier: string, line: number): string | null;
  /** A PDF of the package; null (and reported) when it is not there or is none. */
  pdf(href: string, line: number): string | null;
  /** An HTML page of the package, read like a passage; null (and reported) when it is not there or cannot be read. */
  page(href: string, line: number): { readonly path: string; readonly title: string } | null;
  /** The rules of a style sheet; none (and reported) when it is not there. */
  styles(href: string, line: number): readonly StyleRule[];
  /** A file as text, for the program of a portable custom interaction; null where it is not there. Nothing is reported. */
  source(href: string): string | null;
  /** The path of a page or a PDF that a link leads to; null (and reported) when it is not there or cannot be read. */
  document(href: string, line: number): string | null;
}

/** Whether what is typed may be a number: in a box of its own, or in a field of a record. */
const takesNumbers = ({ baseType, cardinality }: ResponseDeclaration): boolean =>
  baseType === 'float' || baseType === 'integer' || cardinality === 'record';

const present = <T>(value: T | null): value is T => value !== null;

/** Item children that are read or need no reading. */
const KNOWN_CHILDREN = new Set([
  'qti-context-declaration',
  'qti-response-declaration',
  'qti-outcome-declaration',
  'qti-template-declaration',
  'qti-template-processing',
  'qti-assessment-stimulus-ref',
  'qti-companion-materials-info',
  'qti-stylesheet',
  'qti-item-body',
  'qti-stimulus-body',
  'qti-catalog-info',
  'qti-response-processing',
  'qti-modal-feedback',
]);

/** Reads a `qti-assessment-item`. Null when it is none; otherwise what is wrong stands in the report. */
export function readItem(root: XmlElement, context: FileContext): Item | null {
  const { report } = context;
  const identifier = root.attributes.identifier ?? '';
  if (root.name !== 'qti-assessment-item' || identifier === '') {
    report.error(
      'not-an-item',
      root.line,
      'the file does not begin with a qti-assessment-item that has an identifier',
    );
    return null;
  }
  const language = root.attributes['xml:lang'] ?? null;
  const typed = decimalSignOf(language) === ',' ? { decimal: ',' as const } : {};
  const responses = elementsOf(root, 'qti-response-declaration')
    .map((one) => readResponseDeclaration(one, report))
    .filter(present)
    .map((one) => (takesNumbers(one) ? { ...one, ...typed } : one));
  const outcomes = elementsOf(root, 'qti-outcome-declaration')
    .map((one) => readOutcomeDeclaration(one, report))
    .filter(present);
  const templates = elementsOf(root, 'qti-template-declaration')
    .map((one) => readTemplateDeclaration(one, report))
    .filter(present);
  const contexts = elementsOf(root, 'qti-context-declaration')
    .map((one) => readDeclaration(one, report))
    .filter(present);
  const names: Names = {
    responses: new Set(responses.map((one) => one.identifier)),
    outcomes: new Set(outcomes.map((one) => one.identifier)),
    templates: new Set(templates.map((one) => one.identifier)),
    contexts: new Set(contexts.map((one) => one.identifier)),
    test: false,
  };
  for (const child of elementsOf(root)) setAside(child, report);
  const reader = new ContentReader({
    report,
    shapes: new Map(responses.map((one) => [one.identifier, one])),
    names: new Set([
      ...names.responses,
      ...names.outcomes,
      ...names.templates,
      ...names.contexts,
      'completionStatus',
      'numAttempts',
    ]),
    asset: (href, line) => context.asset(href, line),
    source: (href) => context.source(href),
    document: (href, line) => context.document(href, line),
  });
  const body = childOf(root, 'qti-item-body');
  if (!body) report.error('no-body', root.line, 'the item has no qti-item-body');
  const templateProcessing = childOf(root, 'qti-template-processing');
  const styles = stylesOf(root, context);
  const item: Item = {
    ...(styles && { styles }),
    identifier,
    title: root.attributes.title ?? identifier,
    language,
    adaptive: booleanAttribute(root, 'adaptive', false),
    timeDependent: booleanAttribute(root, 'time-dependent', false),
    responses,
    outcomes,
    templates,
    contexts,
    stimuli: elementsOf(root, 'qti-assessment-stimulus-ref')
      .map((one) => context.stimulus(one.attributes.href ?? '', one.attributes.identifier ?? '', one.line))
      .filter(present),
    materials: readMaterials(root, context),
    catalog: readCatalog(root, reader, report, (href, line) => context.asset(href, line)),
    body: body ? reader.children(body) : [],
    // Those for the candidate stand in the body, where they are read.
    rubrics: (body ? descendantsOf(body, 'qti-rubric-block') : [])
      .filter((block) => viewsOf(block).some((view) => view !== 'candidate'))
      .map((block) => reader.rubric(block)),
    feedback: elementsOf(root, 'qti-modal-feedback').map((one) => ({
      outcome: one.attributes['outcome-identifier'] ?? '',
      identifier: one.attributes.identifier ?? '',
      show: one.attributes['show-hide'] !== 'hide',
      title: one.attributes.title ?? '',
      content: reader.children(one),
    })),
    templateProcessing: templateProcessing ? readRules(elementsOf(templateProcessing), names, report) : [],
    responseProcessing: readProcessing(root, names, report),
  };
  checkBindings(item, root.line, report);
  for (const declaration of elementsOf(root, 'qti-response-declaration'))
    checkKeys(item, declaration, report);
  return item;
}

/** What is delivered without being honoured yet; an item that would behave differently is refused. */
function setAside(child: XmlElement, report: Reporter): void {
  const { name, line } = child;
  if (!KNOWN_CHILDREN.has(name)) report.warn('element-set-aside', line, `<${name}> is set aside`);
}

/** The rules of the style sheets that a file links to, one after another; undefined where it links to none. */
function stylesOf(root: XmlElement, context: FileContext): readonly StyleRule[] | undefined {
  const { report } = context;
  const links = elementsOf(root, 'qti-stylesheet');
  if (links.length === 0) return undefined;
  return links.flatMap(({ attributes: { href, type = 'text/css', media = 'all' }, line }) => {
    const isShown = /(^|,)\s*(all|screen)\s*(,|$)/i.test(media);
    if (href === undefined || !/^text\/css\b/i.test(type) || !isShown) {
      report.warn('stylesheet-set-aside', line, 'the style sheet is set aside: it is none for a screen');
      return [];
    }
    return context.styles(href, line);
  });
}

const TEMPLATE_NAMES = ['match_correct', 'map_response', 'map_response_point'] as const;

function readProcessing(root: XmlElement, names: Names, report: Reporter): ResponseProcessing | null {
  const element = childOf(root, 'qti-response-processing');
  if (!element) return null;
  const rules = elementsOf(element);
  const uri = element.attributes.template ?? element.attributes['template-location'];
  if (rules.length > 0 || uri === undefined) {
    return rules.length === 0 ? null : { kind: 'rules', rules: readRules(rules, names, report) };
  }
  const last = (uri.split(/[/#]/).filter(Boolean).at(-1) ?? '').replace(/\.xml$/, '');
  const template = TEMPLATE_NAMES.find((one) => one === last);
  if (!template) {
    report.error(
      'unknown-template',
      element.line,
      `"${last}" is not one of the standard response processing templates`,
    );
    return null;
  }
  for (const [name, set] of [
    ['RESPONSE', names.responses],
    ['SCORE', names.outcomes],
  ] as const) {
    if (!set.has(name))
      report.error(
        'unknown-variable',
        element.line,
        `the template ${last} needs ${name}, which is not declared`,
      );
  }
  return { kind: 'template', template };
}

/** Two interactions on one response, or a response nobody can give, is a slip that changes scores. */
function checkBindings(item: Item, line: number, report: Reporter): void {
  const bound = interactionsOf(item.body).map((one) => one.responseIdentifier);
  const twice = bound.find((one, i) => bound.indexOf(one) < i);
  if (twice !== undefined)
    report.error('bound-twice', line, `two interactions are bound to the response ${twice}`);
}

/** A key, or the key of a mapping, that no student could give: the question would be marked wrong whatever is answered. */
function checkKeys(item: Item, declaration: XmlElement, report: Reporter): void {
  const response = item.responses.find((one) => one.identifier === declaration.attributes.identifier);
  const model = interactionsOf(item.body).find(
    (one) => one.responseIdentifier === declaration.attributes.identifier,
  );
  const kind = model && interactionOf(model.type);
  if (!response || !kind || !NAMES.has(response.baseType ?? '')) return;
  const faultOf = (texts: readonly string[]) => kind.fault(model, texts, response);
  const complain = (line: number, text: string) =>
    report.error('bad-key', line, `the key "${text}" is not among what the question offers`);
  const correct = childOf(declaration, 'qti-correct-response');
  const values = correct ? elementsOf(correct, 'qti-value') : [];
  const texts = values.map((value) => textOf(value).trim()).filter((text) => text !== '');
  for (const value of values)
    if (faultOf([textOf(value).trim()]) === 'unknown') complain(value.line, textOf(value).trim());
  if (correct && texts.length > 0 && faultOf(texts) === 'too-many')
    report.error('bad-key', correct.line, 'the key holds more than may be answered');
  const mapping = childOf(declaration, 'qti-mapping');
  for (const entry of mapping ? elementsOf(mapping, 'qti-map-entry') : []) {
    const text = (entry.attributes['map-key'] ?? '').trim();
    if (text !== '' && faultOf([text]) === 'unknown') complain(entry.line, text);
  }
}
/** Base types whose values name what is offered. */
const NAMES: ReadonlySet<string> = new Set(['identifier', 'pair', 'directedPair']);

/** Reads a `qti-assessment-stimulus`. */
export function readStimulus(root: XmlElement, context: FileContext): Stimulus | null {
  const { report } = context;
  const identifier = root.attributes.identifier ?? '';
  const body = childOf(root, 'qti-stimulus-body');
  if (root.name !== 'qti-assessment-stimulus' || identifier === '' || !body) {
    report.error(
      'not-a-stimulus',
      root.line,
      'the file does not hold a qti-assessment-stimulus with an identifier and a body',
    );
    return null;
  }
  for (const child of elementsOf(root)) setAside(child, report);
  const styles = stylesOf(root, context);
  const reader = new ContentReader({
    report,
    shapes: new Map(),
    asset: (href, line) => context.asset(href, line),
    document: (href, line) => context.document(href, line),
  });
  return {
    identifier,
    title: root.attributes.title ?? identifier,
    language: root.attributes['xml:lang'] ?? null,
    body: reader.children(body),
    ...(styles && { styles }),
    catalog: readCatalog(root, reader, report, (href, line) => context.asset(href, line)),
  };
}
