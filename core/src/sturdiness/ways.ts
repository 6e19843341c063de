import { casesOf, labelsOfCases, meansOfCases } from '../columns/cases';
import { assertAlternative, assertSameLength } from '../correlation/options';
import { bentColumn } from '../correlation/percentage-bend';
import type { Alternative } from '../correlation/types';
import { COEFFICIENTS } from '../display/coefficients';
import { rankNormal } from '../transformation/standard-scales';
import type { Choice, WayHeld, WayMethod, WayScale } from './choices';
import { combinationsOf } from './combinations';
import { type ScaleRelation, scaleRelation } from './scale-relation';
import { type RowList, rowsWith, rowsWithAny, takeRows } from './way-rows';
import { impossibleWay, testLikelihoodWay, testWay, type WayResult } from './way-test';

/** A way: one combination of choices, or several that compute the same. */
export interface Way extends WayResult {
  /** By choice, the options that it stands for, as places among that choice's options. */
  readonly options: readonly (readonly number[])[];
  /** Fisher's z of the coefficient, of τ as sin(πτ/2): what ways of several coefficients are compared on. */
  readonly z: number;
}

export interface Ways {
  /** Ways that compute the same count once. */
  readonly ways: readonly Way[];
  /** The place of the way in force. */
  readonly own: number;
  /** How many combinations there are, and how many of them were looked at. */
  readonly combinations: number;
  readonly looked: number;
  readonly seed: number;
}

export interface WaysRequest {
  /** The raw values, of all rows. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Rows that may be used at all, before any choice. */
  readonly rows: Uint8Array;
  readonly choices: readonly Choice[];
  /** By choice, which option is in force. */
  readonly own: readonly number[];
  readonly alternative?: Alternative;
  readonly level?: number;
  /** Most combinations computed; more are sampled. Default `MOST_WAYS`. */
  readonly most?: number;
  readonly seed?: number;
  readonly onProgress?: (done: number, total: number) => void;
}

/** Most combinations of choices that are computed, unless more are asked for. */
export const MOST_WAYS = 2000;
/** Row numbers that are kept for other combinations: 64 MB of them. */
const MOST_KEPT_ROWS = 16_000_000;
/** Values of columns that are kept for other combinations: 64 MB, and as much again bent. */
const MOST_KEPT_VALUES = 8_000_000;
const NOTHING: WayHeld = { kind: 'nothing' };

/**
 * Every defensible way to one coefficient: all combinations of choices, each computed on its own rows (Steegen, Tuerlinckx,
 * Gelman & Vanpaemel 2016). Ways that compute the same count once: a coefficient of ranks on a scale that keeps them,
 * listwise deletion where nothing is missing. On scales that fall as the values rise signs are turned back. More than `most`
 * combinations are a seeded sample of them, the own way included.
 * Missing values (NaN): rows complete for the pair on its scales and for what is held constant. A way of fewer than four
 * rows is listed as impossible.
 * @throws {RangeError} columns of unequal length, a choice without options, or an option that does not exist.
 *
 * @example
 * computeWays({ x: Float64Array.of(1, 2, 3, 4, 9), y: Float64Array.of(2, 1, 4, 3, 5), rows: new Uint8Array(5).fill(1),
 *   choices: [{ kind: 'coefficient', options: ['pearson', 'spearman'] }], own: [0] }).ways.length; // 2
 */
export function computeWays(request: WaysRequest): Ways {
  return gatherWays(request, computeCombinations(request));
}

/** What one combination comes to; combinations of the same key compute the same. */
export interface CombinationResult extends WayResult {
  readonly key: string;
  readonly z: number;
}

/**
 * The combinations of `computeWays` one by one, all or those at some places, so that threads can share them.
 * @param places among the combinations, in their order
 * @throws {RangeError} as `computeWays`.
 *
 * @example
 * computeCombinations({ x: Float64Array.of(1, 2, 3, 4, 9), y: Float64Array.of(2, 1, 4, 3, 5), rows: new Uint8Array(5).fill(1),
 *   choices: [{ kind: 'coefficient', options: ['pearson', 'spearman'] }], own: [0] }, [1])[0].coefficient; // 0.8
 */
export function computeCombinations(request: WaysRequest, places?: readonly number[]): CombinationResult[] {
  const { x, y, alternative = 'two-sided', level = 0.95, onProgress } = request;
  assertSameLength(x, y);
  assertAlternative(alternative);
  const { chosen } = chosenOf(request);
  const prepared = new Preparation(request);
  const known = new Map<string, CombinationResult>();
  const wanted = places ?? chosen.map((_, place) => place);
  return wanted.map((place, done) => {
    const { key, compute } = prepared.way(chosen[place], { alternative, level });
    const found = known.get(key) ?? { key, ...compute() };
    known.set(key, found);
    onProgress?.(done + 1, wanted.length);
    return found;
  });
}

function chosenOf({ choices, own, most = MOST_WAYS, seed = 1 }: Pick<WaysRequest, 'choices' | 'own' | 'most' | 'seed'>) {
  return combinationsOf(
    choices.map(({ options }) => options.length),
    own,
    { most, seed },
  );
}

/**
 * Ways from all combinations, in their order.
 *
 * @example
 * gatherWays({ choices: [{ kind: 'coefficient', options: ['pearson'] }], own: [0] },
 *   [{ key: 'r', z: 0.5, coefficient: 0.46, low: 0.1, high: 0.7, pValue: 0.02, n: 30, impossible: null }]).ways.length; // 1
 */
export function gatherWays(request: Pick<WaysRequest, 'choices' | 'own' | 'most' | 'seed'>, results: readonly CombinationResult[]): Ways {
  const { own, seed = 1 } = request;
  const { chosen, total } = chosenOf(request);
  const found = new Map<string, { way: WayResult & { z: number }; options: Set<number>[] }>();
  for (const [place, options] of chosen.entries()) {
    const { key, ...way } = results[place];
    const known = found.get(key);
    if (known) for (const [c, option] of options.entries()) known.options[c].add(option);
    else found.set(key, { way, options: options.map((option) => new Set([option])) });
  }
  const ownKey = results[chosen.findIndex((options) => options.every((option, c) => option === own[c]))].key;
  return {
    ways: [...found.values()].map(({ way, options }) => ({ ...way, options: options.map((set) => [...set].sort((a, b) => a - b)) })),
    own: [...found.keys()].indexOf(ownKey),
    combinations: total,
    looked: chosen.length,
    seed,
  };
}

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

class Preparation {
  readonly #relations = new Map<Float64Array, ScaleRelation>();
  readonly #lists = new Map<string, { list: RowList; likely: boolean }>();

  readonly #columns = new Map<string, Float64Array>();
  readonly #bentColumns = new WeakMap<Float64Array, Float64Array | null>();

  constructor(private readonly request: WaysRequest) {}

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
