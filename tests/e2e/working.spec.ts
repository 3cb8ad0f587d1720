import type { Locator, Page } from '@playwright/test';
import { BENCHMARK, EVERY_KIND, expect, goTo, ready, saved, startTest, test, WORKSHOP } from './app';
import { expectAccessibleInEveryScheme } from './axe';

const rail = (page: Page) => page.getByRole('complementary', { name: 'Tools' });
const railNames = (page: Page) =>
  rail(page)
    .locator('> div > button')
    .evaluateAll((buttons) => buttons.map((one) => (one as HTMLElement).dataset.tool));
const toolWindow = (page: Page, id: string) => page.locator(`[data-window=${id}]`);
const isWhole = (page: Page, id: string) =>
  toolWindow(page, id).evaluate((one) => {
    const { left, top, right, bottom } = one.getBoundingClientRect();
    return left >= 0 && top >= 0 && right <= innerWidth + 0.5 && bottom <= innerHeight + 0.5;
  });
const calculate = async (page: Page, text: string) => {
  await page.getByRole('textbox', { name: 'Calculation' }).fill(text);
  await page.keyboard.press('Enter');
};
const lastResult = (page: Page) =>
  page
    .getByRole('list', { name: 'What was worked out' })
    .getByRole('button', { name: /^Put the result/ })
    .last();

test('the rail holds what belongs to the question; a tool of other questions says so; the test can take one away', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', WORKSHOP);
  // The first question brings a calculator, and its section takes it away.
  const always = ['line-reader', 'highlighter', 'eliminator', 'notes', 'magnifier', 'colours', 'more-tools'];
  expect(await railNames(page)).toEqual(always);
  await page.keyboard.press('Alt+k');
  await expect(toolWindow(page, 'calculator')).toHaveCount(0);
  await expect(page.locator('[data-announcer] p').last()).toHaveText('Calculator is not for this question.');
  await page.getByRole('button', { name: 'More tools' }).click();
  const listed = rail(page).getByRole('button', { name: /Calculator/ });
  await expect(listed).toContainText('Only at other questions');
  await listed.click();
  await expect(toolWindow(page, 'calculator')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'More tools' })).toBeFocused();
  await goTo(page, 3);
  expect(await railNames(page)).toEqual(['calculator', ...always]);
  await goTo(page, 6);
  expect(await railNames(page)).toEqual(['ruler', ...always]);
});

test('a tool from More tools stays in the rail, where it is switched off again, and the focus is never lost', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.getByRole('button', { name: 'More tools' }).click();
  await rail(page)
    .getByRole('button', { name: /^Cover choices/ })
    .press('Enter');
  await expect(page.getByRole('button', { name: 'More tools' })).toBeFocused();
  const cover = rail(page).getByRole('button', { name: 'Cover choices', exact: true });
  await expect(cover).toHaveAttribute('aria-pressed', 'true');
  await cover.press('Enter');
  await expect(cover).toHaveAttribute('aria-pressed', 'false');
  await expect(cover).toBeFocused();
});

test('a tool switched on by its key, or on from before, is in the rail, where it is switched off', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  const cover = rail(page).getByRole('button', { name: 'Cover choices', exact: true });
  await expect(cover).toHaveCount(0);
  await page.keyboard.press('Alt+m');
  await expect(cover).toHaveAttribute('aria-pressed', 'true');
  await saved(page);
  await page.reload();
  await expect(cover).toHaveAttribute('aria-pressed', 'true');
  await cover.click();
  await expect(cover).toHaveAttribute('aria-pressed', 'false');
  await expect(cover).toBeFocused();
});

test('covered choices: uncovered one by one, a chosen one never covered, kept through a reload', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.keyboard.press('Alt+m');
  const covers = page.locator('[data-mask]');
  await expect(covers).toHaveCount(4);
  await covers.first().click();
  await expect(covers).toHaveCount(3);
  await page.getByRole('radio').first().press('Space');
  await expect(page.getByRole('radio').first()).toBeChecked();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('radio').nth(1)).toBeChecked();
  await expect(covers).toHaveCount(2);
  await saved(page);
  await page.reload();
  await expect(covers).toHaveCount(2);
  await page
    .getByRole('button', { name: /^Cover again/ })
    .first()
    .click();
  await expect(covers).toHaveCount(3);
});

test('cover screen: one key, everything is gone, the time is told, one key back to where the student was', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.getByRole('radio').first().focus();
  await page.keyboard.press('Alt+q');
  await expect(page.getByText('Screen covered. The time goes on.')).toBeVisible();
  const covered = await page.evaluate(
    () => document.elementFromPoint(innerWidth / 2, innerHeight / 3)?.closest('dialog') !== null,
  );
  expect(covered).toBe(true);
  await expect(page.getByRole('button', { name: 'Show the test again' })).toBeFocused();
  await expectAccessibleInEveryScheme(page, 'covered screen');
  // No key of the screen does anything behind the cover.
  for (const key of ['Alt+n', 'Alt+v', 'Alt+o', 'Alt+l']) await page.keyboard.press(key);
  await expect(page.getByText('Screen covered. The time goes on.')).toBeVisible();
  await expect(page.locator('[data-window]')).toHaveCount(0);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('radio').first()).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
});

