import { readdirSync, readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { choice, CHOICES, drag, gap, piece, status, tabTo } from './answers';
import { BENCHMARK, expect, linkTo, next, saved, startTestByHand, test } from './app';

const RESULTS = [
  ...['Right', 'Right', 'Right', 'Right', 'Not marked yet'],
  ...['Right', 'Right', 'Right', 'Right', 'Right', 'Right', 'Right'],
];

async function expectFullScore(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
  await expect(page.getByText('22 of 22 points')).toBeVisible();
  await expect(page.locator('tbody tr td:nth-child(2)')).toHaveText(RESULTS);
}

test('the whole test with the mouse, handed in and scored; no key reaches the browser before', async ({
  page,
  app,
}) => {
  const bodies: string[] = [];
  page.on('response', (response) => {
    if (!response.url().includes('/_next/static/'))
      void response.text().then(
        (text) => bodies.push(text),
        () => undefined,
      );
  });
  await startTestByHand(page, app);
  for (const words of CHOICES[1]) await choice(page, words).click();
  await expect(status(page)).toHaveText('done');
  await next(page);
  await choice(page, CHOICES[2][0]).click();
  await expect(status(page)).toHaveText('1 of 2 chosen');
  await choice(page, CHOICES[2][1]).click();
  await next(page);
  for (const words of CHOICES[3]) await choice(page, words).click();
  await next(page);
  await page.getByLabel('Menu 1 of 2').selectOption({ label: 'uneasy' });
  await expect(status(page)).toHaveText('1 menu not chosen');
  await page.getByLabel('Menu 2 of 2').selectOption({ label: 'the person who noticed' });
  await next(page);
  await page.getByRole('textbox').fill('She may name the light, because she missed it when it was gone.');
  await next(page);
  await page.getByLabel('Your answer').fill('37.5');
  await next(page);
  for (const words of CHOICES[7]) await choice(page, words).click();
  await next(page);
  await drag(page, piece(page, 12), gap(page, 1));
  await expect(gap(page, 1)).toHaveText('12');
  await piece(page, 8).click();
  await gap(page, 2).click();
  await expect(gap(page, 2)).toHaveText('8');
  await drag(page, piece(page, 96), gap(page, 3), { x: 20, y: 45 });
  await expect(status(page)).toHaveText('done');
  await next(page);
  await page.getByRole('button', { name: 'a/b fraction', exact: true }).click();
  await page.getByRole('button', { name: '3', exact: true }).click();
  await page.getByRole('button', { name: 'move right' }).click();
  await page.getByRole('button', { name: '4', exact: true }).click();
  await expect(status(page)).toHaveText('done');
  await next(page);
  for (const key of ['6', 'n', 'plus', '4'])
    await page.getByRole('button', { name: key, exact: true }).click();
  await next(page);
  const rows = page.locator('[data-unit=row]');
  for (const [row, column] of [
    [0, 0],
    [1, 1],
    [2, 0],
    [3, 1],
  ] as const)
    await rows.nth(row).locator('label').nth(column).click();
  await next(page);
  await choice(page, CHOICES[12][0]).click();
  await page.getByLabel('Your answer').fill('20');
  await saved(page);

  const before = bodies.join('\n');
  await page.getByRole('main').getByRole('button', { name: 'Look over' }).click();
  await expect(page.getByText('Every question is done.')).toBeVisible();
  await page.getByRole('button', { name: 'Hand in …' }).click();
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expectFullScore(page);

  expect(before).toContain('qti-match-tabular');
  expect(keysIn(before)).toEqual([]);
  await page.getByRole('link', { name: 'Back to My tests' }).click();
  await expect(page.getByText('Handed in', { exact: true })).toBeVisible();
});

/** Every correct value and everything only scorers may read, looked for in what the browser was sent. */
function keysIn(text: string): string[] {
  const folder = 'content/skerry-sound-grade-6/items';
  const secrets = readdirSync(folder).flatMap((file) => {
    const xml = readFileSync(`${folder}/${file}`, 'utf8');
    const rubrics = [...xml.matchAll(/has earned the right to name/g)].map((found) => found[0]);
    const numbers = /measuring-1|measuring-5/.test(file)
      ? [...xml.matchAll(/<qti-correct-response><qti-value>([^<]+)/g)].map((found) => found[1] ?? '')
      : [];
    return [
      ...rubrics,
      ...numbers,
      ...[...xml.matchAll(/title="([^"]+)" adaptive/g)].map((found) => `"${found[1] ?? ''}"`),
    ];
  });
  const words = [
    'correctResponse',
    'correct-response',
    'responseProcessing',
    'mappedValue',
    'mapping',
    'qti-map-entry',
    'rubric',
  ];
  const sent = text.replace(/"responses":\{[^}]*\}/g, '');
  const standsThere = (one: string) =>
    /^[\d.]+$/.test(one)
      ? new RegExp(`(?<![\\d.])${one.replace('.', '\\.')}(?![\\d%])`).test(sent)
      : sent.includes(one);
  return [...secrets, ...words].filter((one) => one !== '' && standsThere(one));
}

