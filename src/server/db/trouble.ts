import { Refusal } from '../refusal';

/** The code of an error of SQLite's or of the system's; empty of any other. */
const codeOf = (error: unknown): string => {
  const code = (error as { readonly code?: unknown } | null)?.code;
  return typeof code === 'string' ? code : '';
};

/** Whether another process was writing just then (SQLite, "Result Codes": SQLITE_BUSY). */
export const isBusy = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(codeOf(error));

/** Whether there is no room to write (SQLITE_FULL; SQLITE_IOERR_SHMSIZE where the shared index cannot grow; ENOSPC). */
export const isFull = (error: unknown): boolean =>
  /^(SQLITE_FULL|SQLITE_IOERR_SHMSIZE|ENOSPC|EDQUOT)$/.test(codeOf(error));

/** What went wrong as whoever asked is told: that it may be tried again, or that there is no room; null where nothing can be said of it. */
export function refusalOf(error: unknown): Refusal | null {
  if (error instanceof Refusal) return error;
  if (isBusy(error)) return new Refusal('busy', 503);
  return isFull(error) ? new Refusal('disk-full', 507) : null;
}

/** A full disk is written down so often at most, in milliseconds: every save of a school would be a line. */
const LOGGED_EVERY_MS = 60_000;
let loggedAt = -Infinity;

/** The same, for answers to requests; what whoever runs the server has to know is written down. */
export function toldOf(error: unknown, now = Date.now()): Refusal | null {
  const refusal = refusalOf(error);
  if (refusal === null) console.error(error);
  else if (refusal.code === 'disk-full' && now - loggedAt >= LOGGED_EVERY_MS) {
    loggedAt = now;
    console.error('there is no room left to write: answers stay on the computers they were given at', error);
  }
  return refusal;
}
