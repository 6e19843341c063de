import { test as base, expect, type Page, type Request } from '@playwright/test';
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

export { expect, type Page };

/** Opens a copy of a demo study, so that no test sees what another one changed. */
export async function openCopy(page: Page, name: string): Promise<void> {
  const studies: { id: string; name: string }[] = await (await page.request.get('/api/studies')).json();
  const original = studies.find((study) => study.name === name);
  const { id } = await (await page.request.post(`/api/studies/${original?.id}/duplicate`)).json();
  await page.goto(`/studies/${id}/correlations`);
  await expect(page.getByRole('grid')).toBeVisible();
}

/** The cell of a pair below the diagonal of the matrix, by the names of its row and column. */
export function cellOf(page: Page, row: string, column: string) {
  return page.getByRole('gridcell', { name: `${row} and ${column}: ` });
}

/** Does something that changes a setting, and waits until the server has stored it, and all that was changed before. */
export async function whileSaving(page: Page, change: () => Promise<unknown>): Promise<void> {
  const isSave = (request: Request) => request.method() === 'PUT' && request.url().includes('/settings/');
  let [open, stored, last] = [0, 0, Date.now()];
  const onRequest = (request: Request) => {
    if (isSave(request)) open++;
  };
  const onEnd = (request: Request) => {
    if (!isSave(request)) return;
    open = Math.max(0, open - 1);
    stored++;
    last = Date.now();
  };
  page.on('request', onRequest).on('requestfinished', onEnd).on('requestfailed', onEnd);
  await change();
  // Saves go one after the other: the next follows at once.
  await expect.poll(() => stored > 0 && open === 0 && Date.now() - last > 250, { intervals: [50] }).toBe(true);
  page.off('request', onRequest).off('requestfinished', onEnd).off('requestfailed', onEnd);
}
