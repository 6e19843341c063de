import { gzipSync } from 'node:zlib';
import type { Request } from '@playwright/test';
import { expect, openCopy, test } from '../application/test';

const MOST_BYTES = 300_000;
const WORTH_COMPRESSING = 1024;
/** Read while nothing else is to be done, once the page is there. */
const LATER = /(data|shape|scatterplots|subgroups|collinearity|report)-stage|\.worker/;

test('the first page and a study together load at most 300 kB of compressed script, all of it from here', async ({ page, application }) => {
  const scripts: Promise<number>[] = [];
  const foreign: string[] = [];
  const counted = new Set<Request>();
  let isReadingAhead = false;
  page.on('request', (request) => {
    const url = request.url();
    // The first of the other stages begins what is read ahead, with parts that several stages share.
    if (LATER.test(url)) isReadingAhead = true;
    else if (url.endsWith('.js') && !isReadingAhead) counted.add(request);
  });
  page.on('response', (response) => {
    if (!response.url().startsWith(application.address)) foreign.push(response.url());
    if (!counted.has(response.request())) return;
    const encoding = response.headers()['content-encoding'];
    scripts.push(
      response.body().then((body) => {
        if (body.length >= WORTH_COMPRESSING) expect(encoding).toBe('gzip');
        return gzipSync(body).length;
      }),
    );
  });
  await openCopy(page, 'Aldermere streams');
  expect([...counted].some((request) => request.url().includes('correlations-stage'))).toBe(true);
  const bytes = (await Promise.all(scripts)).reduce((sum, length) => sum + length, 0);
  expect(bytes).toBeGreaterThan(50_000);
  expect(bytes).toBeLessThan(MOST_BYTES);
  expect(foreign).toEqual([]);
  expect(await page.evaluate(() => document.fonts.check('16px "Newsreader Variable"'))).toBe(true);
});
