import type { Page } from '@playwright/test';
import { BENCHMARK, expect, linkTo, signInByHand, startTest, test, type App } from './app';
import { expectAccessible, expectAccessibleInEveryScheme } from './axe';

const openMyView = async (page: Page, app: App, name: Parameters<typeof signInByHand>[2]) => {
  await signInByHand(page, app, name);
  await page.getByRole('link', { name: 'My view' }).click();
  await expect(page.getByRole('heading', { name: 'My view', level: 1 })).toBeVisible();
};
const kept = (page: Page) => expect(page.locator('[data-keeping]')).toHaveAttribute('data-keeping', 'kept');
const schemeOf = (page: Page) => page.locator('html').getAttribute('data-scheme');

test('my view: set before a test and tried on the sample, it is on when the test begins, and on every page', async ({
  page,
  app,
}) => {
  await openMyView(page, app, 'wren');
  await expect(page.getByText('Everything is as it was set for you.')).toBeVisible();
  await page.getByRole('radio', { name: 'Light on slate blue' }).check();
  await page.getByRole('checkbox', { name: /^Eliminator/ }).check();
  await page.getByRole('button', { name: 'Larger' }).click();
  // The sample is as a test is: a choice is struck out, words are marked, an answer is given.
  const sample = page.getByRole('region', { name: 'A question' });
  await sample.getByRole('button', { name: /Strike out: Its lamp/ }).click();
  await sample.getByRole('radio', { name: 'It can be heard when nothing can be seen.' }).check();
  await kept(page);
  await expectAccessibleInEveryScheme(page, 'my view');
  await page.getByRole('link', { name: 'Done: to My tests' }).click();
  await expect(page.getByRole('heading', { name: 'My tests' })).toBeVisible();
  expect(await schemeOf(page)).toBe('slate');
  await linkTo(page, BENCHMARK).click();
  await expect(page.getByText('colors: light on slate blue, 125 % size')).toBeVisible();
  await page.getByRole('button', { name: /Start the test/ }).click();
  await expect(page.locator('[data-sheet]').first()).toBeVisible();
  expect(await schemeOf(page)).toBe('slate');
  await expect(page.getByRole('button', { name: 'Eliminator' })).toHaveAttribute('aria-pressed', 'true');
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).fontSize)).toBe('20px');

  // During the test all of it is in one window, and the question is what it is tried on.
  await page.getByRole('button', { name: 'More tools' }).press('Enter');
  await page.getByRole('button', { name: /^My view/ }).press('Enter');
  const settings = page.getByRole('region', { name: 'My view' });
  await expect(settings.getByRole('heading', { name: 'My view', level: 2 })).toBeFocused();
  await settings.getByRole('radio', { name: 'Black on white' }).check();
  await settings.getByRole('button', { name: 'Larger', exact: true }).click();
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).fontSize)).toBe('24px');
  expect(await schemeOf(page)).toBe('snow');
  await settings.getByRole('checkbox', { name: /^Eliminator/ }).uncheck();
  await expectAccessible(page, 'my view during the test');
  await page.keyboard.press('Escape');
  await expect(settings).toHaveCount(0);
  expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);
  await page.reload();
  await expect(page.locator('[data-sheet]').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Eliminator' })).toHaveAttribute('aria-pressed', 'false');
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).fontSize)).toBe('24px');
});

