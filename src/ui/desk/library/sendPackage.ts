import type { PackageReport } from '@/core/wire/library';
import { PIECE_BYTES } from '@/core/wire/uploads';
import { post, type Answer } from '../../kit/post';

/** What did not get through is sent again this often, after this long: a network may be away for some minutes. */
const TRIES = 60;
const AGAIN_MS = 3_000;

/** How far a package is on its way. */
export interface OnItsWay {
  /** Of it, from 0 to 1. */
  readonly share: number;
  /** The network does not answer; it is tried again. */
  readonly waiting: boolean;
}

/** Asks until it is answered; only what the network or the server's own trouble keeps from being answered is asked again. */
async function untilAnswered<T>(ask: () => Promise<Answer<T>>, onWait: () => void): Promise<Answer<T>> {
  for (let tries = 1; ; tries += 1) {
    const answer = await ask();
    if (answer.ok || !['network', 'error', 'busy'].includes(answer.code) || tries >= TRIES) return answer;
    onWait();
    await new Promise((done) => setTimeout(done, AGAIN_MS));
  }
}

async function sendPiece(path: string, piece: Blob): Promise<Answer<{ readonly received: number }>> {
  try {
    const response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: piece,
    });
    const data = (await response.json()) as { received: number; code?: string };
    return response.ok ? { ok: true, data } : { ok: false, code: data.code ?? 'network' };
  } catch {
    return { ok: false, code: 'network' };
  }
}

/**
 * Sends a package piece by piece, and has it looked at; what the network keeps from getting through is sent again.
 * @param onSent is told how far it is
 * @returns its name at the server, by which it can be brought, and what is in it
 */
export async function sendPackage(
  file: File,
  onSent: (way: OnItsWay) => void,
): Promise<Answer<{ readonly id: string; readonly report: PackageReport }>> {
  const begun = await post<{ id: string }>('/api/library/uploads', { name: file.name, bytes: file.size });
  if (!begun.ok) return begun;
  const { id } = begun.data;
  for (let at = 0; at < file.size;) {
    const [from, share] = [at, at / file.size];
    onSent({ share, waiting: false });
    const sent = await untilAnswered(
      () => sendPiece(`/api/library/uploads/${id}?at=${from}`, file.slice(from, from + PIECE_BYTES)),
      () => onSent({ share, waiting: true }),
    );
    if (!sent.ok) return sent;
    // What is there already is not sent twice.
    at = Math.max(at + 1, sent.data.received);
  }
  onSent({ share: 1, waiting: false });
  const read = await untilAnswered(
    () => post<PackageReport>(`/api/library/uploads/${id}/read`, { bring: false }),
    () => onSent({ share: 1, waiting: true }),
  );
  return read.ok ? { ok: true, data: { id, report: read.data } } : read;
}
