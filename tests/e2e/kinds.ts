import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page } from '@playwright/test';
import { choice, drag, tabTo } from './answers';
import { EVERY_KIND, goTo, ready, startTest, type App } from './app';

/** The questions of the demo test "Every kind of question", in order. */
const ORDER = [
  ...readFileSync('content/every-kind-of-question/test.xml', 'utf8').matchAll(
    /item-ref identifier="([^"]+)"/g,
  ),
].map((found) => found[1] ?? '');
/** Which question an item is, from 1. */
export const numberOf = (item: string): number => ORDER.indexOf(item) + 1;

/** `wren` is at a question of "Every kind of question", and it stands. */
export async function openKind(page: Page, app: App, item: string): Promise<void> {
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  await goTo(page, numberOf(item));
}

/** One kind of question: how it is answered by pointer and by keys alone, and the answer that is kept. */
export interface Kind {
  readonly type: string;
  readonly item: string;
  readonly pointer: (page: Page) => Promise<void>;
  readonly keys: (page: Page) => Promise<void>;
  /** The responses as they are kept. Containers of base type multiple are compared as sets. */
  readonly response: Readonly<Record<string, unknown>>;
}

const main = (page: Page): Locator => page.locator('main');
const button = (page: Page, name: string | RegExp): Locator =>
  main(page).getByRole('button', { name, exact: typeof name === 'string' });
const press = async (page: Page, ...keys: string[]): Promise<void> => {
  for (const key of keys) await page.keyboard.press(key);
};
const times = (key: string, count: number): string[] => Array.from({ length: count }, () => key);
/** Tab to it, and press. */
const pressOn = async (page: Page, target: Locator, ...keys: string[]): Promise<void> => {
  await tabTo(page, target, 160);
  await press(page, ...keys);
};
/** Presses a place of an element given as a share of its width and height. */
const pressAt = async (page: Page, target: Locator, x: number, y: number): Promise<void> => {
  const box = await target.boundingBox();
  if (!box) throw new Error('not on the screen');
  await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
};
const piece = (page: Page, id: string) => page.locator(`[data-piece="${id}"]`);
const place = (page: Page, id: string) => page.locator(`[data-place="${id}"]`);
const spot = (page: Page, id: string) => page.locator(`[data-spot="${id}"]`);
const stage = (page: Page) => page.locator('[data-stage]');
/** A point of the picture, in its own pixels. */
const onMap = (page: Page, x: number, y: number) => pressAt(page, stage(page), x / 480, y / 320);
/** Places a piece with keys alone: pick it up, go to the place, put it in. */
const keyPlace = async (page: Page, id: string, target: string): Promise<void> => {
  await pressOn(page, piece(page, id), 'Enter');
  await pressOn(page, place(page, target), 'Enter');
};
const plane = (page: Page) => page.locator('[data-plane]');
/** Presses a point of the grid where it is drawn: the corners of the plot are found by its numbers. */
const onPlane = async (
  page: Page,
  x: number,
  y: number,
  [xMin, xMax, yMin, yMax]: [number, number, number, number],
): Promise<void> => {
  const box = await plane(page).boundingBox();
  if (!box) throw new Error('no grid');
  const [left, right, top, bottom] = [46, 22, 22, 40];
  await page.mouse.click(
    box.x + left + ((x - xMin) / (xMax - xMin)) * (box.width - left - right),
    box.y + top + ((yMax - y) / (yMax - yMin)) * (box.height - top - bottom),
  );
};
const line = (page: Page) => page.locator('[data-line]');
/** Presses a value of a number line drawn from min to max. */
const onLine = async (page: Page, value: number, min: number, max: number): Promise<void> => {
  const box = await line(page).boundingBox();
  if (!box) throw new Error('no line');
  await page.mouse.click(box.x + 34 + ((value - min) / (max - min)) * (box.width - 68), box.y + 52);
};
const handle = (page: Page, index: number) => page.locator('[data-line] [role=slider]').nth(index);

