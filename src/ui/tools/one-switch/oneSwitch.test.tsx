import english from '@messages/en.json';
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { IntlProvider } from 'use-intl';
import { groupsNow, type Lit } from './controls';
import { Dwell } from './Dwell';
import { LetterBoard } from './LetterBoard';

const WORDS = {
  less: 'Less',
  more: 'More',
  scroll: (label: string) => `Scroll ${label}`,
  row: (labels: string) => `Row ${labels}`,
};

/** jsdom lays nothing out: what a test puts into `data-at` as left, top, width, height is where it lies. */
beforeEach(() => {
  const boxOf = (element: Element) => {
    const [x = 0, y = 0, width = 40, height = 20] = (element.getAttribute('data-at') ?? '')
      .split(' ')
      .filter(Boolean)
      .map(Number);
    return { x, y, width, height, left: x, top: y, right: x + width, bottom: y + height, toJSON: () => '' };
  };
  jest.spyOn(Element.prototype, 'getBoundingClientRect').mockImplementation(function (this: Element) {
    return boxOf(this);
  });
  jest.spyOn(Element.prototype, 'getClientRects').mockImplementation(function (this: Element) {
    return (this.hasAttribute('hidden') ? [] : [boxOf(this)]) as unknown as DOMRectList;
  });
});
afterEach(() => {
  jest.restoreAllMocks();
  document.body.replaceChildren();
});
const labels = (all: readonly Lit[]) => all.map(({ label }) => label);
const inside = (one: Lit | undefined): readonly Lit[] => {
  const found = one?.press();
  if (!Array.isArray(found)) throw new Error('nothing inside');
  return found as readonly Lit[];
};
const page = (html: string) => {
  document.body.innerHTML = html;
};

test('groups in the order of their weight, rows as they lie, a row of one is that one; what cannot be used is not gone through', () => {
  page(`<header aria-label="Head"><button data-at="0 0">Stop</button></header>
    <main><section data-sheet="question" aria-label="Question 1">
      <label data-at="0 40"><input type="radio"> ebb</label>
      <button data-at="50 100">Next</button><button data-at="0 102">Back</button>
      <button disabled>Undo</button><button aria-disabled="true">Redo</button><button hidden>Gone</button>
      <span aria-hidden="true"><button>Seen by nobody</button></span>
    </section></main>`);
  const groups = groupsNow(WORDS);
  expect(labels(groups)).toEqual(['Question 1', 'Head']);
  const rows = inside(groups[0]);
  expect(labels(rows)).toEqual(['ebb', 'Row Back, Next']);
  expect(labels(inside(rows[1]))).toEqual(['Back', 'Next']);
});
test('a dialog that is open has the whole attention', () => {
  page(
    '<main><button>Next</button></main><div role="dialog" aria-modal="true" aria-label="Hand in?"><button>No</button></div>',
  );
  expect(labels(groupsNow(WORDS))).toEqual(['Hand in?']);
});
test('a slider is turned by steps that stay lit, a menu is chosen from, a long text is scrolled, a box is written in', () => {
  page(`<main><input type="range" aria-label="Loudness" min="0" max="10" value="5" data-at="0 0">
    <select aria-label="Speed" data-at="0 50"><option value="1">slow</option><option value="2">fast</option></select>
    <input aria-label="Answer" data-at="0 100"><div role="region" tabindex="0" aria-label="Passage" data-at="0 200"></div></main>`);
  const region = document.querySelector('[role=region]');
  Object.defineProperties(region ?? {}, {
    scrollHeight: { value: 500 },
    clientHeight: { value: 100 },
    scrollTo: { value: jest.fn() },
  });
  const rows = inside(groupsNow(WORDS)[0]);
  expect(labels(rows)).toEqual(['Loudness', 'Speed', 'Answer', 'Scroll Passage']);
  const [loudness, speed, answer, passage] = rows;
  const more = inside(loudness).find(({ label }) => label === 'More');
  expect([more?.press(), more?.press(), more?.stays]).toEqual([null, null, true]);
  expect(document.querySelector<HTMLInputElement>('input[type=range]')?.value).toBe('7');
  expect(inside(speed)[1]?.press()).toBeNull();
  expect(document.querySelector('select')?.value).toBe('2');
  expect(answer?.press()).toBe('write');
  expect(document.activeElement).toBe(document.querySelector('[aria-label=Answer]'));
  passage?.press();
  expect((region as unknown as { scrollTo: jest.Mock }).scrollTo).toHaveBeenCalledWith({ top: 80 });
});

function Written() {
  const [text, setText] = useState('');
  const [into, setInto] = useState<HTMLInputElement | null>(null);
  return (
    <IntlProvider locale="en" messages={english}>
      <input
        ref={setInto}
        aria-label="Answer"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {into && <LetterBoard into={into} onDone={() => setText('done')} />}
    </IntlProvider>
  );
}
test('the board writes as a hand does: who listens hears of every letter, and the last one goes away', async () => {
  Element.prototype.scrollIntoView = () => undefined;
  render(<Written />);
  const answer = screen.getByRole<HTMLInputElement>('textbox', { name: 'Answer' });
  for (const letter of ['7', '.', '4', '4', 'Delete', 'Space', 'm'])
    await userEvent.click(screen.getByRole('button', { name: letter }));
  expect(answer.value).toBe('7.4 m');
  expect(screen.getByRole('status').textContent).toBe('7.4 m');
  await userEvent.click(screen.getByRole('button', { name: 'Done' }));
  expect(answer.value).toBe('done');
});

test('a pointer that rests presses once; it has to leave before it presses there again', () => {
  jest.useFakeTimers();
  const pressed = jest.fn();
  render(
    <>
      <button onClick={pressed}>Flag</button>
      <p>nothing</p>
      <Dwell seconds={1} />
    </>,
  );
  const [flag, nothing] = [screen.getByRole('button'), screen.getByText('nothing')];
  let under: Element = flag;
  Object.defineProperty(document, 'elementFromPoint', { configurable: true, value: () => under });
  const move = (clientX: number) =>
    act(() => {
      document.dispatchEvent(
        Object.assign(new MouseEvent('pointermove', { clientX, clientY: 5 }), { pointerType: 'mouse' }),
      );
    });
  const rest = () => act(() => jest.advanceTimersByTime(1_100));
  move(10);
  rest();
  expect(pressed).toHaveBeenCalledTimes(1);
  // Drifting on the same button is no second press.
  move(30);
  rest();
  expect(pressed).toHaveBeenCalledTimes(1);
  under = nothing;
  move(60);
  under = flag;
  move(20);
  rest();
  expect(pressed).toHaveBeenCalledTimes(2);
  // A real press takes the place of the one that was coming.
  under = nothing;
  move(60);
  under = flag;
  move(20);
  act(() => {
    document.dispatchEvent(new MouseEvent('pointerdown'));
  });
  rest();
  expect(pressed).toHaveBeenCalledTimes(2);
  jest.useRealTimers();
});
