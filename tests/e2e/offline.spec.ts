import type { Page } from '@playwright/test';
import { choice, CHOICES, status } from './answers';
import {
  askToHandIn,
  assignmentOf,
  BENCHMARK,
  expect,
  giveAll,
  EVERY_KIND,
  goTo,
  ready,
  saved,
  signIn,
  signInByHand,
  startTest,
  test,
  type App,
} from './app';
import { expectAccessible } from './axe';
import { numberOf } from './kinds';

test.use({ serviceWorkers: 'allow' });

const goesOnOffline = (page: Page) =>
  expect(page.locator('[data-save]')).toHaveAttribute('data-offline', 'ready', { timeout: 40_000 });
/** What this computer keeps of attempts besides the journal. */
const keptHere = (page: Page) =>
  page.evaluate(async () => {
    const cache = await caches.open('able-compass-attempts');
    return (await cache.keys()).map(({ url }) => new URL(url).pathname);
  });
const answersOf = (app: App) =>
  app.query<{ item: string; value: string }>('SELECT item, value FROM responses ORDER BY item');

test('the page is loaded again while the server is down: the same place, work goes on, and everything arrives when it is back', async ({
  page,
  ownApp: app,
}) => {
  await startTest(page, app);
  await choice(page, CHOICES[1][0]).click();
  await saved(page);
  await goesOnOffline(page);
  await app.kill();
  await goTo(page, 2);
  await choice(page, CHOICES[2][0]).click();
  await expect(page.locator('[data-save=kept]')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Question 2', exact: true })).toBeVisible();
  await expect(page.locator('[data-save=kept]')).toHaveText('Kept on this computer');
  await expect(choice(page, CHOICES[2][0])).toBeChecked();
  await expectAccessible(page, 'opened without network');
  await choice(page, CHOICES[2][1]).click();
  await expect(status(page)).toHaveText('done');
  // Pictures, and an editor that comes by itself, are here as well.
  await goTo(page, 9);
  await expect(page.locator('math-field')).toBeVisible();
  await expect(page.getByRole('img', { name: /stretch of channel/ })).toHaveJSProperty('complete', true);
  await goTo(page, 6);
  await page.getByLabel('Your answer').fill('37.5');
  await page.reload();
  await expect(page.getByLabel('Your answer')).toHaveValue('37.5');
  // The page itself died; another is opened where it was.
  const address = page.url();
  await page.goto('about:blank');
  await page.goto(address);
  await expect(page.locator('[data-save=kept]')).toBeVisible();
  await expect(page.getByLabel('Your answer')).toHaveValue('37.5');
  await app.start();
  await expect(page.getByText('All answers saved')).toBeVisible({ timeout: 40_000 });
  // It was loaded while nothing could be fetched; it can be loaded like that again.
  await goesOnOffline(page);
  expect(answersOf(app)).toEqual([
    { item: 'measuring-1', value: '"37.5"' },
    { item: 'reading-1', value: '"B"' },
    { item: 'reading-2', value: '["B","D"]' },
  ]);
  // One page, numbered without a gap, though it was loaded four times.
  const [said] = app.query<{ devices: number; numbers: number; last: number }>(
    "SELECT count(DISTINCT device) AS devices, count(*) AS numbers, max(seq) AS last FROM events WHERE device <> 'server'",
  );
  expect(said).toMatchObject({ devices: 1, numbers: said?.last });
});

test('without network two windows of one computer do not go on side by side', async ({
  page,
  context,
  ownApp: app,
}) => {
  await startTest(page, app);
  await saved(page);
  await goesOnOffline(page);
  await app.kill();
  const second = await context.newPage();
  await second.goto(page.url());
  await expect(second.getByRole('heading', { name: 'This test is open in another window' })).toBeVisible();
  await choice(page, CHOICES[1][0]).click();
  await expect(page.locator('[data-save=kept]')).toBeVisible();
  await page.close();
  await second.getByRole('button', { name: 'Try again' }).click();
  await expect(choice(second, CHOICES[1][0])).toBeChecked();
});

test('nothing of a test stays on the computer: not after handing in, nor stopping, nor for who signs in next', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await goesOnOffline(page);
  expect((await keptHere(page)).length).toBeGreaterThan(1);
  await page.getByRole('button', { name: 'Stop for now' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Stop for now' }).click();
  await expect(page.getByText('Stopped part-way')).toBeVisible();
  expect(await keptHere(page)).toEqual([]);
  await page.getByRole('link', { name: /Go on/ }).click();
  await page.getByRole('button', { name: 'Go on with the test' }).click();
  await goesOnOffline(page);
  await askToHandIn(page);
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
  expect(await keptHere(page)).toEqual([]);

  await startTest(page, app, 'tomas');
  await goesOnOffline(page);
  // Left without a word, and somebody else sits down.
  await signInByHand(page, app, 'wren');
  expect(await keptHere(page)).toEqual([]);
});

test('every kind of question is there after the page was loaded again without network', async ({
  page,
  ownApp: app,
}) => {
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  await goesOnOffline(page);
  await app.kill();
  await page.reload();
  await ready(page);
  for (const [item, shown] of [
    ['media-1', page.locator('audio, video').first()],
    ['equation-1', page.locator('math-field').first()],
    ['drawing-1', page.locator('canvas, [data-sheet] svg').first()],
    ['extended-text-1', page.getByRole('textbox').first()],
    ['coordinate-plane-1', page.locator('[data-sheet] svg').first()],
  ] as const) {
    await goTo(page, numberOf(item));
    await expect(shown).toBeAttached();
    await expect(page.getByText('This question cannot be shown')).toHaveCount(0);
  }
});

test('fetched whole before its clock starts: sealed, then started, and it goes on without network from the first moment', async ({
  page,
  context,
  app,
}) => {
  giveAll(app, { fetchFirst: true });
  await signIn(page, app, 'wren');
  await page.goto(`${app.url}/tests/${assignmentOf(app, 'wren', BENCHMARK)}`);
  await expect(page.getByText('It is fetched whole first')).toBeVisible();
  await page.getByRole('button', { name: 'Get the test ready' }).click();
  await expect(page.getByText('Ready to go without network.')).toBeVisible({ timeout: 40_000 });
  await expectAccessible(page, 'getting the test ready');
  expect(app.query<{ phase: string }>('SELECT phase FROM attempts')).toEqual([{ phase: 'not-started' }]);
  const asked: string[] = [];
  page.on('request', (request) => asked.push(new URL(request.url()).pathname));
  await page.getByRole('button', { name: 'Start the test', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
  await context.setOffline(true);
  // Neither the questions nor their pictures were asked for once more.
  expect(asked.filter((path) => /\/(content|resume)$/.test(path))).toEqual([]);
  await choice(page, CHOICES[1][0]).click();
  await goTo(page, 9);
  await expect(page.getByRole('img', { name: /stretch of channel/ })).toHaveJSProperty('complete', true);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Question 9', exact: true })).toBeVisible();
  await context.setOffline(false);
  await saved(page);
  expect(app.query<{ value: string }>("SELECT value FROM responses WHERE item = 'reading-1'")).toEqual([
    { value: '"B"' },
  ]);
});

test('getting ready without network: told in words, tried again, and no clock runs meanwhile', async ({
  page,
  context,
  app,
}) => {
  giveAll(app, { fetchFirst: true });
  let down = true;
  await context.route('**/sealed', (route) => (down ? route.abort() : route.continue()));
  await signIn(page, app, 'wren');
  await page.goto(`${app.url}/tests/${assignmentOf(app, 'wren', BENCHMARK)}`);
  await page.getByRole('button', { name: 'Get the test ready' }).click();
  await expect(page.getByText('The network does not answer.')).toBeVisible({ timeout: 40_000 });
  await expect(page.getByRole('button', { name: 'Start the test', exact: true })).toBeDisabled();
  down = false;
  await expect(page.getByText('Ready to go without network.')).toBeVisible({ timeout: 40_000 });
});
