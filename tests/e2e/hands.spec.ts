import type { Locator, Page } from '@playwright/test';
import { status } from './answers';
import { expect, goTo, ready, saved, test, type App } from './app';
import { numberOf, openKind } from './kinds';

/** What the server keeps of wren's answer to an item. */
const kept = (app: App, item: string, response = 'RESPONSE'): unknown => {
  const [row] = app.query<{ value: string }>(
    'SELECT value FROM responses WHERE item = ? AND response = ?',
    item,
    response,
  );
  return row ? (JSON.parse(row.value) as unknown) : null;
};
const main = (page: Page) => page.locator('main');
const button = (page: Page, name: string | RegExp): Locator =>
  main(page).getByRole('button', { name, exact: typeof name === 'string' });
const undo = (page: Page) => page.getByRole('button', { name: /^Undo/ }).first();
const isOff = (control: Locator) => expect(control).toHaveAttribute('aria-disabled', 'true');
const boxOf = async (target: Locator) => {
  const box = await target.boundingBox();
  if (!box) throw new Error('not on the screen');
  return box;
};
/** A drag in many small moves, as a hand makes it. */
async function dragBy(page: Page, target: Locator, dx: number, dy: number): Promise<void> {
  const box = await boxOf(target);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx, y + dy, { steps: 25 });
  await page.mouse.up();
}

