import { readFileSync } from 'node:fs';
import { cellOf, expect, openCopy, test } from '../application/test';

/** Coefficients as mpmath computes them from samples/aldermere-streams.csv (reference/cases/demo.py). */
const survey = JSON.parse(readFileSync(new URL('../../reference/demo.json', import.meta.url), 'utf8'));
const shown = (r: number, digits = 3) => r.toFixed(digits).replace('-', '−').replace('0.', '.');

async function openRows(page: Parameters<typeof openCopy>[0], name: string) {
  await openCopy(page, name);
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Data', exact: true }).click();
  await expect(page.getByRole('grid', { name: /^Rows of/ })).toBeVisible();
}

test('only catchment Aster, then rows 61 to 140, three columns: the matrix follows, and outlives kill -9', async ({
  page,
  application,
}) => {
  await openRows(page, 'Aldermere streams');
  await page.getByRole('button', { name: 'Rows by rules' }).click();
  const dialog = page.getByRole('dialog', { name: 'Rows by rules' });
  await dialog.getByLabel('What the rule is about').selectOption({ label: 'catchment' });
  await dialog.getByRole('checkbox', { name: /^Aster/ }).check();
  await expect(dialog.getByRole('status')).toContainText('63 of 248 rows: catchment is Aster.');
  await dialog.getByRole('button', { name: 'Use these rows' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('63 of 248 rows in use');

  await page.getByRole('button', { name: 'Change the subset' }).click();
  await dialog.getByRole('button', { name: 'Another rule' }).click();
  const second = dialog.getByRole('list', { name: 'Rules' }).locator(':scope > li').nth(1);
  await second.getByLabel('First row').fill('61');
  await second.getByLabel('Last row').fill('140');
  await second.getByLabel('Last row').press('Enter');
  const { rows } = survey.asterRows61To140;
  await expect(dialog.getByRole('status')).toContainText(`${rows} of 248 rows: catchment is Aster and rows 61 to 140.`);
  await dialog.getByLabel('Name for this subset').fill('Aster, middle');
  await dialog.getByRole('button', { name: 'Keep under this name' }).click();
  await expect(dialog.getByRole('list', { name: 'Subsets with a name' })).toContainText('Aster, middle');
  await dialog.getByRole('button', { name: 'Use these rows' }).click();
  await expect(page.getByTestId('subset-in-use')).toContainText('catchment is Aster and rows 61 to 140');

  await page.getByRole('button', { name: 'None' }).click();
  for (const name of [/^elevation/, /^water temp/, /^dissolved oxygen/]) await page.getByRole('checkbox', { name }).check();
  await page.getByRole('link', { name: 'Correlations', exact: true }).click();
  await expect(page.getByTestId('methods-line')).toContainText(`among 3 variables in ${rows} of 248 rows`);
  const expectMatrix = async () => {
    const { waterTempByElevation, oxygenByElevation, oxygenByWaterTemp } = survey.asterRows61To140;
    await expect(cellOf(page, 'water temp', 'elevation')).toContainText(shown(waterTempByElevation.r, 2));
    await expect(cellOf(page, 'dissolved oxygen', 'elevation')).toHaveAccessibleName(new RegExp(`n = ${oxygenByElevation.n}`));
    await cellOf(page, 'dissolved oxygen', 'water temp').click();
    const card = page.getByRole('complementary', { name: /^Pair/ });
    await expect(card.getByTestId('pair-values').getByRole('row', { name: /Pearson’s r/ })).toContainText(shown(oxygenByWaterTemp.r));
    await expect(card.getByTestId('pair-values').getByRole('row', { name: /n, rows used/ })).toContainText(String(oxygenByWaterTemp.n));
    await expect(card.getByRole('img', { name: new RegExp(`${oxygenByWaterTemp.n} `) })).toBeVisible();
  };
  await expectMatrix();
  await application.killAndRestart();
  await page.reload();
  await expectMatrix();
});

test('a ratio of two columns is made with completion and preview, and stands in the matrix beside its parts', async ({ page }) => {
  await openRows(page, 'Aldermere streams');
  await page.getByRole('button', { name: 'Derive a variable' }).click();
  const dialog = page.getByRole('dialog');
  const formula = dialog.getByRole('combobox', { name: 'Formula' });
  await formula.press('Control+a');
  await formula.pressSequentially('chlo');
  await page.getByRole('option', { name: /^chlorophyll/ }).click();
  await formula.pressSequentially(' / phos');
  await formula.press('Enter');
  await expect(formula).toHaveValue('chlorophyll / phosphate');
  // cut -d, -f16,17 on the file: 10 of its rows lack chlorophyll or phosphate.
  await expect(dialog.getByText('238 of 248 rows can be computed. 10 rows lack a value.')).toBeVisible();
  await dialog.getByLabel('Its name').fill('chlorophyll_per_phosphate');
  await dialog.getByRole('button', { name: 'Make the variable' }).click();
  await expect(dialog).toHaveCount(0);

  await page.getByRole('button', { name: 'None' }).click();
  for (const name of [/^chlorophyll/, /^phosphate/, /^chlorophyll per phosphate/]) {
    await page.getByRole('checkbox', { name }).last().check();
  }
  await page
    .getByRole('checkbox', { name: /^chlorophyll/ })
    .first()
    .check();
  await page.getByRole('link', { name: 'Correlations', exact: true }).click();
  const { byChlorophyll, byPhosphate } = survey.chlorophyllPerPhosphate;
  for (const [part, { r, n }] of [
    ['chlorophyll', byChlorophyll],
    ['phosphate', byPhosphate],
  ] as const) {
    const card = page.getByRole('complementary', { name: /^Pair/ });
    await page
      .getByRole('gridcell', { name: new RegExp(`^(chlorophyll per phosphate and ${part}|${part} and chlorophyll per phosphate): `) })
      .first()
      .click();
    await expect(card.getByTestId('pair-values').getByRole('row', { name: /Pearson’s r/ })).toContainText(shown(r));
    await expect(card.getByTestId('pair-values').getByRole('row', { name: /n, rows used/ })).toContainText(String(n));
  }
});

test('pH 74 is found, shown with and without, corrected with a reason, undone and redone; earlier states can be seen', async ({ page }) => {
  const { row, ...ph } = survey.decimalSlip;
  await openRows(page, 'Aldermere streams');
  await page.getByRole('searchbox', { name: 'Find a value or identifier' }).fill('74');
  await page.keyboard.press('Enter');
  const phIn = (number: number) =>
    page
      .getByRole('row', { name: new RegExp(`^${number} `) })
      .getByRole('gridcell')
      .nth(10);
  await expect(page.getByRole('status').filter({ hasText: / of / })).toBeVisible();

  await page.getByRole('button', { name: /^To check/ }).click();
  const line = page.getByRole('listitem', { name: `ph in row ${row}` });
  await expect(line).toContainText('ph 74');
  await expect(line.getByRole('row', { name: /^with it/ })).toContainText(shown(ph.with.r, 2));
  await expect(line.getByRole('row', { name: /^without/ })).toContainText(shown(ph.without.r, 2));
  await line.getByLabel(`Reason for the answer on row ${row}`).fill('point slipped on the field sheet');
  await line.getByRole('button', { name: /^Correct to 7.4/ }).click();
  await expect(line.getByLabel('Correct value')).toHaveValue('7.4');
  await line.getByRole('button', { name: 'Write it' }).click();
  await expect(line).toHaveCount(0);

  const undo = page.getByRole('button', { name: /^Undo: ph/ });
  await expect(undo).toBeVisible();
  const expectPh = async (r: number) => {
    await page.getByRole('link', { name: 'Correlations', exact: true }).click();
    await cellOf(page, 'nitrate', 'ph').click();
    await expect(page.getByTestId('pair-values').getByRole('row', { name: /Pearson’s r/ })).toContainText(shown(r));
  };
  await expectPh(ph.corrected.r);
  await undo.click();
  await expectPh(ph.with.r);
  await page.getByRole('button', { name: /^Redo: ph/ }).click();
  await expectPh(ph.corrected.r);

  await page.getByRole('button', { name: /^Trail/ }).click();
  const trail = page.getByRole('dialog', { name: /^Trail of/ });
  await expect(trail.getByRole('listitem').first()).toContainText('point slipped on the field sheet');
  await trail.getByRole('listitem').nth(1).getByRole('link', { name: 'See the study as it was' }).click();
  await expect(page.getByText('The study as it was at revision 1')).toBeVisible();
  await page.goto(`${page.url()}?row=${row}`);
  await expect(phIn(row)).toHaveText('74.00');
  await expect(page.getByRole('button', { name: 'Derive a variable' })).toBeDisabled();
  await page.getByRole('link', { name: 'Back to today’s state' }).click();
  await page.goto(`${page.url()}?row=${row}`);
  await expect(phIn(row)).toHaveText('7.40');
});

test('archive out, delete the study, archive in: the identical matrix, to the last digit', async ({ page }) => {
  await openRows(page, 'Aldermere streams');
  await page.getByRole('textbox', { name: 'Go to row number' }).fill('137');
  await page.keyboard.press('Enter');
  await page.getByRole('rowheader', { name: /137$/ }).click();
  await page.getByRole('button', { name: 'Set aside …' }).click();
  await page.getByRole('button', { name: 'misread' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('247 of 248 rows in use');
  const matrix = async () => {
    const id = /studies\/([^/]+)/.exec(page.url())?.[1];
    const study = await (await page.request.get(`/api/studies/${id}`)).json();
    const variables = study.state.variables
      .filter(({ storage }: { storage: string }) => storage === 'number')
      .map((v: { id: string }) => v.id);
    const analysis = {
      kind: 'correlation',
      method: 'pearson',
      byVariable: {},
      missing: 'pairwise',
      alternative: 'two-sided',
      level: 0.95,
      variables,
    };
    for (;;) {
      const answer = await page.request.post(`/api/studies/${id}/analyses`, { data: { revision: study.head, analysis } });
      // On a busy machine it becomes a job, whose result is kept.
      if (answer.status() !== 202) return answer.json();
      await page.waitForTimeout(300);
    }
  };
  const before = await matrix();
  const shownBefore = async () => {
    await page.getByRole('link', { name: 'Correlations', exact: true }).click();
    // The marks of shape come a moment after the coefficients.
    await expect(page.getByRole('grid').getByText('▲')).toHaveCount(4);
    return page.getByRole('grid').innerText();
  };
  const textBefore = await shownBefore();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Study / }).click();
  await page.getByRole('menuitem', { name: 'Export …' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Export' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^aldermere-streams-copy(-\d+)?\.zip$/);
  const path = await file.path();
  await page.getByRole('button', { name: /^Study / }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page).toHaveURL('/');

  await page
    .getByLabel('Table to bring in')
    .setInputFiles({ name: 'aldermere-streams-copy.zip', mimeType: 'application/zip', buffer: readFileSync(path) });
  await expect(page.getByRole('grid')).toBeVisible();
  expect(await matrix()).toEqual(before);
  expect(await shownBefore()).toBe(textBefore);
  await expect(page.getByTestId('rows-in-use')).toContainText('1 set aside');
  await page.getByRole('button', { name: /^Trail/ }).click();
  const trail = page.getByRole('dialog', { name: /^Trail of/ });
  await expect(trail.getByRole('listitem').first()).toContainText('Brought back from the archive “aldermere-streams-copy.zip”');
  await expect(trail.getByRole('listitem').nth(1)).toContainText('Row 137 (DR-034) set aside: misread');
});

test('rows are set aside by a rule with a reason, one is brought back, a block is pasted, a cell typed: each one decision', async ({
  page,
}) => {
  await openRows(page, 'Aldermere kick samples');
  await page.getByRole('button', { name: 'Rows by rules' }).click();
  const dialog = page.getByRole('dialog', { name: 'Rows by rules' });
  await dialog.getByLabel('What the rule is about').selectOption({ label: 'habitat' });
  await dialog.getByRole('checkbox', { name: /^pool/ }).check();
  await dialog.getByRole('button', { name: 'Set these aside …' }).click();
  await page.getByLabel('Another reason').fill('still water');
  await page.getByRole('button', { name: 'Set aside', exact: true }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('8 of 12 rows in use');
  const row = (number: number) => page.getByRole('row', { name: new RegExp(`(^|, )${number} `) });
  await row(10).getByRole('rowheader').click();
  await page.getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByTestId('rows-in-use')).toContainText('9 of 12 rows in use');

  const grid = page.getByRole('grid', { name: /^Rows of/ });
  await row(2).getByRole('gridcell').nth(2).click();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'depth in row 2' }).fill('16.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Last decision' })).toContainText('depth in row 2 (K02): 15 became 16.5');
  await page.getByRole('textbox', { name: 'Why' }).fill('ruler read again');
  await page.getByRole('button', { name: 'Keep the reason' }).click();

  await row(5).getByRole('gridcell').nth(3).click();
  await page.evaluate(() => navigator.clipboard.writeText('0.44\t7\r\n0.45\t6\r\n'));
  await grid.press('Control+v');
  await expect(page.getByRole('region', { name: 'Last decision' })).toContainText('4 cells of 2 variables corrected in rows 5–6');
  await expect(row(6).getByRole('gridcell').nth(4)).toHaveText('6');
  await page.evaluate(() => navigator.clipboard.writeText('fast\t7'));
  await grid.press('Control+v');
  await expect(page.getByText(/Nothing was written: “fast” for current in row 5/)).toBeVisible();
  await expect(row(5).getByRole('gridcell').nth(3)).toHaveText('0.44');

  await page
    .getByRole('columnheader', { name: /^depth/ })
    .getByRole('button')
    .click();
  await page.getByRole('menuitem', { name: 'Look at the largest first' }).click();
  await expect(grid.getByRole('row').nth(1).getByRole('gridcell').nth(2)).toHaveText('60');
  await page.reload();
  await expect(grid.getByRole('row').nth(1).getByRole('gridcell').nth(2)).toHaveText('60');
  await page.getByRole('button', { name: 'Back to row order' }).click();
  await page
    .getByRole('columnheader', { name: /^depth/ })
    .getByRole('button')
    .click();
  await page.getByRole('menuitem', { name: 'Describe depth' }).click();
  await expect(page.getByRole('complementary', { name: 'Description of depth' }).getByRole('row', { name: /^n / })).toHaveText(/^n\s*9$/);
});
