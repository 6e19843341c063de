import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { cellOf, expect, openCopy, test } from '../application/test';

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** Looked for in the page itself, which has no frames: opening a second page for it takes the focus away and four times as long. */
async function violations(page: Page): Promise<string[]> {
  const { violations: found } = await new AxeBuilder({ page })
    .options({ runOnly: RULES, resultTypes: ['violations'] })
    .setLegacyMode(true)
    .analyze();
  return found.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`);
}

for (const colorScheme of ['light', 'dark'] as const) {
  test.describe(`with the ${colorScheme} system setting`, () => {
    test.use({ colorScheme });

    test('home has no accessibility violation', async ({ page }) => {
      await page.goto('/');
      await expect(page.getByRole('link', { name: 'Aldermere streams', exact: true })).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('the import preview has none', async ({ page }) => {
      await page.goto('/');
      await page.getByLabel('Table to bring in').setInputFiles({
        name: 'brook.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from('site,depth,taxa\na,1.5,4\nb,2.25,5\nc,oops,7\nd,3.5,-99\ne,NA,8\n'),
      });
      await expect(page.getByRole('button', { name: 'Create study' })).toBeEnabled();
      expect(await violations(page)).toEqual([]);
    });

    test('the codebook with an open entry and the trail have none', async ({ page }) => {
      await openCopy(page, 'Aldermere kick samples');
      await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Data', exact: true }).click();
      await page.getByRole('button', { name: 'Codebook', exact: true }).click();
      await page.getByRole('button', { name: 'Edit the entry of depth' }).click();
      await expect(page.getByRole('form', { name: 'Entry of depth' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: /^Trail/ }).click();
      await expect(page.getByRole('dialog', { name: /^Trail of/ })).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('the rows and their dialogs have none', async ({ page }) => {
      await openCopy(page, 'Aldermere kick samples');
      await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Data', exact: true }).click();
      await page.getByRole('rowheader', { name: '2', exact: true }).click();
      await page.getByRole('button', { name: 'Set aside …' }).click();
      await expect(page.getByRole('dialog', { name: 'Why set aside' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'misread' }).click();
      await expect(page.getByRole('region', { name: 'Last decision' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      for (const [button, dialog] of [
        ['Rows by rules', 'Rows by rules'],
        ['Derive a variable', 'Derive a variable'],
        ['Export …', /^Export/],
      ] as const) {
        await page.getByRole('button', { name: button }).click();
        await expect(page.getByRole('dialog', { name: dialog })).toBeVisible();
        expect(await violations(page)).toEqual([]);
        await page.keyboard.press('Escape');
      }
    });

    test('what is to check and the missing values have none', async ({ page }) => {
      await openCopy(page, 'Aldermere streams');
      await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Data', exact: true }).click();
      await page.getByRole('button', { name: /^To check/ }).click();
      await expect(page.getByText('What may be wrong')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'Missing values', exact: true }).click();
      await expect(page.getByText('Missing together')).toBeVisible();
      await expect(page.getByRole('table', { name: /^Pearson’s r by three ways/ })).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('every defensible way, with one chosen and the table open, has none; nor has the home page with its space', async ({ page }) => {
      await openCopy(page, 'Aldermere streams');
      await page.goto(`${new URL(page.url()).pathname}?view=sturdiness&pair=v10~v14`);
      const slider = page.getByRole('slider', { name: 'Ways in order of size' });
      await slider.focus();
      await page.keyboard.press('End');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'Show as a table' }).click();
      await expect(page.getByRole('table', { name: /^Ways to the coefficient/ })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.goto('/');
      await expect(page.getByText(/^\d+ stud(y|ies), /)).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('the shapes with an open strip have none', async ({ page }) => {
      await openCopy(page, 'Aldermere kick samples');
      await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Shape', exact: true }).click();
      await page
        .getByRole('region', { name: 'Shape', exact: true })
        .getByRole('button', { name: /^depth/ })
        .click();
      await expect(page.getByRole('region', { name: 'Shape of depth' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('the shapes together, on other scales and as a table have none', async ({ page }) => {
      await openCopy(page, 'Aldermere kick samples');
      const parts = page.getByRole('navigation', { name: 'Parts of the Shape stage' });
      await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Shape', exact: true }).click();
      for (const [part, sight] of [
        ['Together', page.getByText('Rows furthest out')],
        ['Other scales', page.getByRole('img').first()],
        ['Descriptives', page.getByRole('table').getByText('depth')],
      ] as const) {
        await parts.getByRole('button', { name: part }).click();
        await expect(sight).toBeVisible();
        expect(await violations(page)).toEqual([]);
      }
    });

    test('the report, empty, drafted, with its menus, an editor and a dialog open, has none', async ({ page }) => {
      // A whole report is looked over six times.
      test.slow();
      await openCopy(page, 'Aldermere streams');
      await page.getByRole('link', { name: /^Report/ }).click();
      await expect(page.getByRole('button', { name: 'Write a first draft' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'Write a first draft' }).click();
      await expect(page.getByTestId('report-figure').locator('svg').first()).toBeVisible();
      expect(await violations(page)).toEqual([]);
      for (const menu of ['Menu: Results', 'Take it out', 'Add']) {
        await page.getByRole('button', { name: menu, exact: true }).click();
        await expect(page.getByRole('menu')).toBeVisible();
        expect(await violations(page)).toEqual([]);
        await page.keyboard.press('Escape');
      }
      await page.getByRole('button', { name: 'Menu: Results' }).click();
      await page.getByRole('menuitem', { name: 'Edit the text' }).click();
      await expect(page.getByRole('textbox', { name: 'Text: Results' })).toBeFocused();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('textbox', { name: 'Text: Results' })).toHaveCount(0);
    });

    test('the ranked pairs, the rectangle, questions, the colours and one pair alone have none', async ({ page }) => {
      await openCopy(page, 'Aldermere streams');
      for (const [part, sight] of [
        ['Ranked', page.getByRole('table', { name: 'Pairs, ranked' })],
        ['Outcomes × predictors', page.getByRole('table', { name: 'Outcomes by predictors' })],
        ['Questions', page.getByLabel('Your question')],
      ] as const) {
        await page.getByRole('button', { name: part, exact: true }).click();
        await expect(sight).toBeVisible();
        expect(await violations(page)).toEqual([]);
      }
      await page.getByRole('button', { name: 'Grid', exact: true }).click();
      await page.getByRole('combobox', { name: 'Size' }).selectOption('colour');
      await expect(page.getByRole('application')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'None', exact: true }).click();
      for (const name of ['nitrate', 'mayfly taxa']) await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
      // From the last to the first: what opens moves only what stands below it.
      for (const title of [
        'Note',
        'Bootstrap and permutation',
        'Against a reported value',
        'By group',
        'Points that matter',
        'Line',
        'Working',
      ]) {
        await page.getByRole('button', { name: title, exact: true }).click();
      }
      await expect(page.getByTestId('by-group')).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('the scatterplots with lit rows, the figure in words, one large pair and the export have none', async ({ page }) => {
      await openCopy(page, 'Aldermere streams');
      await page.getByRole('button', { name: 'None', exact: true }).click();
      for (const name of ['nitrate', 'phosphate', 'mayfly taxa']) {
        await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
      }
      await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Scatterplots', exact: true }).click();
      await page.getByRole('button', { name: /whether groups are told apart/ }).click();
      await page.getByRole('radio', { name: 'Coloured by catchment' }).click();
      await expect(page.getByRole('figure', { name: 'Scatterplot matrix' })).toHaveAttribute('aria-busy', 'false');
      await page.getByRole('button', { name: 'Select by values …' }).click();
      await expect(page.getByRole('dialog', { name: 'Select rows by values' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByLabel('nitrate from').fill('6');
      await page.getByRole('button', { name: 'Select them' }).click();
      await expect(page.getByTestId('lit-values')).toContainText('→');
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'Export …' }).click();
      await expect(page.getByAltText('The figure as it will be')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'Show as table' }).click();
      await expect(page.getByRole('table', { name: 'Pairs in words' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'One pair' }).click();
      await expect(page.getByRole('img', { name: /^Scatterplot of/ })).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('subgroups have none: pairs with an opened row, the choice of groups, the grids, descriptives, dependent comparisons', async ({
      page,
    }) => {
      await openCopy(page, 'Aldermere streams');
      await page.getByRole('button', { name: 'None', exact: true }).click();
      for (const name of ['canopy cover', 'nitrate', 'phosphate', 'mayfly taxa']) {
        await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
      }
      await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Subgroups', exact: true }).click();
      await page.getByRole('button', { name: 'Show why' }).click();
      await expect(page.getByRole('img', { name: /^Scatterplot of .* by group/ })).toBeVisible();
      await page.getByRole('button', { name: /^nitrate × mayfly taxa: / }).click();
      await page.getByRole('button', { name: 'Every two groups' }).click();
      await page.getByRole('button', { name: 'Permutation of the groups' }).click();
      await expect(page.getByRole('table', { name: /every two groups$/ })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: /change the groups/ }).click();
      await page.getByLabel('or cut a quantity into groups').selectOption({ label: 'elevation' });
      await expect(page.getByRole('button', { name: 'Make these groups' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      for (const [part, sight] of [
        ['Side by side', page.getByRole('grid', { name: 'Correlations in Birk' })],
        ['Difference', page.getByRole('grid', { name: /^Differences of correlations/ })],
        ['Descriptives', page.getByTestId('group-descriptives')],
        ['Dependent comparisons', page.getByTestId('dependent-answer')],
      ] as const) {
        await page.getByRole('button', { name: part, exact: true }).click();
        await expect(sight).toBeVisible();
        expect(await violations(page)).toEqual([]);
      }
    });

    test('collinearity has none: shares with ghosts, the choice of predictors, what can be done with one, regression, residuals', async ({
      page,
    }) => {
      await openCopy(page, 'Aldermere streams');
      await page.getByRole('button', { name: 'None', exact: true }).click();
      for (const name of ['canopy cover', 'conductivity', 'dissolved solids', 'nitrate', 'chlorophyll', 'mayfly taxa']) {
        await page.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
      }
      await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Collinearity', exact: true }).click();
      await expect(page.getByTestId('suggestions')).toBeVisible();
      await page.getByRole('button', { name: 'Which largest sets stay within VIF 10?' }).click();
      await page.getByRole('button', { name: 'Show the table' }).click();
      await expect(page.getByTestId('near-table')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('switch', { name: 'dissolved solids among the predictors' }).click();
      await expect(page.getByTestId('share-conductivity')).toContainText('was');
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: /change the predictors/ }).click();
      const list = page.getByRole('group', { name: 'Predictors' });
      for (const name of [/^geology/, /^stream order/]) await list.getByRole('checkbox', { name }).check();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('button', { name: 'by its levels' })).toBeVisible();
      await page.getByRole('button', { name: /choose the reference level of geology/ }).click();
      await expect(page.getByRole('radiogroup', { name: 'Reference level' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'More about nitrate' }).click();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: /^Combine it with another/ }).click();
      await expect(page.getByRole('dialog', { name: 'Make a predictor of nitrate' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'Regression', exact: true }).click();
      await page.getByRole('button', { name: 'Enter the predictors in two or three sets' }).click();
      await page.getByLabel('Set of nitrate').selectOption('second set');
      await expect(page.getByTestId('sets-table')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: 'Residuals and rows', exact: true }).click();
      await page.getByTestId('influential-rows').getByRole('checkbox').first().check();
      await expect(page.getByTestId('with-and-without-rows')).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('reported figures and the help have none', async ({ page }) => {
      await page.goto('/figures');
      await expect(page.getByTestId('reported-size')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.goto('/help/cautions');
      await expect(page.getByRole('table')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.goto('/help/collinearity');
      await expect(page.getByRole('heading', { name: 'Pairs are not enough' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.goto('/help/what-a-coefficient-says');
      await expect(page.getByRole('slider')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('link', { name: 'Glossary', exact: true }).click();
      await expect(page.getByRole('heading', { name: 'skewness' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('searchbox', { name: 'Search help' }).fill('interval');
      await expect(page.getByRole('heading', { name: 'Found in help' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });

    test('the search, the decimals, the rules for rows in a sentence and the foot of the rows have none', async ({ page }) => {
      await openCopy(page, 'Aldermere streams');
      await page.keyboard.press('Control+k');
      await page.getByRole('combobox', { name: 'Search this study' }).fill('nitr');
      await expect(page.getByRole('option', { name: 'nitrate × phosphate' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: /^Study / }).click();
      await page.getByRole('menuitem', { name: 'Decimals …' }).click();
      await expect(page.getByRole('radio', { name: '3: −.419' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      // Written with three, everything on screen is.
      await page.getByRole('radio', { name: '3: −.419' }).click();
      await page.getByRole('button', { name: 'Close' }).click();
      await expect(cellOf(page, 'mayfly taxa', 'nitrate')).toContainText('−.634');
      await page.reload();
      await expect(cellOf(page, 'mayfly taxa', 'nitrate')).toContainText('−.634');
      await page.getByRole('button', { name: /change the rows/ }).click();
      await expect(page.getByRole('button', { name: 'Use these rows' })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('button', { name: 'Use these rows' })).toBeHidden();
      await page.getByRole('link', { name: /^Data: \d+ to check$/ }).click();
      await expect(page.getByText('What may be wrong')).toBeVisible();
      await page.getByRole('button', { name: 'Rows', exact: true }).click();
      await page.getByRole('checkbox', { name: 'means under the columns' }).check();
      await expect(page.getByRole('table', { name: 'Of the rows in use' })).toContainText('248');
      expect(await violations(page)).toEqual([]);
    });

    test('the matrix with the card and a popover has none', async ({ page }) => {
      await openCopy(page, 'Aldermere streams');
      await cellOf(page, 'mayfly taxa', 'nitrate').click();
      await expect(page.getByTestId('pair-sentence')).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.getByRole('button', { name: /change the alternative/ }).click();
      await expect(page.getByRole('radio', { name: /^Two-sided/ })).toBeVisible();
      expect(await violations(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: /change the method/ }).click();
      await page.getByText('Rows of the same case, gaps, steps, limits').click();
      await page.getByRole('radio', { name: /^Within each station/ }).click();
      await expect(page.getByTestId('methods-line')).toContainText('within each station');
      expect(await violations(page)).toEqual([]);
    });
  });
}
