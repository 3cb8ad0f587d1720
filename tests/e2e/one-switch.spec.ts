import type { Page } from '@playwright/test';
import { expect, saved, startTest, test, WORKSHOP } from './app';
import { expectAccessibleInEveryScheme } from './axe';

const light = (page: Page) => page.locator('[data-scan-light]');
const litNow = (page: Page) =>
  page
    .evaluate(() => {
      const found = document.querySelector<HTMLElement>('[data-scan-light]');
      return found ? `${found.dataset.scanLight ?? ''}|${found.dataset.label ?? ''}` : '';
    })
    // The last press leads to another page.
    .catch(() => '');
/** Waits until something of that name is lit, and presses the bar: nothing but waiting and the bar. */
async function choose(page: Page, ...names: readonly RegExp[]): Promise<void> {
  const pressAt = async (fits: (depth: number, label: string) => boolean) => {
    let at = '';
    await expect
      .poll(
        async () => {
          at = await litNow(page);
          const [depth = '0', label = ''] = at.split('|');
          return fits(Number(depth), label);
        },
        { timeout: 40_000, intervals: [40] },
      )
      .toBe(true);
    await page.keyboard.press('Space');
    await expect.poll(() => litNow(page), { intervals: [40] }).not.toBe(at);
  };
  const [group, ...inside] = names;
  // Out of wherever it still is, then into the group.
  for (;;) {
    const depth = Number((await litNow(page)).split('|')[0]);
    if (depth <= 1) break;
    await pressAt((_depth, label) => label === 'Out of here');
  }
  await pressAt((depth, label) => depth === 1 && (group?.test(label) ?? false));
  for (const name of inside) {
    const row = new RegExp(`^Row: .*(${name.source.replace(/^\^|\$$/g, '')})`);
    let control = false;
    while (!control) {
      await pressAt((depth, label) => {
        control = depth > 1 && !label.startsWith('Row: ') && name.test(label);
        return control || (depth === 2 && row.test(label));
      });
    }
  }
}
const openPanel = async (page: Page) => {
  await page.getByRole('button', { name: 'More tools' }).click();
  await page.getByRole('button', { name: /^One switch/ }).click();
};
const begin = async (page: Page) => {
  await openPanel(page);
  await page.getByLabel('Each thing is lit for').selectOption('1');
  await page.getByRole('button', { name: 'Switch the light on' }).click();
  await page.keyboard.press('Escape');
  await expect(light(page)).toBeVisible();
};

test('one switch: a test is taken, written in and handed in with the space bar alone', async ({
  page,
  app,
}) => {
  test.setTimeout(420_000);
  await startTest(page, app, 'wren', WORKSHOP);
  await begin(page);
  const question = /^Question \d/;
  const heading = page.getByRole('heading', { name: /^Question \d+$/ });
  let chose = false;
  for (let number = 1; !chose; number += 1) {
    await expect(heading).toHaveText(`Question ${number}`);
    const box = page.locator('[data-sheet=question]').getByRole('textbox').first();
    if (number === 1 && (await box.count()) > 0) {
      const name = (await box.getAttribute('aria-label')) ?? '';
      await choose(page, question, new RegExp(name.slice(0, 12).replace(/[^\w ]/g, '.') || '.*'));
      await choose(page, /^Letters/, /^7$/);
      await choose(page, /^Letters/, /^Done$/);
      await expect(box).toHaveValue('7');
    }
    const choice = page.locator('[data-sheet=question]').getByRole('radio').first();
    if ((await choice.count()) > 0) {
      const words =
        (await choice.getAttribute('aria-label')) ??
        (await page.locator('[data-sheet=question] [data-choice-text]').first().textContent()) ??
        '';
      await choose(
        page,
        question,
        new RegExp(
          words
            .trim()
            .slice(0, 12)
            .replace(/[^\w ]/g, '.'),
        ),
      );
      await expect(choice).toBeChecked();
      chose = true;
    }
    if (chose) await choose(page, /^Question trail/, /^Question 7:/);
    await choose(page, question, chose ? /^Look over$/ : /^Next$/);
    const reminder = page.getByRole('button', { name: 'Go on anyway' });
    if (await reminder.isVisible()) await choose(page, /./, /^Go on anyway$/);
  }
  await saved(page);
  await choose(page, /./, /^Hand in/);
  await choose(page, /./, /^Hand in now$/);
  await page.waitForURL(/\/score$/, { timeout: 30_000 });
});

test('one switch: two switches, one goes on and one chooses; the light is seen in every scheme; the bar writes nothing', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren');
  await openPanel(page);
  await page.getByLabel('Switches').selectOption('two');
  await page.getByRole('button', { name: 'Switch the light on' }).click();
  await page.keyboard.press('Escape');
  await expect(light(page)).toBeVisible();
  const first = await litNow(page);
  await page.keyboard.press('Space');
  await expect.poll(() => litNow(page)).not.toBe(first);
  // Once around it is where it began.
  for (let i = 0; i < 40 && (await litNow(page)) !== first; i += 1) await page.keyboard.press('Space');
  expect(await litNow(page)).toBe(first);
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await litNow(page)).split('|')[0]).toBe('2');
  await expectAccessibleInEveryScheme(page, 'one switch');
  const around = await page.evaluate(() => {
    const found = document.querySelector('[data-scan-light]');
    return found ? getComputedStyle(found).borderTopWidth : '';
  });
  expect(parseFloat(around)).toBeGreaterThanOrEqual(4);
});

test('one switch: on from before it is in the rail, where it is switched off', async ({ page, app }) => {
  await startTest(page, app, 'wren');
  await begin(page);
  await saved(page);
  await page.reload();
  await expect(light(page)).toBeVisible();
  await page.getByRole('button', { name: 'One switch', exact: true }).click();
  await page.getByRole('button', { name: 'Switch the light off' }).click();
  await expect(light(page)).toHaveCount(0);
});

test('a pointer that only rests presses once, where it rests, and a trembling hand rests too', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren');
  await openPanel(page);
  await page.getByLabel('A resting pointer presses after').selectOption('0.5');
  await page.keyboard.press('Escape');
  const box = await page.locator('[data-choice-text]').nth(1).boundingBox();
  if (!box) throw new Error('no choice');
  await page.mouse.move(box.x + 20, box.y + 8);
  await page.mouse.move(box.x + 22, box.y + 9);
  await expect(page.getByRole('radio').nth(1)).toBeChecked();
  // Going past presses nothing.
  const other = await page.locator('[data-choice-text]').nth(2).boundingBox();
  if (!other) throw new Error('no choice');
  await page.mouse.move(other.x + 20, other.y + 8);
  await page.mouse.move(5, 400);
  await saved(page);
  await expect(page.getByRole('radio').nth(1)).toBeChecked();
  await expect(page.getByRole('radio').nth(2)).not.toBeChecked();
});
