import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { RawResponse } from '@/core/content/response';
import { marksOf } from '@/core/interactions/drawing/marks';
import { button, show, type Shown } from './testView';

const user = userEvent.setup();
const choices = (ids: string) =>
  ids
    .split('')
    .map((id) => `<qti-simple-choice identifier="${id}">answer ${id}</qti-simple-choice>`)
    .join('');
const SINGLE = (type: string) => `cardinality="single" base-type="${type}"`;
const MULTIPLE = 'cardinality="multiple" base-type="identifier"';
/** Typing is given as an answer after a short pause. */
const given = (shown: Shown, answer: RawResponse) => waitFor(() => expect(shown.answer()).toEqual(answer));

describe('choice', () => {
  test('square marks where several are asked for, counted; one too many says what to do', async () => {
    const shown = await show(
      MULTIPLE,
      `<qti-choice-interaction response-identifier="R" min-choices="2" max-choices="2">${choices('ABC')}</qti-choice-interaction>`,
    );
    await user.click(screen.getByRole('checkbox', { name: 'answer C' }));
    expect(screen.getByText('Choose 2 · 1 chosen')).toBeTruthy();
    await user.click(screen.getByRole('checkbox', { name: 'answer A' }));
    await user.click(screen.getByRole('checkbox', { name: 'answer B' }));
    expect(shown.answer()).toEqual(['A', 'C']);
    expect(shown.said).toEqual(['You can choose 2. To choose another, take one away first.']);
  });
  test('round marks where one can be chosen, whatever the response is declared as', async () => {
    const shown = await show(
      MULTIPLE,
      `<qti-choice-interaction response-identifier="R" max-choices="1">${choices('AB')}</qti-choice-interaction>`,
    );
    await user.click(screen.getByRole('radio', { name: 'answer A' }));
    await user.click(screen.getByRole('radio', { name: 'answer B' }));
    expect(shown.answer()).toEqual(['B']);
  });
});

describe('a box for a number', () => {
  const box = (type: string) =>
    show(SINGLE(type), '<p><qti-text-entry-interaction response-identifier="R"/></p>');
  test('is filled by the keypad, where the caret is', async () => {
    const shown = await box('float');
    await user.click(button('Number keypad'));
    for (const key of ['3', 'decimal point', '5']) await user.click(button(key));
    await given(shown, '3.5');
    await user.click(button('delete'));
    await user.click(button('minus'));
    await given(shown, '3.−');
    expect(screen.getByRole('textbox')).toHaveProperty('value', '3.−');
    await user.click(button('Empty this box'));
    await given(shown, null);
  });
  test('has a comma where the item’s language writes one, and says what could be taken for a thousand elsewhere', async () => {
    const shown = await show(
      SINGLE('float'),
      '<p><qti-text-entry-interaction response-identifier="R"/></p>',
      { attributes: 'xml:lang="es"' },
    );
    await user.click(button('Number keypad'));
    for (const key of ['3', 'decimal point', '5']) await user.click(button(key));
    await given(shown, '3,5');
    expect(screen.queryByText(/not a number/)).toBeNull();
    await user.type(screen.getByRole('textbox'), '00');
    await given(shown, '3,500');
    expect(screen.getByText('The comma stands before the tenths here: 3,500 is less than 4.')).toBeTruthy();
    await user.clear(screen.getByRole('textbox'));
    await user.type(screen.getByRole('textbox'), '1/2');
    await given(shown, '1/2');
    expect(screen.getByText(/this box takes a decimal, like 0,5/)).toBeTruthy();
  });
  test('has no decimal point where a whole number is wanted', async () => {
    await box('integer');
    await user.click(button('Number keypad'));
    expect(screen.queryByRole('button', { name: 'decimal point' })).toBeNull();
  });
  test('says at once and kindly that words are no number, and keeps them', async () => {
    const shown = await box('float');
    await user.type(screen.getByRole('textbox'), 'about forty');
    await given(shown, 'about forty');
    expect(screen.getByText('This is not a number yet. Your writing is kept.')).toBeTruthy();
  });
  test('says of a fraction how it is written here', async () => {
    const shown = await box('float');
    await user.type(screen.getByRole('textbox'), '1/2');
    await given(shown, '1/2');
    expect(
      screen.getByText('This is a fraction: this box takes a decimal, like 0.5. Your writing is kept.'),
    ).toBeTruthy();
  });
  test('says nothing while a number is only begun', async () => {
    await box('float');
    await user.type(screen.getByRole('textbox'), '-');
    expect(screen.queryByText(/not a number/)).toBeNull();
  });
});

