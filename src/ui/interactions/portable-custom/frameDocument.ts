import { CACHES } from '../../attempt/offline/kinds';

/** The file that runs in the frame (scripts/bundle.mjs); fetched once, and kept with the app's own files. */
const PROGRAM = '/portable-frame.js';

/** The newest from the server, else as it was kept the last time. @throws TypeError where there is neither */
async function fetched(): Promise<string> {
  const cache = 'caches' in globalThis ? await caches.open(CACHES.file) : null;
  try {
    const response = await fetch(PROGRAM);
    if (!response.ok) throw new TypeError(PROGRAM);
    await cache?.put(PROGRAM, response.clone());
    return await response.text();
  } catch (error) {
    const kept = await cache?.match(PROGRAM);
    if (kept) return kept.text();
    throw error;
  }
}

let program: Promise<string> | null = null;
/** @throws TypeError where it cannot be fetched */
export function frameProgram(): Promise<string> {
  program ??= fetched().catch((error: unknown) => {
    program = null;
    throw error;
  });
  return program;
}

/**
 * What the frame may do besides running scripts that carry its nonce: show what is in it. It fetches nothing, sends nothing, goes nowhere
 * (the page's own policy lets no frame be led elsewhere), and its origin is nobody's (`sandbox` without `allow-same-origin`).
 */
const policy = (nonce: string): string =>
  [
    "default-src 'none'",
    `script-src 'nonce-${nonce}'`,
    "style-src 'unsafe-inline'",
    'img-src data: blob:',
    'media-src data: blob:',
    'font-src data:',
    "connect-src 'none'",
    "form-action 'none'",
    "base-uri 'none'",
  ].join('; ');

const STYLE = `:root{background:var(--sheet);color:var(--ink);font-family:sans-serif;line-height:1.5}
body{display:flow-root;margin:0;padding:.5rem}
button,input,select,textarea{box-sizing:border-box;min-height:44px;padding:.25rem .75rem;border:2px solid;border-radius:.5rem;background:var(--sheet);color:inherit;font:inherit;letter-spacing:inherit;word-spacing:inherit}
:focus-visible{outline:3px solid var(--accent);outline-offset:2px}`;

const escaped = (text: string) =>
  text.replace(/[&"<]/g, (one) => ({ '&': '&amp;', '"': '&quot;', '<': '&lt;' })[one] ?? one);

/** The nonce scripts of this page carry: the frame inherits its page's policy, so its own must carry the same. */
const nonceHere = (): string => document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? '';

/** The whole document of a frame, for `srcdoc`. */
export function frameDocument(source: string, title: string): string {
  const nonce = nonceHere();
  return `<!doctype html><html><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="${escaped(policy(nonce))}"><title>${escaped(title)}</title><style>${STYLE}</style><style data-faces></style><script nonce="${escaped(nonce)}">${source.replaceAll('</script', '<\\/script')}</script></head><body></body></html>`;
}
