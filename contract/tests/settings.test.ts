import { correlationSettingsSchema, levelsSchema } from '@ivlen/contract';
import { expect, it, test } from 'vitest';

it('has the usual settings where none were saved', () => {
  expect(correlationSettingsSchema.parse({})).toEqual({
    method: 'pearson',
    alternative: 'two-sided',
    missing: 'pairwise',
    levels: [0.05, 0.01, 0.001],
    above: 'p',
  });
});

test.each([
  [[0.05], true],
  [[0.1, 0.05, 0.01], true],
  [[], false],
  [[0.01, 0.05], false],
  [[0.05, 0.05], false],
  [[0.05, 0], false],
  [[1, 0.05], false],
  [[0.1, 0.05, 0.01, 0.001], false],
])('levels %j: usable is %s', (levels, usable) => {
  expect(levelsSchema.safeParse(levels).success).toBe(usable);
});
