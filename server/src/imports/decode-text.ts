import type { Encoding } from '@ivlen/contract';

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
export function detectEncoding(bytes: Uint8Array): Encoding | null {
  const [a, b, c] = bytes;
  if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8';
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  if (a === 0xfe && b === 0xff) return 'utf-16be';
  const probe = bytes.subarray(0, PROBE_BYTES);
  const wide = detectWide(probe);
  if (wide) return wide;
  let control = 0;
  for (const byte of probe) if (isControl(byte)) control++;
  if (control > probe.length * MOST_CONTROL_SHARE) return null;
  return isUtf8(bytes) ? 'utf-8' : 'windows-1252';
}

/** The text of a file, without its byte order mark. */
export function decodeText(bytes: Uint8Array, encoding: Encoding): string {
  return new TextDecoder(encoding).decode(bytes);
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

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}
