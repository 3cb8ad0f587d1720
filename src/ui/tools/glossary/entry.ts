import { pageStore } from '../../kit/pageStore';

/** The entry that is open: its cards, the words that were pressed, and where the focus goes back to. */
export interface Entry {
  readonly id: string;
  readonly words: string;
  readonly opener: HTMLElement | null;
}
export const openEntry = pageStore<Entry | null>(null);
