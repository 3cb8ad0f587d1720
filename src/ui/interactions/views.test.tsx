import { act, fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { button, show } from './testView';

const user = userEvent.setup();
const IMG = '<img src="map.svg" alt="map" width="100" height="80"/>';
const associable = (ids: string, max = 1) =>
  ids
    .split('')
    .map(
      (id) =>
        `<qti-simple-associable-choice identifier="${id}" match-max="${max}">${id}</qti-simple-associable-choice>`,
    )
    .join('');
const hotspots = (tag: string) =>
  ['Rock', 'Bay', 'Pier']
    .map(
      (name, i) =>
        `<${tag} identifier="H${i}" shape="circle" coords="${20 + i * 30},20,9" hotspot-label="${name}" match-max="1"/>`,
    )
    .join('');
const ours = (name: string, attributes: string) =>
  `<qti-portable-custom-interaction response-identifier="R" custom-interaction-type-identifier="urn:able-compass:${name}" ${attributes}/>`;
const MULTIPLE = (type: string) => `cardinality="multiple" base-type="${type}"`;
const ORDERED = (type: string) => `cardinality="ordered" base-type="${type}"`;

describe('gap match', () => {
  const body = `<qti-gap-match-interaction response-identifier="R">
    <qti-gap-text identifier="K" match-max="1">Kelp</qti-gap-text><qti-gap-text identifier="S" match-max="1">Sand</qti-gap-text>
    <p><qti-gap identifier="G1"/> and <qti-gap identifier="G2"/></p></qti-gap-match-interaction>`;
  test('press and press places a piece and says where; a full box swaps and says both', async () => {
    const shown = await show(MULTIPLE('directedPair'), body);
    await user.click(button('Kelp'));
    await user.click(button('Box 1 of 2, empty'));
    expect(shown.answer()).toEqual(['K G1']);
    expect(shown.said).toEqual(['Kelp picked up. Choose a place.', 'Kelp, in box 1 of 2.']);
    await user.click(button('Sand'));
    await user.click(button('Box 1 of 2: Kelp'));
    expect(shown.answer()).toEqual(['S G1']);
    expect(shown.said.at(-1)).toBe('Sand, in box 1 of 2. Box 1 of 2 held Kelp; Kelp is back in the list.');
  });
  test('a piece goes from box to box directly, and Delete puts it back', async () => {
    const shown = await show(MULTIPLE('directedPair'), body, { answer: ['K G1'] });
    await user.click(button('Box 1 of 2: Kelp'));
    await user.click(button('Box 2 of 2, empty'));
    expect(shown.answer()).toEqual(['K G2']);
    button('Box 2 of 2: Kelp').focus();
    await user.keyboard('{Delete}');
    expect(shown.answer()).toBeNull();
    expect(shown.said.at(-1)).toBe('Kelp taken out of box 2 of 2, back in the list.');
  });
  test('Escape puts down what is held', async () => {
    const shown = await show(MULTIPLE('directedPair'), body);
    await user.click(button('Kelp'));
    await user.keyboard('{Escape}');
    await user.click(button('Box 1 of 2, empty'));
    expect(shown.answer()).toBeNull();
  });
});

describe('pairs and orders', () => {
  test('a third pair of two is answered with what to do, and changes nothing', async () => {
    const shown = await show(
      MULTIPLE('pair'),
      `<qti-associate-interaction response-identifier="R" max-associations="1">${associable('ABC', 2)}</qti-associate-interaction>`,
    );
    await user.click(button('A'));
    await user.click(button('B'));
    expect(shown.answer()).toEqual(['A B']);
    await user.click(button('B in 1 pair'));
    await user.click(button('C'));
    expect(shown.answer()).toEqual(['A B']);
    expect(screen.getByText('You can make 1 pair. Undo one first.')).toBeTruthy();
    await user.click(button('Undo the pair: A with B'));
    expect(shown.answer()).toBeNull();
  });
  test('matching as lists: a place that takes two says so at the third', async () => {
    const shown = await show(
      MULTIPLE('directedPair'),
      `<qti-match-interaction response-identifier="R" max-associations="0"><qti-simple-match-set>${associable('ABC')}</qti-simple-match-set><qti-simple-match-set>${associable('X', 2)}</qti-simple-match-set></qti-match-interaction>`,
    );
    for (const piece of ['A', 'B', 'C']) {
      await user.click(button(piece));
      await user.click(button(new RegExp(`^Put it here: ${piece}`)));
    }
    expect(shown.answer()).toEqual(['A X', 'B X']);
    expect(screen.getByText('X takes 2. Take one away first.')).toBeTruthy();
  });
  test('ordering some: picked one after another, changed, taken out', async () => {
    const shown = await show(
      ORDERED('identifier'),
      `<qti-order-interaction response-identifier="R" min-choices="2" max-choices="2">${['A', 'B', 'C'].map((id) => `<qti-simple-choice identifier="${id}">${id}</qti-simple-choice>`).join('')}</qti-order-interaction>`,
    );
    await user.click(button('C'));
    await user.click(button('A'));
    await user.click(button('B'));
    expect(shown.answer()).toEqual(['C', 'A']);
    expect(shown.said.at(-1)).toBe('Your order takes 2. Take one out first.');
    await user.click(button('Move up: A'));
    await user.click(button('Take out: C'));
    expect(shown.answer()).toEqual(['A']);
  });
});

describe('pictures', () => {
  test('hotspots have names; a third of two says what to do', async () => {
    const shown = await show(
      MULTIPLE('identifier'),
      `<qti-hotspot-interaction response-identifier="R" max-choices="2">${IMG}${hotspots('qti-hotspot-choice')}</qti-hotspot-interaction>`,
    );
    for (const name of ['Rock', 'Pier', 'Bay']) await user.click(button(name));
    expect(shown.answer()).toEqual(['H0', 'H2']);
    expect(shown.said).toEqual(['You can choose 2. To choose another, take one away first.']);
    expect(button('Rock').getAttribute('aria-pressed')).toBe('true');
  });
  test('a refusal is gone when the answer changes by whatever hand', async () => {
    const shown = await show(
      MULTIPLE('identifier'),
      `<qti-hotspot-interaction response-identifier="R" max-choices="2">${IMG}${hotspots('qti-hotspot-choice')}</qti-hotspot-interaction>`,
    );
    for (const name of ['Rock', 'Pier', 'Bay']) await user.click(button(name));
    expect(screen.getByText(/^You can choose 2/)).toBeTruthy();
    act(() => shown.give(null));
    expect(screen.queryByText(/^You can choose 2/)).toBeNull();
    act(() => shown.give(['H0', 'H2']));
    expect(screen.queryByText(/^You can choose 2/)).toBeNull();
  });
  test('graphic order numbers the places and says the number', async () => {
    const shown = await show(
      ORDERED('identifier'),
      `<qti-graphic-order-interaction response-identifier="R">${IMG}${hotspots('qti-hotspot-choice')}</qti-graphic-order-interaction>`,
    );
    await user.click(button('Pier'));
    await user.click(button('Rock'));
    expect(shown.answer()).toEqual(['H2', 'H0']);
    expect(button('Rock, number 2')).toBeTruthy();
    await user.click(button('Pier, number 1'));
    expect(shown.answer()).toEqual(['H0']);
  });
  test('a point is set, moved by the arrow keys and taken away', async () => {
    const shown = await show(
      'cardinality="single" base-type="point"',
      `<qti-select-point-interaction response-identifier="R">${IMG}</qti-select-point-interaction>`,
    );
    await user.click(button('Set a point in the middle'));
    expect(shown.answer()).toBe('50 40');
    button('Point: middle, 50% across, 50% down').focus();
    await user.keyboard('{ArrowRight}{Shift>}{ArrowUp}{/Shift}');
    expect(shown.answer()).toBe('51 30');
    await user.keyboard('{Delete}');
    expect(shown.answer()).toBeNull();
  });
});

describe('number line', () => {
  const line = (attributes: string) =>
    ours('number-line', `data-min="0" data-max="2" data-step="1" data-minor="4" ${attributes}`);
  test('a value is typed as a fraction; what is no number is said and kept', async () => {
    const shown = await show(MULTIPLE('float'), line('data-max-points="1"'));
    const field = screen.getByLabelText('Type a value');
    await user.type(field, 'much{Enter}');
    expect(screen.getByText(/This is not a number yet/)).toBeTruthy();
    expect(field).toHaveProperty('value', 'much');
    await user.clear(field);
    await user.type(field, '3/4{Enter}');
    expect(shown.answer()).toEqual(['0.75']);
    screen.getByRole('slider').focus();
    await user.keyboard('{ArrowRight}{ArrowRight}');
    expect(shown.answer()).toEqual(['1.25']);
    await user.keyboard('1.5{Enter}');
    expect(shown.answer()).toEqual(['1.5']);
    await user.keyboard('9{Enter}');
    expect(shown.answer()).toEqual(['1.5']);
    expect(shown.said.at(-1)).toBe('The line goes from 0 to 2.');
    await user.keyboard('{End}');
    expect(screen.getByRole('slider').getAttribute('aria-valuetext')).toBe('2');
  });
  test('an interval is added, opened and made to run on', async () => {
    const shown = await show('cardinality="single" base-type="string"', line('data-mode="interval"'));
    await user.click(button('Runs on to the right'));
    expect(shown.answer()).toBe('[1.25,inf)');
    await user.click(button('Runs on to the left'));
    expect(shown.answer()).toBe('[1.25,inf)U(-inf,0.75]');
    screen.getByRole('slider', { name: /^Start of part 1/ }).focus();
    await user.keyboard(' {ArrowLeft}');
    expect(shown.answer()).toBe('(1,inf)U(-inf,0.75]');
    expect(shown.said.at(-1)).toBe('from 1, not included, on without an end');
  });
  test('what is begun is kept, and runs on from where it was begun', async () => {
    const shown = await show('cardinality="single" base-type="string"', line('data-mode="interval"'));
    const field = screen.getByLabelText('Type a value');
    await user.type(field, '1 1/2{Enter}');
    expect(shown.answer()).toBe('UNFINISHED(1.5)');
    await user.click(button('Runs on to the right'));
    expect(shown.answer()).toBe('[1.5,inf)');
    await user.type(field, '1{Enter}0.25{Enter}');
    expect(shown.answer()).toBe('[1.5,inf)U[0.25,1]');
    await user.type(field, '1{Enter}1{Enter}');
    expect(shown.answer()).toBe('[1.5,inf)U[0.25,1]');
    expect(shown.said.at(-1)).toBe('Given up.');
    await user.type(field, '3{Enter}');
    expect(screen.getByText('The line goes from 0 to 2.')).toBeTruthy();
  });
  test('a press on an arrow of the line runs on, or asks for the start first', async () => {
    const shown = await show('cardinality="single" base-type="string"', line('data-mode="interval"'));
    const stage = document.querySelector<HTMLElement>('[data-line]');
    if (!stage) throw new Error('no line');
    stage.getBoundingClientRect = () => ({ left: 0, width: 600 }) as DOMRect;
    const pressAt = (clientX: number) => {
      // The test's window has no pointer events of its own; these are what React takes for them.
      for (const name of ['pointerdown', 'click'])
        fireEvent(stage, new MouseEvent(name, { bubbles: true, clientX, clientY: 0 }));
    };
    pressAt(590);
    expect(shown.answer()).toBeNull();
    expect(screen.getByText(/^Press where the part starts first/)).toBeTruthy();
    pressAt(300);
    expect(shown.answer()).toBe('UNFINISHED(1)');
    pressAt(5);
    expect(shown.answer()).toBe('(-inf,1]');
  });
});

describe('coordinate plane', () => {
  const plane = (tools: string) =>
    ours(
      'coordinate-plane',
      `data-x-min="0" data-x-max="6" data-y-min="0" data-y-max="6" data-tools="${tools}" data-max-objects="1"`,
    );
  test('a segment is drawn with keys alone and stands in words', async () => {
    const shown = await show(MULTIPLE('string'), plane('segment'));
    screen.getByRole('application').focus();
    await user.keyboard('{Enter}{ArrowRight}{ArrowUp}{Enter}');
    expect(shown.answer()).toEqual(['SEGMENT(3 3,4 4)']);
    expect(screen.getByText('Segment from (3, 3) to (4, 4)')).toBeTruthy();
    const second = screen.getByLabelText('Point 2');
    await user.clear(second);
    await user.type(second, '5, 1{Enter}');
    expect(shown.answer()).toEqual(['SEGMENT(3 3,5 1)']);
    await user.click(button(/^Erase: Segment/));
    expect(shown.answer()).toBeNull();
  });
  test('a shape being drawn is listed, its corners can be changed, and another tool gives it up', async () => {
    const shown = await show(MULTIPLE('string'), plane('polygon segment'));
    const field = screen.getByLabelText('Type a point');
    for (const point of ['0 0', '4 0', '4 4']) await user.type(field, `${point}{Enter}`);
    expect(shown.answer()).toEqual(['UNFINISHED(polygon 0 0,4 0,4 4)']);
    expect(screen.getByText('Shape, not closed yet: (0, 0), (4, 0), (4, 4)')).toBeTruthy();
    const third = screen.getByLabelText('Point 3');
    await user.clear(third);
    await user.type(third, '2, 6{Enter}');
    await user.click(button('Move'));
    expect(shown.answer()).toEqual(['UNFINISHED(polygon 0 0,4 0,2 6)']);
    await user.click(button('Close the shape'));
    expect(shown.answer()).toEqual(['POLYGON(0 0,4 0,2 6)']);
    await user.click(button('Segment'));
    await user.type(screen.getByLabelText('Type a point'), '1 1{Enter}');
    expect(shown.answer()).toEqual(['POLYGON(0 0,4 0,2 6) UNFINISHED(segment 1 1)']);
    await user.click(button('Shape'));
    expect(shown.answer()).toEqual(['POLYGON(0 0,4 0,2 6)']);
    expect(shown.said.at(-1)).toBe('Given up.');
  });
  test('a figure begun before a reload goes on with its own tool', async () => {
    const shown = await show(MULTIPLE('string'), plane('point segment'), {
      answer: ['UNFINISHED(segment 0 0)'],
    });
    expect(button('Segment').getAttribute('aria-pressed')).toBe('true');
    await user.type(screen.getByLabelText('Type a point'), '3 3{Enter}');
    expect(shown.answer()).toEqual(['SEGMENT(0 0,3 3)']);
  });
  test('a half-plane: two points, then the side; the edge is left out and the side turned', async () => {
    const shown = await show(MULTIPLE('string'), plane('halfplane'));
    const field = screen.getByLabelText('Type a point');
    for (const point of ['0 2', '6 2', '3 5']) await user.type(field, `${point}{Enter}`);
    expect(screen.getByText(/^Everything above the line/)).toBeTruthy();
    await user.click(button('Edge included'));
    await user.click(button('Shade the other side'));
    expect(shown.answer()).toEqual(['HALFPLANE(0 2,6 2;0 -4;open)']);
    expect(screen.getByText(/^Everything below the line .* edge not included$/)).toBeTruthy();
  });
});

describe('partition, tally plot, cell grid', () => {
  test('more and fewer parts, shaded by keys', async () => {
    const shown = await show(
      ORDERED('boolean'),
      ours('partition', 'data-shape="bar" data-parts-min="1" data-parts-max="3"'),
    );
    await user.click(button('More parts'));
    await user.click(button('More parts'));
    expect(button('More parts').getAttribute('aria-disabled')).toBe('true');
    screen.getByRole('checkbox', { name: 'Part 1 of 3' }).focus();
    await user.keyboard(' {Shift>}{ArrowRight}{/Shift}');
    expect(shown.answer()).toEqual(['true', 'true', 'false']);
    expect(screen.getByText('2 of 3 parts shaded')).toBeTruthy();
    await user.click(button('Fewer parts'));
    expect(shown.answer()).toEqual(['true', 'true']);
  });
  test('bars are raised by keys, typed, and kept to the maximum', async () => {
    const shown = await show(
      ORDERED('float'),
      ours('tally-plot', 'data-kind="bars" data-categories="Oak|Ash" data-max="4" data-step="1"'),
    );
    screen.getByRole('slider', { name: 'Oak' }).focus();
    await user.keyboard('{ArrowUp}{ArrowUp}');
    expect(shown.answer()).toEqual(['2', '0']);
    const field = screen.getByLabelText('Value for Ash');
    await user.clear(field);
    await user.type(field, '9{Enter}');
    expect(shown.answer()).toEqual(['2', '4']);
    expect(shown.said.at(-1)).toBe('Ash: 4.');
  });
  test('each bar is one stop of Tab, and digits on it are its number', async () => {
    const shown = await show(
      ORDERED('float'),
      ours('tally-plot', 'data-kind="bars" data-categories="Oak|Ash" data-max="40" data-step="1"'),
    );
    button('Clear').focus();
    await user.tab();
    await user.keyboard('25');
    expect(shown.answer()).toEqual(['25', '0']);
    await user.tab();
    await user.keyboard('7');
    expect(shown.answer()).toEqual(['25', '7']);
  });
  test('each box of counters is one stop too, stepped by the arrow keys', async () => {
    const shown = await show(
      ORDERED('float'),
      ours('tally-plot', 'data-kind="counters" data-categories="Oak|Ash" data-max="9" data-step="1"'),
    );
    button('Clear').focus();
    await user.tab();
    await user.keyboard('{ArrowUp}{ArrowUp}');
    await user.tab();
    await user.keyboard('{ArrowUp}{ArrowDown}{ArrowDown}{ArrowUp}');
    expect(shown.answer()).toEqual(['2', '1']);
  });
  test('cells are switched and swept by keys', async () => {
    const shown = await show(MULTIPLE('identifier'), ours('cell-grid', 'data-rows="2" data-cols="3"'));
    screen.getByRole('gridcell', { name: 'Row 1, column 1' }).focus();
    await user.keyboard('{Shift>}{ArrowRight}{ArrowDown}{/Shift}');
    expect(shown.answer()).toEqual(['r1c1', 'r1c2', 'r2c2']);
    await user.keyboard(' ');
    expect(shown.answer()).toEqual(['r1c1', 'r1c2']);
  });
  test('in a grid of cells Home and End go along the row, with Ctrl to its corners, Page keys up and down', async () => {
    await show(MULTIPLE('identifier'), ours('cell-grid', 'data-rows="3" data-cols="4"'));
    const at = () => document.activeElement?.getAttribute('data-cell');
    screen.getByRole('gridcell', { name: 'Row 2, column 2' }).focus();
    for (const [keys, cell] of [
      ['{End}', 'r2c4'],
      ['{Home}', 'r2c1'],
      ['{PageDown}', 'r3c1'],
      ['{PageUp}', 'r1c1'],
      ['{Control>}{End}{/Control}', 'r3c4'],
      ['{Control>}{Home}{/Control}', 'r1c1'],
    ] as const) {
      await user.keyboard(keys);
      expect(at()).toBe(cell);
    }
  });
});

describe('files', () => {
  const upload = '<qti-upload-interaction response-identifier="R" type="text/plain"/>';
  test('a file of another kind is refused with a reason, one that fits is attached', async () => {
    const shown = await show('cardinality="single" base-type="file"', upload);
    const input = screen.getByLabelText<HTMLInputElement>('File');
    const anyUser = userEvent.setup({ applyAccept: false });
    await anyUser.upload(input, new File(['x'], 'boat.png', { type: 'image/png' }));
    expect(screen.getByText('boat.png is of another kind. It can be a text file here.')).toBeTruthy();
    await user.upload(input, new File([new Uint8Array(9)], 'log.txt', { type: 'text/plain' }));
    expect(
      await screen.findByText(
        'log.txt is not really a text file: something else is inside. Choose another file.',
      ),
    ).toBeTruthy();
    expect(shown.answer()).toBeNull();
    await user.upload(input, new File(['tide'], 'log.txt', { type: 'text/plain' }));
    expect(await screen.findByText('log.txt')).toBeTruthy();
    expect(shown.answer()).toBe('data:text/plain;name=log.txt;base64,dGlkZQ==');
    await user.click(button('Take away'));
    expect(shown.answer()).toBeNull();
  });
});

test.each([
  [MULTIPLE('float'), ours('number-line', 'data-max-points="1"'), ['3']],
  [MULTIPLE('string'), ours('coordinate-plane', 'data-tools="point"'), ['POINT(1 1)']],
  [MULTIPLE('identifier'), ours('cell-grid', 'data-rows="2" data-cols="2"'), ['r1c1']],
  [ORDERED('float'), ours('tally-plot', 'data-categories="a|b"'), ['2', '1']],
  [ORDERED('boolean'), ours('partition', ''), ['true', 'false']],
])('an answer that is only looked at cannot be changed: %s %s', async (declaration, body, answer) => {
  const shown = await show(declaration, body, { answer, readOnly: true });
  const things = [
    ...screen.queryAllByRole('slider'),
    ...screen.queryAllByRole('gridcell'),
    ...screen.queryAllByRole('checkbox'),
    ...screen.queryAllByRole('application'),
  ];
  expect(things.length).toBeGreaterThan(0);
  for (const thing of things) {
    thing.focus();
    await user.keyboard('{ArrowRight} {Enter}{Delete}');
  }
  expect(shown.answer()).toEqual(answer);
});
