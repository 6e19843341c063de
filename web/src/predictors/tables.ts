import type { Estimate, ModelCoefficient, ModelRow, ModelValues } from '@ivlen/contract';
import type { BlockStep, NearDependences, TermInflation } from '@ivlen/core';
import { percent } from '../coefficients/cell-data';
import { asMeasuredAlike, significant } from '../figures/as-measured';
import { coefficientText, fineCoefficientText, pText } from '../numbers/number-text';
import { rowInWords } from '../study/row-in-words';
import type { TableColumn, ValueTable } from '../tables/columns';
import type { Shares } from './find-shares';
import { ownShare } from './model-words';
import { indexText, shareText, toleranceText, vifText } from './numbers';
import type { ModelTerm } from './predictor-model';
import { partnersInWords } from './words';

interface ShareRow {
  readonly name: string;
  readonly inflation: TermInflation;
  readonly partners: string;
}

const exactOf = (value: number | null | undefined) => (value === null || value === undefined || Number.isNaN(value) ? null : value);

/** Share told, VIF and tolerance of each predictor. */
export function sharesTable(terms: readonly ModelTerm[], shares: Shares, caption: string): ValueTable<ShareRow> {
  const several = terms.some(({ columns }) => columns.length > 1);
  return {
    caption,
    columns: [
      { name: 'predictor', shown: ({ name }) => name },
      {
        name: 'told by the others',
        shown: ({ inflation }) => shareText(inflation.share),
        exact: ({ inflation }) => exactOf(inflation.share),
      },
      {
        name: several ? 'VIF or GVIF' : 'VIF',
        shown: ({ inflation }) => vifText(inflation.gvif),
        exact: ({ inflation }) => (inflation.gvif === Number.POSITIVE_INFINITY ? 'infinite' : exactOf(inflation.gvif)),
      },
      ...(several
        ? [
            { name: 'df', shown: ({ inflation }: ShareRow) => String(inflation.df), exact: ({ inflation }: ShareRow) => inflation.df },
            {
              name: 'GVIF^(1/2df)',
              shown: ({ inflation }: ShareRow) => vifText(inflation.adjusted),
              exact: ({ inflation }: ShareRow) => (Number.isFinite(inflation.adjusted) ? inflation.adjusted : null),
            },
          ]
        : []),
      {
        name: 'tolerance',
        shown: ({ inflation }) => toleranceText(inflation.tolerance),
        exact: ({ inflation }) => exactOf(inflation.tolerance),
      },
      { name: 'by whom', shown: ({ partners }) => partners, align: 'left' },
    ],
    rows: terms.flatMap((term, k) => {
      const inflation = shares.inflation[k];
      return inflation ? [{ name: term.name, inflation, partners: partnersInWords(terms, shares, k).replace('chiefly ', '') }] : [];
    }),
    note: 'VIF: variance inflation factor; tolerance: 1/VIF, what the others do not tell.',
  };
}

/** Condition indices with variance proportions. @param names of the coefficients, the intercept first if there is one */
export function nearTable(near: NearDependences, names: readonly string[]): ValueTable<number> {
  const size = near.conditionIndices.length;
  return {
    caption: near.centred
      ? 'Condition indices of centred predictors, with variance proportions'
      : 'Condition indices with variance proportions',
    columns: [
      {
        name: 'index',
        shown: (index) => indexText(near.conditionIndices[index] ?? Number.NaN),
        exact: (index) => (Number.isFinite(near.conditionIndices[index]) ? (near.conditionIndices[index] ?? null) : 'infinite'),
        align: 'right',
      },
      ...names.map(
        (name, k): TableColumn<number> => ({
          name,
          shown: (index) => coefficientText(Math.min(1, near.varianceProportions[index * size + k] ?? Number.NaN)),
          exact: (index) => exactOf(near.varianceProportions[index * size + k]),
        }),
      ),
    ],
    rows: [...near.conditionIndices.keys()],
    isStrong: (index) => (near.conditionIndices[index] ?? 0) > 30,
  };
}

/** A line of the regression's table: a coefficient, or what several indicators of one predictor add together. */
export interface TermRow {
  readonly name: string;
  readonly estimate: Estimate | null;
  readonly coefficient: ModelCoefficient | null;
  readonly together: BlockStep | null;
  readonly inflation: TermInflation | null;
}

export interface RegressionFacts {
  readonly terms: readonly ModelTerm[];
  /** Of the columns that are in the model, in its order. */
  readonly columnNames: readonly string[];
  readonly inflation: readonly TermInflation[];
  /** What each term adds to all others. */
  readonly together: readonly (BlockStep | undefined)[];
  /** What a level of a term is told apart from. */
  readonly referenceNames: readonly string[];
}

export function termRows(model: ModelValues, { terms, columnNames, inflation, together, referenceNames }: RegressionFacts): TermRow[] {
  let at = 0;
  const rows = terms.flatMap((term, k): TermRow[] => {
    const own = term.columns.map(() => {
      const coefficient = model.coefficients[at] ?? null;
      return { name: columnNames[at++] ?? '', coefficient };
    });
    const single = own.length === 1;
    const lines = own.map(
      ({ name, coefficient }): TermRow => ({
        name,
        estimate: coefficient,
        coefficient,
        together: null,
        inflation: single ? (inflation[k] ?? null) : null,
      }),
    );
    if (single) return lines;
    const heading = `${term.name}, against ${referenceNames[k] ?? ''}`;
    return [{ name: heading, estimate: null, coefficient: null, together: together[k] ?? null, inflation: inflation[k] ?? null }, ...lines];
  });
  return [...rows, { name: 'intercept', estimate: model.intercept, coefficient: null, together: null, inflation: null }];
}

