import type { Page } from '@playwright/test';
import {
  type App,
  askToHandIn,
  EVERY_KIND,
  expect,
  goTo,
  picturesShown,
  ready,
  startTest,
  test,
} from './app';
import { expectAccessible, expectAccessibleInEveryScheme } from './axe';
import { KINDS, numberOf } from './kinds';

/** Other looks of kinds that are in the table already. */
const OTHERS = ['equation-3', 'upload-1', 'drawing-2', 'match-2', 'position-object-2'];
/** What is around it is the same at every question, and looked at in accessibility.spec.ts. */
const SHEET = '[data-sheet=question]';
const HALF = Math.ceil(KINDS.length / 2);

async function begin(page: Page, app: App): Promise<void> {
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
}

for (const half of [KINDS.slice(0, HALF), KINDS.slice(HALF)]) {
  test(`answered, ${half[0]?.item} to ${half.at(-1)?.item} pass axe`, async ({ page, app }) => {
    test.setTimeout(240_000);
    await begin(page, app);
    for (const kind of half) {
      await goTo(page, numberOf(kind.item));
      await kind.pointer(page);
      await picturesShown(page);
      await expectAccessibleInEveryScheme(page, kind.item, SHEET);
    }
  });
}

test('other looks, an enlarged grid, how to answer, and answers looked at again pass axe', async ({
  page,
  app,
}) => {
  test.setTimeout(150_000);
  await begin(page, app);
  for (const item of OTHERS) {
    await goTo(page, numberOf(item));
    await page
      .locator('main :is(math-field, [role=textbox], [data-sketch], [data-stage], input, table)')
      .first()
      .waitFor({ state: 'attached' });
    await expectAccessibleInEveryScheme(page, item, SHEET);
  }
  await goTo(page, numberOf('coordinate-plane-2'));
  await page.locator('[data-enlarge]').click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await expectAccessible(page, 'an enlarged grid');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('button', { name: 'How to answer' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await expectAccessible(page, 'how to answer');
  await page.getByRole('button', { name: 'Back to my question' }).click();
  for (const kind of KINDS.filter(({ item }) => ['gap-match-1', 'coordinate-plane-2'].includes(item))) {
    await goTo(page, numberOf(kind.item));
    await kind.pointer(page);
  }
  await askToHandIn(page);
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await page.getByRole('link', { name: 'See my answers' }).click();
  for (const item of ['gap-match-1', 'coordinate-plane-2', 'match-2']) {
    await page.getByRole('button', { name: new RegExp(`^Question ${numberOf(item)}:`) }).click();
    await expectAccessible(page, `answers: ${item}`);
  }
});
