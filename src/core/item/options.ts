import * as z from 'zod/mini';

/** A pause of so many minutes locks what is answered, where an assignment says nothing (work.md, C6: common practice, no source). */
const LOCK_AFTER = 20;

/** As it is sent and kept; what is not said is as usual. */
export const assignmentOptions = z.strictObject({
  /** The questions of a section on one page, instead of one at a time (work.md, B1). */
  onePage: z._default(z.boolean(), false),
  /** Questions of a section come in an order of their own for each student, where there is a way back; what a test fixes stays. */
  mixed: z._default(z.boolean(), false),
  /** Tools that nobody has in it, whatever their needs: for what it measures. Names of `ui/tools`. */
  toolsOff: z._default(z.array(z.string().check(z.regex(/^[a-z-]{1,60}$/))).check(z.maxLength(40)), []),
  /** After a pause of so many minutes what was answered before is locked until whoever supervises opens it; null = never (C6). */
  lockAfter: z._default(z.nullable(z.int().check(z.minimum(1), z.maximum(10_000))), LOCK_AFTER),
  /** It begins only once whoever supervises has let the student in (A5). */
  goAhead: z._default(z.boolean(), false),
  /** It has the screen for itself: leaving it is noticed, told, and written down for whoever supervises (C10). */
  ownsScreen: z._default(z.boolean(), false),
  /** It is fetched whole, sealed, before its clock starts, so that it goes on without network from the first question (A1, C9). */
  fetchFirst: z._default(z.boolean(), false),
  /** What is told after handing in: that it is, also the score, or also the answers, as far as the test lets them be seen (F1). */
  tells: z._default(z.enum(['thanks', 'score', 'answers']), 'answers'),
  /** Nothing but thanks is told until whoever may see results lets it be told (F1). */
  held: z._default(z.boolean(), false),
  /** Points that are needed; null = as the test says, where it does (F2). */
  needed: z._default(z.nullable(z.number().check(z.positive(), z.maximum(1_000_000))), null),
  /** How often it may be taken. */
  times: z._default(z.int().check(z.minimum(1), z.maximum(100)), 1),
});

/** What an assignment settles about how its test is taken; all of it may be known to whoever takes it. */
export type AssignmentOptions = Readonly<z.infer<typeof assignmentOptions>>;
/** What is said of them; the rest is as usual. */
export type GivenOptions = Readonly<z.input<typeof assignmentOptions>>;

/**
 * Reads the options of an assignment.
 * @throws ZodError for a name or value there is not: an option is never dropped in silence
 */
export const readOptions = (given: unknown): AssignmentOptions => assignmentOptions.parse(given);

/** As a test is taken where nothing else is said. */
export const USUAL: AssignmentOptions = readOptions({});
