import { VECTOR_BYTES, type SealedBundle } from '@/core/wire/sealed';
import { CACHES } from '../../attempt/offline/kinds';
import { assetAddress } from '../useAssets';

/** Whether this browser can open what is sealed: only where the address is a safe one. */
export const canUnseal = (): boolean => typeof globalThis.crypto?.subtle !== 'undefined';

const bytesOf = (base64: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));

/**
 * Fetches a sealed test.
 * @param onShare is told how much of it is here, from 0 to 1
 * @throws what went wrong with the network; `Refused` with the server's code
 */
export async function fetchSealed(
  attemptId: string,
  onShare: (share: number) => void,
  signal: AbortSignal,
): Promise<Uint8Array<ArrayBuffer>> {
  const response = await fetch(`/api/attempts/${encodeURIComponent(attemptId)}/sealed`, {
    cache: 'no-store',
    signal,
  });
  if (!response.ok || !response.body) throw new TypeError(`the server answered ${response.status}`);
  const whole = Number(response.headers.get('content-length') ?? 0);
  const pieces: Uint8Array[] = [];
  let size = 0;
  const reader = response.body.getReader();
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    pieces.push(read.value);
    size += read.value.length;
    if (whole > 0) onShare(Math.min(1, size / whole));
  }
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    bytes.set(piece, at);
    at += piece.length;
  }
  return bytes;
}

/** Opens a sealed test with the key it was sealed with. @throws where it is not that one, or a byte is another */
export async function unseal(bytes: Uint8Array<ArrayBuffer>, key: string): Promise<SealedBundle> {
  const opens = await crypto.subtle.importKey('raw', bytesOf(key), 'AES-GCM', false, ['decrypt']);
  const iv = bytes.subarray(0, VECTOR_BYTES);
  const plain = await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, opens, bytes.subarray(VECTOR_BYTES));
  return JSON.parse(new TextDecoder().decode(plain)) as SealedBundle;
}

/** Keeps the files of a test where its page looks for them, so that none is fetched once more. */
export async function keepAssets(attemptId: string, assets: SealedBundle['assets']): Promise<void> {
  if (!('caches' in globalThis)) return;
  const cache = await caches.open(CACHES.picture);
  for (const { path, mediaType, base64 } of assets)
    await cache.put(
      assetAddress(attemptId, path),
      new Response(bytesOf(base64), { headers: { 'content-type': mediaType } }),
    );
}
