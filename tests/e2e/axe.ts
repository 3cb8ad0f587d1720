import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';

const AXE = readFileSync('node_modules/axe-core/axe.min.js', 'utf8');
export const SCHEMES = ['paper', 'mist', 'primrose', 'dusk', 'lantern'] as const;

/** axe with WCAG 2.2 A and AA, and colours at AAA. */
export async function expectAccessible(page: Page, screen: string): Promise<void> {
  await page.evaluate(AXE);
  const violations = await page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: {
        run: (
          context: unknown,
          options: unknown,
        ) => Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>;
      };
    };
    const result = await axe.run(document, {
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
    });
    return result.violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes.map((node) => `${node.html.slice(0, 160)} ${node.failureSummary.slice(0, 200)}`).join(' | ')}`,
    );
  });
  expect.soft(violations, screen).toEqual([]);
}
