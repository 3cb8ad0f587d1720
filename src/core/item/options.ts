import * as z from 'zod/mini';

/** A pause of so many minutes locks what is answered, where an assignment says nothing (work.md, C6: common practice, no source). */
const LOCK_AFTER = 20;

/** As it is sent and kept; what is not said is as usual. */
const kept = z.strictObject({
  /** For practice: for the student alone. Nobody supervises or marks it, and it is in no results (work.md, A3; decision 024). */
  practice: z._default(z.boolean(), false),
  /** The questions of a section on one page, instead of one at a time (work.md, B1). */
  onePage: z._default(z.boolean(), false),
  /** Questions of a section come in an order of their own for each student, where there is a way back; what a test fixes stays. */
  mixed: z._default(z.boolean(), false),
  /** Tools that nobody has in it, whatever their needs: for what it measures. Names of `ui/tools`. */
  toolsOff: z._default(z.array(z.string().check(z.regex(/^[a-z-]{1,60}$/))).check(z.maxLength(40)), []),
  /** After a pause of so many minutes what was answered before is locked until whoever supervises opens it; null = never (C6), as in practice. */
  lockAfter: z.optional(z.nullable(z.int().check(z.minimum(1), z.maximum(10_000)))),
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

/** What needs somebody who supervises, or results that are told: none of it goes with practice. */
const FOR_REAL_ONLY = ['goAhead', 'ownsScreen', 'held'] as const;

/** As it is sent and kept, with what is not said. What contradicts practice is refused by name. */
export const assignmentOptions = z.pipe(
  kept.check((context) => {
    const { practice, lockAfter } = context.value;
    if (!practice) return;
    for (const name of [...FOR_REAL_ONLY, 'lockAfter'] as const)
      if (name === 'lockAfter' ? typeof lockAfter === 'number' : context.value[name])
        context.issues.push({
          code: 'custom',
          path: [name],
          input: context.value[name],
          message: `${name} does not go with practice, which nobody supervises`,
        });
  }),
  z.transform((options) => ({
    ...options,
    lockAfter: options.lockAfter === undefined ? (options.practice ? null : LOCK_AFTER) : options.lockAfter,
  })),
);

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

/** The same for practice: without what nobody is there for. */
export const asPractice = (options: AssignmentOptions): AssignmentOptions => ({
  ...options,
  practice: true,
  goAhead: false,
  ownsScreen: false,
  held: false,
  lockAfter: null,
});

/** The same for real: pauses lock as usual. */
export const forReal = (options: AssignmentOptions): AssignmentOptions => ({
  ...options,
  practice: false,
  lockAfter: LOCK_AFTER,
});
