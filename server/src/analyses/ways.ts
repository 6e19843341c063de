import type { RequestOf, Variable, WayChoice, WayHeldOption, WayScaleOption, WaysResult } from '@ivlen/contract';
import {
  type Choice,
  type CombinationResult,
  combinationsOf,
  computeCombinations,
  gatherWays,
  ln,
  MOST_WAYS,
  summarizeWays,
  type WayHeld,
  type WayScale,
  type WaysRequest,
} from '@ivlen/core';
import { DomainError } from '../errors/domain-error';
import { type AnalysisModule, NO_PIECES, type Pieces, type Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { allCorrelatable, findVariable } from './needed-variables';

/** Every defensible way to one coefficient, and how far they agree. */
export const ways: AnalysisModule<'ways'> = {
  needs: neededByWays,
  allRows: true,
  run: waysOf,
  pieces: { of: keysOf, from: () => NO_PIECES, needs: needsOf, compute: computePieces },
  counts: 'ways',
};

type AskedWays = Omit<RequestOf<'ways'>, 'kind'>;

/** @throws {DomainError} a combination in force that is none, or a variable that cannot serve */
export function neededByWays({ x, y, choices, own }: AskedWays, all: readonly Variable[]): Variable[] {
  // Before any thread counts the combinations.
  if (own.length !== choices.length || own.some((option, choice) => option >= (choices[choice]?.options.length ?? 0))) {
    throw new DomainError('invalid-request', 'What is in force must be one of the options of each choice.', { where: 'own' });
  }
  return [
    ...allCorrelatable(all, [x, y, ...choices.flatMap(correlatedIn)]),
    ...choices.flatMap(groupedIn).map((id) => findVariable(all, id)),
  ];
}

/** What a combination costs, in passes through its rows: most rank them anew. */
export const PASSES_OF_A_WAY = 15;

/** Each combination is a part; none is kept, since what a choice is about cannot be told from its places. */
function keysOf({ choices, own, seed }: RequestOf<'ways'>) {
  const { chosen } = combinationsOf(
    choices.map(({ options }) => options.length),
    own,
    { most: MOST_WAYS, seed },
  );
  return chosen.map((options) => ({ key: options.join(), variables: [] }));
}

function needsOf(_: RequestOf<'ways'>, places: readonly number[], rows: number) {
  return { ranks: [], sums: [], effort: places.length * rows * PASSES_OF_A_WAY };
}

function computePieces(request: RequestOf<'ways'>, columns: AnalysisColumns, places: readonly number[], _: unknown, tell: Tell): Pieces {
  return { places, fields: { combination: computeCombinations(inCore(request, columns, tell), places) } };
}

/** The variables of a choice whose values are computed with. */
function correlatedIn(choice: WayChoice): readonly string[] {
  switch (choice.kind) {
    case 'scale':
      return [choice.raw, ...choice.options.flatMap((option) => (option.kind === 'variable' ? [option.id] : []))];
    case 'missing':
      return choice.completeFor;
    case 'held':
      return choice.options.flatMap((option) => (option.kind === 'controls' ? option.ids : []));
    default:
      return [];
  }
}

/** The variables of a choice whose values tell rows apart. */
function groupedIn(choice: WayChoice): readonly string[] {
  if (choice.kind === 'identifier') return [choice.by];
  return choice.kind === 'held' ? choice.options.flatMap((option) => (option.kind === 'groups' ? [option.by] : [])) : [];
}

/** The request as the core takes it. */
export function inCore(request: AskedWays, columns: AnalysisColumns, tell: Tell = () => {}): WaysRequest {
  const { alternative, level, seed, own } = request;
  const [x, y] = [rawOf(request, 'x', columns), rawOf(request, 'y', columns)];
  const choices = request.choices.map((choice) => choiceOf(choice, columns, x, y));
  return { x, y, rows: usableRows(request.choices, columns, x.length), choices, own, alternative, level, seed, onProgress: tell };
}

function waysOf(request: RequestOf<'ways'>, columns: AnalysisColumns, tell: Tell, known: Pieces): WaysResult {
  const { alpha, seed } = request;
  const counts = request.choices.map(({ options }) => options.length);
  const asked = inCore(request, columns, tell);
  const combinations = known.places.length > 0 ? inOrder(known) : computeCombinations(asked);
  const found = gatherWays(asked, combinations);
  const summary = summarizeWays(found.ways, { counts, own: found.own, alpha });
  return {
    kind: 'ways',
    ways: found.ways.map(({ options, coefficient, low, high, pValue, n, impossible }) => ({
      options: options.map((places) => [...places]),
      coefficient: finiteOrNull(coefficient),
      low: finiteOrNull(low),
      high: finiteOrNull(high),
      pValue: finiteOrNull(pValue),
      n,
      impossible,
    })),
    own: found.own,
    combinations: found.combinations,
    looked: found.looked,
    seed,
    summary: {
      ...summary,
      lowest: finiteOrNull(summary.lowest),
      median: finiteOrNull(summary.median),
      highest: finiteOrNull(summary.highest),
      sign: summary.sign && asData(summary.sign),
      decision: summary.decision && { ...asData(summary.decision), significant: summary.decision.significant },
      shares: [...summary.shares],
    },
  };
}

function inOrder({ places, fields }: Pieces): CombinationResult[] {
  const results = fields.combination as readonly CombinationResult[];
  const ordered: CombinationResult[] = [];
  places.forEach((place, k) => {
    const result = results[k];
    if (result) ordered[place] = result;
  });
  return ordered;
}

/** The values that the scales of one of the two are made of. */
function rawOf(request: AskedWays, of: 'x' | 'y', columns: AnalysisColumns): Float64Array {
  for (const choice of request.choices) if (choice.kind === 'scale' && choice.of === of) return columnOf(columns, choice.raw);
  return columnOf(columns, request[of]);
}

/** All rows but those that no choice is about: set aside for other reasons, or outside a subset that is no choice. */
function usableRows(choices: readonly WayChoice[], { outside }: AnalysisColumns, count: number): Uint8Array {
  const asked = new Set(choices.flatMap((choice) => (choice.kind === 'set-aside' ? [choice.reason] : [])));
  const ofSubset = choices.some(({ kind }) => kind === 'subset');
  return Uint8Array.from({ length: count }, (_, row) => {
    const reason = outside?.aside?.[row] ?? 0;
    const inside = ofSubset || (outside?.inside?.[row] ?? 1) === 1;
    return (reason === 0 || asked.has(reason)) && inside ? 1 : 0;
  });
}

function choiceOf(choice: WayChoice, columns: AnalysisColumns, x: Float64Array, y: Float64Array): Choice {
  const count = x.length;
  const rowsWhere = (is: (row: number) => boolean) => Uint8Array.from({ length: count }, (_, row) => (is(row) ? 1 : 0));
  switch (choice.kind) {
    case 'coefficient':
      return choice;
    case 'scale': {
      const raw = choice.of === 'x' ? x : y;
      return { kind: 'scale', of: choice.of, options: choice.options.map((option) => scaleOf(option, raw, columns)) };
    }
    case 'set-aside': {
      const aside = columns.outside?.aside;
      return { kind: 'rows', rows: rowsWhere((row) => aside?.[row] === choice.reason), options: choice.options };
    }
    case 'row':
      return { kind: 'rows', rows: rowsWhere((row) => row === choice.row - 1), options: choice.options };
    case 'subset': {
      const inside = columns.outside?.inside;
      return { kind: 'subset', inside: rowsWhere((row) => (inside?.[row] ?? 1) === 1), options: choice.options };
    }
    case 'missing':
      return { kind: 'missing', set: choice.completeFor.map((id) => columnOf(columns, id)), options: choice.options };
    case 'held':
      return { kind: 'held', options: choice.options.map((option) => heldOf(option, columns)) };
    case 'identifier':
      return { kind: 'identifier', labels: columnOf(columns, choice.by), options: choice.options };
  }
}

function scaleOf(option: WayScaleOption, raw: Float64Array, columns: AnalysisColumns): WayScale {
  switch (option.kind) {
    case 'variable':
      return columnOf(columns, option.id);
    case 'rank-normal':
      return 'rank-normal';
    case 'log':
      // Where a value has no logarithm there is no such scale, and no row of it.
      return ln(raw).values ?? raw.map((value) => (value > 0 ? Math.log(value) : Number.NaN));
  }
}

function heldOf(option: WayHeldOption, columns: AnalysisColumns): WayHeld {
  switch (option.kind) {
    case 'nothing':
      return option;
    case 'controls':
      return { kind: 'controls', columns: option.ids.map((id) => columnOf(columns, id)) };
    case 'groups':
      return { kind: 'groups', labels: columnOf(columns, option.by) };
  }
}

function asData({
  ways: count,
  parts,
  always,
}: {
  ways: number;
  parts: readonly { choice: number; options: readonly number[] }[];
  always: boolean;
}) {
  return { ways: count, parts: parts.map(({ choice, options }) => ({ choice, options: [...options] })), always };
}
