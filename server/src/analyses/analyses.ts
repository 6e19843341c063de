import type { Analysis, AnalysisKind, AnalysisResult, Variable } from '@ivlen/contract';
import { type AnalysisModule, type NameOf, NO_PIECES, type Pieces, type PreparedVariables, type Tell } from './analysis';
import { type AnalysisColumns, restrictedTo } from './analysis-columns';
import { cautions } from './cautions';
import { collinearity } from './collinearity';
import { completeRows } from './complete-rows';
import { correlation } from './correlation';
import { dependence, unseen } from './dependence';
import { dependent } from './dependent';
import { describeVariables } from './describe';
import { equalMatrices } from './equal-matrices';
import { gaps } from './gaps';
import { groupPermutation } from './group-permutation';
import { influenceOfRows } from './influence';
import { joint } from './joint';
import { line } from './line';
import { missing } from './missing';
import { findVariable } from './needed-variables';
import { pair } from './pair';
import { prediction } from './prediction';
import { regression } from './regression';
import { attenuation, reliability } from './reliability';
import { repeatedRows } from './repeated-rows';
import { resample } from './resample';
import { scales } from './scales';
import { shape } from './shape';
import { subgroupDescriptives } from './subgroup-descriptives';
import { subgroupPair } from './subgroup-pair';
import { subgroups } from './subgroups';
import { summary } from './summary';
import { suspicious } from './suspicious';
import { ways } from './ways';
import { waysTest } from './ways-test';

/** Every kind of analysis. */
const ANALYSES: { readonly [K in AnalysisKind]: AnalysisModule<K> } = {
  summary,
  correlation,
  pair,
  describe: describeVariables,
  missing,
  suspicious,
  shape,
  scales,
  joint,
  line,
  prediction,
  influence: influenceOfRows,
  resample,
  dependent,
  cautions,
  subgroups,
  'subgroup-pair': subgroupPair,
  'group-permutation': groupPermutation,
  'equal-matrices': equalMatrices,
  'subgroup-descriptives': subgroupDescriptives,
  collinearity,
  'complete-rows': completeRows,
  regression,
  ways,
  'ways-test': waysTest,
  'repeated-rows': repeatedRows,
  gaps,
  dependence,
  unseen,
  reliability,
  attenuation,
};

/** The module of a request; the record above pairs them, which its type cannot say of a single request. */
export function moduleOf({ kind }: Analysis): AnalysisModule<AnalysisKind> {
  return ANALYSES[kind] as AnalysisModule<AnalysisKind>;
}

/** Every analysis goes through here: a pure function of columns and request. */
export function analyse(analysis: Analysis, columns: AnalysisColumns, tell: Tell = () => {}, known: Pieces = NO_PIECES): AnalysisResult {
  return moduleOf(analysis).run(analysis, 'rows' in analysis ? restrictedTo(analysis.rows, columns) : columns, tell, known);
}

/** The parts of an analysis at some places, from columns that are cut down to its rows: the same as in the whole. */
export function computePieces(
  analysis: Analysis,
  columns: AnalysisColumns,
  places: readonly number[],
  prepared: PreparedVariables,
  tell: Tell,
): Pieces {
  const { pieces } = moduleOf(analysis);
  if (!pieces) throw new Error(`an analysis of kind ${analysis.kind} does not fall into pieces`);
  return pieces.compute(analysis, columns, places, prepared, tell);
}

/** The variables whose columns an analysis needs, those included that its rows depend on. @throws {DomainError} one that cannot serve */
export function neededVariables(analysis: Analysis, all: readonly Variable[]): Variable[] {
  const rows = 'rows' in analysis ? analysis.rows : null;
  return [
    ...new Set([
      ...moduleOf(analysis).needs(analysis, all),
      ...(rows?.completeFor.map((id) => findVariable(all, id)) ?? []),
      ...(rows?.group ? [findVariable(all, rows.group.by)] : []),
    ]),
  ];
}

/** Names the rows that a result lists; null where its kind lists none. */
export function rowNamer(analysis: Analysis): ((result: AnalysisResult, nameOf: NameOf) => AnalysisResult) | null {
  const module = moduleOf(analysis);
  return module.namesRows?.bind(module) ?? null;
}
