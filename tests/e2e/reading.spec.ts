import type { Page } from '@playwright/test';
import { expect, goTo, saved, startTest, test } from './app';
import { expectAccessible, expectAccessibleInEveryScheme } from './axe';

interface Heard {
  /** Seconds of every sound that was played. */
  readonly sounds: number[];
  /** Each sentence that lit up, and the words that did in it. */
  readonly lit: { sentence: string; words: string[] }[];
}
/** Listens to what is really played and lit up: the voice is the shipped one, there is no other on this machine. */
async function listen(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const heard: Heard = { sounds: [], lit: [] };
    Object.assign(window, { heard });
    const start = Object.getOwnPropertyDescriptor(AudioBufferSourceNode.prototype, 'start')
      ?.value as () => void;
    AudioBufferSourceNode.prototype.start = function (this: AudioBufferSourceNode) {
      heard.sounds.push(this.buffer?.duration ?? 0);
      start.apply(this);
    };
    const wordsOf = (name: string) =>
      [...(CSS.highlights.get(name) ?? [])]
        .map(({ startContainer, startOffset, endOffset }) =>
          (startContainer as Text).data.slice(startOffset, endOffset),
        )
        .join('');
    let dark = true;
    const look = () => {
      const [sentence, word] = [wordsOf('able-sentence'), wordsOf('able-spoken')];
      const last = dark ? undefined : heard.lit.at(-1);
      dark = sentence === '';
      if (sentence !== '' && last?.sentence !== sentence) heard.lit.push({ sentence, words: [word] });
      else if (word !== '' && last && last.words.at(-1) !== word) last.words.push(word);
      requestAnimationFrame(look);
    };
    look();
  });
}
const heardOn = (page: Page) => page.evaluate(() => (window as unknown as { heard: Heard }).heard);
const reads = (page: Page, status: string) =>
  expect(page.locator(`[data-reader=${status}]`)).toBeVisible({ timeout: 30_000 });

test('read aloud: the question from its first sentence to its last choice, word by word, as long as it takes to say', async ({
  page,
  app,
}) => {
  test.setTimeout(120_000);
  await listen(page);
  await startTest(page, app, 'mikkel');
  await page.keyboard.press('Alt+s');
  await expect(page.getByText('This is the voice of Able Compass.')).toBeVisible();
  await page.getByLabel('Speed').selectOption('2');
  await page.getByRole('button', { name: 'The question', exact: true }).click();
  await reads(page, 'reading');
  await expectAccessibleInEveryScheme(page, 'while it reads aloud');
  await expect(page.locator('[data-reader=idle]')).toBeVisible({ timeout: 60_000 });
  const { sounds, lit } = await heardOn(page);
  const sheet = await page
    .locator('[data-sheet=question] [data-text-root]')
    .evaluate((root) =>
      [...root.querySelectorAll('p, [data-choice-text]')]
        .map((one) => one.textContent.trim())
        .filter(Boolean),
    );
  const spoken = lit.map(({ sentence }) => sentence.trim());
  // Every choice was read, in the order it stands in.
  const choices = sheet.slice(-4);
  expect(spoken.slice(-4)).toEqual(choices.map((text) => text.replace(/[.?!]$/, '')));
  expect(lit.length).toBe(sounds.length);
  for (const [i, { sentence, words }] of lit.entries()) {
    // Speech at twice its pace takes from a tenth of a second to nearly one a word.
    const seconds = (sounds[i] ?? 0) / sentence.trim().split(/\s+/).length;
    expect(seconds).toBeGreaterThan(0.08);
    expect(seconds).toBeLessThan(0.9);
    // Each word that lit up is one of its sentence, in its order.
    let from = 0;
    for (const word of words) {
      expect(sentence.indexOf(word, from)).toBeGreaterThanOrEqual(from);
      from = sentence.indexOf(word, from);
    }
  }
  expect(lit.some(({ words }) => words.length > 2)).toBe(true);
});