test('the whole test with the keyboard alone', async ({ page, app }) => {
  await page.goto(`${app.url}/sign-in`);
  await tabTo(page, page.getByLabel('Name'));
  await page.keyboard.type('wren');
  await page.keyboard.press('Tab');
  await page.keyboard.type('kelp-and-tide');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/tests$/);
  await tabTo(page, linkTo(page, BENCHMARK));
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/tests\/\d+$/);
  await tabTo(page, page.getByRole('button', { name: /Start the test/ }));
  await page.keyboard.press('Enter');
  const on = async (number: number) => {
    await page.keyboard.press('Alt+n');
    const goOn = page.getByRole('button', { name: 'Go on anyway' });
    const heading = page.getByRole('heading', { name: `Question ${number}`, exact: true });
    await expect(goOn.or(heading).first()).toBeVisible();
    if (await goOn.isVisible()) {
      await tabTo(page, goOn);
      await page.keyboard.press('Enter');
    }
    await expect(heading).toBeFocused();
  };
  const press = async (words: RegExp) => {
    await tabTo(page, choice(page, words));
    await page.keyboard.press('Space');
  };
  /** Into a group of round marks with Tab, then with the arrows. */
  const arrowTo = async (first: RegExp, steps: number) => {
    await tabTo(page, choice(page, first));
    await page.keyboard.press('Space');
    for (let i = 0; i < steps; i += 1) await page.keyboard.press('ArrowDown');
  };
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
  await arrowTo(/asked to watch/, 1);
  await on(2);
  for (const words of CHOICES[2]) await press(words);
  await on(3);
  await arrowTo(/learn to be patient/, 2);
  await arrowTo(/The last boat/, 3);
  await on(4);
  await tabTo(page, page.getByLabel('Menu 1 of 2'));
  await page.keyboard.type('unea');
  await page.keyboard.press('Tab');
  await page.keyboard.type('the per');
  await on(5);
  await tabTo(page, page.getByRole('textbox'));
  await page.keyboard.type('She may name it: she knew that it was gone.');
  await on(6);
  await tabTo(page, page.getByLabel('Your answer'));
  await page.keyboard.type('37.5');
  await on(7);
  for (const words of CHOICES[7]) {
    await page.getByRole('heading', { name: 'Question 7', exact: true }).focus();
    await press(words);
  }
  await on(8);
  for (const number of [12, 8, 96]) {
    await page.getByRole('heading', { name: 'Question 8', exact: true }).focus();
    await tabTo(page, piece(page, number));
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
  }
  await expect(status(page)).toHaveText('done');
  await on(9);
  await tabTo(page, page.locator('math-field'));
  await page.keyboard.type('3/4');
  await expect(status(page)).toHaveText('done');
  await on(10);
  await tabTo(page, page.locator('math-field'));
  await page.keyboard.type('6n+4');
  await on(11);
  const rows = page.locator('[data-unit=row]');
  for (const [row, column] of [
    [0, 0],
    [1, 1],
    [2, 0],
    [3, 1],
  ] as const) {
    await tabTo(page, rows.nth(row));
    await page.keyboard.press('Space');
    if (column === 1) await page.keyboard.press('ArrowRight');
  }
  await on(12);
  await arrowTo(/^w = 15d$/, 2);
  await tabTo(page, page.getByLabel('Your answer'));
  await page.keyboard.type('20');
  await page.keyboard.press('Alt+v');
  await expect(page.getByText('Every question is done.')).toBeVisible();
  await tabTo(page, page.getByRole('button', { name: 'Hand in …' }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('button', { name: 'Hand in now' }));
  await page.keyboard.press('Enter');
  await expectFullScore(page);
});
