import { execFileSync } from 'node:child_process';
import { copyFileSync, existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, openCopy, type Page, test } from '../application/test';

const pairs = JSON.parse(readFileSync('reference/demo-pairs.json', 'utf8'));
const written = (value: number) =>
  value
    .toFixed(2)
    .replace(/^(-?)0\./, '$1.')
    .replace('-', '−');

async function takeOut(page: Page, form: string): Promise<string> {
  await page.getByRole('button', { name: 'Take it out' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: form }).click()]);
  return download.path();
}

/** The text of a PDF, laid out as on its pages, and how many pages it has. */
function readPdf(path: string): { text: string; pages: number } {
  const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
  return { text, pages: Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [path], { encoding: 'utf8' }))?.[1]) };
}

test('a word processor opens the document: its sentences, tables, captions and pictures are there', async ({ page, application }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('link', { name: /^Report/ }).click();
  await page.getByRole('button', { name: 'Write a first draft' }).click();
  await expect(page.getByTestId('report-figure').locator('svg').first()).toBeVisible();
  const docx = join(application.spool, 'report.docx');
  copyFileSync(await takeOut(page, 'Word document (DOCX)'), docx);
  execFileSync('soffice', ['--headless', '--convert-to', 'pdf', '--outdir', application.spool, docx], { stdio: 'ignore' });
  const pdf = docx.replace(/docx$/, 'pdf');
  expect(existsSync(pdf)).toBe(true);
  const { text, pages } = readPdf(pdf);
  const r = written(pairs.nitrateByTaxa.r.coefficient);
  expect(text.replaceAll(/\s+/g, ' ')).toContain(`r(246) = ${r}, 95 % CI`);
  expect(text).toMatch(/^\s*Table 1\. Correlations of 2 predictors with 1 outcome$/m);
  expect(text).toMatch(new RegExp(`12\\. mayfly taxa .*${r}\\*\\*\\*`));
  expect(text).toMatch(/Figure 2\./);
  expect(pages).toBeGreaterThanOrEqual(3);
  expect(pages).toBeLessThanOrEqual(6);
  // Both scatterplots, as wide as the text: 160 mm at 300 dots per inch.
  const images = execFileSync('pdfimages', ['-list', pdf], { encoding: 'utf8' }).split('\n').slice(2).filter(Boolean);
  const widths = images.map((line) => Number(line.trim().split(/\s+/)[3]));
  expect(widths.filter((width) => Math.abs(width - 1890) < 5).length).toBeGreaterThanOrEqual(2);
});

test('printed to PDF, nothing is cut off and nothing to press is on the paper', async ({ page, application }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('link', { name: /^Report/ }).click();
  await page.getByRole('button', { name: 'Write a first draft' }).click();
  await expect(page.getByTestId('report-figure').locator('svg')).toHaveCount(2 * 2);
  const pdf = join(application.spool, 'printed.pdf');
  await page.pdf({ path: pdf, preferCSSPageSize: true });
  const { text, pages } = readPdf(pdf);
  expect(text).toContain('West, S. G., Finch, J. F., & Curran, P. J. (1995)');
  for (const pressed of ['Copy', 'Take it out', 'Write a first draft', 'Export']) expect(text).not.toContain(pressed);
  expect(pages).toBeLessThanOrEqual(7);
});

test('LaTeX sets the same: nothing stands out of its lines, tables and references are there', async ({ page, application }) => {
  await openCopy(page, 'Aldermere streams');
  await page.getByRole('link', { name: /^Report/ }).click();
  await page.getByRole('button', { name: 'Write a first draft' }).click();
  await expect(page.getByTestId('report-figure').locator('svg').first()).toBeVisible();
  const tex = join(application.spool, 'set.tex');
  copyFileSync(await takeOut(page, 'LaTeX'), tex);
  const set = () =>
    execFileSync('lualatex', ['-interaction=nonstopmode', '-halt-on-error', 'set.tex'], { cwd: application.spool, encoding: 'utf8' });
  // Columns of long tables come under their heads in a second run.
  set();
  const log = set();
  expect(log).not.toMatch(/Overfull|Missing character/);
  const { text } = readPdf(join(application.spool, 'set.pdf'));
  const r = written(pairs.nitrateByTaxa.r.coefficient);
  expect(text).toMatch(new RegExp(`12\\. mayfly taxa .*${r}\\*\\*\\*`));
  expect(text).toContain('Table 2. Pearson’s r among 12 variables, with means and standard deviations (part 1 of 2)');
  expect(text).toContain('West, S. G., Finch, J. F., & Curran, P. J. (1995)');
});