test('read aloud: from where the student is, paused and gone on with, a sentence back, only what is selected', async ({
  page,
  app,
}) => {
  test.setTimeout(120_000);
  await listen(page);
  await startTest(page, app, 'mikkel');
  await page.locator('[data-sheet=passage] p').nth(1).click();
  await page.keyboard.press('Alt+s');
  await page.getByRole('button', { name: 'From here' }).click();
  await reads(page, 'reading');
  const first = (await heardOn(page)).lit[0]?.sentence ?? '';
  expect(await page.locator('[data-sheet=passage]').textContent()).toContain(first);
  expect(first).not.toMatch(/^The last boat/);
  await page.getByRole('button', { name: 'Pause' }).click();
  await reads(page, 'paused');
  const stands = await heardOn(page);
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect
    .poll(async () => (await heardOn(page)).lit.length, { timeout: 30_000 })
    .toBeGreaterThan(stands.lit.length);
  await page.getByRole('button', { name: 'A sentence back' }).click();
  await expect
    .poll(async () => (await heardOn(page)).lit.at(-1)?.sentence, { timeout: 30_000 })
    .toBe(stands.lit.at(-1)?.sentence);
  await page.getByRole('button', { name: 'Stop reading' }).click();
  await expect(page.locator('[data-reader=idle]')).toBeVisible();
  expect(await page.evaluate(() => CSS.highlights.has('able-spoken'))).toBe(false);
  // Another question is another text: it falls silent.
  await page.getByRole('button', { name: 'The passage', exact: true }).click();
  await reads(page, 'reading');
  await goTo(page, 2);
  await expect(page.locator('[data-reader=idle]')).toBeVisible();
  await page.evaluate(() => {
    const node = document.querySelector('[data-sheet=passage] p')?.firstChild;
    if (node) window.getSelection()?.setBaseAndExtent(node, 0, node, 13);
  });
  const before = (await heardOn(page)).lit.length;
  await page.getByRole('button', { name: 'What is selected' }).click();
  await expect.poll(async () => (await heardOn(page)).lit.length, { timeout: 30_000 }).toBe(before + 1);
  await expect.poll(async () => (await heardOn(page)).lit.at(-1)?.sentence).toMatch(/^The last boat/);
});

test('read aloud is there for those whose needs ask for it', async ({ page, app }) => {
  await startTest(page, app, 'wren');
  await expect(page.getByRole('button', { name: 'Read aloud' })).toHaveCount(0);
  await page.getByRole('button', { name: 'More tools' }).click();
  await expect(page.getByRole('button', { name: /Read aloud/ })).toHaveCount(0);
});

test('glossary: a marked word opens its card by press and by key, in the student’s language; others are sent nothing', async ({
  page,
  app,
}) => {
  const sent: string[] = [];
  page.on('response', (response) => {
    if (/\/content$/.test(response.url())) void response.text().then((text) => sent.push(text));
  });
  await startTest(page, app, 'mikkel');
  const card = page.locator('[data-window=glossary]');
  await page.locator('[data-catalog-idref$=lee]').click({ position: { x: 5, y: 8 } });
  await expect(card.getByRole('heading', { name: 'lee' })).toBeFocused();
  await expect(card).toContainText('away from the wind');
  await expect(card).toContainText('sotavento');
  await expect(card.locator('[lang=es]')).toHaveText('sotavento');
  // Simple wording is not among what this student's needs ask for.
  await page.getByRole('button', { name: 'What “almanac” means' }).press('Enter');
  await expect(card.getByRole('heading', { name: 'almanac' })).toBeFocused();
  await expect(card).toContainText('almanaque');
  await expect(card).not.toContainText('tides and lights');
  await expectAccessibleInEveryScheme(page, 'glossary');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'What “almanac” means' })).toBeFocused();
  // Marks stay on their words: the small button is no part of the text.
  await page.evaluate(() => {
    const node = document.querySelector('[data-catalog-idref$=lee]')?.firstChild;
    if (node) window.getSelection()?.setBaseAndExtent(node, 0, node, 3);
  });
  await page.getByRole('button', { name: 'Marigold' }).click();
  await saved(page);
  await page.context().clearCookies();
  await startTest(page, app, 'wren');
  await expect(page.locator('[data-catalog-idref]')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Glossary' })).toHaveCount(0);
  expect(sent).toHaveLength(2);
  expect(sent[0]).toContain('sotavento');
  expect(sent[1]).not.toMatch(/sotavento|away from the wind|catalog-idref/);
});

