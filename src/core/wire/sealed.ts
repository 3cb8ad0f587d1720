import type { AttemptContent } from './content';

/** What is sealed of a test that is fetched before its clock starts. */
export interface SealedBundle {
  readonly content: AttemptContent;
  /** Its pictures, sounds and documents. */
  readonly assets: readonly {
    readonly path: string;
    readonly mediaType: string;
    readonly base64: string;
  }[];
}
/** Bytes at its beginning that are no secret: the vector of AES-GCM (NIST SP 800-38D). */
export const VECTOR_BYTES = 12;
