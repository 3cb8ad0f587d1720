import { expect, goTo, startTest, test } from './app';
import { expectAccessible, SCHEMES } from './axe';
import { KINDS, numberOf } from './kinds';

const WHICH = /See what it asks: Every kind/;
/** Other looks of kinds that are in the table already. */
const OTHERS = ['equation-3', 'upload-1', 'drawing-2', 'match-2'];

for (const scheme of SCHEMES) {
  test(`every kind of question, answered, passes axe in ${scheme}`, async ({ page, sharedApp: app }) => {
    test.setTimeout(240_000);
    app.change('UPDATE users SET needs = ? WHERE sign_in_name = ?', JSON.stringify({ scheme }), 'wren');
    await startTest(page, app, 'wren', WHICH);
    await page.locator('[data-player=ready]').waitFor();
    for (const kind of KINDS) {
      await goTo(page, numberOf(kind.item));
      await kind.pointer(page);
      await expectAccessible(page, kind.item);
    }
    for (const item of OTHERS) {
      await goTo(page, numberOf(item));
      await page
        .locator('main :is(math-field, [role=textbox], [data-sketch], input, table)')
        .first()
        .waitFor({ state: 'attached' });
      await expectAccessible(page, item);
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
    await page
      .getByRole('navigation')
      .getByRole('button', { name: /Look over/ })
      .click();
    await page.getByRole('button', { name: 'Hand in …' }).click();
    await page.getByRole('button', { name: 'Hand in now' }).click();
    await page.getByRole('link', { name: 'See my answers' }).click();
    for (const item of ['gap-match-1', 'coordinate-plane-2', 'match-2']) {
      await page.getByRole('button', { name: new RegExp(`^Question ${numberOf(item)}:`) }).click();
      await expectAccessible(page, `answers: ${item}`);
    }
  });
}