test('notes: a pad a question and one for the test, told on the trail and in the review, found again on another computer', async ({
  page,
  app,
  browser,
}) => {
  await startTest(page, app, 'tomas');
  await page.keyboard.press('Alt+o');
  const pad = toolWindow(page, 'notes').getByRole('textbox');
  await pad.fill('mailbags: paragraph 2');
  await toolWindow(page, 'notes').getByRole('button', { name: 'Whole test' }).click();
  await pad.fill('read slowly');
  await goTo(page, 2);
  await expect(pad).toHaveValue('read slowly');
  await toolWindow(page, 'notes').getByRole('button', { name: 'This question' }).click();
  await expect(pad).toHaveValue('');
  await expect(page.getByRole('button', { name: /^Question 1:.*with notes/ })).toBeVisible();
  await saved(page);
  const other = await browser.newContext();
  const elsewhere = await other.newPage();
  await elsewhere.goto(page.url());
  await other.addCookies(await page.context().cookies());
  await elsewhere.goto(page.url());
  await expect(elsewhere.getByRole('button', { name: /^Question 1:.*with notes/ })).toBeVisible();
  await goTo(elsewhere, 1);
  await expect(toolWindow(elsewhere, 'notes').getByRole('textbox')).toHaveValue('mailbags: paragraph 2');
  await elsewhere
    .getByRole('button', { name: /Look over/ })
    .first()
    .click();
  await expect(elsewhere.locator('[data-review-row="1"]')).toContainText('with notes');
  await other.close();
});

test('a window: moved and resized by hand and by keys, whole on the screen at any size, kept, a sheet on a narrow screen', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.getByRole('button', { name: 'Notes', exact: true }).click();
  const notes = toolWindow(page, 'notes');
  await expect(notes.getByRole('heading', { name: 'Notes' })).toBeFocused();
  const before = await notes.boundingBox();
  if (!before) throw new Error('no window');
  await page.mouse.move(before.x + 60, before.y + 20);
  await page.mouse.down();
  await page.mouse.move(before.x - 240, before.y + 60, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await notes.boundingBox())?.x).toBeCloseTo(before.x - 300, 0);
  await notes.getByRole('button', { name: 'Move Notes' }).press('Shift+ArrowLeft');
  await expect.poll(async () => (await notes.boundingBox())?.x).toBeCloseTo(before.x - 380, 0);
  await notes.getByRole('button', { name: 'Make Notes larger' }).press('ArrowRight');
  await expect.poll(async () => (await notes.boundingBox())?.width).toBeCloseTo(before.width + 16, 0);
  await page.mouse.move(before.x - 300, before.y + 60);
  await page.mouse.down();
  await page.mouse.move(3, 3, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await notes.boundingBox())?.x).toBeCloseTo(0, 0);
  expect(await isWhole(page, 'notes')).toBe(true);
  await saved(page);
  await page.reload();
  await expect(notes).toBeVisible();
  expect((await notes.boundingBox())?.x).toBeCloseTo(0, 0);
  await page.setViewportSize({ width: 500, height: 700 });
  expect(await isWhole(page, 'notes')).toBe(true);
  await expect(notes).toHaveAttribute('data-narrow');
  // Everything can be scrolled out from under the sheet.
  const next = page.getByRole('button', { name: 'Next' });
  await next.scrollIntoViewIfNeeded();
  await page.locator('[data-player]').evaluate((one) => one.scrollTo(0, one.scrollHeight));
  const [way, sheet] = await Promise.all([next.boundingBox(), notes.boundingBox()]);
  expect((way?.y ?? 0) + (way?.height ?? 0)).toBeLessThanOrEqual((sheet?.y ?? 0) + 1);
  await notes.getByRole('textbox').press('Escape');
  await expect(notes).toHaveCount(0);
});

