import { isUtf8 } from 'node:buffer';
import type { ImportProblem } from '@ivlen/contract';
import { countOf, thousands } from '../phrases/phrases';
import type { TableSource } from './table-source';

const LINE_FEED = 10;
const LINES_NAMED = 5;

interface Lines {
  count: number;
  readonly first: number[];
}

/** Lines with letters beyond ASCII, by whether they are UTF-8: a file that was put together from two has both. */
function linesByEncoding(source: TableSource): { readonly utf8: Lines; readonly others: Lines } {
  const found = { utf8: { count: 0, first: [] as number[] }, others: { count: 0, first: [] as number[] } };
  let [line, left] = [0, new Uint8Array(0)];
  const look = (bytes: Uint8Array) => {
    line++;
    if (!bytes.some((byte) => byte >= 0x80)) return;
    const kind = isUtf8(bytes) ? found.utf8 : found.others;
    kind.count++;
    if (kind.first.length < LINES_NAMED) kind.first.push(line);
  };
  for (const piece of source.pieces()) {
    const bytes = left.length === 0 ? piece : Buffer.concat([left, piece]);
    let start = 0;
    for (let end = bytes.indexOf(LINE_FEED); end >= 0; end = bytes.indexOf(LINE_FEED, start)) {
      look(bytes.subarray(start, end));
      start = end + 1;
    }
    left = bytes.slice(start);
  }
  if (left.length > 0) look(left);
  return found;
}

/** What is said of a file read as Windows-1252 in which some lines are UTF-8. */
export function mixedEncodings(source: TableSource): ImportProblem[] {
  const { utf8, others } = linesByEncoding(source);
  if (utf8.count === 0 || others.count === 0) return [];
  const named = (lines: Lines) => `${lines.first.map(thousands).join(', ')}${lines.count > lines.first.length ? ' …' : ''}`;
  const message =
    `The file mixes two encodings: ${countOf(utf8.count, 'line')} ${utf8.count === 1 ? 'is' : 'are'} UTF-8 (${named(utf8)}), ` +
    `and ${countOf(others.count, 'line')} ${others.count === 1 ? 'is' : 'are'} Windows-1252 (${named(others)}). All are read as Windows-1252.`;
  return [
    {
      severity: 'check',
      code: 'mixed-encodings',
      message,
      hint: 'Letters with accents come out wrong in the UTF-8 lines. Save both parts anew in one encoding, or correct the cells.',
      mends: [],
    },
  ];
}
