import { type CautionsResult, type CorrelationSettings, methodForPair, ownMethods, type Study, type Variable } from '@ivlen/contract';
import type { Method } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { analysisQuery } from '../api/queries';
import { type CautionsRequest, NO_CAUTIONS_REQUEST } from './cautions-request';
import { commonMethod, completeForOf } from './requests';
import { useCautionsRequest } from './use-cautions';

/** A pair, the method that it is looked at by, and what its rows hang on. */
export interface CautionedPair {
  readonly study: Study;
  readonly x: Variable;
  readonly y: Variable;
  readonly method: Method;
  readonly settings: CorrelationSettings;
  /** All variables that are correlated. */
  readonly among: readonly Variable[];
}

export interface PairCautions {
  /** Whether they are looked for at all: where something is held constant none are. */
  readonly sought: boolean;
  /** undefined while they come, and where they are not looked for. */
  readonly found: CautionsResult | undefined;
  /** Whether nothing more is to come: also where they could not be had. */
  readonly settled: boolean;
}

/** The cautions and checks of a pair. */
export function usePairCautions({ study, x, y, method, settings, among }: CautionedPair): PairCautions {
  const both = useMemo(() => [x, y], [x, y]);
  const request = useCautionsRequest(study, both, settings);
  const sought = settings.control.length === 0;
  const { data, error } = useQuery({
    ...analysisQuery(study.id, study.head, request ? ofPair(request, { study, x, y, method, settings, among }) : NO_CAUTIONS_REQUEST),
    enabled: request !== undefined && sought && among.length > 0,
  });
  return { sought, found: sought ? data : undefined, settled: request !== undefined && (!sought || data !== undefined || error !== null) };
}

/** Of the rows that the coefficient rests on, and by its method, which a hypothesis may have for itself. */
export function ofPair(request: CautionsRequest, { study, x, y, method, settings, among }: CautionedPair): CautionsRequest {
  const usual = methodForPair(commonMethod(settings), ownMethods(study.state), x.id, y.id);
  return {
    ...request,
    ...(method === usual ? {} : { method, byVariable: {} }),
    rows: { completeFor: completeForOf(settings, among), group: null },
    withChecks: true,
  };
}
