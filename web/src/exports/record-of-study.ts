import { MOST_RECORDED, type RecordRequestInput, reportSettingsSchema, type Study } from '@ivlen/contract';
import type { QueryClient } from '@tanstack/react-query';
import { settingsQuery } from '../api/queries';
import { reportQuery } from '../pins/report-query';
import { type ToldPin, toldQuery } from '../telling/tell-pin';
import type { TellingStages } from '../telling/telling-stages';

type Item = RecordRequestInput['items'][number];

/** What of a report goes into an archive's record, and what of it does not. */
interface RecordOfStudy {
  /** null where nothing is in the report. */
  readonly record: RecordRequestInput | null;
  /** Titles of what could not be told, or is beyond what a record holds. */
  readonly leftOut: readonly string[];
}

/** Everything that a study's report rests on: the analyses behind each block, with the decision at which they were computed. */
export async function recordOfStudy(client: QueryClient, stages: TellingStages, study: Study): Promise<RecordOfStudy> {
  const [{ blocks }, stored] = await Promise.all([
    client.fetchQuery(reportQuery(study.id)),
    client.fetchQuery(settingsQuery(study.id, 'report')),
  ]);
  if (blocks.length === 0) return { record: null, leftOut: [] };
  const settings = stored.settings ?? reportSettingsSchema.parse({});
  const pins = blocks.flatMap((block) => (block.content.kind === 'pin' ? [{ block, pin: block.content.pin }] : []));
  const told = await Promise.all(
    pins.map(async ({ block: { title, shows }, pin }) => {
      const found = await client.fetchQuery(toldQuery(client, stages, study, { pin, shows }, settings)).catch(() => null);
      return { found, title: (title || (found && nameOf(found)) || pin.title).slice(0, 400) };
    }),
  );
  const items: Item[] = [{ title: 'Missing values', revision: study.head, methods: [], requests: [{ kind: 'missing' }] }];
  const leftOut: string[] = [];
  let room = MOST_RECORDED - 1;
  for (const { found, title } of told) {
    const requests = found?.requests ?? [];
    if (found === null || requests.length > room) leftOut.push(title);
    else if (requests.length > 0)
      items.push({ title, revision: found.at, methods: found.told.methods.slice(0, 20), requests: [...requests] });
    room -= Math.min(room, requests.length);
  }
  return { record: { items }, leftOut };
}

function nameOf({ told }: ToldPin): string | undefined {
  return told.heading || told.tables[0]?.caption || told.figures[0]?.caption;
}
