import {
  CALCULATORS,
  NO_MATERIALS,
  type Materials,
  type Protractor,
  type ReferenceSheet,
  type Ruler,
} from '../item/materials';
import type { FileContext } from './readItem';
import { childOf, descendantsOf, elementsOf, textOf, type XmlElement } from '../xml/xml';

/** Millimeters and inches of the units a ruler may be given in (QTI 3.0, length units, from memory); by how they begin. */
const UNITS: readonly (readonly [RegExp, 'cm' | 'in', number])[] = [
  [/^(mm|milli)/i, 'cm', 0.1],
  [/^(cm|centi)/i, 'cm', 1],
  [/^(m|met)/i, 'cm', 100],
  [/^in/i, 'in', 1],
  [/^(ft|foot|feet)/i, 'in', 12],
];
/** The longest ruler and the most marks that can still be read on a screen. */
const LONGEST = { cm: 100, in: 40 } as const;
const MOST_MARKS = 1_000;

type Complain = (line: number, message: string) => void;

/**
 * Reads `qti-companion-materials-info`: what comes with a question. What a screen cannot give is named in the report. Element names
 * of the standard's binding, from memory.
 */
export function readMaterials(
  root: XmlElement,
  context: Pick<FileContext, 'report' | 'pdf' | 'page'>,
): Materials {
  const { report } = context;
  const info = childOf(root, 'qti-companion-materials-info');
  if (!info) return NO_MATERIALS;
  const complain: Complain = (line, message) => report.warn('companion-set-aside', line, message);
  const rulers: Ruler[] = [];
  const physical: string[] = [];
  const sheets: ReferenceSheet[] = [];
  let { calculator, protractor }: Pick<Materials, 'calculator' | 'protractor'> = NO_MATERIALS;
  for (const child of elementsOf(info)) {
    if (child.name === 'qti-calculator') calculator = readCalculator(child, complain) ?? calculator;
    else if (child.name === 'qti-rule') rulers.push(...readRulers(child, complain));
    else if (child.name === 'qti-protractor') protractor = readProtractor(child, complain);
    else if (child.name === 'qti-digital-material') sheets.push(...readSheet(child, context, complain));
    else if (child.name === 'qti-physical-material') physical.push(textOf(child).trim());
    else complain(child.line, `<${child.name}> among the companion materials is set aside`);
  }
  return { calculator, rulers, protractor, sheets, physical };
}

/** A PDF or a page of the package, with its title. The file may stand in an attribute or in an element of its own. */
function readSheet(
  element: XmlElement,
  { pdf, page }: Pick<FileContext, 'pdf' | 'page'>,
  complain: Complain,
): readonly ReferenceSheet[] {
  const file = childOf(element, 'qti-file-href');
  const href = element.attributes.href ?? (file ? textOf(file).trim() : '');
  const said = elementsOf(element)
    .filter(({ name }) => TITLES.has(name))
    .map((one) => textOf(one).trim())
    .find((words) => words !== '');
  const title = element.attributes.label ?? file?.attributes.label ?? said;
  const type = (element.attributes['mime-type'] ?? file?.attributes['mime-type'] ?? '').toLowerCase();
  const is = (types: RegExp, names: RegExp) => (type === '' ? names.test(href) : types.test(type));
  for (const { name, line } of elementsOf(element))
    if (name !== 'qti-file-href' && !TITLES.has(name))
      complain(line, `<${name}> of a material is set aside; its title is shown`);
  const kind = is(/pdf/, /\.pdf$/i) ? 'pdf' : is(/html/, /\.x?html?$/i) ? 'page' : null;
  if (href === '' || kind === null) {
    complain(element.line, `the material "${title ?? href}" is set aside: it is no PDF and no HTML page`);
    return [];
  }
  const found = kind === 'pdf' ? pdf(href, element.line) : page(href, element.line);
  if (found === null) return [];
  const { path, title: own } = typeof found === 'string' ? { path: found, title: '' } : found;
  return [{ kind, path, title: title ?? (own === '' ? (path.split('/').at(-1) ?? path) : own) }];
}
/** Elements that may hold what a material is called. */
const TITLES = new Set(['qti-label', 'qti-material-label', 'qti-description']);

