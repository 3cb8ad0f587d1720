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
const SUPPORTS = new Set([
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
]);

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

type Draft = { -readonly [Name in keyof AccessNeeds]?: AccessNeeds[Name] };

/**
 * What a profile asks for, in our settings.
 * @returns `notOurs`: everything of it that this product does not do, by where it stands
 */
export function needsFromPnp(profile: Part): {
  readonly needs: AccessNeeds;
  readonly notOurs: readonly string[];
} {
  const notOurs: string[] = [];
  const needs: Draft = {};
  const tools = {
    on: new Set<string>(),
    given: new Set<string>(),
    supports: new Set<string>(),
    languages: new Set<string>(),
  };
  const refuse = (where: string, one: Part) =>
    notOurs.push(one.text === '' ? where : `${where} (${one.text})`);
  /** A value taken over if our settings can hold it. */
  const take = (where: string, one: Part, change: Draft) => {
    const read = accessNeeds.safeParse({ ...needs, ...change });
    if (read.success) Object.assign(needs, change);
    else refuse(where, one);
  };
  const number = ({ text }: Part) => (text.trim() === '' ? NaN : Number(text));
  const feature = (name: string, on: boolean, where: string, one: Part) => {
    const tool = TOOLS[name];
    if (tool !== undefined) {
      tools.given.add(tool);
      if (on) tools.on.add(tool);
    }
    if (SUPPORTS.has(name)) tools.supports.add(name);
    if (tool === undefined && !SUPPORTS.has(name)) refuse(where, one);
  };
  for (const one of profile.parts) {
    const inside = (name: string) => one.parts.find((each) => each.name === name);
    const others = (...known: readonly string[]) => {
      for (const each of one.parts) if (!known.includes(each.name)) refuse(`${one.name}/${each.name}`, each);
    };
    switch (one.name) {
      case 'additional-testing-time': {
        const factor = inside('time-multiplier');
        if (factor) take(`${one.name}/time-multiplier`, factor, { timeMultiplier: number(factor) as 1 });
        others('time-multiplier');
        break;
      }
      case 'magnification': {
        const all = inside('all-content');
        const zoom = all?.parts.find(({ name }) => name === 'zoom-amount');
        if (zoom) take(`${one.name}/all-content/zoom-amount`, zoom, { magnification: number(zoom) });
        others('all-content');
        break;
      }
      case 'text-appearance': {
        const [ink, sheet, face] = ['font-color', 'background-color', 'font-face'].map(inside);
        if (ink && sheet) take(one.name, one, { own: { ink: ink.text, sheet: sheet.text } });
        else for (const each of [ink, sheet]) if (each) refuse(`${one.name}/${each.name}`, each);
        const font = face?.parts.find(({ name }) => name === 'font-name');
        const known = FACES.find((each) => FONTS[each] === font?.text);
        if (known) needs.text = { ...PLAIN_TEXT, ...needs.text, face: known };
        else if (face) refuse(`${one.name}/font-face`, font ?? face);
        for (const [name, ours] of Object.entries(TEXT)) {
          const value = inside(name);
          if (value)
            take(`${one.name}/${name}`, value, {
              text: { ...PLAIN_TEXT, ...needs.text, [ours]: number(value) },
            });
        }
        others('font-color', 'background-color', 'font-face', ...Object.keys(TEXT));
        break;
      }
      case 'keyword-translation':
        tools.supports.add(one.name);
        for (const each of one.parts) if (each.name === 'language') tools.languages.add(each.text.trim());
        others('language');
        break;
      case 'activate-at-initialization-set':
      case 'activate-as-option-set':
        for (const each of one.parts)
          feature(each.name, one.name === 'activate-at-initialization-set', `${one.name}/${each.name}`, each);
        break;
      case `${PREFIX}scheme`:
        take(one.name, one, { scheme: one.text as 'paper' });
        break;
      case `${PREFIX}tools-on`:
        for (const id of one.text.split(/\s+/).filter(Boolean)) tools.on.add(id);
        break;
      case `${PREFIX}tools-given`:
        for (const id of one.text.split(/\s+/).filter(Boolean)) tools.given.add(id);
        break;
      case `${PREFIX}inverted-pictures`:
        needs.inverted = true;
        break;
      case `${PREFIX}text`:
        for (const [name, ours] of [
          ['paragraphs', 'paragraphs'],
          ['measure', 'measure'],
        ] as const) {
          const value = inside(name);
          if (value)
            take(`${one.name}/${name}`, value, {
              text: { ...PLAIN_TEXT, ...needs.text, [ours]: number(value) },
            });
        }
        break;
      default:
        if (TOOLS[one.name] === undefined && !SUPPORTS.has(one.name)) refuse(one.name, one);
        else {
          // A preference without a set: it is wished for, and how it is to be is not ours to set.
          feature(one.name, false, one.name, one);
          others();
        }
    }
  }
  const lists = {
    toolsOn: [...tools.on],
    toolsGiven: [...tools.given],
    supports: [...tools.supports],
    languages: [...tools.languages],
  };
  return { needs: { ...NO_NEEDS, ...needs, ...lists }, notOurs };
}

/** A student’s needs as a profile. What they chose themselves in My view is theirs, and not in it beyond how the page looks. */
export function pnpFrom(needs: AccessNeeds): Part {
  const { text, own } = needs;
  const parts: Part[] = [];
  if (needs.timeMultiplier !== 1)
    parts.push(part('additional-testing-time', part('time-multiplier', needs.timeMultiplier)));
  if (needs.magnification !== 1)
    parts.push(part('magnification', part('all-content', part('zoom-amount', needs.magnification))));
  const looks = [
    ...(own ? [part('background-color', own.sheet), part('font-color', own.ink)] : []),
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
  const may = new Set([...standard(needs.toolsGiven), ...needs.supports.filter((one) => SUPPORTS.has(one))]);
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
