import type { Page } from '@playwright/test';
import { choice, CHOICES, status } from './answers';
import {
  assignmentOf,
  BENCHMARK,
  CROSSING,
  expect,
  giveAll,
  ready,
  saved,
  signIn,
  signInByHand,
  startTest,
  test,
  type App,
} from './app';
import { expectAccessible } from './axe';

/** The desk, in a browser of its own. */
async function desk(page: Page, app: App): Promise<Page> {
  const browser = page.context().browser();
  if (!browser) throw new Error('no browser');
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-US' });
  const other = await context.newPage();
  await signInByHand(other, app, 'petra');
  return other;
}
/** The line of a student's test at the desk. */
const line = (page: Page, student: string) =>
  page.getByRole('row').filter({ hasText: student }).filter({ hasText: BENCHMARK });

test('the go-ahead: the door waits, says whom to tell, and opens by itself when the student is let in', async ({
  page,
  app,
}) => {
  giveAll(app, { goAhead: true });
  app.change('UPDATE assignments SET let_in_at = NULL');
  await signIn(page, app, 'wren');
  await page.goto(`${app.url}/tests/${assignmentOf(app, 'wren', BENCHMARK)}`);
  const start = page.getByRole('button', { name: /Start the test/ });
  await expect(page.getByRole('status').filter({ hasText: 'begins with a go-ahead' })).toBeVisible();
  await expect(start).toBeDisabled();
  await expectAccessible(page, 'waiting for the go-ahead');
  // Not by a request of one's own either.
  const begun = await page.request.post(
    `${app.url}/api/assignments/${assignmentOf(app, 'wren', BENCHMARK)}/begin`,
    { headers: { origin: app.url }, data: {} },
  );
  expect(begun.status()).toBe(409);
  const own = await page.request.post(
    `${app.url}/api/assignments/${assignmentOf(app, 'wren', BENCHMARK)}/let-in`,
    { headers: { origin: app.url }, data: {} },
  );
  expect(own.status()).toBe(403);
  const proctor = await desk(page, app);
  await expect(line(proctor, 'Wren Halloran')).toContainText('Waits for your go-ahead');
  await expectAccessible(proctor, 'desk with somebody who waits');
  const way = line(proctor, 'Wren Halloran').getByRole('button', {
    name: `Let in: Wren Halloran, ${BENCHMARK}`,
  });
  await way.focus();
  await proctor.keyboard.press('Enter');
  await expect(line(proctor, 'Wren Halloran')).not.toContainText('Waits');
  await expect(proctor.locator('body')).not.toBeFocused();
  await expect(page.getByText('You have the go-ahead.')).toBeVisible();
  await start.click();
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
  await proctor.context().close();
});

test('after a long pause what was answered is locked, told in words, and open again when the proctor says so', async ({
  page,
  app,
}) => {
  giveAll(app, {});
  await startTest(page, app);
  await ready(page);
  await choice(page, CHOICES[1][0]).click();
  await saved(page);
  await page.getByRole('button', { name: 'Stop for now' }).click();
  await page.getByRole('dialog').getByRole('button', { name: /Stop/ }).last().click();
  await page.waitForURL(/\/tests$/);
  // As if it had been half an hour.
  app.change(`UPDATE attempts SET paused_at = paused_at - ${30 * 60_000}`);
  await page.goto(`${app.url}/tests/${assignmentOf(app, 'wren', BENCHMARK)}`);
  await page.getByRole('button', { name: 'Go on with the test' }).click();
  const told = page.getByRole('dialog', { name: 'You were away for a while' });
  await expect(told).toContainText('1 question that you had answered is locked');
  await expectAccessible(page, 'locked after a pause');
  await told.getByRole('button', { name: 'Go on' }).click();
  await expect(told).toBeHidden();
  await expect(page.locator('body')).not.toBeFocused();
  await expect(page.getByText('Locked after the long pause.')).toBeVisible();
  await expect(page.getByRole('radio').first()).toBeDisabled();
  await expect(page.getByRole('radio', { checked: true })).toHaveCount(1);
  const proctor = await desk(page, app);
  await expect(line(proctor, 'Wren Halloran')).toContainText('1 question locked after a long pause');
  await line(proctor, 'Wren Halloran')
    .getByRole('button', { name: /Open the locked questions/ })
    .click();
  await expect(line(proctor, 'Wren Halloran')).not.toContainText('locked');
  await expect(page.getByText('Locked after the long pause.')).toBeHidden({ timeout: 30_000 });
  await page.getByRole('radio').first().click();
  await expect(status(page)).toHaveText('done');
  await saved(page);
  await proctor.context().close();
});

