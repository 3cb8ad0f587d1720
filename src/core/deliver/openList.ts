import {
  NO_LIMITS,
  type ItemRef,
  type Section,
  type Test,
  type TestPart,
  type TimeLimits,
} from '../item/test';

/** Neither entered nor left by a rule. */
const UNRULED = { preConditions: [], branchRules: [] };

/**
 * A test as the student's screens give it today: one open list of its questions, whatever parts, order, rules and limits it
 * asks for besides the time of the whole. Importing names what that leaves out (`qti/heldBack`). Scores are worked out of the
 * same list, so that every answer the screens take counts. `validate-responses` is kept where an answer is checked.
 */
export function openList(test: Test): Test {
  const [first] = test.parts;
  if (!first) return test;
  const individual = test.parts.some((part) => part.submission === 'individual');
  const limits: TimeLimits = test.parts.length === 1 ? { ...first.timeLimits, minimum: null } : NO_LIMITS;
  const open = (part: TestPart) => {
    const child = (one: Section | ItemRef): Section | ItemRef =>
      one.kind === 'section' ? section(one) : question(one);
    const section = (one: Section): Section => ({
      ...one,
      ...UNRULED,
      timeLimits: NO_LIMITS,
      children: one.children.map(child),
    });
    const question = (one: ItemRef): ItemRef => ({
      ...one,
      ...UNRULED,
      timeLimits: NO_LIMITS,
      templateDefaults: [],
      sessionControl: {
        ...one.sessionControl,
        allowSkipping: true,
        // Among questions that can be checked, one of a simultaneous part still cannot.
        ...(individual && part.submission === 'simultaneous' ? { maxAttempts: 1, showFeedback: false } : {}),
      },
    });
    return part.sections.map((one, i) => ({
      ...section(one),
      rubrics: i === 0 ? [...part.rubrics, ...one.rubrics] : one.rubrics,
    }));
  };
  return {
    ...test,
    timeLimits: { ...test.timeLimits, minimum: null },
    parts: [
      {
        ...first,
        ...UNRULED,
        navigation: 'nonlinear',
        submission: individual ? 'individual' : 'simultaneous',
        timeLimits: limits,
        rubrics: [],
        sections: test.parts.flatMap(open),
        feedback: test.parts.flatMap((part) => part.feedback),
      },
    ],
  };
}
