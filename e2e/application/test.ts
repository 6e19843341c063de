import { test as base, expect, type Page } from '@playwright/test';
import { type Application, startApplication } from './application';

/** Tests with the application of their worker; a page's own errors fail them. */
export const test = base.extend<{ quiet: undefined }, { application: Application }>({
  application: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures needed from this pattern.
    async ({}, use) => {
      const application = await startApplication();
      await use(application);
      await application.close();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ application }, use) => use(application.address),
  quiet: [
    async ({ page }, use) => {
      const errors: Error[] = [];
      page.on('pageerror', (error) => errors.push(error));
      await use(undefined);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Opens a study from the home page. */
export async function openStudy(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name, exact: true }).click();
  await expect(page.getByRole('grid')).toBeVisible();
}

/** The cell of a pair below the diagonal of the matrix, by the names of its row and column. */
export function cellOf(page: Page, row: string, column: string) {
  return page.getByRole('gridcell', { name: `${row} and ${column}: ` });
}
