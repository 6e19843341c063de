import type { Pinned } from '@ivlen/contract';
import { z } from 'zod';
import { trailQuery } from '../../../api/queries';
import { displayName } from '../../../study/variable-name';
import type { Asking } from '../../../telling/asking';
import { journalTable } from '../../../telling/journal-table';
import { namedVariables } from '../../../telling/named-variables';
import { fixedSentence, NOTHING_TOLD, paragraph, sentence, type Tell, type Told } from '../../../telling/told';
import { effectTable, type ValueSuspicion } from '../review/effect-table';
import { oddityInWords, shownValue } from '../review/suspicion-words';

const withValue = z.object({ variable: z.string(), row: z.number(), value: z.number() });

/** What is pinned in the Data stage: a suspicious value, with what it does, and what was decided about it since. */
export const tell: Tell = async (pinned, asking) => tellSuspicious(pinned, asking);

async function tellSuspicious({ settings }: Pinned, asking: Asking): Promise<Told> {
  const { study, client } = asking;
  const { variable: id, row, value } = withValue.parse(settings);
  const [variable] = namedVariables(study, [id]);
  if (!variable) return NOTHING_TOLD;
  const { suspicions } = await asking.ask({ kind: 'suspicious' });
  const found = suspicions.find(
    (item): item is ValueSuspicion => item.type === 'value' && item.variable === id && item.row === row && item.value === value,
  );
  const name = displayName(variable);
  const heading = `${name} ${shownValue(value, variable)} in row ${row}`;
  const { decisions } = await client.fetchQuery(trailQuery(study.id, study.head));
  const decided = decisions
    .filter(({ number, summary }) => number > study.head && summary.includes(`row ${row}`) && summary.includes(variable.name))
    .toReversed()
    .map(({ number, summary, reason }) =>
      fixedSentence(`decision-${number}`, `Decided: ${summary}${reason ? ` (${reason.replace(/\.$/, '')})` : ''}.`),
    );
  return {
    ...NOTHING_TOLD,
    heading,
    paragraphs: [
      paragraph(
        found ? sentence('oddity', `${heading} ${oddityInWords(found, variable)}`) : sentence('oddity', `${heading} stands out no more.`),
        ...decided,
      ),
    ],
    tables: found ? [journalTable(effectTable(study, variable, found.effect, `${name} with and without row ${row}`))] : [],
  };
}
