import type * as SpeechRules from 'speech-rule-engine/mjs/common/system.js';
import { shippedRules } from './rules';

/**
 * Formulas in words and in braille, by the rules of `speech-rule-engine` (ClearSpeak; the Nemeth code of 1972). It is loaded for whoever is
 * read to or reads braille, and by nobody else.
 */
const MANNERS = {
  nemeth: { locale: 'nemeth', modality: 'braille', domain: 'default' },
  en: { locale: 'en', modality: 'speech', domain: 'clearspeak' },
  de: { locale: 'de', modality: 'speech', domain: 'clearspeak' },
  fr: { locale: 'fr', modality: 'speech', domain: 'clearspeak' },
  it: { locale: 'it', modality: 'speech', domain: 'clearspeak' },
} as const;
export type Manner = keyof typeof MANNERS;

/** Its parts for the browser alone; its front door also opens a command line, which our content security policy forbids. */
type Engine = typeof SpeechRules;
type Rules = (locale: string) => Promise<string>;

let engine: Engine | null = null;
const learned = new Set<Manner>();
const learning = new Map<Manner, Promise<void>>();
/** What formulas are in a manner, by their MathML. */
const known = new Map<string, string>();
/** So many formulas are remembered. */
const MOST_KNOWN = 2000;

/** The manner in which formulas are spoken in a language (BCP 47); null where the engine speaks it as nobody does. */
export function mannerFor(language: string): Manner | null {
  const [tongue = ''] = language.toLowerCase().split('-');
  return tongue !== 'nemeth' && Object.hasOwn(MANNERS, tongue) ? (tongue as Manner) : null;
}

/** The rules of every manner, fetched here: the engine takes what does not come for nothing to say. */
const texts = new Map<string, string>();
const custom = (locale: string) =>
  texts.has(locale)
    ? Promise.resolve(texts.get(locale) ?? '')
    : Promise.reject(new Error(`no rules for ${locale}`));

async function learnNow(manner: Manner, rules: Rules): Promise<void> {
  // English is what it falls back to, whatever it is asked for.
  for (const locale of ['base', 'en', MANNERS[manner].locale])
    if (!texts.has(locale)) texts.set(locale, await rules(locale));
  // Said before it is loaded: otherwise it would fetch its rules from elsewhere by itself.
  Object.assign(globalThis, { SREfeature: { custom } });
  engine ??= await import('speech-rule-engine/mjs/common/system.js');
  // What it does by itself when it is loaded comes first.
  await engine.engineReady();
  await engine.setupEngine(MANNERS[manner]);
  await engine.engineReady();
  learned.add(manner);
}

/**
 * Fetches what a manner needs; again is harmless, and tried anew where it failed.
 * @param rules where its rules come from; the app's own where nothing is said
 */
export function learn(manner: Manner, rules: Rules = shippedRules): Promise<void> {
  const before = learning.get(manner);
  if (before) return before;
  // One after the other: the engine has one state for everybody.
  const rest = Promise.allSettled(learning.values());
  const now = rest.then(() => learnNow(manner, rules));
  learning.set(manner, now);
  now.catch(() => learning.delete(manner));
  return now;
}

/** Fetches how formulas are spoken in a language, where there is a way. */
export const learnFormulas = async (language: string): Promise<void> => {
  const manner = mannerFor(language);
  if (manner) await learn(manner);
};

/** A formula in a manner; null while that is not learned, and for what the engine cannot read. */
export function inManner(mathml: string, manner: Manner): string | null {
  if (!engine || !learned.has(manner)) return null;
  const key = `${manner} ${mathml}`;
  const before = known.get(key);
  if (before !== undefined) return before || null;
  let words: string;
  try {
    void engine.setupEngine(MANNERS[manner]);
    words = engine.toSpeech(mathml).trim();
  } catch {
    words = '';
  }
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, words);
  return words || null;
}
