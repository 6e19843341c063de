import type { Alternative } from '../correlation/types';
import type { Choice } from './choices';

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