test('calculator: by keys, by the pad, exact and as a decimal, put back, remembered, and in plain words when it cannot', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', WORKSHOP);
  await goTo(page, 3);
  await page.getByRole('button', { name: 'Calculator', exact: true }).click();
  await calculate(page, '6/8');
  await expect(lastResult(page)).toContainText('= 34= 0.75');
  await expect(page.locator('[data-announcer] p').last()).toHaveText('6 over 8 equals 3 over 4, or 0.75.');
  await calculate(page, '3/4+2 2/3');
  await expect(lastResult(page)).toContainText('≈ 3.41666666667');
  const pad = toolWindow(page, 'calculator');
  for (const key of ['1', '2', 'divided by', '4'])
    await pad.getByRole('button', { name: key, exact: true }).click();
  await expect(page.getByRole('textbox', { name: 'Calculation' })).toHaveValue('12÷4');
  await pad.getByRole('button', { name: 'Work it out' }).click();
  await expect(lastResult(page)).toContainText('= 3');
  // An operator goes on with the last result; a result is added to the memory and comes back.
  await pad.getByRole('button', { name: 'times', exact: true }).click();
  await pad.getByRole('button', { name: '5', exact: true }).click();
  await expect(page.getByRole('textbox', { name: 'Calculation' })).toHaveValue('3×5');
  await pad.getByRole('button', { name: 'Work it out' }).click();
  await pad.getByRole('button', { name: /^M\+/ }).click();
  await pad.getByRole('button', { name: 'M: 15' }).click();
  await expect(page.getByRole('textbox', { name: 'Calculation' })).toHaveValue('15');
  await calculate(page, '1÷0');
  await expect(pad.getByText('Nothing can be divided by zero.')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Calculation' })).toHaveValue('1÷0');
  await calculate(page, '2+');
  await expect(pad.getByText('Something is missing or out of place.')).toBeVisible();
  await expectAccessibleInEveryScheme(page, 'calculator');
  await saved(page);
  await page.reload();
  await expect(lastResult(page)).toContainText('= 15');
  // The scientific one of the next question keeps the roll; the first question has none at all.
  await goTo(page, 4);
  await calculate(page, 'sin(30)');
  await expect(lastResult(page)).toContainText('= 0.5');
  await pad.getByRole('button', { name: 'Degrees', exact: true }).click();
  await expect(lastResult(page)).toContainText('≈ −0.988');
  await goTo(page, 1);
  await expect(toolWindow(page, 'calculator')).toHaveCount(0);
});

/** Where a mark of an instrument is on the screen, and where it points. */
const markAt = (page: Page, id: string, at: number) =>
  page.locator(`[data-instrument=${id}]`).evaluate((root, wanted) => {
    const marks = [...root.querySelectorAll<SVGPathElement>('[data-at]')];
    const mark = marks.reduce((best, one) =>
      Math.abs(Number(one.dataset.at) - wanted) < Math.abs(Number(best.dataset.at) - wanted) ? one : best,
    );
    const { x, y } = mark.getPointAtLength(0).matrixTransform(mark.getScreenCTM() ?? undefined);
    return { x, y, at: Number(mark.dataset.at) };
  }, at);
/** Corners of a figure's line, on the screen. */
const pointsOf = (page: Page, selector: string) =>
  page.locator(selector).evaluate((one) => {
    const path = one as SVGPathElement;
    const at = (length: number) => {
      const { x, y } = path.getPointAtLength(length).matrixTransform(path.getScreenCTM() ?? undefined);
      return { x, y };
    };
    return [at(0), at(path.getTotalLength())] as const;
  });
const lay = async (page: Page, id: string, to: { x: number; y: number }) => {
  const from = await markAt(page, id, 0);
  const handle = page.locator(`[data-instrument=${id}]`).getByRole('button', { name: /^Move/ });
  const box = await handle.boundingBox();
  if (!box) throw new Error('no handle');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + to.x - from.x, y + to.y - from.y, { steps: 8 });
  await page.mouse.up();
};

for (const [size, look] of [
  ['100 %', () => Promise.resolve()],
  [
    '200 %',
    async (page: Page) => {
      await page.keyboard.press('Alt+z');
      for (let i = 0; i < 4; i += 1) await page.getByRole('button', { name: 'Larger', exact: true }).click();
      await page.keyboard.press('Escape');
    },
  ],
  [
    'a figure shown large',
    async (page: Page) => {
      await page.locator('[data-enlarge]').first().click();
    },
  ],
] as const)
  test(`ruler: the plate's edge is two and eleven sixteenths inches, at ${size}`, async ({ page, app }) => {
    await page.setViewportSize({ width: 1440, height: 1000 });
    await startTest(page, app, 'wren', WORKSHOP);
    await goTo(page, 6);
    await page.keyboard.press('Alt+u');
    const settings = page.getByRole('button', { name: 'Ruler: angle and more' });
    await settings.click();
    await page.getByRole('textbox', { name: 'Angle' }).fill('25.8');
    await page.getByRole('textbox', { name: 'Angle' }).press('Enter');
    await page.getByRole('button', { name: 'Close Ruler' }).click();
    await expect(settings).toBeFocused();
    await look(page);
    const edge = '[data-sheet=question] [data-true-width] > path';
    await page.locator(edge).scrollIntoViewIfNeeded();
    const tip = (2 + 11 / 16) * 96;
    // How far the zero is from the one end, the mark from the other, and both lengths from one another: pixels at 100 %.
    const off = async () => {
      const [from, to] = await pointsOf(page, edge);
      const [zero, mark] = [await markAt(page, 'ruler', 0), await markAt(page, 'ruler', tip)];
      expect(mark.at).toBe(tip);
      const far = (a: { x: number; y: number }, b: { x: number; y: number }) =>
        Math.hypot(a.x - b.x, a.y - b.y);
      const scale = far(from, to) / tip;
      return [far(zero, from), far(mark, to), Math.abs(far(zero, mark) - far(from, to))].map(
        (one) => one / scale,
      );
    };
    // What is moved by hand comes into view: the edge may have scrolled with it, and is laid on where it is then.
    await expect(async () => {
      await lay(page, 'ruler', (await pointsOf(page, edge))[0]);
      expect((await off())[0]).toBeLessThan(1);
    }).toPass();
    await expect.poll(async () => (await off())[1]).toBeLessThan(2);
    await expect.poll(async () => (await off())[2]).toBeLessThan(0.5);
  });

