import { seededRandom, shuffled } from '../content/random';
import type { ItemRef, Section, Test } from '../item/test';

/**
 * A test as one attempt drew it: which questions, in which order, in which sections. Made once, from the package's version and
 * the attempt's seed, and kept with the attempt; nothing is drawn again (sitting.md, "Form").
 */
export interface Form {
  readonly seed: string;
  /** The student's extra-time factor; it multiplies every maximum. */
  readonly timeMultiplier: number;
  readonly parts: readonly FormPart[];
}
export interface FormPart {
  readonly identifier: string;
  readonly questions: readonly FormQuestion[];
}
/** One question of a form. */
export interface FormQuestion {
  /** What this question is called in the attempt: its reference, or `REF.1`, `REF.2` where it was drawn more than once. */
  readonly ref: string;
  /** Identifier of the item reference in the test. */
  readonly source: string;
  /** The sections it stands in, outermost first; one drawn more than once is numbered like a question. */
  readonly sections: readonly FormSection[];
}
export interface FormSection {
  readonly key: string;
  /** Identifier of the section in the test. */
  readonly source: string;
}

/** More questions than this no form has, however a package multiplies them. */
export const MAX_QUESTIONS = 2_000;
/** The form would be larger than any test is. */
export class FormTooLarge extends Error {}

type Child = Section | ItemRef;

/** What is drawn of a section: as many as asked for, those required always; without mixing in the document's order. */
function drawn({ children, selection }: Section, random: () => number): readonly Child[] {
  if (!selection) return children;
  const { select, withReplacement } = selection;
  if (!withReplacement && select >= children.length) return children;
  const required = children.filter((child) => child.required);
  const wanted = Math.max(0, select - required.length);
  const times = new Map<Child, number>(required.map((child) => [child, 1]));
  if (withReplacement) {
    for (let i = 0; i < wanted; i += 1) {
      const child = children[Math.floor(random() * children.length)];
      if (child) times.set(child, (times.get(child) ?? 0) + 1);
    }
  } else {
    const rest = shuffled(
      children.filter((child) => !child.required),
      random,
      () => false,
    );
    for (const child of rest.slice(0, wanted)) times.set(child, 1);
  }
  return children.flatMap((child) => Array.from({ length: times.get(child) ?? 0 }, () => child));
}

/** A question or a section being placed; `path` are the sections it stands in, each an object of its own per draw. */
interface Placed {
  readonly child: Child;
  readonly path: readonly Draw[];
}
/** One draw of a section. */
interface Draw {
  readonly section: Section;
}

/**
 * The members of a drawn section, in order. An invisible section that need not keep together gives its members to the mixing of
 * the one around it (QTI 3.0, "keep-together").
 */
function members(draw: Draw, path: readonly Draw[], random: () => number): Placed[] {
  const { section } = draw;
  const own = [...path, draw];
  const loose = (child: Child): child is Section =>
    child.kind === 'section' && !child.visible && !child.keepTogether;
  const spread = (child: Child, at: readonly Draw[]): Placed[] => {
    if (!section.shuffle || !loose(child)) return [{ child, path: at }];
    const inner: Draw = { section: child };
    return drawn(child, random).flatMap((one) => spread(one, [...at, inner]));
  };
  const placed = drawn(section, random).flatMap((child) => spread(child, own));
  return section.shuffle ? shuffled(placed, random, ({ child }) => child.fixed) : placed;
}

interface Flat {
  readonly ref: ItemRef;
  readonly path: readonly Draw[];
}

/** A section whose questions are mixed, and those in it; what is `fixed` stays where it is. */
const mixedSection = (section: Section): Section => ({
  ...section,
  shuffle: true,
  children: section.children.map((child) => (child.kind === 'section' ? mixedSection(child) : child)),
});

/**
 * A test whose questions are mixed within their sections, as whoever gives it may wish. A part without a way back stays as it is: its rules
 * lead from one question to another.
 */
export const mixedTest = (test: Test): Test => ({
  ...test,
  parts: test.parts.map((part) =>
    part.navigation === 'linear' ? part : { ...part, sections: part.sections.map(mixedSection) },
  ),
});

/** Draws the form of a test. The same seed draws the same form. @throws FormTooLarge */
export function drawForm(test: Test, seed: string, timeMultiplier = 1): Form {
  const random = seededRandom(`${seed}/order`);
  let count = 0;
  const flatten = (draw: Draw, path: readonly Draw[]): Flat[] =>
    members(draw, path, random).flatMap(({ child, path: at }): Flat[] => {
      if (child.kind === 'section') return flatten({ section: child }, at);
      count += 1;
      if (count > MAX_QUESTIONS) throw new FormTooLarge(`more than ${MAX_QUESTIONS} questions`);
      return [{ ref: child, path: at }];
    });
  const parts = test.parts.map((part) => ({
    identifier: part.identifier,
    flat: part.sections.flatMap((section) => flatten({ section }, [])),
  }));
  const all = parts.flatMap((part) => part.flat);
  const name = numbered(all.map(({ ref }) => ref.identifier));
  const draws = [...new Set(all.flatMap(({ path }) => path))];
  const nameOfDraw = numbered(draws.map(({ section }) => section.identifier));
  const keys = new Map(draws.map((draw) => [draw, nameOfDraw(draw.section.identifier)]));
  return {
    seed,
    timeMultiplier,
    parts: parts.map(({ identifier, flat }) => ({
      identifier,
      questions: flat.map(({ ref, path }) => ({
        ref: name(ref.identifier),
        source: ref.identifier,
        sections: path.map((draw) => ({
          key: keys.get(draw) ?? draw.section.identifier,
          source: draw.section.identifier,
        })),
      })),
    })),
  };
}

/** Names for things that come in this order: what comes more than once is numbered from 1. */
function numbered(identifiers: readonly string[]): (identifier: string) => string {
  const total = new Map<string, number>();
  for (const one of identifiers) total.set(one, (total.get(one) ?? 0) + 1);
  const used = new Map<string, number>();
  return (identifier) => {
    if ((total.get(identifier) ?? 0) < 2) return identifier;
    const next = (used.get(identifier) ?? 0) + 1;
    used.set(identifier, next);
    return `${identifier}.${next}`;
  };
}

/** The questions of a form, in order. */
export const questionsOf = (form: Form): FormQuestion[] => form.parts.flatMap((part) => part.questions);
