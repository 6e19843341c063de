import { closeSync, fstatSync, openSync, readSync } from 'node:fs';
import { DomainError } from '../errors/domain-error';
import { LINE_BYTES } from './budgets';

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

const LINE_FEED = 10;

/** The same bytes, of which no line is longer than any that a table has. @throws {DomainError} 'line-too-long', while it is read */
export function withBoundedLines(source: TableSource): TableSource {
  return {
    bytes: source.bytes,
    *pieces() {
      let [length, read] = [0, 0];
      for (const piece of source.pieces()) {
        const [first, last] = [piece.indexOf(LINE_FEED), piece.lastIndexOf(LINE_FEED)];
        if (length + (first < 0 ? piece.length : first) > LINE_BYTES) throw lineTooLong(read - length);
        length = last < 0 ? length + piece.length : piece.length - last - 1;
        read += piece.length;
        yield piece;
      }
    },
  };
}

function lineTooLong(start: number): DomainError {
  return new DomainError('line-too-long', `A line of the file is longer than ${LINE_BYTES / 1024 / 1024} MB, and was not read further.`, {
    where: `from byte ${(start + 1).toLocaleString('en-GB')}`,
    hint: 'Each case needs a line of its own. A file that is no table of text looks like this too.',
  });
}

/** The same bytes without those that are zero, which no text of single bytes holds. @param onFound told how many, each time it is read to its end */
export function withoutZeros(source: TableSource, onFound: (count: number) => void): TableSource {
  return {
    bytes: source.bytes,
    *pieces() {
      let found = 0;
      for (const piece of source.pieces()) {
        if (!piece.includes(0)) {
          yield piece;
          continue;
        }
        const kept = piece.filter((byte) => byte !== 0);
        found += piece.length - kept.length;
        yield kept;
      }
      onFound(found);
    },
  };
}
