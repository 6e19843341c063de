import { readFileSync } from 'node:fs';
import { correlationMatrix, varianceInflation } from '@ivlen/core';
import { describe, test } from 'vitest';
import { expectFigures } from './accuracy';

interface Table {
  names: string[];
  columns: number[][];
  pearson: number[][];
  spearman: number[][];
  kendall: number[][];
  vif: number[];
}
// Wine (Aeberhard, Coomans & de Vel 1992) and diabetes (Efron et al. 2004), as scikit-learn ships them.
const data: Record<'wine' | 'diabetes', Table> = JSON.parse(readFileSync('reference/open-data.json', 'utf8'));

describe.each(['wine', 'diabetes'] as const)('%s', (name) => {
  const table = data[name];
  const columns = table.columns.map((values) => Float64Array.from(values));
  test.each(['pearson', 'spearman', 'kendall'] as const)('%s against numpy and scipy', (method) => {
    const { coefficient } = correlationMatrix(columns, { method, missing: 'pairwise' });
    expectFigures('correlationMatrix', 'numpy and scipy on open data', coefficient, table[method].flat(), 1e-10, name);
  });
  test('VIF against statsmodels', () => {
    expectFigures('varianceInflation', 'statsmodels on open data', varianceInflation(columns).vif, table.vif, 1e-8, name);
  });
});
