import type { Page } from '@playwright/test';
import { drag, status, tabTo } from './answers';
import { expect, goTo, saved, startTest, test } from './app';

const KINDS = /See what it asks: Every kind/;
const words = (page: Page) => page.locator('ol li span[class*=text]');

test('hottext, order and slider with the pointer; the limits speak; handed in and scored', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', KINDS);
  await page.getByRole('button', { name: 'lamp', exact: true }).click();
  await page.getByRole('button', { name: 'climbs', exact: true }).click();
  await expect(page.getByRole('button', { name: 'lamp', exact: true })).toHaveAttribute(
    'aria-pressed',
    'false',
  );
  await expect(status(page)).toHaveText('done');
  await goTo(page, 2);
  await page.getByRole('button', { name: /Gannet Rock is out/ }).click();
  await expect(status(page)).toHaveText('1 of 2 chosen');
  await page.getByRole('button', { name: /south side/ }).click();
  await page.getByRole('button', { name: /built by hand/ }).click();
  await expect(page.getByText('You can choose 2.', { exact: false }).first()).toBeVisible();
  await goTo(page, 3);
  await expect(status(page)).toHaveText('not set yet');
  const grip = (name: RegExp) => page.locator('ol li').filter({ hasText: name }).locator('span[class*=grip]');
  await drag(page, grip(/reaches the farm/), grip(/hauled aboard/));
  await expect(words(page)).toHaveText([/reaches/, /hauled/, /goes home/, /cut and stacked/]);
  await page.getByRole('button', { name: /Move down: The barge goes home/ }).click();
  await expect(status(page)).toHaveText('done');
  await goTo(page, 5);
  await expect(status(page)).toHaveText('not set yet');
  await page.getByRole('slider').fill('8');
  await expect(status(page)).toHaveText('done');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('slider')).toHaveValue('8');
  await page
    .getByRole('navigation')
    .getByRole('button', { name: /Look over/ })
    .click();
  await page.getByRole('button', { name: 'Hand in …' }).click();
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.locator('tbody tr td:nth-child(2)')).toHaveText([
    'Right',
    'Right',
    'Right',
    'Not answered',
    'Right',
    'Not answered',
  ]);
});

test('hottext, order and slider with the keyboard alone', async ({ page, app }) => {
  await startTest(page, app, 'wren', KINDS);
  const heading = (number: number) => page.getByRole('heading', { name: `Question ${number}`, exact: true });
  await tabTo(page, page.getByRole('button', { name: 'climbs', exact: true }));
  await page.keyboard.press('Space');
  await expect(status(page)).toHaveText('done');
  for (const number of [2, 3, 4]) {
    await page.keyboard.press('Alt+n');
    await expect(heading(number)).toBeFocused();
  }
  await tabTo(page, page.getByRole('button', { name: /Move up: 2.45/ }));
  await page.keyboard.press('Enter');
  await expect(words(page)).toHaveText([/2\.05/, /2\.45/, /2\.5/]);
  await expect(page.locator('[data-announcer]')).toHaveText('2.45 fathoms, now 2 of 3.');
  await page.keyboard.press('Alt+n');
  await expect(heading(5)).toBeFocused();
  await page.keyboard.press('Alt+n');
  await expect(heading(6)).toBeFocused();
  await tabTo(page, page.getByRole('slider'));
  await page.keyboard.press('Home');
  for (let i = 0; i < 5; i += 1) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('slider')).toHaveAttribute('aria-valuetext', '0.25');
  await page.keyboard.press('Alt+v');
  await expect(page.getByText('3 of 6 questions are not finished.')).toBeVisible();
});
