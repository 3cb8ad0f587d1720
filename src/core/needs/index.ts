import * as z from 'zod/mini';
import { ownColours } from '../view/palette';
import { SCHEME_IDS } from '../view/schemes';
import { textLook } from '../view/text';

const id = z.string().check(z.maxLength(100));
const ids = z.array(id).check(z.maxLength(100));
const magnification = z.number().check(z.minimum(1), z.maximum(4));
const keptByTool = z.record(id, z.record(id, z.unknown()));

/** What a teacher has set for a student, and what the student chose in My view on top; already on when a test opens. */
export const accessNeeds = z.object({
  timeMultiplier: z._default(z.union([z.literal(1), z.literal(1.25), z.literal(1.5), z.literal(2)]), 1),
  scheme: z._default(z.enum(SCHEME_IDS), 'paper'),
  /** Two colors of the student's own in the place of a scheme's. */
  own: z._default(z.nullable(ownColours), null),
  /** The colors of pictures turned around. */
  inverted: z._default(z.boolean(), false),
  magnification: z._default(magnification, 1),
  /** How words are set: face and spacing. */
  text: z.prefault(textLook, {}),
  /** Ids of tools that are on from the start; one this product has not is passed over. */
  toolsOn: z._default(ids, []),
  /** Kinds of help with marked words (QTI 3.0, catalog supports), e.g. `glossary-on-screen`, `spoken`. */
  supports: z._default(ids, []),
  /** Languages the student reads besides the test's, BCP 47. */
  languages: z._default(z.array(z.string().check(z.maxLength(35))).check(z.maxLength(20)), []),
  /** Ids of tools the student has although the test or question does not bring them. */
  toolsGiven: z._default(ids, []),
  /** How tools begin, as the student left them in My view. */
  chosen: z._default(keptByTool, {}),
});
export type AccessNeeds = z.infer<typeof accessNeeds>;

export const NO_NEEDS: AccessNeeds = accessNeeds.parse({});

/** How the page looks, as needs say it. */
export type NeedsLook = Pick<AccessNeeds, 'scheme' | 'own' | 'inverted' | 'magnification' | 'text'>;

/** Letters that what a student chose may take, written down. */
export const LONGEST_VIEW = 20_000;

/** What a student chose in My view: only what differs from what was set for them, so that a teacher's later change still arrives. */
export const chosenView = z
  .object({
    look: z.partial(
      z.object({
        scheme: z.enum(SCHEME_IDS),
        own: z.nullable(ownColours),
        inverted: z.boolean(),
        magnification,
        text: textLook,
      }),
    ),
    tools: keptByTool,
  })
  .check(z.refine((view) => JSON.stringify(view).length <= LONGEST_VIEW, 'too long'));
export type ChosenView = z.infer<typeof chosenView>;

/**
 * Reads kept needs, and over them what the student chose; anything unreadable gives the defaults, never an error in front of a student.
 * @param chosen as it is kept; null = nothing was chosen
 */
export function readNeeds(kept: unknown, chosen: unknown = null): AccessNeeds {
  const read = accessNeeds.safeParse(kept);
  const set = read.success ? read.data : NO_NEEDS;
  const view = chosenView.safeParse(chosen);
  return view.success ? { ...set, ...view.data.look, chosen: view.data.tools } : set;
}
