import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { SCHEMES } from '../../src/core/view/schemes';

const AXE = readFileSync('node_modules/axe-core/axe.min.js', 'utf8');
export const LOOKS = Object.entries(SCHEMES).map(([id, { dark }]) => ({ id, dark }));

/** 7:1, and 4.5:1 of large letters: whatever has that has AA too (WCAG 2.2, 1.4.6 and 1.4.3). */
const COLORS = {
  runOnly: { type: 'rule', values: ['color-contrast-enhanced'] },
  resultTypes: ['violations'],
};

interface Found {
  readonly violations: readonly {
    readonly id: string;
    readonly nodes: readonly { readonly html: string; readonly failureSummary: string }[];
  }[];
}
type Axe = { readonly run: (context: unknown, options: unknown) => Promise<Found> };

/** axe with WCAG 2.2 A and AA, and colours at AAA, in the scheme the page has. */
export async function expectAccessible(page: Page, screen: string): Promise<void> {
  // While a page is looked at again its title comes a moment after what it shows.
  await expect(page).toHaveTitle(/\S/);
  expect
    .soft(
      await run(page, {
        runOnly: {
          type: 'tag',
          values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
        },
        rules: {
          'color-contrast-enhanced': { enabled: true },
          'landmark-unique': { enabled: false },
          'page-has-heading-one': { enabled: false },
          region: { enabled: false },
        },
      }),
      screen,
    )
    .toEqual([]);
}

/**
 * The same, and its colours in every scheme. Of the question screen a scheme is custom properties alone, so the page is put into
 * each of the others in turn and only its colours are looked at again. (Ant Design's parts compute their colours; screens made
 * of them are tried scheme by scheme.)
 * @param inside where colors are looked at; the whole page where it is not said
 */
export async function expectAccessibleInEveryScheme(
  page: Page,
  screen: string,
  inside?: string,
): Promise<void> {
  await expectAccessible(page, screen);
  const own = await page.evaluate(() => document.documentElement.dataset.scheme ?? '');
  for (const { id, dark } of LOOKS.filter((look) => look.id !== own)) {
    await putOn(page, id, dark);
    expect.soft(await run(page, COLORS, inside), `${screen} in ${id}`).toEqual([]);
  }
  await putOn(page, own, LOOKS.find((look) => look.id === own)?.dark ?? false);
}

const putOn = (page: Page, scheme: string, dark: boolean) =>
  page.evaluate(
    ([id, colours]) => {
      document.documentElement.dataset.scheme = id;
      document.documentElement.style.colorScheme = colours;
    },
    [scheme, dark ? 'dark' : 'light'] as const,
  );

/** The colors of a page as it is now, at AAA, in the scheme it has. */
export async function expectLegible(page: Page, what: string): Promise<void> {
  expect.soft(await run(page, COLORS), what).toEqual([]);
}

/** The same, in every scheme. */
export async function expectLegibleInEveryScheme(page: Page, what: string): Promise<void> {
  for (const { id, dark } of LOOKS) {
    await putOn(page, id, dark);
    await expectLegible(page, `${what} in ${id}`);
  }
}

/**
 * The same for screens made of Ant Design, some of whose parts compute their colors when they are drawn.
 * @param wear puts the page into a scheme as the app itself does
 */
export async function expectAccessibleWorn(
  page: Page,
  screen: string,
  wear: (scheme: string) => Promise<void>,
): Promise<void> {
  for (const [i, { id }] of LOOKS.entries()) {
    await wear(id);
    if (i === 0) await expectAccessible(page, screen);
    else await expectLegible(page, `${screen} in ${id}`);
  }
}

/** What axe finds, a line each; on the whole page, or inside one element. */
async function run(page: Page, options: object, inside?: string): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  return page.evaluate(
    async ([how, where]) => {
      const { axe } = window as unknown as { axe: Axe };
      const { violations } = await axe.run(where ?? document, how);
      return violations.map(
        ({ id, nodes }) =>
          `${id}: ${nodes.map((node) => `${node.html.slice(0, 160)} ${node.failureSummary.slice(0, 200)}`).join(' | ')}`,
      );
    },
    [options, inside] as const,
  );
}
