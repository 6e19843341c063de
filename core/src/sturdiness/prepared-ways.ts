import { casesOf, labelsOfCases, meansOfCases } from '../columns/cases';
import { bentColumn } from '../correlation/percentage-bend';
import type { Alternative } from '../correlation/types';
import { COEFFICIENTS } from '../display/coefficients';
import { rankNormal } from '../transformation/standard-scales';
import type { WayHeld, WayMethod, WayScale } from './choices';
import { type ScaleRelation, scaleRelation } from './scale-relation';
import { type RowList, rowsWith, rowsWithAny, takeRows } from './way-rows';
import { impossibleWay, testLikelihoodWay, testWay, type WayResult } from './way-test';
import type { WaysRequest } from './ways-request';

/** Row numbers that are kept for other combinations: 64 MB of them. */
const MOST_KEPT_ROWS = 16_000_000;
/** Values of columns that are kept for other combinations: 64 MB, and as much again bent. */
const MOST_KEPT_VALUES = 8_000_000;
const NOTHING: WayHeld = { kind: 'nothing' };

/** A scale in a combination: which, and how it stands to the raw values. */
interface ChosenScale extends ScaleRelation {
  readonly place: number;
  readonly scale: WayScale;
}

/** What a combination says, choice by choice; what it says nothing of is as usual. */
interface Said {
  readonly method: WayMethod;
  readonly x: ChosenScale;
  readonly y: ChosenScale;
  readonly held: { readonly place: number; readonly held: WayHeld };
  /** Rows that go out: where the flags have this value. */
  readonly out: readonly { readonly flags: Uint8Array; readonly value: 0 | 1 }[];
  readonly set: readonly Float64Array[];
  readonly likelihood: boolean;
  readonly identifiers: Float64Array | null;
}

/** What combinations of the same request share: rows, columns on their scales, bends. */
export class PreparedWays {
  readonly #relations = new Map<Float64Array, ScaleRelation>();
  readonly #lists = new Map<string, { list: RowList; likely: boolean }>();
  readonly #columns = new Map<string, Float64Array>();
  readonly #bentColumns = new WeakMap<Float64Array, Float64Array | null>();

  constructor(private readonly request: Pick<WaysRequest, 'x' | 'y' | 'rows' | 'choices'>) {}

