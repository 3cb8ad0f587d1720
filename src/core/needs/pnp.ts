import { own } from '../own';
import { FACES, PLAIN_TEXT, type Face } from '../view/text';
import { accessNeeds, NO_NEEDS, type AccessNeeds } from '.';

/**
 * A student’s needs as an Access for All Personal Needs & Preferences profile (1EdTech AfA PNP 3.0, as QTI 3.0 uses it). Names of the
 * standard’s binding are from memory. What the standard has no place for (a color scheme of ours, tools of ours) stands in elements of
 * our own namespace, which the standard allows.
 */

/** Before names of our own namespace in JSON, which has no namespaces. */
export const PREFIX = 'able:';

/** A profile, however it was written: names as in XML, ours with the prefix. */
export interface Part {
  readonly name: string;
  readonly text: string;
  readonly parts: readonly Part[];
}
export const part = (name: string, ...inside: readonly (Part | string | number)[]): Part => ({
  name,
  text: inside.filter((one) => typeof one !== 'object').join(''),
  parts: inside.filter((one) => typeof one === 'object'),
});

/** Features that are tools of ours, by the tool’s id. */
const TOOLS: Readonly<Record<string, string>> = {
  'line-reader': 'line-reader',
  masking: 'masking',
  spoken: 'read-aloud',
  'calculator-on-screen': 'calculator',
  'note-taking': 'notes',
  magnification: 'magnifier',
  'glossary-on-screen': 'glossary',
};
const featureOf = (tool: string): string | undefined =>
  Object.keys(TOOLS).find((feature) => TOOLS[feature] === tool);

/** Features that are cards of a catalog (QTI 3.0, catalog supports). */
export const SUPPORTS = [
  'glossary-on-screen',
  'keyword-translation',
  'simplified-language-portions',
  'spoken',
  'linguistic-guidance',
  'sign-language',
  'long-description',
  'audio-description',
  'high-contrast',
  'keyword-emphasis',
  'item-translation',
  'encouragement',
] as const;
const isSupport = (name: string): boolean => (SUPPORTS as readonly string[]).includes(name);

/** Faces by the names fonts go by. */
const FONTS: Readonly<Record<Face, string>> = {
  legible: 'Atkinson Hyperlegible Next',
  wide: 'Lexend',
  weighted: 'OpenDyslexic',
  serif: 'Source Serif 4',
};
const TEXT = {
  'line-height': 'leading',
  'letter-spacing': 'letters',
  'word-spacing': 'words',
} as const;
/** Spacing the standard has no word for. */
const SPACES = ['paragraphs', 'measure'] as const;
/** The sets of a profile: what is on from the beginning, and what may be used. */
const SETS: Readonly<Record<string, 'on' | 'may'>> = {
  'activate-at-initialization-set': 'on',
  'activate-as-option-set': 'may',
};

type Draft = { -readonly [Name in keyof AccessNeeds]?: AccessNeeds[Name] };

/**
 * What a profile asks for, in our settings.
 * @returns `notOurs`: everything of it that this product does not do, by where it stands; nothing is rounded
 */
