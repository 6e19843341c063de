import type { Variable } from '@ivlen/contract';
import { useMemo, useRef } from 'react';
import { Link } from 'react-router';
import { FailureNotice } from '../controls/failure-notice';
import { Skeleton } from '../controls/skeleton';
import { useElementWidth } from '../controls/use-element-width';
import { PairAcrossGroups } from '../groups/pair-across-groups';
import { useComparedPairs } from '../groups/use-compared-pairs';
import { groupsInWords, rowsWithoutInWords } from '../groups/words';
import { type Grouping, useGrouping, useTakingPart } from '../settings/use-grouping';
import { useStudyPath } from '../study/read-only';
import { displayName } from '../study/variable-name';
import type { PairContext } from './pair-request';

/** Before the card is laid out. */
const NARROW = 312;

/** The pair inside each group of the grouping variable: the numbers and words of the Subgroups stage. */
export function ByGroupSection(context: PairContext) {
  const { study, settings, pair, completeFor } = context;
  const grouping = useGrouping(study);
  const taking = useTakingPart(study, grouping);
  const by = grouping?.by ?? null;
  const usable = by !== null && by.id !== pair.x.id && by.id !== pair.y.id;
  // In the order of the codebook, as the stage has them, whichever is on which axis.
  const variables = useMemo(() => study.state.variables.filter(({ id }) => id === pair.x.id || id === pair.y.id), [study, pair]);
  // Rows of the card are its own: listwise deletion is that of the stage.
  const { compared, error } = useComparedPairs(study, variables, settings, taking, { enabled: usable, completeFor });
  const holder = useRef<HTMLDivElement>(null);
  const width = useElementWidth(holder);
  const path = useStudyPath();
  if (grouping && !usable) {
    return (
      <>
        <p>{whyNoGroups(by, grouping)}</p>
        {grouping.candidates.length > 0 && <GroupChoice grouping={grouping} />}
      </>
    );
  }
  if (taking === null) return <p>{by && displayName(by)} has too many groups to be listed.</p>;
  const found = compared?.pairs[0];
  return (
    <div ref={holder}>
      {grouping && <GroupChoice grouping={grouping} />}
      {taking && (
        <p className="mb-2 text-[13px] text-muted">
          {groupsInWords(taking)}; which take part is chosen{' '}
          <Link to={`${path}/subgroups`} className="text-accent underline">
            in Subgroups
          </Link>
          . {compared && rowsWithoutInWords(compared, taking)}
        </p>
      )}
      {error && <FailureNotice error={error} />}
      {!error && (!found || !taking || !compared) && <Skeleton label="Computing the groups" className="h-32" />}
      {found && taking && compared && (
        <PairAcrossGroups
          study={study}
          pair={found}
          groups={compared.groups}
          taking={compared.taking}
          settings={settings}
          completeFor={completeFor}
          width={width || NARROW}
        />
      )}
    </div>
  );
}

function whyNoGroups(by: Variable | null, { candidates }: Grouping): string {
  if (by) return `${displayName(by)} is of the pair itself. Choose another variable.`;
  if (candidates.length === 0) return 'No variable makes groups: none is nominal, ordinal or two-valued.';
  return 'No grouping variable is chosen.';
}

function GroupChoice({ grouping: { by, candidates, choose } }: { grouping: Grouping }) {
  return (
    <label className="mb-1 inline-flex items-center gap-1 text-[13px] text-muted">
      Groups of
      <select
        className="rounded border border-transparent bg-transparent py-0.5 text-accent hover:border-edge"
        value={by?.id ?? ''}
        onChange={(event) => choose(event.target.value)}
      >
        {!by && <option value="">choose a variable</option>}
        {candidates.map((variable) => (
          <option key={variable.id} value={variable.id} className="bg-surface text-ink">
            {displayName(variable)}
          </option>
        ))}
      </select>
    </label>
  );
}