test('a test that has the screen for itself: leaving it is told calmly and written down; choosing is the student’s', async ({
  page,
  app,
}) => {
  giveAll(app, { ownsScreen: true });
  // A page that is driven has always the focus: another window in front is said to it as a browser would say it.
  await page.addInitScript(() => {
    let behind = false;
    document.hasFocus = () => !behind;
    Object.assign(window, {
      putBehind: (is: boolean) => {
        behind = is;
        window.dispatchEvent(new Event(is ? 'blur' : 'focus'));
      },
    });
  });
  await startTest(page, app);
  const fills = page.getByRole('dialog', { name: 'This test fills the screen' });
  await expect(fills).toBeVisible();
  await fills.getByRole('button', { name: 'Fill the screen' }).click();
  await expect(fills).toBeHidden();
  await expect.poll(() => page.evaluate(() => document.fullscreenElement !== null)).toBe(true);
  await choice(page, CHOICES[1][0]).click();
  await page.evaluate(() => (window as unknown as { putBehind: (is: boolean) => void }).putBehind(true));
  await expect.poll(() => app.query('SELECT 1 FROM events WHERE body LIKE \'%"left"%\'')).toHaveLength(1);
  await page.evaluate(() => (window as unknown as { putBehind: (is: boolean) => void }).putBehind(false));
  const away = page.getByRole('dialog', { name: 'You were away from the test' });
  await expect(away).toContainText('It was written down for your proctor. Nothing is lost');
  await expectAccessible(page, 'back from elsewhere');
  await away.getByRole('button', { name: 'Go on' }).click();
  await expect(away).toBeHidden();
  await page.evaluate(() => document.exitFullscreen());
  await expect(away).toContainText('does not fill the screen any more');
  await away.getByRole('button', { name: 'Fill the screen' }).click();
  await expect.poll(() => page.evaluate(() => document.fullscreenElement !== null)).toBe(true);
  await saved(page);
  // Loading the page again is not leaving; going back is, and it is told on coming again.
  const leavings = () => app.query<{ n: number }>('SELECT times_left AS n FROM attempts')[0]?.n;
  await page.reload();
  await ready(page);
  await fills.getByRole('button', { name: 'Go on without' }).click();
  await saved(page);
  await expect.poll(leavings).toBe(2);
  await expect(away).toBeHidden();
  const address = page.url();
  await page.goto(`${app.url}/tests`);
  await page.goto(address);
  await ready(page);
  await fills.getByRole('button', { name: 'Go on without' }).click();
  await expect(away).toContainText('It was written down for your proctor. Nothing is lost');
  await away.getByRole('button', { name: 'Go on' }).click();
  await saved(page);
  await expect.poll(leavings).toBe(3);
  const proctor = await desk(page, app);
  await expect(line(proctor, 'Wren Halloran')).toContainText('Left the test 3 times');
  await proctor.context().close();
});

test('a low battery is said to the student and to the proctor', async ({ page, app }) => {
  giveAll(app, {});
  await page.addInitScript(() => {
    const battery = Object.assign(new EventTarget(), { charging: false, level: 0.4 });
    Object.assign(navigator, { getBattery: () => Promise.resolve(battery) });
    Object.assign(window, {
      batteryAt: (level: number) => {
        battery.level = level;
        battery.dispatchEvent(new Event('levelchange'));
      },
    });
  });
  const at = (level: number) =>
    page.evaluate((to) => (window as unknown as { batteryAt: (level: number) => void }).batteryAt(to), level);
  await startTest(page, app);
  await ready(page);
  await expect(page.locator('[data-battery]')).toHaveCount(0);
  await at(0.12);
  await expect(page.locator('[data-battery]')).toHaveText('Battery low: tell your teacher');
  await expectAccessible(page, 'battery low');
  const proctor = await desk(page, app);
  await expect(line(proctor, 'Wren Halloran')).toContainText('Battery low', { timeout: 30_000 });
  await at(0.5);
  await expect(page.locator('[data-battery]')).toHaveCount(0);
  await proctor.context().close();
});

