import { randomBytes } from 'node:crypto';

/**
 * Headers of every answer. Scripts: our own files and what carries this answer's nonce; nothing inline, nothing evaluated.
 * Styles may be inline: Ant Design and MathLive write theirs into the page, and sizes follow from content (docs/security.md).
 * The shipped voice is WebAssembly (`wasm-unsafe-eval`: compiling it, and no JavaScript from text).
 */
export function securityHeaders(
  nonce: string,
  secure: boolean,
  development: boolean,
): Record<string, string> {
  const policy = [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'${development ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "media-src 'self' blob: data:",
    "font-src 'self' data:",
    `connect-src 'self' blob:${development ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "manifest-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
  return {
    'content-security-policy': policy,
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'no-referrer',
    'permissions-policy': 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    ...(secure && { 'strict-transport-security': 'max-age=31536000; includeSubDomains' }),
  };
}
export const newNonce = (): string => randomBytes(16).toString('base64');
