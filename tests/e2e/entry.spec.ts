import { choice, CHOICES } from './answers';
import {
  askToHandIn,
  assignmentOf,
  BENCHMARK,
  EVERY_KIND,
  expect,
  giveAll,
  linkTo,
  saved,
  signIn,
  signInByHand,
  startTest,
  test,
} from './app';
import { expectAccessible } from './axe';

test('a wrong name or password is told without saying which', async ({ page, ownApp: app }) => {
  for (const [name, password] of [
    ['wren', 'wrong'],
    ['nobody', 'kelp-and-tide'],
  ] as const) {
    await page.goto(`${app.url}/sign-in`);
    await page.getByLabel('Name').fill(name);
    await page.getByLabel('Password', { exact: true }).fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'do not fit together' }).first()).toBeVisible();
  }
});

test('opening a test by mistake does not start its clock', async ({ page, app }) => {
  await page.goto(`${app.url}/sign-in`);
  await expect(page).toHaveTitle('Sign in · Able Compass');
  await signInByHand(page, app, 'tomas');
  await expect(page).toHaveTitle('My tests · Able Compass');
  await linkTo(page, BENCHMARK).click();
  await expect(page).toHaveTitle('Before you start · Able Compass');
  await expect(page.getByText('68 minutes, your extra time included')).toBeVisible();
  await expect(page.getByText('Tomas Okafor').first()).toBeVisible();
  expect(app.query('SELECT id FROM attempts')).toEqual([]);
  await page.getByRole('link', { name: /Not now/ }).click();
  await expect(page.getByText('Not started').first()).toBeVisible();
});

