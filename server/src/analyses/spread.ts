import type { Analysis } from '@ivlen/contract';
import { addColumnSums, type RankColumn, sumStretches } from '@ivlen/core';
import { ColumnCache } from '../columns/column-cache';
import type { Table } from '../columns/columns';
import type { Progress } from '../jobs/jobs';
import type { Workers } from '../workers/workers';
import { moduleOf } from './analyses';
import { NO_PIECES, type Pieces, type PreparedVariables } from './analysis';
import { type AnalysisColumns, columnOf, isAllRows } from './analysis-columns';
import { joinPieces } from './kept-pieces';

/** From so many numbers on that pieces go through, threads share them. */
const SPREAD_FROM = 4_000_000;

/**
 * Heavy analyses, spread over threads: columns are cut down to the rows in question, sorted or summed, and pieces of the
 * result computed, in as many parts as there are threads. What comes out does not depend on their number. Rows and sorted
 * columns are kept by the versions of what they are made of, for the next request.
 */
export class Spread {
  readonly #made = new ColumnCache();

  constructor(private readonly workers: Workers) {}

  /** The parts of an analysis that are not known yet, where that is worth it; else none. */
  async pieces(
    table: Table,
    analysis: Analysis,
    columns: AnalysisColumns,
    known: Pieces,
    { signal, progress }: { signal: AbortSignal; progress: (of: () => Omit<Progress, 'what'>) => void },
  ): Promise<Pieces> {
    const { pieces } = moduleOf(analysis);
    if (!pieces) return NO_PIECES;
    const isKnown = new Set(known.places);
    const places = pieces.of(analysis).flatMap((_, place) => (isKnown.has(place) ? [] : [place]));
    const needs = pieces.needs(analysis, places, columns.rowsInUse);
    if (needs.effort < SPREAD_FROM) return NO_PIECES;

    const cut = await this.#restricted(table, analysis, columns);
    const sums = needs.sums.length > 0 ? await this.#sums(needs.sums, cut, signal) : null;
    const ranks = await this.#ranks(table, analysis, needs.ranks, cut);
    const parts = partsOf(places, this.workers.threads).map((part) => ({ part, progress: sharedProgress() }));
    progress(() => ({ done: total(parts.map((part) => part.progress[0] ?? 0)), total: places.length }));
    const computed = parts.map(({ part, progress: own }) =>
      this.workers.runPart({ task: 'pieces', analysis, columns: cut, places: part, prepared: { ranks, sums }, progress: own }, signal),
    );
    return joinPieces(...(await Promise.all(computed)));
  }

  async #restricted(table: Table, analysis: Analysis, columns: AnalysisColumns): Promise<AnalysisColumns> {
    if (!('rows' in analysis) || isAllRows(analysis.rows)) return columns;
    const { rows } = analysis;
    const key = `${rowsKey(table, analysis)} ${columns.variables.map((id) => versionOf(table, id)).join(' ')}`;
    const bytes = 8 * columns.rowsInUse * columns.values.length;
    return this.#made.get(key, bytes, () => this.workers.runPart({ task: 'restrict', rows, columns }, never()));
  }

  async #sums(of: readonly string[], columns: AnalysisColumns, signal: AbortSignal): Promise<PreparedVariables['sums']> {
    const values = of.map((id) => columnOf(columns, id));
    const stretches = Array.from({ length: sumStretches(values[0]?.length ?? 0) }, (_, stretch) => stretch);
    const parts = await Promise.all(
      partsOf(stretches, this.workers.threads).map((part) =>
        this.workers.runPart({ task: 'sum', columns: values, stretches: part }, signal),
      ),
    );
    return { of, sums: addColumnSums(parts.flat()) };
  }

  async #ranks(
    table: Table,
    analysis: Analysis,
    of: readonly string[],
    columns: AnalysisColumns,
  ): Promise<ReadonlyMap<string, RankColumn>> {
    const ranked = of.map(async (id) => {
      const values = columnOf(columns, id);
      const key = `${rowsKey(table, analysis)} ranks ${versionOf(table, id)}`;
      const column = await this.#made.get(key, 8 * values.length, () => this.workers.runPart({ task: 'rank', values }, never()));
      return [id, column] as const;
    });
    return new Map(await Promise.all(ranked));
  }
}

/** What is kept for later requests is made to its end, whoever stops waiting for it. */
const never = () => new AbortController().signal;

/** Which rows of which study: those in use, cut down as the request says. */
function rowsKey(table: Table, analysis: Analysis): string {
  const rows = 'rows' in analysis && !isAllRows(analysis.rows) ? analysis.rows : null;
  const restsOn = rows ? [...rows.completeFor, ...(rows.group ? [rows.group.by] : [])] : [];
  return `${table.study} ${table.state.inUse?.version ?? ''} ${JSON.stringify(rows)} ${restsOn.map((id) => versionOf(table, id)).join(' ')}`;
}

function versionOf({ state }: Table, id: string): string {
  return `${id}:${state.variables.find((item) => item.id === id)?.version ?? 0}`;
}

/** Cuts a list into at most so many stretches of about the same length. */
function partsOf<T>(items: readonly T[], parts: number): T[][] {
  const length = Math.ceil(items.length / parts);
  return Array.from({ length: Math.ceil(items.length / length) }, (_, k) => items.slice(k * length, (k + 1) * length));
}

export function sharedProgress(): Float64Array {
  return new Float64Array(new SharedArrayBuffer(2 * Float64Array.BYTES_PER_ELEMENT));
}

function total(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0);
}
