import { predictFromLine } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable } from './needed-variables';
import { pairRows } from './pair-rows';

/** The line of y on x at one place along x. */
export const prediction: AnalysisModule<'prediction'> = {
  needs: ({ x, y }, all) => allCorrelatable(all, [x, y]),
  run: (request, columns) => {
    const { at, level } = request;
    const { x, y } = pairRows(request, columns);
    const { value, xMin, xMax, ...found } = predictFromLine(x, y, at, { level });
    return { kind: 'prediction', at, ...found, value: finiteOrNull(value), xMin: finiteOrNull(xMin), xMax: finiteOrNull(xMax) };
  },
};
