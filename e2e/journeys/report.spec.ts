import { spawnSync } from 'node:child_process';
import { copyFileSync, readFileSync, writeFileSync } from 'node:fs';
import type { Locator } from '@playwright/test';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { expect, openCopy, type Page, test } from '../application/test';

const pairs = JSON.parse(readFileSync('reference/demo-pairs.json', 'utf8'));
const demo = JSON.parse(readFileSync('reference/demo.json', 'utf8'));

/** "−.63", as the application writes a coefficient. */
const written = (value: number, decimals = 2) =>
  value
    .toFixed(decimals)
    .replace(/^(-?)0\./, '$1.')
    .replace('-', '−');

const blockOf = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

async function openReport(page: Page): Promise<void> {
  await page.getByRole('link', { name: /^Report/ }).click();
  await expect(page.getByRole('region', { name: 'Report', exact: true })).toBeVisible();
}

/** What a table of the page says, line by line. */
const cellsOf = (table: Locator) =>
  table.locator('tr').evaluateAll((rows) => rows.map((row) => [...row.children].map((cell) => (cell as HTMLElement).innerText)));

/** The document of a downloaded Word file. */
function readDocx(path: string): { paragraphs: string[]; tables: string[][][] } {
  const xml = strFromU8(unzipSync(new Uint8Array(readFileSync(path)))['word/document.xml'] ?? new Uint8Array());
  const textOf = (part: string) =>
    [...part.matchAll(/<w:t(?: [^>]*)?>([^<]*)<\/w:t>/g)]
      .map(([, text]) => text)
      .join('')
      .replaceAll('&lt;', '<')
      .replaceAll('&amp;', '&');
  const all = (tag: string, part: string) => [...part.matchAll(new RegExp(`<w:${tag}[ >].*?</w:${tag}>`, 'gs'))].map(([found]) => found);
  return {
    paragraphs: all('p', xml).map(textOf),
    tables: all('tbl', xml).map((table) => all('tr', table).map((row) => all('tc', row).map(textOf))),
  };
}

async function takeOut(page: Page, form: string): Promise<string> {
  await page.getByRole('button', { name: 'Take it out' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: form }).click()]);
  return download.path();
}

