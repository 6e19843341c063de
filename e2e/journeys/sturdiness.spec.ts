import { cellOf, expect, openCopy, test, whileSaving } from '../application/test';

test('the pair that one station carries says so, and every way to its coefficient can be read, opened and reported', async ({ page }) => {
  test.setTimeout(180_000);
  await openCopy(page, 'Aldermere streams');
  await cellOf(page, 'turbidity', 'dissolved oxygen').click();
  const card = page.getByRole('complementary', { name: /^Pair/ });
  await card.getByRole('button', { name: 'Sturdiness', exact: true }).click();
  const brief = card.getByRole('region', { name: 'Sturdiness', exact: true }).getByTestId('ways-in-words');
  // r, ρ; the station in and out; nothing or catchment held constant; each row or the mean of each station.
  await expect(brief).toContainText(/^Of 16 ways, all are negative and \d+ have p ≤ \.05; from −\.5\d to −\.\d\d\./);
  await expect(brief).toContainText('CO-018');
  const briefly = (await brief.textContent()) ?? '';

  await card.getByRole('link', { name: 'All choices and ways' }).click();
  const full = page.getByRole('region', { name: 'Correlations', exact: true });
  await expect(full.getByTestId('ways-in-words')).toHaveText(briefly);
  const choices = full.getByRole('region', { name: 'Choices' });
  await expect(choices.getByRole('checkbox', { name: 'r (in force)', exact: true })).toBeDisabled();
  await expect(choices.getByRole('checkbox', { name: 'out (named in “one point carries it”)' })).toBeChecked();
  await expect(choices).toContainText('16 combinations');

  // What is ticked is kept, and computed at once.
  await whileSaving(page, () => choices.getByRole('checkbox', { name: 'τ', exact: true }).check());
  await expect(full.getByTestId('ways-in-words')).toContainText(/^Of 24 ways/);
  await page.reload();
  await expect(choices.getByRole('checkbox', { name: 'τ', exact: true })).toBeChecked();
  await expect(full.getByTestId('ways-in-words')).toContainText(/^Of 24 ways/);

  // All of them at once: the shuffles are counted, and the hypothesis is named.
  await full.getByRole('button', { name: 'Test all ways together' }).click();
  const together = full.getByTestId('joint-in-words');
  await expect(together).toContainText(/^499 times \w+.*was shuffled against all else, each station with all its rows/);
  await expect(together).toContainText('43 of them had as extreme a median: p = .088.');
  await expect(together).toContainText(/and of catchment, which some ways hold constant\.$/);

  // Read along by keys: the first is the most negative.
  const slider = full.getByRole('slider', { name: 'Ways in order of size' });
  await slider.focus();
  await page.keyboard.press('Home');
  await expect(slider).toHaveAttribute('aria-valuetext', /^way 1 of 24: −\.5/);
  await page.keyboard.press('End');
  await expect(slider).toHaveAttribute('aria-valuetext', /^way 24 of 24: −\.\d+ .*CO-018\) out/);
  await page.keyboard.press('Enter');
  const chosen = full.getByTestId('chosen-way');
  await expect(chosen).toContainText('No setting, but a decision of its own each: ');
  await expect(chosen).toContainText('row 102 (CO-018) out');

  await full.getByRole('button', { name: 'Show as a table' }).click();
  const table = full.getByRole('table', { name: /^Ways to the coefficient of/ });
  await expect(table.getByRole('row')).toHaveCount(25);

  await full.getByRole('button', { name: /^Pin for the report: Ways/ }).click();
  await expect(page.getByText(/^Pinned for the report: Ways/)).toBeVisible();
  await chosen.getByRole('button', { name: /^Open as a pair/ }).click();
  await expect(page.getByRole('complementary', { name: /^Pair/ })).toBeVisible();
  await page.getByRole('link', { name: /^Report/ }).click();
  await expect(page.getByText(/Of 24 ways, all are negative/).first()).toBeVisible();
  await expect(page.getByRole('img', { name: /^Of 24 ways, all are negative/ })).toBeVisible();
});

test('a pair whose sign reverses inside the catchments: the sign hangs on what is held constant', async ({ page }) => {
  await openCopy(page, 'Aldermere streams');
  const { pathname } = new URL(page.url());
  await page.goto(`${pathname}?view=sturdiness&pair=v8~v16`);
  const words = page.getByTestId('ways-in-words');
  await expect(words).toContainText('4 are negative and all have p ≤ .05');
  await expect(words).toContainText('The sign changes only with catchment held constant.');
  await page.getByRole('combobox', { name: 'First variable' }).selectOption({ label: 'elevation' });
  await expect(page).toHaveURL(/pair=v7~v16|pair=v7%7Ev16/);
  await expect(words).not.toContainText('The sign changes');
});