test('ruler: moved and turned by keys, turned over, another unit, kept; it keeps no click from choosing beside it', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', WORKSHOP);
  await goTo(page, 6);
  await page.getByRole('button', { name: 'Ruler', exact: true }).click();
  const ruler = page.locator('[data-instrument=ruler]');
  const turned = (angle: number) =>
    expect(ruler.getByRole('group')).toHaveAccessibleName(`Ruler, turned to ${angle} degrees`);
  await ruler.getByRole('button', { name: /^Turn/ }).press('Shift+ArrowLeft');
  await turned(15);
  await page.keyboard.press('ArrowRight');
  await turned(14);
  const before = await markAt(page, 'ruler', 0);
  await ruler.getByRole('button', { name: /^Move/ }).press('ArrowDown');
  const after = await markAt(page, 'ruler', 0);
  expect(after.y - before.y).toBeCloseTo(6, 1);
  await page.getByRole('button', { name: 'Ruler: angle and more' }).click();
  await page.getByRole('button', { name: 'Centimeters' }).click();
  await expect(ruler).toContainText('cm');
  await page.getByRole('button', { name: 'Turn over' }).click();
  await saved(page);
  await page.reload();
  await turned(14);
  await expect(ruler).toContainText('cm');
  await page.locator('[data-choice-text]').last().click();
  await expect(page.getByRole('radio').last()).toBeChecked();
  await expectAccessibleInEveryScheme(page, 'ruler');
  // Pulled far away, its zero stays on the question.
  await lay(page, 'ruler', { x: -900, y: -900 });
  const sheet = await page.locator('[data-sheet=question]').boundingBox();
  const zero = await markAt(page, 'ruler', 0);
  expect(zero.x).toBeGreaterThanOrEqual(sheet?.x ?? 0);
  expect(zero.y).toBeGreaterThanOrEqual(sheet?.y ?? 0);
});

