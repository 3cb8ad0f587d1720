import { filetypemime } from 'magic-bytes.js';
import type { AnswerFile } from '../file';

/** Media types whose files all begin with a signature, and what else the same bytes are called. */
const SIGNED: Readonly<Record<string, readonly string[]>> = {
  'image/jpeg': ['image/jpeg'],
  'image/png': ['image/png'],
  'image/apng': ['image/png'],
  'image/gif': ['image/gif'],
  'image/webp': ['image/webp'],
  'image/bmp': ['image/bmp'],
  'image/tiff': ['image/tiff'],
  'application/pdf': ['application/pdf'],
  'application/zip': ['application/zip'],
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document': ['application/zip'],
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet': ['application/zip'],
  'application/vnd.openxmlformats-officedocument.presentationml.presentation': ['application/zip'],
  'application/vnd.oasis.opendocument.text': ['application/zip'],
};

/** Letters of base64 looked at: three of four bytes each, beyond every signature. */
const HEAD = 2048;

/**
 * Whether a file holds what its media type says, by its first bytes: a renamed text is no photograph, a photograph is no text. Kinds
 * without a signature of their own (sounds come with several, other systems' formats with none) are believed unless the bytes are
 * those of a signed kind.
 */
export function isWhatItSays({ mediaType, data }: AnswerFile): boolean {
  const bytes = Uint8Array.from(atob(data.slice(0, HEAD)), (letter) => letter.charCodeAt(0));
  const found = filetypemime(bytes);
  const signed = Object.hasOwn(SIGNED, mediaType) ? SIGNED[mediaType] : undefined;
  if (signed) return signed.some((one) => found.includes(one));
  if (mediaType.startsWith('text/')) return !bytes.includes(0);
  const [family] = mediaType.split('/');
  return (
    family === 'application' ||
    !found.some((one) => Object.hasOwn(SIGNED, one) && !one.startsWith(`${family}/`))
  );
}
