import type { RubricBlock } from '../item/item';
import { readerFor } from '../interactions/readers';
import type { InteractionModel, ResponseShape } from '../content/interaction';
import type { ReadContext } from '../interactions/reading';
import { DOCUMENT, type Content, type ContentNode } from '../content/content';
import { vocabularyOf } from '../content/vocabulary';
import * as allowed from './allowed';
import type { Reporter } from '../xml/problem';
import { childOf, elementsOf, type XmlElement, type XmlNode } from '../xml/xml';

export interface ContentSettings {
  readonly report: Reporter;
  readonly shapes: ReadonlyMap<string, ResponseShape>;
  /** Variables that may be printed; absent where nothing can be. */
  readonly names?: ReadonlySet<string>;
  /** A package path for a path written in this file; reports what is missing or leads outside. */
  asset(href: string, line: number): string | null;
  /** A file of the package as text, for programs; null where there is none. Absent where nothing runs. */
  source?(href: string): string | null;
  /** A page or a PDF of the package that a link leads to; null where it leads to none. Absent where links lead nowhere. */
  document?(href: string, line: number): string | null;
}

/** What the names of our own interactions begin with (items.md). */
const OURS = 'urn:able-compass:';

type InteractionNode = Extract<ContentNode, { kind: 'interaction' }>;

/** Whom a rubric block is for (QTI 3.0, `view`); without a word it is for the candidate. */
export const viewsOf = ({ attributes }: XmlElement): string[] =>
  (attributes.view ?? 'candidate').split(/\s+/).filter(Boolean);

/** What stands in a language other than what is around it: an element says so itself, words need one that does. */
function spokenIn(language: string, node: ContentNode): ContentNode {
  if (node.kind === 'element') return { ...node, attributes: { lang: language, ...node.attributes } };
  if (node.kind === 'text' && node.text.trim() !== '')
    return {
      kind: 'element',
      name: 'span',
      namespace: 'html',
      attributes: { lang: language },
      children: [node],
    };
  return node;
}

/** Reads XHTML, SVG, MathML and interactions into content, by allow-list. */
export class ContentReader {
  constructor(private readonly settings: ContentSettings) {}

  /** The children of an element, as content; those of one of the standard's own that is in a language of its own say so. */
  children(element: XmlElement): Content {
    const content = element.children.flatMap((child) => this.node(child));
    const language = element.name.startsWith('qti-') ? element.attributes['xml:lang'] : undefined;
    return language === undefined ? content : content.map((node) => spokenIn(language, node));
  }

  private node(node: XmlNode): ContentNode[] {
    if (node.kind === 'text') return [{ kind: 'text', text: node.text }];
    if (node.namespace === allowed.SVG_NAMESPACE) return this.plain(node, 'svg');
    if (node.namespace === allowed.MATH_NAMESPACE || node.name === 'math') return this.plain(node, 'math');
    if (node.name.startsWith('qti-')) return this.qti(node);
    // Speech markup says how words are spoken; what is read is the words.
    if (node.namespace === allowed.SPEECH_NAMESPACE) return [...this.children(node)];
    return this.plain(node, 'html');
  }

