import { own } from '@/core/own';
/** Files that may be shown, by extension; anything else is not served. */
const MEDIA_TYPES: Readonly<Record<string, string>> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
  svg: 'image/svg+xml',
  mp3: 'audio/mpeg',
  m4a: 'audio/mp4',
  ogg: 'audio/ogg',
  oga: 'audio/ogg',
  wav: 'audio/wav',
  mp4: 'video/mp4',
  webm: 'video/webm',
  vtt: 'text/vtt',
  pdf: 'application/pdf',
};

export function mediaTypeOf(path: string): string | null {
  return own(MEDIA_TYPES, path.split('.').at(-1)?.toLowerCase() ?? '') ?? null;
}
