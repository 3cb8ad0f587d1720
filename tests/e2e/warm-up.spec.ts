import type { Page } from '@playwright/test';
import { expectAccessibleInEveryScheme } from './axe';
import { CROSSING, EVERY_KIND, expect, linkTo, ready, signIn, test, type App } from './app';

async function openWarmUp(page: Page, app: App, title: string): Promise<void> {
  await signIn(page, app, 'wren');
  await page.goto(`${app.url}/tests`);
  await linkTo(page, title).click();
  await page.getByRole('link', { name: 'Warm up first' }).click();
  await ready(page);
}

test('warm-up: tried on the question screen, the answer explained, and nothing of it kept', async ({
  page,
  app,
}) => {
  await openWarmUp(page, app, CROSSING);
  await expect(page.getByText('Nothing is kept')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
  await page.getByRole('radio', { name: '4' }).check();
  await page.getByRole('button', { name: 'Check my answer' }).click();
  await expect(
    page.getByRole('heading', { name: /That is a finished answer, but another one/ }),
  ).toBeVisible();
  await page.getByRole('radio', { name: '5' }).check();
  await page.getByRole('button', { name: 'Check my answer' }).click();
  await expect(page.getByRole('heading', { name: /That is the answer asked for/ })).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Press a choice, anywhere on its line, to choose it.' }),
  ).toBeVisible();
  await expectAccessibleInEveryScheme(page, 'warm-up with an answer checked');
  await page.getByRole('button', { name: 'Eliminator' }).click();
  await expect(page.getByRole('button', { name: /Strike out/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Question 2', exact: true })).toBeVisible();
  await page.getByRole('main').getByRole('button', { name: 'Look over' }).click();
  await expect(page.getByText('Nothing is handed in: this was to warm up.')).toBeVisible();
  await page.getByRole('main').getByRole('button', { name: 'End the warm-up' }).click();
  await expect(page.getByRole('button', { name: /Start the test/ })).toBeVisible();
  expect(app.query('SELECT id FROM attempts')).toEqual([]);
  expect(app.query('SELECT id FROM events')).toEqual([]);
});

test('warm-up: one question of every kind that a test uses, and each can be checked', async ({
  page,
  app,
}) => {
  test.setTimeout(150_000);
  await openWarmUp(page, app, EVERY_KIND);
  const stops = page
    .getByRole('navigation', { name: 'Question trail' })
    .getByRole('button', { name: /^Question \d/ });
  const count = await stops.count();
  expect(count).toBeGreaterThan(20);
  for (let number = 1; number <= count; number += 1) {
    await stops.nth(number - 1).click();
    const goOn = page.getByRole('button', { name: 'Go on anyway' });
    const heading = page.getByRole('heading', { name: `Question ${number}`, exact: true });
    await expect(goOn.or(heading).first()).toBeVisible();
    if (await goOn.isVisible()) await goOn.click();
    await expect(heading).toBeVisible();
    await expect(page.getByText(/^To see how this kind of question works/).first()).toBeVisible();
    await expect(page.getByText('This question cannot be shown')).toHaveCount(0);
    await page.getByRole('button', { name: 'Check my answer' }).click();
    const sure = page.getByRole('dialog').getByRole('button', { name: /^Check/ });
    const said = page.getByRole('heading', { name: /This is how (it|an answer) is given/ });
    await expect(sure.or(said).first()).toBeVisible();
    if (await sure.isVisible()) await sure.click();
    await expect(said).toBeVisible();
  }
});