test('from a file with a misread value to a Word document: its numbers are those of the reference', async ({ page }) => {
  test.slow();
  await page.goto('/');
  await page.getByLabel('Table to bring in').setInputFiles('samples/aldermere-streams.csv');
  await page.getByRole('textbox', { name: 'Name of the study' }).fill('Streams brought in');
  await page.getByRole('button', { name: 'Create study' }).click();
  await expect(page.getByRole('grid')).toBeVisible();

  // A misread value is corrected, with the reason.
  await page.getByRole('link', { name: /^Data/ }).first().click();
  await page.getByRole('button', { name: /^To check/ }).click();
  const line = page.getByRole('listitem', { name: `ph in row ${demo.decimalSlip.row}` });
  await line.getByRole('button', { name: /^Pin for the report/ }).click();
  await line.getByLabel(/^Reason for the answer/).fill('decimal point slipped');
  await line.getByRole('button', { name: /^Correct to 7.4/ }).click();
  await line.getByRole('button', { name: 'Write it' }).click();
  await expect(line).toHaveCount(0);

  // A question with a hypothesis, its result looked at.
  await page.getByRole('link', { name: 'Correlations' }).click();
  await page.getByRole('button', { name: 'Questions', exact: true }).click();
  await page.getByLabel('Your question').fill('Does fertiliser go with the mayflies?');
  await page.getByRole('button', { name: 'Ask' }).click();
  const question = page.getByRole('region', { name: /^Question 1/ });
  await question.getByRole('button', { name: 'State a hypothesis' }).click();
  const form = page.getByRole('form', { name: 'New hypothesis' });
  await form.getByRole('combobox', { name: 'First variable' }).selectOption({ label: 'nitrate' });
  await form.getByRole('combobox', { name: 'Second variable' }).selectOption({ label: 'mayfly taxa' });
  await form.getByRole('combobox', { name: 'Method of the hypothesis' }).selectOption('pearson');
  await form.getByRole('button', { name: 'State it' }).click();
  await question.getByRole('button', { name: 'Show the result' }).click();
  await expect(question.getByTestId('hypothesis-outcome')).toBeVisible();

  // Subgroups, collinearity and shape are pinned as they stand.
  for (const [stage, shown] of [
    ['Shape', page.getByRole('heading', { name: 'mean' }).or(page.getByRole('columnheader', { name: 'mean' }))],
    ['Subgroups', page.getByRole('region', { name: 'Subgroups' })],
    ['Collinearity', page.getByRole('region', { name: 'Share told by the others' })],
  ] as const) {
    await page
      .getByRole('link', { name: new RegExp(`^${stage}`) })
      .first()
      .click();
    // No role was given: which of them is the outcome is asked before a share is shown.
    if (stage === 'Collinearity') await page.getByRole('button', { name: 'None: all are predictors' }).click();
    await expect(shown.first()).toBeVisible();
    await page
      .getByRole('button', { name: /^Pin for the report/ })
      .first()
      .click();
    await expect(page.getByText(/^Pinned for the report/).first()).toBeVisible();
  }

  await openReport(page);
  await page.getByRole('button', { name: 'Write a first draft' }).click();
  const results = blockOf(page, 'Does fertiliser go with the mayflies?');
  const { r } = pairs.nitrateByTaxa;
  const limits = `[${written(r.interval[0])}, ${written(r.interval[1])}]`;
  await expect(results).toContainText(`r(246) = ${written(r.coefficient)}, 95 % CI ${limits}, p < .001`);
  await expect(blockOf(page, 'Data')).toContainText('decimal point slipped');
  // What was pinned of the value stands as it was, and says what was decided.
  const slip = page.getByTestId('report-block').filter({ hasText: 'As of decision 1' });
  await expect(slip).toContainText('Decided: ');
  await expect(slip.getByTestId('report-table')).toContainText('without');

  const path = await takeOut(page, 'Word document (DOCX)');
  const { paragraphs, tables } = readDocx(path);
  expect(paragraphs.some((text) => text.includes(`r(246) = ${written(r.coefficient)}, 95 % CI ${limits}, p < .001`))).toBe(true);
  expect(paragraphs).toContain('References');
  const matrix = tables.flat().filter(([name = '']) => /^\d+\. /.test(name));
  const taxa = matrix.filter(([name = '']) => name.endsWith('. mayfly taxa'));
  expect(taxa.flat()).toContain(`${written(r.coefficient)}***`);
  // The mean of pH is the one without the slip: 7.05 would be 6.78 and a tenth of 74 more.
  const [ph] = matrix.filter(([name = '']) => name.endsWith('. ph'));
  const corrected = (demo.decimalSlip.meanOfPh * 247 - 74 + 7.4) / 247;
  expect(Number(ph?.[1])).toBeCloseTo(corrected, 2);
  const groups = tables.find(([head = []]) => head.includes('Aster'));
  expect(groups?.length).toBeGreaterThan(20);
});

