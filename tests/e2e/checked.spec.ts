import { choice, status } from './answers';
import { EVERY_KIND, expect, goTo, ready, startTest, test } from './app';
import { numberOf } from './kinds';

test('a question checked on the way: not yet, then right, then closed, and still so after a reload', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', EVERY_KIND);
  await goTo(page, numberOf('end-attempt-1'));
  const check = page.getByRole('button', { name: 'Check my answer' });
  // With nothing answered it asks first, says what is missing, and uses up nothing.
  await check.click();
  await expect(page.getByRole('dialog', { name: 'Not finished yet' })).toContainText('nothing chosen yet');
  await page.getByRole('button', { name: 'Go on answering' }).click();
  await expect(check).toBeFocused();
  expect(app.query("SELECT 1 FROM events WHERE body ->> 'type' = 'checked'")).toEqual([]);
  await choice(page, /06:12/).click();
  await check.click();
  await expect(page.getByText('Not yet. Look again and try once more.')).toBeVisible();
  await choice(page, /07:12/).click();
  await check.click();
  await expect(page.getByText('That is right.')).toBeVisible();
  await expect(page.getByText('Not yet.', { exact: false })).toBeHidden();
  await expect(check).toBeDisabled();
  await expect(page.getByRole('radio').first()).toBeDisabled();
  await page.reload();
  await expect(page.getByText('That is right.')).toBeVisible();
  await expect(status(page)).toContainText('This question is closed');
  await expect(page.getByRole('radio', { name: '07:12' })).toBeChecked();
});

test('a check that does not get through says that nothing was checked, and the answer stays', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', EVERY_KIND);
  await goTo(page, numberOf('end-attempt-2'));
  await page.getByRole('textbox').fill('1');
  await page.route('**/check', (route) => route.abort());
  await page.getByRole('button', { name: 'Check my answer' }).click();
  await expect(page.locator('[data-progress]')).toContainText('nothing was checked yet');
  await expect(page.getByRole('textbox')).toHaveValue('1');
  await page.unroute('**/check');
  await page.getByRole('button', { name: 'Check my answer' }).click();
  await expect(page.getByText('Not yet. Look again and try once more.')).toBeVisible();
});

test('a finger drags a piece into its box, and the page does not move under it', async ({ browser, app }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 768, height: 700 } });
  const page = await context.newPage();
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  await goTo(page, numberOf('gap-match-1'));
  const [from, to] = [
    await page.locator('[data-piece=K]').boundingBox(),
    await page.locator('[data-place=G1]').boundingBox(),
  ];
  if (!from || !to) throw new Error('nothing to drag');
  const client = await context.newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x = 0, y = 0) =>
    client.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] });
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
  await touch('touchStart', x, y);
  for (let step = 1; step <= 12; step += 1)
    await touch(
      'touchMove',
      x + ((to.x + to.width / 2 - x) * step) / 12,
      y + ((to.y + to.height / 2 - y) * step) / 12,
    );
  await touch('touchEnd');
  await expect(page.locator('[data-place=G1]')).toHaveText('kelp');
  expect((await page.locator('[data-place=G1]').boundingBox())?.y).toBe(to.y);
  await context.close();
});
