import { NO_MATERIALS, type Materials } from '../item/materials';
import { railOf, standingOf, type Standing, type ToolAccess } from './allowed';

const item = (materials: Partial<Materials>, off: readonly string[]) => ({
  materials: { ...NO_MATERIALS, ...materials },
  toolsOff: off,
});
type Items = Parameters<typeof standingOf>[1]['items'];

const ACCESS: readonly ToolAccess[] = ['everyone', 'asked-for', { brought: 'calculator' }];
const NEEDS = {
  nothing: { toolsOn: [], toolsGiven: [] },
  given: { toolsOn: [], toolsGiven: ['t'] },
  on: { toolsOn: ['t'], toolsGiven: [] },
} as const;

/** Every combination: who has it × what the needs say × what the question brings × what the test takes away, here and elsewhere. */
const table = ACCESS.flatMap((access) =>
  (Object.keys(NEEDS) as (keyof typeof NEEDS)[]).flatMap((needs) =>
    [true, false].flatMap((brings) =>
      [true, false].flatMap((off) =>
        [true, false].map((other) => [access, needs, brings, off, other] as const),
      ),
    ),
  ),
);

test.each(table)(
  'a tool of %j, needs: %s, brought here: %s, taken away here: %s, another brings it: %s',
  (...row) => {
    const [access, needs, brought, off, other] = row;
    const items = {
      here: item({ calculator: brought ? 'basic' : null }, off ? ['t'] : []),
      there: item({ calculator: other ? 'basic' : null }, []),
    } as unknown as Items;
    const forAll = access === 'everyone' || needs !== 'nothing';
    const has = forAll || (typeof access === 'object' && brought);
    const hasThere = forAll || (typeof access === 'object' && other);
    const expected: Standing = has && !off ? 'here' : hasThere ? 'elsewhere' : 'none';
    expect(standingOf({ id: 't', access }, { items }, 'here', NEEDS[needs])).toBe(expected);
  },
);

test('a tool for cards is there where the student has cards, and nowhere else', () => {
  const items = {
    here: { ...item({}, []), cards: { lee: [] } },
    there: { ...item({}, []), cards: {} },
  } as unknown as Items;
  const at = (ref: string) => standingOf({ id: 't', access: 'with-cards' }, { items }, ref, NEEDS.given);
  expect([at('here'), at('there')]).toEqual(['here', 'elsewhere']);
});
test('where no question is on the screen a tool is elsewhere or nowhere', () => {
  const items = { there: item({ calculator: 'basic' }, []) } as unknown as Items;
  const at = (access: ToolAccess) => standingOf({ id: 't', access }, { items }, null, NEEDS.nothing);
  expect(at({ brought: 'calculator' })).toBe('elsewhere');
  expect(at({ brought: 'protractor' })).toBe('none');
  expect(at('asked-for')).toBe('none');
});

const tool = (id: string, access: ToolAccess, group: 'reading' | 'writing' | 'looking', often = false) => ({
  id,
  access,
  group,
  often,
});
const TOOLS = [
  tool('reader', 'everyone', 'reading', true),
  tool('cover', 'everyone', 'looking'),
  tool('notes', 'everyone', 'writing'),
  tool('calculator', { brought: 'calculator' }, 'writing'),
  tool('mask', 'everyone', 'reading'),
];
const here = (standing: 'here' | 'elsewhere' = 'here') =>
  TOOLS.map((one) => ({ tool: one, standing: one.id === 'calculator' ? standing : ('here' as const) }));
const names = (rail: ReturnType<typeof railOf>) => ({
  first: rail.first.map(({ tool: { id } }) => id),
  more: rail.more.map(({ group, tools }) => [group, tools.map(({ tool: { id } }) => id)]),
});

test('the rail: what the question brings, what the needs name, what many use; the rest by group', () => {
  expect(names(railOf(here(), { toolsOn: [], toolsGiven: [] }))).toEqual({
    first: ['calculator', 'reader'],
    more: [
      ['reading', ['mask']],
      ['writing', ['notes']],
      ['looking', ['cover']],
    ],
  });
  expect(names(railOf(here(), { toolsOn: ['mask'], toolsGiven: ['notes'] }))).toEqual({
    first: ['calculator', 'notes', 'mask', 'reader'],
    more: [['looking', ['cover']]],
  });
  expect(names(railOf(here('elsewhere'), { toolsOn: [], toolsGiven: [] }))).toEqual({
    first: ['reader'],
    more: [
      ['reading', ['mask']],
      ['writing', ['notes', 'calculator']],
      ['looking', ['cover']],
    ],
  });
});
