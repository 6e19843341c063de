import type { AnalysisResult } from '@ivlen/contract';

/** About how many numbers of results are kept. */
const MOST_NUMBERS = 4_000_000;

/** Results of the analyses asked for last, in memory. */
export class RecentResults {
  readonly #results = new Map<string, { result: AnalysisResult; size: number }>();
  #size = 0;

  get(key: string): AnalysisResult | undefined {
    const found = this.#results.get(key);
    if (!found) return undefined;
    // What is asked for again goes to the end of the line of those to be forgotten.
    this.#results.delete(key);
    this.#results.set(key, found);
    return found.result;
  }

  set(key: string, result: AnalysisResult): void {
    const size = sizeOf(result);
    if (size > MOST_NUMBERS / 4 || this.#results.has(key)) return;
    this.#results.set(key, { result, size });
    this.#size += size;
    for (const [oldest, { size: freed }] of this.#results) {
      if (this.#size <= MOST_NUMBERS) break;
      this.#results.delete(oldest);
      this.#size -= freed;
    }
  }
}

/** How many values a result holds. */
function sizeOf(value: unknown): number {
  if (Array.isArray(value))
    return typeof value[0] === 'object' ? value.reduce((sum: number, item) => sum + sizeOf(item), 1) : value.length + 1;
  if (typeof value !== 'object' || value === null) return 1;
  return Object.values(value).reduce((sum: number, item) => sum + sizeOf(item), 1);
}
