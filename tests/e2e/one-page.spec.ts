import type { Page } from '@playwright/test';
import { choice, CHOICES, drag, gap, piece, tabTo } from './answers';
import { BENCHMARK, expect, lookOver, ready, saved, startTest, test } from './app';
import { expectAccessibleInEveryScheme } from './axe';

/** The sheet of a question among those on the page. */
const sheet = (page: Page, number: number) =>
  page.locator('[data-question]').filter({
    has: page.getByRole('heading', { name: `Question ${number}`, exact: true }),
  });
const stop = (page: Page, number: number) =>
  page
    .getByRole('navigation', { name: 'Question trail' })
    .getByRole('button', { name: new RegExp(`^Question ${number}:`) });
const here = (page: Page) => page.locator('nav [aria-current=step]');
const scroller = (page: Page) => page.getByRole('region', { name: /^Questions / });

test('a section on one page: answered in any order, nothing below missed, found again where it was left', async ({
  page,
  app,
}) => {
  await startTest(page, app, 'odile');
  await ready(page);
  await expect(page.locator('[data-question]')).toHaveCount(5);
  await expect(here(page)).toHaveText('1');
  // What is below is said once for all of them.
  await expect(page.locator('[data-more-below]').last()).toContainText('4 more questions');
  await choice(page, CHOICES[1][0]).click();
  await expect(sheet(page, 1).locator('[data-progress]')).toHaveText('done');
  await expect(page.getByText('1 of 5 done on this page')).toBeVisible();
  // Reading on by the wheel: the trail goes along once the question before is out of sight.
  await scroller(page).hover();
  await page.mouse.wheel(0, 1500);
  await expect(here(page)).not.toHaveText('1');
  // Working somewhere is being there.
  await choice(page, CHOICES[2][0]).click();
  await expect(here(page)).toHaveText('2');
  await stop(page, 4).click();
  await expect(page.getByRole('heading', { name: 'Question 4' })).toBeFocused();
  await expect(here(page)).toHaveText('4');
  await expect(sheet(page, 4)).toBeInViewport();
  await page.getByLabel('Menu 1 of 2').selectOption({ label: 'uneasy' });
  await saved(page);
  await page.reload();
  await ready(page);
  await expect(here(page)).toHaveText('4');
  await expect(page.getByRole('heading', { name: 'Question 4' })).toBeInViewport();
  await expect(sheet(page, 2).locator('[data-progress]')).toHaveText('1 of 2 chosen');
  // Leaving the page asks once about what was never on the screen, of all its questions.
  await scroller(page).evaluate((element) => element.scrollTo(0, 0));
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeInViewport();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByRole('dialog', { name: 'There is more on this page' })).toBeVisible();
  await page.getByRole('button', { name: 'Show me' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Question 6', exact: true })).toBeFocused();
  await expect(page.locator('[data-question]')).toHaveCount(7);
  // Pieces of one question are those of that question.
  await sheet(page, 8).evaluate((element) => element.scrollIntoView({ block: 'center' }));
  await drag(page, piece(page, 12), gap(page, 1));
  await expect(sheet(page, 8).locator('[data-gap=G1]')).toHaveText('12');
  await expect(here(page)).toHaveText('8');
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  const goOn = page.getByRole('button', { name: 'Go on anyway' });
  await goOn.click();
  await expect(page.getByRole('heading', { name: 'Question 1', exact: true })).toBeFocused();
  // From the list to a question of a page, and back.
  await lookOver(page);
  await page
    .getByRole('button', { name: /^Question 3\b/ })
    .last()
    .click();
  await expect(page.getByRole('heading', { name: 'Question 3', exact: true })).toBeInViewport();
  await page.getByRole('button', { name: 'Back to the list' }).click();
  await expect(page.getByRole('heading', { name: 'Look over your answers' })).toBeVisible();
});

test('a section on one page by keys alone, its tools, and in every scheme', async ({ page, app }) => {
  test.setTimeout(120_000);
  await startTest(page, app, 'odile');
  await ready(page);
  await tabTo(page, sheet(page, 1).getByRole('radio').first());
  await page.keyboard.press('ArrowDown');
  await expect(sheet(page, 1).locator('[data-progress]')).toHaveText('done');
  await tabTo(page, choice(page, CHOICES[2][1]).getByRole('checkbox'));
  await page.keyboard.press('Space');
  await expect(here(page)).toHaveText('2');
  await expect(sheet(page, 2)).toHaveAttribute('data-here', 'true');
  // A line reader is one on the screen, over the question the student is at.
  await page.getByRole('button', { name: 'Line reader' }).click();
  await page.getByRole('group', { name: 'Line reader' }).getByRole('button').last().click();
  await expect(page.locator('[data-line-window]')).toHaveCount(1);
  await expect(sheet(page, 2).locator('[data-line-window]')).toHaveCount(1);
  await stop(page, 3).click();
  await expect(sheet(page, 3).locator('[data-line-window]')).toHaveCount(1);
  await expect(page.locator('[data-line-window]')).toHaveCount(1);
  await page.getByRole('button', { name: 'Line reader' }).click();
  // Eliminated choices are those of their question.
  await page.getByRole('button', { name: 'Eliminator' }).click();
  await sheet(page, 1)
    .getByRole('button', { name: /Strike out/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Bring back/ })).toHaveCount(1);
  await expectAccessibleInEveryScheme(page, 'a section on one page');
});

test('on a narrow screen the page and its passage take turns', async ({ page, app }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await startTest(page, app, 'odile', BENCHMARK);
  await ready(page);
  await expect(page.locator('[data-sheet=passage]')).toBeVisible();
  await page.getByRole('button', { name: 'Question', exact: true }).click();
  await expect(page.locator('[data-question]')).toHaveCount(5);
  await choice(page, CHOICES[3][0]).click();
  await page.getByRole('button', { name: 'Passage', exact: true }).click();
  await expect(page.locator('[data-question]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Question', exact: true }).click();
  await expect(choice(page, CHOICES[3][0]).getByRole('radio')).toBeChecked();
  // Still at the question one was at, in view.
  await expect(page.getByRole('button', { name: /^Question 3 of 12/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Question 3', exact: true })).toBeFocused();
  await expect(sheet(page, 3)).toHaveAttribute('data-here', 'true');
  await expect(choice(page, CHOICES[3][0])).toBeInViewport();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  // However narrow, each question says its number.
  await page.setViewportSize({ width: 320, height: 640 });
  const width = await page
    .getByRole('heading', { name: 'Question 3', exact: true })
    .evaluate((heading) => heading.getBoundingClientRect().width);
  expect(width).toBeGreaterThan(80);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
});