export function needsFromPnp(profile: Part): {
  readonly needs: AccessNeeds;
  readonly notOurs: readonly string[];
} {
  const needs: Draft = {};
  const tools = { toolsOn: new Set<string>(), toolsGiven: new Set<string>(), supports: new Set<string>() };
  const languages = new Set<string>();
  /** What was taken over; the rest is named. */
  const used = new Set<Part>();
  const at = (...path: readonly string[]) =>
    path.reduce<Part | undefined>((one, name) => one?.parts.find((each) => each.name === name), profile);
  /** Takes parts over together, if they are all there and our settings can hold what they say. */
  const take = (parts: readonly (Part | undefined)[], change: (...texts: readonly string[]) => object) => {
    const there = parts.filter((one) => one !== undefined);
    if (there.length < parts.length) return;
    const changed = { ...needs, ...change(...there.map(({ text }) => text)) };
    const read = accessNeeds.safeParse(changed);
    if (!read.success) return;
    Object.assign(needs, changed);
    for (const one of there) used.add(one);
  };
  const text = (change: object) => ({ text: { ...PLAIN_TEXT, ...needs.text, ...change } });
  const number = (written = '') => (written.trim() === '' ? NaN : Number(written));
  const feature = (one: Part, on: boolean) => {
    const tool = own(TOOLS, one.name);
    if (tool !== undefined) tools.toolsGiven.add(tool);
    if (tool !== undefined && on) tools.toolsOn.add(tool);
    if (isSupport(one.name)) tools.supports.add(one.name);
    if (tool !== undefined || isSupport(one.name)) used.add(one);
  };
  const ids = (one: Part | undefined, into: Set<string>) => {
    if (!one) return;
    used.add(one);
    for (const id of one.text.split(/\s+/).filter(Boolean)) into.add(id);
  };

  take([at('additional-testing-time', 'time-multiplier')], (factor) => ({ timeMultiplier: number(factor) }));
  take([at('magnification', 'all-content', 'zoom-amount')], (zoom) => ({ magnification: number(zoom) }));
  take([at('text-appearance', 'font-color'), at('text-appearance', 'background-color')], (ink, sheet) => ({
    own: { ink, sheet },
  }));
  take([at('text-appearance', 'font-face', 'font-name')], (font) =>
    text({ face: FACES.find((one) => FONTS[one] === font) ?? '' }),
  );
  for (const [name, ours] of Object.entries(TEXT))
    take([at('text-appearance', name)], (value) => text({ [ours]: number(value) }));
  for (const name of SPACES) take([at(`${PREFIX}text`, name)], (value) => text({ [name]: number(value) }));
  take([at(`${PREFIX}scheme`)], (scheme) => ({ scheme }));
  take([at(`${PREFIX}inverted-pictures`)], () => ({ inverted: true }));
  ids(at(`${PREFIX}tools-on`), tools.toolsOn);
  ids(at(`${PREFIX}tools-given`), tools.toolsGiven);
  for (const set of profile.parts) {
    const kind = own(SETS, set.name);
    if (kind === undefined) continue;
    used.add(set);
    for (const one of set.parts) feature(one, kind === 'on');
  }
  // A preference without a set: it is wished for, and how it is to be is not ours to set.
  for (const one of profile.parts) if (one.name !== 'magnification') feature(one, false);
  for (const one of at('keyword-translation')?.parts ?? [])
    if (one.name === 'language') {
      used.add(one);
      languages.add(one.text.trim());
    }

  const notOurs: string[] = [];
  const name = (one: Part, where: string): void => {
    if (one.parts.length === 0 && !used.has(one))
      notOurs.push(one.text === '' ? where : `${where} (${one.text})`);
    for (const each of one.parts) name(each, `${where}/${each.name}`);
  };
  for (const one of profile.parts) name(one, one.name);
  const lists = Object.fromEntries(Object.entries(tools).map(([list, all]) => [list, [...all]]));
  return { needs: { ...NO_NEEDS, ...needs, ...lists, languages: [...languages] }, notOurs };
}

/** A student’s needs as a profile. What they chose themselves in My view is theirs, and not in it beyond how the page looks. */
export function pnpFrom(needs: AccessNeeds): Part {
  const { text, own: colours } = needs;
  const parts: Part[] = [];
  if (needs.timeMultiplier !== 1)
    parts.push(part('additional-testing-time', part('time-multiplier', needs.timeMultiplier)));
  if (needs.magnification !== 1)
    parts.push(part('magnification', part('all-content', part('zoom-amount', needs.magnification))));
  const looks = [
    ...(colours ? [part('background-color', colours.sheet), part('font-color', colours.ink)] : []),
    ...(text.face === PLAIN_TEXT.face ? [] : [part('font-face', part('font-name', FONTS[text.face]))]),
    ...Object.entries(TEXT).flatMap(([name, ours]) =>
      text[ours] === PLAIN_TEXT[ours] ? [] : [part(name, text[ours])],
    ),
  ];
  if (looks.length > 0) parts.push(part('text-appearance', ...looks));
  if (needs.languages.length > 0)
    parts.push(part('keyword-translation', ...needs.languages.map((one) => part('language', one))));
  const standard = (ids: readonly string[]) => ids.flatMap((id) => featureOf(id) ?? []);
  const ours = (ids: readonly string[]) => ids.filter((id) => featureOf(id) === undefined);
  // A feature that begins switched on is one that may be used: what is only on, and not given, is ours to say.
  const begins = needs.toolsOn.filter((id) => needs.toolsGiven.includes(id));
  const first = new Set(standard(begins));
  const may = new Set([...standard(needs.toolsGiven), ...needs.supports.filter((one) => isSupport(one))]);
  for (const one of first) may.delete(one);
  if (needs.languages.length > 0) may.delete('keyword-translation');
  if (first.size > 0)
    parts.push(part('activate-at-initialization-set', ...[...first].map((one) => part(one))));
  if (may.size > 0) parts.push(part('activate-as-option-set', ...[...may].map((one) => part(one))));
  const on = needs.toolsOn.filter((id) => !begins.includes(id) || featureOf(id) === undefined);
  if (needs.scheme !== 'paper') parts.push(part(`${PREFIX}scheme`, needs.scheme));
  if (needs.inverted) parts.push(part(`${PREFIX}inverted-pictures`));
  if (on.length > 0) parts.push(part(`${PREFIX}tools-on`, on.join(' ')));
  const given = ours(needs.toolsGiven);
  if (given.length > 0) parts.push(part(`${PREFIX}tools-given`, given.join(' ')));
  const spacing = [
    ...(text.paragraphs === PLAIN_TEXT.paragraphs ? [] : [part('paragraphs', text.paragraphs)]),
    ...(text.measure === null ? [] : [part('measure', text.measure)]),
  ];
  if (spacing.length > 0) parts.push(part(`${PREFIX}text`, ...spacing));
  return part('access-for-all-pnp', ...parts);
}
