import type { AnalysisInput, GroupPermutationResult, Study } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { type FormEvent, useState } from 'react';
import { useLongAnalysis } from '../api/use-long-analysis';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { type Drawn, useSamplesAndSeed } from '../controls/samples-and-seed';
import { pRelationText } from '../numbers/number-text';

interface PermutationOfGroupsProps {
  readonly study: Study;
  readonly request: Pick<PermutationRequest, 'x' | 'y' | 'method' | 'rows' | 'groups'>;
  readonly levels: readonly number[];
}
type PermutationRequest = Extract<AnalysisInput, { kind: 'group-permutation' }>;

const USUAL = 9999;

/** Shuffles rows among the groups, on request; the seed makes it repeatable. */
export function PermutationOfGroups({ study, request: { x, y, method, rows, groups }, levels }: PermutationOfGroupsProps) {
  const { fields, problem, read } = useSamplesAndSeed('permutations', USUAL);
  const [asked, setAsked] = useState<Drawn | null>(null);
  const start = (event: FormEvent) => {
    event.preventDefault();
    const drawn = read(USUAL);
    if (drawn) setAsked(drawn);
  };
  return (
    <div data-testid="group-permutation" className="text-[13px]">
      <p className="text-muted">
        Both variables are standardized inside each group, then rows are shuffled among the groups: whether the groups’ standardized joint
        distributions are equal, without a formula for the variance.
      </p>
      <form onSubmit={start} className="mt-1.5 flex flex-wrap items-end gap-2">
        {fields}
        <button type="submit" className="button">
          Permute
        </button>
      </form>
      {problem}
      {asked && (
        <Permuted
          key={JSON.stringify(asked)}
          study={study}
          request={{ kind: 'group-permutation', x, y, method, rows, groups, ...asked }}
          levels={levels}
          onStop={() => setAsked(null)}
        />
      )}
    </div>
  );
}

function Permuted({
  study,
  request,
  levels,
  onStop,
}: {
  study: Study;
  request: PermutationRequest;
  levels: readonly number[];
  onStop: () => void;
}) {
  const { data, error, progress, stop } = useLongAnalysis(study, request);
  if (error) return <FailureNotice error={error} />;
  if (data) return <p className="mt-2">{permutedInWords(data, levels)}</p>;
  return (
    <div className="mt-2">
      <ProgressLine
        label="Permuting"
        progress={progress}
        onStop={() => {
          stop();
          onStop();
        }}
      />
    </div>
  );
}

export function permutedInWords(
  { pValue, asExtreme, times, seed, q, untested }: GroupPermutationResult,
  levels: readonly number[],
): string {
  const left =
    untested === 0
      ? ''
      : ` ${untested} ${untested === 1 ? 'group takes' : 'groups take'} no part: fewer than five rows, constant, or exactly linear.`;
  if (pValue === null || q === null) return `No permutation test: fewer than two groups can take part.${left}`;
  return `Permutation test that the groups do not differ: ${pRelationText(pValue, levels)}; ${asExtreme.toLocaleString('en-GB')} of ${times.toLocaleString('en-GB')} permutations (seed ${seed}) were at least as extreme as Q = ${formatFixed(q, 2)}, with weights by n alone.${left}`;
}
