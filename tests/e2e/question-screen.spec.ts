import { choice, CHOICES, gap, piece, status } from './answers';
import { expect, goTo, lookOver, ready, saved, startTest, test } from './app';
import { expectAccessible } from './axe';

test('going from question to question makes no request', async ({ page, app }) => {
  await startTest(page, app);
  await saved(page);
  await ready(page);
  const asked: string[] = [];
  page.on('request', (request) => {
    if (!request.url().endsWith('/events') && !request.url().startsWith('blob:')) asked.push(request.url());
  });
  for (const number of [6, 9, 12, 3]) await goTo(page, number);
  expect(asked).toEqual([]);
});

test('what lies below the edge is named, and a question with a never-seen choice is left only after one gentle stop', async ({
  page,
  app,
}) => {
  await page.setViewportSize({ width: 1280, height: 620 });
  await startTest(page, app);
  await goTo(page, 3);
  const question = page.getByRole('region', { name: 'Question 3' }).first();
  await expect(question.getByRole('button', { name: /Part B|more choice/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /more paragraphs/ })).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByText(/You have not seen all of it yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Show me' }).click();
  await expect(page.getByRole('heading', { name: 'Question 3', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByRole('heading', { name: 'Question 4', exact: true })).toBeVisible();
});

test('the sign of what is below lies on nothing, and gives the focus on when the end is reached', async ({
  page,
  app,
}) => {
  await page.setViewportSize({ width: 1280, height: 620 });
  await startTest(page, app);
  await ready(page);
  const sign = page.getByRole('button', { name: /more paragraphs?/ });
  await expect(sign).toBeVisible();
  const room = () =>
    page
      .locator('[data-sheet=passage] [role=region]')
      .evaluate((text) => text.getBoundingClientRect().bottom);
  const [edge, box] = [await room(), await sign.boundingBox()];
  expect(box?.y).toBeGreaterThanOrEqual(edge);
  await sign.focus();
  const text = page.locator('[data-sheet=passage] [role=region]');
  const scrolled = () => text.evaluate(({ scrollTop }) => scrollTop);
  // The sign goes a moment after the end is reached; it is the end that ends the pressing.
  const isAtEnd = () =>
    text.evaluate(
      ({ scrollTop, clientHeight, scrollHeight }) => scrollTop + clientHeight >= scrollHeight - 1,
    );
  for (let i = 0; i < 12 && !(await isAtEnd()); i += 1) {
    const before = await scrolled();
    await page.keyboard.press('Enter');
    await expect.poll(scrolled).toBeGreaterThan(before);
  }
  await expect(sign).toBeHidden();
  await expect(page.getByRole('region', { name: 'Passage: The short light' }).last()).toBeFocused();
  // The line keeps its place: what is read does not jump when there is no more.
  expect(Math.abs((await room()) - edge)).toBeLessThanOrEqual(1);
});

test('states by shape and words; a fourth of three is answered with what to do', async ({ page, app }) => {
  await startTest(page, app);
  const trail = page.getByRole('navigation', { name: 'Question trail' });
  await expect(trail.getByRole('button', { name: 'Question 2: not opened' })).toBeVisible();
  await goTo(page, 2);
  await choice(page, CHOICES[2][0]).click();
  await expect(trail.getByRole('button', { name: 'Question 2: part done, you are here' })).toBeVisible();
  await choice(page, CHOICES[2][1]).click();
  await choice(page, /He laughs/).click();
  await expect(
    page.getByText('You can choose 2. To choose another, take one away first.', { exact: true }).first(),
  ).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /He laughs/ })).not.toBeChecked();
  await page.getByRole('button', { name: 'Flag' }).click();
  await expect(trail.getByRole('button', { name: 'Question 2: done, flagged, you are here' })).toBeVisible();
});