test('paused by the proctor: covered, nothing goes behind it, what was answered counts, and it goes on by itself', async ({
  page,
  app,
}) => {
  giveAll(app, {});
  await startTest(page, app);
  await ready(page);
  const proctor = await desk(page, app);
  await line(proctor, 'Wren Halloran')
    .getByRole('button', { name: /^Pause/ })
    .click();
  await expect(line(proctor, 'Wren Halloran')).toContainText('About to be paused');
  await expect(proctor.locator('body')).not.toBeFocused();
  // The page hears of it with what it sends, and that counts.
  await choice(page, CHOICES[1][0]).focus();
  await page.keyboard.press('Space');
  const cover = page.getByRole('dialog', { name: 'Paused by your proctor' });
  await expect(cover).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Paused by your proctor' })).toBeFocused();
  await expectAccessible(page, 'paused by the proctor');
  for (const key of ['Escape', 'Escape', 'Alt+n', 'Alt+e']) await page.keyboard.press(key);
  await expect(cover).toBeVisible();
  // Opening the page anew does not get around it.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Paused by your proctor' })).toBeVisible();
  await proctor.reload();
  await expect(line(proctor, 'Wren Halloran')).toContainText('Paused by you');
  await line(proctor, 'Wren Halloran')
    .getByRole('button', { name: /^Let go on/ })
    .click();
  await expect(line(proctor, 'Wren Halloran')).toContainText('Under way');
  await expect(choice(page, CHOICES[1][0])).toBeChecked();
  // Once more, with the page open all the time: the focus is back where it was.
  await choice(page, CHOICES[1][0]).focus();
  await line(proctor, 'Wren Halloran')
    .getByRole('button', { name: /^Pause/ })
    .click();
  await page.keyboard.press('ArrowDown');
  await expect(cover).toBeVisible();
  await line(proctor, 'Wren Halloran')
    .getByRole('button', { name: /^Let go on/ })
    .click();
  await expect(cover).toBeHidden();
  await expect(page.locator(':focus')).toHaveAttribute('type', 'radio');
  await proctor.context().close();
});

test('late answers: told at the desk, decided by their times alone, and the score follows', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await choice(page, /asked to watch/).click();
  await saved(page);
  await page.getByRole('button', { name: /Look over/ }).click();
  await page.getByRole('button', { name: 'Hand in …' }).click();
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
  const [event] = app.query<{ body: string }>(
    "SELECT body FROM events WHERE json_extract(body, '$.type') = 'answered' LIMIT 1",
  );
  const said = JSON.parse(event?.body ?? '{}') as { at: number; responses: object };
  // As it arrives an hour later from a computer that was without network.
  app.change(
    `INSERT INTO events (attempt_id, device, seq, at, received_at, body, standing)
     SELECT attempt_id, device, 900, at + 1, at + 3600000, ?, 'late' FROM events WHERE json_extract(body, '$.type') = 'answered' LIMIT 1`,
    JSON.stringify({ ...said, seq: 900, at: said.at + 1, responses: { RESPONSE: 'B' } }),
  );
  app.change(
    `INSERT INTO late_answers (attempt_id, device, seq, item, said_at, received_at)
     SELECT attempt_id, device, seq, 'reading-1', at, received_at FROM events WHERE standing = 'late'`,
  );
  const proctor = await desk(page, app);
  await expect(line(proctor, 'Wren Halloran')).toContainText('Late answers to 1 question wait for you');
  await line(proctor, 'Wren Halloran')
    .getByRole('button', { name: /^Decide on late answers/ })
    .click();
  await expect(proctor.getByRole('dialog')).toContainText('Question 1');
  await expectAccessible(proctor, 'late answers');
  await proctor.getByRole('button', { name: 'Count it: question 1' }).press('Enter');
  await expect(proctor.getByText('All decided.')).toBeVisible();
  await expect(proctor.locator('body')).not.toBeFocused();
  await proctor.keyboard.press('Escape');
  await expect(proctor.getByRole('dialog')).toBeHidden();
  await expect(proctor.locator('body')).not.toBeFocused();
  await expect(line(proctor, 'Wren Halloran')).not.toContainText('Late answers');
  await page.reload();
  await expect(page.locator('tbody tr').first().locator('td').first()).toHaveText('Right');
  await proctor.context().close();
});

