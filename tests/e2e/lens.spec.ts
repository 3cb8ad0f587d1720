import type { Page } from '@playwright/test';
import { expect, saved, startTest, test } from './app';
import { expectAccessibleInEveryScheme } from './axe';

/** Lets the test look into the lens, which nothing of the page can. */
const lookInside = (page: Page) =>
  page.addInitScript(() => {
    const attach = Object.getOwnPropertyDescriptor(Element.prototype, 'attachShadow')
      ?.value as Element['attachShadow'];
    Element.prototype.attachShadow = function (this: Element, init) {
      const root = attach.call(this, init);
      if (this.closest('[data-lens]')) Object.assign(window, { inside: root });
      return root;
    };
  });
/** Boxes of the first element with these words: on the page, and in the lens. */
const boxes = (page: Page, selector: string) =>
  page.evaluate((sought) => {
    const inside = (window as unknown as { inside: ShadowRoot }).inside;
    const [real, twin] = [document.querySelector(sought), inside.querySelector(sought)].map((one) => {
      const box = one?.getBoundingClientRect();
      return box ? { x: box.x, y: box.y, width: box.width, height: box.height } : null;
    });
    if (!real || !twin) throw new Error(`no ${sought}`);
    return { real, twin };
  }, selector);
const insideHas = (page: Page, selector: string) =>
  page.evaluate(
    (sought) => (window as unknown as { inside: ShadowRoot }).inside.querySelectorAll(sought).length,
    selector,
  );

test('lens: the page itself enlarged, where the pointer is, as it is now; a press goes through it', async ({
  page,
  app,
}) => {
  await lookInside(page);
  await startTest(page, app);
  await page.keyboard.press('Alt+w');
  await expect(page.locator('[data-window=lens]')).toBeVisible();
  const paragraph = '[data-sheet=passage] p';
  const at = await page.locator(paragraph).first().boundingBox();
  if (!at) throw new Error('no paragraph');
  const [x, y] = [at.x + 90, at.y + 14];
  await page.mouse.move(x, y);
  const same = async () => {
    const { real, twin } = await boxes(page, paragraph);
    // Twice as large, and the point under the pointer is under the pointer.
    return [twin.width / real.width, twin.x + (x - real.x) * 2 - x, twin.y + (y - real.y) * 2 - y];
  };
  await expect.poll(async () => (await same()).map(Math.round)).toEqual([2, 0, 0]);
  const lens = await page.locator('[data-lens]').boundingBox();
  expect(lens && x > lens.x && x < lens.x + lens.width && y > lens.y && y < lens.y + lens.height).toBe(true);
  // As it is now: a choice pressed through the lens is chosen in it, a mark is marked in it.
  const choice = page.getByRole('radio').nth(1);
  const choiceAt = await choice.boundingBox();
  if (!choiceAt) throw new Error('no choice');
  await page.mouse.click(choiceAt.x + 8, choiceAt.y + 8);
  await expect(choice).toBeChecked();
  await expect.poll(() => insideHas(page, 'input[type=radio]:checked')).toBe(1);
  await page.evaluate(() => {
    const node = document.querySelector('[data-sheet=passage] p')?.firstChild;
    if (node) window.getSelection()?.setBaseAndExtent(node, 4, node, 8);
  });
  await page.getByRole('button', { name: 'Marigold' }).click();
  await expect.poll(() => insideHas(page, '[data-lit=able-marigold]')).toBeGreaterThan(0);
  await saved(page);
  await expectAccessibleInEveryScheme(page, 'lens');
});

test('lens: by keys alone: stronger, moved, with the focus; whole on the screen at any size, and gone with its window', async ({
  page,
  app,
}) => {
  await lookInside(page);
  await startTest(page, app);
  await page.keyboard.press('Alt+w');
  const lens = page.locator('[data-lens]');
  await page.getByRole('button', { name: 'Stronger' }).press('Enter');
  await expect(page.locator('[data-announcer] p').last()).toHaveText('3 times as large.');
  const before = await lens.boundingBox();
  await page.getByRole('button', { name: /^Move the lens/ }).press('Shift+ArrowLeft');
  await expect.poll(async () => (await lens.boundingBox())?.x).toBe((before?.x ?? 0) - 80);
  // With the focus: what is come to by keys is under the glass.
  const next = page.getByRole('button', { name: 'Next', exact: true });
  await page.getByRole('button', { name: 'Back', exact: true }).focus();
  await page.keyboard.press('Tab');
  await expect(next).toBeFocused();
  await expect
    .poll(async () => {
      const [glass, button] = await Promise.all([lens.boundingBox(), next.boundingBox()]);
      if (!glass || !button) return false;
      const [x, y] = [button.x + button.width / 2, button.y + button.height / 2];
      return x > glass.x && x < glass.x + glass.width && y > glass.y && y < glass.y + glass.height;
    })
    .toBe(true);
  for (let i = 0; i < 2; i += 1) await page.getByRole('button', { name: 'Larger glass' }).press('Enter');
  await page.setViewportSize({ width: 500, height: 420 });
  await expect
    .poll(() =>
      lens.evaluate((one) => {
        const { left, top, right, bottom } = one.getBoundingClientRect();
        return left >= 0 && top >= 0 && right <= innerWidth + 0.5 && bottom <= innerHeight + 0.5;
      }),
    )
    .toBe(true);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('button', { name: 'Close Lens' }).click();
  await expect(lens).toHaveCount(0);
});
