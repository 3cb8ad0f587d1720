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
  wear,
} from './app';
import { expectAccessible, expectAccessibleInEveryScheme, expectAccessibleWorn, LOOKS } from './axe';

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

test('getting in, handing in and the score pass axe in every scheme', async ({ page, app }) => {
  test.setTimeout(180_000);
  await signIn(page, app, 'wren');
  const worn = (screen: string) =>
    expectAccessibleWorn(page, screen, (scheme) => wear(page, app, 'wren', { scheme }));
  await page.goto(`${app.url}/tests`);
  await expect(linkTo(page, BENCHMARK)).toBeVisible();
  await worn('my tests');
  // As it comes, before any script has run.
  const sent = await (await page.request.get(`${app.url}/tests`)).text();
  expect(sent).toMatch(new RegExp(`<html[^>]*data-scheme="${LOOKS.at(-1)?.id ?? ''}"`));
  await linkTo(page, BENCHMARK).click();
  const before = page.getByRole('heading', { name: 'Before you start' });
  await expect(before).toBeVisible();
  await worn('before you start');
  await page.getByRole('button', { name: /Start the test/ }).click();
  const question = page.getByRole('heading', { name: 'Question 1', exact: true });
  await expect(question).toBeVisible();
  // The question screen asks once, when it opens, what the student needs.
  await expectAccessibleWorn(page, 'hand in', async (scheme) => {
    app.change('UPDATE users SET needs = ? WHERE sign_in_name = ?', JSON.stringify({ scheme }), 'wren');
    await page.reload();
    await expect(page.locator('html')).toHaveAttribute('data-scheme', scheme);
    await askToHandIn(page);
    await expect(page.getByRole('dialog')).toBeVisible();
  });
  await page.getByRole('button', { name: 'Hand in now' }).click();
  const score = page.getByRole('heading', { name: 'Your score' });
  await expect(score).toBeVisible();
  await worn('score');
});

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
  await expect(page.getByRole('heading', { name: 'Supervise' })).toBeVisible();
  await expectAccessible(page, 'supervise');
});