function readCalculator(element: XmlElement, complain: Complain): Materials['calculator'] {
  const written = textOf(childOf(element, 'qti-calculator-type') ?? element)
    .trim()
    .toLowerCase();
  const kind = CALCULATORS.find((one) => one === written) ?? null;
  if (!kind)
    complain(element.line, `"${written}" is no kind of calculator; there are ${CALCULATORS.join(', ')}`);
  if (childOf(element, 'qti-calculator-info'))
    complain(element.line, 'a calculator of the package is set aside; the one of this program is given');
  return kind;
}

interface Length {
  readonly value: number;
  readonly unit: 'cm' | 'in';
}

/** A length with its unit; null when it is none. */
function lengthOf(element: XmlElement | null | undefined, otherwise: 'cm' | 'in'): Length | null {
  if (!element) return null;
  const value = Number(textOf(element).trim());
  const written = element.attributes.unit ?? element.attributes.units;
  const known = written === undefined ? undefined : UNITS.find(([begins]) => begins.test(written));
  if (!Number.isFinite(value) || value <= 0 || (written !== undefined && !known)) return null;
  return known ? { value: value * known[2], unit: known[1] } : { value, unit: otherwise };
}

function readRulers(element: XmlElement, complain: Complain): readonly Ruler[] {
  const systems = elementsOf(element).filter(({ name }) => /^qti-rule-system-(si|us)$/.test(name));
  if (systems.length === 0) complain(element.line, 'a ruler without a system of units is set aside');
  return systems.flatMap((system): readonly Ruler[] => {
    const own = system.name.endsWith('us') ? 'in' : 'cm';
    const part = (name: string) => lengthOf(descendantsOf(system, name)[0], own);
    const [length, minor, major] = [
      part('qti-minimum-length'),
      part('qti-minor-increment'),
      part('qti-major-increment'),
    ];
    const all = [length, minor, major];
    const usual =
      own === 'cm' ? { length: 15, minor: 0.1, major: 1 } : { length: 6, minor: 1 / 16, major: 1 };
    const ruler = {
      unit: own,
      length: Math.min(LONGEST[own], length?.value ?? usual.length),
      minor: minor?.value ?? usual.minor,
      major: major?.value ?? usual.major,
    } as const;
    const unreadable = ['qti-minimum-length', 'qti-minor-increment', 'qti-major-increment'].find(
      (name, i) => descendantsOf(system, name).length > 0 && (all[i] === null || all[i]?.unit !== own),
    );
    if (unreadable !== undefined) {
      complain(system.line, `the ruler is set aside: <${unreadable}> is no length of its system`);
      return [];
    }
    if (ruler.minor > ruler.major || ruler.length / ruler.minor > MOST_MARKS) {
      complain(system.line, 'the ruler is set aside: its marks cannot be drawn');
      return [];
    }
    if ((length?.value ?? 0) > LONGEST[own])
      complain(system.line, `the ruler is ${LONGEST[own]} ${own} long, the longest a screen can hold`);
    return [ruler];
  });
}

function readProtractor(element: XmlElement, complain: Complain): Protractor {
  const degrees = (name: string, otherwise: number): number => {
    const [found] = descendantsOf(element, name);
    if (!found) return otherwise;
    const value = Number(textOf(found).trim());
    const unit = (found.attributes.unit ?? 'degree').toLowerCase();
    const inDegrees = unit.startsWith('deg') ? value : unit.startsWith('rad') ? (value * 180) / Math.PI : NaN;
    if (inDegrees >= 0.5 && inDegrees <= 90) return inDegrees;
    complain(found.line, `<${name}> of the protractor is set aside: no angle that can be drawn`);
    return otherwise;
  };
  const minor = degrees('qti-minor-increment', 1);
  return { minor, major: Math.max(minor, degrees('qti-major-increment', 10)) };
}
