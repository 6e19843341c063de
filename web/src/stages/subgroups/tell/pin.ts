import { type CorrelationSettings, correlationSettingsSchema, type Pinned, subgroupSettingsSchema, type Variable } from '@ivlen/contract';
import { type ReferenceKey, RULE_SOURCES } from '@ivlen/core';
import { z } from 'zod';
import { sentenceOf } from '../../../methods-line/methods-parts';
import type { TakingPart } from '../../../settings/use-grouping';
import { rowsInWords } from '../../../study/rows-in-use';
import { displayName } from '../../../study/variable-name';
import type { Asking } from '../../../telling/asking';
import { groupingOf, takingPartOf } from '../../../telling/grouping-of';
import { GoneError, namedVariables } from '../../../telling/named-variables';
import { sourcesOfSettings } from '../../../telling/sources-of';
import { sentence as methodsSentence } from '../sentence';
import { VIEWS, type View } from '../views';

const withGroups = z.object({
  view: z.string().default('pairs'),
  variables: z.array(z.string()).default([]),
  groups: z
    .object({ by: z.string(), only: z.array(z.number()).nullable().default(null), withoutOne: z.boolean().default(false) })
    .nullable()
    .default(null),
});
/** What was pinned of the Subgroups stage: which groups of what, and how their coefficients are computed. */
export interface SubgroupPin {
  readonly settings: CorrelationSettings;
  readonly layout: z.infer<typeof subgroupSettingsSchema>;
  readonly variables: readonly Variable[];
  readonly taking: TakingPart;
  readonly view: View;
}

/** The part of the stage that something was pinned in. */
export function viewOf({ settings }: Pinned): string {
  return withGroups.parse(settings).view;
}

export async function pinOf({ settings: stored, request }: Pinned, asking: Asking): Promise<SubgroupPin> {
  const { view, variables, groups } = withGroups.parse(stored);
  const own = groups ?? (request && 'groups' in request ? withGroups.shape.groups.parse(request.groups) : null);
  const taking = own ? await takingPartOf(asking, own.by, own.only, own.withoutOne) : await groupingOf(asking);
  if (!taking) throw new GoneError(own ? [own.by] : []);
  const ids = variables.length > 0 ? variables : request && 'variables' in request ? request.variables : [];
  return {
    // Both have an order: what is pinned has the one of this stage, or of a pair none.
    settings: correlationSettingsSchema.parse({ ...stored, order: 'listed' }),
    layout: subgroupSettingsSchema.safeParse(stored).data ?? subgroupSettingsSchema.parse({ ...stored, order: undefined }),
    variables: namedVariables(asking.study, ids),
    taking,
    view: VIEWS.find(({ id }) => id === view)?.id ?? 'pairs',
  };
}

/** How coefficients were compared, as the methods line says it. */
export function methodsOf({ study }: Asking, { settings, variables, taking, view }: SubgroupPin): string {
  const facts = { variables, candidates: study.state.variables, rows: rowsInWords(study), taking, byName: displayName(taking.by), view };
  return sentenceOf(methodsSentence(study, settings, facts));
}

export function sourcesOfGroups({ methods, interval, adjust }: CorrelationSettings): ReferenceKey[] {
  return [
    ...sourcesOfSettings({ interval, adjust }, methods.slice(0, 1)),
    ...RULE_SOURCES['comparing independent groups'],
    ...RULE_SOURCES['coefficient within groups'],
  ];
}
