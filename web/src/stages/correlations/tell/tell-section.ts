import { type Pinned, pairKey, repeatedRowsRequestSchema } from '@ivlen/contract';
import { COEFFICIENTS, RULE_SOURCES } from '@ivlen/core';
import { z } from 'zod';
import { completeForOf } from '../../../coefficients/requests';
import { asMeasuredAlike } from '../../../figures/as-measured';
import { coefficientText, fineCoefficientText } from '../../../numbers/number-text';
import { lineInWords, lineTable } from '../../../pair-card/line-words';
import { repeatedInWords, repeatedTable } from '../../../pair-card/repeated-words';
import { againstReported } from '../../../pair-card/reported-words';
import { resampledInWords } from '../../../pair-card/resampled-words';
import { workingFacts } from '../../../pair-card/working-facts';
import { workingAsText } from '../../../pair-card/working-text';
import { rowInWords } from '../../../study/row-in-words';
import { displayName } from '../../../study/variable-name';
import type { Asking } from '../../../telling/asking';
import { journalTable } from '../../../telling/journal-table';
import { sourcesOfInterval } from '../../../telling/sources-of';
import { fixedSentence, NOTHING_TOLD, paragraph, sentence, type Told } from '../../../telling/told';
import { askedPair, pairMethods, type Reported } from './reported-pair';
import { tellWays } from './tell-ways';

type TellPart = (pinned: Pinned, reported: Reported, asking: Asking) => Promise<Told>;
const TELLERS: Readonly<Record<string, TellPart>> = {
  line: (_, reported, asking) => tellLine(reported, asking),
  points: (_, reported, asking) => tellPoints(reported, asking),
  reported: tellReported,
  working: (_, reported, asking) => tellWorking(reported, asking),
  note: (_, reported, asking) => Promise.resolve(tellNote(reported, asking)),
  resampling: tellResampled,
  sturdiness: tellWays,
  repeated: tellRepeated,
};
const withReported = z.object({ reported: z.number(), reportedN: z.number().nullable() });

/** A section of a pair's card by itself. */
export async function tellSection(section: string, pinned: Pinned, reported: Reported, asking: Asking): Promise<Told> {
  const told = await (TELLERS[section] ?? tellResampled)(pinned, reported, asking);
  // A note computes nothing.
  const { methods } = told;
  return section === 'note' ? told : { ...told, methods: [pairMethods(asking, reported.settings, reported.method), ...methods] };
}

function pairRows({ x, y, settings, among }: Reported) {
  return { x: x.id, y: y.id, rows: { completeFor: completeForOf(settings, among).sort(), group: null } };
}

async function tellLine(reported: Reported, asking: Asking): Promise<Told> {
  const { settings } = reported;
  const [x, y] = [displayName(reported.x), displayName(reported.y)];
  const data = await asking.ask({ kind: 'line', ...pairRows(reported), level: settings.level });
  const said = lineInWords(data, x, y, settings.levels);
  const heading = `Line of ${y} on ${x}`;
  if (!said)
    return { ...NOTHING_TOLD, heading, paragraphs: [paragraph(sentence('none', `No line: too few rows, or ${x} does not vary.`))] };
  return {
    ...NOTHING_TOLD,
    heading,
    paragraphs: [
      paragraph(
        sentence('equation', `${said.equation}; n = ${data.n}.`),
        sentence('fit', said.fit),
        said.outside ? sentence('outside', said.outside) : null,
      ),
    ],
    tables: [journalTable(lineTable(data, x, y, settings))],
    tests: 1,
  };
}

