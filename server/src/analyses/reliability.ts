import { correctAttenuation, intraclass, type Reliability, type ReliabilityOf } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable, findVariable } from './needed-variables';

/** How reliable repeated columns are. */
export const reliability: AnalysisModule<'reliability'> = {
  needs: ({ columns }, all) => allCorrelatable(all, columns),
  run: ({ columns: ids, level }, columns) => {
    const { one, mean, alpha, n } = intraclass(
      ids.map((id) => columnOf(columns, id)),
      { level },
    );
    return { kind: 'reliability', n, forms: { one: asData(one), mean: asData(mean), alpha: asData(alpha) } };
  },
};

function asData({ value, low, high }: Reliability) {
  return { value: finiteOrNull(value), low: finiteOrNull(low), high: finiteOrNull(high) };
}

/** r without the errors of measurement. */
export const attenuation: AnalysisModule<'attenuation'> = {
  needs: ({ x, y }, all) => {
    const both = allCorrelatable(all, [x, y]);
    const repeated = both.flatMap((variable) => (variable.reliability?.kind === 'repeated' ? variable.reliability.columns : []));
    return [...both, ...repeated.map((id) => findVariable(all, id))];
  },
  looksAt: ['reliability'],
  run: ({ x, y, level, replicates, seed }, columns, tell) => {
    const found = correctAttenuation(columnOf(columns, x), columnOf(columns, y), reliabilityOf(x, columns), reliabilityOf(y, columns), {
      level,
      replicates,
      seed,
      onProgress: (done) => tell(done, replicates),
    });
    return {
      kind: 'attenuation',
      n: found.n,
      observed: finiteOrNull(found.observed),
      reliabilities: [finiteOrNull(found.reliabilities[0]), finiteOrNull(found.reliabilities[1])],
      corrected: finiteOrNull(found.corrected),
      low: finiteOrNull(found.low),
      high: finiteOrNull(found.high),
      method: found.method,
      replicates,
      seed,
    };
  },
  counts: 'samples',
};

function reliabilityOf(id: string, columns: AnalysisColumns): ReliabilityOf {
  const given = columns.codebook.variables.find((variable) => variable.id === id)?.reliability ?? null;
  if (given?.kind !== 'repeated') return given;
  return { kind: 'repeated', form: given.form, columns: given.columns.map((column) => columnOf(columns, column)) };
}
