import { act, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import '../interactions/testView';
import { PlayerScreen } from './PlayerScreen';
import { prepareBrowser } from './testBrowser';
import { delivered, someQuestion, testPlayer } from './testPlayer';

const user = userEvent.setup();
/** Whether what is looked for below the edge has been on screen. */
let seeing = true;
beforeEach(() => {
  seeing = true;
});
beforeAll(() => prepareBrowser(() => seeing));

const question = (number: number) => screen.getByRole('heading', { name: `Question ${number}` });
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }));
const PATIENT = { timeout: 10_000 };
const later = (ms: number) => act(() => new Promise((resolve) => setTimeout(resolve, ms)));
const PASSAGE = {
  light: {
    title: 'The short light',
    language: null,
    body: [{ kind: 'text', text: 'It blinked twice.' }],
  },
} as const;

function open(numbers = 3) {
  const items = Array.from({ length: numbers }, (_, i) =>
    someQuestion(`Q${i + 1}`, { stimuli: i === 1 || i === 2 ? ['light'] : [] }),
  );
  const player = testPlayer(items, {}, PASSAGE);
  player.show(<PlayerScreen onHandedIn={() => undefined} fetched="everything" />);
  return player;
}

test('next and back, the heading takes the focus; the last question leads to looking over', async () => {
  open();
  await press('Next');
  expect(question(2)).toBeTruthy();
  await waitFor(() => expect(document.activeElement).toBe(question(2)));
  await press('Back');
  expect(question(1)).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Back' }).getAttribute('aria-disabled')).toBe('true');
  await press(/^Question 3:/);
  await press(/^Look over/);
  expect(screen.queryByRole('heading', { name: 'Question 3' })).toBeNull();
  expect(screen.getAllByRole('heading').map((one) => one.textContent)).toContain('Look over your answers');
});

test('only the present question is in the page, also when its neighbours are drawn', async () => {
  open();
  await later(250);
  expect(screen.getAllByRole('radio')).toHaveLength(2);
  expect(document.querySelectorAll('[data-sheet=question]')).toHaveLength(1);
  await press('Next');
  expect(document.querySelectorAll('[data-sheet=question]')).toHaveLength(1);
  expect(document.querySelectorAll('[data-sheet=passage]')).toHaveLength(1);
});

test('what is answered stays with its question, drawn ahead or not', async () => {
  const { session } = open();
  await later(250);
  await user.click(screen.getByRole('radio', { name: 'flow' }));
  await press('Next');
  expect(screen.getByRole('radio', { name: 'flow' })).toHaveProperty('checked', false);
  await user.click(screen.getByRole('radio', { name: 'ebb' }));
  await press('Back');
  expect(screen.getByRole('radio', { name: 'flow' })).toHaveProperty('checked', true);
  const { items } = session.getState();
  expect([items.Q1?.responses, items.Q2?.responses]).toEqual([{ R: 'B' }, { R: 'A' }]);
});

test('an answer that changes while its sheet lies ready is the new one when it is shown', async () => {
  const { session } = open();
  await later(250);
  act(() => session.dispatch({ type: 'answered', item: 'Q2', responses: { R: 'B' }, how: 'edit' }));
  await press('Next');
  expect(screen.getByRole('radio', { name: 'flow' })).toHaveProperty('checked', true);
});

test('a passage stands beside all its questions as the same sheet, and not beside others', async () => {
  open();
  expect(screen.queryByText('It blinked twice.')).toBeNull();
  await press('Next');
  const passage = screen.getByText('It blinked twice.');
  expect(screen.getByText('Passage · questions 2–3')).toBeTruthy();
  await press('Next');
  expect(screen.getByText('It blinked twice.')).toBe(passage);
  await press(/^Question 1:/);
  expect(screen.queryByText('It blinked twice.')).toBeNull();
});