describe('a menu whose entries hold maths', () => {
  const math = (inside: string) =>
    `<math xmlns="http://www.w3.org/1998/Math/MathML" alttext="${inside}"><mi>${inside}</mi></math>`;
  const body = `<p><qti-inline-choice-interaction response-identifier="R"><qti-inline-choice identifier="A">${math('x')}</qti-inline-choice><qti-inline-choice identifier="B">${math('y')}</qti-inline-choice></qti-inline-choice-interaction></p>`;
  test('is opened, gone through and chosen from by keys (ARIA practices, select-only combobox)', async () => {
    const shown = await show(SINGLE('identifier'), body);
    const menu = screen.getByRole('combobox');
    menu.focus();
    await user.keyboard('{ArrowDown}');
    expect(menu.getAttribute('aria-expanded')).toBe('true');
    await user.keyboard('{ArrowDown}');
    expect(document.getElementById(menu.getAttribute('aria-activedescendant') ?? '')?.textContent).toBe('y');
    await user.keyboard('{Enter}');
    expect(shown.answer()).toBe('B');
    expect(menu.getAttribute('aria-label')).toMatch(/: y$/);
    await user.keyboard('{ArrowUp}{Escape}');
    expect(menu.getAttribute('aria-expanded')).toBe('false');
    expect(shown.answer()).toBe('B');
  });
  test('closes when something else is pressed', async () => {
    await show(SINGLE('identifier'), body);
    await user.click(screen.getByRole('combobox'));
    await user.click(document.body);
    expect(screen.getByRole('combobox').getAttribute('aria-expanded')).toBe('false');
  });
});

test('a grid: a row of one moves its mark, Delete empties the row, a full column says so', async () => {
  const set = (ids: string, max: number) =>
    `<qti-simple-match-set>${ids
      .split('')
      .map(
        (id) =>
          `<qti-simple-associable-choice identifier="${id}" match-max="${max}">${id}</qti-simple-associable-choice>`,
      )
      .join('')}</qti-simple-match-set>`;
  const shown = await show(
    'cardinality="multiple" base-type="directedPair"',
    `<qti-match-interaction response-identifier="R" max-associations="0" class="qti-match-tabular">${set('ab', 1)}${set('XY', 1)}</qti-match-interaction>`,
  );
  await user.click(screen.getByRole('radio', { name: 'a X' }));
  await user.click(screen.getByRole('radio', { name: 'a Y' }));
  expect(shown.answer()).toEqual(['a Y']);
  await user.click(screen.getByRole('radio', { name: 'b Y' }));
  expect(shown.answer()).toEqual(['a Y']);
  expect(shown.said).toEqual(['This column takes 1. Take one away first.']);
  screen.getByRole('radio', { name: 'a Y' }).focus();
  await user.keyboard('{Delete}');
  expect(shown.answer()).toBeNull();
});

describe('order', () => {
  const body = (more = '') =>
    `<qti-order-interaction response-identifier="R" ${more}>${choices('ABC')}</qti-order-interaction>`;
  const DECLARED = 'cardinality="ordered" base-type="identifier"';
  test('is "not set yet" until it is moved or kept', async () => {
    const shown = await show(DECLARED, body());
    expect(shown.answer()).toBeNull();
    await user.click(button('This order is my answer'));
    expect(shown.answer()).toEqual(['A', 'B', 'C']);
    await user.click(button('Move down: answer A'));
    expect(shown.answer()).toEqual(['B', 'A', 'C']);
    expect(shown.said).toEqual(['answer A, now 2 of 3.']);
  });
  test('across the page it says left and right', async () => {
    await show(DECLARED, body('orientation="horizontal"'));
    expect(button('Move left: answer A').getAttribute('aria-disabled')).toBe('true');
    expect(button('Move right: answer A').getAttribute('aria-disabled')).toBe(null);
  });
});

test('a slider says of what its numbers are, where the question does', async () => {
  await show(
    SINGLE('integer'),
    '<qti-slider-interaction response-identifier="R" lower-bound="0" upper-bound="10" step="2" data-unit=" km "/>',
  );
  fireEvent.change(screen.getByRole('slider'), { target: { value: '4' } });
  expect(screen.getByRole('slider').getAttribute('aria-valuetext')).toBe('4\u00a0km');
  expect(screen.getByText('0 km')).toBeTruthy();
});
test('a slider is not set until it is moved or pressed', async () => {
  const shown = await show(
    SINGLE('integer'),
    '<qti-slider-interaction response-identifier="R" lower-bound="0" upper-bound="10" step="2"/>',
  );
  const slider = screen.getByRole('slider');
  expect(slider.getAttribute('aria-valuetext')).toBe('not set yet');
  slider.focus();
  await user.keyboard('{Enter}');
  expect(shown.answer()).toBe('6');
  fireEvent.change(slider, { target: { value: '8' } });
  expect(shown.answer()).toBe('8');
});

