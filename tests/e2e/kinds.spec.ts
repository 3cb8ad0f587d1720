import type { Page } from '@playwright/test';
import { status } from './answers';
import { expect, goTo, saved, startTest, test, type App } from './app';
import { KINDS, numberOf, type Kind } from './kinds';

const WHICH = /See what it asks: Every kind/;

/** What the server keeps for a question. */
const kept = (app: App, item: string): Record<string, unknown> =>
  Object.fromEntries<unknown>(
    app
      .query<{ response: string; value: string }>(
        'SELECT response, value FROM responses WHERE item = ?',
        item,
      )
      .map(({ response, value }) => [response, JSON.parse(value) as unknown] as const)
      .filter(([, value]) => value !== null),
  );

/** Pairs and cells are a set and may be kept in any order; an order is not. */
const inOrder = (value: unknown, type: string): unknown =>
  Array.isArray(value) && !/order|partition|tally/.test(type) ? [...(value as string[])].sort() : value;

async function check(page: Page, app: App, { type, item, response }: Kind): Promise<void> {
  await expect(status(page)).toHaveText(/done$/);
  await saved(page);
  for (const [name, value] of Object.entries(response))
    await expect.poll(() => inOrder(kept(app, item)[name], type)).toEqual(inOrder(value, type));
}

/** Another page, the same answer. */
async function checkRestored(page: Page, app: App, { item }: Kind): Promise<void> {
  const before = kept(app, item);
  await page.reload();
  await expect(page.locator('[data-player=ready]')).toBeVisible();
  await expect(page.getByRole('heading', { name: `Question ${numberOf(item)}`, exact: true })).toBeVisible();
  await expect(status(page)).toHaveText(/done$/);
  await saved(page);
  expect(kept(app, item)).toEqual(before);
}

for (const kind of KINDS) {
  test(`${kind.item} with the pointer, kept and restored`, async ({ page, sharedApp: app }) => {
    await startTest(page, app, 'wren', WHICH);
    await page.locator('[data-player=ready]').waitFor();
    await goTo(page, numberOf(kind.item));
    await kind.pointer(page);
    await check(page, app, kind);
    await checkRestored(page, app, kind);
  });
  test(`${kind.item} with the keys alone, and kept`, async ({ page, sharedApp: app }) => {
    await startTest(page, app, 'wren', WHICH);
    await page.locator('[data-player=ready]').waitFor();
    await goTo(page, numberOf(kind.item));
    await kind.keys(page);
    await check(page, app, kind);
  });
}
