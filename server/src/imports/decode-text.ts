import { isUtf8 } from 'node:buffer';
import type { Encoding } from '@ivlen/contract';
import type { TableSource } from './table-source';

const PROBE_BYTES = 64 * 1024;
/** Control characters that no table of text holds; tab, line feed, form feed, carriage return are fine. */
const isControl = (byte: number) => byte < 9 || (byte > 13 && byte < 32 && byte !== 27);
const MOST_CONTROL_SHARE = 0.01;
const WIDE_ZERO_SHARE = 0.3;

/**
 * Guesses how the text of a file is encoded: a byte order mark decides; else every second byte zero means UTF-16; else
 * UTF-8 if it is valid, and Windows-1252 if not.
 * @returns null for a file that is not text.
 */
export function detectEncoding(source: TableSource): Encoding | null {
  const [first = new Uint8Array(0)] = source.pieces();
  const [a, b, c] = first;
  if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8';
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  if (a === 0xfe && b === 0xff) return 'utf-16be';
  const probe = first.subarray(0, PROBE_BYTES);
  const wide = detectWide(probe);
  if (wide) return wide;
  let control = 0;
  for (const byte of probe) if (isControl(byte)) control++;
  if (control > probe.length * MOST_CONTROL_SHARE) return null;
  return isAllUtf8(source) ? 'utf-8' : 'windows-1252';
}

/** The text of a file piece by piece, without its byte order mark. `onPiece` is told the bytes read so far. */
export function* decodedPieces(source: TableSource, encoding: Encoding, onPiece: (bytes: number) => void = () => {}): Generator<string> {
  const decoder = new TextDecoder(encoding);
  let read = 0;
  for (const piece of source.pieces()) {
    read += piece.length;
    const text = decoder.decode(piece, { stream: true }).replaceAll('\u0000', '');
    if (text !== '') yield text;
    onPiece(read);
  }
  const rest = decoder.decode();
  if (rest !== '') yield rest;
}

function detectWide(probe: Uint8Array): Encoding | null {
  const zeros = [0, 0];
  for (let i = 0; i < probe.length; i++) if (probe[i] === 0) zeros[i % 2] = (zeros[i % 2] ?? 0) + 1;
  const half = probe.length / 2;
  const [even = 0, odd = 0] = zeros;
  if (odd > half * WIDE_ZERO_SHARE && even < odd / 10) return 'utf-16le';
  if (even > half * WIDE_ZERO_SHARE && odd < even / 10) return 'utf-16be';
  return null;
}

function isAllUtf8(source: TableSource): boolean {
  let left = new Uint8Array(0);
  for (const piece of source.pieces()) {
    const bytes = left.length === 0 ? piece : Buffer.concat([left, piece]);
    const whole = bytes.length - bytesOfCutCharacter(bytes);
    if (!isUtf8(bytes.subarray(0, whole))) return false;
    left = bytes.slice(whole);
  }
  return left.length === 0;
}

/** Bytes at the end that begin a character which goes on in the next piece. */
function bytesOfCutCharacter(bytes: Uint8Array): number {
  for (let back = 1; back <= Math.min(3, bytes.length); back++) {
    const byte = bytes[bytes.length - back] ?? 0;
    if (byte >= 0xc0) return back < (byte >= 0xf0 ? 4 : byte >= 0xe0 ? 3 : 2) ? back : 0;
    if (byte < 0x80) return 0;
  }
  return 0;
}
