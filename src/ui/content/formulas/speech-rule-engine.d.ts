/** What is used of the package, which brings no types of its own for what it is imported as. */
declare module 'speech-rule-engine' {
  interface Settings {
    readonly locale: string;
    readonly modality: 'speech' | 'braille';
    readonly domain: string;
    readonly custom: (locale: string) => Promise<string>;
  }
  /** Takes effect at once where the rules of the locale are there; else when they are. */
  export function setupEngine(settings: Settings): Promise<unknown>;
  export function engineReady(): Promise<unknown>;
  /** Empty for what cannot be read. */
  export function toSpeech(mathml: string): string;
}
