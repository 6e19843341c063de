import { canBeCorrelated, methodForPair, ownMethods, type StatedHypothesis, type Study, type Variable } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { useSearchParams } from 'react-router';
import { commonMethod } from '../../../coefficients/requests';
import type { ArrangementProps } from '../../../pair-card/arrangement';
import type { Pair } from '../../../pair-card/use-pair-selection';
import { VariableChoice } from '../../../study/variable-choice';
import { displayName } from '../../../study/variable-name';
import type { SettingsOfWay } from '../../../sturdiness/settings-of-way';
import { useWays } from '../../../sturdiness/use-ways';
import { WaysInFull } from '../../../sturdiness/ways-content';
import { agreementInWords } from '../../../sturdiness/ways-words';
import { ALTERNATIVE } from '../questions/expectation-words';

/** How far the defensible ways to a coefficient agree: of one pair in full, and of each hypothesis in a line. */
export function SturdinessView(props: ArrangementProps) {
  const { study, variables, settings, selection, patch } = props;
  const [, setParams] = useSearchParams();
  const openWay = (way: SettingsOfWay) => {
    patch(way.settings);
    setParams((current) => {
      current.delete('view');
      current.set('pair', `${way.x}~${way.y}`);
      return current;
    });
  };
  const candidates = study.state.variables.filter((variable) => canBeCorrelated(variable) && !settings.control.includes(variable.id));
  const pair = selection.pair ?? firstPair(variables);
  if (!pair)
    return (
      <p className="py-16 text-center font-serif text-lg text-muted">
        Tick two variables on the left, and the ways to their coefficient stand here.
      </p>
    );
  const without = ({ id }: Variable) => candidates.filter((variable) => variable.id !== id);
  const method = methodForPair(commonMethod(settings), ownMethods(study.state), pair.x.id, pair.y.id);
  return (
    <div className="max-w-4xl pb-8">
      <p className="mb-3 flex flex-wrap items-baseline gap-x-2 font-serif text-[17px]">
        Every defensible way to {COEFFICIENTS[method].name} of
        <VariableChoice label="First variable" value={pair.x} options={without(pair.y)} onChoose={(x) => selection.show({ ...pair, x })} />
        and
        <VariableChoice label="Second variable" value={pair.y} options={without(pair.x)} onChoose={(y) => selection.show({ ...pair, y })} />
      </p>
      <WaysInFull key={`${pair.x.id}~${pair.y.id}`} asked={{ study, ...pair, method, settings, among: variables }} onOpen={openWay} />
      <Hypotheses {...props} />
    </div>
  );
}

function firstPair([x, y]: readonly Variable[]): Pair | null {
  return x && y ? { x, y } : null;
}

/** A line for each hypothesis whose result was shown. */
function Hypotheses(props: ArrangementProps) {
  const { questions } = props.study.state;
  const shown = questions.flatMap((question) => {
    const hypotheses = question.hypotheses.filter((hypothesis) => hypothesis.shown);
    return hypotheses.length > 0 ? [{ ...question, hypotheses }] : [];
  });
  if (shown.length === 0) return null;
  return (
    <section aria-label="Hypotheses" className="mt-8">
      <h2 className="mb-2 text-[15px]">Of each hypothesis</h2>
      {shown.map(({ id, text, hypotheses }) => (
        <div key={id} className="mb-4">
          <p className="font-serif text-[16px]">{text}</p>
          <ul className="border-t border-rule">
            {hypotheses.map((hypothesis) => (
              <HypothesisLine key={hypothesis.id} {...props} hypothesis={hypothesis} />
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function HypothesisLine({ hypothesis, ...props }: ArrangementProps & { readonly hypothesis: StatedHypothesis }) {
  const pair = pairOf(props.study, hypothesis);
  return pair && <HypothesisWays {...props} hypothesis={hypothesis} pair={pair} />;
}

function pairOf({ state }: Study, hypothesis: StatedHypothesis): Pair | null {
  const [x, y] = [hypothesis.x, hypothesis.y].map((id) => state.variables.find((variable) => variable.id === id));
  return x && y ? { x, y } : null;
}

function HypothesisWays({
  study,
  settings,
  variables,
  selection,
  hypothesis,
  pair,
}: ArrangementProps & { hypothesis: StatedHypothesis; pair: Pair }) {
  const asked = { ...settings, alternative: ALTERNATIVE[hypothesis.expectation] };
  const state = useWays({ study, ...pair, method: hypothesis.method, settings: asked, among: variables });
  const words = state?.result
    ? agreementInWords(state.result, state.choices, settings.levels[0] ?? 0.05).join(' ')
    : (state?.error?.message ?? '…');
  return (
    <li className="flex gap-4 border-b border-rule py-1.5 text-[13px]">
      <button type="button" className="w-56 shrink-0 text-left text-accent underline" onClick={() => selection.show(pair)}>
        {displayName(pair.x)} × {displayName(pair.y)}
      </button>
      <span className="numerals">
        {COEFFICIENTS[hypothesis.method].symbol}
        {hypothesis.expectation === 'either' ? '' : ', one-sided'}: {words}
      </span>
    </li>
  );
}
