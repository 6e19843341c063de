import type { PairCaution } from '@ivlen/contract';
import { CAUTION_WORDS, remedyInWords } from '../../../coefficients/caution-words';
import { joined } from '../../../coefficients/coefficient-names';
import { fixedSentence, paragraph, sentence, type Told, type ToldPair, type ToldParagraph } from '../../../telling/told';
import { distinctPairs, pairId, pairWords } from './checks';
import type { ReportFacts } from './facts';

/** Decisions about what was tried and what came of it. */
const TRIED = new Set(['no-scale', 'pair-method', 'remedy', 'predictor']);
/** Of questions and hypotheses, what was changed or dropped late is a limit; that they were stated is none. */
const LATE = /after its results? (?:was|were) shown/;

/** What a reader has to keep in mind: cautions that remain, how many tests were made, what was tried and given up. */
export function limitsParagraphs({ told, decisions }: ReportFacts): ToldParagraph[] {
  const pairs = distinctPairs(told.flatMap((item) => item.pairs));
  const tests = told.reduce((sum, item) => sum + item.tests, 0);
  const tried = decisions.filter(({ kind, summary }) => TRIED.has(kind) || LATE.test(summary)).toReversed();
  return [
    paragraph(
      tests === 0 ? null : sentence('tests', testsInWords(told, tests)),
      sentence('causes', 'Associations are told, which say nothing of what causes what.'),
    ),
    ...cautionParagraphs(pairs),
    ...(tried.length === 0 ? [] : [paragraph(sentence('tried', 'What was tried or changed on the way:'))]),
    ...tried.map(({ number, summary, reason }) => ({
      ...paragraph(fixedSentence(`tried-${number}`, `${summary}${reason ? ` (${reason.replace(/\.$/, '')})` : ''}.`)),
      item: true,
    })),
  ].filter(({ sentences }) => sentences.length > 0);
}

/** How many tests were made, how many of them are adjusted and by what, and what that leaves to chance. */
function testsInWords(told: readonly Told[], tests: number): string {
  const ways = [...new Set(told.flatMap(({ adjusted, tests: own }) => (adjusted !== undefined && own > 0 ? [adjusted] : [])))];
  const of = (way: string) => told.reduce((sum, item) => sum + (item.adjusted === way ? item.tests : 0), 0);
  const adjusted = ways.reduce((sum, way) => sum + of(way), 0);
  const made = `${tests.toLocaleString('en-GB')} ${tests === 1 ? 'test was' : 'tests were'} made for this report`;
  const chance = 'where nothing is associated, one unadjusted test in twenty still reaches p ≤ .05';
  if (adjusted === 0) return `${made}, unadjusted; ${chance}.`;
  const how = joined(ways.map((way) => `${of(way).toLocaleString('en-GB')} of them ${way}`));
  return adjusted === tests ? `${made}, ${how}.` : `${made}, ${how}, the others unadjusted; ${chance}.`;
}

/** The cautions that could change a conclusion, pair by pair; those that touch all pairs alike once. */
function cautionParagraphs(pairs: readonly ToldPair[]): ToldParagraph[] {
  const decisive = pairs.flatMap((pair) =>
    pair.cautions.filter(({ level }) => level === 'could-change').map((caution) => ({ pair, caution })),
  );
  const independent = pairs.find(({ cautions }) => cautions.some(({ code }) => code === 'rows-not-independent'));
  const notes = pairs.flatMap((pair) => pair.cautions.filter(isSaid).map((caution) => ({ pair, caution })));
  const counted = [...new Set(notes.map(({ caution }) => caution.code))].map(
    (code) => `${CAUTION_WORDS[code].short} (${notes.filter(({ caution }) => caution.code === code).length})`,
  );
  return [
    ...(independent ? [paragraph(sentence('independent', ofAll(independent)))] : []),
    ...(decisive.length === 0 && pairs.length > 0
      ? [paragraph(sentence('no-caution', 'No caution was found that could change what is said of a pair reported here.'))]
      : []),
    ...decisive.map(({ pair, caution }) => ({
      ...paragraph(sentence(`${pairId(pair)}.${caution.code}`, `${pairWords(pair)}: ${inWords(pair, caution)}`)),
      item: true,
    })),
    ...(counted.length === 0
      ? []
      : [paragraph(sentence('notes', `Also noted of pairs, without changing what is said of them: ${joined(counted)}.`))]),
  ];
}

function isSaid({ level, code }: PairCaution): boolean {
  return level === 'note' && code !== 'rows-not-independent';
}

function ofAll({ cautions, subject }: ToldPair): string {
  const found = cautions.find(({ code }) => code === 'rows-not-independent');
  return found ? CAUTION_WORDS[found.code].sentence(found.values, subject, found.remedy) : '';
}

function inWords({ subject, alpha }: ToldPair, caution: PairCaution): string {
  const words = CAUTION_WORDS[caution.code].sentence(caution.values, subject, caution.remedy);
  const remedy = remedyInWords(caution, subject, alpha);
  return remedy === null ? words : `${words} ${remedy}`;
}