describe('drawing', () => {
  const body = '<qti-drawing-interaction response-identifier="R"/>';
  const sheet = () => screen.getByRole('application');
  const drawnOn = (shown: { readonly answer: () => unknown }) => {
    const answer = shown.answer();
    if (typeof answer !== 'string') throw new TypeError('One drawing was expected as the answer.');
    return marksOf(answer);
  };
  test('a line is drawn by keys alone, erased, and the answer is empty again', async () => {
    const shown = await show(SINGLE('file'), body);
    await user.click(button('Line'));
    sheet().focus();
    await user.keyboard('{Enter}{ArrowRight}{ArrowDown}{Enter}');
    expect(drawnOn(shown)).toEqual([
      { kind: 'line', from: [320, 200], to: [330, 210], colour: 'ink', width: 4 },
    ]);
    expect(shown.said.at(-1)).toBe('Line drawn. 1 on the sheet.');
    await user.click(button('Eraser'));
    sheet().focus();
    await user.keyboard('{Enter}');
    expect(shown.answer()).toBeNull();
  });
  test('words need words first', async () => {
    const shown = await show(SINGLE('file'), body);
    await user.click(button('Words'));
    sheet().focus();
    await user.keyboard('{Enter}');
    expect(shown.said.at(-1)).toBe('Type the words first, then press where they go.');
    await user.type(screen.getByRole('textbox', { name: 'Words' }), 'high tide');
    sheet().focus();
    await user.keyboard('{Enter}');
    expect(drawnOn(shown)).toMatchObject([{ kind: 'text', text: 'high tide' }]);
  });
  test('up to four drawings to one answer', async () => {
    const shown = await show('cardinality="multiple" base-type="file"', body);
    for (let number = 1; number <= 4; number += 1) {
      if (number > 1) await user.click(button(`New drawing (${number})`));
      await user.click(button('Ellipse'));
      sheet().focus();
      await user.keyboard('{Enter}{Shift>}{ArrowRight}{ArrowDown}{/Shift}{Enter}');
    }
    expect(shown.answer()).toHaveLength(4);
    expect(screen.getByText('4 of 4 attached')).toBeTruthy();
    expect(button('New drawing (4)').getAttribute('aria-disabled')).toBe('true');
    await user.click(button('Drawing 2'));
    await user.click(button('Clear the sheet'));
    expect(shown.answer()).toHaveLength(3);
  });
  test('Escape gives up a line that was begun', async () => {
    const shown = await show(SINGLE('file'), body);
    await user.click(button('Line'));
    sheet().focus();
    await user.keyboard('{Enter}{Escape}{ArrowRight}{Enter}');
    expect(shown.answer()).toBeNull();
  });
});

describe('sound with a limit on plays', () => {
  const body = (limits: string) =>
    `<qti-media-interaction response-identifier="R" autostart="false" ${limits}><audio src="fog.wav" aria-label="fog"/></qti-media-interaction>`;
  const player = () => document.querySelector('audio') ?? new Audio();
  /** What a real player does when it is asked to play; the test's window has none. */
  const prepare = (length: number) => {
    let paused = true;
    const element = player();
    Object.defineProperties(element, {
      duration: { value: length },
      paused: { get: () => paused },
      currentTime: { value: 0, writable: true },
      play: {
        value: () => {
          paused = false;
          element.dispatchEvent(new Event('play'));
          return Promise.resolve();
        },
      },
      pause: {
        value: () => {
          paused = true;
          element.dispatchEvent(new Event('pause'));
        },
      },
    });
    return (seconds: number) =>
      act(() => {
        element.currentTime = seconds;
        if (seconds >= length) paused = true;
        element.dispatchEvent(new Event('timeupdate'));
      });
  };
  test('a play counts once half of it was heard; pausing and going on does not; after the last one it says so', async () => {
    const shown = await show(SINGLE('integer'), body('min-plays="1" max-plays="2"'));
    const goTo = prepare(10);
    await user.click(button('Play'));
    goTo(4);
    expect(shown.answer()).toBeNull();
    goTo(6);
    expect(shown.answer()).toBe('1');
    expect(screen.getByText('played 1 of 2 times')).toBeTruthy();
    await user.click(button('Pause'));
    await user.click(button('Go on'));
    goTo(10);
    expect(shown.answer()).toBe('1');
    await user.click(button('Play'));
    goTo(0);
    goTo(10);
    expect(shown.answer()).toBe('2');
    expect(button('Play').getAttribute('aria-disabled')).toBe('true');
    expect(screen.getByText('all plays are used')).toBeTruthy();
  });
  test('what cannot be played is told', async () => {
    await show(SINGLE('integer'), body(''));
    act(() => {
      player().dispatchEvent(new Event('error'));
    });
    expect(screen.getByText('This could not be played. Tell your teacher.')).toBeTruthy();
  });
});

