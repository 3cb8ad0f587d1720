import { expect, type Locator, type Page } from '@playwright/test';

/** What a student who knows everything answers, with the points of each question (see content/skerry-sound-grade-6). */
export const CHOICES = {
  1: [/habit that makes the crossing/],
  2: [/puts the rope down/, /answers her slowly/],
  3: [/can matter, however young/, /did not ask how old/],
  7: [/^0\.375$/, /^9\s*24$/, /^37\.5%$/],
  12: [/300 − 15/],
} as const;

/** The label of a choice, which is what a student presses. */
export const choice = (page: Page | Locator, words: RegExp): Locator =>
  page.locator('label').filter({ hasText: words });

/** Drags like a hand does: down, over in steps, up. */
export async function drag(page: Page, from: Locator, to: Locator, beside = { x: 0, y: 0 }): Promise<void> {
  const [a, b] = [await from.boundingBox(), await to.boundingBox()];
  if (!a || !b) throw new Error('nothing to drag');
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(a.x + a.width / 2 + 12, a.y + a.height / 2 + 4, { steps: 3 });
  await page.mouse.move(b.x + b.width / 2 + beside.x, b.y + b.height / 2 + beside.y, { steps: 10 });
  await page.mouse.up();
}

export const gap = (page: Page, number: number) => page.locator(`[data-gap=G${number}]`);
export const piece = (page: Page, number: number) => page.locator(`[data-piece=N${number}]`);
export const status = (page: Page) => page.locator('[data-progress]');

/** Where something is from what has the focus, in the order of the page. */
const wayTo = (target: Locator): Promise<'here' | 'ahead' | 'back'> =>
  target.evaluate((element) => {
    const { activeElement: focused, body } = document;
    if (element === focused || element.contains(focused)) return 'here';
    if (focused === null || focused === body) return 'ahead';
    return element.compareDocumentPosition(focused) & Node.DOCUMENT_POSITION_FOLLOWING ? 'back' : 'ahead';
  });

/** Tab, and only Tab, until something has the focus: backwards where it is behind, as people go. */
export async function tabTo(page: Page, target: Locator, most = 90): Promise<void> {
  await expect(target).toBeAttached();
  let backwards = (await wayTo(target)) === 'back';
  for (let i = 0; i < most; i += 1) {
    const way = await wayTo(target);
    if (way === 'here') return;
    // Past it: round marks are entered at their last from below, at their first from above.
    if (backwards && way === 'ahead') backwards = false;
    await page.keyboard.press(backwards ? 'Shift+Tab' : 'Tab');
  }
  throw new Error(`Tab never reached ${String(target)}`);
}
