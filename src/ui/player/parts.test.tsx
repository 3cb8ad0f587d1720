import { act, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createRef } from 'react';
import type { AttemptState } from '@/core/attempt/state';
import '../interactions/testView';
import { SaveSign } from './header/SaveSign';
import { TimeLeft } from './header/TimeLeft';
import { Review } from './review/Review';
import { ItemBody } from './sheets/InteractionHost';
import { Feedback } from './sheets/Feedback';
import { QuestionFooter } from './sheets/QuestionFooter';
import { Ways } from './sheets/Ways';
import type { Checking } from './sheets/useChecking';
import { delivered, someQuestion, testPlayer } from './testPlayer';
import { Trail } from './trail/Trail';

const user = userEvent.setup();
beforeAll(() => {
  Element.prototype.scrollIntoView = () => undefined;
});
const none = () => undefined;
const NOT_CHECKED: Checking = {
  closed: false,
  busy: false,
  words: null,
  asked: null,
  check: none,
  reply: none,
};
const questions = () => ['Q1', 'Q2', 'Q3', 'Q4'].map((ref) => someQuestion(ref));
const TWO_PARTS = `
  <qti-response-declaration identifier="A1" cardinality="multiple" base-type="identifier"/><qti-response-declaration identifier="B1" cardinality="single" base-type="float"/>
  <qti-item-body><h3>Part A</h3><qti-choice-interaction response-identifier="A1" max-choices="2"><qti-simple-choice identifier="X">x</qti-simple-choice><qti-simple-choice identifier="Y">y</qti-simple-choice></qti-choice-interaction>
  <h3>Part B</h3><p><qti-text-entry-interaction response-identifier="B1"/></p></qti-item-body>`;

describe('the trail', () => {
  test('says how each question stands, where one is, and goes to any', async () => {
    const { session, show } = testPlayer(questions());
    session.dispatch({ type: 'opened', item: 'Q1' });
    session.dispatch({ type: 'answered', item: 'Q1', responses: { R: 'A' }, how: 'edit' });
    session.dispatch({ type: 'opened', item: 'Q2' });
    session.dispatch({ type: 'flagged', item: 'Q2', on: true });
    const gone: string[] = [];
    show(<Trail current="Q2" onGo={(ref) => gone.push(ref)} onReview={() => gone.push('review')} />);
    expect(
      screen.getAllByRole('listitem').map((one) => one.firstElementChild?.getAttribute('aria-label')),
    ).toEqual([
      'Question 1: done',
      'Question 2: opened, nothing answered, flagged, you are here',
      'Question 3: not opened',
      'Question 4: not opened',
    ]);
    await user.click(screen.getByRole('button', { name: /^Question 3/ }));
    await user.click(screen.getByRole('button', { name: /1 of 4/ }));
    expect(gone).toEqual(['Q3', 'review']);
  });
  test('follows what is answered meanwhile', () => {
    const { session, show } = testPlayer(questions());
    show(<Trail current="Q1" onGo={none} onReview={none} />);
    act(() => session.dispatch({ type: 'answered', item: 'Q4', responses: { R: 'B' }, how: 'edit' }));
    expect(screen.getByRole('button', { name: 'Question 4: done' })).toBeTruthy();
    act(() => session.dispatch({ type: 'answered', item: 'Q4', responses: { R: null }, how: 'undo' }));
    expect(screen.getByRole('button', { name: 'Question 4: not opened' })).toBeTruthy();
  });
});