  private plain(element: XmlElement, namespace: 'html' | 'svg' | 'math'): ContentNode[] {
    const { report } = this.settings;
    const [elements, attributes] = {
      html: [allowed.HTML_ELEMENTS, allowed.HTML_ATTRIBUTES],
      svg: [allowed.SVG_ELEMENTS, allowed.SVG_ATTRIBUTES],
      math: [allowed.MATH_ELEMENTS, allowed.MATH_ATTRIBUTES],
    }[namespace] as [Set<string>, Set<string>];
    const { name } = element;
    if (name === 'object' && namespace === 'html') return this.object(element);
    const linked = name === 'a' && namespace === 'html' ? this.linked(element) : null;
    if (linked !== null)
      return [
        {
          kind: 'element',
          name,
          namespace,
          attributes: { [DOCUMENT]: linked },
          children: this.children(element),
        },
      ];
    // Any other link leads to a place of the same question or passage, or nowhere: its words are shown.
    const leadsOut = name === 'a' && !element.attributes.href?.startsWith('#');
    if (!elements.has(name) || leadsOut) {
      const whole = allowed.DROPPED_WHOLE.has(name);
      report.warn(
        'element-set-aside',
        element.line,
        `<${name}> is not shown${whole ? '' : '; its content is'}`,
      );
      return whole ? [] : [...this.children(element)];
    }
    const kept: Record<string, string> = {};
    for (const [attribute, value] of Object.entries(element.attributes)) {
      if (attributes.has(attribute) && !(attribute !== 'src' && allowed.isUnsafeValue(value)))
        kept[attribute] = value;
      else if (attribute === 'xml:lang') kept.lang ??= value;
      else if (namespace === 'svg' && attribute === 'style') Object.assign(kept, svgStyle(value));
      else if (/^on/.test(attribute))
        report.warn('script-set-aside', element.line, `the script in ${attribute} is not run`);
      else if (!/^(data-|xmlns|xml:space$)/.test(attribute)) {
        report.warn(
          'attribute-set-aside',
          element.line,
          `the attribute ${attribute} of <${name}> is set aside`,
        );
      }
    }
    for (const link of ['src', 'poster']) {
      if (kept[link] === undefined) continue;
      const path = this.settings.asset(kept[link], element.line);
      if (path === null) delete kept[link];
      else kept[link] = path;
    }
    if (name === 'img' && kept.alt === undefined)
      report.warn(
        'no-alt',
        element.line,
        'a picture has no alt text; a student who cannot see it gets nothing',
      );
    return [{ kind: 'element', name, namespace, attributes: kept, children: this.children(element) }];
  }