test('a newcomer’s file becomes a pasted result section with a few presses', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  let presses = 0;
  const press = async (what: Locator) => {
    presses++;
    await what.click();
  };
  await page.goto('/');
  presses++;
  await page.getByLabel('Table to bring in').setInputFiles('samples/aldermere-streams.csv');
  await press(page.getByRole('button', { name: 'Create study' }));
  await expect(page.getByRole('grid')).toBeVisible();
  await press(page.getByRole('link', { name: /^Report/ }));
  await press(page.getByRole('button', { name: 'Write a first draft' }));
  const results = blockOf(page, 'Results');
  await expect(results).toContainText(
    /Of 66 pairs, \d+ reached p ≤\s\.05, adjusted after Holm, which was done for this choice\. The 10 with the largest \|r\| are said below\./,
  );
  await expect(results.getByText(/^There was a (?:positive|negative) association/)).toHaveCount(10);
  await press(results.getByRole('button', { name: 'Menu: Results' }));
  await press(page.getByRole('menuitem', { name: 'Copy', exact: true }));
  expect(presses).toBeLessThanOrEqual(8);
  await expect(page.getByText('Copied.')).toBeVisible();

  // Pasted into a field that knows HTML, and into one of plain text.
  await page.evaluate(() => {
    const field = document.createElement('div');
    field.contentEditable = 'true';
    field.id = 'paste-here';
    const plain = document.createElement('textarea');
    plain.id = 'paste-plain';
    document.body.prepend(field, plain);
    field.focus();
  });
  await page.keyboard.press('ControlOrMeta+v');
  const pasted = page.locator('#paste-here');
  await expect(pasted.getByRole('heading', { name: 'Results' })).toBeVisible();
  await expect(pasted.locator('p')).toHaveCount(11);
  await expect(pasted.locator('i').first()).toHaveText(/^[rp]$/);
  await page.locator('#paste-plain').focus();
  await page.keyboard.press('ControlOrMeta+v');
  const said = await results.getByTestId('report-text').locator('p').allInnerTexts();
  await expect(page.locator('#paste-plain')).toHaveValue(`Results\n\n${said.join('\n\n').replaceAll('\u00a0', ' ')}`);

  // The table pastes as one, and as cells of a spreadsheet.
  const table = page.getByTestId('report-table').first();
  const shown = await cellsOf(table.getByRole('table'));
  await table.getByRole('button', { name: 'Copy table' }).click();
  await pasted.evaluate((field) => {
    field.innerHTML = '';
    (field as HTMLElement).focus();
  });
  await page.keyboard.press('ControlOrMeta+v');
  expect(await cellsOf(pasted.locator('table'))).toEqual(shown);
  const tabs = await page.evaluate(() => navigator.clipboard.readText());
  expect(tabs.split('\n').map((line) => line.split('\t'))).toEqual(
    shown.map((cells) => cells.map((cell) => cell.replace(/^−(?=[\d.])/, '-'))),
  );
});

test('a number changes under an edited paragraph: marked, looked at, settled', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  await openReport(page);
  await page.getByRole('button', { name: 'Write a first draft' }).click();
  const results = blockOf(page, 'Results');
  const before = written(pairs.nitrateByTaxa.r.coefficient);
  await expect(results).toContainText(`r(246) = ${before}`);
  await results
    .getByTestId('report-text')
    .locator('p')
    .first()
    .click({ position: { x: 4, y: 4 } });
  const editor = results.getByRole('textbox', { name: 'Text: Results' });
  await expect(editor).toBeVisible();
  await page.keyboard.press('ControlOrMeta+End');
  await page.keyboard.type(' Nobody had expected it. Surely');
  // A word taken back is taken back in the text, not in the study.
  await page.keyboard.press('ControlOrMeta+z');
  await page.keyboard.type(' Nobody had expected this.');
  await page.waitForResponse((response) => response.request().method() === 'PATCH' && response.ok());
  await results.getByRole('button', { name: 'Done' }).click();
  await page.reload();
  await expect(results).toContainText('Nobody had expected this.');
  await expect(results.getByTestId('changed-values')).toHaveCount(0);

  // Rows are set aside among the data.
  const id = /studies\/([^/]+)/.exec(page.url())?.[1];
  const { head } = await (await page.request.get(`/api/studies/${id}`)).json();
  const change = { type: 'set-aside', choice: { rows: [[80, 89]] }, because: 'misread' };
  await page.request.post(`/api/studies/${id}/changes`, { data: { expectedHead: head, change } });
  await page.reload();
  const note = results.getByTestId('changed-values');
  await expect(note).toContainText(`df of r was 246 at decision ${head}, is 236 now`);
  await expect(note).toContainText(`r was ${before} at decision ${head}, is −.`);
  await expect(results).toContainText('r(236) = ');
  await expect(results).toContainText('Nobody had expected this.');
  await note.getByRole('button', { name: 'Looked at' }).click();
  await expect(note).toHaveCount(0);
  await page.reload();
  await expect(results).toContainText('Nobody had expected this.');
  await expect(results.getByTestId('changed-values')).toHaveCount(0);

  // A number leads to its pair.
  await results.getByRole('link', { name: '236' }).click();
  await expect(page.getByRole('complementary', { name: 'Pair nitrate and mayfly taxa' })).toBeVisible();
});

