import * as z from 'zod/mini';
import { LANGUAGES } from '../languages';
import { assignmentOptions } from '../item/options';
import { accessNeeds, chosenView } from '../needs';
import { SCHEME_IDS } from '../view/schemes';
import { rawResponse } from './events';
import { PACKAGE_BYTES } from './uploads';

/** What a browser asks of the server besides saving; one schema each, for both ends. */
const device = z.string().check(z.minLength(1), z.maxLength(100));

export const signInRequest = z.strictObject({
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(100)),
  password: z.string().check(z.minLength(1), z.maxLength(200)),
});
/** A name that may try again at once. */
export const liftRequest = z.strictObject({ name: z.string().check(z.minLength(1), z.maxLength(100)) });
/** With the code a proctor reads out, however it is spaced. */
export const roomRequest = z.strictObject({
  code: z.string().check(z.minLength(1), z.maxLength(40)),
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(100)),
});
/** A room for a test. */
export const openRoomRequest = z.strictObject({ testId: z.number().check(z.int(), z.positive()) });
/** A test for students: when it can be started (milliseconds since 1970), and how it is taken. */
export const MOST_GIVEN = 10_000;
const moment = z.nullable(z.int().check(z.minimum(0), z.maximum(8_640_000_000_000_000)));
export const giveRequest = z.strictObject({
  testId: z.int().check(z.positive()),
  students: z.array(z.int().check(z.positive())).check(z.minLength(1), z.maxLength(MOST_GIVEN)),
  options: assignmentOptions,
  opensAt: moment,
  closesAt: moment,
});
export const stopRequest = z.strictObject({ device });
export const checkRequest = z.strictObject({
  device,
  /** The response of the button inside the question that asked for it; null for the player's own. */
  by: z.nullable(z.string().check(z.maxLength(200))),
});
/** Goes on where there is no way back, ends the open part, or sees what a clock has ended. */
export const goOnRequest = z.strictObject({ device, move: z.enum(['next', 'end-part', 'time']) });
export const handInRequest = z.strictObject({ device, reason: z.enum(['asked', 'time']) });

/** Whether late answers to a question count. */
export const judgeRequest = z.strictObject({
  item: z.string().check(z.minLength(1), z.maxLength(300)),
  counts: z.boolean(),
});

/** A test to practice on without an account. */
export const practiceRequest = z.strictObject({ testId: z.number().check(z.int(), z.positive()) });

/** What a student chose in My view; null = as it was set for them. */
export const myViewRequest = z.strictObject({ view: z.nullable(chosenView) });

/** The language the interface is to speak from now on. */
export const languageRequest = z.strictObject({ language: z.enum(LANGUAGES) });

/** Letters of a note to a mark: whatever they are, it fits into one short request. */
export const MOST_NOTE = 2_000;
/** What a reader gives for the answer to a question, by the outcome it is for. */
export const marksRequest = z.strictObject({
  item: z.string().check(z.minLength(1), z.maxLength(300)),
  points: z.record(
    z.string().check(z.maxLength(300)),
    z.number().check(z.minimum(-1_000_000), z.maximum(1_000_000)),
  ),
  note: z.string().check(z.maxLength(MOST_NOTE)),
});
/** By how many readers the answers to a test are marked, and by how much two may differ before a third decides. */
export const markingRuleRequest = z.strictObject({
  readers: z.union([z.literal(1), z.literal(2)]),
  differBy: z.number().check(z.minimum(0), z.maximum(1_000_000)),
});
/** Whether what came of a test is told. */
export const releaseRequest = z.strictObject({ told: z.boolean() });
/** Slips that are made at once: a password takes a moment each. */
export const MOST_SLIPS = 500;
/** People who get new passwords, to be handed to them. */
export const slipsRequest = z.strictObject({
  users: z.array(z.int().check(z.positive())).check(z.minLength(1), z.maxLength(MOST_SLIPS)),
  /** They choose a password of their own when they sign in with the new one. */
  change: z.optional(z.boolean()),
});
/** A password of one's own, with the one it replaces. */
export const ownPasswordRequest = z.strictObject({
  current: z.string().check(z.minLength(1), z.maxLength(200)),
  chosen: z.string().check(z.minLength(1), z.maxLength(1_000)),
});
/** What a student's tests begin with. */
export const needsRequest = z.strictObject({ needs: accessNeeds });
/** Letters of a file of needs that is read. */
export const MOST_PNP = 12_000;
/** A file of needs (AfA PNP, as XML or JSON), to be looked at. */
export const readNeedsRequest = z.strictObject({
  text: z.string().check(z.minLength(1), z.maxLength(MOST_PNP)),
});
/** Which session of somebody ends; null = all. */
export const endSessionRequest = z.strictObject({ session: z.nullable(z.string().check(z.maxLength(100))) });
/** Letters of why somebody who supervises did something. */
export const MOST_REASON = 300;
const reason = z.string().check(z.trim(), z.minLength(1), z.maxLength(MOST_REASON));
/** Somebody is erased, and why. */
export const eraseRequest = z.strictObject({ reason });
/** Minutes more for a whole test, and why. */
export const addTimeRequest = z.strictObject({
  minutes: z.int().check(z.minimum(1), z.maximum(600)),
  reason,
});
/** A test is ended, and why. */
export const endRequest = z.strictObject({ reason });
/** A test is scored by the keys of another version, and why. */
export const rescoreRequest = z.strictObject({ keyTestId: z.int().check(z.positive()), reason });
/** A package that is going to be sent, piece by piece. */
export const uploadRequest = z.strictObject({
  name: z.string().check(z.minLength(1), z.maxLength(300)),
  bytes: z.int().check(z.minimum(1), z.maximum(PACKAGE_BYTES)),
});
/** A package that has been sent is looked at, or brought. */
export const readPackageRequest = z.strictObject({ bring: z.boolean() });
/** A test tried out: with the needs of a student, or in a scheme and size. */
export const tryRequest = z.strictObject({
  student: z.nullable(z.int().check(z.positive())),
  scheme: z.nullable(z.enum(SCHEME_IDS)),
  magnification: z.nullable(z.number().check(z.minimum(1), z.maximum(4))),
});
/** A question's drawing in the library, from 0; in an address or a body. */
const drawing = z._default(z.coerce.number().check(z.int(), z.minimum(0), z.maximum(999)), 0);
/** As whom a question of the library is seen, and which of its drawings; in an address. */
export const seenAsQuery = z.strictObject({
  student: z._default(z.nullable(z.coerce.number().check(z.int(), z.positive())), null),
  scheme: z._default(z.nullable(z.enum(SCHEME_IDS)), null),
  size: z._default(z.nullable(z.coerce.number().check(z.minimum(1), z.maximum(4))), null),
  drawing,
});
/** An answer to see what it is worth. */
export const tryAnswerRequest = z.strictObject({
  drawing,
  responses: z.record(z.string().check(z.minLength(1), z.maxLength(200)), rawResponse),
});
/** What is not said of the options is as usual. */
export type GiveRequest = z.input<typeof giveRequest>;
export type AddTimeRequest = z.infer<typeof addTimeRequest>;
export type TryRequest = z.infer<typeof tryRequest>;
export type SlipsRequest = z.infer<typeof slipsRequest>;
export type OwnPasswordRequest = z.infer<typeof ownPasswordRequest>;
export type SignInRequest = z.infer<typeof signInRequest>;
export type RoomRequest = z.infer<typeof roomRequest>;
export type CheckRequest = z.infer<typeof checkRequest>;
export type GoOnRequest = z.infer<typeof goOnRequest>;
export type HandInRequest = z.infer<typeof handInRequest>;
