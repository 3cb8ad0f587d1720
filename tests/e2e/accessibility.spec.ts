import { choice, CHOICES } from './answers';
import {
  askToHandIn,
  BENCHMARK,
  expect,
  goTo,
  lookOver,
  picturesShown,
  linkTo,
  signIn,
  signInByHand,
  startTest,
  test,
} from './app';
import { expectAccessible, expectAccessibleInEveryScheme, LOOKS } from './axe';

test('every question passes axe in every scheme', async ({ page, app }) => {
  test.setTimeout(150_000);
  await page.goto(`${app.url}/sign-in`);
  await expectAccessible(page, 'sign-in');
  await startTest(page, app);
  await page.getByRole('button', { name: 'Eliminator' }).click();
  await page.getByRole('button', { name: /Strike out: She wants/ }).click();
  await choice(page, CHOICES[1][0]).click();
  for (let number = 1; number <= 12; number += 1) {
    await goTo(page, number);
    if (number === 9 || number === 10) await expect(page.locator('math-field')).toBeVisible();
    await picturesShown(page);
    await expectAccessibleInEveryScheme(page, `question ${number}`);
  }
  await lookOver(page);
  await expectAccessibleInEveryScheme(page, 'review');
});

for (const { id: scheme } of LOOKS) {
  test(`getting in, handing in and the score pass axe in ${scheme}`, async ({ page, app }) => {
    app.change('UPDATE users SET needs = ? WHERE sign_in_name = ?', JSON.stringify({ scheme }), 'wren');
    await signIn(page, app, 'wren');
    await page.goto(`${app.url}/tests`);
    await expect(page.locator('html')).toHaveAttribute('data-scheme', scheme);
    // As it comes, before any script has run.
    const sent = await (await page.request.get(`${app.url}/tests`)).text();
    expect(sent).toMatch(new RegExp(`<html[^>]*data-scheme="${scheme}"`));
    await expectAccessible(page, 'my tests');
    await linkTo(page, BENCHMARK).click();
    await expect(page.getByRole('heading', { name: 'Before you start' })).toBeVisible();
    await expectAccessible(page, 'before you start');
    await page.getByRole('button', { name: /Start the test/ }).click();
    await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
    await askToHandIn(page);
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectAccessible(page, 'hand in');
    await page.getByRole('button', { name: 'Hand in now' }).click();
    await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
    await expectAccessible(page, 'score');
  });
}

test('tools and help pass axe in every scheme', async ({ page, app }) => {
  await startTest(page, app);
  for (const tool of ['Highlighter', 'Magnifier', 'Colors']) {
    await page.getByRole('button', { name: tool }).click();
    await expectAccessibleInEveryScheme(page, tool);
  }
  await page.getByRole('button', { name: 'Help' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await expectAccessibleInEveryScheme(page, 'help');
});

test('the narrow screen at 200 per cent, and the desk, pass axe', async ({ page, app }) => {
  await startTest(page, app, 'saoirse');
  await page.getByRole('button', { name: 'Tools' }).click();
  await expectAccessible(page, 'narrow question screen');
  await page.context().clearCookies();
  await signInByHand(page, app, 'petra');
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();
  await expectAccessible(page, 'desk');
});
