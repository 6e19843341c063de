import { correlationSettingsSchema, levelsSchema } from '@ivlen/contract';
import { expect, it, test } from 'vitest';

it('has the usual settings where none were saved', () => {
  expect(correlationSettingsSchema.parse({})).toEqual({
    methods: ['pearson'],
    alternative: 'two-sided',
    missing: 'pairwise',
    levels: [0.05, 0.01, 0.001],
    adjust: 'none',
    level: 0.95,
    interval: 'default',
    control: [],
    below: 'coefficient',
    above: 'p',
    under: 'nothing',
    strength: null,
    dim: false,
    order: 'listed',
    size: 'comfortable',
    descriptives: false,
    cautions: 'decisive',
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
