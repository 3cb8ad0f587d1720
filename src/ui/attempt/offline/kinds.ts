/**
 * What of the app is kept on a computer for the time without network: `file`, the app's own files, the same for everybody and named by
 * what is in them; `page`, the question screen of an attempt; `picture`, a file of an attempt's test.
 */
export type KeptKind = 'file' | 'page' | 'picture';

/** Where they are kept (Cache Storage). */
export const CACHES: Record<KeptKind, string> = {
  file: 'able-compass-files',
  page: 'able-compass-attempts',
  picture: 'able-compass-attempts',
};

const FILE = /^\/(_next\/static|api\/dictionaries|api\/pdf-files)\//;
const PAGE = /^\/attempts\/[\w-]+$/;
const PICTURE = /^\/api\/attempts\/[\w-]+\/assets\//;

/** What an address of ours is; null for what is always asked of the server. */
export function kindOf({ pathname }: URL): KeptKind | null {
  if (FILE.test(pathname)) return 'file';
  if (PAGE.test(pathname)) return 'page';
  return PICTURE.test(pathname) ? 'picture' : null;
}

/** Whether an address is of this attempt. */
export const isOfAttempt = ({ pathname }: URL, attemptId: string): boolean =>
  pathname === `/attempts/${attemptId}` || pathname.startsWith(`/api/attempts/${attemptId}/`);
