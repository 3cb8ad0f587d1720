import type { Page } from '@playwright/test';
import { expectAccessibleInEveryScheme } from './axe';
import { choice, CHOICES } from './answers';
import { expect, ready, saved, startTest, test } from './app';

async function lay(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'More tools' }).click();
  await page
    .getByRole('region', { name: 'More tools' })
    .getByRole('button', { name: /^Cover parts/ })
    .click();
}
const cover = (page: Page, number: number) =>
  page.getByRole('group', { name: `Cover ${number}`, exact: true });
const boxOf = async (page: Page, number: number) => {
  const box = await cover(page, number).boundingBox();
  if (!box) throw new Error('no cover');
  return box;
};

test('cover parts: laid over any part of the page, moved and resized by keys and by hand, kept, taken away one by one', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await ready(page);
  await lay(page);
  const grip = page.getByRole('button', { name: /^Move cover 1/ });
  await expect(grip).toBeFocused();
  const first = await boxOf(page, 1);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Shift+ArrowLeft');
  await expect.poll(async () => (await boxOf(page, 1)).y).toBeLessThan(first.y - 10);
  expect((await boxOf(page, 1)).x).toBeLessThan(first.x - 60);
  await page.getByRole('button', { name: /^Make cover 1/ }).focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect.poll(async () => (await boxOf(page, 1)).height).toBeGreaterThan(first.height + 60);
  // By hand, anywhere on it; it never leaves the screen.
  const now = await boxOf(page, 1);
  await page.mouse.move(now.x + 30, now.y + 20);
  await page.mouse.down();
  await page.mouse.move(5000, 5000, { steps: 4 });
  await page.mouse.up();
  const corner = await boxOf(page, 1);
  expect(corner.x + corner.width).toBeLessThanOrEqual(1280.5);
  expect(corner.y + corner.height).toBeLessThanOrEqual(800.5);
  await page.getByRole('button', { name: 'Lay another cover' }).click();
  await expect(page.getByRole('button', { name: /^Move cover 2/ })).toBeFocused();
  await expectAccessibleInEveryScheme(page, 'two covers');
  await page.getByRole('button', { name: /^Move cover 2/ }).focus();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('Shift+ArrowLeft');
  // What is not under one is pressed as ever.
  await choice(page, CHOICES[1][0]).click({ position: { x: 20, y: 10 } });
  await expect(page.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
  await saved(page);
  await page.reload();
  await expect(cover(page, 2)).toBeVisible();
  expect(Math.abs((await boxOf(page, 1)).x - corner.x)).toBeLessThanOrEqual(1);
  const away = page.getByRole('button', { name: 'Take cover 2 away' });
  await away.focus();
  await page.keyboard.press('Enter');
  await expect(cover(page, 2)).toHaveCount(0);
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');
  await page.getByRole('button', { name: 'Take cover 1 away' }).click();
  await expect(page.getByRole('button', { name: 'Cover parts' })).toHaveAttribute('aria-pressed', 'false');
});
