import type { RequestOf, Study, UnseenResult, Variable } from '@ivlen/contract';
import { useState } from 'react';
import { useLongAnalysis } from '../../../api/use-long-analysis';
import { rowsOf } from '../../../coefficients/requests';
import { FailureNotice } from '../../../controls/failure-notice';
import { ProgressLine } from '../../../controls/progress-line';
import { StoppedNotice } from '../../../controls/stopped-notice';
import { coefficientText, pText } from '../../../numbers/number-text';
import type { ArrangementProps } from '../../../pair-card/arrangement';
import { SHUFFLES } from '../../../pair-card/dependence-section';
import { unseenInWords } from '../../../pair-card/dependence-words';
import { displayName } from '../../../study/variable-name';
import type { ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';

/** More variables have more pairs than anybody waits for. */
const MOST = 60;

type UnseenLine = UnseenResult['pairs'][number];

/** A search, on request, for pairs that no straight or monotone coefficient sees. */
export function UnseenSearch({
  study,
  variables,
  settings,
  selection,
}: Pick<ArrangementProps, 'study' | 'variables' | 'settings' | 'selection'>) {
  const [wanted, setWanted] = useState<string | null>(null);
  if (variables.length < 2 || variables.length > MOST) return null;
  const request = {
    kind: 'unseen' as const,
    variables: variables.map(({ id }) => id).toSorted(),
    alpha: settings.levels[0] ?? 0.05,
    ...SHUFFLES,
    rows: rowsOf(settings, variables),
  };
  const key = JSON.stringify([study.head, request]);
  return (
    <section aria-label="What r and ρ do not see" className="mt-6 max-w-3xl border-t border-rule pt-3">
      {wanted === key ? (
        <Found study={study} request={request} onOpen={(x, y) => selection.open(x, y)} />
      ) : (
        <p className="text-[13px]">
          <button type="button" className="button-quiet" onClick={() => setWanted(key)}>
            Search for pairs that no straight or monotone coefficient sees
          </button>{' '}
          <span className="text-muted">by distance correlation and ξ, which ask whether anything is there, of whatever form</span>
        </p>
      )}
    </section>
  );
}

interface FoundProps {
  readonly study: Study;
  readonly request: RequestOf<'unseen'>;
  readonly onOpen: (x: Variable, y: Variable) => void;
}

function Found({ study, request, onOpen }: FoundProps) {
  const { data, error, progress, stopped, stop, resume } = useLongAnalysis(study, request);
  if (error) return <FailureNotice error={error} />;
  if (stopped) return <StoppedNotice words="The search was stopped." again="Search" onResume={resume} />;
  if (!data) return <ProgressLine label="Looking at all pairs" progress={progress} onStop={stop} />;
  const variableOf = (id: string) => study.state.variables.find((variable) => variable.id === id);
  const nameOf = (id: string) => displayName(variableOf(id) ?? { name: id });
  const number = (name: string, of: (line: UnseenLine) => number | null) => ({
    name,
    shown: (line: UnseenLine) => coefficientText(of(line) ?? Number.NaN),
    exact: of,
  });
  const table: ValueTable<UnseenLine> = {
    caption: 'Pairs that no straight or monotone coefficient sees',
    columns: [
      {
        name: 'pair',
        shown: ({ x, y }) => `${nameOf(x)} × ${nameOf(y)}`,
        onScreen: ({ x, y }) => {
          const [first, second] = [variableOf(x), variableOf(y)];
          return (
            <button type="button" className="text-left text-accent underline" onClick={() => first && second && onOpen(first, second)}>
              {nameOf(x)} × {nameOf(y)}
            </button>
          );
        },
      },
      number('r', ({ r }) => r),
      number('ρ', ({ rho }) => rho),
      number('distance correlation', ({ distance }) => distance),
      number('ξ', ({ xi }) => xi),
      { name: 'p, any dependence', shown: ({ anyP }) => pText(anyP ?? Number.NaN), exact: ({ anyP }) => anyP },
      { name: 'n', shown: ({ n }) => String(n), exact: ({ n }) => n },
    ],
    rows: data.pairs,
  };
  return (
    <>
      <p className="mb-2" data-testid="unseen">
        {unseenInWords(data, request.alpha)}
      </p>
      {data.pairs.length > 0 && <ValueTableView table={table} className="text-[13px]" />}
    </>
  );
}
