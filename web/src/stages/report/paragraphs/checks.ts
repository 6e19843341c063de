import { COEFFICIENTS, citationOf, RULE_SOURCES } from '@ivlen/core';
import { CHECK_WORDS, checksInSentences } from '../../../coefficients/check-words';
import { joined } from '../../../coefficients/coefficient-names';
import { ruleInWords } from '../../../settings/shape-rule-in-words';
import { fixedSentence, paragraph, sentence, type ToldPair, type ToldParagraph } from '../../../telling/told';
import type { ReportFacts } from './facts';

/** With more pairs than this all of them share a sentence for each check. */
const MOST_APART = 2;

/** What was looked at for each reported pair and with what value, also what held. */
export function checksParagraphs({ told, shapeRule }: ReportFacts): ToldParagraph[] {
  const pairs = distinctPairs(told.flatMap((item) => item.pairs)).filter(({ checks }) => checks.length > 0);
  if (pairs.length === 0)
    return [paragraph(sentence('none', 'No pair is reported by itself, so no assumption of a single pair was looked at.'))];
  const cite = shapeRule.kind === 'limits' ? `, after ${citationOf(RULE_SOURCES['shape limits 2 and 7'])}` : '';
  const rule = fixedSentence('rule', `A shape was marked beyond ${ruleInWords(shapeRule)}${cite}.`);
  if (pairs.length <= MOST_APART) {
    return [...pairs.map((pair) => paragraph(sentence(pairId(pair), checksInSentences(pair.checks, pair.subject)))), paragraph(rule)];
  }
  return [
    paragraph(sentence('pairs', `For each of the ${pairs.length} pairs reported the following was looked at.`), rule),
    ...byCheck(pairs),
  ];
}

/** Check by check: in how many pairs it held, and where it did not with what value. */
function byCheck(pairs: readonly ToldPair[]): ToldParagraph[] {
  const codes = [...new Set(pairs.flatMap(({ checks }) => checks.map(({ code }) => code)))];
  return codes.map((code) => {
    const found = pairs.flatMap(({ checks, subject }) =>
      checks.filter((check) => check.code === code).map((check) => ({ check, subject })),
    );
    const held = found.filter(({ check }) => check.held === true).length;
    const unknown = found.filter(({ check }) => check.held === null).length;
    const failing = found.filter(({ check }) => check.held === false);
    const where = failing.map(({ check, subject }) => `${subject.x} and ${subject.y}, ${CHECK_WORDS[code].value(check, subject)}`);
    const name = GENERAL_NAMES[code] ?? CHECK_WORDS[code].name(found[0]?.subject ?? pairs[0]?.subject ?? NOBODY);
    const not = failing.length === 0 ? '' : `; not for ${joined(where)}`;
    const undecided = unknown === 0 ? '' : `; could not be judged for ${unknown}`;
    return { ...paragraph(sentence(code, `${name}: held for ${held} of ${found.length}${not}${undecided}.`)), item: true };
  });
}

/** Names of checks whose words speak of a variable. */
const GENERAL_NAMES: Readonly<Record<string, string>> = {
  'shape-x': 'shape of the first variable',
  'shape-y': 'shape of the second variable',
};
const NOBODY: ToldPair['subject'] = { x: '', y: '', kinds: ['', ''], method: 'pearson', identifier: null, groups: null };

/** Each pair once by each coefficient, however often it is reported. */
export function distinctPairs(pairs: readonly ToldPair[]): ToldPair[] {
  return [...new Map(pairs.map((pair) => [`${pairId(pair)}.${pair.method}`, pair])).values()];
}

export function pairId({ x, y }: Pick<ToldPair, 'x' | 'y'>): string {
  return x.id < y.id ? `${x.id}~${y.id}` : `${y.id}~${x.id}`;
}

/** "r of nitrate and mayfly taxa". */
export function pairWords({ subject, method }: Pick<ToldPair, 'subject' | 'method'>): string {
  return `${COEFFICIENTS[method].symbol} of ${subject.x} and ${subject.y}`;
}
