import { z } from 'zod';
import { SCHEME_IDS } from '../view/schemes';
import { textLook } from '../view/text';

/** What a teacher has set for a student; already on when a test opens. */
export const accessNeeds = z.object({
  timeMultiplier: z.union([z.literal(1), z.literal(1.25), z.literal(1.5), z.literal(2)]).default(1),
  scheme: z.enum(SCHEME_IDS).default('paper'),
  magnification: z.number().min(1).max(4).default(1),
  /** How words are set: face and spacing. */
  text: z.prefault(textLook, {}),
  /** Ids of tools that are on from the start; one this product has not is passed over. */
  toolsOn: z.array(z.string().max(100)).max(100).default([]),
  /** Kinds of help with marked words (QTI 3.0, catalog supports), e.g. `glossary-on-screen`, `spoken`. */
  supports: z.array(z.string().max(100)).max(100).default([]),
  /** Languages the student reads besides the test's, BCP 47. */
  languages: z.array(z.string().max(35)).max(20).default([]),
  /** Ids of tools the student has although the test or question does not bring them. */
  toolsGiven: z.array(z.string().max(100)).max(100).default([]),
});
export type AccessNeeds = z.infer<typeof accessNeeds>;

export const NO_NEEDS: AccessNeeds = accessNeeds.parse({});

/** Reads kept needs; anything unreadable gives the defaults, never an error in front of a student. */
export function readNeeds(kept: unknown): AccessNeeds {
  const read = accessNeeds.safeParse(kept);
  return read.success ? read.data : NO_NEEDS;
}
