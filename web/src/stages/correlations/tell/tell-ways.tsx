import type { Pinned } from '@ivlen/contract';
import { RULE_SOURCES } from '@ivlen/core';
import { readPinnedWays, waysTitle } from '../../../sturdiness/pinned-ways';
import { WaysFigure } from '../../../sturdiness/ways-figure';
import { waysTable } from '../../../sturdiness/ways-table';
import { agreementInWords, sharesInWords } from '../../../sturdiness/ways-words';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import { journalTable } from '../../../telling/journal-table';
import { NOTHING_TOLD, paragraph, sentence, type Told } from '../../../telling/told';
import type { Reported } from './reported-pair';

/** How far the ways to a coefficient agree: in sentences, with their figure; as a table on choice. */
export async function tellWays(pinned: Pinned, { x, y, settings }: Reported, asking: Asking): Promise<Told> {
  const read = readPinnedWays(pinned.request, pinned.settings);
  if (!read) throw new Error('This pin of ways was made by another version. Pin them again.');
  const { request, choices } = read;
  const result = await asking.ask(request);
  const { alpha } = request;
  const agreement = agreementInWords(result, choices, alpha);
  const shares = sharesInWords(result, choices);
  const title = waysTitle(x, y);
  return {
    ...NOTHING_TOLD,
    heading: title,
    paragraphs: [paragraph(...agreement.map((text, i) => sentence(`agreement-${i}`, text)), shares ? sentence('shares', shares) : null)],
    tables: [journalTable(waysTable(result, choices, title, settings.levels))],
    figures: [
      drawnFigure(asking.client, {
        title,
        caption: `${title}, in order of size with intervals, and what each rests on; filled where p is at most the level.`,
        alternative: agreement.join(' '),
        element: (width) => (
          <WaysFigure result={result} choices={choices} width={width} alpha={alpha} selected={null} onSelect={() => {}} />
        ),
      }),
    ],
    usual: ['text', 'figures'],
    methods: [
      `All combinations of the choices that could be defended were computed (${result.looked.toLocaleString('en-GB')} of ${result.combinations.toLocaleString('en-GB')}); those that compute the same count once, and ways of several coefficients are compared on Fisher’s z.`,
    ],
    sources: RULE_SOURCES['defensible ways'],
    tests: result.summary.tested,
  };
}
