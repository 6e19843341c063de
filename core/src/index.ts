export { type Adjustment, adjustPValues } from './correlation/adjust-p-values';
export { type CorrelationMatrix, correlationMatrix, type MatrixOptions } from './correlation/correlation-matrix';
export { kendall } from './correlation/kendall';
export { pearson } from './correlation/pearson';
export { spearman } from './correlation/spearman';
export type {
  Alternative,
  CorrelationOptions,
  CorrelationTest,
  Interval,
  IntervalKind,
  Method,
  MissingRule,
  PMethod,
  Statistic,
  UndefinedBecause,
} from './correlation/types';
export { type Description, describe } from './description/describe';
export { type BinRule, type Histogram, histogram } from './description/histogram';
export {
  formatCoefficient,
  formatFixed,
  formatFullP,
  formatInterval,
  formatP,
  formatPRelation,
} from './display/format-numbers';
export { type NamedVariable, pairSentence } from './display/pair-sentence';
export { countMarks } from './display/significance-marks';
export { strengthWord } from './display/strength-word';
export { type FittedLine, fittedLine } from './regression/fitted-line';
