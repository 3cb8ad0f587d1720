import type { Page } from '@playwright/test';
import { expect, goTo, ready, saved, startTest, test, WORKSHOP } from './app';
import { expectAccessibleInEveryScheme } from './axe';

const sheetWindow = (page: Page) => page.locator('[data-window=reference]');
const openAt = async (page: Page, question: number) => {
  await goTo(page, question);
  await page.keyboard.press('Alt+i');
  await expect(sheetWindow(page)).toBeVisible();
};
/** How many pixels of a drawn PDF page are not its ground. */
const inkOn = (page: Page) =>
  page.evaluate(() => {
    const canvas = document.querySelector<HTMLCanvasElement>('[data-window=reference] canvas');
    const pixels = canvas?.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? [];
    let ink = 0;
    for (let i = 0; i < pixels.length; i += 4) if (pixels[i] !== pixels[0]) ink += 1;
    return { ink, ground: [...pixels.slice(0, 3)].join(' ') };
  });
const select = (page: Page, words: string) =>
  page.evaluate((sought) => {
    const root = document.querySelector('[data-window=reference] [data-text-root]');
    const walker = document.createTreeWalker(root ?? document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const node = walker.currentNode as Text;
      const at = node.data.indexOf(sought);
      if (at >= 0) return window.getSelection()?.setBaseAndExtent(node, at, node, at + sought.length);
    }
    throw new Error(`"${sought}" is not there`);
  }, words);

test('a PDF beside its question: words found where they are drawn, marked, in the page’s own colors, and kept', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', WORKSHOP);
  // It belongs to some questions only.
  await page.keyboard.press('Alt+i');
  await expect(sheetWindow(page)).toHaveCount(0);
  await openAt(page, 4);
  const sheet = sheetWindow(page);
  await expect(sheet.getByRole('region', { name: 'Page 2 of 2' })).toBeAttached();
  await expect.poll(async () => (await inkOn(page)).ink).toBeGreaterThan(1_000);
  const sought = sheet.getByRole('searchbox', { name: 'Find in this sheet' });
  await sought.fill('CIRCLE');
  await expect(sheet.getByRole('status')).toHaveText('1 of 3');
  await sought.press('Shift+Enter');
  await expect(sheet.getByRole('status')).toHaveText('3 of 3');
  // What is found is where it is drawn: the words of the table, as wide as the picture has them, within the page.
  const [words, second] = await Promise.all([
    sheet.getByText('Area of a circle', { exact: false }).first().boundingBox(),
    sheet.getByRole('region', { name: 'Page 2 of 2' }).boundingBox(),
  ]);
  expect(words && second && words.x > second.x && words.x + words.width < second.x + second.width).toBe(true);
  await sought.fill('zeppelin');
  await expect(sheet.getByRole('status')).toHaveText('Not found in this sheet');
  await expectAccessibleInEveryScheme(page, 'reference');
  // A page follows the scheme: light words on dark ground.
  await page.keyboard.press('Alt+c');
  await page.getByRole('radio', { name: 'White on black' }).check();
  await page.keyboard.press('Escape');
  await sheet.getByRole('region', { name: 'Units and formulas' }).evaluate((one) => one.scrollTo(0, 0));
  await expect.poll(async () => (await inkOn(page)).ground).toBe('0 0 0');
  await select(page, 'nautical mile');
  await page.getByRole('button', { name: 'Marigold' }).click();
  await saved(page);
  await page.reload();
  await expect(sheet.getByRole('region', { name: 'Page 2 of 2' })).toBeAttached();
  await expect
    .poll(() => page.evaluate(() => CSS.highlights.get('able-marigold')?.size ?? 0))
    .toBeGreaterThan(0);
  await page.keyboard.press('Alt+h');
  await expect(page.getByRole('button', { name: 'nautical mile' })).toBeVisible();
});

