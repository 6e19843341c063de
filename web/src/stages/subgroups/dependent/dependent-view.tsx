import { type CorrelationSettings, canBeCorrelated, type Study, type Variable } from '@ivlen/contract';
import { useSearchParams } from 'react-router';
import { commonMethod } from '../../../coefficients/requests';
import { CopyButton } from '../../../controls/copy-button';
import { readIds, written } from '../../../dependent/address';
import { DependentAnswer } from '../../../dependent/dependent-answer';
import { dependentRequest } from '../../../dependent/request';
import { namesOf, sharedVariable, type TwoVariables } from '../../../dependent/words';
import { PinButton } from '../../../pins/pin-button';
import { VariableChoice } from '../../../study/variable-choice';
import { displayName } from '../../../study/variable-name';

/** Where the address says that the second coefficient is turned. */
const TURNED = 'turned';

interface DependentViewProps {
  readonly study: Study;
  /** The working set. */
  readonly variables: readonly Variable[];
  readonly settings: CorrelationSettings;
}

/** Are these two tied more closely than those two? Two coefficients of the same rows, whichever variables they share. */
export function DependentView({ study, variables, settings }: DependentViewProps) {
  const all = study.state.variables.filter(canBeCorrelated);
  const [params, setParams] = useSearchParams();
  const { first, second } = chosenPairs(params, variables.length >= 3 ? variables : all, all);
  const turned = params.get(TURNED) !== null;
  if (!first || !second)
    return <p className="py-6 font-serif text-[17px]">Three variables that can be correlated are needed to compare two coefficients.</p>;
  const change = (write: (address: URLSearchParams) => void) =>
    setParams(
      (current) => {
        write(current);
        return current;
      },
      { replace: true },
    );
  const choose = (next: { first: TwoVariables; second: TwoVariables }) =>
    change((address) => {
      address.set('first', written(next.first));
      address.set('second', written(next.second));
      address.delete(TURNED);
    });
  const turn = (on: boolean) => change((address) => (on ? address.set(TURNED, '') : address.delete(TURNED)));
  const method = commonMethod(settings);
  const question = { first, second, turned, method, level: settings.level, levels: settings.levels };
  const problem = whyNot(first, second);
  const shared = problem === null ? sharedVariable(question) : null;
  return (
    <div className="max-w-3xl" data-testid="dependent-view">
      <p className="font-serif text-[18px] leading-loose">
        Are{' '}
        <VariableChoice
          label="First variable of the first pair"
          value={first.a}
          options={all}
          onChoose={(a) => choose({ first: { ...first, a }, second })}
        />
        {' and '}
        <VariableChoice
          label="Second variable of the first pair"
          value={first.b}
          options={all}
          onChoose={(b) => choose({ first: { ...first, b }, second })}
        />
        {' tied more closely than '}
        <VariableChoice
          label="First variable of the second pair"
          value={second.a}
          options={all}
          onChoose={(a) => choose({ first, second: { ...second, a } })}
        />
        {' and '}
        <VariableChoice
          label="Second variable of the second pair"
          value={second.b}
          options={all}
          onChoose={(b) => choose({ first, second: { ...second, b } })}
        />
        ?
      </p>
      <p className="mt-1 text-[13px] text-muted">
        {problem === null &&
          (shared
            ? `The pairs share ${displayName(shared)}: Williams’ test, that of Meng, Rosenthal and Rubin, and Zou’s interval.`
            : 'The pairs share no variable, as with the same two measured before and after: Dunn and Clark’s test, Steiger’s, and Zou’s interval.')}
      </p>
      {problem ? (
        <p role="alert" className="mt-3 text-caution">
          {problem}
        </p>
      ) : (
        <DependentAnswer study={study} question={question} onTurn={turn}>
          {(words) => (
            <p className="mt-3 flex gap-4">
              <CopyButton label="Copy sentence" text={words} />
              <PinButton
                study={study}
                pinned={{
                  stage: 'subgroups',
                  thing: 'table',
                  title: `${namesOf(first)} against ${namesOf(second)}`,
                  request: dependentRequest(question),
                  settings: { ...settings, view: 'dependent' },
                }}
              />
            </p>
          )}
        </DependentAnswer>
      )}
      <p className="mt-6 border-t border-rule pt-2 text-[13px] text-muted">
        Both coefficients come from the same rows, so that comparing their p-values, or their intervals by eye, would be wrong. In the
        matrix, a second cell chosen with Ctrl leads here from the card.
      </p>
    </div>
  );
}

/** The pairs of the address; without any, an outcome with the first two others of the working set. */
export function chosenPairs(
  params: URLSearchParams,
  usual: readonly Variable[],
  all: readonly Variable[],
): { first: TwoVariables | null; second: TwoVariables | null } {
  const named = (text: string | null): TwoVariables | null => {
    const ids = readIds(text);
    const [a, b] = (ids ?? []).map((id) => all.find((variable) => variable.id === id));
    return a && b ? { a, b } : null;
  };
  const a = usual.find(({ role }) => role === 'outcome') ?? usual.at(-1);
  const [b, c] = usual.filter((variable) => variable !== a);
  const usualFirst = a && b ? { a, b } : null;
  const usualSecond = a && c ? { a, b: c } : null;
  return { first: named(params.get('first')) ?? usualFirst, second: named(params.get('second')) ?? usualSecond };
}

/** Why two pairs cannot be compared; null where they can. */
export function whyNot(first: TwoVariables, second: TwoVariables): string | null {
  if (first.a.id === first.b.id || second.a.id === second.b.id)
    return 'A variable with itself has no coefficient to compare. Choose another.';
  const same = [first.a.id, first.b.id].every((id) => id === second.a.id || id === second.b.id);
  return same ? 'Both are the same pair. Choose another variable in one of them.' : null;
}
