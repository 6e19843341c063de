import type { PairCheckResult } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed, type Method } from '@ivlen/core';
import { coefficientText, fineCoefficientText, pRelationText } from '../numbers/number-text';
import { rowInWords } from '../study/row-in-words';
import { joined } from './coefficient-names';

/** What the words of a check speak of. */
export interface CheckSubject {
  /** Names of the two variables, and their kinds in words. */
  readonly x: string;
  readonly y: string;
  readonly kinds: readonly [string, string];
  /** The method that the pair is reported by. */
  readonly method: Method;
  /** The variable that names the cases; null where none does. */
  readonly identifier: string | null;
  /** The variable whose groups are compared; null where none is chosen. */
  readonly groups: string | null;
}

interface CheckWords {
  /** What is checked, in a few words. */
  readonly name: (subject: CheckSubject) => string;
  /** What it was judged by, with its numbers. */
  readonly value: (check: PairCheckResult, subject: CheckSubject) => string;
}

const number = ({ values }: PairCheckResult, name: string) => values[name] ?? Number.NaN;
const percent = (share: number) => `${formatFixed(100 * share, 1)} %`;
const shape = (check: PairCheckResult) =>
  Number.isNaN(number(check, 'skewness'))
    ? 'no skewness: too few rows, or it does not vary'
    : `skewness ${formatFixed(number(check, 'skewness'), 2)}, excess kurtosis ${formatFixed(number(check, 'excessKurtosis'), 2)}`;

/** Every check of a pair in words; whether it holds is the core's. */
export const CHECK_WORDS: Readonly<Record<PairCheckResult['code'], CheckWords>> = {
  kinds: {
    name: () => 'kinds',
    value: (_, { kinds: [x, y] }) => (x === y ? `both ${x}` : `${x} and ${y}`),
  },
  'shape-x': { name: ({ x }) => `shape of ${x}`, value: shape },
  'shape-y': { name: ({ y }) => `shape of ${y}`, value: shape },
  straight: {
    name: () => 'straight',
    value: (check) =>
      check.held === null
        ? 'fewer than four rows, or the points lie exactly on a line'
        : `a parabola tells ${percent(number(check, 'gain'))} more (${pRelationText(number(check, 'pValue'))}), |ρ| is ${coefficientText(Math.abs(number(check, 'rankAdvantage')))} ${number(check, 'rankAdvantage') < 0 ? 'below' : 'above'} |r|`,
  },
  'even-spread': {
    name: () => 'even spread about the line',
    value: (check) =>
      check.held === null
        ? 'not judged of fewer than 30 rows, or of an exact line'
        : `Breusch–Pagan ${pRelationText(number(check, 'pValue'))}`,
  },
  'one-row': {
    name: () => 'no row carries it',
    value: (check, { method }) => {
      if (check.row === null) return 'no row can be left out';
      return `without ${rowInWords(check.row, check.name)}, which moves it most, ${COEFFICIENTS[method].symbol} = ${coefficientText(number(check, 'without'))}, with it ${coefficientText(number(check, 'coefficient'))}`;
    },
  },
  'methods-agree': {
    name: () => 'r and ρ agree',
    value: (check) => {
      const [r, rho, limit] = [number(check, 'r'), number(check, 'rho'), number(check, 'limit')];
      return `r ${fineCoefficientText(r)}, ρ ${fineCoefficientText(rho)}: ${fineCoefficientText(Math.abs(r - rho))} apart, which matters from ${coefficientText(limit)} on`;
    },
  },
  'groups-agree': {
    name: ({ groups }) => `groups of ${groups} agree`,
    value: (check) =>
      check.held === null
        ? 'fewer than two groups can be tested'
        : `Q(${number(check, 'df')}) = ${formatFixed(number(check, 'q'), 2)}, ${pRelationText(number(check, 'pValue'))}`,
  },
  'no-shared-component': {
    name: () => 'no shared component',
    value: (check) =>
      check.held ? 'neither is computed from the other, nor both from a third' : 'one is computed from the other, or both from a third',
  },
  'rows-independent': {
    name: () => 'rows independent',
    value: (check, { identifier }) =>
      check.held === null || identifier === null
        ? 'no identifier names the cases, so repeats cannot be seen'
        : check.held
          ? `no ${identifier} stands in two rows`
          : `${number(check, 'repeatedRows').toLocaleString('en-GB')} rows share their ${identifier} with another`,
  },
  'enough-rows': { name: () => 'enough rows', value: (check) => `n = ${number(check, 'n').toLocaleString('en-GB')}` },
  'few-missing': {
    name: () => 'few missing',
    value: (check) =>
      `${number(check, 'n').toLocaleString('en-GB')} of ${number(check, 'rowsInUse').toLocaleString('en-GB')} rows have both values`,
  },
  ties: {
    name: () => 'ties',
    value: (check, { x, y }) =>
      `${percent(number(check, 'tiedX'))} of the pairs of rows tie in ${x}, ${percent(number(check, 'tiedY'))} in ${y}`,
  },
};

/** A check on one line: "straight: a parabola tells 0.4 % more (p = .310), |ρ| is .02 above |r|". */
export function checkInWords(check: PairCheckResult, subject: CheckSubject): string {
  const { name, value } = CHECK_WORDS[check.code];
  return `${name(subject)}: ${value(check, subject)}`;
}

/** All checks of a coefficient in one sentence each for those that held, that did not, and that could not be judged. */
export function checksInSentences(checks: readonly PairCheckResult[], subject: CheckSubject): string {
  const { x, y, method } = subject;
  const told = (held: boolean | null) =>
    joined(
      checks
        .filter((check) => check.held === held)
        .map((check) => `${CHECK_WORDS[check.code].name(subject)} (${CHECK_WORDS[check.code].value(check, subject)})`),
    );
  const parts = [
    ['held', true],
    ['did not hold', false],
    ['could not be judged', null],
  ] as const;
  return parts
    .flatMap(([words, held]) => {
      const found = told(held);
      return found === '' ? [] : [`Of the checks made for ${COEFFICIENTS[method].name} of ${x} and ${y}, these ${words}: ${found}.`];
    })
    .join(' ');
}

/** "11 checks held; 2 could not be judged." */
export function checksCounted(checks: readonly PairCheckResult[]): string {
  const count = (held: boolean | null) => checks.filter((check) => check.held === held).length;
  const [held, unknown] = [count(true), count(null)];
  return `${held} ${held === 1 ? 'check' : 'checks'} held${unknown > 0 ? `; ${unknown} could not be judged` : ''}`;
}