async function tellPoints(reported: Reported, asking: Asking): Promise<Told> {
  const { method, settings } = reported;
  const { alternative, levels } = settings;
  const data = await asking.ask({ kind: 'influence', ...pairRows(reported), method, alternative, alpha: levels[0] ?? 0.05 });
  const { symbol } = COEFFICIENTS[method];
  const heading = `Rows that matter for ${symbol} of ${displayName(reported.x)} and ${displayName(reported.y)}`;
  const carrying = data.points.find(({ row }) => row === data.carrying);
  const alike = { x: asMeasuredAlike(data.points.map(({ x }) => x)), y: asMeasuredAlike(data.points.map(({ y }) => y)) };
  const whole = `With all ${data.n} rows ${symbol} = ${fineCoefficientText(data.coefficient ?? Number.NaN)}.`;
  return {
    ...NOTHING_TOLD,
    heading,
    paragraphs: [
      paragraph(
        sentence('whole', whole),
        carrying
          ? sentence(
              'carrying',
              `It is carried by ${rowInWords(carrying.row, carrying.name)}: without it ${symbol} = ${coefficientText(carrying.without ?? Number.NaN)}.`,
            )
          : sentence('carrying', 'No single row carries it.'),
      ),
    ],
    tables: [
      journalTable({
        caption: 'Rows that change the coefficient most',
        columns: [
          { name: 'row', shown: ({ row, name }) => rowInWords(row, name), exact: ({ row }) => row },
          { name: displayName(reported.x), shown: ({ x }) => alike.x(x), exact: ({ x }) => x },
          { name: displayName(reported.y), shown: ({ y }) => alike.y(y), exact: ({ y }) => y },
          {
            name: `${symbol} without`,
            shown: ({ without }) => fineCoefficientText(without ?? Number.NaN),
            exact: ({ without }) => without,
          },
        ],
        rows: data.points,
      }),
    ],
  };
}

const withIdentifier = z.object({ identifier: z.string() });

async function tellRepeated(pinned: Pinned, { x, y, settings }: Reported, asking: Asking): Promise<Told> {
  const { identifier } = withIdentifier.parse(pinned.settings);
  const data = await asking.ask(repeatedRowsRequestSchema.parse(pinned.request));
  return {
    ...NOTHING_TOLD,
    heading: `${displayName(x)} and ${displayName(y)}: rows of the same ${identifier}`,
    paragraphs: [paragraph(...repeatedInWords(data, identifier, settings).map((text, i) => sentence(`repeated-${i}`, text)))],
    tables: [journalTable(repeatedTable(data, identifier, settings.levels))],
    sources: RULE_SOURCES['rows of the same case'],
    tests: 2,
  };
}

async function tellReported(pinned: Pinned, reported: Reported, asking: Asking): Promise<Told> {
  const { method, settings } = reported;
  const against = withReported.parse(pinned.settings);
  const { tests, n } = await askedPair(asking, reported);
  const coefficient = tests[method].coefficient ?? Number.NaN;
  return {
    ...NOTHING_TOLD,
    heading: `${displayName(reported.x)} and ${displayName(reported.y)} against a reported value`,
    paragraphs: [paragraph(sentence('against', againstReported({ method, settings, coefficient, n, ...against })))],
    sources: RULE_SOURCES['comparing independent groups'],
    tests: 1,
  };
}

async function tellResampled({ request }: Pinned, { x, y }: Reported, asking: Asking): Promise<Told> {
  if (request?.kind !== 'resample') throw new Error('What was drawn is not said.');
  const data = await asking.ask(request);
  const isBootstrap = request.what === 'bootstrap';
  return {
    ...NOTHING_TOLD,
    heading: `${isBootstrap ? 'Bootstrap interval' : 'Permutation test'} of ${displayName(x)} and ${displayName(y)}`,
    paragraphs: [paragraph(sentence('drawn', resampledInWords(data, request)))],
    sources: isBootstrap ? ['efron-1979', 'efron-1987'] : RULE_SOURCES['permutation tests'],
    tests: isBootstrap ? 0 : 1,
  };
}

/** The steps that lead to p and interval, a line each, with every digit. */
async function tellWorking(reported: Reported, asking: Asking): Promise<Told> {
  const { x, y, method, settings } = reported;
  const facts = workingFacts({ x, y }, method, settings, await askedPair(asking, reported));
  // The first line names the pair, which the heading does.
  const [, ...lines] = workingAsText(facts).split('\n');
  return {
    ...NOTHING_TOLD,
    heading: `Working of ${COEFFICIENTS[method].symbol} of ${displayName(x)} and ${displayName(y)}`,
    paragraphs: lines.map((line) => ({ ...paragraph(sentence(line.split(' = ')[0] ?? line, line)), item: true })),
    sources: sourcesOfInterval(facts.test),
    tests: 1,
  };
}

/** What was noted about the pair, as it was written. */
function tellNote({ x, y }: Reported, { study }: Asking): Told {
  const note = study.state.pairNotes[pairKey(x.id, y.id)] ?? '';
  return {
    ...NOTHING_TOLD,
    heading: `Note about ${displayName(x)} and ${displayName(y)}`,
    paragraphs: (note === '' ? ['No note about it is kept any more.'] : note.split(/\n+/)).map((line, i) =>
      paragraph(fixedSentence(`line-${i}`, line)),
    ),
  };
}
