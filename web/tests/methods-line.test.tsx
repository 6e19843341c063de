import { correlationSettingsSchema } from '@ivlen/contract';
import { citationOf, INTERVAL_KINDS, INTERVAL_SOURCES, METHOD_NAMES } from '@ivlen/core';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { INTERVALS } from '../src/coefficients/sentence-parts';
import { MethodsLine } from '../src/methods-line/methods-line';
import { sentenceOf, withEditors } from '../src/methods-line/methods-parts';
import { correlationEditors } from '../src/stages/correlations/correlation-editors';
import { sentence } from '../src/stages/correlations/sentence';
import { testStudy } from './test-study';

const settings = correlationSettingsSchema.parse({});
const study = testStudy();
const facts = (rows: string, of = study) => ({
  variables: of.state.variables,
  candidates: of.state.variables,
  rows,
});
const partsOf = (rows: string, change: () => void, of = study) =>
  withEditors(sentence(of, settings, facts(rows, of)), correlationEditors(of, settings, facts(rows, of), '/studies/s/data', change));

it('is one sentence of real text, the same on screen and copied', () => {
  const parts = partsOf('all 1,248 rows', () => {});
  render(<MethodsLine parts={parts} />);
  const words =
    'Pearson’s r among 3 variables in all 1,248 rows, two-sided, using every complete pair, marked at .05, .01 and .001, unadjusted, with 95 % intervals, holding nothing constant.';
  expect(screen.getByTestId('methods-line').textContent).toBe(words);
  expect(sentenceOf(parts)).toBe(words);
});

it('says which variables have a method of their own', () => {
  const [first, second, third] = study.state.variables.map(({ id }) => id);
  const deciding = {
    ...study,
    state: { ...study.state, pairMethods: { [first ?? '']: 'spearman', [second ?? '']: 'kendall', [third ?? '']: 'pearson' } },
  } as typeof study;
  const words = sentenceOf(sentence(deciding, settings, facts('all 40 rows', deciding)));
  expect(words).toContain(
    'Pearson’s r among 3 variables, Spearman’s ρ for pairs with nitrate, Kendall’s τ for pairs with phosphate in all 40 rows',
  );
});

it('changes its parts in place', async () => {
  const change = vi.fn();
  const user = userEvent.setup();
  render(<MethodsLine parts={partsOf('all 3 rows', change)} />);
  await user.click(screen.getByRole('button', { name: /change the alternative/ }));
  await user.click(screen.getByRole('radio', { name: /One-sided, negative/ }));
  expect(change).toHaveBeenLastCalledWith({ alternative: 'less' });
  expect(screen.queryByRole('radio')).toBeNull();

  await user.click(screen.getByRole('button', { name: /change the method/ }));
  await user.click(screen.getByRole('radio', { name: /^Kendall’s τ/ }));
  expect(change).toHaveBeenLastCalledWith({ methods: ['kendall'] });
  await user.click(screen.getByRole('checkbox', { name: /^Spearman’s ρ/ }));
  expect(change).toHaveBeenLastCalledWith({ methods: ['pearson', 'spearman'] });
  await user.keyboard('{Escape}');

  await user.click(screen.getByRole('button', { name: /change the adjustment/ }));
  await user.click(screen.getByRole('radio', { name: /^Holm/ }));
  expect(change).toHaveBeenLastCalledWith({ adjust: 'holm' });

  await user.click(screen.getByRole('button', { name: /change what is held constant/ }));
  await user.click(screen.getByRole('checkbox', { name: /^phosphate/ }));
  expect(change).toHaveBeenLastCalledWith({ control: ['v2'] });
  await user.keyboard('{Escape}');

  await user.click(screen.getByRole('button', { name: /change the intervals/ }));
  await user.type(screen.getByRole('textbox'), '0{Enter}');
  expect(screen.getByRole('alert').textContent).toContain('between 0 and 100');
  await user.clear(screen.getByRole('textbox'));
  await user.type(screen.getByRole('textbox'), '97.5{Enter}');
  expect(change).toHaveBeenLastCalledWith({ level: 0.975 });
  await user.keyboard('{Escape}');

  await user.click(screen.getByRole('button', { name: /change which rows/ }));
  await user.click(screen.getByRole('radio', { name: /complete for all/ }));
  expect(change).toHaveBeenLastCalledWith({ missing: 'listwise' });

  await user.click(screen.getByRole('button', { name: /\.05, \.01 and \.001/ }));
  await user.type(screen.getByRole('textbox'), '2{Enter}');
  expect(screen.getByRole('alert').textContent).toContain('above 0 and below 1');
  await user.clear(screen.getByRole('textbox'));
  await user.type(screen.getByRole('textbox'), '.02 .002{Enter}');
  expect(change).toHaveBeenLastCalledWith({ levels: [0.02, 0.002] });
});

it('names for each coefficient the interval that it has by default', () => {
  const words = INTERVALS.find(({ value }) => value === 'default')?.words ?? '';
  const authors = METHOD_NAMES.map((method) => citationOf(INTERVAL_SOURCES[INTERVAL_KINDS[method][0]]).split(/[ ,]/)[0] ?? '?');
  expect(authors).toEqual(['Fisher', 'Bonett', 'Brown']);
  for (const author of authors) expect(words).toContain(author);
});