/** The regression as one table; the intercept comes last. @param rows of `termRows` */
export function regressionTable(
  rows: readonly TermRow[],
  { caption, level, levels, note }: { caption: string; level: number; levels: readonly number[]; note: string },
): ValueTable<TermRow> {
  const several = rows.some(({ together }) => together !== null);
  const estimate = (name: string, of: (estimate: Estimate) => number | null): TableColumn<TermRow> => ({
    name,
    shown: ({ estimate: own }) => (own ? significant(of(own)) : ''),
    exact: ({ estimate: own }) => (own ? of(own) : null),
  });
  const share = (name: string, of: (coefficient: ModelCoefficient) => number | null): TableColumn<TermRow> => ({
    name,
    shown: ({ coefficient }) => (coefficient ? fineCoefficientText(of(coefficient) ?? Number.NaN) : ''),
    exact: ({ coefficient }) => (coefficient ? of(coefficient) : null),
  });
  return {
    caption,
    note,
    columns: [
      { name: 'predictor', shown: ({ name }) => name },
      estimate('b', ({ value }) => value),
      estimate('SE', ({ se }) => se),
      {
        name: several ? 't or F' : 't',
        shown: ({ estimate: own, together }) => (together ? `F(${together.df}) ${significant(together.f)}` : significant(own?.t ?? null)),
        exact: ({ estimate: own, together }) => exactOf(together ? together.f : own?.t),
      },
      {
        name: 'p',
        shown: ({ estimate: own, together }) => pText(together ? together.pValue : (own?.pValue ?? Number.NaN), levels),
        exact: ({ estimate: own, together }) => exactOf(together ? together.pValue : own?.pValue),
      },
      {
        name: `${percent(level)} interval`,
        shown: ({ estimate: own }) => (own && own.low !== null ? `[${significant(own.low)}, ${significant(own.high)}]` : ''),
        only: 'screen',
      },
      { ...estimate('low', ({ low }) => low), only: 'file' },
      { ...estimate('high', ({ high }) => high), only: 'file' },
      share('standardized', ({ standardized }) => standardized),
      share('r alone', ({ zeroOrder }) => zeroOrder),
      share('semipartial', ({ part }) => part),
      share('partial', ({ partial }) => partial),
      {
        name: 'told by it alone',
        shown: ({ coefficient, together }) => aloneText(together ? together.change : coefficient ? ownShare(coefficient) : Number.NaN),
        exact: ({ coefficient, together }) => exactOf(together ? together.change : coefficient ? ownShare(coefficient) : null),
      },
      {
        name: several ? 'VIF, or GVIF^(1/2df)' : 'VIF',
        shown: ({ inflation }) => (inflation ? vifText(inflation.df === 1 ? inflation.gvif : inflation.adjusted) : ''),
        exact: ({ inflation }) => (inflation ? exactOf(inflation.df === 1 ? inflation.gvif : inflation.adjusted) : null),
      },
    ],
    rows,
  };
}

function aloneText(share: number): string {
  if (Number.isNaN(share)) return '';
  return share > 0 && share < 0.0005 ? '< 0.1 %' : `${(100 * share).toFixed(1)} %`;
}

/** The predictors in ordered sets. */
export function setsTable(steps: readonly BlockStep[], names: readonly string[], levels: readonly number[]): ValueTable<number> {
  const step = (k: number) => steps[k];
  return {
    caption: 'Predictors entered in ordered sets',
    columns: [
      { name: 'set', shown: (k) => names[k] ?? '' },
      { name: 'R²', shown: (k) => fineCoefficientText(step(k)?.r2 ?? Number.NaN), exact: (k) => exactOf(step(k)?.r2) },
      { name: 'ΔR²', shown: (k) => fineCoefficientText(step(k)?.change ?? Number.NaN), exact: (k) => exactOf(step(k)?.change) },
      { name: 'F', shown: (k) => significant(exactOf(step(k)?.f)), exact: (k) => exactOf(step(k)?.f) },
      {
        name: 'df',
        shown: (k) => `${step(k)?.df}, ${step(k)?.dfResidual.toLocaleString('en-GB')}`,
        exact: (k) => `${step(k)?.df}; ${step(k)?.dfResidual}`,
      },
      { name: 'p', shown: (k) => pText(step(k)?.pValue ?? Number.NaN, levels), exact: (k) => exactOf(step(k)?.pValue) },
    ],
    rows: [...steps.keys()],
  };
}

/** The rows that matter most for the regression. */
export function rowColumns(rows: readonly ModelRow[]): TableColumn<ModelRow>[] {
  const alike = asMeasuredAlike(rows.map(({ observed }) => observed));
  return [
    { name: 'row', shown: ({ row, name }) => rowInWords(row, name), exact: ({ row }) => row },
    { name: 'observed', shown: ({ observed }) => alike(observed), exact: ({ observed }) => observed },
    { name: 'fitted', shown: ({ fitted }) => significant(fitted), exact: ({ fitted }) => fitted },
    { name: 'leverage', shown: ({ leverage }) => fineCoefficientText(leverage), exact: ({ leverage }) => leverage },
    {
      name: 'studentized residual',
      shown: ({ studentized }) => (studentized === null ? '–' : significant(studentized)),
      exact: ({ studentized }) => studentized,
    },
    {
      name: 'Cook’s distance',
      shown: ({ cooksDistance }) => (cooksDistance === null ? '–' : significant(cooksDistance)),
      exact: ({ cooksDistance }) => cooksDistance,
    },
  ];
}