/** A small file to hand in. */
const LOG = { name: 'log.txt', mimeType: 'text/plain', buffer: Buffer.from('tide') };

export const KINDS: readonly Kind[] = [
  {
    type: 'choice',
    item: 'choice-1',
    pointer: (page) => choice(page, /10 times/).click(),
    keys: async (page) => {
      const wanted = page.getByRole('radio', { name: '10 times' });
      await tabTo(page, page.getByRole('radio').first());
      await press(page, 'Space');
      for (let i = 0; i < 4 && !(await wanted.isChecked()); i += 1) await press(page, 'ArrowDown');
    },
    response: { RESPONSE: 'B' },
  },
  {
    type: 'inline-choice',
    item: 'inline-choice-1',
    pointer: async (page) => {
      await page.getByRole('combobox').selectOption('<');
    },
    keys: (page) => pressOn(page, page.getByRole('combobox'), 'ArrowDown'),
    response: { RESPONSE: 'LT' },
  },
  {
    type: 'hottext',
    item: 'hottext-1',
    pointer: async (page) => {
      await button(page, 'lamp').click();
      await button(page, 'climbs').click();
      await expect(button(page, 'lamp')).toHaveAttribute('aria-pressed', 'false');
    },
    keys: (page) => pressOn(page, button(page, 'climbs'), 'Space'),
    response: { RESPONSE: 'B' },
  },
  {
    type: 'slider',
    item: 'slider-1',
    pointer: (page) => page.getByRole('slider').fill('8'),
    keys: (page) => pressOn(page, page.getByRole('slider'), 'Home', ...times('ArrowRight', 8)),
    response: { RESPONSE: '8' },
  },
  {
    type: 'text-entry',
    item: 'text-entry-1',
    pointer: (page) => page.getByRole('textbox').fill('37.5'),
    keys: async (page) => {
      await tabTo(page, page.getByRole('textbox'));
      await page.keyboard.type('37.5');
    },
    response: { RESPONSE: '37.5' },
  },
  {
    type: 'gap-match',
    item: 'gap-match-1',
    pointer: async (page) => {
      await drag(page, piece(page, 'S'), place(page, 'G1'));
      await expect(place(page, 'G1')).toHaveText('sand');
      // A filled place swaps; what lay there goes back to the list.
      await drag(page, piece(page, 'K'), place(page, 'G1'));
      await expect(place(page, 'G1')).toHaveText('kelp');
      await drag(page, piece(page, 'R'), place(page, 'G2'));
      await expect(place(page, 'G2')).toHaveText('rock');
      await drag(page, place(page, 'G2'), place(page, 'G3'));
      await expect(place(page, 'G3')).toHaveText('rock');
      await page.waitForTimeout(80);
      await piece(page, 'S').click();
      await place(page, 'G2').click();
    },
    keys: async (page) => {
      await keyPlace(page, 'K', 'G1');
      await keyPlace(page, 'S', 'G2');
      await keyPlace(page, 'R', 'G3');
      await expect(page.locator('[data-announcer] p').last()).toHaveText('rock, in box 3 of 3.');
    },
    response: { RESPONSE: ['K G1', 'S G2', 'R G3'] },
  },
  {
    type: 'match',
    item: 'match-1',
    pointer: async (page) => {
      for (const [id, target] of [
        ['A', 'X'],
        ['B', 'X'],
        ['C', 'Y'],
        ['D', 'Z'],
      ] as const) {
        await piece(page, id).click();
        await place(page, target).click();
      }
    },
    keys: async (page) => {
      for (const [id, target] of [
        ['A', 'X'],
        ['B', 'X'],
        ['C', 'Y'],
        ['D', 'Z'],
      ] as const)
        await keyPlace(page, id, target);
    },
    response: { RESPONSE: ['A X', 'B X', 'C Y', 'D Z'] },
  },
  {
    type: 'order',
    item: 'order-1',
    pointer: async (page) => {
      const grip = (name: RegExp) =>
        page.locator('ol li').filter({ hasText: name }).locator('span[class*=grip]');
      await drag(page, grip(/reaches the farm/), grip(/hauled aboard/));
      await button(page, /Move down: The barge goes home/).click();
    },
    keys: async (page) => {
      await pressOn(page, button(page, /Move up: The barge reaches/), 'Enter');
      await pressOn(page, button(page, /Move down: The barge goes home/), 'Enter');
    },
    response: {},
  },
  {
    type: 'order',
    item: 'order-3',
    pointer: async (page) => {
      await piece(page, 'A').click();
      await piece(page, 'C').click();
      await piece(page, 'B').click();
      await expect(page.getByText('Your order takes 2.', { exact: false }).first()).toBeVisible();
      await button(page, 'Move up: read the warning aloud').click();
    },
    keys: async (page) => {
      await pressOn(page, piece(page, 'C'), 'Enter');
      await pressOn(page, piece(page, 'A'), 'Enter');
    },
    response: { RESPONSE: ['C', 'A'] },
  },
  {
    type: 'associate',
    item: 'associate-1',
    pointer: async (page) => {
      await drag(page, piece(page, 'A'), piece(page, 'D'));
      await expect(page.locator('[data-pair]')).toHaveCount(1);
      await page.waitForTimeout(80);
      await piece(page, 'B').click();
      await piece(page, 'E').click();
    },
    keys: async (page) => {
      await pressOn(page, piece(page, 'A'), 'Enter');
      await pressOn(page, piece(page, 'D'), 'Enter');
      await pressOn(page, piece(page, 'B'), 'Enter');
      await pressOn(page, piece(page, 'E'), 'Enter');
    },
    response: { RESPONSE: ['A D', 'B E'] },
  },
  {
    type: 'hotspot',
    item: 'hotspot-1',
    pointer: async (page) => {
      await onMap(page, 110, 80);
      await expect(spot(page, 'OUT')).toHaveAttribute('aria-pressed', 'true');
      await onMap(page, 240, 180);
    },
    keys: (page) => pressOn(page, button(page, 'Low Island'), 'Space'),
    response: { RESPONSE: 'LOW' },
  },
  {
    type: 'select-point',
    item: 'select-point-1',
    pointer: (page) => onMap(page, 380, 70),
    keys: async (page) => {
      await pressOn(page, button(page, 'Set a point in the middle'), 'Enter');
      await pressOn(
        page,
        page.locator('[data-handle]'),
        ...times('Shift+ArrowRight', 14),
        ...times('Shift+ArrowUp', 9),
      );
    },
    response: { RESPONSE: '380 70' },
  },
  {
    type: 'graphic-order',
    item: 'graphic-order-1',
    pointer: async (page) => {
      await onMap(page, 245, 285);
      await onMap(page, 110, 80);
      await onMap(page, 240, 180);
      await onMap(page, 380, 80);
      await button(page, 'Move up: Low Island').click();
    },
    keys: async (page) => {
      for (const name of ['the harbor', 'Low Island', 'Outer Skerry', 'Gannet Rock'])
        await pressOn(page, button(page, name), 'Enter');
    },
    response: { RESPONSE: ['HAR', 'LOW', 'OUT', 'GAN'] },
  },
  {
    type: 'graphic-associate',
    item: 'graphic-associate-1',
    pointer: async (page) => {
      await onMap(page, 245, 285);
      await onMap(page, 240, 180);
      await onMap(page, 240, 180);
      await onMap(page, 110, 80);
    },
    keys: async (page) => {
      for (const name of ['the harbor', 'Low Island', 'Low Island', 'Outer Skerry'])
        await pressOn(page, button(page, name), 'Enter');
    },
    response: { RESPONSE: ['HAR LOW', 'LOW OUT'] },
  },
  {
    type: 'graphic-gap-match',
    item: 'graphic-gap-match-1',
    pointer: async (page) => {
      await drag(page, piece(page, 'A'), place(page, 'S1'));
      await expect(place(page, 'S1')).toHaveText('Outer Skerry');
      await drag(page, piece(page, 'B'), place(page, 'S2'), { x: 90, y: 0 });
      await expect(place(page, 'S2')).toHaveText('Gannet Rock');
      await page.waitForTimeout(80);
      await piece(page, 'C').click();
      await place(page, 'S3').click();
    },
    keys: async (page) => {
      await keyPlace(page, 'A', 'S1');
      await keyPlace(page, 'B', 'S2');
      await keyPlace(page, 'C', 'S3');
    },
    response: { RESPONSE: ['A S1', 'B S2', 'C S3'] },
  },
  {
    type: 'position-object',
    item: 'position-object-1',
    pointer: async (page) => {
      const box = await stage(page).boundingBox();
      const from = await page.locator('[data-object]').boundingBox();
      if (!box || !from) throw new Error('nothing to drag');
      await page.mouse.move(from.x + 20, from.y + 20);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 5 });
      await page.mouse.move(box.x + (245 / 480) * box.width, box.y + (240 / 320) * box.height, { steps: 5 });
      await page.mouse.up();
    },
    keys: async (page) => {
      await pressOn(page, button(page, /Put one down/), 'Enter');
      await pressOn(
        page,
        page.locator('[data-handle]'),
        ...times('ArrowRight', 5),
        ...times('Shift+ArrowDown', 8),
      );
    },
    response: { RESPONSE: '245 240' },
  },
  {
    type: 'number-line',
    item: 'number-line-1',
    pointer: async (page) => {
      await onLine(page, -1.5, -2, 2);
      await onLine(page, 0.26, -2, 2);
      await expect(handle(page, 1)).toHaveAttribute('aria-valuetext', '0.25');
      const [from, box] = [await handle(page, 1).boundingBox(), await line(page).boundingBox()];
      if (!from || !box) throw new Error('no handle');
      await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
      await page.mouse.down();
      await page.mouse.move(box.x + 34 + (2.76 / 4) * (box.width - 68), from.y + 20, { steps: 6 });
      await page.mouse.up();
    },
    keys: async (page) => {
      await tabTo(page, page.getByLabel('Type a value'));
      await page.keyboard.type('-3/2');
      await press(page, 'Enter');
      await page.keyboard.type('1/2');
      await press(page, 'Enter');
      await pressOn(page, handle(page, 1), 'ArrowRight');
    },
    response: { RESPONSE: ['-1.5', '0.75'] },
  },
  {
    type: 'number-line',
    item: 'number-line-2',
    pointer: async (page) => {
      await onLine(page, -1, -4, 4);
      await onLine(page, 2, -4, 4);
      await handle(page, 1).click();
    },
    keys: async (page) => {
      await pressOn(page, button(page, 'Add a part'), 'Enter');
      await expect(handle(page, 0)).toHaveAttribute('aria-valuetext', 'from −1.5, included');
      await pressOn(page, handle(page, 0), 'ArrowRight');
      await pressOn(page, handle(page, 1), 'ArrowRight', 'Space');
    },
    response: { RESPONSE: '[-1,2)' },
  },
  {
    type: 'coordinate-plane',
    item: 'coordinate-plane-1',
    pointer: async (page) => {
      await button(page, 'Line').click();
      await onPlane(page, 0, 1, [-5, 5, -6, 6]);
      await onPlane(page, 2, 4, [-5, 5, -6, 6]);
      const from = await page.locator('[data-handle="0-1"]').boundingBox();
      if (!from) throw new Error('no handle');
      const step =
        (await plane(page)
          .boundingBox()
          .then((box) => (box ? box.height - 62 : 0))) / 12;
      await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
      await page.mouse.down();
      await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2 - step, { steps: 5 });
      await page.mouse.up();
    },
    keys: async (page) => {
      await pressOn(page, button(page, 'Line'), 'Enter');
      await pressOn(
        page,
        plane(page),
        'ArrowUp',
        'Enter',
        'ArrowRight',
        'ArrowRight',
        ...times('ArrowUp', 3),
        'Enter',
      );
      await pressOn(page, page.locator('[data-handle="0-1"]'), 'ArrowUp');
    },
    response: { RESPONSE: ['LINE(0 1,2 5)'] },
  },
  {
    type: 'coordinate-plane',
    item: 'coordinate-plane-2',
    pointer: async (page) => {
      const range: [number, number, number, number] = [0, 10, 0, 8];
      for (const [x, y] of [
        [0, 0],
        [4, 0],
        [4, 3],
        [0, 0],
      ] as const)
        await onPlane(page, x, y, range);
    },
    keys: async (page) => {
      await tabTo(page, page.getByLabel('Type a point'));
      for (const point of ['0, 0', '(4, 0)', '4 3']) {
        await page.keyboard.type(point);
        await press(page, 'Enter');
      }
      await pressOn(page, button(page, 'Close the shape'), 'Enter');
    },
    response: { RESPONSE: ['POLYGON(0 0,4 0,4 3)'] },
  },
  {
    type: 'partition',
    item: 'partition-1',
    pointer: async (page) => {
      for (let i = 0; i < 3; i += 1) await button(page, 'More parts').click();
      await expect(page.locator('[data-part]')).toHaveCount(4);
      const box = await page.locator('svg[data-shape]').boundingBox();
      if (!box) throw new Error('no circle');
      const at = (x: number, y: number) =>
        page.mouse.move(box.x + x * box.width, box.y + y * box.height, { steps: 6 });
      await at(0.75, 0.25);
      await page.mouse.down();
      await at(0.75, 0.75);
      await at(0.25, 0.75);
      await page.mouse.up();
    },
    keys: async (page) => {
      await pressOn(page, button(page, 'More parts'), 'Enter', 'Enter', 'Enter');
      await pressOn(
        page,
        page.locator('[data-part="0"]'),
        'Space',
        'Shift+ArrowRight',
        'ArrowRight',
        'Space',
      );
    },
    response: { RESPONSE: ['true', 'true', 'true', 'false'] },
  },
  {
    type: 'tally-plot',
    item: 'tally-plot-1',
    pointer: async (page) => {
      await pressAt(page, page.locator('[data-category="0"]'), 0.5, 1 - 1.5 / 6);
      await pressAt(page, page.locator('[data-category="2"]'), 0.5, 1 - 2.5 / 6);
      await button(page, 'One more: Thu').click();
    },
    keys: async (page) => {
      await pressOn(page, page.getByRole('slider', { name: 'Mon' }), 'ArrowUp', 'ArrowUp');
      await pressOn(page, page.getByRole('slider', { name: 'Wed' }), '3');
      await pressOn(page, page.locator('[data-category="3"]'), '1');
    },
    response: { RESPONSE: ['2', '0', '3', '1'] },
  },
  {
    type: 'tally-plot',
    item: 'tally-plot-3',
    pointer: async (page) => {
      const box = (index: number) => page.locator(`[data-box="${index}"]`);
      const supply = page.locator('[data-counter=supply]');
      for (const index of [0, 0, 0, 1, 1, 2, 2, 2, 2]) {
        const before = await box(index).locator('[data-counter]').count();
        await drag(page, supply, box(index));
        await expect(box(index).locator('[data-counter]')).toHaveCount(before + 1);
      }
      await drag(page, page.locator('[data-counter="2-0"]'), box(1));
    },
    keys: async (page) => {
      for (const hut of ['North', 'Middle', 'South'])
        await pressOn(page, page.getByRole('spinbutton', { name: `${hut} hut` }), ...times('ArrowUp', 3));
    },
    response: { RESPONSE: ['3', '3', '3'] },
  },
  {
    type: 'cell-grid',
    item: 'cell-grid-2',
    pointer: async (page) => {
      const [from, to] = [
        await page.locator('[data-cell=r1c1]').boundingBox(),
        await page.locator('[data-cell=r3c4]').boundingBox(),
      ];
      if (!from || !to) throw new Error('no cells');
      await page.mouse.move(from.x + 10, from.y + 10);
      await page.mouse.down();
      await page.mouse.move(to.x + 10, to.y + 10, { steps: 12 });
      await page.mouse.up();
    },
    keys: async (page) => {
      await tabTo(page, page.locator('[data-cell=r1c1]'));
      await press(
        page,
        ...times('Shift+ArrowRight', 3),
        'Shift+ArrowDown',
        ...times('Shift+ArrowLeft', 3),
        'Shift+ArrowDown',
        ...times('Shift+ArrowRight', 3),
      );
    },
    response: { RESPONSE: [1, 2, 3].flatMap((row) => [1, 2, 3, 4].map((column) => `r${row}c${column}`)) },
  },
  {
    type: 'media',
    item: 'media-1',
    pointer: async (page) => {
      await button(page, 'Play').click();
      await expect(page.getByText('played 1 of 3 times').first()).toBeVisible();
      await choice(page, /three/).click();
    },
    keys: async (page) => {
      await pressOn(page, button(page, 'Play'), 'Enter');
      await expect(page.getByText('played 1 of 3 times').first()).toBeVisible();
      await tabTo(page, page.getByRole('radio').first());
      await press(page, 'Space', 'ArrowDown', 'ArrowDown');
    },
    response: { PLAYS: '1', RESPONSE: 'C' },
  },
  {
    type: 'end-attempt',
    item: 'end-attempt-1',
    pointer: async (page) => {
      await choice(page, /07:12/).click();
      await button(page, 'Show me a hint').click();
      await expect(page.getByText('Add 6 hours and 12 minutes to 01:00.')).toBeVisible();
    },
    keys: async (page) => {
      await tabTo(page, page.getByRole('radio').first());
      await press(page, 'Space', 'ArrowDown');
      await pressOn(page, button(page, 'Show me a hint'), 'Enter');
      await expect(page.getByText('Add 6 hours and 12 minutes to 01:00.')).toBeVisible();
    },
    response: { RESPONSE: 'B' },
  },
  {
    type: 'extended-text',
    item: 'extended-text-1',
    pointer: async (page) => {
      await page.getByRole('textbox').click();
      await button(page, 'Bold').click();
      await page.keyboard.type('Storm at nine.');
    },
    keys: async (page) => {
      await tabTo(page, page.getByRole('textbox'));
      await press(page, 'Control+b');
      await page.keyboard.type('Storm at nine.');
    },
    response: { RESPONSE: '<p><strong>Storm at nine.</strong></p>' },
  },
  {
    type: 'equation',
    item: 'equation-1',
    pointer: async (page) => {
      for (const key of ['a/b fraction', '1', 'move right', '6']) await button(page, key).click();
    },
    keys: async (page) => {
      await tabTo(page, page.locator('math-field'));
      await page.keyboard.type('1/6', { delay: 60 });
    },
    response: {},
  },
  {
    type: 'upload',
    item: 'upload-2',
    pointer: (page) => page.getByLabel('File', { exact: true }).setInputFiles(LOG),
    keys: async (page) => {
      const chooser = page.waitForEvent('filechooser');
      await pressOn(page, button(page, 'Choose a file'), 'Enter');
      await (await chooser).setFiles(LOG);
    },
    response: { RESPONSE: 'data:text/plain;name=log.txt;base64,dGlkZQ==' },
  },
  {
    type: 'drawing',
    item: 'drawing-1',
    pointer: async (page) => {
      const box = await page.locator('[data-sketch]').boundingBox();
      if (!box) throw new Error('no sheet');
      await page.mouse.move(box.x + box.width / 2, box.y + 60);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width / 2 + 20, box.y + 160, { steps: 8 });
      await page.mouse.up();
    },
    keys: async (page) => {
      await pressOn(page, button(page, 'Line'), 'Enter');
      await pressOn(
        page,
        page.locator('[data-sketch]'),
        'ArrowUp',
        'Enter',
        ...times('ArrowDown', 6),
        'Enter',
      );
      await expect(page.locator('[data-announcer] p').last()).toHaveText('Line drawn. 1 on the sheet.');
    },
    response: {},
  },
];