test('protractor: the channel light turns through 52 degrees', async ({ page, app }) => {
  await page.setViewportSize({ width: 1440, height: 1000 });
  await startTest(page, app, 'wren', WORKSHOP);
  await goTo(page, 7);
  await page.getByRole('button', { name: 'Protractor', exact: true }).click();
  const rays = '[data-sheet=question] [data-true-width] > path';
  const [far] = await pointsOf(page, rays);
  const corner = await page.locator(`${rays} + circle`).evaluate((one) => {
    const { x, y, width, height } = one.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  const instrument = page.locator('[data-instrument=protractor]');
  const middle = () =>
    instrument.locator('g > circle').evaluate((one) => {
      const { x, y, width, height } = one.getBoundingClientRect();
      return { x: x + width / 2, y: y + height / 2 };
    });
  const from = await middle();
  const handle = await instrument.getByRole('button', { name: /^Move/ }).boundingBox();
  if (!handle) throw new Error('no handle');
  await page.mouse.move(handle.x + 20, handle.y + 20);
  await page.mouse.down();
  await page.mouse.move(handle.x + 20 + corner.x - from.x, handle.y + 20 + corner.y - from.y, { steps: 6 });
  await page.mouse.up();
  const zero = await middle();
  expect(Math.hypot(zero.x - corner.x, zero.y - corner.y)).toBeLessThan(1);
  const mark = await markAt(page, 'protractor', 52);
  const angle = (p: { x: number; y: number }) => (Math.atan2(zero.y - p.y, p.x - zero.x) * 180) / Math.PI;
  expect(Math.abs(angle(mark) - angle(far))).toBeLessThan(0.3);
  await expectAccessibleInEveryScheme(page, 'protractor');
});

test('text: another face, everything wider, nothing lost, and as it was', async ({ page, app }) => {
  await startTest(page, app);
  await page.keyboard.press('Alt+t');
  await page.getByRole('radio', { name: /OpenDyslexic/ }).press('Space');
  await page.getByRole('button', { name: 'Everything wider' }).click();
  const paragraph = page.locator('[data-sheet=passage] p').first();
  const style = (name: string) =>
    paragraph.evaluate((one, key) => getComputedStyle(one).getPropertyValue(key), name);
  expect(await style('font-family')).toContain('OpenDyslexic');
  await expect.poll(() => page.evaluate(() => document.fonts.check('16px OpenDyslexic'))).toBe(true);
  const size = parseFloat(await style('font-size'));
  // WCAG 2.2 §1.4.12.
  expect(parseFloat(await style('line-height'))).toBeGreaterThanOrEqual(size * 1.5);
  expect(parseFloat(await style('letter-spacing'))).toBeCloseTo(size * 0.12, 1);
  expect(parseFloat(await style('word-spacing'))).toBeCloseTo(size * 0.16, 1);
  expect(parseFloat(await style('margin-bottom'))).toBeCloseTo(size * 2, 0);
  const cut = await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[data-sheet] p, [data-sheet] label')]
      .filter((one) => one.scrollWidth > one.clientWidth + 1 && getComputedStyle(one).overflowX !== 'visible')
      .map((one) => one.textContent),
  );
  expect(cut).toEqual([]);
  await page.getByLabel('Longest line').selectOption({ label: '45 letters' });
  const width = (await paragraph.boundingBox())?.width ?? 0;
  expect(width).toBeLessThan(size * 45);
  await saved(page);
  await page.reload();
  await expect.poll(() => style('font-family')).toContain('OpenDyslexic');
  await page.keyboard.press('Alt+t');
  await page.getByRole('button', { name: 'As it was' }).click();
  expect(await style('font-family')).toContain('Atkinson');
});

test('two colors of a student’s own: what is too faint is made readable by one press, and everything follows', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.keyboard.press('Alt+c');
  await page.getByText('Your own two colors').click();
  await page.getByLabel('Color of the words').fill('#b07090');
  await page.getByLabel('Color of the page').fill('#301020');
  await expect(page.getByText(/too faint/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use these colors' })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
  await page.getByRole('button', { name: 'Make it easy to read' }).click();
  await expect(page.getByText(/easy to read\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Use these colors' }).click();
  const sheet = () =>
    page.locator('[data-sheet=question]').evaluate((one) => getComputedStyle(one).backgroundColor);
  await expect.poll(sheet).toBe('rgb(48, 16, 32)');
  await saved(page);
  await page.reload();
  await expect.poll(sheet).toBe('rgb(48, 16, 32)');
  // A dialog is in them too.
  await page.getByRole('button', { name: 'Stop for now' }).click();
  const dialog = page.getByRole('dialog').locator('.ant-modal-container, .ant-modal-content').first();
  await expect
    .poll(() => dialog.evaluate((one) => getComputedStyle(one).backgroundColor))
    .toBe('rgb(48, 16, 32)');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+c');
  await page.getByRole('radio', { name: 'White on black' }).press('Space');
  await expect.poll(sheet).toBe('rgb(0, 0, 0)');
});

test('formulas have every sign: roots are drawn from the shipped font', async ({ page, app }) => {
  await startTest(page, app, 'wren', WORKSHOP);
  await goTo(page, 4);
  await page.getByRole('button', { name: 'Calculator', exact: true }).click();
  await calculate(page, '√(8)');
  const rootsDrawn = async () => {
    await expect
      .poll(() => page.evaluate(() => document.fonts.check('16px "Noto Sans Math"', '√∛')))
      .toBe(true);
    await ready(page);
    // A root without its sign is no wider than what stands under it.
    const widths = await page
      .locator('[data-window=calculator] msqrt')
      .evaluateAll((roots) =>
        roots.map(
          (root) =>
            root.getBoundingClientRect().width / (root.firstElementChild?.getBoundingClientRect().width ?? 1),
        ),
      );
    expect(widths.length).toBeGreaterThan(0);
    for (const width of widths) expect(width).toBeGreaterThan(2.5);
  };
  await rootsDrawn();
  // Laid out before any font is there, and again as each comes.
  let letFontsCome = () => undefined as void;
  const drawn = new Promise<void>((resolve) => (letFontsCome = resolve));
  await page.route(/\.woff2?$/, async (route) => {
    await drawn;
    await route.continue();
  });
  await page.reload();
  await expect(page.locator('[data-window=calculator] msqrt').first()).toBeVisible();
  letFontsCome();
  await rootsDrawn();
});

test('every tool with every other: all open at once, choices still answer, Escape closes one at a time', async ({
  page,
  app,
}) => {
  test.setTimeout(90_000);
  await page.setViewportSize({ width: 1440, height: 900 });
  await startTest(page, app, 'wren', BENCHMARK);
  // Every switch on, every window open.
  for (const key of ['r', 'x', 'm', 'o']) await page.keyboard.press(`Alt+${key}`);
  for (const panel of ['h', 'z', 'c', 't']) {
    await page.keyboard.press(`Alt+${panel}`);
    await expect(page.locator('[data-panel-title]')).toBeFocused();
    await expect(toolWindow(page, 'notes')).toBeVisible();
  }
  await page.keyboard.press('Escape');
  for (let i = 0; i < 8; i += 1)
    await toolWindow(page, 'notes').getByRole('button', { name: 'Move Notes' }).press('Shift+ArrowLeft');
  await page.locator('[data-mask]').first().click();
  const first = page.getByRole('radio').first();
  await page.locator('[data-choice-text]').first().click();
  await expect(first).toBeChecked();
  await page
    .getByRole('button', { name: /^Strike out/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Bring back/ })).toHaveCount(1);
  await expectAccessibleInEveryScheme(page, 'every tool at once');
  await page.keyboard.press('Alt+q');
  await page.keyboard.press('Escape');
  await expect(page.getByText('Screen covered.')).toHaveCount(0);
  await toolWindow(page, 'notes').getByRole('textbox').press('Escape');
  await expect(toolWindow(page, 'notes')).toHaveCount(0);
});

/** Every tool that has a key at a question with choices and a figure; `panel`s take one another's place. */
const KEYED = {
  r: 'on',
  x: 'on',
  m: 'on',
  y: 'on',
  u: 'on',
  o: 'on',
  w: 'on',
  j: 'on',
  h: 'panel',
  z: 'panel',
  c: 'panel',
  t: 'panel',
};

test('the pair matrix: with any two tools on, a press of a choice answers, and both go off again', async ({
  page,
  app,
}) => {
  test.setTimeout(240_000);
  await page.setViewportSize({ width: 1440, height: 900 });
  await startTest(page, app, 'wren', WORKSHOP);
  await goTo(page, 6);
  const tools = Object.keys(KEYED) as (keyof typeof KEYED)[];
  const pairs = tools.flatMap((one, i) => tools.slice(i + 1).map((other) => [one, other] as const));
  expect(pairs).toHaveLength(66);
  const wrong: string[] = [];
  const shown = () =>
    page.evaluate(
      () =>
        document.querySelectorAll(
          '[data-window], [data-lens], [data-line-window], [data-straight-edge], [data-mask], [data-panel-title]',
        ).length,
    );
  const bare = await shown();
  let turn = 0;
  for (const [one, other] of pairs) {
    for (const key of [one, other]) await page.keyboard.press(`Alt+${key}`);
    turn += 1;
    const choice = page
      .locator('[data-sheet=question]')
      .getByRole('radio')
      .nth(2 + (turn % 2));
    const at = await page
      .locator('[data-choice-text]')
      .nth(2 + (turn % 2))
      .boundingBox();
    if (!at) throw new Error('no choice');
    const place = [at.x + 6, at.y + at.height / 2] as const;
    if (one === 'm' || other === 'm') {
      await page.locator('[data-mask]').first().waitFor();
      const covered = await page.evaluate(
        ([x, y]) => document.elementFromPoint(x, y)?.closest('[data-mask]') != null,
        place,
      );
      if (covered) await page.mouse.click(...place);
    }
    await page.mouse.click(...place);
    if (!(await choice.isChecked())) wrong.push(`${one} and ${other}: a press did not answer`);
    for (const key of [other, one]) if (KEYED[key] === 'on') await page.keyboard.press(`Alt+${key}`);
    if (KEYED[one] === 'panel' || KEYED[other] === 'panel')
      await page.locator('[data-panel-title]').press('Escape');
    if ((await shown()) !== bare) wrong.push(`${one} and ${other}: something stayed`);
  }
  expect(wrong).toEqual([]);
});

const strokesOn = (page: Page) => page.locator('[data-sheet=question] [data-strokes] [data-stroke]');
const drag = async (page: Page, from: readonly [number, number], to: readonly [number, number]) => {
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move(...to, { steps: 8 });
  await page.mouse.up();
};
const boxOf = async (page: Page, selector: string) => {
  const box = await page.locator(selector).first().boundingBox();
  if (!box) throw new Error(`no ${selector}`);
  return box;
};

test('sketch: drawn over a figure and over words, stays on them at any size, hidden, rubbed out, kept; the pointer always comes back', async ({
  page,
  app,
}) => {
  await page.setViewportSize({ width: 1440, height: 900 });
  await startTest(page, app, 'wren', WORKSHOP);
  await goTo(page, 6);
  await page.keyboard.press('Alt+j');
  // Opening takes nothing; the pencil does.
  await expect(page.getByRole('button', { name: /Sketch has the pointer/ })).toHaveCount(0);
  await toolWindow(page, 'sketch').getByRole('button', { name: 'Pencil' }).click();
  await expect(page.getByRole('button', { name: /Sketch has the pointer/ })).toBeVisible();
  const figure = '[data-sheet=question] [data-true-width]';
  const at = await boxOf(page, figure);
  await drag(page, [at.x + 50, at.y + 40], [at.x + 200, at.y + 60]);
  await expect(strokesOn(page)).toHaveCount(1);
  // While it has the pointer a press draws and answers nothing; Escape gives it back.
  const words = await boxOf(page, '[data-choice-text]');
  await drag(page, [words.x + 5, words.y + 10], [words.x + 60, words.y + 20]);
  await expect(strokesOn(page)).toHaveCount(2);
  await expect(page.getByRole('radio', { checked: true })).toHaveCount(0);
  await page.locator('[data-player]').press('Escape');
  await page.locator('[data-choice-text]').first().click();
  await expect(page.getByRole('radio').first()).toBeChecked();
  await expect(page.getByRole('button', { name: /^Question 6:.*with a sketch/ })).toBeVisible();
  // At 150 % the one is as much larger as the figure, and where it was on it; the other is on its words.
  const share = async () => {
    const [stroke, on] = [await boxOf(page, '[data-stroke="1"]'), await boxOf(page, figure)];
    return [(stroke.x - on.x) / on.width, stroke.width / on.width];
  };
  const before = await share();
  const offset = async () => {
    const [stroke, on] = [await boxOf(page, '[data-stroke="2"]'), await boxOf(page, '[data-choice-text]')];
    return stroke.y + stroke.height / 2 - (on.y + on.height / 2);
  };
  await page.keyboard.press('Alt+z');
  for (let i = 0; i < 2; i += 1) await page.getByRole('button', { name: 'Larger', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect.poll(async () => (await share())[0]).toBeCloseTo(before[0] ?? 0, 1);
  expect((await share())[1]).toBeCloseTo(before[1] ?? 0, 1);
  expect(Math.abs(await offset())).toBeLessThan(words.height * 1.5);
  await saved(page);
  await page.reload();
  await expect(strokesOn(page)).toHaveCount(2);
  await expect(page.getByRole('button', { name: /Sketch has the pointer/ })).toHaveCount(0);
  await page.keyboard.press('Alt+z');
  await page.getByRole('button', { name: 'Back to 100 %' }).click();
  await page.keyboard.press('Escape');
  const pad = toolWindow(page, 'sketch');
  await pad.getByRole('button', { name: 'Hide' }).click();
  await expect(strokesOn(page)).toHaveCount(0);
  await pad.getByRole('button', { name: 'Show' }).click();
  await pad.getByRole('button', { name: 'Eraser' }).click();
  const line = await boxOf(page, '[data-stroke="1"]');
  await drag(
    page,
    [line.x + line.width / 2, line.y - 8],
    [line.x + line.width / 2, line.y + line.height + 8],
  );
  await expect(strokesOn(page)).toHaveCount(1);
  await pad.getByRole('button', { name: 'Take back' }).click();
  await expect(strokesOn(page)).toHaveCount(0);
  await expectAccessibleInEveryScheme(page, 'sketch');
  await pad.getByRole('button', { name: 'Close Sketch' }).click();
  await expect(page.getByRole('button', { name: /Sketch has the pointer/ })).toHaveCount(0);
});

test('straight-edge: from mark to mark of our own graphs, read out; over a picture without a scale; its place is kept', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', EVERY_KIND);
  await goTo(page, 40);
  await page.keyboard.press('Alt+y');
  const across = page.getByRole('slider', { name: 'Straight-edge, line that goes across' });
  const up = page.getByRole('slider', { name: 'Straight-edge, line that goes up and down' });
  const reading = async (line: Locator) => (await line.getAttribute('aria-valuetext')) ?? '';
  await across.press('ArrowRight');
  await across.press('ArrowRight');
  await up.press('ArrowUp');
  const x = /^across (\S+)$/.exec(await reading(across))?.[1] ?? '';
  const y = /^up (\S+)$/.exec(await reading(up))?.[1] ?? '';
  // Where the lines cross a press of the plane puts a point of the same numbers, and no handle is in its way.
  const [acrossAt, upAt] = [await across.boundingBox(), await up.boundingBox()];
  if (!acrossAt || !upAt) throw new Error('no handles');
  const cross = { x: acrossAt.x + acrossAt.width / 2, y: upAt.y + upAt.height / 2 };
  await page.getByRole('button', { name: 'Point', exact: true }).click();
  await page.mouse.click(cross.x, cross.y);
  await expect(page.locator('[data-sheet=question]')).toContainText(`(${x}, ${y})`);
  // Dragged near a mark it lies on it; between two it says so.
  const grip = [cross.x, acrossAt.y + 8] as const;
  await drag(page, [...grip], [grip[0] + 3, grip[1]]);
  expect(await reading(across)).toBe(`across ${x}`);
  await drag(page, [...grip], [grip[0] + 16, grip[1]]);
  expect(await reading(across)).toMatch(/^across between \S+ and \S+$/);
  await saved(page);
  const kept = await reading(across);
  await page.reload();
  await expect(across).toHaveAttribute('aria-valuetext', kept);
  await expectAccessibleInEveryScheme(page, 'straight-edge');
  // A number line has no height to read.
  await goTo(page, 37);
  expect(await reading(up)).toBe('no scale that can be read out');
  // Stacks of marks: their columns across, and how much they are worth upwards.
  await goTo(page, 45);
  await across.press('ArrowRight');
  expect(await reading(across)).toMatch(/^across (Mon|Tue|Wed|Thu)$/);
  await up.press('ArrowUp');
  const worth = /^up (\d)$/.exec(await reading(up))?.[1];
  const column = page.getByRole('slider', { name: (await reading(across)).replace('across ', '') });
  const [line, box] = [await up.boundingBox(), await column.boundingBox()];
  if (!line || !box) throw new Error('nothing to read');
  await page.mouse.click(box.x + box.width / 2, line.y + line.height / 2 + 1);
  await expect(column).toHaveAttribute('aria-valuenow', worth ?? 'nothing read');
});

test('line reader: one line of words at a time also beside a figure, with every other tool over the sheet', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', WORKSHOP);
  await goTo(page, 7);
  for (const key of ['Alt+y', 'Alt+j', 'Alt+p', 'Alt+r']) await page.keyboard.press(key);
  const handle = page.getByRole('slider', { name: /Line reader window/ });
  await expect(handle).toHaveAttribute('aria-valuenow', '1');
  expect(Number(await handle.getAttribute('aria-valuemax'))).toBeGreaterThan(3);
  const first = await page.getByText('The channel light sweeps').boundingBox();
  const shown = () => page.locator('[data-line-window]').boundingBox();
  await expect.poll(async () => ((await shown())?.height ?? 0) < (first?.height ?? 0) * 1.8).toBe(true);
  // The shade and the color of the lines change by a press each, and are kept.
  await page.getByRole('button', { name: /^Shade 72 %/ }).press('Enter');
  await page.getByRole('button', { name: /^Color of the lines: none/ }).press('Enter');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Shade 88 %/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Color of the lines: marigold/ })).toBeVisible();
});