test('leaving something never seen is asked about once per question', async () => {
  seeing = false;
  open();
  await press('Next');
  const dialog = await screen.findByRole('dialog', {}, PATIENT);
  expect(question(1)).toBeTruthy();
  await user.click(within(dialog).getByRole('button', { name: 'Go on anyway' }));
  expect(question(2)).toBeTruthy();
  await press(/^Question 1:/);
  // Question 2 is asked about too, once.
  await user.click(await screen.findByRole('button', { name: 'Go on anyway' }, PATIENT));
  await press('Next');
  expect(question(2)).toBeTruthy();
});

test('looking over leads to a question and back again', async () => {
  open();
  await press(/Look over/);
  const [, row] = [...document.querySelectorAll('[data-review-row]')];
  if (!row) throw new Error('no rows');
  await user.click(row);
  expect(question(2)).toBeTruthy();
  await press('Back to the list');
  expect(screen.queryByRole('heading', { name: 'Question 2' })).toBeNull();
});

test('the keys: next, back, flag, look over', async () => {
  const { session } = open();
  await user.keyboard('{Alt>}n{/Alt}');
  expect(question(2)).toBeTruthy();
  await user.keyboard('{Alt>}l{/Alt}');
  expect(session.getState().items.Q2?.flagged).toBe(true);
  await user.keyboard('{Alt>}b{/Alt}');
  expect(question(1)).toBeTruthy();
});

test('one key says the task, the answer as it stands, and what is missing', async () => {
  const { said, session } = open();
  await user.keyboard('{Alt>}n{/Alt}{Alt>}a{/Alt}');
  await waitFor(() =>
    expect(said.at(-1)).toBe('Question 2. Your answer: no answer yet. Still missing: nothing chosen yet.'),
  );
  act(() => session.dispatch({ type: 'answered', item: 'Q2', responses: { R: 'A' }, how: 'edit' }));
  await user.keyboard('{Alt>}a{/Alt}');
  await waitFor(() => expect(said.at(-1)).toBe('Question 2. Your answer: ebb. Done.'));
});
test('a flag is said when it is set and when it is taken away', async () => {
  const { said } = open();
  await user.keyboard('{Alt>}l{/Alt}');
  await press('Flagged');
  expect(said).toEqual(['Flagged.', 'No longer flagged.']);
});

test('undo and starting over take the answer back, and leave alone how often a sound was played', async () => {
  const item = delivered(
    'Q1',
    `<qti-response-declaration identifier="PLAYS" cardinality="single" base-type="integer"/><qti-response-declaration identifier="R" cardinality="single" base-type="identifier"/>
     <qti-item-body><qti-media-interaction response-identifier="PLAYS" max-plays="1"><audio src="fog.wav"/></qti-media-interaction>
     <qti-choice-interaction response-identifier="R" max-choices="1"><qti-simple-choice identifier="A">ebb</qti-simple-choice></qti-choice-interaction></qti-item-body>`,
  );
  const { session, show } = testPlayer([item]);
  show(<PlayerScreen onHandedIn={() => undefined} fetched="everything" />);
  const responses = () => session.getState().items.Q1?.responses;
  act(() => session.dispatch({ type: 'answered', item: 'Q1', responses: { PLAYS: '1' }, how: 'happened' }));
  expect(screen.getByRole('button', { name: 'Undo' }).getAttribute('aria-disabled')).toBe('true');
  expect(screen.getByRole('button', { name: 'Start this question over' }).getAttribute('aria-disabled')).toBe(
    'true',
  );
  await user.click(screen.getByRole('radio', { name: 'ebb' }));
  await press('Undo');
  expect(responses()).toEqual({ PLAYS: '1', R: null });
  await press('Redo');
  expect(responses()).toEqual({ PLAYS: '1', R: 'A' });
  await press('Start this question over');
  await user.click(await screen.findByRole('button', { name: 'Start over' }, PATIENT));
  expect(responses()).toEqual({ PLAYS: '1', R: null });
});