test('a button that asks for a hint, where nothing is checked on the way, can be taken back', async () => {
  const shown = await show(
    SINGLE('boolean'),
    '<p><qti-end-attempt-interaction response-identifier="R" title="I used the chart"/></p>',
  );
  await user.click(button('I used the chart'));
  expect(shown.answer()).toBe('true');
  await user.click(button('I used the chart'));
  expect(shown.answer()).toBeNull();
});

test('an object is put down, moved and taken away by keys', async () => {
  const img = (name: string) => `<img src="${name}.svg" alt="${name}" width="100" height="80"/>`;
  const shown = await show(
    'cardinality="multiple" base-type="point"',
    `<qti-position-object-stage>${img('map')}<qti-position-object-interaction response-identifier="R" max-choices="2">${img('buoy')}</qti-position-object-interaction></qti-position-object-stage>`,
  );
  const put = button(/Put one down/);
  await user.click(put);
  await user.click(put);
  await user.click(put);
  expect(shown.answer()).toEqual(['50 40', '50 40']);
  expect(shown.said.at(-1)).toBe('You can set 2. Take one away first, or move it.');
  button('buoy 2 of 2: middle, 50% across, 50% down').focus();
  await user.keyboard('{ArrowUp}');
  expect(shown.answer()).toEqual(['50 40', '50 39']);
  await user.click(button('Take all away'));
  expect(shown.answer()).toBeNull();
});

test('two objects on one stage: each its own answer, one drawing; a press puts down the one used last', async () => {
  const object = (response: string, name: string, maximum: number) =>
    `<qti-position-object-interaction response-identifier="${response}" max-choices="${maximum}"><img src="${name}.svg" alt="${name}" width="20" height="20"/></qti-position-object-interaction>`;
  const shown = await show(
    'cardinality="multiple" base-type="point"',
    `<qti-position-object-stage><img src="map.svg" alt="map" width="200" height="100"/>${object('R', 'buoy', 2)}${object('BOAT', 'boat', 1)}</qti-position-object-stage>`,
    {
      others: '<qti-response-declaration identifier="BOAT" cardinality="single" base-type="point"/>',
    },
  );
  expect(screen.getAllByAltText('map')).toHaveLength(1);
  await user.click(button('boat Put one down'));
  expect([shown.answer(), shown.answer('BOAT')]).toEqual([null, '100 50']);
  expect(button('boat Put one down').dataset.active).toBe('true');
  // The picture is 200 × 100 pixels here as there.
  const layer = document.querySelector<HTMLElement>('[data-press]');
  if (!layer) throw new Error('nothing takes presses');
  layer.getBoundingClientRect = () => new DOMRect(0, 0, 200, 100);
  fireEvent(layer, new MouseEvent('pointerup', { bubbles: true, clientX: 30, clientY: 40 }));
  expect([shown.answer(), shown.answer('BOAT')]).toEqual([null, '30 40']);
  await user.click(button('buoy Put one down'));
  expect([shown.answer(), shown.answer('BOAT')]).toEqual([['100 50'], '30 40']);
  await user.click(button('Take away: boat'));
  expect([shown.answer(), shown.answer('BOAT')]).toEqual([['100 50'], null]);
  expect(screen.getAllByRole('button', { name: /% across/ })).toHaveLength(1);
});

test('counters go in and out by buttons, never over the maximum', async () => {
  const shown = await show(
    'cardinality="ordered" base-type="float"',
    '<qti-portable-custom-interaction response-identifier="R" custom-interaction-type-identifier="urn:able-compass:tally-plot" data-kind="counters" data-categories="North|South" data-max="2"/>',
  );
  for (let i = 0; i < 3; i += 1) {
    const more = button('One more: North');
    if (!more.hasAttribute('disabled')) await user.click(more);
  }
  expect(shown.answer()).toEqual(['2', '0']);
  expect(screen.getByRole('group', { name: 'North, 2 counters' })).toBeTruthy();
  await user.click(button('One fewer: North'));
  await user.click(button('One fewer: North'));
  expect(shown.answer()).toBeNull();
});