test.describe('one movement is one step of undo', () => {
  test('a slider dragged', async ({ page, app }) => {
    await openKind(page, app, 'slider-1');
    const slider = main(page).getByRole('slider');
    const box = await boxOf(slider);
    await dragBy(page, slider, box.width / 3, 0);
    await expect(status(page)).toHaveText(/done$/);
    await undo(page).click();
    await expect(status(page)).not.toHaveText(/done$/);
    await isOff(undo(page));
  });
  test('a point of a number line dragged, and a key held down', async ({ page, app }) => {
    await openKind(page, app, 'number-line-1');
    await main(page).getByLabel('Type a value').fill('-1.5');
    await page.keyboard.press('Enter');
    const handle = main(page).getByRole('slider').first();
    await dragBy(page, handle, 160, 0);
    const dragged = await handle.getAttribute('aria-valuetext');
    expect(dragged).not.toBe('−1.5');
    await handle.focus();
    for (let i = 0; i < 4; i += 1) await page.keyboard.down('ArrowRight');
    await page.keyboard.up('ArrowRight');
    await undo(page).click();
    await expect(handle).toHaveAttribute('aria-valuetext', dragged ?? '');
    await undo(page).click();
    await expect(handle).toHaveAttribute('aria-valuetext', '−1.5');
  });
  test('cells swept; writing a word at a time', async ({ page, app }) => {
    await openKind(page, app, 'cell-grid-2');
    const [from, to] = [
      await boxOf(page.locator('[data-cell=r1c1]')),
      await boxOf(page.locator('[data-cell=r2c3]')),
    ];
    await page.mouse.move(from.x + 10, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(to.x + 10, to.y + 10, { steps: 20 });
    await page.mouse.up();
    await expect(page.locator('[data-cell][data-on]')).toHaveCount(6);
    await undo(page).click();
    await expect(page.locator('[data-cell][data-on]')).toHaveCount(0);
    await goTo(page, numberOf('extended-text-1'));
    const box = main(page).getByRole('textbox');
    await box.click();
    await page.keyboard.type('gulls over the pier', { delay: 15 });
    await expect(box).toHaveText('gulls over the pier');
    await expect(status(page)).toHaveText(/done$/);
    await undo(page).click();
    await expect(box).toHaveText(/^gulls/);
    await expect(box).not.toHaveText('gulls over the pier');
  });
});

test.describe('what is begun is kept', () => {
  test('corners of an open shape, over a reload, and undone one by one', async ({ page, app }) => {
    await openKind(page, app, 'coordinate-plane-2');
    const field = main(page).getByLabel('Type a point');
    for (const point of ['0, 0', '4, 0', '4, 3']) {
      await field.fill(point);
      await page.keyboard.press('Enter');
    }
    await expect(status(page)).toHaveText(/shape not closed/);
    await expect(main(page).getByText('Shape, not closed yet: (0, 0), (4, 0), (4, 3)')).toBeVisible();
    await saved(page);
    await page.reload();
    await ready(page);
    await expect(main(page).getByText('Shape, not closed yet: (0, 0), (4, 0), (4, 3)')).toBeVisible();
    await undo(page).click();
    await expect(main(page).getByText('Shape, not closed yet: (0, 0), (4, 0)')).toBeVisible();
    await page.getByRole('button', { name: /^Redo/ }).first().click();
    await button(page, 'Close the shape').click();
    await expect(status(page)).toHaveText(/done$/);
    await saved(page);
    await expect.poll(() => kept(app, 'coordinate-plane-2')).toEqual(['POLYGON(0 0,4 0,4 3)']);
  });
  test('the start of an interval, and an arrow of the line pressed after it', async ({ page, app }) => {
    await openKind(page, app, 'number-line-2');
    const line = page.locator('[data-line]');
    const box = await boxOf(line);
    await page.mouse.dblclick(box.x + 34 + 0.25 * (box.width - 68), box.y + 52);
    await expect(status(page)).toHaveText(/the end of a part is not set/);
    await saved(page);
    await page.reload();
    await ready(page);
    await expect(main(page).getByText(/^It starts at −2\./)).toBeVisible();
    await page.mouse.click(box.x + box.width - 14, box.y + 52);
    await expect(status(page)).toHaveText(/done$/);
    await expect.poll(() => kept(app, 'number-line-2')).toBe('[-2,inf)');
    await dragBy(page, line.getByRole('slider').first(), -box.width, 0);
    await expect.poll(() => kept(app, 'number-line-2')).toBe('(-inf,inf)');
  });
});

test('a double click is one press: words, places, cells, boxes', async ({ page, app }) => {
  await openKind(page, app, 'hottext-1');
  const word = main(page).locator('button[aria-pressed]').first();
  await word.dblclick();
  await expect(word).toHaveAttribute('aria-pressed', 'true');
  await goTo(page, numberOf('hotspot-1'));
  const spot = page.locator('[data-spot]').first();
  await spot.dblclick();
  await expect(spot).toHaveAttribute('aria-pressed', 'true');
  await goTo(page, numberOf('cell-grid-2'));
  await page.locator('[data-cell=r1c1]').dblclick();
  await expect(page.locator('[data-cell][data-on]')).toHaveCount(1);
});

test.describe('typed maths', () => {
  const value = (app: App) => String(kept(app, 'equation-1'));
  /** One and a half, whatever stands for the blank. */
  const ONE_AND_A_HALF = /^1(\\[:, ]|~|\s|\\,)*\\frac\{?1\}?\{?2\}?$/;
  test('a mixed number written with pauses stays one; a key at once after the click is not lost', async ({
    page,
    app,
  }) => {
    await openKind(page, app, 'equation-1');
    await page.locator('math-field').click();
    await page.keyboard.press('1');
    await expect(status(page)).toHaveText(/done$/);
    await page.keyboard.press('Space');
    await saved(page);
    await page.keyboard.type('1/2', { delay: 80 });
    await expect.poll(() => value(app)).toMatch(ONE_AND_A_HALF);
  });
  test('typed as text, with a pause after the blank, and shown back structured', async ({ page, app }) => {
    await openKind(page, app, 'equation-1');
    await button(page, 'Type it as text instead').click();
    const field = main(page).getByRole('textbox').last();
    await field.pressSequentially('2 ');
    await saved(page);
    await expect.poll(() => value(app)).toBe('2');
    await expect(field).toHaveValue('2 ');
    await field.pressSequentially('1/3');
    await expect.poll(() => value(app)).toMatch(/^2.*frac\{?1\}?\{?3\}?$/);
    await expect(field).toHaveValue('2 1/3');
    await expect(main(page).locator('[data-shown-back] .ML__latex')).toBeVisible();
    await saved(page);
    await page.reload();
    await ready(page);
    await expect.poll(() => value(app)).toMatch(/^2.*frac\{?1\}?\{?3\}?$/);
  });
});

/** A finger that scrolls: it comes down in the middle of something and moves up. */
async function scrollFrom(page: Page, target: Locator): Promise<void> {
  await target.scrollIntoViewIfNeeded();
  const box = await boxOf(target);
  const session = await page.context().newCDPSession(page);
  await session.send('Input.synthesizeScrollGesture', {
    x: box.x + box.width / 2,
    y: box.y + box.height / 2,
    yDistance: -120,
    gestureSourceType: 'touch',
    speed: 600,
  });
  await session.detach();
}

test.describe('a finger that scrolls answers nothing', () => {
  test.use({ hasTouch: true, viewport: { width: 800, height: 600 } });
  for (const [item, target] of [
    ['tally-plot-1', '[data-category="1"]'],
    ['partition-1', '[data-part="0"]'],
    ['cell-grid-2', '[data-cell=r2c2]'],
    ['drawing-1', '[data-sketch]'],
    ['number-line-2', '[data-line]'],
  ] as const)
    test(`over ${item}`, async ({ page, app }) => {
      await openKind(page, app, item);
      const before = await status(page).textContent();
      const scroller = page.locator('[data-sheet=question]');
      await scrollFrom(page, page.locator(target).first());
      await expect(status(page)).toHaveText(before ?? '');
      expect(kept(app, item)).toBeNull();
      // A press of the same finger does answer.
      await page.locator(target).first().scrollIntoViewIfNeeded();
      await page.locator(target).first().tap();
      if (item === 'drawing-1') await scroller.locator(target).tap();
      await expect(status(page)).not.toHaveText(before ?? '');
    });
});

test.describe('a finger drags what it takes hold of', () => {
  test.use({ hasTouch: true, viewport: { width: 800, height: 700 } });
  test('the top of a bar; beside it the page scrolls', async ({ page, app }) => {
    await openKind(page, app, 'tally-plot-2');
    const bar = page.locator('[data-category="0"]');
    const grip = bar.locator('[data-grip]');
    await bar.scrollIntoViewIfNeeded();
    const [from, whole] = [await boxOf(grip), await boxOf(bar)];
    const x = from.x + from.width / 2;
    const session = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', y: number) =>
      session.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] });
    const start = from.y + from.height / 2 - 4;
    await touch('touchStart', start);
    for (let i = 1; i <= 10; i += 1) await touch('touchMove', start - (whole.height / 20) * i);
    await touch('touchEnd', 0);
    await session.detach();
    await expect.poll(async () => Number(await bar.getAttribute('aria-valuenow'))).toBeGreaterThan(10);
    await undo(page).click();
    await expect(bar).toHaveAttribute('aria-valuenow', '0');
  });
});

