import type { Variable } from '@ivlen/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import { dependentAddress } from '../dependent/address';
import { DependentAnswer } from '../dependent/dependent-answer';
import { dependentRequest } from '../dependent/request';
import { namesOf } from '../dependent/words';
import { PinButton } from '../pins/pin-button';
import { useStudyPath } from '../study/read-only';
import { displayName } from '../study/variable-name';
import type { PairContext } from './pair-request';
import type { Pair } from './use-pair-selection';

interface CompareSectionProps {
  readonly context: PairContext;
  readonly variables: readonly Variable[];
  /** A second pair that was chosen in the matrix. */
  readonly second: Pair | null;
}

/** Is one variable tied more closely to this than to that? Two coefficients that share a variable. */
export function CompareSection({ context, variables, second }: CompareSectionProps) {
  const { study, pair, settings, method } = context;
  const path = useStudyPath();
  const [turned, setTurned] = useState(false);
  const shared = second && [pair.x, pair.y].find(({ id }) => id === second.x.id || id === second.y.id);
  const fromMatrix = second && shared ? { a: shared.id, c: (second.x.id === shared.id ? second.y : second.x).id } : null;
  const others = variables.filter(({ id }) => id !== pair.x.id && id !== pair.y.id);
  const [chosen, setChosen] = useState<{ a: string; c: string } | null>(null);
  const { a: aId, c: cId } = chosen ?? fromMatrix ?? { a: pair.x.id, c: others[0]?.id ?? '' };
  const a = aId === pair.y.id ? pair.y : pair.x;
  const b = a === pair.x ? pair.y : pair.x;
  const c = others.find(({ id }) => id === cId);
  if (second && !shared && !chosen)
    return <TwoPairs pair={pair} second={second} onOther={() => setChosen({ a: pair.x.id, c: others[0]?.id ?? '' })} />;
  if (others.length === 0) return <p>Tick a third variable to compare with.</p>;
  const select = 'rounded border border-transparent bg-transparent py-0.5 text-accent hover:border-edge';
  const { level, levels } = settings;
  return (
    <div data-testid="dependent-comparison">
      <p>
        Is{' '}
        <select
          aria-label="Shared variable"
          className={select}
          value={a.id}
          onChange={(event) => setChosen({ a: event.target.value, c: cId })}
        >
          {[pair.x, pair.y].map((variable) => (
            <option key={variable.id} value={variable.id} className="bg-surface text-ink">
              {displayName(variable)}
            </option>
          ))}
        </select>{' '}
        tied more closely to {displayName(b)} than to{' '}
        <select
          aria-label="Other variable"
          className={select}
          value={c?.id ?? ''}
          onChange={(event) => setChosen({ a: a.id, c: event.target.value })}
        >
          {others.map((variable) => (
            <option key={variable.id} value={variable.id} className="bg-surface text-ink">
              {displayName(variable)}
            </option>
          ))}
        </select>
        ?
      </p>
      {c && (
        <DependentAnswer
          study={study}
          question={{ first: { a, b }, second: { a, b: c }, turned, method, level, levels }}
          onTurn={setTurned}
        >
          {() => (
            <p className="mt-2">
              <PinButton
                study={study}
                className="float-right"
                pinned={{
                  stage: 'subgroups',
                  thing: 'table',
                  title: `${namesOf({ a, b })} against ${namesOf({ a, b: c })}`,
                  request: dependentRequest({ first: { a, b }, second: { a, b: c }, turned, method, level, levels }),
                  settings: { ...context.settings, view: 'dependent' },
                }}
              />
              <Link to={`${path}/subgroups?${dependentAddress({ a, b }, { a, b: c })}`} className="text-accent underline">
                Open in Subgroups
              </Link>
              , where any two pairs can be compared.
            </p>
          )}
        </DependentAnswer>
      )}
    </div>
  );
}

/** A second pair without a variable of this one: the two are compared where any two can be. */
function TwoPairs({ pair, second, onOther }: { pair: Pair; second: Pair; onOther: () => void }) {
  const path = useStudyPath();
  const of = ({ x, y }: Pair) => ({ a: x, b: y });
  return (
    <p data-testid="dependent-comparison">
      Are {displayName(pair.x)} and {displayName(pair.y)} tied more closely than {displayName(second.x)} and {displayName(second.y)}?{' '}
      <Link to={`${path}/subgroups?${dependentAddress(of(pair), of(second))}`} className="text-accent underline">
        Compare them in Subgroups
      </Link>
      , or{' '}
      <button type="button" className="button-quiet inline" onClick={onOther}>
        ask of one variable
      </button>
      .
    </p>
  );
}
