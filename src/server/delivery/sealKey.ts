import { randomBytes } from 'node:crypto';

/** Bytes of a key of AES-256. */
const KEY_BYTES = 32;

/** A key of its own for an attempt whose test is fetched before its clock starts, in base64. */
export const newSealKey = (): string => randomBytes(KEY_BYTES).toString('base64');
