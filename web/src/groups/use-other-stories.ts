import { correlationSettingsSchema, rowsInUse, type Study, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../api/queries';
import { correlatedVariables } from '../coefficients/requests';
import { useGrouping, useTakingPart } from '../settings/use-grouping';
import { useSettings } from '../settings/use-settings';
import { subgroupsRequest } from './requests';

const DEFAULTS = correlationSettingsSchema.parse({});
/** Looking through more values than this unasked would keep the server from what was asked. */
const MOST_VALUES = 1_000_000;

/** How many pairs tell another story inside the groups than over all rows; 0 where that was not looked for. */
export function useOtherStories(study: Study, ticked: readonly Variable[], enabled: boolean): number {
  const { settings } = useSettings(study.id, 'correlations', DEFAULTS);
  const taking = useTakingPart(study, useGrouping(study));
  const variables = useMemo(
    () => correlatedVariables(ticked, settings ?? DEFAULTS).filter(({ id }) => id !== taking?.by.id),
    [ticked, settings, taking],
  );
  const values = (rowsInUse(study) * variables.length * (variables.length - 1)) / 2;
  const wanted =
    enabled && settings !== undefined && taking != null && taking.groups.length > 1 && variables.length > 1 && values <= MOST_VALUES;
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, subgroupsRequest(study, variables, settings ?? DEFAULTS, taking ?? NOTHING)),
    enabled: wanted && settings.interval !== 'bootstrap',
  });
  return data?.pairs.filter(({ reversed, hidden }) => reversed || hidden).length ?? 0;
}

const NOTHING = { request: { by: '', only: null, withoutOne: false } };
