import { constantNamed, functionOfOne, functionOverARow } from './functions';
import type { FormulaTree } from './parse-formula';

export interface FormulaOptions {
  /** Whether max, min, mean and sum use the values that there are in a row, or need all of them. Default false. */
  ignoreMissing?: boolean;
}

export interface FormulaValues {
  /** In row order; NaN where the row has no result. */
  readonly values: Float64Array;
  /** Rows without a result because a value that it needs is missing. */
  readonly missing: number;
  /** Rows that have all values, but no finite result: a division by zero, the logarithm of 0 or less, an overflow. */
  readonly undefinedRows: readonly number[];
}

type Operand = Float64Array | number;

/**
 * Computes a formula for every row.
 *
 * Missing values (NaN) make the result missing, except inside max, min, mean, sum and last under `ignoreMissing`, which are
 * missing only where all their values are. Only missing data are passed over: a refused logarithm or a division by zero among
 * the values leaves the row without a result. A result that is not finite is missing and counted apart. `round` takes halves
 * away from zero.
 * @param variables columns of equal length by the names used in the formula
 * @throws {RangeError} a name that is neither a variable nor a constant.
 *
 * @example
 * evaluateFormula(parseFormula('x / 2'), new Map([['x', Float64Array.of(1, 2)]]), 2).values; // [0.5, 1]
 */
export function evaluateFormula(
  tree: FormulaTree,
  variables: ReadonlyMap<string, Float64Array>,
  rows: number,
  { ignoreMissing = false }: FormulaOptions = {},
): FormulaValues {
  const operand = evaluate(tree, { variables, rows, ignoreMissing });
  const values = typeof operand === 'number' ? new Float64Array(rows).fill(operand) : operand;
  const needed = evaluate(tree, { variables: presence(variables), rows, ignoreMissing, presence: true });
  const lacks = (row: number) => Number.isNaN(typeof needed === 'number' ? needed : needed[row]);
  const undefinedRows: number[] = [];
  let missing = 0;
  for (let row = 0; row < rows; row++) {
    if (Number.isFinite(values[row])) continue;
    values[row] = Number.NaN;
    if (lacks(row)) missing++;
    else undefinedRows.push(row);
  }
  return { values, missing, undefinedRows };
}

interface Context {
  readonly variables: ReadonlyMap<string, Float64Array>;
  readonly rows: number;
  readonly ignoreMissing: boolean;
  /** Follow only what is missing: every value is 0 or NaN, and so is every result. */
  readonly presence?: boolean;
}

/** The columns with every value replaced by 0, so that only what is missing can be followed through the formula. */
function presence(variables: ReadonlyMap<string, Float64Array>): ReadonlyMap<string, Float64Array> {
  return new Map([...variables].map(([name, column]) => [name, column.map((value) => (value === value ? 0 : Number.NaN))]));
}

function evaluate(tree: FormulaTree, context: Context): Operand {
  switch (tree.type) {
    case 'number':
      return context.presence ? 0 : tree.value;
    case 'variable':
      return variable(tree.name, context);
    case 'negative':
      return each(evaluate(tree.of, context), (x) => -x);
    case 'binary':
      return combine(
        evaluate(tree.left, context),
        evaluate(tree.right, context),
        context.presence ? (a, b) => a + b : OPERATIONS[tree.operator],
      );
    case 'call':
      return call(tree.name, tree.arguments, context);
  }
}

const OPERATIONS = {
  '+': (a: number, b: number) => a + b,
  '-': (a: number, b: number) => a - b,
  '*': (a: number, b: number) => a * b,
  '/': (a: number, b: number) => a / b,
  '^': power,
} as const;

/** Math.pow takes 1 and x⁰ for known even where the other value is missing. */
function power(base: number, exponent: number): number {
  return base === base && exponent === exponent ? base ** exponent : Number.NaN;
}

function variable(name: string, { variables }: Context): Operand {
  const column = variables.get(name);
  if (column) return column;
  const constant = constantNamed(name);
  if (constant === undefined) throw new RangeError(`there is no variable called ${name}`);
  return constant;
}

function call(name: string, values: readonly FormulaTree[], context: Context): Operand {
  const operands = values.map((value) => evaluate(value, context));
  const ofOne = functionOfOne(name);
  if (ofOne) return each(operands[0], context.presence ? (x) => x : ofOne);
  const overRow = functionOverARow(name);
  if (!overRow) throw new RangeError(`there is no function called ${name}`);
  if (context.presence) return presenceOverRow(operands, context);
  const onlyPresence = context.ignoreMissing ? { ...context, variables: presence(context.variables), presence: true } : null;
  const known = onlyPresence ? values.map((value) => evaluate(value, onlyPresence)) : [];
  return Float64Array.from({ length: context.rows }, (_, row) => {
    let gathered = overRow.start;
    let count = 0;
    for (let k = 0; k < operands.length; k++) {
      const x = at(operands[k], row);
      if (Number.isFinite(x)) {
        gathered = overRow.add(gathered, x);
        count++;
      } else if (!onlyPresence || at(known[k], row) === 0) return Number.NaN;
    }
    return count === 0 ? Number.NaN : overRow.end(gathered, count);
  });
}

/** 0 where the row has what a function over it needs: one value under `ignoreMissing`, else all. */
function presenceOverRow(operands: readonly Operand[], { rows, ignoreMissing }: Context): Float64Array {
  return Float64Array.from({ length: rows }, (_, row) => {
    const present = operands.filter((operand) => at(operand, row) === 0).length;
    return present === operands.length || (ignoreMissing && present > 0) ? 0 : Number.NaN;
  });
}

function at(operand: Operand, row: number): number {
  return typeof operand === 'number' ? operand : operand[row];
}

function each(operand: Operand, f: (x: number) => number): Operand {
  return typeof operand === 'number' ? f(operand) : operand.map(f);
}

function combine(left: Operand, right: Operand, f: (a: number, b: number) => number): Operand {
  if (typeof left === 'number') return typeof right === 'number' ? f(left, right) : right.map((b) => f(left, b));
  return typeof right === 'number' ? left.map((a) => f(a, right)) : left.map((a, row) => f(a, right[row]));
}
