import { EVERY_KIND, expect, goTo, ready, startTest, test, lookOver } from './app';
import { KINDS, numberOf } from './kinds';
test('look', async ({ page, app }) => {
  test.setTimeout(300_000);
  await page.setViewportSize({ width: 1280, height: 800 });
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  for (const k of KINDS.filter((one) =>
    [
      'choice-1',
      'gap-match-1',
      'match-1',
      'associate-1',
      'select-point-1',
      'coordinate-plane-2',
      'number-line-2',
      'tally-plot-1',
      'cell-grid-2',
      'equation-1',
      'extended-text-1',
      'drawing-1',
      'graphic-gap-match-1',
    ].includes(one.item),
  )) {
    await goTo(page, numberOf(k.item));
    await k.pointer(page).catch((e) => console.log(k.item, String(e).slice(0, 200)));
    await page.waitForTimeout(1300);
    console.log(k.item, JSON.stringify(await page.locator('[data-announcer] p').allTextContents()));
    await page.keyboard.press('Alt+a');
    await page.waitForTimeout(100);
    console.log('   =>', await page.locator('[data-announcer] p').last().textContent());
    await page.waitForTimeout(200);
  }
  await goTo(page, 56);
  await page.getByRole('button', { name: 'Check my answer' }).click();
  await page.waitForTimeout(900);
  await page.screenshot({ path: '/tmp/shots/check.png' });
  await page.getByRole('button', { name: 'Go on answering' }).click();
  await lookOver(page);
  await page.waitForTimeout(700);
  await page.screenshot({ path: '/tmp/shots/review.png' });
});