describe('looking over', () => {
  const prepared = () => {
    const player = testPlayer([someQuestion('Q1'), delivered('Q2', TWO_PARTS), someQuestion('Q3')]);
    player.session.dispatch({ type: 'answered', item: 'Q1', responses: { R: 'A' }, how: 'edit' });
    player.session.dispatch({ type: 'answered', item: 'Q2', responses: { A1: ['X'] }, how: 'edit' });
    player.session.dispatch({ type: 'flagged', item: 'Q1', on: true });
    return player;
  };
  const rows = () => [...document.querySelectorAll('[data-review-row]')].map((row) => row.textContent);
  test('says what is missing, part by part, and filters', async () => {
    const { show } = prepared();
    const gone: string[] = [];
    show(
      <Review
        current="Q2"
        pageRef={createRef()}
        onGo={(ref) => gone.push(ref)}
        onEndPart={() => undefined}
        onHandedIn={none}
      />,
    );
    expect(screen.getByText('2 of 3 questions are not finished.')).toBeTruthy();
    expect(rows()).toEqual([
      '1Question 1doneebbFlagged',
      '2Question 2part donePart A: x. Part B: no answer yetPart A: 1 of 2 chosen · Part B: 1 box empty',
      '3Question 3not opened',
    ]);
    await user.click(screen.getByRole('button', { name: 'Unfinished (2)' }));
    expect(rows()).toHaveLength(2);
    await user.click(screen.getByRole('button', { name: 'Flagged (1)' }));
    expect(rows()).toHaveLength(1);
    await user.click(screen.getByRole('button', { name: /^Question 1|1Question 1/ }));
    await user.click(screen.getByRole('button', { name: 'Back to question 2' }));
    expect(gone).toEqual(['Q1', 'Q2']);
  });
  test('before handing in, what is done and flagged is said to be done', async () => {
    const { show } = prepared();
    show(
      <Review current="Q2" pageRef={createRef()} onGo={none} onEndPart={() => undefined} onHandedIn={none} />,
    );
    await user.click(screen.getByRole('button', { name: /^Hand in/ }));
    const dialog = within(await screen.findByRole('dialog'));
    expect(dialog.getByRole('button', { name: /^Question 1/ }).textContent).toBe('Question 1doneFlagged');
    expect(dialog.getByRole('button', { name: /^Question 2/ }).textContent).toBe(
      'Question 2Part A: 1 of 2 chosen · Part B: 1 box empty',
    );
  });
  test('an empty filter says so', async () => {
    const { session, show } = testPlayer([someQuestion('Q1')]);
    session.dispatch({ type: 'answered', item: 'Q1', responses: { R: 'A' }, how: 'edit' });
    show(
      <Review
        current={null}
        pageRef={createRef()}
        onGo={none}
        onEndPart={() => undefined}
        onHandedIn={none}
      />,
    );
    expect(screen.getByText('Every question is done.')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Unfinished (0)' }));
    expect(screen.getByText('Nothing is unfinished.')).toBeTruthy();
  });
});

describe('the foot of a question', () => {
  const foot = (item = someQuestion('Q1'), checking = NOT_CHECKED, steps: number[] = [], last = false) => {
    const others = last ? [someQuestion('Q0')] : [];
    const player = testPlayer([...others, item, ...(last ? [] : [someQuestion('Q9')])]);
    player.show(
      <QuestionFooter
        item={item}
        checking={checking}
        ways={
          <Ways
            itemRef={item.ref}
            onStep={(by) => steps.push(by)}
            onReview={() => steps.push(0)}
            fromReview={false}
          />
        }
      />,
    );
    return player;
  };
  test('says what is missing as it is answered', () => {
    const item = delivered('Q1', TWO_PARTS);
    const { session } = foot(item);
    const status = () => document.querySelector('[data-progress]')?.textContent;
    expect(status()).toBe('Part A: 0 of 2 chosen · Part B: 1 box empty');
    act(() =>
      session.dispatch({
        type: 'answered',
        item: 'Q1',
        responses: { A1: ['X', 'Y'], B1: 'many' },
        how: 'edit',
      }),
    );
    expect(status()).toBe('Part A: done · Part B: not a number yet');
  });
  test('on the first question there is no way back, on the last the way leads to looking over', async () => {
    const steps: number[] = [];
    foot(someQuestion('Q1'), NOT_CHECKED, steps);
    expect(screen.getByRole('button', { name: 'Back' }).getAttribute('aria-disabled')).toBe('true');
    await user.click(screen.getByRole('button', { name: 'Next' }));
    expect(steps).toEqual([1]);
  });
  test('after the last question comes looking over', async () => {
    const steps: number[] = [];
    foot(someQuestion('Q2'), NOT_CHECKED, steps, true);
    await user.click(screen.getByRole('button', { name: 'Look over' }));
    expect(steps).toEqual([0]);
  });
  test('a check is offered only where answers are checked on the way', () => {
    foot();
    expect(screen.queryByRole('button', { name: 'Check my answer' })).toBeNull();
  });
  test('a closed question is not checked again, and says so', () => {
    foot(someQuestion('Q1', { tries: 2 }), {
      ...NOT_CHECKED,
      closed: true,
      words: 'This question is closed.',
    });
    expect(screen.getByRole('button', { name: 'Check my answer' }).getAttribute('aria-disabled')).toBe(
      'true',
    );
    expect(document.querySelector('[data-progress]')?.textContent).toContain('This question is closed.');
  });
});

describe('a question and its answer', () => {
  const state = (closed: boolean): Partial<AttemptState> => ({
    items: {
      Q1: {
        responses: { R: 'A' },
        past: [],
        future: [],
        typing: null,
        opened: true,
        flagged: false,
        seen: [],
        reminded: false,
        tries: 1,
        closed,
        struck: {},
      },
    },
  });
  test('an answer is shown as it is, and changed by a press', async () => {
    const item = someQuestion('Q1');
    const { session, show } = testPlayer([item], state(false));
    show(<ItemBody item={item} onCheck={none} />);
    expect(screen.getByRole('radio', { name: 'ebb' })).toHaveProperty('checked', true);
    await user.click(screen.getByRole('radio', { name: 'flow' }));
    expect(session.getState().items.Q1?.responses).toEqual({ R: 'B' });
  });
  test('a closed question shows its answer and takes no other', async () => {
    const item = someQuestion('Q1');
    const { session, show } = testPlayer([item], state(true));
    show(<ItemBody item={item} onCheck={none} />);
    await user.click(screen.getByRole('radio', { name: 'flow' }));
    expect(session.getState().items.Q1?.responses).toEqual({ R: 'A' });
    expect(screen.getByRole('radio', { name: 'ebb' })).toHaveProperty('checked', true);
  });
  test('what a check had to say stands below it', () => {
    const item = someQuestion('Q1', {
      feedback: [{ title: 'Look again', content: [{ kind: 'text', text: 'At low tide.' }] }],
    });
    testPlayer([item]).show(<Feedback item={item} />);
    expect(screen.getByRole('heading', { name: 'Look again' })).toBeTruthy();
    expect(screen.getByText('At low tide.')).toBeTruthy();
  });
});

describe('the header', () => {
  test('the save sign is truthful while the network is down', async () => {
    const { session, show } = testPlayer(questions());
    show(<SaveSign />);
    expect(document.querySelector('[data-save]')?.textContent).toBe('All answers saved');
    act(() => session.dispatch({ type: 'answered', item: 'Q1', responses: { R: 'A' }, how: 'edit' }));
    expect(document.querySelector('[data-save]')?.textContent).toBe('Saving …');
    await act(() => session.flush());
    expect(document.querySelector('[data-save]')?.textContent).toBe('Kept on this computer');
  });
  const timed = (left: number) => {
    const player = testPlayer(questions(), {
      timing: { limit: 60 * 60_000, used: 60 * 60_000 - left, runningSince: 1_000_000 },
    });
    player.show(<TimeLeft />);
    return player;
  };
  test('time left is said in minutes, and can be hidden', async () => {
    timed(32 * 60_000);
    expect(screen.getByRole('button').textContent).toContain('32 min left');
    await user.click(screen.getByRole('button'));
    expect(screen.getByRole('button').textContent).not.toContain('32');
  });
  test('at five minutes it is said aloud, once', () => {
    const { said } = timed(4.5 * 60_000);
    expect(said).toHaveLength(1);
    expect(screen.getByRole('button').getAttribute('data-tone')).not.toBe('calm');
  });
  test('an untimed test shows no time', () => {
    testPlayer(questions()).show(<TimeLeft />);
    expect(screen.queryByRole('button')).toBeNull();
  });
});
