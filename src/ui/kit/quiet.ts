const listeners = new Set<() => void>();

/** Whatever sounds by itself says how it is made to rest. */
export const onQuiet = (rest: () => void): void => void listeners.add(rest);

/** Nothing sounds any more: what is read aloud, sounds and films rest where they are, and can be gone on with. */
export function quiet(): void {
  for (const medium of document.querySelectorAll<HTMLMediaElement>('audio, video')) medium.pause();
  for (const rest of listeners) rest();
  // Words said once by the device's voice are short: they end.
  if (window.speechSynthesis?.speaking && !window.speechSynthesis.paused) window.speechSynthesis.cancel();
}
