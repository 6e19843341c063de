import type { RegressionResult } from '@ivlen/contract';
import { FailureNotice } from '../../../controls/failure-notice';
import { ProgressLine } from '../../../controls/progress-line';
import { Skeleton } from '../../../controls/skeleton';
import { StoppedNotice } from '../../../controls/stopped-notice';
import { QuantileChart } from '../../../figures/charts/quantile-chart';
import { SaveFigure } from '../../../figures/export/save-figure';
import { NO_MODEL } from '../../../predictors/model-words';
import { displayName } from '../../../study/variable-name';
import { NoOutcome } from '../regression/no-outcome';
import { useRegression } from '../regression/use-regression';
import type { PartProps } from '../stage-props';
import { InfluentialRows } from './influential-rows';
import { ResidualFigure } from './residual-figure';
import { aloneSentence, quantileSentence, spreadSentence } from './residual-words';

/** What the rows say of the regression: residuals, their shape, and the rows that matter most. */
export function ResidualsView(props: PartProps) {
  const { chosen, model, terms } = props;
  const regression = useRegression(props);
  if (!chosen.outcome || model.result.outcomeValues === 2) return <NoOutcome {...props} />;
  if (terms.length === 0) return <p className="pt-6 font-serif text-[17px]">None of the predictors varies in these rows.</p>;
  const { whole, error, progress, stopped } = regression;
  if (error && !whole) return <FailureNotice error={error} />;
  const label = 'Computing the residuals';
  if (stopped) {
    return <StoppedNotice className="pt-4" onResume={regression.resume} />;
  }
  if (!whole)
    return progress ? (
      <ProgressLine label={label} progress={progress} onStop={regression.stop} />
    ) : (
      <Skeleton label={label} className="mt-4 h-96" />
    );
  const outcome = displayName(chosen.outcome);
  if (whole.model.because !== null) {
    const predictors = terms.flatMap((term) => term.columns).length;
    return (
      <p className="max-w-3xl pt-6 font-serif text-[17px]">{NO_MODEL[whole.model.because]({ n: whole.model.n, predictors, outcome })}</p>
    );
  }
  return <Residuals {...props} whole={whole} outcome={outcome} />;
}

interface ResidualsProps extends PartProps {
  readonly whole: RegressionResult;
  readonly outcome: string;
}

function Residuals(props: ResidualsProps) {
  const { whole, outcome, levels } = props;
  const spread = spreadSentence(whole.breuschPagan, levels);
  return (
    <div className="flex flex-col gap-6 pt-3 pb-10">
      <div className="grid grid-cols-[repeat(auto-fit,minmax(400px,1fr))] gap-x-8 gap-y-6">
        <section aria-label="Residuals against fitted values">
          <h2 className="mb-1 text-[15px]">Residuals against fitted values</h2>
          <ResidualFigure whole={whole} outcome={outcome} caption={spread} />
          <p className="mt-1 max-w-[460px] text-[13px]" data-testid="spread-of-residuals">
            {spread}
          </p>
        </section>
        <section aria-label="Shape of the residuals">
          <h2 className="mb-1 text-[15px]">Their normal quantile plot</h2>
          {whole.quantiles.sample.length > 0 ? (
            <SaveFigure name="quantile plot of residuals" caption={quantileSentence(whole.quantiles)}>
              <QuantileChart
                quantiles={whole.quantiles}
                label={`Normal quantile plot of the studentized residuals of ${outcome}`}
                width={430}
                height={310}
              />
            </SaveFigure>
          ) : (
            <p className="text-muted">The rows lie exactly on the model, so that their residuals have no shape.</p>
          )}
          <p className="mt-1 max-w-[460px] text-[13px]" data-testid="shape-of-residuals">
            {quantileSentence(whole.quantiles)}
          </p>
        </section>
      </div>
      {whole.alone.length > 0 && (
        <p className="max-w-4xl border-l-2 border-caution bg-caution-soft px-3 py-1 text-[13px]" data-testid="alone">
          {aloneSentence(whole.alone)}
        </p>
      )}
      <InfluentialRows {...props} />
    </div>
  );
}