test('where something is to be heard, sound is tried before the test begins', async ({ page, app }) => {
  await signIn(page, app, 'wren');
  await page.goto(`${app.url}/tests/${assignmentOf(app, 'wren', BENCHMARK)}`);
  await expect(page.getByRole('heading', { name: 'Before you start' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Sound' })).toHaveCount(0);
  await page.goto(`${app.url}/tests/${assignmentOf(app, 'wren', EVERY_KIND)}`);
  const sound = page.getByRole('region', { name: 'Sound' });
  await expect(sound.getByText('Something in this test is to be heard.')).toBeVisible();
  await sound.getByRole('button', { name: 'Play a sentence' }).press('Enter');
  await expect(sound.getByText('Did you hear the sentence?')).toBeVisible({ timeout: 40_000 });
  await expect(sound.getByRole('button', { name: 'Yes, I heard it' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(sound.getByText('Good: your sound is ready.')).toBeVisible();
  await expectAccessible(page, 'before a test with sound');
  expect(app.query('SELECT id FROM attempts')).toEqual([]);
  // Who is read to tries it before a test without sound, too.
  await signIn(page, app, 'mikkel');
  await page.goto(`${app.url}/tests/${assignmentOf(app, 'mikkel', BENCHMARK)}`);
  await expect(sound.getByText('This test can be read aloud to you.')).toBeVisible();
});

test('the session cookie cannot be read by scripts nor sent from other sites', async ({ page, app }) => {
  await signInByHand(page, app, 'wren');
  const [cookie] = (await page.context().cookies()).filter((one) => one.name === 'able_session');
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Lax', secure: false });
  const answer = await page.request.post(`${app.url}/api/assignments/1/begin`, {
    headers: { origin: 'https://example.org' },
    data: {},
  });
  expect(answer.status()).toBe(403);
});

test('other people’s tests, and pages without sign-in, are closed', async ({ page, app }) => {
  await startTest(page, app, 'wren');
  const address = page.url();
  await page.context().clearCookies();
  await page.goto(address);
  await expect(page).toHaveURL(/sign-in/);
  await signInByHand(page, app, 'bao');
  await page.goto(address);
  await expect(page.getByText('The test could not be opened')).toBeVisible();
  expect((await page.request.get(`${app.url}/tests/999`)).status()).toBe(404);
  expect((await page.request.post(`${app.url}/api/sign-in`, { data: { name: 1 } })).status()).toBe(400);
});

test('times are those of the place where one sits', async ({ browser, page, app }) => {
  await startTest(page, app, 'wren');
  await askToHandIn(page);
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
  app.change('UPDATE attempts SET handed_in_at = ?', Date.UTC(2026, 10, 25, 23, 30));
  const far = await browser.newContext({ locale: 'en-US', timezoneId: 'Asia/Tokyo' });
  const there = await far.newPage();
  await signInByHand(there, app, 'wren');
  await expect(there.getByText('November 26, 2026 at 8:30 AM')).toBeVisible();
  await far.close();
  await page.reload();
  await expect(page.getByText('November 25, 2026 at 11:30 PM')).toBeVisible();
});

test('a teacher sees who has done what', async ({ page, app }) => {
  await signInByHand(page, app, 'petra');
  await expect(page.getByRole('row', { name: /Wren Halloran/ }).first()).toContainText('Not started');
  await page.goto(`${app.url}/tests`);
  await expect(page).toHaveURL(/desk/);
});

test('after handing in: what the assignment tells; taken again, with dates and points, and what is needed', async ({
  page,
  app,
}) => {
  const handIn = async () => {
    await askToHandIn(page);
    await page.getByRole('button', { name: 'Hand in now' }).click();
  };
  giveAll(app, { tells: 'thanks', times: 2, needed: 1 });
  await startTest(page, app);
  await handIn();
  await expect(page.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  await expect(page.getByRole('main')).not.toContainText('points');
  await expectAccessible(page, 'thanks');
  await page.goto(`${page.url().replace(/score$/, 'answers')}`);
  await expect(page.getByText('There is no such page')).toBeVisible();

  giveAll(app, { tells: 'score', times: 2, needed: 1 });
  await page.goto(`${app.url}/tests`);
  await page.getByRole('link', { name: `Take it again: ${BENCHMARK}` }).click();
  await expect(page.getByText('Attempt 2 of 2.')).toBeVisible();
  await page.getByRole('button', { name: /Start the test/ }).click();
  await choice(page, CHOICES[1][0]).click();
  await saved(page);
  await handIn();
  await expect(page.getByText('Needed: 1 points. You have them.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'See my answers' })).toBeHidden();
  await page.getByRole('link', { name: 'Back to My tests' }).click();
  await expect(page.getByRole('link', { name: /^Attempt \d, / })).toHaveCount(2);
  await expectAccessible(page, 'my tests with past attempts');
  await expect(page.getByRole('link', { name: /^Take it again/ })).toHaveCount(0);
  await page.getByRole('link', { name: /^Attempt 1, / }).click();
  await expect(page.getByText('Not reached this time.')).toBeVisible();
});

test('at the desk: who waits after wrong tries may try at once, and a student is signed out everywhere', async ({
  page,
  browser,
  ownApp: app,
}) => {
  for (let i = 0; i < 5; i += 1)
    await page.request.post(`${app.url}/api/sign-in`, {
      headers: { origin: app.url },
      data: { name: 'wren', password: 'wrong' },
    });
  const adults = await browser.newContext({ locale: 'en-US' });
  const desk = await adults.newPage();
  await signInByHand(desk, app, 'petra');
  // Whether the wait is over by now or not, the last try is what counts: one more makes it longer.
  await page.request.post(`${app.url}/api/sign-in`, {
    headers: { origin: app.url },
    data: { name: 'wren', password: 'wrong' },
  });
  app.change('UPDATE sign_in_tries SET at = at + 60000');
  await desk.reload();
  const lift = desk.getByRole('button', { name: 'Let them try at once: Wren Halloran' });
  await expect(lift).toBeVisible();
  await expectAccessible(desk, 'desk with somebody who waits after wrong tries');
  await lift.press('Enter');
  await expect(lift).toBeHidden();
  await expect(desk.locator('body')).not.toBeFocused();
  await signInByHand(page, app, 'wren');
  await desk.getByRole('combobox').last().fill('Wren');
  await desk.keyboard.press('Enter');
  await desk.getByRole('button', { name: 'Sign out everywhere' }).click();
  await expect(desk.getByText('Wren Halloran is signed out everywhere.')).toBeVisible();
  await page.goto(`${app.url}/tests`);
  await expect(page).toHaveURL(/sign-in$/);
  await adults.close();
});