test('graphing calculator: four curves told apart, read at a place, in a table, moved and nearer, kept', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', WORKSHOP);
  await goTo(page, 4);
  await page.keyboard.press('Alt+k');
  const calculator = toolWindow(page, 'calculator');
  // It still works out numbers.
  await calculate(page, '6/8');
  await expect(lastResult(page)).toBeVisible();
  await calculator.getByRole('button', { name: 'Graphs' }).press('Enter');
  await calculator.getByRole('textbox', { name: 'Function 1: y equals' }).fill('x^2-3');
  await calculator.getByRole('textbox', { name: 'Function 2: y equals' }).fill('2x+');
  await expect(calculator.getByText('Something is missing or out of place.')).toBeVisible();
  await calculator.getByRole('textbox', { name: 'Function 2: y equals' }).fill('√(x)');
  await expect(calculator.locator('svg [data-curve]:not([d="M0 4H28"])')).toHaveCount(2);
  const trace = calculator.getByRole('slider', { name: 'Read the curves at x' });
  await trace.fill('4');
  await expect(calculator.locator('[data-trace]')).toHaveText('x = 4y1 = 13y2 = 2');
  await expect(trace).toHaveAttribute('aria-valuetext', 'x = 4, y1 = 13, y2 = 2');
  const row = calculator.getByRole('row', { name: '−2' });
  await expect(row.getByRole('cell')).toHaveText(['1', '–']);
  await calculator.getByRole('button', { name: 'Nearer' }).press('Enter');
  await calculator.getByRole('button', { name: 'Move right' }).press('Enter');
  const plane = calculator.getByRole('img', {
    name: 'Graphs in a plane, x from −2.5 to 7.5, y from −5 to 5',
  });
  await expect(plane).toBeVisible();
  // Where the plane says y is 0 and x is √3 the first curve crosses: its path passes there to a pixel.
  const off = await calculator.evaluate((one) => {
    const path = one.querySelector<SVGPathElement>('path[data-curve="1"]:not([d="M0 4H28"])');
    const axes = one.querySelector('[data-axis-across]');
    const at = (name: string, words: string) =>
      (JSON.parse(axes?.getAttribute(`data-axis-${name}`) ?? '[]') as [number, string][]).find(
        (tick) => tick[1] === words,
      )?.[0] ?? NaN;
    const [zero, one1, level] = [at('across', '0'), at('across', '1'), at('up', '0')];
    const sought = zero + (one1 - zero) * Math.sqrt(3);
    if (!path) return NaN;
    let best = Infinity;
    for (let i = 0, long = path.getTotalLength(); i <= long; i += 0.5) {
      const point = path.getPointAtLength(i);
      best = Math.min(best, Math.hypot(point.x - sought, point.y - level));
    }
    return best;
  });
  expect(off).toBeLessThan(1);
  await expectAccessibleInEveryScheme(page, 'graphs');
  await saved(page);
  await page.reload();
  await expect(plane).toBeVisible();
  await expect(calculator.getByRole('textbox', { name: 'Function 1: y equals' })).toHaveValue('x^2−3');
});
