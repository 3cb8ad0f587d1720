import nspell from 'nspell';

/**
 * Spelling in a thread of its own: the dictionary takes a second to read and must not hold up the writing. In: words with a
 * number. Out: those that are not in the dictionary, each with up to four suggestions.
 */
export interface SpellingQuestion {
  readonly id: number;
  readonly words: readonly string[];
}
export interface SpellingAnswer {
  readonly id: number;
  readonly wrong: Readonly<Record<string, readonly string[]>>;
}

const checker = fetch('/api/dictionaries/en')
  .then((response) => response.json() as Promise<{ aff: string; dic: string }>)
  .then(({ aff, dic }) => nspell(aff, dic));
const known = new Map<string, readonly string[] | null>();

self.onmessage = (event: MessageEvent<SpellingQuestion>) => {
  const { id, words } = event.data;
  void checker.then(
    (spell) => {
      const wrong: Record<string, readonly string[]> = {};
      for (const word of words) {
        if (!known.has(word)) known.set(word, spell.correct(word) ? null : spell.suggest(word).slice(0, 4));
        const suggestions = known.get(word);
        if (suggestions) wrong[word] = suggestions;
      }
      self.postMessage({ id, wrong } satisfies SpellingAnswer);
    },
    () => self.postMessage({ id, wrong: {} } satisfies SpellingAnswer),
  );
};
