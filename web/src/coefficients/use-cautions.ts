import {
  type CautionsResult,
  type CorrelationSettings,
  type PairCaution,
  pairKey,
  type Remedies,
  remedyOfPair,
  rowsInUse,
  type Study,
  shapeSettingsSchema,
  type Variable,
} from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../api/queries';
import { isSettled } from '../remedies/advised-remedy';
import { useGrouping, useTakingPart } from '../settings/use-grouping';
import { useSettings } from '../settings/use-settings';
import { type CautionsRequest, cautionsRequest, NO_CAUTIONS_REQUEST } from './cautions-request';

const SHAPE_DEFAULTS = shapeSettingsSchema.parse({});
/** With more values than this among all pairs, looking for cautions takes longer than anybody waits for unasked. */
const MOST_VALUES = 4_000_000;

interface FoundCautions {
  /** By pair; undefined while they are not known. */
  readonly cautions: ReadonlyMap<string, readonly PairCaution[]> | undefined;
  /** The variable that names the cases; undefined where none is known. */
  readonly identifier: Variable | undefined;
  /** Why they are looked for in the card only; null where they are looked for. */
  readonly notSought: 'too-many-values' | 'held-constant' | null;
}

/**
 * Cautions of all pairs, where looking for them is quick.
 * @param unsettled whether those are left out whose advice was decided on
 */
export function useCautions(
  study: Study,
  variables: readonly Variable[],
  settings: CorrelationSettings,
  enabled: boolean,
  unsettled = true,
): FoundCautions {
  const request = useCautionsRequest(study, variables, settings);
  const pairs = (variables.length * (variables.length - 1)) / 2;
  const many = pairs * rowsInUse(study) > MOST_VALUES;
  const notSought = settings.control.length > 0 ? 'held-constant' : many ? 'too-many-values' : null;
  const wanted = enabled && request !== undefined && notSought === null;
  const { data } = useQuery({ ...analysisQuery(study.id, study.head, request ?? NO_CAUTIONS_REQUEST), enabled: wanted });
  const { remedies } = study.state;
  const groupBy = request?.groupBy ?? null;
  const cautions = useMemo(
    () => (wanted && data ? byPair(data, groupBy, unsettled ? remedies : null) : undefined),
    [data, wanted, groupBy, unsettled, remedies],
  );
  const identifier = study.state.variables.find(({ id }) => id === data?.identifier);
  return { cautions, identifier, notSought };
}

function byPair({ pairs, identifier }: CautionsResult, groupBy: string | null, remedies: Remedies | null) {
  return new Map(
    pairs.map(({ a, b, cautions }) => {
      const taken = remedies && remedyOfPair(remedies, a, b);
      return [pairKey(a, b), cautions.filter((caution) => !isSettled(caution, taken, { identifier, groupBy }))] as const;
    }),
  );
}

/** undefined while the settings of other stages load. */
export function useCautionsRequest(
  study: Study,
  variables: readonly Variable[],
  settings: CorrelationSettings,
): CautionsRequest | undefined {
  const { settings: shape } = useSettings(study.id, 'shape', SHAPE_DEFAULTS);
  const taking = useTakingPart(study, useGrouping(study));
  return useMemo(
    () => (!shape || taking === undefined ? undefined : cautionsRequest(study, variables, settings, shape.rule, taking)),
    [study, variables, settings, shape, taking],
  );
}
