import type { Page } from '@playwright/test';
import { expect } from './app';

/** Opens a list by keys, types what is sought, and takes what fits first. */
export async function choose(page: Page, label: string, sought: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).focus();
  await page.keyboard.type(sought);
  await expect(page.locator('.ant-select-dropdown:visible .ant-select-item-option-active')).toContainText(
    sought,
  );
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
}
