import type { Page } from '@playwright/test';
import { expectAccessible, expectAccessibleInEveryScheme } from './axe';
import { CROSSING, expect, linkTo, ready, saved, signIn, startTest, test } from './app';

const dialog = (page: Page) => page.getByRole('dialog');
const question = (page: Page, number: number) =>
  page.getByRole('heading', { name: `Question ${number}`, exact: true });
const next = (page: Page) => page.getByRole('button', { name: 'Next', exact: true });
const goOn = (page: Page) => dialog(page).getByRole('button', { name: 'Go on', exact: true });

/** Into the second part, with the first left as it is. */
async function finishPlan(page: Page): Promise<void> {
  await page
    .getByRole('button', { name: /Look over/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Finish “Plan” …' }).click();
  await dialog(page).getByRole('button', { name: 'Finish this part' }).click();
  await expect(question(page, 5)).toBeVisible();
}

test('parts: what they ask is said before; ending one names what is unfinished, closes it for good, and it can be looked at', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'wren');
  await page.goto(`${app.url}/tests`);
  await linkTo(page, CROSSING).click();
  const parts = page.getByRole('region', { name: 'Parts' });
  await expect(parts.getByRole('listitem')).toHaveText([
    'Plan: 4 questions · 15 minutes',
    'On the water: 5 questions · forward only, no way back to a question',
    'The log: 2 questions',
  ]);
  await page.getByRole('button', { name: 'Start the test and the clock' }).click();
  await expect(question(page, 1)).toBeVisible();
  await expect(page.getByText('15 min left in this part')).toBeVisible();
  const trail = page.getByRole('navigation', { name: 'Question trail' });
  await expect(trail.getByRole('button', { name: /^Question \d/ })).toHaveCount(4);
  await page.getByRole('radio', { name: 'east' }).check();
  for (let i = 0; i < 3; i += 1) await next(page).click();
  await expect(question(page, 4)).toBeVisible();
  await page.getByRole('main').getByRole('button', { name: 'Look over' }).click();
  await page.getByRole('button', { name: 'Finish “Plan” …' }).click();
  await expect(dialog(page).getByText('3 questions are not finished:')).toBeVisible();
  await expect(
    dialog(page).getByText(/Next comes “On the water” with 5 questions. It goes forward only/),
  ).toBeVisible();
  // Each of them is a press away.
  await dialog(page)
    .getByRole('button', { name: /Question 2/ })
    .click();
  await expect(question(page, 2)).toBeVisible();
  await page.getByRole('textbox').fill('9');
  await finishPlan(page);
  await expect(question(page, 5)).toBeFocused();
  // Closed: it can be looked at, and changed no more.
  await trail.getByRole('button', { name: 'Question 1: done, closed' }).click();
  await expect(question(page, 1)).toBeVisible();
  await expect(page.getByText('This question is closed; your answer counts as it stands.')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'south' })).toBeDisabled();
  await expect(page.getByRole('radio', { name: 'east' })).toBeChecked();
  // From there, too, the part that is open can be finished.
  await page
    .getByRole('button', { name: /Look over/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Finish “On the water” …' }).click();
  await expect(dialog(page).getByText('4 questions have not been shown yet')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Finish this part' }).click();
  await expect(question(page, 10)).toBeVisible();
  await expect(trail.getByRole('button', { name: /^Question 5/ })).toHaveCount(0);
});

test('a part without a way back: it is said first, a rule leads on, feedback comes, and nothing goes back to what is left', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', CROSSING);
  await ready(page);
  await finishPlan(page);
  await expect(page.getByText('In this part there is no way back.').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Back', exact: true })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
  await expect(page.getByRole('button', { name: 'Flag' })).toHaveCount(0);
  // Nothing answered: it says what is missing; staying is a press away.
  await next(page).click();
  await expect(dialog(page).getByText('nothing chosen yet')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Stay here' }).click();
  await expect(next(page)).toBeFocused();
  await page.getByRole('radio', { name: 'about 9:10' }).check();
  await next(page).click();
  await expect(dialog(page).getByText(/there is no way back/)).toBeVisible();
  await goOn(page).click();
  await expect(dialog(page).getByText('Count six hours on from 6:10.')).toBeVisible();
  await goOn(page).click();
  // A wrong answer leads to one like it.
  await expect(page.getByText('The next day the water is highest at 7:00.')).toBeVisible();
  await expect(question(page, 6)).toBeFocused();
  await page.getByRole('radio', { name: 'about 13:00' }).check();
  // Said once, a finished answer goes on without being asked again; pressed twice it goes on once.
  await next(page).dblclick();
  const stay = dialog(page).getByRole('button', { name: 'Stay here' });
  await expect(question(page, 7)).toBeVisible();
  if (await stay.isVisible()) await stay.click();
  await expect(
    page.getByText('1 min left for this question').or(page.getByText('2 min left for this question')),
  ).toBeVisible();
  await page.getByRole('radio', { name: 'to its left' }).check();
  await next(page).click();
  await expect(question(page, 8)).toBeVisible();
  // No going on without an answer.
  await next(page).click();
  await goOn(page).click();
  await expect(dialog(page).getByRole('alert')).toHaveText('This question needs an answer first.');
  await dialog(page).getByRole('button', { name: 'Stay here' }).click();
  await page.getByRole('textbox').fill('6');
  await saved(page);
  // The browser's own way back leads nowhere that can be answered.
  const address = page.url();
  await page.goBack();
  await page.goto(address);
  await expect(question(page, 8)).toBeVisible();
  await expect(page.getByRole('textbox')).toHaveValue('6');
  await next(page).click();
  await expect(question(page, 9)).toBeVisible();
  await next(page).click();
  // The last of the part: what comes is said with it.
  await expect(dialog(page).getByText('Next comes “The log” with 2 questions.')).toBeVisible();
  await goOn(page).click();
  await expect(question(page, 10)).toBeVisible();
  await next(page).click();
  await page.getByRole('main').getByRole('button', { name: 'Look over' }).click();
  await page.getByRole('button', { name: 'Hand in …' }).click();
  await page.getByRole('button', { name: 'Hand in now' }).click();
  await expect(page.getByRole('heading', { name: 'Your score' })).toBeVisible();
  await expect(page.getByText('A long crossing')).toBeVisible();
  await expect(page.getByText('3 of 11 points')).toBeVisible();
});

test('by keys alone: a part is ended, gone through forward, and handed in', async ({ page, app }) => {
  await startTest(page, app, 'wren', CROSSING);
  await ready(page);
  const press = async (name: string | RegExp) => {
    const button = page.getByRole('button', { name }).last();
    await button.focus();
    await page.keyboard.press('Enter');
  };
  await page.keyboard.press('Alt+v');
  await press('Finish “Plan” …');
  await expect(dialog(page)).toBeVisible();
  await press('Finish this part');
  await expect(question(page, 5)).toBeFocused();
  for (const number of [6, 7, 8]) {
    await page.keyboard.press('Alt+n');
    await expect(goOn(page)).toBeVisible();
    await press('Go on');
    if (number === 6) {
      await expect(dialog(page).getByText('The tide turns')).toBeVisible();
      await press('Go on');
    }
    await expect(question(page, number)).toBeFocused();
  }
});

test('a clock inside the test: at its end the question closes by itself, what was given counts, and a reload finds the same', async ({
  page,
  ownApp,
}) => {
  ownApp.change(
    `UPDATE tests SET model = replace(model, '"maximum":90', '"maximum":4') WHERE identifier = 'skerry-sound-crossing'`,
  );
  await startTest(page, ownApp, 'wren', CROSSING);
  await finishPlan(page);
  await page.getByRole('radio', { name: 'about 12:10' }).check();
  await next(page).click();
  await goOn(page).click();
  await goOn(page).click();
  await page.getByRole('radio', { name: 'to its left' }).check();
  // Nobody presses anything.
  await expect(dialog(page).getByText('The time for this is over')).toBeVisible();
  await goOn(page).click();
  await expect(page.getByText('The boat needs an hour and a half')).toBeVisible();
  await page.reload();
  await expect(page.getByText('The boat needs an hour and a half')).toBeVisible();
  const [row] = ownApp.query<{ body: string }>(
    `SELECT body FROM events WHERE device = 'server' AND body LIKE '%"by":"time"%'`,
  );
  expect(row && (JSON.parse(row.body) as { stage: { at: string } }).stage.at).toBe('speed-1');
});

test('without network nothing is ended: it says so, everything is kept, and it goes on when the network is back', async ({
  page,
  app,
  context,
}) => {
  await startTest(page, app, 'wren', CROSSING);
  await ready(page);
  await finishPlan(page);
  await context.setOffline(true);
  await page.getByRole('radio', { name: 'about 12:10' }).check();
  await next(page).click();
  await goOn(page).click();
  await expect(dialog(page).getByRole('alert')).toContainText('you are still here');
  await context.setOffline(false);
  await goOn(page).click();
  await expect(dialog(page).getByText('Yes: six hours after 6:10 it is 12:10.')).toBeVisible();
});

test('another page that ended the part: this one is told, and nothing it still sends counts', async ({
  page,
  app,
  browser,
}) => {
  await startTest(page, app, 'wren', CROSSING);
  await page.getByRole('radio', { name: 'east' }).check();
  await saved(page);
  const other = await browser.newPage();
  await signIn(other, app, 'wren');
  await other.goto(page.url());
  await finishPlan(other);
  const before = app.query<{ outcomes: string }>('SELECT body FROM events').length;
  const attempt = page.url().split('/').at(-1) ?? '';
  const [device] = app.query<{ id: string }>(
    'SELECT id FROM devices WHERE attempt_id = ? ORDER BY opened_at',
    attempt,
  );
  // A forged answer of the page that was left, to a closed question, dated back.
  const reply = await page.request.post(`${app.url}/api/attempts/${attempt}/events`, {
    headers: { origin: app.url },
    data: {
      device: device?.id,
      cursor: 0,
      events: [
        {
          type: 'answered',
          item: 'chart-2',
          responses: { RESPONSE: '9' },
          how: 'edit',
          device: device?.id,
          seq: 900,
          at: 1,
        },
      ],
    },
  });
  expect(reply.status()).toBe(200);
  expect(app.query('SELECT body FROM events').length).toBeGreaterThan(before);
  const [forged] = app.query<{ standing: string }>('SELECT standing FROM events WHERE seq = 900');
  expect(forged?.standing).toBe('late');
  await other.close();
});

test('parts, their closing and what is closed pass axe in every scheme', async ({ page, app }) => {
  await startTest(page, app, 'wren', CROSSING);
  await ready(page);
  await finishPlan(page);
  await expectAccessibleInEveryScheme(page, 'a part without a way back');
  await page
    .getByRole('button', { name: /Look over/ })
    .first()
    .click();
  await expectAccessibleInEveryScheme(page, 'looking over a part, another closed');
  await page.getByRole('button', { name: 'Finish “On the water” …' }).click();
  await expect(dialog(page)).toBeVisible();
  await expectAccessible(page, 'finishing a part');
});

test('pace: time used beside an even share, of the part where the part has the limit', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'wren', CROSSING);
  await ready(page);
  await page.getByRole('radio', { name: 'east' }).check();
  await page.getByRole('button', { name: 'More tools' }).click();
  await page.getByRole('region', { name: 'More tools' }).getByRole('button', { name: /^Pace/ }).click();
  const pace = page
    .getByRole('region', { name: 'Pace' })
    .or(page.getByRole('dialog', { name: 'Pace' }))
    .first();
  await expect(pace.getByText('0 of 15 minutes used in this part.')).toBeVisible();
  await expect(pace.getByText('1 of 4 questions done.')).toBeVisible();
  await expect(pace.getByText('An even share is 3 minutes 45 seconds a question.')).toBeVisible();
  await expect(pace.getByText('An even pace is at question 1 by now.')).toBeVisible();
  await expectAccessibleInEveryScheme(page, 'pace');
});

test('a document that the directions lead to opens inside the page, before the test and during it', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'wren');
  await page.goto(`${app.url}/tests`);
  await linkTo(page, CROSSING).click();
  const link = page.getByRole('button', { name: 'words used on the boat' });
  await link.focus();
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toContainText('the side that the wind does not reach');
  await expectAccessible(page, 'a document of the directions');
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toBeHidden();
  await expect(link).toBeFocused();
  await page.getByRole('button', { name: 'Start the test and the clock' }).click();
  await expect(question(page, 1)).toBeVisible();
  await page.getByRole('button', { name: 'Help' }).click();
  await link.click();
  await expect(page.getByText('the side that the wind does not reach')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).last().click();
  await expect(page.getByText('the side that the wind does not reach')).toBeHidden();
  await expect(dialog(page)).toContainText('words used on the boat');
});
