import type { Page } from '@playwright/test';
import { choice, CHOICES } from './answers';
import { expect, goTo, ready, saved, startTest, test } from './app';
import { expectAccessibleInEveryScheme } from './axe';
import { openKind } from './kinds';

/** How many stretches are painted, and the words of the first, per colour. */
const painted = (page: Page, colour: string) =>
  page.evaluate((name) => {
    const highlight = CSS.highlights.get(`able-${name}`);
    return highlight
      ? [...highlight].map(({ startContainer: text, startOffset, endOffset }) =>
          text.isConnected ? (text as Text).data.slice(startOffset, endOffset) : '(not on the page)',
        )
      : [];
  }, colour);

/** Selects words of an element with the mouse. */
async function select(page: Page, selector: string, words: string): Promise<void> {
  await page.evaluate(
    ([where, text]) => {
      const root = document.querySelector(where ?? '');
      const walker = document.createTreeWalker(root ?? document.body, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const at = node.textContent?.indexOf(text ?? '') ?? -1;
        if (at >= 0) {
          window.getSelection()?.setBaseAndExtent(node, at, node, at + (text ?? '').length);
          return;
        }
      }
      throw new Error('the words are not there');
    },
    [selector, words],
  );
}

/** Selects words of a sheet with the mouse and marks them. */
async function highlight(page: Page, sheet: string, words: string, colour: string): Promise<void> {
  await select(page, `[data-sheet=${sheet}]`, words);
  await page.getByRole('button', { name: colour }).click();
}

test('highlighter: passage and question, three colours, part taken away, all taken away, kept', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await highlight(page, 'passage', 'more mailbags than people', 'Marigold');
  expect(await painted(page, 'marigold')).toEqual(['more mailbags than people']);
  await select(page, '[data-sheet=passage]', 'mailbags');
  await page.getByRole('button', { name: 'Take away' }).click();
  expect(await painted(page, 'marigold')).toEqual(['more ', ' than people']);
  await highlight(page, 'question', 'steer the ferry', 'Heather');
  expect(await painted(page, 'heather')).toEqual(['steer the ferry']);
  await expect(page.getByRole('radio', { name: /steer the ferry/ })).not.toBeChecked();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeVisible();
  await expect.poll(() => painted(page, 'marigold')).toEqual(['more ', ' than people']);
  await goTo(page, 2);
  expect(await painted(page, 'heather')).toEqual([]);
  await goTo(page, 1);
  await expect.poll(() => painted(page, 'heather')).toEqual(['steer the ferry']);
  await page.getByRole('button', { name: 'Highlighter' }).click();
  // A list of what is marked here; a press goes there and selects it.
  const list = page.getByRole('region', { name: 'Marked here' }).getByRole('button');
  await expect(list).toHaveText([/more/, /than people/, /steer the ferry/]);
  await list.last().click();
  expect(await page.evaluate(() => window.getSelection()?.toString())).toBe('steer the ferry');
  await page.getByRole('button', { name: 'Take all away' }).click();
  await expect(list).toHaveCount(0);
  expect(await painted(page, 'marigold')).toEqual([]);
});

test('highlighter with the keyboard alone: by word, sentence and paragraph, and back to where it was begun', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.locator('[data-sheet=passage] [role=region]').focus();
  await page.keyboard.press('Alt+h');
  await page.getByRole('button', { name: 'Pick words with the keys' }).press('Enter');
  const pad = page.getByRole('button', { name: /Picking words/ });
  await expect(pad).toBeFocused();
  const selected = () => page.evaluate(() => window.getSelection()?.toString());
  const first = await selected();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  const two = await selected();
  expect(two).toMatch(/^\S+ \S+$/);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  expect(await selected()).toBe(first);
  await page.keyboard.press('PageDown');
  const paragraph = await selected();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowDown');
  const sentence = await selected();
  expect(sentence).toMatch(/[.!?”]$/);
  expect(paragraph).toContain(sentence);
  await expect(page.getByRole('toolbar', { name: 'Highlight the selected words' })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await painted(page, 'marigold')).join('')).toBe(sentence);
  await expect(pad).toBeFocused();
});