test('the page as one file opens without a network and without scripts', async ({ page, application }) => {
  await openCopy(page, 'Aldermere streams');
  await openReport(page);
  await page.getByRole('button', { name: 'Write a first draft' }).click();
  await expect(page.getByTestId('report-figure').locator('svg').first()).toBeVisible();
  const sentence = await blockOf(page, 'Results').getByTestId('report-text').locator('p').first().innerText();
  const path = await takeOut(page, 'Page (HTML, one file)');
  const file = `${application.spool}/report.html`;
  copyFileSync(path, file);
  const context = await page.context().browser()?.newContext({ javaScriptEnabled: false, offline: true });
  const alone = await context?.newPage();
  if (!alone) throw new Error('no browser');
  await alone.goto(`file://${file}`);
  await expect(alone.getByRole('heading', { name: /^Aldermere streams \(copy/ })).toBeVisible();
  await expect(alone.getByText(sentence.replaceAll('\u00a0', ' '))).toBeVisible();
  await expect(alone.locator('figure svg').first()).toBeVisible();
  await expect(alone.locator('table')).toHaveCount(3);
  await context?.close();
});

test('the archive with its record is computed again on a clean database: no difference, and one changed digit is found', async ({
  page,
  application,
}) => {
  await openCopy(page, 'Aldermere streams');
  await openReport(page);
  await page.getByRole('button', { name: 'Write a first draft' }).click();
  await expect(page.getByTestId('report-figure').locator('svg').first()).toBeVisible();
  const path = await takeOut(page, 'Study archive with the record (ZIP)');
  const replay = (archive: string) =>
    spawnSync(process.execPath, ['server/dist/replay.js', archive], {
      encoding: 'utf8',
      env: { ...process.env, IVLEN_DATABASE_URL: process.env.IVLEN_TEST_DATABASE_URL, NODE_ENV: 'production' },
    });
  const same = replay(path);
  expect(same.stdout).toMatch(/“Aldermere streams \(copy[^”]*”: \d+ analyses computed again, no difference in any digit\./);
  expect(same.status).toBe(0);

  const parts = unzipSync(new Uint8Array(readFileSync(path)));
  const r = String(pairs.nitrateByTaxa.r.coefficient).slice(0, 12);
  const record = strFromU8(parts['analysis.json'] ?? new Uint8Array());
  expect(record).toContain(r);
  const changed = record.replace(r, r.slice(0, -1) + ((Number(r.at(-1)) + 1) % 10));
  const { 'study.json': study = new Uint8Array(), ...others } = parts;
  const tampered = `${application.spool}/tampered.zip`;
  writeFileSync(tampered, zipSync({ 'study.json': study, ...others, 'analysis.json': strToU8(changed) }));
  const other = replay(tampered);
  expect(other.status).toBe(1);
  expect(other.stdout).toContain('1 difference.');
  expect(other.stdout).toContain('was recorded');

  // It comes back with its report on another machine.
  await page.goto('/');
  const kept = `${application.spool}/study.zip`;
  copyFileSync(path, kept);
  await page.getByLabel('Table to bring in').setInputFiles(kept);
  await expect(page.getByRole('link', { name: /^Report/ })).toBeVisible();
  await openReport(page);
  await expect(blockOf(page, 'Results')).toContainText('mayfly taxa');
});

test('what is pinned in every stage says in the report what it said there', async ({ page }) => {
  test.slow();
  await openCopy(page, 'Aldermere streams');
  const base = page.url().replace(/\/correlations.*/, '');
  /** Goes somewhere, reads what it says, and pins it there. */
  const pinned: { words: string; tables: number; figures: number }[] = [];
  const pin = async (address: string, sight: Locator, words: () => Promise<string>, tables: number, figures: number, button?: Locator) => {
    await page.goto(`${base}/${address}`);
    await expect(sight).toBeVisible();
    pinned.push({ words: await words(), tables, figures });
    await (button ?? page.getByRole('button', { name: /^Pin for the report/ }).first()).click();
    await expect
      .poll(async () => (await (await page.request.get(`/api${new URL(base).pathname}/report`)).json()).blocks.length)
      .toBe(pinned.length);
  };
  const said = (id: string) => () => page.getByTestId(id).first().innerText();
  const nothing = async () => '';
  await pin('shape', page.getByRole('rowheader', { name: 'elevation' }), nothing, 0, 1);
  await pin('shape?view=table', page.getByRole('table'), nothing, 1, 0);
  await pin(
    'shape?view=together',
    page.getByTestId('joint-verdict').filter({ hasNotText: 'still being computed' }),
    said('joint-verdict'),
    1,
    1,
  );
  await pin('scatterplots', page.getByRole('button', { name: /^Pin for the report/ }).first(), nothing, 0, 1);
  await pin('scatterplots?view=single', page.getByRole('button', { name: /^Pin for the report/ }).first(), nothing, 0, 1);
  await pin(
    'subgroups',
    page
      .getByTestId('whole-sentence')
      .or(page.getByText(/of 66 pairs differed/))
      .first(),
    async () =>
      (
        await page
          .getByText(/of 66 pairs differed/)
          .first()
          .innerText()
      ).split('\n')[0] ?? '',
    1,
    1,
  );
  await pin('subgroups?view=side', page.getByTestId('side-by-side'), nothing, 5, 0);
  await pin('subgroups?view=difference', page.getByRole('combobox', { name: 'First group' }), nothing, 1, 0);
  await pin(
    'subgroups?view=dependent',
    page.getByTestId('dependent-answer'),
    async () => await page.getByTestId('dependent-answer').locator('p').first().innerText(),
    0,
    0,
  );
  await pin('subgroups?view=descriptives', page.getByTestId('group-descriptives'), nothing, 1, 0);
  await pin(
    'collinearity',
    page.getByTestId('near-dependences'),
    async () => await page.getByTestId('near-dependences').locator('li').first().innerText(),
    1,
    1,
  );
  await pin('collinearity?view=regression', page.getByTestId('model-sentence'), said('model-sentence'), 1, 0);
  await pin('collinearity?view=residuals', page.getByRole('button', { name: /^Pin for the report/ }).first(), nothing, 0, 2);
  await pin('correlations?view=ranked', page.getByRole('table', { name: 'Pairs, ranked' }), nothing, 1, 0);
  const pair = `correlations?pair=${await idsOf(page, base, 'nitrate', 'mayfly_taxa')}`;
  const card = page.getByRole('complementary', { name: 'Pair nitrate and mayfly taxa' });
  await pin(
    pair,
    card.getByTestId('pair-sentence'),
    async () => (await card.getByTestId('pair-sentence').innerText()).split(' Each case is')[0] ?? '',
    0,
    1,
    card.getByRole('button', { name: 'Pin for the report: Pearson’s r of nitrate and mayfly taxa' }),
  );
  for (const [section, testId, tables] of [
    ['Line', 'line-values', 1],
    ['Points that matter', 'points-that-matter', 1],
  ] as const) {
    await page.goto(`${base}/${pair}`);
    const button = card.getByRole('button', { name: section, exact: true });
    if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click();
    const part = card.getByTestId(testId);
    await pin(
      pair,
      part,
      section === 'Line' ? () => part.locator('p').first().innerText() : nothing,
      tables,
      0,
      part.getByRole('button', { name: /^Pin for the report/ }),
    );
  }

  await openReport(page);
  const blocks = page.getByTestId('report-block');
  await expect(blocks).toHaveCount(pinned.length);
  for (const [i, { words, tables, figures }] of pinned.entries()) {
    const block = blocks.nth(i);
    if (words) await expect(block).toContainText(words);
    // A table too wide for the page is cut into parts of one number.
    const numbers = block.getByTestId('report-table').locator('strong');
    await expect.poll(async () => new Set(await numbers.allInnerTexts()).size, { message: `tables of block ${i}` }).toBe(tables);
    await expect(block.getByTestId('report-figure')).toHaveCount(figures);
    for (const figure of await block.getByTestId('report-figure').all()) await expect(figure.locator('svg').first()).toBeVisible();
  }
  await expect(page.getByRole('alert')).toHaveCount(0);

  // The order is the researcher's own, by keyboard too, and is kept.
  await blocks.nth(1).getByRole('button', { name: /^Menu/ }).click();
  await page.getByRole('menuitem', { name: 'Move up' }).click();
  await expect(blocks.first().getByTestId('report-table')).not.toHaveCount(0);
  await page.reload();
  await expect(blocks.first().getByTestId('report-table')).not.toHaveCount(0);
});

async function idsOf(page: Page, base: string, ...names: readonly string[]): Promise<string> {
  const study = await (await page.request.get(`/api${new URL(base).pathname}`)).json();
  return names.map((name) => study.state.variables.find((variable: { name: string }) => variable.name === name).id).join('~');
}
