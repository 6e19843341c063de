import { canBeCorrelated, firstWorkingSet, isQuantity, kindsFor, type Variable, variableSchema } from '@ivlen/contract';
import { expect, it, test } from 'vitest';

function variable(id: string, kind: Variable['kind'], storage: Variable['storage'] = 'number'): Variable {
  return variableSchema.parse({
    id,
    name: id,
    label: null,
    unit: null,
    kind,
    storage,
    decimals: null,
    role: null,
    highMeans: null,
    valueLabels: {},
    missingCodes: [],
    validRange: null,
    note: null,
    derivation: null,
  });
}

test.each([
  ['continuous', 'number', true],
  ['discrete', 'number', true],
  ['ordinal', 'number', true],
  ['ordinal', 'code', false],
  ['nominal', 'number', false],
  ['identifier', 'number', false],
  ['date', 'day', false],
] as const)('%s variables stored as %s: correlated is %s', (kind, storage, expected) => {
  expect(canBeCorrelated(variable('v1', kind, storage))).toBe(expected);
});

it('ticks the quantities of a new study, up to twelve, and no ordinal variable', () => {
  const quantities = Array.from({ length: 15 }, (_, i) => variable(`q${i}`, i % 2 === 0 ? 'continuous' : 'discrete'));
  const all = [variable('order', 'ordinal'), variable('name', 'identifier', 'code'), ...quantities];
  expect(firstWorkingSet(all)).toEqual(quantities.slice(0, 12).map(({ id }) => id));
  expect(all.filter(isQuantity)).toHaveLength(15);
});

it('offers only the kinds that the stored cells can have', () => {
  expect(kindsFor('number')).not.toContain('date');
  expect(kindsFor('code')).toEqual(['nominal', 'identifier']);
  expect(kindsFor('day')).toEqual(['date']);
});
