import type { PackageReport } from '@/core/wire/desk';
import { PIECE_BYTES } from '@/core/wire/uploads';
import { post, type Answer } from '../../kit/post';

/** A piece that did not get through is sent again this often, after this long. */
const TRIES = 5;
const AGAIN_MS = 2_000;

const rest = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Sends one piece; the network may fail it, and it is sent again. */
async function sendPiece(path: string, piece: Blob): Promise<Answer<{ received: number }>> {
  let answer: Answer<{ received: number }> = { ok: false, code: 'network' };
  for (let i = 0; i < TRIES; i += 1) {
    if (i > 0) await rest(AGAIN_MS);
    try {
      const response = await fetch(path, {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: piece,
      });
      const data = (await response.json()) as { received: number; code?: string };
      answer = response.ok ? { ok: true, data } : { ok: false, code: data.code ?? 'network' };
      if (response.status < 500) return answer;
    } catch {
      answer = { ok: false, code: 'network' };
    }
  }
  return answer;
}

/**
 * Sends a package piece by piece, and has it looked at.
 * @param onSent is told which share of it has arrived, from 0 to 1
 * @returns its name at the server, by which it can be brought, and what is in it
 */
export async function sendPackage(
  file: File,
  onSent: (share: number) => void,
): Promise<Answer<{ readonly id: string; readonly report: PackageReport }>> {
  const begun = await post<{ id: string }>('/api/library/uploads', { name: file.name, bytes: file.size });
  if (!begun.ok) return begun;
  const { id } = begun.data;
  for (let at = 0; at < file.size;) {
    const sent = await sendPiece(`/api/library/uploads/${id}?at=${at}`, file.slice(at, at + PIECE_BYTES));
    if (!sent.ok) return sent;
    // What is there already is not sent twice.
    at = Math.max(at + 1, sent.data.received);
    onSent(at / file.size);
  }
  const read = await post<PackageReport>(`/api/library/uploads/${id}/read`, { bring: false });
  return read.ok ? { ok: true, data: { id, report: read.data } } : read;
}