  /** The document of the package that a link leads to. */
  private linked({ attributes: { href }, line }: XmlElement): string | null {
    if (href === undefined || !/^[^#?:]+\.(x?html?|pdf)$/i.test(href)) return null;
    return this.settings.document?.(href, line) ?? null;
  }

  /** An `object` that is a picture, a sound or a film is read as the element of its own that HTML has for it. */
  private object(element: XmlElement): ContentNode[] {
    const { data, type = '', width, height } = element.attributes;
    const name = { image: 'img', audio: 'audio', video: 'video' }[type.split('/')[0] ?? ''];
    if (name === undefined || data === undefined) {
      this.settings.report.warn(
        'element-set-aside',
        element.line,
        `an object of type "${type}" is not shown; its content is`,
      );
      return [...this.children(element)];
    }
    const words = element.children
      .map((child) => (child.kind === 'text' ? child.text : ''))
      .join('')
      .trim();
    const alt = element.attributes['aria-label'] ?? words;
    const attributes: Record<string, string> = { src: data };
    if (width !== undefined) attributes.width = width;
    if (height !== undefined) attributes.height = height;
    if (name === 'img' && alt !== '') attributes.alt = alt;
    else if (alt !== '') attributes['aria-label'] = alt;
    const tracks = element.children.filter((child) => child.kind === 'element' && child.name === 'track');
    return this.plain({ ...element, name, attributes, children: name === 'img' ? [] : tracks }, 'html');
  }

  private qti(element: XmlElement): ContentNode[] {
    const { report } = this.settings;
    const { name, attributes } = element;
    switch (name) {
      case 'qti-gap':
        return [{ kind: 'place', role: 'gap', identifier: attributes.identifier ?? '', children: [] }];
      case 'qti-hottext':
        return [
          {
            kind: 'place',
            role: 'hottext',
            identifier: attributes.identifier ?? '',
            children: this.children(element),
          },
        ];
      case 'qti-prompt':
      case 'qti-content-body':
        return [...this.children(element)];
      case 'qti-feedback-block':
      case 'qti-feedback-inline':
        return [
          {
            kind: 'feedback',
            block: name === 'qti-feedback-block',
            outcome: attributes['outcome-identifier'] ?? '',
            identifier: attributes.identifier ?? '',
            show: attributes['show-hide'] !== 'hide',
            children: this.children(element),
          },
        ];
      case 'qti-template-block':
      case 'qti-template-inline':
        return [
          {
            kind: 'template',
            variable: attributes['template-identifier'] ?? '',
            identifier: attributes.identifier ?? '',
            show: attributes['show-hide'] !== 'hide',
            children: this.children(element),
          },
        ];
      case 'qti-printed-variable':
        return this.printed(element);
      case 'qti-position-object-stage':
        return this.stage(element);
      case 'qti-rubric-block':
        return this.directions(element);
      default:
        break;
    }
    if (name.endsWith('-interaction')) return this.interaction(element);
    report.error('unsupported-element', element.line, `<${name}> is not supported in content`);
    return [];
  }

  /** A rubric block with what it says. */
  rubric(element: XmlElement): RubricBlock {
    return {
      views: viewsOf(element),
      use: element.attributes.use ?? null,
      content: this.children(element),
    };
  }

  /** A rubric block for the candidate is part of what is read; one for others (scorers, tutors) never gets here. */
  private directions(element: XmlElement): ContentNode[] {
    if (!viewsOf(element).includes('candidate')) return [];
    const attributes = { class: 'able-directions' };
    return [
      { kind: 'element', name: 'div', namespace: 'html', attributes, children: this.children(element) },
    ];
  }

  private printed({ attributes, line }: XmlElement): ContentNode[] {
    const variable = attributes.identifier ?? '';
    const { names } = this.settings;
    if (names && !names.has(variable))
      this.settings.report.error('unknown-variable', line, `"${variable}" is printed and not declared`);
    const index = Number(attributes.index);
    const print = {
      format: attributes.format ?? null,
      index: Number.isInteger(index) && index > 0 ? index : null,
      field: attributes.field ?? null,
      delimiter: attributes.delimiter ?? ';',
    };
    return [{ kind: 'printed', variable, print }];
  }

  /** A stage with its objects: each object is an answer of its own; the first draws the stage with all of them on it. */
  private stage(element: XmlElement): ContentNode[] {
    const [first, ...mates] = elementsOf(element, 'qti-position-object-interaction').flatMap((one) =>
      this.interaction(one, element),
    );
    if (!first) {
      this.settings.report.error('no-object', element.line, 'the stage has no object that can be put on it');
      return [];
    }
    const interaction = { ...first.interaction, mates: mates.map((one) => one.interaction) };
    return [{ kind: 'interaction', interaction }];
  }

  private interaction(element: XmlElement, parent?: XmlElement): InteractionNode[] {
    const { report, shapes } = this.settings;
    const custom = element.attributes['custom-interaction-type-identifier'];
    // One of ours by its own name; any other custom one by the element.
    const definition =
      readerFor(custom ?? element.name) ??
      (custom?.startsWith(OURS) === true ? undefined : readerFor(element.name));
    if (!definition) {
      report.error(
        'unsupported-interaction',
        element.line,
        `the interaction ${custom ?? element.name} is not supported yet`,
      );
      return [];
    }
    const identifier = element.attributes['response-identifier'] ?? '';
    const shape = shapes.get(identifier);
    if (!shape) {
      report.error(
        'unknown-variable',
        element.line,
        `${element.name} is bound to "${identifier}", which is not declared`,
      );
      return [];
    }
    const fits = definition.binds.some(
      ({ cardinality, baseTypes }) =>
        cardinality === shape.cardinality && (shape.baseType === null || baseTypes.includes(shape.baseType)),
    );
    if (!fits) {
      const declared = `${shape.cardinality} ${shape.baseType ?? ''}`.trim();
      report.error(
        'wrong-binding',
        element.line,
        `${element.name} cannot be answered with a response declared as ${declared}`,
      );
    }
    const context: ReadContext = {
      report,
      shape,
      parent,
      content: (child) => this.children(child),
      asset: (href) => this.settings.asset(href, element.line) ?? '',
      source: (href) => this.settings.source?.(href) ?? null,
    };
    const prompt = childOf(element, 'qti-prompt');
    const interaction = {
      prompt: prompt ? this.children(prompt) : [],
      ...definition.read(element, context),
      type: definition.kind.type,
      inline: definition.kind.inline,
      responseIdentifier: identifier,
      classes: vocabularyOf(element.attributes.class),
    } as unknown as InteractionModel;
    return [{ kind: 'interaction', interaction }];
  }
}

/** Presentation properties from a style attribute, as SVG attributes. */
function svgStyle(style: string): Record<string, string> {
  const kept: Record<string, string> = {};
  for (const declaration of style.split(';')) {
    const [property = '', value = ''] = declaration.split(':').map((part) => part.trim());
    if (allowed.SVG_ATTRIBUTES.has(property) && !allowed.isUnsafeValue(value)) kept[property] = value;
  }
  return kept;
}