test('a room: its code is read out, who comes with it waits unseen, and is let in to its test alone', async ({
  page,
  app,
}) => {
  const proctor = await desk(page, app);
  await proctor.getByRole('combobox').first().click();
  await proctor.getByTitle(BENCHMARK).last().click();
  await proctor.getByRole('button', { name: 'Open a room' }).click();
  const close = proctor.getByRole('button', { name: /^Close the room/ });
  await expect(close).toBeVisible();
  const code = /\d{3} \d{3}/.exec((await close.getAttribute('aria-label')) ?? '')?.[0] ?? '';

  await page.goto(`${app.url}/sign-in`);
  await page.getByRole('link', { name: 'Sign in with a room code' }).click();
  await expect(page.getByLabel('Room code')).toBeVisible();
  await expectAccessible(page, 'sign in to a room');
  await page.getByLabel('Room code').fill('000');
  await page.getByLabel('Name').fill('tomas');
  await page.keyboard.press('Enter');
  await expect(page.getByText('This name and code do not fit together')).toBeVisible();
  await page.getByLabel('Room code').fill(code);
  await page.keyboard.press('Enter');
  // It says whom to tell; what is set for Tomas (half as much time again) is not shown to whoever sits there.
  await expect(page.getByRole('status').filter({ hasText: 'begins with a go-ahead' })).toBeVisible();
  await expect(page.getByText('45 minutes')).toBeVisible();
  const here = page.url();
  for (const path of ['/tests', '/my-view']) {
    await page.goto(`${app.url}${path}`);
    expect(page.url()).toBe(here);
  }
  await proctor.reload();
  const asks = line(proctor, 'Tomas Okafor');
  await expect(asks).toContainText('Asks to come in');
  await expectAccessible(proctor, 'desk with a room');
  await asks.getByRole('button', { name: /^Let in/ }).click();
  await expect(page.getByText('You have the go-ahead.')).toBeVisible();
  await expect(page.getByText(/^68 minutes/)).toBeVisible();
  await page.getByRole('button', { name: /Start the test/ }).click();
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
  await page.goto(`${app.url}/tests`);
  await expect(page.getByRole('link', { name: `Go on: ${BENCHMARK}` })).toBeVisible();
  await expect(page.getByRole('listitem')).toHaveCount(1);
  await close.press('Enter');
  await expect(close).toBeHidden();
  await expect(proctor.locator('body')).not.toBeFocused();
  await proctor.context().close();
});