  /** A combination: what tells it from those that compute another coefficient, and how it is computed. */
  way(options: readonly number[], { alternative, level }: { alternative: Alternative; level: number }) {
    const said = this.#said(options);
    const { method, x, y, held, identifiers } = said;
    const columns = [x, y].map(({ scale }, k) => (scale === 'rank-normal' ? (k === 0 ? this.request.x : this.request.y) : scale));
    const { list, likely } = this.#rowsOf(said, columns, options);
    const cases = identifiers ? casesOf(takeRows(identifiers, list.rows)) : null;
    const averages = cases !== null && cases.count < list.rows.length;
    // The mean of a scale is no scale of the mean: only single rows keep their ranks.
    const ofRanks = method !== 'percentage-bend' && COEFFICIENTS[method].ofRanks && !averages;
    // Signs are turned back, so that the ranks of a scale turned round are those of the values.
    const scaleKey = ({ place, keepsRanks }: ChosenScale) => (ofRanks && keepsRanks ? 'ranks' : `${place}`);
    const key = [method, list.key, scaleKey(x), scaleKey(y), held.place, averages ? 'means' : '', likely ? 'likely' : ''].join('|');
    const compute = (): WayResult & { z: number } => {
      const ready = (column: Float64Array) => {
        const taken = takeRows(column, list.rows);
        return averages && cases ? meansOfCases(taken, cases) : taken;
      };
      const [u, v] = [x, y].map(({ scale, place }, k) =>
        this.#ready(`${list.key}|${averages}|${k}|${place}`, () => {
          const values = ready(columns[k]);
          return scale === 'rank-normal' ? normalScores(values) : values;
        }),
      );
      const turned = x.sign * y.sign < 0;
      // Means of cases have gaps of another kind than rows.
      if (likely && averages) return { ...impossibleWay('no-likelihood', list.rows.length), z: Number.NaN };
      const options = { alternative: turned ? OPPOSITE[alternative] : alternative, level };
      const constant = heldOf(held.held, ready, averages ? cases : null, list.rows);
      const test = likely
        ? testLikelihoodWay(method, u, v, constant, options)
        : testWay(method, u, v, constant, options, (column) => this.#bent(column));
      const back = turned ? { ...test, coefficient: 0 - test.coefficient, low: 0 - test.high, high: 0 - test.low } : test;
      return { ...back, z: comparableZ(method, back.coefficient) };
    };
    return { key, compute };
  }

  /** A column on its scale, of the rows of a way: many ways share it, and sorting it for its scores takes longest. */
  #ready(key: string, make: () => Float64Array): Float64Array {
    const known = this.#columns.get(key);
    if (known) return known;
    const made = make();
    if ((this.#columns.size + 1) * made.length > MOST_KEPT_VALUES) this.#columns.clear();
    this.#columns.set(key, made);
    return made;
  }

  #bent(column: Float64Array): Float64Array | null {
    const known = this.#bentColumns.get(column);
    if (known !== undefined) return known;
    const made = bentColumn(column);
    this.#bentColumns.set(column, made);
    return made;
  }

  /** The rows of a combination: many combinations share theirs, and going through all rows takes longer than a coefficient. */
  #rowsOf(said: Said, columns: readonly Float64Array[], options: readonly number[]): { list: RowList; likely: boolean } {
    const key = options.filter((_, c) => this.request.choices[c].kind !== 'coefficient').join();
    const known = this.#lists.get(key);
    if (known) return known;
    const mask = this.request.rows.slice();
    for (const { flags, value } of said.out) for (let row = 0; row < mask.length; row++) if (flags[row] === value) mask[row] = 0;
    const complete = rowsWith(mask, [...columns, ...heldColumns(said.held.held), ...said.set]);
    const any = said.likelihood ? rowsWithAny(mask, columns) : complete;
    // Where nothing is missing it is the ordinary coefficient.
    const likely = any.rows.length > complete.rows.length;
    const found = { list: likely ? any : complete, likely };
    if ((this.#lists.size + 1) * mask.length > MOST_KEPT_ROWS) this.#lists.clear();
    this.#lists.set(key, found);
    return found;
  }

  #said(options: readonly number[]): Said {
    const { choices, x, y } = this.request;
    const raw = (scale: Float64Array): ChosenScale => ({ place: -1, scale, sign: 1, keepsRanks: true });
    let said: Said = {
      method: 'pearson',
      x: raw(x),
      y: raw(y),
      held: { place: -1, held: NOTHING },
      out: [],
      set: [],
      likelihood: false,
      identifiers: null,
    };
    for (const [c, choice] of choices.entries()) {
      const place = options[c];
      switch (choice.kind) {
        case 'coefficient':
          said = { ...said, method: choice.options[place] };
          break;
        case 'scale':
          said = { ...said, [choice.of]: { place, ...this.#scale(choice.of === 'x' ? x : y, choice.options[place]) } };
          break;
        case 'rows':
          if (choice.options[place] === 'out') said = { ...said, out: [...said.out, { flags: choice.rows, value: 1 }] };
          break;
        case 'subset':
          if (choice.options[place] === 'inside') said = { ...said, out: [...said.out, { flags: choice.inside, value: 0 }] };
          break;
        case 'missing':
          if (choice.options[place] === 'listwise') said = { ...said, set: choice.set };
          said = { ...said, likelihood: choice.options[place] === 'maximum-likelihood' };
          break;
        case 'held':
          said = { ...said, held: { place, held: choice.options[place] } };
          break;
        case 'identifier':
          if (choice.options[place] === 'means') said = { ...said, identifiers: choice.labels };
          break;
      }
    }
    return said;
  }

  #scale(raw: Float64Array, scale: WayScale): Omit<ChosenScale, 'place'> {
    if (scale === 'rank-normal') return { scale, sign: 1, keepsRanks: true };
    const known = this.#relations.get(scale);
    const relation = known ?? (scale === raw ? { sign: 1, keepsRanks: true } : scaleRelation(raw, scale));
    if (!known) this.#relations.set(scale, relation);
    return { scale, ...relation };
  }
}

/** What `rankNormal` refuses nothing of. */
function normalScores(values: Float64Array): Float64Array {
  return rankNormal(values).values ?? values;
}

/** On the scale of r, or the choice of the coefficient would matter most by its scale alone. */
function comparableZ(method: WayMethod, coefficient: number): number {
  const size = method === 'percentage-bend' ? Math.abs(coefficient) : COEFFICIENTS[method].comparable.size(coefficient);
  return Math.sign(coefficient) * Math.atanh(size);
}

const OPPOSITE: Readonly<Record<Alternative, Alternative>> = { 'two-sided': 'two-sided', greater: 'less', less: 'greater' };

function heldColumns(held: WayHeld): readonly Float64Array[] {
  if (held.kind === 'controls') return held.columns;
  return held.kind === 'groups' ? [held.labels] : [];
}

/** What is held constant, of the rows of a way. */
function heldOf(
  held: WayHeld,
  ready: (column: Float64Array) => Float64Array,
  cases: ReturnType<typeof casesOf> | null,
  rows: Uint32Array,
): WayHeld {
  if (held.kind === 'controls') return { kind: 'controls', columns: held.columns.map(ready) };
  if (held.kind !== 'groups') return held;
  const labels = takeRows(held.labels, rows);
  return { kind: 'groups', labels: cases ? labelsOfCases(labels, cases) : labels };
}
