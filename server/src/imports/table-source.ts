import { closeSync, fstatSync, openSync, readSync } from 'node:fs';

/** Text or other bytes to be read from the start, as often as needed, a piece at a time. */
export interface TableSource {
  readonly bytes: number;
  /** A piece is good until the next one is asked for: its memory is used again. */
  pieces(): Iterable<Uint8Array>;
}

/** Large enough to cut cells fast, small enough that memory does not grow with the file. */
const PIECE_BYTES = 1024 * 1024;

export function fileSource(path: string): TableSource {
  const file = openSync(path, 'r');
  const { size } = fstatSync(file);
  closeSync(file);
  return {
    bytes: size,
    *pieces() {
      const open = openSync(path, 'r');
      try {
        const piece = new Uint8Array(Math.min(PIECE_BYTES, Math.max(1, size)));
        for (;;) {
          const read = readSync(open, piece);
          if (read === 0) return;
          yield piece.subarray(0, read);
        }
      } finally {
        closeSync(open);
      }
    },
  };
}

export function memorySource(bytes: Uint8Array): TableSource {
  return {
    bytes: bytes.length,
    *pieces() {
      for (let at = 0; at < bytes.length; at += PIECE_BYTES) yield bytes.subarray(at, at + PIECE_BYTES);
    },
  };
}