test('picking words begins where the reader is: in the question, or where the passage has been scrolled to', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.getByRole('radio').first().focus();
  await page.keyboard.press('Alt+h');
  await page.getByRole('button', { name: 'Pick words with the keys' }).press('Enter');
  const inside = (sheet: string) =>
    page.evaluate(
      (name) => window.getSelection()?.anchorNode?.parentElement?.closest(`[data-sheet=${name}]`) !== null,
      sheet,
    );
  expect(await inside('question')).toBe(true);
  await page.keyboard.press('Escape');
  const scroller = page.locator('[data-sheet=passage] [role=region]');
  await scroller.focus();
  await scroller.evaluate((one) => one.scrollTo(0, 300));
  await page.getByRole('button', { name: 'Pick words with the keys' }).press('Enter');
  expect(await inside('passage')).toBe(true);
  expect(await scroller.evaluate((one) => one.scrollTop)).toBeGreaterThan(200);
});

test('highlights stay on their words at 200 %, in a narrow window, and with the passage alone', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await highlight(page, 'passage', 'more mailbags than people', 'Marigold');
  const words = ['more mailbags than people'];
  expect(await painted(page, 'marigold')).toEqual(words);
  await page.getByRole('button', { name: 'Show the passage alone' }).click();
  await expect.poll(() => painted(page, 'marigold')).toEqual(words);
  await page.getByRole('button', { name: 'Show passage and question side by side' }).click();
  await expect.poll(() => painted(page, 'marigold')).toEqual(words);
  await page.setViewportSize({ width: 640, height: 400 });
  await page.getByRole('button', { name: 'Passage', exact: true }).click();
  await expect.poll(() => painted(page, 'marigold')).toEqual(words);
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect.poll(() => painted(page, 'marigold')).toEqual(words);
});

test('eliminator: one press strikes, one brings back, and choosing a struck choice brings it back', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.getByRole('button', { name: 'Eliminator' }).click();
  await page.getByRole('button', { name: /Strike out: It is a habit/ }).click();
  await expect(page.getByRole('radio', { name: /It is a habit.*struck out/ })).not.toBeChecked();
  await choice(page, CHOICES[1][0]).click();
  await expect(page.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
  await expect(page.getByRole('button', { name: /Bring back/ })).toHaveCount(0);
  await page.getByRole('button', { name: /Strike out: She wants/ }).click();
  await page.getByRole('button', { name: /Bring back: She wants/ }).click();
  await expect(page.getByRole('button', { name: /Bring back/ })).toHaveCount(0);
});