test('my view: what a teacher set is on and says so; one press goes back to it', async ({ page, app }) => {
  await openMyView(page, app, 'saoirse');
  await expect(page.getByText('Set for you by your teacher')).toBeVisible();
  await expect(page.getByText('colors: yellow on black, 200 % size')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Yellow on black' })).toBeChecked();
  await page.getByRole('radio', { name: 'Black on white' }).check();
  await kept(page);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Black on white' })).toBeChecked();
  await kept(page);
  // What was not touched stays as the teacher has it.
  await expect(page.getByText('200 %', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Back to how it was set for me' }).click();
  await expect(page.getByRole('radio', { name: 'Yellow on black' })).toBeChecked();
  await expect(page.getByText('Everything is as it was set for you.')).toBeVisible();
});

test('my view: going back to what was set holds, also right after a change, and the page that goes does not undo it', async ({
  page,
  app,
}) => {
  await openMyView(page, app, 'saoirse');
  await page.getByRole('radio', { name: 'Black on white' }).check();
  await kept(page);
  await page.getByRole('checkbox', { name: /^Eliminator/ }).check();
  await page.getByRole('button', { name: 'Back to how it was set for me' }).click();
  await expect(page.getByRole('radio', { name: 'Yellow on black' })).toBeChecked();
  await expect(page.getByText('Everything is as it was set for you.')).toBeVisible();
  await page.goto(`${app.url}/tests`);
  await page.goto(`${app.url}/my-view`);
  await expect(page.getByRole('radio', { name: 'Yellow on black' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /^Eliminator/ })).not.toBeChecked();
});

test('my view: two colors of one’s own are on every page from the first paint on', async ({ page, app }) => {
  await openMyView(page, app, 'wren');
  await page.getByText('Your own two colors').click();
  await page.getByRole('button', { name: 'Use these colors' }).click();
  await kept(page);
  const ground = () =>
    page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--sheet'));
  const mine = await ground();
  const first = await page.request.get(`${app.url}/tests`).then((response) => response.text());
  expect(first).toContain(`--sheet:${mine.trim()}`);
  await page.goto(`${app.url}/tests`);
  await expect(page.getByRole('heading', { name: 'My tests' })).toBeVisible();
  expect(await ground()).toBe(mine);
});

test('my view: a choice made just before going on is kept too', async ({ page, app }) => {
  await openMyView(page, app, 'wren');
  await page.getByRole('checkbox', { name: /^Line reader/ }).check();
  await page.getByRole('link', { name: 'Done: to My tests' }).click();
  await expect(page.getByRole('heading', { name: 'My tests' })).toBeVisible();
  await page.getByRole('link', { name: 'My view' }).click();
  await expect(page.getByRole('checkbox', { name: /^Line reader/ })).toBeChecked();
});

test('my view: with the network down it says that nothing is kept yet, and keeps it as soon as it can', async ({
  page,
  app,
}) => {
  await openMyView(page, app, 'wren');
  await page.context().setOffline(true);
  await page.getByRole('checkbox', { name: /^Line reader/ }).check();
  await expect(page.getByText('Your choice is not kept yet.')).toBeVisible();
  await expect(page.getByRole('alert').first()).toContainText('leave it open until your choice is kept');
  await page.context().setOffline(false);
  await kept(page);
  await startTest(page, app, 'wren');
  await expect(page.getByRole('button', { name: 'Line reader', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('sound check: a sentence is really played, whether it was heard is asked, and what to do if not', async ({
  page,
  app,
}) => {
  await page.addInitScript(() => {
    const played: number[] = [];
    Object.assign(window, { played });
    const start = Object.getOwnPropertyDescriptor(AudioBufferSourceNode.prototype, 'start')
      ?.value as () => void;
    AudioBufferSourceNode.prototype.start = function (this: AudioBufferSourceNode) {
      played.push(this.buffer?.duration ?? 0);
      start.apply(this);
    };
  });
  await openMyView(page, app, 'wren');
  const check = page.getByRole('region', { name: 'Sound check' });
  await check.getByRole('button', { name: 'Play a sentence' }).press('Enter');
  await expect(check.getByRole('status')).toHaveText('Did you hear the sentence?', { timeout: 40_000 });
  const played = await page.evaluate(() => (window as unknown as { played: number[] }).played);
  const seconds = played.reduce((sum, one) => sum + one, 0);
  expect(seconds).toBeGreaterThan(2);
  expect(seconds).toBeLessThan(12);
  await expect(check.getByRole('button', { name: 'Yes, I heard it' })).toBeFocused();
  await check.getByRole('button', { name: 'No', exact: true }).click();
  await expect(check.getByRole('status')).toContainText('Turn up the volume');
  await check.getByRole('button', { name: 'Yes, I heard it' }).click();
  await expect(check.getByRole('status')).toHaveText('Good: your sound is ready.');
});
