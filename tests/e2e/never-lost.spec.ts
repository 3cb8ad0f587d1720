import { cpSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import Database from 'better-sqlite3';
import { choice, CHOICES, status } from './answers';
import {
  type App,
  askToHandIn,
  expect,
  goTo,
  next,
  ready,
  saved,
  signInByHand,
  startTest,
  test,
} from './app';

/** Opens the attempt again from My tests, as on any computer. */
async function goOn(page: Page, app: App): Promise<void> {
  await signInByHand(page, app, 'wren');
  await page.getByRole('link', { name: /Go on/ }).click();
  await page.getByRole('button', { name: 'Go on with the test' }).click();
  await page.waitForSelector('[data-player]');
}

test('the browser dies without warning: the same place, answers, marks and flags', async ({
  browser,
  app,
}) => {
  const first = await browser.newContext();
  const page = await first.newPage();
  await startTest(page, app);
  await choice(page, CHOICES[1][0]).click();
  await page.getByRole('button', { name: 'Eliminator' }).click();
  await goTo(page, 2);
  await page.getByRole('button', { name: /Strike out: He laughs/ }).click();
  await page.getByRole('button', { name: 'Flag' }).click();
  await goTo(page, 6);
  await page.getByLabel('Your answer').fill('37.5');
  await saved(page);
  await first.close();

  const second = await browser.newContext();
  const again = await second.newPage();
  await goOn(again, app);
  await expect(again.getByRole('heading', { name: 'Question 6', exact: true })).toBeVisible();
  await expect(again.getByLabel('Your answer')).toHaveValue('37.5');
  await goTo(again, 2);
  await expect(again.getByRole('button', { name: /Bring back: He laughs/ })).toBeVisible();
  await expect(again.getByRole('button', { name: 'Flagged', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await goTo(again, 1);
  await expect(again.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
  await second.close();
});

test('the server is killed in the middle: work goes on, and everything arrives when it is back', async ({
  page,
  ownApp: app,
}) => {
  await startTest(page, app);
  await choice(page, CHOICES[1][0]).click();
  await saved(page);
  await ready(page);
  await app.kill();
  await goTo(page, 2);
  for (const words of CHOICES[2]) await choice(page, words).click();
  await expect(page.locator('[data-save=kept]')).toBeVisible();
  await goTo(page, 9);
  await expect(page.locator('math-field')).toBeVisible();
  await expect(page.getByRole('img', { name: /stretch of channel/ })).toBeVisible();
  await app.start();
  await expect(page.getByText('All answers saved')).toBeVisible({ timeout: 30_000 });
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Question 9', exact: true })).toBeVisible();
  await goTo(page, 2);
  await expect(status(page)).toHaveText('done');
  expect(app.query<{ value: string }>("SELECT value FROM responses WHERE item = 'reading-2'")).toEqual([
    { value: '["B","D"]' },
  ]);
});

test('answers given while the server is dead survive the death of the page too', async ({
  page,
  ownApp: app,
}) => {
  await startTest(page, app);
  await saved(page);
  await app.kill();
  await choice(page, CHOICES[1][0]).click();
  await expect(page.locator('[data-save=kept]')).toBeVisible();
  await page.goto('about:blank');
  await app.start();
  await goOn(page, app);
  await expect(page.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
});

test('with the network off the sign says so, questions and pictures still open, and nothing is handed in by halves', async ({
  page,
  context,
  app,
}) => {
  await startTest(page, app);
  await saved(page);
  await ready(page);
  await context.setOffline(true);
  await choice(page, CHOICES[1][0]).click();
  await expect(page.locator('[data-save=kept]')).toBeVisible();
  await goTo(page, 9);
  await expect(page.getByRole('img', { name: /stretch of channel/ })).toHaveJSProperty('complete', true);
  await askToHandIn(page);
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByText(/your test is not handed in yet/)).toBeVisible();
  await context.setOffline(false);
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
  await expect(page.locator('tbody tr').first().locator('td').first()).toHaveText('Right');
});

test('another browser takes over, the older one says so and can take the test back', async ({
  browser,
  page,
  app,
}) => {
  await startTest(page, app);
  await choice(page, CHOICES[1][0]).click();
  await saved(page);
  const other = await browser.newContext();
  const there = await other.newPage();
  await goOn(there, app);
  await expect(there.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
  await choice(page, /asked to watch/).click();
  await expect(page.getByRole('heading', { name: /open on another computer/ })).toBeVisible();
  await page.getByRole('button', { name: 'Go on here instead' }).click();
  await expect(page.getByRole('radio', { name: /asked to watch/ })).toBeChecked();
  await there.getByRole('button', { name: 'Flag' }).click();
  await expect(there.getByRole('heading', { name: /open on another computer/ })).toBeVisible();
  await other.close();
});

/** As if the test had been begun with so little time. */
function limitTo(app: App, milliseconds: number): void {
  app.change(
    "UPDATE events SET body = json_set(body, '$.limit', ?) WHERE device = 'server' AND json_extract(body, '$.type') = 'begun'",
    milliseconds,
  );
  app.change('UPDATE attempts SET limit_ms = ?', milliseconds);
}

test('at zero the test closes by itself and what was answered counts', async ({ page, app }) => {
  await startTest(page, app);
  await choice(page, CHOICES[1][0]).click();
  await saved(page);
  limitTo(app, 60_000);
  await page.reload();
  await expect(page.getByText(/\d s left/)).toBeVisible();
  limitTo(app, 8_000);
  await page.reload();
  // On a slow machine the eight seconds are over before the page is there again, which ends alike.
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('tbody tr').first().locator('td').first()).toHaveText('Right');
});

test('stopping for now keeps everything and halts the clock', async ({ page, app }) => {
  await startTest(page, app);
  await choice(page, CHOICES[1][0]).click();
  await page.getByRole('button', { name: 'Stop for now' }).click();
  await expect(page.getByText('Nothing is handed in.')).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Stop for now' }).click();
  await expect(page.getByText('Stopped part-way')).toBeVisible();
  const [row] = app.query<{ phase: string; running_since: number | null }>(
    'SELECT phase, running_since FROM attempts',
  );
  expect(row).toEqual({ phase: 'stopped', running_since: null });
  await goOn(page, app);
  await expect(page.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
});

test('the server comes back from a backup made before the page was opened: the page says again what it holds', async ({
  page,
  ownApp: app,
}) => {
  await startTest(page, app);
  await choice(page, /It is a habit/).click();
  await saved(page);
  const backup = join(app.folder, 'backup.sqlite');
  const db = new Database(join(app.folder, 'able-compass.sqlite'));
  await db.backup(backup);
  db.close();
  // A new page, that the backup does not know.
  await page.reload();
  await next(page);
  await choice(page, /He puts the rope down/).click();
  await page.getByRole('button', { name: 'Flag', exact: true }).click();
  await saved(page);
  await app.kill();
  for (const ending of ['-wal', '-shm'])
    rmSync(join(app.folder, `able-compass.sqlite${ending}`), { force: true });
  cpSync(backup, join(app.folder, 'able-compass.sqlite'));
  await app.start();
  await choice(page, /He answers her slowly/).click();
  await saved(page);
  expect(
    app.query<{ item: string; value: string }>('SELECT item, value FROM responses ORDER BY item'),
  ).toEqual([
    { item: 'reading-1', value: '"B"' },
    { item: 'reading-2', value: '["B","D"]' },
  ]);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Flagged', exact: true })).toBeVisible();
});