test('a page of HTML: larger and smaller, another sheet by one press, where it was left, by keys alone', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', WORKSHOP);
  await openAt(page, 4);
  const sheet = sheetWindow(page);
  await sheet.getByRole('button', { name: 'Angles and their names' }).press('Enter');
  const text = sheet.getByRole('region', { name: 'Angles and their names' });
  await expect(text.getByRole('rowheader', { name: 'Obtuse angle' })).toBeVisible();
  await expect(text.locator('math')).toBeVisible();
  const letters = () =>
    text.getByText('an open gate').evaluate((one) => parseFloat(getComputedStyle(one).fontSize));
  const before = await letters();
  for (let i = 0; i < 3; i += 1)
    await sheet.getByRole('button', { name: 'Larger', exact: true }).press('Enter');
  expect((await letters()) / before).toBeCloseTo(2, 1);
  await text.focus();
  await saved(page);
  const keeping = page.waitForResponse(/\/events$/);
  await page.keyboard.press('End');
  await expect.poll(() => text.evaluate((one) => one.scrollTop)).toBeGreaterThan(20);
  const place = await text.evaluate((one) => one.scrollTop);
  await keeping;
  await page.reload();
  await expect(text).toBeVisible();
  await expect.poll(() => text.evaluate((one) => one.scrollTop)).toBeGreaterThan(place - 40);
  // Another question brings the same sheet alone.
  await goTo(page, 7);
  await expect(text.getByRole('rowheader', { name: 'Right angle', exact: true })).toBeVisible();
  await expect(sheet.getByRole('button', { name: 'Units and formulas' })).toHaveCount(0);
});

test('with the network down the sheets of a test are there', async ({ page, app }) => {
  await startTest(page, app, 'wren', WORKSHOP);
  await ready(page);
  await page.waitForLoadState('networkidle');
  await page.context().setOffline(true);
  await openAt(page, 4);
  await expect(sheetWindow(page).getByRole('region', { name: 'Page 2 of 2' })).toBeAttached();
  await expect.poll(async () => (await inkOn(page)).ink).toBeGreaterThan(1_000);
});

test('on a narrow screen it is a sheet at the bottom, and the question stays in reach', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', WORKSHOP);
  await openAt(page, 4);
  await page.setViewportSize({ width: 390, height: 780 });
  const sheet = sheetWindow(page);
  await expect(sheet.getByRole('region', { name: 'Page 1 of 2' })).toBeVisible();
  const [box, first] = await Promise.all([
    sheet.boundingBox(),
    sheet.getByRole('region', { name: 'Page 1 of 2' }).boundingBox(),
  ]);
  expect(box && box.height).toBeLessThanOrEqual(391);
  expect(first && first.width).toBeLessThanOrEqual(390);
  await page.locator('[data-sheet=question]').getByRole('textbox').fill('37.1');
  await saved(page);
});

/** A page with two signs by the numbers of Adobe-Japan1, of which the file brings neither the numbers nor the face (PDF 1.7 §9.7.5). */
const EAST_ASIAN = `%PDF-1.4
1 0 obj <</Type/Catalog/Pages 2 0 R>> endobj
2 0 obj <</Type/Pages/Kids[3 0 R]/Count 1>> endobj
3 0 obj <</Type/Page/Parent 2 0 R/MediaBox[0 0 300 200]/Contents 4 0 R/Resources<</Font<</F1 5 0 R>>>>>> endobj
4 0 obj <</Length 40>> stream
BT /F1 24 Tf 40 100 Td <6D776CA2> Tj ET 
endstream endobj
5 0 obj <</Type/Font/Subtype/Type0/BaseFont/HeiseiMin-W3/Encoding/UniJIS-UCS2-H/DescendantFonts[6 0 R]>> endobj
6 0 obj <</Type/Font/Subtype/CIDFontType0/BaseFont/HeiseiMin-W3/CIDSystemInfo<</Registry(Adobe)/Ordering(Japan1)/Supplement 2>>/FontDescriptor 7 0 R>> endobj
7 0 obj <</Type/FontDescriptor/FontName/HeiseiMin-W3/Flags 4/FontBBox[0 0 1000 1000]/ItalicAngle 0/Ascent 900/Descent -100/CapHeight 700/StemV 80>> endobj
trailer <</Root 1 0 R>>
%%EOF`;

test('a PDF in Japanese that brings no numbers of its signs: they are read, and found', async ({
  page,
  app,
}) => {
  const asked: string[] = [];
  page.on('response', (response) => {
    if (response.url().includes('/api/pdf-files/')) asked.push(`${response.status()} ${response.url()}`);
  });
  await page.route(/units-and-formulas\.pdf/, (route) =>
    route.fulfill({ contentType: 'application/pdf', body: EAST_ASIAN }),
  );
  await startTest(page, app, 'wren', WORKSHOP);
  await openAt(page, 4);
  await expect(sheetWindow(page).getByText('海沢')).toBeAttached();
  expect(asked.some((one) => /^200 .*UniJIS-UCS2-H\.bcmap$/.test(one))).toBe(true);
  const refused = async (path: string) =>
    (await page.request.get(`${app.url}/api/pdf-files/${path}`)).status();
  expect(await refused('cmaps/..%2f..%2f..%2fpackage.json')).toBe(404);
  expect(await refused('build/pdf.mjs')).toBe(404);
});