test('undo, redo and starting over', async ({ page, app }) => {
  await startTest(page, app);
  await choice(page, /asked to watch/).click();
  await choice(page, CHOICES[1][0]).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('radio', { name: /asked to watch/ })).toBeChecked();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
  await page.getByRole('button', { name: 'Start this question over' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Start over' }).click();
  await expect(status(page)).toHaveText('nothing chosen yet');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
});

test('gap match: filled places swap, by press and press and by keys, each move said aloud', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await goTo(page, 8);
  // What is said about the whole answer may follow before we look: each line is asked for by its words.
  const said = (words: string) => page.locator('[data-announcer] p').filter({ hasText: words }).last();
  await piece(page, 8).click();
  await gap(page, 1).click();
  await piece(page, 12).click();
  await gap(page, 2).click();
  await gap(page, 1).click();
  await gap(page, 2).click();
  await expect(gap(page, 1)).toHaveText('12');
  await expect(gap(page, 2)).toHaveText('8');
  await expect(said('8, in box 2 of 3. 12 is now in box 1 of 3.')).toBeAttached();
  await piece(page, 20).click();
  await gap(page, 1).click();
  await expect(said('12 is back in the list')).toBeAttached();
  await gap(page, 1).focus();
  await page.keyboard.press('Delete');
  await expect(gap(page, 1)).toHaveAttribute('aria-label', 'Box 1 of 3, empty');
  await piece(page, 96).click();
  await page.keyboard.press('Escape');
  await expect(piece(page, 96)).toHaveAttribute('aria-pressed', 'false');
});

test('a piece held at the edge of its sheet scrolls it', async ({ page, app }) => {
  await page.setViewportSize({ width: 1280, height: 430 });
  await startTest(page, app);
  await goTo(page, 8);
  const sheet = page.locator('[data-sheet=question] [role=region]');
  const top = () => sheet.evaluate((element) => element.scrollTop);
  // The pieces are in sight, and what they go into is below.
  await sheet.evaluate((element) => element.scrollTo({ top: 0 }));
  await piece(page, 8).scrollIntoViewIfNeeded();
  const from = await piece(page, 8).boundingBox();
  const edge = await sheet.boundingBox();
  if (!from || !edge) throw new Error('nothing to drag');
  const before = await top();
  await page.mouse.move(from.x + 20, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, edge.y + edge.height - 6, { steps: 8 });
  await expect.poll(async () => (await top()) - before).toBeGreaterThan(20);
  await page.mouse.up();
});

test('gap match by touch does not fight the page', async ({ browser, app }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 768, height: 1024 } });
  const page = await context.newPage();
  await startTest(page, app);
  await goTo(page, 8);
  await piece(page, 12).tap();
  await gap(page, 1).tap();
  await expect(gap(page, 1)).toHaveText('12');
  await context.close();
});

test('a number that is none is told kindly and kept', async ({ page, app }) => {
  await startTest(page, app);
  await goTo(page, 6);
  await page.getByLabel('Your answer').fill('about forty');
  await expect(page.getByText('This is not a number yet. Your writing is kept.')).toBeVisible();
  await expect(status(page)).toHaveText('not a number yet');
  await page.getByRole('button', { name: 'Empty this box' }).click();
  await expect(page.getByLabel('Your answer')).toHaveValue('');
});

test('equation: structured and typed turn into one another', async ({ page, app }) => {
  await startTest(page, app);
  await goTo(page, 9);
  await page.getByRole('button', { name: 'Type it as text instead' }).click();
  await page.getByLabel('Your answer, typed').fill('3/4');
  await expect(status(page)).toHaveText('done');
  await page.getByRole('button', { name: 'Write it with the keypad instead' }).click();
  await expect(page.locator('math-field')).toHaveJSProperty('value', '\\frac{3}{4}');
  await page.locator('math-field').click();
  await page.keyboard.press('End');
  await page
    .getByRole('button', { name: /exponent/ })
    .or(page.getByRole('button', { name: 'a/b fraction', exact: true }))
    .first()
    .click();
  await expect(status(page)).toHaveText(/not finished/);
});

