import * as z from 'zod/mini';
import { TOOLS } from '../tools';
import type { KeptState } from '../attempt/kept';

/** What a key can do: the screen's own, or a tool by its id. */
export const SCREEN_ACTIONS = ['next', 'back', 'flag', 'review', 'readBack'] as const;
export type ScreenAction = (typeof SCREEN_ACTIONS)[number];

/** Letters that common browsers take for themselves with Alt: menus and the address. */
const TAKEN = 'DEF';
const ALPHABET = 'ABCGHIJKLMNOPQRSTUVWXYZ';

const SCREEN_LETTERS: Readonly<Record<ScreenAction, string>> = {
  next: 'N',
  back: 'B',
  flag: 'L',
  review: 'V',
  readBack: 'A',
};

/**
 * The letters as they come: the screen's own first, then each tool's; one whose letter is taken gets the next that is free, and no
 * other changes for it.
 */
export function defaultLetters(
  tools: readonly { readonly id: string; readonly letter: string }[],
): ReadonlyMap<string, string> {
  const letters = new Map<string, string>(Object.entries(SCREEN_LETTERS));
  const wanted = new Set(tools.map((tool) => tool.letter));
  const used = () => new Set(letters.values());
  for (const { id, letter } of tools) {
    if (!used().has(letter) && !TAKEN.includes(letter)) letters.set(id, letter);
  }
  for (const { id } of tools) {
    if (letters.has(id)) continue;
    const free = [...ALPHABET].find((one) => !used().has(one) && !wanted.has(one));
    if (free !== undefined) letters.set(id, free);
  }
  return letters;
}
const LETTERS = defaultLetters(TOOLS);

type KeySettings = { readonly on: boolean; readonly letters: Readonly<Record<string, string>> };
/** The keys as a student set them. */
export const KEYS: KeptState<KeySettings> = {
  schema: z.object({ on: z.boolean(), letters: z.record(z.string(), z.string()) }),
  initial: () => ({ on: true, letters: {} }),
};

/** The letter of every action, what the student changed on top. */
export const lettersOf = ({ letters }: KeySettings): ReadonlyMap<string, string> =>
  new Map([...LETTERS].map(([action, letter]) => [action, letters[action] ?? letter]));

/**
 * The settings with another letter for an action; one that has it already takes this one's in exchange. Unchanged when the letter is
 * none, or a browser's own.
 */
export function withLetter(settings: KeySettings, action: string, text: string): KeySettings {
  const letter = text.toUpperCase();
  if (!/^[A-Z]$/.test(letter) || TAKEN.includes(letter)) return settings;
  const now = lettersOf(settings);
  const own = now.get(action);
  const other = [...now].find(([one, used]) => one !== action && used === letter)?.[0];
  const exchanged = other !== undefined && own !== undefined ? { [other]: own } : {};
  return { ...settings, letters: { ...settings.letters, ...exchanged, [action]: letter } };
}
