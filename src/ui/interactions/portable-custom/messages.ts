import type { QtiJson } from '@/core/interactions/portable-custom/json';

/** What the page tells the frame in which a program of a package runs. */
export type ToFrame =
  | {
      readonly tells: 'begin';
      readonly typeIdentifier: string;
      readonly module: string;
      readonly modules: readonly { readonly id: string; readonly source: string }[];
      readonly markup: string;
      readonly responseIdentifier: string;
      readonly properties: Readonly<Record<string, string>>;
      /** The answer as it stands. */
      readonly bound: QtiJson;
      readonly variables: Readonly<Record<string, QtiJson>>;
      /** What it kept of itself; null the first time. */
      readonly state: string | null;
      readonly closed: boolean;
      readonly look: FrameLook;
    }
  | { readonly tells: 'look'; readonly look: FrameLook }
  | { readonly tells: 'closed'; readonly closed: boolean }
  /** Something is pressed in the page, which may lead away: what does the program answer now? */
  | { readonly tells: 'ask' };

/** How the page looks, for the frame to look alike. */
export interface FrameLook {
  readonly ink: string;
  readonly sheet: string;
  readonly accent: string;
  readonly dark: boolean;
  /** CSS pixels of a letter. */
  readonly size: number;
  readonly language: string;
  /** How its words are set, as in CSS: the face, and how far apart lines, letters and words stand. */
  readonly text: Readonly<Record<'fontFamily' | 'lineHeight' | 'letterSpacing' | 'wordSpacing', string>>;
  /** Style rules that bring the face. */
  readonly fonts: string;
}

/** What the frame tells the page. Nothing of it is believed before it is looked at. */
export type FromFrame =
  | { readonly tells: 'ready' }
  | { readonly tells: 'changed'; readonly response: unknown; readonly state: unknown }
  | { readonly tells: 'height'; readonly height: unknown }
  | { readonly tells: 'key'; readonly key: unknown; readonly code: unknown; readonly alt: unknown }
  | { readonly tells: 'failed'; readonly why: unknown };
