import { correlationSettingsSchema } from '@ivlen/contract';
import { citationOf, INTERVAL_KINDS, INTERVAL_SOURCES, METHOD_NAMES, type Method } from '@ivlen/core';
import { render, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { INTERVALS } from '../src/coefficients/sentence-parts';
import { MethodsLine } from '../src/methods-line/methods-line';
import { sentenceOf, withEditors } from '../src/methods-line/methods-parts';
import { correlationEditors } from '../src/stages/correlations/correlation-editors';
import { sentence } from '../src/stages/correlations/sentence';
import { serve, show } from './served';
import { testStudy } from './test-study';

const settings = correlationSettingsSchema.parse({});
const study = testStudy();
const facts = (rows: string, of = study) => ({
  variables: of.state.variables,
  candidates: of.state.variables,
  rows,
});
const workingSet = (set = vi.fn()) => ({ variables: study.state.variables.slice(0, 2), has: () => true, set, replace: vi.fn() });
const partsOf = (rows: string, change: () => void, of = study) =>
  withEditors(sentence(of, settings, facts(rows, of)), correlationEditors(of, settings, facts(rows, of), workingSet(), change));

it('is one sentence of real text, the same on screen and copied', () => {
  const parts = partsOf('all 1,248 rows', () => {});
  render(<MethodsLine parts={parts} />);
  const words =
    'Pearson’s r among 3 variables in all 1,248 rows, two-sided, using every complete pair, marked at .05, .01 and .001, unadjusted, with 95 % intervals, holding nothing constant.';
  expect(screen.getByTestId('methods-line').textContent).toBe(words);
  expect(sentenceOf(parts)).toBe(words);
});

const decided = (methods: readonly (Method | null)[]) => {
  const ids = study.state.variables.map(({ id }) => id);
  const pairMethods = Object.fromEntries(methods.flatMap((method, i) => (method ? [[ids[i] ?? '', method]] : [])));
  return { ...study, state: { ...study.state, pairMethods } };
};
const among = (of: typeof study, count = 3) => {
  const words = facts('all 40 rows', of);
  return sentenceOf(sentence(of, settings, { ...words, variables: words.variables.slice(0, count) }));
};

it.each<[string, (Method | null)[], number, string]>([
  ['one of three', ['spearman', null, null], 3, 'Pearson’s r among 3 variables, Spearman’s ρ for pairs with nitrate in all 40 rows'],
  // Only pairs that are on screen: the third is not.
  ['the one that is not on screen', [null, null, 'kendall'], 2, 'Pearson’s r among 2 variables in all 40 rows'],
  ['one of a pair, so that no pair is by r', ['spearman', null, null], 2, 'Spearman’s ρ among 2 variables, as decided for nitrate in all'],
  [
    'all but one, so that no pair is by r',
    ['kendall', 'kendall', null],
    3,
    'Kendall’s τ among 3 variables, as decided for nitrate and phosphate in',
  ],
  [
    'different ones, none of them r',
    ['spearman', 'kendall', 'pearson'],
    3,
    'Spearman’s ρ and Kendall’s τ among 3 variables, Spearman’s ρ for pairs with nitrate, Kendall’s τ for pairs with phosphate in all 40 rows',
  ],
])('says only coefficients that are computed: a method of its own for %s', (_, methods, count, words) => {
  expect(among(decided(methods), count)).toContain(words);
});

it('of one pair, leaves out what says nothing where it is copied, and keeps it to be changed', () => {
  const pair = { ...facts('all 40 rows'), variables: study.state.variables.slice(0, 2) };
  const parts = sentence(study, settings, pair);
  expect(sentenceOf(parts)).toBe(
    'Pearson’s r among 2 variables in all 40 rows, two-sided, using every complete pair, marked at .05, .01 and .001, with 95 % intervals.',
  );
  const shown = withEditors(
    parts,
    correlationEditors(study, settings, pair, workingSet(), () => {}),
  );
  expect(sentenceOf(shown)).toBe(sentenceOf(parts));
  render(<MethodsLine parts={shown} />);
  expect(screen.getByRole('button', { name: /^unadjusted/ })).toBeTruthy();
  expect(screen.getByRole('button', { name: /^holding nothing constant/ })).toBeTruthy();
  const adjusted = sentence(study, { ...settings, adjust: 'holm', control: [study.state.variables[2]?.id ?? ''] }, pair);
  expect(sentenceOf(adjusted)).toContain('holding mayfly taxa constant');
  expect(sentenceOf(adjusted)).toContain(', adjusted after Holm');
});

it('changes its parts in place', async () => {
  const change = vi.fn();
  serve({ 'GET /settings/grouping': { version: 0, settings: null } });
  const { user } = show(<MethodsLine parts={partsOf('all 3 rows', change)} />);
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
