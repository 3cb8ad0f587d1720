/**
 * How safe the answers are, in truth: all with the server; on their way; kept on this computer because the network is down;
 * or only in this window, because the computer would not keep them either.
 */
export type SaveState = 'saved' | 'saving' | 'kept' | 'at-risk';

interface Saving {
  /** The server does not have everything. */
  readonly isWaiting: boolean;
  /** The server did not answer last. */
  readonly isDown: boolean;
  /** The server would not take something. */
  readonly wasRefused: boolean;
  /** This computer did not keep what was given last. */
  readonly journalFailed: boolean;
}

export function saveStateOf({ isWaiting, isDown, wasRefused, journalFailed }: Saving): SaveState {
  if (wasRefused || (isDown && isWaiting && journalFailed)) return 'at-risk';
  if (isDown) return 'kept';
  return isWaiting ? 'saving' : 'saved';
}
