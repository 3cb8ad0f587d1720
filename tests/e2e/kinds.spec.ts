import type { Page } from '@playwright/test';
import { status } from './answers';
import { expect, goTo, kindsTest as test, ready, saved, type App, type Name } from './app';
import { KINDS, numberOf, type Kind } from './kinds';

/** What the server keeps of a student for a question. */
const kept = (app: App, name: Name, item: string): Record<string, unknown> =>
  Object.fromEntries<unknown>(
    app
      .query<{ response: string; value: string }>(
        `SELECT response, value FROM responses
         JOIN attempts ON attempts.id = attempt_id JOIN users ON users.id = user_id
         WHERE sign_in_name = ? AND item = ?`,
        name,
        item,
      )
      .map(({ response, value }) => [response, JSON.parse(value) as unknown] as const)
      .filter(([, value]) => value !== null),
  );

/** Pairs and cells are a set and may be kept in any order; an order is not. */
const inOrder = (value: unknown, type: string): unknown =>
  Array.isArray(value) && !/order|partition|tally/.test(type) ? [...(value as string[])].sort() : value;

async function check(page: Page, app: App, name: Name, { type, item, response }: Kind): Promise<void> {
  await expect(status(page)).toHaveText(/done$/);
  await saved(page);
  for (const [identifier, value] of Object.entries(response))
    await expect.poll(() => inOrder(kept(app, name, item)[identifier], type)).toEqual(inOrder(value, type));
}

/** Leaves for the question beside it and comes back: its sheet was drawn ahead, left, and is put in place again. */
async function leaveAndReturn(page: Page, { item }: Kind): Promise<void> {
  const number = numberOf(item);
  await goTo(page, number === 1 ? 2 : number - 1);
  await goTo(page, number);
}

/** Another page, the same answers to all of them. */
async function checkRestored(page: Page, app: App, name: Name): Promise<void> {
  const all = () => KINDS.map(({ item }) => [item, kept(app, name, item)]);
  const before = all();
  await page.reload();
  await ready(page);
  for (const { item } of KINDS) {
    await goTo(page, numberOf(item));
    await expect(status(page), item).toHaveText(/done$/);
  }
  await saved(page);
  expect(all()).toEqual(before);
}

// In their order on one page each: what is given there is there to the last, and is there after it is loaded again.
test.describe('with the pointer', () => {
  test.describe.configure({ mode: 'default' });
  for (const kind of KINDS)
    test(`${kind.item}: answered and kept`, async ({ pointerPage: page, kindsApp: app }) => {
      await goTo(page, numberOf(kind.item));
      await leaveAndReturn(page, kind);
      await kind.pointer(page);
      await check(page, app, 'wren', kind);
      await leaveAndReturn(page, kind);
      await check(page, app, 'wren', kind);
    });
  test('every kind is there when the page is loaded again', async ({ pointerPage: page, kindsApp: app }) => {
    await checkRestored(page, app, 'wren');
  });
});
test.describe('with the keys alone', () => {
  test.describe.configure({ mode: 'default' });
  for (const kind of KINDS)
    test(`${kind.item}: answered and kept`, async ({ keysPage: page, kindsApp: app }) => {
      await goTo(page, numberOf(kind.item));
      await kind.keys(page);
      await check(page, app, 'tomas', kind);
    });
  test('every kind is there when the page is loaded again', async ({ keysPage: page, kindsApp: app }) => {
    await checkRestored(page, app, 'tomas');
  });
});