test('with the network down the voice reads and the faces are there: both were fetched before', async ({
  page,
  app,
}) => {
  await listen(page);
  await startTest(page, app, 'mikkel');
  await page.locator('[data-fetched=everything]').waitFor({ timeout: 40_000 });
  await page.context().setOffline(true);
  await page.keyboard.press('Alt+t');
  await page.getByRole('radio', { name: /OpenDyslexic/ }).check();
  await expect.poll(() => page.evaluate(() => document.fonts.check('16px OpenDyslexic'))).toBe(true);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+s');
  await page.getByRole('button', { name: 'The question', exact: true }).click();
  await expect.poll(async () => (await heardOn(page)).sounds.length, { timeout: 30_000 }).toBeGreaterThan(0);
  expect((await heardOn(page)).sounds[0]).toBeGreaterThan(0.5);
});

test('read aloud: one choice alone, and no other', async ({ page, app }) => {
  await listen(page);
  await startTest(page, app, 'mikkel');
  await expect(page.getByRole('button', { name: /^Read this choice/ })).toHaveCount(0);
  await page.keyboard.press('Alt+s');
  const words = ((await page.locator('[data-choice-text]').nth(1).textContent()) ?? '').trim();
  await page.getByRole('button', { name: `Read this choice: ${words}` }).press('Enter');
  await expect.poll(async () => (await heardOn(page)).lit.length, { timeout: 30_000 }).toBe(1);
  await expect(page.locator('[data-reader=idle]')).toBeAttached({ timeout: 30_000 });
  const { lit } = await heardOn(page);
  expect(lit.map(({ sentence }) => sentence.trim())).toEqual([words.replace(/\.$/, '')]);
  // A press beside a choice chooses nothing.
  await expect(page.getByRole('radio', { checked: true })).toHaveCount(0);
  await expectAccessibleInEveryScheme(page, 'read a choice');
});

test('braille for formulas: there while it is on, with the words of the formula, and after loading again', async ({
  page,
  app,
}) => {
  const outside: string[] = [];
  page.on('request', (request) => {
    if (!request.url().startsWith(app.url) && !/^(blob|data):/.test(request.url()))
      outside.push(request.url());
  });
  await startTest(page, app, 'wren');
  await goTo(page, 7);
  const formula = page.locator('[data-sheet=question] math').first();
  await expect(formula).toBeVisible();
  await expect(formula).not.toHaveAttribute('aria-braillelabel');
  await page.getByRole('button', { name: 'More tools' }).press('Enter');
  await page.getByRole('button', { name: /^Braille for formulas/ }).press('Enter');
  // Three eighths between the indicators of a fraction: ⠹ three ⠌ eight ⠼ (Nemeth code, from memory).
  await expect(formula).toHaveAttribute('aria-braillelabel', '⠹⠒⠌⠦⠼');
  await expect(formula).toHaveAttribute('aria-label', 'three eighths');
  await expectAccessible(page, 'with braille for formulas');
  await saved(page);
  await page.reload();
  await expect(formula).toHaveAttribute('aria-braillelabel', '⠹⠒⠌⠦⠼');
  await page.getByRole('button', { name: 'Braille for formulas' }).press('Enter');
  await expect(formula).not.toHaveAttribute('aria-braillelabel');
  await expect(formula).not.toHaveAttribute('aria-label');
  expect(outside).toEqual([]);
});
