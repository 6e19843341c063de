import type { ImportSettings, LimitReading } from '@ivlen/contract';
import { createNumberReader, type NumberReader } from './number-reader';

/** A number with what stands around it. */
export interface LooseNumber {
  readonly value: number;
  /** Currency, unit or per cent sign; nothing where there is none. */
  readonly unit: string;
  /** "<" or ">" where the cell tells a limit only. */
  readonly limit: '<' | '>' | null;
  /** Whether it stands in brackets, which is read as a minus sign. */
  readonly bracketed: boolean;
  /** Whether a mark of a footnote follows it. */
  readonly marked: boolean;
}

/** "<0.5", "≥ 100": where measuring ended. */
const LIMIT = /^([<>≤≥])=?\s*/;
const CURRENCY = '[€$£¥₹]|(?:EUR|USD|GBP|CHF|JPY|kr)(?![a-z])';
const BEFORE = new RegExp(`^(${CURRENCY})\\s*`, 'i');
const AFTER = new RegExp(`\\s*(${CURRENCY}|%|‰|°\\s?[CFK]?|[a-zA-Zµμ°][a-zA-Zµμ°/·²³⁻¹0-9^-]{0,11})$`, 'i');
const FOOTNOTE = /(?<=\d[.,]?)\s*(?:[*†‡§#]+|[ᵃᵇᶜᵈᵉ¹²³]+|\([a-e]\))$/;
const BRACKETS = /^\(\s*(.+?)\s*\)$/;
const EXPONENT = /^[+-]?(?:\d+\.?\d*|\.\d+)[eE][+-]?\d+$/;

/**
 * Reads a number out of what stands around it: "€16.50", "12 %", "1.5 kg", "<0.5", "(3.2)", "12.4*".
 * @returns null for what holds no number, or more than one
 */
export function readLoosely(text: string, readNumber: NumberReader): LooseNumber | null {
  let rest = text.trim();
  const limit = LIMIT.exec(rest)?.[1] ?? null;
  rest = rest.replace(LIMIT, '');
  const marked = FOOTNOTE.test(rest);
  rest = rest.replace(FOOTNOTE, '');
  const bracketed = BRACKETS.test(rest);
  rest = rest.replace(BRACKETS, '$1');
  let unit = '';
  if (!EXPONENT.test(rest)) {
    unit = BEFORE.exec(rest)?.[1] ?? '';
    rest = rest.replace(BEFORE, '');
    if (unit === '') {
      unit = AFTER.exec(rest)?.[1] ?? '';
      rest = rest.replace(AFTER, '');
    }
  }
  const value = readNumber(rest.trim());
  if (!Number.isFinite(value)) return null;
  return {
    value: bracketed ? -Math.abs(value) : value,
    unit,
    limit: limit === null ? null : /[<≤]/.test(limit) ? '<' : '>',
    bracketed,
    marked,
  };
}

/** Reads a column whose numbers have something around them. */
export function createLooseReader(settings: ImportSettings, limits: LimitReading): NumberReader {
  const readNumber = createNumberReader(settings);
  return (text) => {
    const plain = readNumber(text);
    if (plain === plain) return plain;
    const found = readLoosely(text, readNumber);
    if (!found) return Number.NaN;
    // Half of a limit stands for what lies between 0 and it; above a limit there is no such middle.
    return found.limit === '<' && limits === 'half' ? found.value / 2 : found.value;
  };
}

/** Whether a cell tells a limit only, as "<0.5" does. */
export function isLimit(text: string): boolean {
  return LIMIT.test(text);
}