test('Tab leaves a list that is being written; Ctrl and a bracket go in and out', async ({ page, app }) => {
  await openKind(page, app, 'extended-text-1');
  const box = main(page).getByRole('textbox');
  await box.click();
  await button(page, 'List').click();
  await page.keyboard.type('one');
  await page.keyboard.press('Enter');
  await page.keyboard.type('two');
  await page.keyboard.press('Tab');
  await expect(box).not.toBeFocused();
  await expect(box.locator('ul ul')).toHaveCount(0);
  await page.keyboard.press('Shift+Tab');
  await expect(box).toBeFocused();
  await page.keyboard.press('Control+]');
  await expect(box.locator('ul ul')).toHaveCount(1);
  await page.keyboard.press('Control+[');
  await expect(box.locator('ul ul')).toHaveCount(0);
});

test('sound left in the middle pauses, can be played again, and loses no play; it can be read too', async ({
  page,
  app,
}) => {
  await openKind(page, app, 'media-1');
  await expect(page).toHaveTitle(`Question ${numberOf('media-1')} of 57 · Every kind of question`);
  await main(page).getByText('Read what is heard').click();
  await expect(main(page).getByText('[a long blast of the fog signal]')).toBeVisible();
  await button(page, 'Play').click();
  await expect(button(page, 'Pause')).toBeVisible();
  const number = numberOf('media-1');
  await goTo(page, number + 1);
  await goTo(page, number);
  await expect(button(page, 'Pause')).toBeHidden();
  expect(kept(app, 'media-1', 'PLAYS')).toBeNull();
  await button(page, /^(Play|Go on)$/).click();
  await expect(page.getByText('played 1 of 3 times').first()).toBeVisible();
  // Left after it was counted, in the second half or at the end: it is no second time.
  for (let i = 0; i < 3; i += 1) {
    await goTo(page, number + 1);
    await goTo(page, number);
    await expect(page.getByText('played 1 of 3 times').first()).toBeVisible();
  }
});

test('several pieces in one place of a picture stay within it, whole one after the other, and cover nothing beside it', async ({
  page,
  app,
}) => {
  await page.setViewportSize({ width: 700, height: 800 });
  await openKind(page, app, 'graphic-gap-match-2');
  const pier = page.getByRole('group', { name: /^west pier/i });
  const before = await boxOf(pier);
  for (const piece of ['small boat with a red sail', 'small boat with a blue sail', 'large boat']) {
    await button(page, piece).click();
    await pier.locator('[data-place]').click();
  }
  await expect(pier.locator('[data-inside]')).toHaveCount(3);
  const after = await boxOf(pier);
  expect(Math.abs(after.height - before.height)).toBeLessThanOrEqual(1);
  for (const piece of await pier.locator('[data-inside]').all()) {
    await piece.focus();
    const box = await boxOf(piece);
    expect(box.y).toBeGreaterThanOrEqual(after.y);
    expect(box.y + box.height).toBeLessThanOrEqual(after.y + after.height + 1);
  }
});
