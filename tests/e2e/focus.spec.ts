import type { Locator, Page } from '@playwright/test';
import { BENCHMARK, EVERY_KIND, expect, goTo, ready, startTest, startTestByHand, test } from './app';

/** How many questions the test of every kind has; the walk says so when it changes. */
const QUESTIONS = 57;
const CONTROLS =
  ':is(button, [role=button], [role=radio], [role=checkbox], [role=option], [role=slider], [role=gridcell], input, select)';
/** Where the walk would leave its question, or wait for a file. */
const LEADS_AWAY = /^(Back|Next|Look over|Answers)/;

const namesOf = (controls: Locator) =>
  controls.evaluateAll((all) =>
    all.map(
      (one) =>
        `${one.getAttribute('aria-label') ?? one.getAttribute('title') ?? one.textContent} <${one.tagName.toLowerCase()} ${one.getAttribute('type') ?? ''}>`,
    ),
  );
const nameOf = async (control: Locator) => (await namesOf(control))[0] ?? '';
/** Of controls that differ by a number only, one stands for all. */
const sortOf = (name: string) => name.replace(/\d+/g, '#');
/** What stands over every question alike: pressed at the first few. */
const EVERYWHERE = /^(How to answer|Flag|Undo|Redo|Start this question over|Enlarge)/;
const FIRST_FEW = 6;
/** Controls of one question that are pressed. */
const MOST = 16;

/**
 * Whether something has the focus, once what the press set going has come to rest. Asked again and again from here: a page that has
 * nothing to draw may not come to its next frame for long.
 */
const held = (page: Page): Promise<boolean> =>
  expect
    .poll(
      () => page.evaluate(() => document.activeElement !== null && document.activeElement !== document.body),
      {
        timeout: 5_000,
      },
    )
    .toBe(true)
    .then(
      () => true,
      () => false,
    );
/** How the page stands after a press: whether something has the focus, whether a dialog is open, and at which question it is. */
interface After {
  readonly held: boolean;
  readonly dialog: boolean;
  readonly question: string;
}
/** The control is focused and pressed as its kind is pressed by keys; null when it takes no focus. */
async function press(page: Page, control: Locator): Promise<After | null> {
  const way = await control.evaluate((one: HTMLElement) => {
    one.focus();
    if (document.activeElement !== one) return null;
    return one.matches('input, [role=radio], [role=checkbox], [role=option]') ? 'Space' : 'Enter';
  });
  if (way === null) return null;
  await page.keyboard.press(way);
  // What the press changes is drawn by the next frames.
  return page.evaluate(async () => {
    await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
    return {
      held: document.activeElement !== null && document.activeElement !== document.body,
      dialog: document.querySelector('[role=dialog]') !== null,
      question:
        document.querySelector('[data-sheet=question] h1, [data-sheet=question] h2')?.textContent ?? '',
    };
  });
}

test('whatever is pressed in any of the questions, the focus is on something afterwards', async ({
  page,
  app,
}) => {
  test.setTimeout(600_000);
  await page.setViewportSize({ width: 1280, height: 1200 });
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  const lost: string[] = [];
  let pressed = 0;
  for (let question = 1; question <= QUESTIONS; question += 1) {
    await goTo(page, question);
    const controls = page.locator('[data-sheet=question]').locator(CONTROLS);
    const done = new Set<string>();
    while (done.size < MOST) {
      const names = await namesOf(controls);
      const i = names.findIndex(
        (one) =>
          !LEADS_AWAY.test(one) &&
          !(question > FIRST_FEW && EVERYWHERE.test(one)) &&
          !one.includes(' file>') &&
          !done.has(sortOf(one)),
      );
      const name = names[i];
      if (name === undefined) break;
      done.add(sortOf(name));
      const control = controls.nth(i);
      const after = await press(page, control).catch(() => null);
      if (!after) continue;
      pressed += 1;
      const dialog = page.getByRole('dialog');
      if (name.startsWith('How to answer')) await expect(dialog).toBeVisible();
      if (after.dialog || name.startsWith('How to answer')) {
        await page.keyboard.press('Escape');
        await expect(dialog).toBeHidden();
        if (!(await held(page))) lost.push(`${question}: ${name}`);
      } else if (!after.held && !(await held(page))) lost.push(`${question}: ${name}`);
      if (after.question !== `Question ${question}`) await goTo(page, question);
    }
  }
  expect(lost).toEqual([]);
  // The walk really went through the questions.
  expect(pressed).toBeGreaterThan(QUESTIONS * 3);
});

test('closing a dialog gives the focus back to what opened it, by Escape, by its cross and by its last button', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  await goTo(page, 4);
  for (const opener of ['Help', 'Stop for now', 'How to answer'])
    for (const close of ['Escape', 'cross', 'button']) {
      const button = page.getByRole('button', { name: opener, exact: true });
      await button.focus();
      await page.keyboard.press('Enter');
      const dialog = page.getByRole('dialog');
      await expect(dialog).toBeVisible();
      if (close === 'Escape') await page.keyboard.press('Escape');
      else if (close === 'cross')
        await dialog.getByRole('button', { name: 'Close', exact: true }).first().press('Enter');
      else
        await dialog
          .getByRole('button', { name: /^(Close|Go on with the test)$/ })
          .last()
          .press('Enter');
      await expect(dialog).toBeHidden();
      await expect(button, `${opener} closed by ${close}`).toBeFocused();
    }
});

test('opening, using and closing each tool never leaves the focus on nothing', async ({ page, app }) => {
  await startTest(page, app, 'wren', EVERY_KIND);
  await ready(page);
  await goTo(page, 4);
  const tools = page.getByRole('complementary', { name: 'Tools' }).locator('[data-tool]');
  const count = await tools.count();
  expect(count).toBeGreaterThan(3);
  for (let i = 0; i < count; i += 1) {
    const tool = tools.nth(i);
    await press(page, tool);
    expect(await held(page), `${await nameOf(tool)} opened`).toBe(true);
    const inside = page.getByRole('complementary', { name: 'Tools' }).locator(`${CONTROLS}:not([data-tool])`);
    for (let k = 0; k < (await inside.count()) && k < 20; k += 1) {
      const control = inside.nth(k);
      const name = await nameOf(control);
      if (!(await press(page, control))) continue;
      expect(await held(page), `${await nameOf(tool)}: ${name}`).toBe(true);
    }
    if (
      (await tool.getAttribute('aria-expanded')) === 'true' ||
      (await tool.getAttribute('aria-pressed')) === 'true'
    )
      await press(page, tool);
    expect(await held(page), `${await nameOf(tool)} closed`).toBe(true);
  }
});

test('who opens a test is at its question, and who is told that it is open elsewhere at the way back', async ({
  page,
  app,
}) => {
  await startTestByHand(page, app, 'wren', BENCHMARK);
  const heading = page.getByRole('heading', { name: 'Question 1', exact: true });
  await expect(heading).toBeFocused();
  // The next key goes on from there.
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'How to answer' })).toBeFocused();
  await page.reload();
  await expect(heading).toBeFocused();
  // Another page of the same person takes the test over.
  const session = await page.request.post(
    `${app.url}${new URL(page.url()).pathname.replace('/attempts/', '/api/attempts/')}/resume`,
    {
      headers: { origin: app.url },
    },
  );
  expect(session.ok()).toBe(true);
  await page.getByRole('button', { name: 'Flag' }).press('Enter');
  const back = page.getByRole('button', { name: 'Go on here instead' });
  await expect(back).toBeFocused();
  await back.press('Enter');
  await expect(heading).toBeFocused();
});
