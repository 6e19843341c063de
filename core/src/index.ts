export { couldChange, decideDifferently, type Judged, noticeableBetweenMethods, noticeableWithoutRow } from './cautions/decisive';
export { duplicatedRows } from './cautions/duplicated-rows';
export { type EffectWithout, effectWithout } from './cautions/effect-without';
export { type GroupDisagreement, groupDisagreement } from './cautions/group-disagreement';
export { fanShape, fittedParabola, isMonotone, type Linearity, linearity } from './cautions/linearity';
export { type AdvisedPair, type AdvisedVariable, adviseMethod, type MethodAdvice } from './cautions/method-advice';
export { type Caution, type CautionCode, pairCautions } from './cautions/pair-cautions';
export { CHECK_CODES, type CheckCode, type PairCheck, pairChecks } from './cautions/pair-checks';
export type { CautionContext } from './cautions/pair-findings';
export type { Remedy, RemedyKind, SharedComponent } from './cautions/remedies';
export { DEFAULT_SHAPE_RULE, isShapeMarked, type ShapeRule } from './cautions/shape-rule';
export {
  decimalSlips,
  farOutLimit,
  modifiedZ,
  type Suspicion,
  type SuspicionReason,
  suspiciousValues,
} from './cautions/suspicious-values';
export { sortedValues } from './columns/complete-rows';
export { type AcrossGroups, type AcrossGroupsOptions, acrossGroups, type PairAcrossGroups } from './comparison/across-groups';
export { type EquivalenceTest, equivalenceTest, type TestAgainst, testAgainst } from './comparison/against-a-value';
export { type BetweenGroups, betweenGroups } from './comparison/between-groups';
export { type BootstrapDifferenceOptions, bootstrapDifference, bootstrapDifferenceOfPairs } from './comparison/bootstrap-difference';
export {
  compareNonOverlapping,
  compareOverlapping,
  type DependentUndefined,
  type NonOverlappingComparison,
  type NonOverlappingCorrelations,
  type OverlappingComparison,
  type OverlappingCorrelations,
} from './comparison/compare-dependent';
export {
  type CompareOptions,
  compareIndependent,
  comparePairwise,
  type GroupCoefficient,
  type IndependentComparison,
  type PairwiseComparison,
} from './comparison/compare-independent';
export { bartlettSphericity, compareMatrices, type GroupMatrix, type MatricesTest, type MatrixTest } from './comparison/compare-matrices';
export { compareSlopes, type GroupSlope, type SlopesTest } from './comparison/compare-slopes';
export { type PermutationCompareOptions, type PermutationComparison, permutationCompare } from './comparison/permutation-compare';
export { type RandomEffects, randomEffects } from './comparison/random-effects';
export { correctRangeRestriction, isRangeRestricted, type RangeCorrected } from './comparison/range-restriction';
export { type WithinCorrelation, withinGroup } from './comparison/within-group';
export { type Adjustment, adjustPValues } from './correlation/adjust-p-values';
export { addColumnSums, type ColumnSums, columnSums, sumStretches } from './correlation/column-sums';
export {
  type CorrelationMatrix,
  correlationMatrix,
  type MatrixDiagonal,
  type MatrixOptions,
  matrixDiagonal,
} from './correlation/correlation-matrix';
export { type Influence, influence } from './correlation/influence';
export { kendall } from './correlation/kendall';
export { INTERVAL_KINDS, mostControls, testPair } from './correlation/methods';
export { type PartialCorrelation, type PartialOptions, partialCorrelation } from './correlation/partial-correlation';
export { pearson } from './correlation/pearson';
export { type PercentageBend, percentageBend } from './correlation/percentage-bend';
export type { PreparedColumns } from './correlation/prepared-columns';
export { spearman } from './correlation/spearman';
export { type ReportedOptions, testReported } from './correlation/test-reported';
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
export { type DistanceCorrelation, type DistanceCorrelationOptions, distanceCorrelation } from './dependence/distance-correlation';
export { type RankDependence, rankDependence } from './dependence/rank-dependence';
export { eitherP, type UnseenPair, unseenPairs } from './dependence/unseen-pairs';
export { type BoxSummary, boxSummary } from './description/box-summary';
export { codesApart } from './description/codes-apart';
export { type ConcentrationEllipse, concentrationEllipse, type PairMoments } from './description/concentration-ellipse';
export { type Density, type DensityOptions, density } from './description/density';
export { type Description, describe } from './description/describe';
export { type BinRule, type Histogram, histogram } from './description/histogram';
export { type NormalQuantileOptions, type NormalQuantiles, normalQuantiles } from './description/normal-quantiles';
export {
  type BelowLimits,
  type BelowLimitsOptions,
  belowLimits,
  type LimitedColumn,
  tiedBelowLimits,
} from './detection-limits/below-limits';
export { byMethod, COEFFICIENTS, type CoefficientWords, levelInWords, METHOD_NAMES } from './display/coefficients';
export {
  formatCoefficient,
  formatFixed,
  formatFullP,
  formatInterval,
  formatP,
  formatPRelation,
} from './display/format-numbers';
export { type JointP, type JointVerdict, jointVerdict, type OtherJointTest } from './display/joint-verdict';
export { type NamedVariable, pairSentence } from './display/pair-sentence';
export { patternSentence, type ShapeStatistics, type ShapeVerdict, shapeVerdict } from './display/shape-verdict';
export { countMarks } from './display/significance-marks';
export {
  ADJUSTMENT_SOURCES,
  CAUTION_SOURCES,
  CHECK_SOURCES,
  citationOf,
  INTERVAL_SOURCES,
  METHOD_SOURCES,
  REFERENCES,
  type ReferenceKey,
  RULE_SOURCES,
} from './display/sources';
export { COHEN, EVANS, type StrengthScale, strengthWord } from './display/strength-word';
export { bivariateNormal } from './distributions/bivariate-normal';
export { evaluateFormula, type FormulaOptions, type FormulaValues } from './formula/evaluate-formula';
export { FormulaError } from './formula/formula-error';
export { formulaName, formulaVariables, renameInFormula } from './formula/formula-names';
export { constantNamed, FORMULA_FUNCTIONS, functionOverARow } from './formula/functions';
export { type FormulaTree, parseFormula } from './formula/parse-formula';
export { cutAtValues, quantilePoints } from './grouping/cut-into-groups';
export { latentCorrelation } from './latent/latent-correlation';
export type { LatentCorrelation, LatentOptions } from './latent/latent-result';
export { type Polychoric, polychoric } from './latent/polychoric';
export { polyserial } from './latent/polyserial';
export { type NearestCorrelation, nearestCorrelation, smallestEigenvalue } from './linear-algebra/nearest-correlation';
export { type GapEffect, type GapEffects, gapEffects } from './missing-values/gap-effects';
export { type LittleTest, littleTest } from './missing-values/little-test';
export {
  type LikelihoodTest,
  type MaximumLikelihood,
  type MaximumLikelihoodOptions,
  maximumLikelihood,
  testLikelihood,
} from './missing-values/maximum-likelihood';
export { andersonDarling } from './normality/anderson-darling';
export { deviationsGivenOthers } from './normality/deviations-given-others';
export { type DoornikHansen, doornikHansen } from './normality/doornik-hansen';
export { type HenzeZirkler, henzeZirkler } from './normality/henze-zirkler';
export { lilliefors } from './normality/lilliefors';
export { mahalanobis, mahalanobisP, mahalanobisQuantile } from './normality/mahalanobis';
export { type Mardia, mardia } from './normality/mardia';
export { dagostinoPearson, type JarqueBera, jarqueBera, type OmnibusTest } from './normality/moment-tests';
export type { NormalityTest, NormalityUndefined } from './normality/normality-test';
export { type QuantilePattern, quantilePattern } from './normality/quantile-pattern';
export { shapiroWilk } from './normality/shapiro-wilk';
export { clusterOrder } from './ordering/cluster-order';
export { type DifferenceOptions, sampleSizeForDifference, sampleSizeForWidth, type WidthOptions } from './power/planned-precision';
export {
  type PowerMethod,
  type PowerOptions,
  powerForCorrelation,
  type SampleSizeOptions,
  sampleSizeForCorrelation,
  smallestDetectable,
} from './power/power';
export { type RankColumn, rankColumn } from './ranks/rank-column';
export { createRanker, type Ranker } from './ranks/ranker';
export { type BreuschPagan, breuschPagan, breuschPaganOf } from './regression/breusch-pagan';
export { type Collinearity, type CollinearityOptions, collinearity } from './regression/collinearity';
export { dependencesInTriangle, solvedFor } from './regression/dependences-in-triangle';
export type { DependentSet } from './regression/dependent-sets';
export { type FittedLine, fittedLine } from './regression/fitted-line';
export { type GeneralizedVif, generalizedVif } from './regression/generalized-vif';
export { type LargestSets, largestInflation, largestSets } from './regression/largest-sets';
export { type LineBandPoint, type LinePrediction, lineBand, predictFromLine } from './regression/line-band';
export { type LinearModel, type LinearModelOptions, linearModel } from './regression/linear-model';
export {
  type BlockStep,
  blocksFromTriangle,
  type ModelPrediction,
  modelFromTriangle,
  predictFromTriangle,
  type TriangleModelOptions,
} from './regression/model-from-triangle';
export type { ModelSummary } from './regression/model-summary';
export { columnCorrelations, correlationInTriangle, type ModelTriangle, modelTriangle } from './regression/model-triangle';
export { type NearDependences, nearDependences } from './regression/near-dependences';
export { inflationWithoutEach, type TermInflation, type Terms, termInflation } from './regression/term-inflation';
export { type ToldBy, toldBy } from './regression/told-by';
export { inflationAmong, type VarianceInflation, varianceInflation } from './regression/variance-inflation';
export { correctAttenuation, type Disattenuated, type ReliabilityForm, type ReliabilityOf } from './reliability/attenuation';
export { type Intraclass, intraclass, type Reliability } from './reliability/intraclass';
export { limitedColumn, type PairRemedy, type PairRemedyKind, remediedTest, remedyServes } from './remedies/remedied-test';
export { type BootstrapCorrelation, type BootstrapOptions, bootstrapCorrelation } from './resampling/bootstrap-correlation';
export { type ClusterBootstrap, type ClusterBootstrapOptions, clusterBootstrap } from './resampling/cluster-bootstrap';
export { type PermutationOptions, type PermutationTest, permutationTest } from './resampling/permutation-test';
export { type Lowess, type LowessOptions, lowess } from './smoothing/lowess';
export type { Choice, WayHeld, WayMethod, WayScale } from './sturdiness/choices';
export { combinationsOf } from './sturdiness/combinations';
export {
  type JointStatistics,
  type JointTest,
  type JointTestOptions,
  jointStatistics,
  jointTest,
  judgeJointly,
  shuffledStatistics,
} from './sturdiness/joint-test';
export { scaleRelation } from './sturdiness/scale-relation';
export { type Condition, type ConditionPart, summarizeWays, type WaysSummary } from './sturdiness/summarize-ways';
export { FEWEST_IN_A_WAY, type Impossible } from './sturdiness/way-test';
export {
  type CombinationResult,
  computeCombinations,
  computeWays,
  gatherWays,
  MOST_WAYS,
  type Way,
  type Ways,
} from './sturdiness/ways';
export type { WaysRequest } from './sturdiness/ways-request';
export { boxCox, type PowerTransformed } from './transformation/box-cox';
export { cubeRoot, ln, log10, reciprocal, reflect, sqrt, square } from './transformation/power-scales';
export { centre, rankNormal, standardize } from './transformation/standard-scales';
export type { Refusal, Transformed } from './transformation/transformed';
export { yeoJohnson } from './transformation/yeo-johnson';
