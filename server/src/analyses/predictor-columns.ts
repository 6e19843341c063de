import { MOST_COMPARED, type ModelColumn, makesGroups, type Predictor, type RowCost, type Term, type Variable } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import { type AnalysisColumns, columnOf, valuesAt } from './analysis-columns';
import { correlatable, findVariable } from './needed-variables';

/** @throws {DomainError} a predictor that has neither amounts nor groups, or stands twice */
export function predictorVariables(predictors: readonly Predictor[], all: readonly Variable[]): Variable[] {
  const ids = predictors.map(({ variable }) => variable);
  const twice = ids.find((id, i) => ids.indexOf(id) < i);
  if (twice) {
    throw new DomainError('predictor-twice', `${findVariable(all, twice).name} stands among the predictors twice.`, {
      hint: 'Choose each predictor once.',
    });
  }
  return predictors.map(({ variable: id, as }) => {
    if (as === 'quantity') return correlatable(all, id);
    const variable = findVariable(all, id);
    if (!makesGroups(variable)) {
      throw new DomainError('no-levels', `${variable.name} is ${variable.kind} and has no levels to tell apart.`, {
        where: variable.name,
        hint: 'Take it as a quantity, or cut it into groups.',
      });
    }
    return variable;
  });
}

/** So many columns of quantities and indicators stand in a model at the most. */
const MOST_COLUMNS = 250;

function tooManyColumns(): DomainError {
  return new DomainError(
    'too-many-columns',
    `These predictors make more than ${MOST_COLUMNS} columns of quantities and indicator variables.`,
    {
      hint: 'Choose fewer of those with many levels, or group their levels first.',
    },
  );
}

export interface PredictorColumns {
  /** Of the complete rows alone; indicators for levels. */
  readonly columns: readonly Float64Array[];
  readonly of: readonly ModelColumn[];
  readonly terms: readonly Term[];
}

/** The columns by which predictors enter a model. @param places rows that are complete, among those of the analysis */
export function predictorColumns(predictors: readonly Predictor[], columns: AnalysisColumns, places: Uint32Array): PredictorColumns {
  const made: Float64Array[] = [];
  const of: ModelColumn[] = [];
  const terms = predictors.map(({ variable, as, reference: wanted }, term): Term => {
    const whole = columnOf(columns, variable);
    const values = places.length === whole.length ? whole : valuesAt(whole, places);
    if (as === 'quantity') {
      of.push({ term, level: null });
      return { variable, as, columns: [made.push(values) - 1], levels: [], reference: null };
    }
    const levels = levelsOf(variable, values);
    if (of.length + levels.length > MOST_COLUMNS) throw tooManyColumns();
    const reference = levels.some(({ value }) => value === wanted) ? wanted : mostFrequent(levels);
    const own = levels.filter(({ value }) => value !== reference);
    const numbers = own.map(({ value }) => {
      of.push({ term, level: value });
      return made.push(values.map((item) => (item === value ? 1 : 0))) - 1;
    });
    return { variable, as, columns: numbers, levels, reference };
  });
  return { columns: made, of, terms };
}

function levelsOf(variable: string, values: Float64Array): Term['levels'] {
  const counts = new Map<number, number>();
  for (const value of values) {
    counts.set(value, (counts.get(value) ?? 0) + 1);
    if (counts.size > MOST_COMPARED) {
      throw new DomainError('too-many-groups', `More than ${MOST_COMPARED} levels cannot be told apart by indicator variables.`, {
        where: variable,
        hint: 'Take an ordinal predictor as a quantity, or group the levels first.',
      });
    }
  }
  return [...counts].sort(([a], [b]) => a - b).map(([value, rows]) => ({ value, rows }));
}

function mostFrequent(levels: Term['levels']): number | null {
  return (
    levels.reduce<Term['levels'][number] | null>((most, level) => (most && most.rows >= level.rows ? most : level), null)?.value ?? null
  );
}

/** Places of the rows complete for some variables, and how many rows each of these costs. */
export function completePlaces(ids: readonly string[], columns: AnalysisColumns): { places: Uint32Array; costs: RowCost[] } {
  const needed = ids.map((id) => columnOf(columns, id));
  const rows = columns.values[0]?.length ?? 0;
  const places = new Uint32Array(rows);
  const missing = new Uint32Array(ids.length);
  const alone = new Uint32Array(ids.length);
  let n = 0;
  for (let row = 0; row < rows; row++) {
    let [lacking, last] = [0, 0];
    for (let j = 0; j < needed.length; j++) {
      const value = needed[j]?.[row];
      if (value === value) continue;
      missing[j] = (missing[j] ?? 0) + 1;
      lacking++;
      last = j;
    }
    if (lacking === 0) places[n++] = row;
    else if (lacking === 1) alone[last] = (alone[last] ?? 0) + 1;
  }
  const costs = ids.map((variable, j) => ({ variable, missing: missing[j] ?? 0, without: n + (alone[j] ?? 0) }));
  return { places: places.slice(0, n), costs };
}