test('eliminator: words of a text are struck out where they stand, by pointer and by keys, and kept', async ({
  page,
  app,
}) => {
  await openKind(page, app, 'hottext-1');
  const line = page.getByText(/Every .* year the crew/);
  const height = (await line.boundingBox())?.height;
  await page.getByRole('button', { name: 'Eliminator' }).click();
  await page.getByRole('button', { name: 'Strike out: lamp' }).click();
  const lamp = page.getByRole('button', { name: /^lamp.*struck out/ });
  await expect(lamp).toHaveAttribute('aria-pressed', 'false');
  await page.getByRole('button', { name: 'Strike out: new' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Bring back: new' })).toBeFocused();
  // The line keeps its height.
  expect((await line.boundingBox())?.height).toBeLessThanOrEqual((height ?? 0) * 2);
  await expectAccessibleInEveryScheme(page, 'words struck out', 'main');
  await saved(page);
  // Wherever the line ends, a mark stands beside its own word.
  for (let width = 320; width <= 720; width += 40) {
    await page.setViewportSize({ width, height: 800 });
    for (const word of ['seventh', 'climbs'])
      await expect
        .poll(async () => {
          const [mark, own] = await Promise.all([
            page.getByRole('button', { name: `Strike out: ${word}` }).boundingBox(),
            page.getByRole('button', { name: word, exact: true }).boundingBox(),
          ]);
          return Math.abs((mark?.y ?? 0) - (own?.y ?? 1_000)) < 20;
        })
        .toBe(true);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.reload();
  await ready(page);
  await lamp.press('Enter');
  await expect(page.getByRole('button', { name: 'lamp', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByRole('button', { name: /^(Strike out|Bring back): lamp/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Bring back: new' })).toBeVisible();
});

test('line reader: follows real lines by keys, one to five of them, moves to the question, and choices still answer', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.getByRole('button', { name: 'Line reader' }).click();
  const slider = page.getByRole('slider', { name: /Line reader window/ });
  await expect(slider).toHaveAttribute('aria-valuenow', '1');
  const top = async () => (await page.locator('[class*=window]').boundingBox())?.y ?? 0;
  const first = await top();
  await slider.focus();
  await page.keyboard.press('ArrowDown');
  await expect(slider).toHaveAttribute('aria-valuenow', '2');
  const second = await top();
  expect(second - first).toBeGreaterThan(20);
  expect(second - first).toBeLessThan(32);
  await page.getByRole('button', { name: 'More lines' }).click();
  await expect
    .poll(async () => (await page.locator('[class*=window]').boundingBox())?.height ?? 0)
    .toBeGreaterThan(45);
  await page.getByRole('button', { name: 'Move to the question' }).click();
  await expect(page.locator('[data-sheet=question]').getByRole('slider')).toBeVisible();
  await choice(page, CHOICES[1][0]).click();
  await expect(page.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
});

test('line reader: its bar and its lines never leave the screen, and it keeps its text when lines move', async ({
  page,
  app,
}) => {
  await startTest(page, app);
  await page.getByRole('button', { name: 'Line reader' }).click();
  const slider = page.getByRole('slider', { name: /Line reader window/ });
  const lines = Number(await slider.getAttribute('aria-valuemax'));
  expect(lines).toBeGreaterThan(20);
  await slider.focus();
  /** How far the bar and the window stand out of what can be seen of the sheet, in pixels. */
  const out = () =>
    page.evaluate(
      () =>
        new Promise<number>((done) =>
          requestAnimationFrame(() =>
            requestAnimationFrame(() => {
              const bar = document.activeElement?.closest('[role=group]');
              const seen = bar?.closest('[role=region]')?.getBoundingClientRect();
              const reader = bar?.parentElement?.querySelector('[class*=window]');
              if (!bar || !seen || !reader) return done(9999);
              const beyond = [bar, reader].map((one) => {
                const box = one.getBoundingClientRect();
                return Math.max(seen.top - box.top, box.bottom - seen.bottom);
              });
              return done(Math.max(...beyond));
            }),
          ),
        ),
    );
  for (let line = 2; line <= lines; line += 1) {
    await page.keyboard.press('ArrowDown');
    await expect(slider).toHaveAttribute('aria-valuenow', String(line));
    expect(await out(), `line ${line} down`).toBeLessThan(2);
  }
  for (let line = lines - 1; line > lines / 2; line -= 1) {
    await page.keyboard.press('ArrowUp');
    expect(await out(), `line ${line} up`).toBeLessThan(2);
  }
  /** The words in the window, as a caret finds them. */
  const words = () =>
    page.evaluate(() => {
      const reader = document.querySelector('[class*=window]');
      const box = reader?.getBoundingClientRect();
      const text = reader?.closest('[data-text-root]')?.getBoundingClientRect();
      if (!box || !text) return '';
      for (let x = text.left + 20; x < text.right; x += 10) {
        const caret = document.caretRangeFromPoint(x, box.top + box.height / 2);
        const found = caret?.startContainer;
        if (found instanceof Text && found.data.trim() !== '')
          return found.data
            .slice(caret?.startOffset ?? 0)
            .trim()
            .slice(0, 12);
      }
      return '';
    });
  const before = await words();
  expect(before.length).toBeGreaterThan(5);
  const at = Number(await slider.getAttribute('aria-valuenow'));
  await page.setViewportSize({ width: 1000, height: 800 });
  await expect.poll(async () => Number(await slider.getAttribute('aria-valuenow'))).not.toBe(at);
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect.poll(words).toBe(before);
});

test('magnifier: nothing runs off the edge from 100 to 400 per cent', async ({ page, app }) => {
  await startTest(page, app);
  await page.getByRole('button', { name: 'Magnifier' }).click();
  for (const percent of [125, 150, 175, 200, 250, 300, 400]) {
    await page.getByRole('button', { name: 'Larger' }).click();
    await expect(page.getByText(`${percent} %`, { exact: true })).toBeVisible();
    const over = await page.evaluate(() => {
      const player = document.querySelector('[data-player]');
      return Math.max(
        document.documentElement.scrollWidth - window.innerWidth,
        (player?.scrollWidth ?? 0) - (player?.clientWidth ?? 0),
      );
    });
    expect(over).toBeLessThanOrEqual(0);
  }
  await expect(page.getByRole('button', { name: 'Larger' })).toBeDisabled();
  await choice(page, CHOICES[1][0]).click();
  await expect(page.getByRole('radio', { name: CHOICES[1][0] })).toBeChecked();
});

test('what a teacher has set is on when the test opens', async ({ page, app }) => {
  await startTest(page, app, 'saoirse');
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'lantern');
  await expect(page.getByText('90 min left')).toBeVisible();
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).fontSize)).toBe('32px');
});
