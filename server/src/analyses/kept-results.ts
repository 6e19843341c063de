import type { AnalysisResult } from '@ivlen/contract';
import { type Database, isDatabaseGone } from '../database/connect';
import { logError } from '../errors/log';
import { RecentResults } from './recent-results';
import { insertResult, selectResult } from './result-repository';

/** Results by what they hang on: the last ones in memory, more in the database, where they survive a restart. */
export class KeptResults {
  readonly #recent = new RecentResults();

  constructor(private readonly database: Database) {}

  async get(key: string): Promise<AnalysisResult | undefined> {
    const recent = this.#recent.get(key);
    if (recent) return recent;
    const stored = await selectResult(this.database, key);
    if (stored) this.#recent.set(key, stored);
    return stored;
  }

  async set(study: string, key: string, result: AnalysisResult): Promise<void> {
    this.#recent.set(key, result);
    try {
      await insertResult(this.database, study, key, result);
    } catch (error) {
      // A result that cannot be kept is computed again; the one at hand is as good as before.
      if (!isDatabaseGone(error)) logError('a result could not be kept', error);
    }
  }
}