test('more time, and the end: each for a reason, heard of by the student, and written down for good', async ({
  page,
  app,
}) => {
  // Signs of life are waited for, again and again.
  test.setTimeout(150_000);
  app.change('DELETE FROM rooms');
  await startTest(page, app);
  await ready(page);
  await choice(page, CHOICES[1][0]).click();
  await saved(page);
  const proctor = await desk(page, app);
  const wren = line(proctor, 'Wren Halloran');
  await expect(wren).toContainText('1 of 12 answered');
  await expect(wren).toContainText('at question 1');
  await expect(wren).toContainText(/45 minutes left/);
  const more = wren.getByRole('button', { name: `More …: Wren Halloran, ${BENCHMARK}` });
  await more.press('Enter');
  const dialog = proctor.getByRole('dialog', { name: 'More time, another computer, or the end' });
  await expectAccessible(proctor, 'more time, or the end');
  await dialog.getByRole('button', { name: 'Give 10 more minutes' }).press('Enter');
  await expect(dialog.getByRole('alert')).toHaveText('Say why first.');
  await dialog.getByLabel('Why').fill('The fire bell rang.');
  await dialog.getByRole('button', { name: 'Give 10 more minutes' }).press('Enter');
  await expect(dialog).toBeHidden();
  await expect(more).toBeFocused();
  await expect(wren).toContainText(/55 minutes left/);
  // Heard with the next sign of life.
  await expect(page.getByRole('button', { name: /55 min/ })).toContainText('+10 min');
  await expect(
    page.locator('[aria-live]').filter({ hasText: 'You have been given 10 more minutes.' }),
  ).toHaveCount(1);

  // At another computer: signed out here, gone on with there.
  await more.press('Enter');
  await dialog.getByLabel('Why').fill('The screen went dark.');
  await dialog.getByRole('button', { name: 'Go on at another computer' }).press('Enter');
  await expect(wren).toContainText('Part-way');
  await expect
    .poll(() =>
      app.query("SELECT 1 FROM sessions s JOIN users u ON u.id = s.user_id WHERE u.sign_in_name = 'wren'"),
    )
    .toEqual([]);
  const there = await page.context().browser()?.newPage();
  if (!there) throw new Error('no browser');
  await signIn(there, app, 'wren');
  await there.goto(page.url());
  await ready(there);
  await expect(choice(there, CHOICES[1][0]).getByRole('radio')).toBeChecked();
  await expect(wren).toContainText('Under way');

  await more.press('Enter');
  await dialog.getByLabel('Why').fill('Left ill.');
  await dialog.getByRole('button', { name: 'End this test' }).press('Enter');
  await expect(there.getByRole('heading', { name: 'Your score' })).toBeVisible();
  await there.context().close();
  await expect(wren).toContainText('Handed in');
  await expect(proctor.locator('body')).not.toBeFocused();
  await proctor.getByRole('link', { name: 'What was done' }).press('Enter');
  await expect(proctor.getByRole('row', { name: /Ended the test Left ill/ })).toBeVisible();
  await expect(proctor.getByRole('row', { name: /Gave 10 more minutes The fire bell rang/ })).toBeVisible();
  await expectAccessible(proctor, 'what was done');
  await proctor.context().close();
});

test('where a part has the clock, more time is for the part', async ({ page, app }) => {
  await startTest(page, app, 'wren', CROSSING);
  await ready(page);
  await expect(page.getByRole('button', { name: /^15 min left in this part/ })).toBeVisible();
  const proctor = await desk(page, app);
  const more = proctor.getByRole('button', { name: `More …: Wren Halloran, ${CROSSING}` });
  await more.press('Enter');
  const dialog = proctor.getByRole('dialog', { name: 'More time, another computer, or the end' });
  await dialog.getByLabel('Why').fill('The fire bell rang.');
  await dialog.getByRole('button', { name: 'Give 10 more minutes' }).press('Enter');
  await expect(dialog).toBeHidden();
  // Heard with what is sent next.
  await page.getByRole('button', { name: 'Flag' }).press('Enter');
  await expect(page.getByRole('button', { name: /^25 min left in this part/ })).toContainText('+10 min');
  await page.reload();
  await ready(page);
  await expect(page.getByRole('button', { name: /^25 min left in this part/ })).toBeVisible();
  await proctor.context().close();
});

test('the desk is told as it happens; without that it says so and looks again', async ({ page, app }) => {
  giveAll(app, {});
  const proctor = await desk(page, app);
  await expect(proctor.getByText('Live: what changes shows here at once.')).toBeVisible();
  // Nothing is looked at again: what comes, comes by itself.
  const asked: string[] = [];
  proctor.on('request', (request) => asked.push(request.url()));
  await startTest(page, app);
  await ready(page);
  await choice(page, CHOICES[1][0]).click();
  await saved(page);
  await expect(line(proctor, 'Wren Halloran')).toContainText(/1 of \d+ answered/);
  await expect(line(proctor, 'Wren Halloran')).toContainText('at question 1');
  expect(asked.filter((url) => url.includes('/desk'))).toEqual([]);
  // Whoever is signed out is told nothing more.
  app.change("DELETE FROM sessions WHERE user_id = (SELECT id FROM users WHERE sign_in_name = 'petra')");
  await expect(proctor.getByRole('heading', { name: 'Sign in' })).toBeVisible({ timeout: 40_000 });
  await signInByHand(proctor, app, 'petra');
  await proctor.route('**/api/desk/live', (route) => route.abort());
  await proctor.reload();
  await expect(
    proctor.getByText('No live connection: this page looks again every 10 seconds.'),
  ).toBeVisible();
  await proctor.context().close();
});
