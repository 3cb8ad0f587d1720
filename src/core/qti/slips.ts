import { isHonoured, vocabularyOf } from '../content/vocabulary';
import type { Reporter } from '../xml/problem';
import { elementsOf, type XmlElement } from '../xml/xml';

/** The namespace of QTI 3.0 (information model, "XML binding"; from memory). */
export const QTI_NAMESPACE = 'http://www.imsglobal.org/xsd/imsqtiasi_v3p0';

/** What an interaction offers under identifiers of their own. */
const OFFERED = new Set([
  'qti-simple-choice',
  'qti-simple-associable-choice',
  'qti-inline-choice',
  'qti-gap-text',
  'qti-gap-img',
  'qti-gap',
  'qti-hottext',
  'qti-hotspot-choice',
  'qti-associable-hotspot',
]);
/** Attributes that count something: a whole number, not negative. */
const COUNT =
  /^(?:(?:max|min)-(?:choices|associations|strings|plays)|match-(?:max|min)|expected-(?:length|lines))$/;
/** More values than this no list of a package holds. */
export const MAX_VALUES = 2_000;

/** Letters an identifier has at most: it travels with every answer, a few letters added (wire/events). */
const MAX_IDENTIFIER = 180;

/** Everything a QTI file may not do whatever it means (elements of another language, numbers that are none), or asks for in vain. */
function checkElement(element: XmlElement, around: string | null, report: Reporter): void {
  const { name, namespace, attributes, line } = element;
  // Of all in a foreign element it is said once.
  if (name.startsWith('qti-') && namespace !== QTI_NAMESPACE && namespace !== around)
    report.error(
      'wrong-namespace',
      line,
      `<${name}> is in the namespace "${namespace}", not in "${QTI_NAMESPACE}"`,
    );
  for (const attribute of ['identifier', 'response-identifier'])
    if ((attributes[attribute] ?? '').length > MAX_IDENTIFIER)
      report.error('too-long', line, `the ${attribute} of <${name}> has more than ${MAX_IDENTIFIER} letters`);
  for (const [attribute, text] of Object.entries(attributes))
    if (name.startsWith('qti-') && COUNT.test(attribute) && !/^\s*\+?\d{1,9}\s*$/.test(text))
      report.error('bad-attribute', line, `${attribute}="${text}" of <${name}> is no whole number from 0`);
  for (const one of vocabularyOf(attributes.class))
    if (!isHonoured(one, name))
      report.warn('class-set-aside', line, `the class ${one} of <${name}> changes nothing here`);
  for (const kin of ['choices', 'associations', 'strings', 'plays']) {
    const [minimum, maximum] = [Number(attributes[`min-${kin}`] ?? 0), Number(attributes[`max-${kin}`] ?? 0)];
    if (maximum > 0 && minimum > maximum)
      report.error('bad-attribute', line, `<${name}> asks for at least ${minimum} and at most ${maximum}`);
  }
}

/** The names an interaction offers, twice: which one was meant could not be told from an answer. */
function checkOffers(interaction: XmlElement, report: Reporter): void {
  const seen = new Set<string>();
  const walk = (element: XmlElement): void => {
    for (const child of elementsOf(element)) {
      const { identifier = '' } = child.attributes;
      if (OFFERED.has(child.name) && identifier !== '') {
        if (seen.has(identifier))
          report.error(
            'duplicate-identifier',
            child.line,
            `"${identifier}" is offered twice in the same <${interaction.name}>`,
          );
        seen.add(identifier);
      }
      walk(child);
    }
  };
  walk(interaction);
}

/** Variables of an item have one name each, and lists an end. */
function checkDeclarations(root: XmlElement, report: Reporter): void {
  const seen = new Set<string>();
  for (const declaration of elementsOf(root)) {
    if (!/^qti-(response|outcome|template|context)-declaration$/.test(declaration.name)) continue;
    const { identifier = '' } = declaration.attributes;
    if (identifier !== '' && seen.has(identifier))
      report.error('duplicate-identifier', declaration.line, `"${identifier}" is declared twice`);
    seen.add(identifier);
    for (const list of elementsOf(declaration))
      if (elementsOf(list).length > MAX_VALUES)
        report.error(
          'too-long',
          list.line,
          `<${list.name}> of "${identifier}" holds more than ${MAX_VALUES}`,
        );
  }
}

/**
 * Slips of any QTI file that no reader of one element sees: foreign namespaces, senseless counts, names given twice, lists without
 * end. Each is an error with its line; a class of the shared vocabulary that changes nothing is named, too.
 */
export function reportSlips(root: XmlElement, report: Reporter): void {
  checkDeclarations(root, report);
  const walk = (element: XmlElement, around: string | null): void => {
    checkElement(element, around, report);
    if (element.name.endsWith('-interaction')) checkOffers(element, report);
    for (const child of elementsOf(element)) walk(child, element.namespace);
  };
  walk(root, null);
}