test('review: filters, going there and coming back, and what hand-in lists', async ({ page, app }) => {
  await startTest(page, app);
  await choice(page, CHOICES[1][0]).click();
  await page.getByRole('button', { name: 'Flag' }).click();
  await lookOver(page);
  await expect(page.getByText('11 of 12 questions are not finished.')).toBeVisible();
  await page.getByRole('button', { name: 'Flagged (1)' }).click();
  await expect(page.locator('[data-review-row]')).toHaveCount(1);
  await page.getByRole('button', { name: 'Unfinished (11)' }).click();
  await page.locator('[data-review-row="4"]').click();
  await expect(page.getByRole('heading', { name: 'Question 4', exact: true })).toBeVisible();
  await page.getByLabel('Menu 1 of 2').selectOption({ index: 1 });
  await page.getByRole('button', { name: 'Back to the list' }).click();
  await expect(page.locator('[data-review-row="4"]')).toContainText('1 menu not chosen');
  await page.getByRole('button', { name: 'Hand in …' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('11 questions are not finished:')).toBeVisible();
  await expect(dialog.getByText('1 question is done but flagged:')).toBeVisible();
  await dialog.getByRole('button', { name: /Question 6/ }).click();
  await expect(page.getByRole('heading', { name: 'Question 6', exact: true })).toBeVisible();
});

test('help says how each tool the student has is used, and leads back to where one was', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await goTo(page, 3);
  await page.getByRole('button', { name: 'Help' }).click();
  const dialog = page.getByRole('dialog', { name: 'Help' });
  const lesson = (name: string) => dialog.locator('details').filter({ hasText: name });
  const summary = lesson('Line reader').locator('summary');
  await summary.focus();
  await page.keyboard.press('Enter');
  await expect(lesson('Line reader').getByText('Drag the bar, press its arrows')).toBeVisible();
  await expect(lesson('Protractor')).toHaveCount(0);
  await expectAccessible(page, 'how a tool is used');
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: 'Help' })).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Question 3', exact: true })).toBeVisible();
});

test('the keys can be changed and switched off', async ({ page, app }) => {
  await startTest(page, app);
  await page.getByRole('button', { name: 'Help' }).click();
  // Tools that this test has not are not asked about.
  await expect(page.getByLabel('Letter for: Protractor')).toHaveCount(0);
  await page.getByLabel('Letter for: Next question').fill('w');
  await page.getByRole('button', { name: 'Close', exact: true }).last().click();
  await page.keyboard.press('Alt+w');
  await expect(page.getByRole('heading', { name: 'Question 2', exact: true })).toBeVisible();
  // What had the letter has the other one now: no two do the same, and nothing is left without.
  await page.keyboard.press('Alt+n');
  await expect(page.locator('[data-window=lens]')).toBeVisible();
  await page.keyboard.press('Alt+n');
  await expect(page.locator('[data-window=lens]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Help' }).click();
  await page.getByLabel('Use these keys').uncheck();
  await page.getByRole('button', { name: 'Close', exact: true }).last().click();
  await page.keyboard.press('Alt+w');
  await expect(page.getByRole('heading', { name: 'Question 2', exact: true })).toBeVisible();
});

test('what is typed just before leaving a question stays with it and never reaches the next', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await ready(page);
  await goTo(page, 9);
  await page.getByRole('button', { name: 'Type it as text instead' }).click();
  await page.getByLabel('Your answer, typed').pressSequentially('3/4');
  await page.keyboard.press('Alt+n');
  await expect(page.getByRole('heading', { name: 'Question 10', exact: true })).toBeVisible();
  // Whoever typed goes on typing.
  await expect(page.getByLabel('Your answer, typed')).toHaveValue('');
  await saved(page);
  await expect(status(page)).toHaveText('nothing written yet');
  await page.keyboard.press('Alt+b');
  await expect(page.getByLabel('Your answer, typed')).toHaveValue('3/4');
  await page.reload();
  await page.getByRole('button', { name: 'Write it with the keypad instead' }).click();
  await expect(page.locator('math-field')).toHaveJSProperty('value', '\\frac{3}{4}');
});
