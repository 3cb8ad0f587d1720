import type { Page } from '@playwright/test';
import { choice, CHOICES, gap, piece } from '../e2e/answers';
import {
  BENCHMARK,
  CROSSING,
  expect,
  goTo,
  linkTo,
  next,
  saved,
  signInByHand,
  startTest,
  test,
  WORKSHOP,
} from '../e2e/app';

/** One current picture of each main view at 1280 × 800; not a check. */
test('pictures of every main view', async ({ page, app }) => {
  test.setTimeout(180_000);
  const shot = async (name: string) => {
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
  };
  await page.goto(`${app.url}/sign-in`);
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeEnabled();
  await signInByHand(page, app, 'wren');
  await linkTo(page, BENCHMARK).click();
  await expect(page.getByRole('button', { name: /Start the test/ })).toBeEnabled();
  await shot('before-you-start');
  await page.getByRole('button', { name: /Start the test/ }).click();
  await page.waitForSelector('[data-player=ready]');
  await choice(page, CHOICES[1][0]).click();
  await next(page);
  await page.getByRole('button', { name: 'Line reader' }).click();
  await page.getByRole('button', { name: 'Eliminator' }).click();
  await page.getByRole('button', { name: /Strike out: He laughs/ }).click();
  await choice(page, CHOICES[2][0]).click();
  await page.getByRole('button', { name: 'Flag' }).click();
  await page.getByRole('slider', { name: /Line reader/ }).focus();
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowDown');
  await page.getByRole('heading', { name: 'Question 2', exact: true }).click();
  await saved(page);
  await shot('question-screen');
  await page.getByRole('button', { name: 'Line reader' }).first().click();
  await goTo(page, 3);
  await choice(page, CHOICES[3][0]).click();
  await goTo(page, 8);
  await piece(page, 12).click();
  await gap(page, 1).click();
  await goTo(page, 9);
  await page.locator('math-field').click();
  await page.keyboard.type('3/4');
  await saved(page);
  await page
    .getByRole('navigation')
    .getByRole('button', { name: /Look over/ })
    .click();
  await shot('review');
  await page.getByRole('button', { name: 'Hand in …' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
  await page.getByRole('link', { name: /See my answers/ }).click();
  await page.getByRole('button', { name: /^Question 3:/ }).click();
  await expect(page.getByRole('heading', { name: 'Question 3', exact: true })).toBeVisible();
  await expect(page.locator('fieldset.able-closed').first()).toBeVisible();
  await shot('answers');
});

test('a section on one page, in dark colors', async ({ page, app }) => {
  app.change(`UPDATE users SET needs = '{"scheme":"dusk"}' WHERE sign_in_name = 'odile'`);
  await startTest(page, app, 'odile');
  await page.waitForSelector('[data-player=ready]');
  await choice(page, CHOICES[1][0]).click();
  await choice(page, CHOICES[2][0]).click();
  await page.getByRole('heading', { name: 'Question 2', exact: true }).click();
  await page.locator('[data-page] [role=region]').evaluate((element) => element.scrollTo({ top: 470 }));
  await saved(page);
  await page.screenshot({ path: 'docs/screenshots/section-on-one-page.png' });
});

test('the question screen at 200 per cent, in its last five minutes', async ({ page, app }) => {
  await startTest(page, app, 'wren');
  await page.waitForSelector('[data-player=ready]');
  // As if it had been begun earlier, with eleven minutes in all.
  app.change(
    `UPDATE events SET at = at - 370000, body = json_set(body, '$.limit', 660000, '$.at', at - 370000)
     WHERE device = 'server' AND json_extract(body, '$.type') = 'begun'`,
  );
  app.change('UPDATE attempts SET limit_ms = 660000, running_since = running_since - 370000');
  await page.reload();
  await page.waitForSelector('[data-player=ready]');
  await page.setViewportSize({ width: 640, height: 400 });
  await page.waitForSelector('[data-layout=narrow]');
  await page.screenshot({ path: 'docs/screenshots/question-screen-200.png' });
});

test('pictures of a test with parts, and of its warm-up', async ({ page, app }) => {
  await signInByHand(page, app, 'wren');
  await linkTo(page, CROSSING).click();
  await page.getByRole('link', { name: 'Warm up first' }).click();
  await page.waitForSelector('[data-player=ready]');
  await page.getByRole('radio', { name: '5' }).check();
  await page.getByRole('button', { name: 'Check my answer' }).click();
  await expect(page.getByRole('heading', { name: /That is the answer asked for/ })).toBeVisible();
  await page.screenshot({ path: 'docs/screenshots/warm-up.png', animations: 'disabled' });
  await page.getByRole('button', { name: 'End the warm-up' }).click();
  await page.getByRole('button', { name: /Start the test/ }).click();
  await page.waitForSelector('[data-player=ready]');
  await page.getByRole('radio', { name: 'east' }).check();
  await saved(page);
  await page
    .getByRole('button', { name: /Look over/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Finish “Plan” …' }).click();
  await expect(page.getByRole('dialog').getByText(/Next comes/)).toBeVisible();
  await page.screenshot({ path: 'docs/screenshots/part-closing.png', animations: 'disabled' });
});

test('pictures of tools at work', async ({ page, app }) => {
  test.setTimeout(180_000);
  await page.setViewportSize({ width: 1280, height: 800 });
  const shot = (name: string) =>
    page.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled' });
  await startTest(page, app, 'tomas', WORKSHOP);
  await page.waitForSelector('[data-player=ready]');
  await goTo(page, 7);
  await page.getByRole('button', { name: 'Protractor', exact: true }).click();
  const move = page.getByRole('button', { name: /^Move Protractor/ });
  for (let i = 0; i < 3; i += 1) await move.press('Shift+ArrowLeft');
  for (let i = 0; i < 9; i += 1) await move.press('ArrowDown');
  await saved(page);
  await shot('tools-measuring');
  await page.context().clearCookies();
  await signInByHand(page, app, 'mikkel');
  await page.getByRole('link', { name: 'My view' }).click();
  await page.getByRole('button', { name: 'Larger' }).scrollIntoViewIfNeeded();
  await shot('my-view');
  await startTest(page, app, 'mikkel');
  await page.waitForSelector('[data-player=ready]');
  await page.keyboard.press('Alt+c');
  await page.getByRole('radio', { name: 'Light on dark green' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+s');
  await page.getByRole('button', { name: 'The passage', exact: true }).click();
  await expect(page.locator('[data-reader=reading]')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Pause' }).click();
  await shot('tools-read-aloud');
});

test('in Spanish', async ({ page, app }) => {
  app.change("UPDATE users SET language = 'es' WHERE sign_in_name = 'wren'");
  await startTest(page, app, 'wren');
  await choice(page, CHOICES[1][0]).click();
  await page.getByRole('button', { name: 'Siguiente', exact: true }).click();
  await choice(page, CHOICES[2][0]).click();
  await page.getByRole('button', { name: 'Marcar', exact: true }).click();
  await page
    .getByRole('button', { name: /Repasar/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Entregar …' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await expect(page.locator('[data-save=saved]')).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: 'docs/screenshots/hand-in.png' });
});

test('the desk with a room, and a test paused by it', async ({ page, app, browser }) => {
  const shot = (of: Page, name: string) =>
    of.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled' });
  await startTest(page, app, 'wren');
  await page.waitForSelector('[data-player=ready]');
  const others = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-US' });
  const second = await others.newPage();
  await startTest(second, app, 'tomas');
  const adults = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-US' });
  const desk = await adults.newPage();
  await signInByHand(desk, app, 'petra');
  await desk.getByRole('combobox').first().click();
  await desk.getByTitle(BENCHMARK).last().click();
  await desk.getByRole('button', { name: 'Open a room' }).click();
  await expect(desk.getByRole('button', { name: /^Close the room/ })).toBeVisible();
  await desk.getByRole('button', { name: `Pause: Wren Halloran, ${BENCHMARK}` }).click();
  await page.getByRole('button', { name: 'Flag', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Paused by your proctor' })).toBeVisible();
  await shot(page, 'paused');
  await desk.evaluate(() => window.scrollTo({ top: 0 }));
  await shot(desk, 'desk');
});

test('the adults: giving, marking, results, the library, needs', async ({ page, classApp: app }) => {
  const shot = async (name: string) => {
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `docs/screenshots/${name}.png`, animations: 'disabled' });
  };
  await signInByHand(page, app, 'noor');
  for (const given of ['1', '2', '0']) {
    if (given === '1') await page.getByRole('link', { name: /^Mark/ }).click();
    await expect(page.getByRole('radio', { name: '0' })).toBeFocused();
    await page.keyboard.press(given);
    if (given !== '0') await page.keyboard.press('Enter');
    if (given !== '0') await expect(page.getByRole('radio', { checked: true })).toHaveCount(0);
  }
  await shot('marking');
  await page.context().clearCookies();
  await signInByHand(page, app, 'sten');
  await page.getByRole('link', { name: 'Give tests' }).click();
  await page.getByRole('combobox', { name: 'Test', exact: true }).fill('crossing');
  await page.keyboard.press('Enter');
  await page.getByRole('combobox', { name: 'Who takes it', exact: true }).fill('Harbor');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('checkbox', { name: 'Begins with your go-ahead' }).check();
  await shot('giving');
  await page.getByRole('link', { name: 'Results' }).click();
  await page.getByRole('link', { name: /^Open the results: .*Survey/ }).click();
  await page.getByRole('heading', { name: 'Figures of the test' }).scrollIntoViewIfNeeded();
  await page.getByRole('heading', { name: 'Figures of the test' }).evaluate((one) => one.scrollIntoView());
  await expect(page.locator('.recharts-bar-rectangle').first()).toBeVisible();
  await shot('results');
  await page.getByRole('link', { name: 'Library' }).click();
  await page.getByRole('link', { name: `Look at it: ${BENCHMARK}` }).click();
  await page.getByRole('table').getByRole('link').first().click();
  await choice(page.getByRole('region', { name: 'The question as students get it' }), CHOICES[1][0]).click();
  await page.getByRole('button', { name: 'Score this answer' }).click();
  await expect(page.getByText('match(RESPONSE, correct RESPONSE)')).toBeVisible();
  await page.evaluate(() => window.scrollTo({ top: 0 }));
  await shot('library');
  await page.goto(`${app.url}/desk/give`);
  await page.getByRole('combobox', { name: 'Student', exact: true }).fill('Alva Pellworm');
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'Open the needs' }).click();
  await expect(page.locator('[data-ready]')).toBeVisible();
  await shot('needs');
});
