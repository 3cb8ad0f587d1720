import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import '../../interactions/testView';
import { NEW_ITEM, type AttemptState } from '@/core/attempt/state';
import type { DeliveredPart } from '@/core/item/delivered';
import { ServerRefusal, type Transport, type WentOn } from '../../attempt/session/transport';
import { PlayerScreen } from '../PlayerScreen';
import { prepareBrowser } from '../testBrowser';
import { someQuestion, testPlayer, type TestPlayer } from '../testPlayer';

const user = userEvent.setup();
beforeAll(() => prepareBrowser());

const part = (identifier: string, more: Partial<DeliveredPart>): DeliveredPart => ({
  identifier,
  title: '',
  navigation: 'nonlinear',
  status: 'open',
  count: 1,
  limit: null,
  isCertain: true,
  sections: [],
  ...more,
});
const sectionOf = (...items: string[]) => [
  { identifier: 's', title: 'Shore', directions: [], first: items[0] ?? '', items },
];
/** A part that has ended, one without a way back with two of three still ahead, and one to come. */
const parts = (more: Partial<DeliveredPart> = {}): DeliveredPart[] => [
  part('p', { status: 'ended', sections: sectionOf('Q1') }),
  part('w', { navigation: 'linear', count: 3, sections: sectionOf('Q2') }),
  part('l', { status: 'ahead', count: 2, limit: 600_000, ...more }),
];
const stage = { part: 'w', at: 'Q2', open: ['Q2'], lookable: ['Q1'] };
/** Takes everything that is sent. */
const save: Transport['save'] = (_device, events, cursor) =>
  Promise.resolve({
    acknowledged: Math.max(0, ...events.map(({ seq }) => seq)),
    serverNow: 1_000_000,
    cursor,
    others: [],
    moved: false,
    phase: 'running',
  });
function open(server: Partial<Transport> = {}, of = parts(), state: Partial<AttemptState> = {}): TestPlayer {
  const player = testPlayer(
    [someQuestion('Q1'), someQuestion('Q2')],
    { stage, current: 'Q2', countedTo: 1_000_000, items: { Q2: { ...NEW_ITEM, opened: true } }, ...state },
    {},
    { parts: of, server: { save, ...server } },
  );
  player.show(<PlayerScreen onHandedIn={() => undefined} fetched="everything" />);
  return player;
}
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }));
const dialog = () => screen.findByRole('dialog', undefined, { timeout: 10_000 });

test('the trail goes where one may go, and tells the rest: closed, behind, ahead, later', () => {
  open();
  const trail = within(screen.getByRole('navigation', { name: 'Question trail' }));
  expect(
    trail.getAllByRole('button').map((one) => one.getAttribute('aria-label') ?? one.textContent),
  ).toEqual([
    'Question 1: not opened, closed',
    'Question 2: opened, nothing answered, you are here',
    'Look over',
  ]);
  expect(trail.getByText('Forward only: none behind, up to 2 ahead.')).toBeTruthy();
  expect(trail.getByText('2 questions, later')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Flag' })).toBeNull();
});

test('finishing a part says what is left out, what comes and when its clock starts; where rules lead past it, that it may', async () => {
  open();
  await press('Look over');
  await press('Finish “Part 2” …');
  const asked = await dialog();
  expect(asked.textContent).toContain('2 questions have not been shown yet and are left out.');
  expect(asked.textContent).toContain(
    'Next comes “Part 3” with 2 questions. It has 10 minutes, which start when you go on.',
  );
});

test('a part that a rule may lead past is not promised', async () => {
  open({}, parts({ isCertain: false }));
  await press('Look over');
  await press('Finish “Part 2” …');
  expect((await dialog()).textContent).toContain('it may be “Part 3” with 2 questions');
});

test('a server that asks for more is quoted, and one stays where one is', async () => {
  open({ goOn: () => Promise.reject(new ServerRefusal('too-early', 409)) });
  await press('Next');
  const asked = within(await dialog());
  await user.click(asked.getByRole('button', { name: 'Go on' }));
  expect((await asked.findByRole('alert')).textContent).toMatch(/too early to go on/);
  expect(asked.queryByRole('button', { name: 'Go on' })).toBeNull();
  await user.click(asked.getByRole('button', { name: 'Stay here' }));
  expect(screen.getByRole('heading', { name: 'Question 2' })).toBeTruthy();
});

test('however often it is pressed, it goes on once', async () => {
  const asked: string[] = [];
  const never = new Promise<WentOn>(() => undefined);
  open(
    {
      goOn: (_device, move) => {
        asked.push(move);
        return never;
      },
    },
    parts(),
    {
      items: { Q2: { ...NEW_ITEM, opened: true, responses: { R: 'A' }, reminded: true } },
      tools: { forward: { told: ['w'] } },
    },
  );
  await press('Next');
  await press('Next');
  await user.keyboard('{Alt>}n{/Alt}');
  await waitFor(() => expect(asked).toEqual(['next']));
  expect(screen.queryByRole('dialog')).toBeNull();
});

test('a question of a part that has ended is looked at, and takes nothing', async () => {
  const { session } = open();
  await press(/^Question 1:/);
  expect(await screen.findByRole('heading', { name: 'Question 1' })).toBeTruthy();
  session.dispatch({ type: 'answered', item: 'Q1', responses: { R: 'A' }, how: 'edit' });
  expect(session.getState().items.Q1?.responses).toEqual({});
  expect(screen.getByText('This question is closed; your answer counts as it stands.')).toBeTruthy();
});
