import { z } from 'zod';
import type { Item, Stimulus } from '@/core/item/item';
import { NO_MATERIALS } from '@/core/item/materials';
import { NO_LIMITS, type Test } from '@/core/item/test';

/**
 * Which form of the models the reader makes now. Raised with every change of a model that older rows have not; `UPGRADES` then
 * says how a model of the version before becomes one of this.
 */
export const MODEL_VERSION = 5;

/** A stored model is not what this program wrote. */
export class UnreadableModel extends Error {
  constructor(
    readonly what: string,
    why: string,
  ) {
    super(`${what} in the library cannot be read: ${why}`);
    this.name = 'UnreadableModel';
  }
}

// Every level that decides what is scored or shown is checked; content trees are checked as far as their nodes' kinds.
const node = z.looseObject({
  kind: z.enum(['text', 'element', 'interaction', 'place', 'feedback', 'template', 'printed']),
});
const content = z.array(node);
const declaration = z.looseObject({ identifier: z.string(), cardinality: z.string() });
const rubric = z.looseObject({ views: z.array(z.string()), content });
const item = z.looseObject({
  identifier: z.string(),
  title: z.string(),
  adaptive: z.boolean(),
  responses: z.array(declaration),
  outcomes: z.array(declaration),
  templates: z.array(declaration),
  contexts: z.array(declaration),
  stimuli: z.array(z.string()),
  materials: z.looseObject({
    calculator: z.nullable(z.string()),
    rulers: z.array(z.looseObject({})),
    sheets: z.array(z.looseObject({ title: z.string(), kind: z.enum(['pdf', 'page']), path: z.string() })),
  }),
  catalog: z.record(z.string(), z.array(z.looseObject({ support: z.string(), content }))),
  body: content,
  rubrics: z.array(rubric),
  feedback: z.array(z.looseObject({ outcome: z.string(), identifier: z.string(), content })),
  templateProcessing: z.array(z.looseObject({ rule: z.string() })),
  responseProcessing: z.nullable(z.looseObject({ kind: z.enum(['template', 'rules']) })),
});
const stimulus = z.looseObject({
  identifier: z.string(),
  title: z.string(),
  body: content,
  catalog: z.record(z.string(), z.unknown()),
});
const limits = z.object({
  minimum: z.number().nullable(),
  maximum: z.number().nullable(),
  allowLateSubmission: z.boolean(),
});
const ruled = { preConditions: z.array(z.looseObject({})), branchRules: z.array(z.looseObject({})) };
const itemRef = z.looseObject({
  ...ruled,
  kind: z.literal('item'),
  identifier: z.string(),
  item: z.string(),
  timeLimits: limits,
  sessionControl: z.looseObject({ maxAttempts: z.number(), showFeedback: z.boolean() }),
  toolsOff: z.array(z.string()),
});
const section = z.looseObject({
  ...ruled,
  kind: z.literal('section'),
  identifier: z.string(),
  timeLimits: limits,
  get children(): z.ZodArray<z.ZodUnion<[typeof itemRef, z.ZodType]>> {
    return z.array(z.union([itemRef, section as z.ZodType]));
  },
});
const test = z.looseObject({
  identifier: z.string(),
  title: z.string(),
  timeLimits: limits,
  outcomes: z.array(declaration),
  contexts: z.array(declaration),
  rubrics: z.array(rubric),
  feedback: z.array(z.looseObject({ access: z.enum(['during', 'atEnd']) })),
  parts: z.array(
    z.looseObject({
      ...ruled,
      identifier: z.string(),
      navigation: z.enum(['linear', 'nonlinear']),
      submission: z.enum(['individual', 'simultaneous']),
      timeLimits: limits,
      sections: z.array(section),
    }),
  ),
});

export interface Models {
  readonly item: Item;
  readonly stimulus: Stimulus;
  readonly test: Test;
}
const SCHEMAS: Readonly<Record<keyof Models, z.ZodType>> = { item, stimulus, test };

type Plain = Readonly<Record<string, unknown>>;
const listOf = (value: unknown): readonly Plain[] => (Array.isArray(value) ? (value as Plain[]) : []);

/** From models that knew no rules, feedback of tests nor late submission. */
function testWithRules(old: Plain): Plain {
  const withLimits = (one: Plain): Plain => ({
    ...one,
    timeLimits: { ...NO_LIMITS, ...(one.timeLimits as Plain | undefined) },
    preConditions: [],
    branchRules: [],
  });
  const child = (one: Plain): Plain =>
    one.kind === 'section'
      ? { ...withLimits(one), children: listOf(one.children).map(child) }
      : { ...withLimits(one), variableNames: {}, templateDefaults: [] };
  return {
    ...old,
    timeLimits: { ...NO_LIMITS, ...(old.timeLimits as Plain | undefined) },
    language: null,
    tool: { name: null, version: null },
    contexts: [],
    feedback: [],
    parts: listOf(old.parts).map((part) => ({
      ...withLimits(part),
      rubrics: [],
      feedback: [],
      sections: listOf(part.sections).map(child),
    })),
  };
}

/** From references that lost no tools. */
const withToolsOff = (one: Plain): Plain =>
  one.kind === 'section'
    ? { ...one, children: listOf(one.children).map(withToolsOff) }
    : { toolsOff: [], ...one };

/** What makes a model of version N one of version N + 1. */
const UPGRADES: Readonly<Record<number, Partial<Record<keyof Models, (old: Plain) => Plain>>>> = {
  1: { test: testWithRules, item: (old) => ({ contexts: [], ...old }) },
  // Since 3 rubric blocks for the candidate stand in the body. They come when the package is read again; until then nothing is wrong.
  2: {},
  3: {
    item: (old) => ({ materials: NO_MATERIALS, catalog: {}, ...old }),
    stimulus: (old) => ({ catalog: {}, ...old }),
    test: (old) => ({
      ...old,
      parts: listOf(old.parts).map((part) => ({
        ...part,
        sections: listOf(part.sections).map(withToolsOff),
      })),
    }),
  },
  4: { item: (old) => ({ ...old, materials: { ...NO_MATERIALS, ...(old.materials as Plain | undefined) } }) },
};

/** A model as it is kept. @throws UnreadableModel for what this program did not write */
export function readStored<Kind extends keyof Models>(
  kind: Kind,
  identifier: string,
  json: string,
  version: number,
): Models[Kind] {
  let model: unknown;
  try {
    model = JSON.parse(json);
  } catch {
    throw new UnreadableModel(`${kind} ${identifier}`, 'it is no JSON');
  }
  for (let from = version; from < MODEL_VERSION; from += 1)
    model = UPGRADES[from]?.[kind]?.(model as Plain) ?? model;
  const read = SCHEMAS[kind].safeParse(model);
  if (!read.success)
    throw new UnreadableModel(
      `${kind} ${identifier}`,
      read.error.issues
        .slice(0, 3)
        .map((issue) => `${issue.path.join('.')}: ${issue.message}`)
        .join('; '),
    );
  return model as Models[Kind];
}
