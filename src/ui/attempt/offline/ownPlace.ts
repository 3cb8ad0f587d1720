/** How long the page that is being left may take to be gone. */
const PATIENCE_MS = 3_000;

/**
 * Makes a page's place this page's own until it is gone: two pages that went on from one place would number their answers alike.
 * @param device what the server calls the page
 * @param gone when this page gives it up
 * @returns whether it is; false while another page has it
 * @throws where the browser has no locks, so that nobody can tell
 */
export function ownPlace(device: string, gone: AbortSignal): Promise<boolean> {
  if (!('locks' in navigator)) return Promise.reject(new Error('this browser has no locks'));
  const patience = AbortSignal.timeout(PATIENCE_MS);
  return new Promise((resolve) => {
    navigator.locks
      .request(`able-compass/place/${device}`, { signal: patience }, () => {
        resolve(true);
        return new Promise<void>((release) => {
          if (gone.aborted) release();
          else gone.addEventListener('abort', () => release(), { once: true });
        });
      })
      .catch(() => resolve(false));
  });
}
