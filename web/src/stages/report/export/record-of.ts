import type { AnalysisInput, Study } from '@ivlen/contract';
import type { WrittenReport } from '../written-report';

/** Everything that a report rests on: the analyses behind each block, with the decision at which they were computed. */
export function recordOf({ blocks }: Pick<WrittenReport, 'blocks'>, { head }: Pick<Study, 'head'>) {
  const data = { title: 'Missing values', revision: head, methods: [], requests: [{ kind: 'missing' }] as AnalysisInput[] };
  const items = blocks.flatMap(({ heading, tables, figures, state }) => {
    const pin = state?.pin;
    if (!pin || pin.requests.length === 0) return [];
    const title = heading || tables[0]?.caption || figures[0]?.caption || pin.told.heading;
    return [{ title: title.slice(0, 400), revision: pin.at, methods: pin.told.methods.slice(0, 20), requests: [...pin.requests] }];
  });
  return { items: [data, ...items] };
}
