import type { AnalysisInput, Pinned, ReportBlock, ReportSettings, Study } from '@ivlen/contract';
import { type QueryClient, queryOptions } from '@tanstack/react-query';
import { ZodError } from 'zod';
import { studyAtQuery, trailQuery } from '../api/queries';
import { decimalsInUse } from '../numbers/number-text';
import { askingOf } from './asking';
import { namesWithPoints, toldWithLeadingZero } from './leading-zero';
import { GoneError } from './named-variables';
import type { TellingStages } from './telling-stages';
import type { Told } from './told';

/** So many earlier states are looked through for a variable that is gone. */
const MOST_LOOKED_AT = 40;

/** What a pin says, and of which state of the study. */
export interface ToldPin {
  readonly told: Told;
  /** The revision it was told at. */
  readonly at: number;
  /** Whether a variable of it is no longer in the study, so that it stands as it last was. */
  readonly gone: boolean;
  /** Whether the decision at which it is held was taken back since. */
  readonly undone: boolean;
  /** Every analysis that it rests on, once. */
  readonly requests: readonly AnalysisInput[];
}

/** A pin with the parts of it that are shown. */
export interface ShownPin {
  readonly pin: Pinned;
  readonly shows: ReportBlock['shows'];
}

/** What a pin says with the study as it stands and the report as it is set. */
export function toldQuery(client: QueryClient, stages: TellingStages, study: Study, { pin, shows }: ShownPin, settings: ReportSettings) {
  return queryOptions({
    queryKey: ['told', study.id, study.head, pin, shows, settings, decimalsInUse()],
    queryFn: () => tellPin(client, stages, study, { pin, shows }, settings),
  });
}

/** Tells a pin of the study as it stands, or as it was at the decision where it is held or last could be told. */
async function tellPin(
  client: QueryClient,
  stages: TellingStages,
  study: Study,
  { pin: pinned, shows }: ShownPin,
  report: ReportSettings,
): Promise<ToldPin> {
  const load = stages[pinned.stage];
  if (!load) throw new Error(`This was pinned in a part of the program that is not here: ${pinned.stage}.`);
  const tell = await load();
  const tellAt = async (state: Study) => {
    const requests = new Map<string, AnalysisInput>();
    const asked = (request: AnalysisInput) => requests.set(JSON.stringify(request), request);
    const told = await readably(() => tell(pinned, askingOf(client, state, report, { parts: shows, asked })));
    return {
      told: report.leadingZero ? toldWithLeadingZero(told, namesWithPoints(state)) : told,
      at: state.head,
      requests: [...requests.values()],
    };
  };
  if (pinned.revision !== null) {
    const [state, trail] = await Promise.all([
      client.fetchQuery(studyAtQuery(study.id, pinned.revision)),
      client.fetchQuery(trailQuery(study.id, study.head)),
    ]);
    const undone = pinned.revision !== study.head && !trail.decisions.some(({ number, earlier }) => number === pinned.revision && !earlier);
    return { ...(await tellAt(state)), gone: false, undone };
  }
  try {
    return { ...(await tellAt(study)), gone: false, undone: false };
  } catch (error) {
    if (!(error instanceof GoneError)) throw error;
    const before = await lastWith(client, study, error.ids);
    if (!before) throw error;
    return { ...(await tellAt(before)), gone: true, undone: false };
  }
}

/** Settings that another version wrote and this one cannot read are said in words. */
async function readably(tell: () => Promise<Told>): Promise<Told> {
  try {
    return await tell();
  } catch (error) {
    if (!(error instanceof ZodError)) throw error;
    throw new Error('This was pinned by another version of Ivlen, and its settings cannot be read here. Pin it again, and remove this.');
  }
}

/** The newest state before this one that has all of these variables, questions or hypotheses. */
async function lastWith(client: QueryClient, study: Study, ids: readonly string[]): Promise<Study | null> {
  const { decisions } = await client.fetchQuery(trailQuery(study.id, study.head));
  const numbers = decisions.filter(({ earlier, number }) => !earlier && number < study.head).map(({ number }) => number);
  for (const number of numbers.slice(0, MOST_LOOKED_AT)) {
    const state = await client.fetchQuery(studyAtQuery(study.id, number));
    const known = new Set([
      ...state.state.variables.map(({ id }) => id),
      ...state.state.questions.flatMap(({ id, hypotheses }) => [id, ...hypotheses.map((hypothesis) => hypothesis.id)]),
    ]);
    if (ids.every((id) => known.has(id))) return state;
  }
  return null;
}
