import type { Page } from '@playwright/test';
import { choice, tabTo } from './answers';
import { expect, goTo, ready, saved, startTest, test } from './app';
import { numberOf, openKind } from './kinds';

const main = (page: Page) => page.locator('main');
/** Everything said to a screen reader lately, oldest first. */
const said = (page: Page) => page.locator('[data-announcer] p');
const field = (page: Page) => page.locator('math-field [part=keyboard-sink]');

test('typed maths is said once, when it has come to rest; the box says what it holds', async ({
  page,
  app,
}) => {
  await openKind(page, app, 'equation-2');
  await page.locator('math-field').click();
  await page.keyboard.type('y=3x+2', { delay: 40 });
  await expect(said(page)).toHaveText(['y equals 3 x plus 2', 'done']);
  // The editor's own voice, which spoke of every key, is still.
  await expect(page.locator('math-field [role=status]')).toHaveAttribute('aria-live', 'off');
  await expect(field(page)).toHaveAttribute('aria-label', 'Your answer, written math: y equals 3 x plus 2');
});

test('a key of the keypad pressed by keys keeps the focus', async ({ page, app }) => {
  await openKind(page, app, 'equation-2');
  const seven = main(page).getByRole('button', { name: '7', exact: true });
  await tabTo(page, seven, 60);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(seven).toBeFocused();
  await expect(field(page)).toHaveAttribute('aria-label', /: 77$/);
});

test('typing maths as text is remembered through the test and over a reload', async ({ page, app }) => {
  await openKind(page, app, 'equation-1');
  await main(page).getByRole('button', { name: 'Type it as text instead' }).click();
  await goTo(page, numberOf('equation-2'));
  const box = main(page).getByRole('textbox', { name: 'Your answer, typed' });
  await expect(box).toBeVisible();
  await saved(page);
  await page.reload();
  await ready(page);
  await expect(box).toBeVisible();
});

test('one key says the task, the answer and what is missing; the flag is said', async ({ page, app }) => {
  await openKind(page, app, 'number-line-1');
  await page.keyboard.press('Alt+l');
  await page.keyboard.press('Alt+a');
  await expect(said(page).first()).toHaveText('Flagged.');
  await expect(said(page).last()).toHaveText(
    /^Question \d+\. .* Your answer: no answer yet\. Still missing: no point yet\.$/,
  );
});

test('what a check has to say is said; saving is spoken of only when it fails and when it is well again', async ({
  page,
  app,
  context,
}) => {
  await openKind(page, app, 'end-attempt-1');
  await choice(page, /06:12/).click();
  await page.getByRole('button', { name: 'Check my answer' }).click();
  await expect(said(page).filter({ hasText: 'Not yet. Look again and try once more.' })).toHaveCount(1);
  await saved(page);
  await expect(said(page).filter({ hasText: 'saved' })).toHaveCount(0);
  await context.setOffline(true);
  await choice(page, /13:24/).click();
  await expect(said(page).filter({ hasText: 'Kept on this computer' })).toHaveCount(1);
  await context.setOffline(false);
  await choice(page, /07:12/).click();
  await expect(said(page).filter({ hasText: 'All answers saved' })).toHaveCount(1);
});

test('the divider between passage and question can be pressed, by hand and by key', async ({ page, app }) => {
  await startTest(page, app);
  await ready(page);
  const divider = page.getByRole('separator');
  const share = () => divider.evaluate((one) => Math.round(Number(one.getAttribute('aria-valuenow'))));
  expect(await share()).toBe(50);
  await divider.click();
  await expect.poll(share).toBe(35);
  await divider.focus();
  await page.keyboard.press('Enter');
  await expect.poll(share).toBe(65);
  // Dragged it stays where it was left.
  const box = await divider.boundingBox();
  if (!box) throw new Error('no divider');
  await page.mouse.move(box.x + box.width / 2, box.y + 100);
  await page.mouse.down();
  await page.mouse.move(box.x - 100, box.y + 100, { steps: 5 });
  await page.mouse.up();
  await expect.poll(share).toBeLessThan(60);
  expect(await share()).toBeGreaterThan(50);
});

test('marks of a drawing are listed in words and can be erased there', async ({ page, app }) => {
  await openKind(page, app, 'drawing-1');
  const sheet = page.locator('[data-sketch]');
  await sheet.focus();
  for (const key of ['Enter', 'ArrowRight', 'ArrowRight', 'Enter']) await page.keyboard.press(key);
  await main(page).getByText('On the sheet: 1 mark').click();
  await main(page)
    .getByRole('button', { name: /^Erase: / })
    .click();
  await expect(sheet).toHaveAttribute('aria-label', /^Drawing sheet, empty/);
  expect(await page.evaluate(() => document.activeElement !== document.body)).toBe(true);
});

test('Enter in a line of work goes on in the next, and no key is lost', async ({ page, app }) => {
  await openKind(page, app, 'equation-3');
  await page.locator('math-field').click();
  await page.keyboard.type('3x+2=11');
  await page.keyboard.press('Enter');
  await page.keyboard.type('3x=9');
  await page.keyboard.press('Enter');
  await page.keyboard.type('x=3');
  await page.keyboard.press('Alt+a');
  await expect(said(page).filter({ hasText: /^Question/ })).toContainText(
    'Your answer: line 1: 3 x plus 2 equals 11; line 2: 3 x equals 9; line 3: x equals 3.',
  );
});

test('the keypad of all lines of work has one place, and a line pressed to be changed takes its keys', async ({
  page,
  app,
}) => {
  await openKind(page, app, 'equation-3');
  const keypad = main(page).getByRole('group', { name: 'Keypad' });
  const place = async () => (await keypad.boundingBox())?.y;
  await page.locator('math-field').click();
  const before = await place();
  await page.keyboard.type('3x=9');
  await page.keyboard.press('Enter');
  await page.keyboard.type('x=3');
  expect(await place()).toBe(before);
  await main(page)
    .getByRole('button', { name: /^Line 1: / })
    .click();
  await keypad.getByRole('button', { name: '7', exact: true }).click();
  await expect(page.locator('math-field [part=keyboard-sink]')).toHaveAttribute(
    'aria-label',
    /Line 1, math: .*7/,
  );
  expect(await place()).toBe(before);
});
