import type { Shares } from '../../../predictors/find-shares';
import { shareText, toleranceText, vifText } from '../../../predictors/numbers';
import { partnersInWords } from '../../../predictors/words';
import { displayName } from '../../../study/variable-name';
import type { PredictorsViewProps } from '../stage-props';
import { LevelChoice } from './level-choice';
import { PredictorMenu } from './predictor-menu';
import type { ShareAxis } from './share-axis';
import type { ShareLine } from './share-lines';
import { ShareMarks } from './share-marks';

interface ShareRowProps extends PredictorsViewProps {
  readonly line: ShareLine;
  readonly axis: ShareAxis;
  readonly width: number;
  readonly shares: Shares | null;
  readonly former: ReadonlyMap<string, number> | null;
}

const HEIGHT = 36;

/** One predictor: its switch, how much of it is told, and by whom. */
export function ShareRow(props: ShareRowProps) {
  const { line, axis, width, shares, former, settings, terms, chosen, onSwitch } = props;
  const { predictor, term, place } = line;
  const isOn = chosen.kept.includes(predictor);
  const found = place >= 0 ? shares?.inflation[place] : undefined;
  const ghost = former?.get(predictor.variable) ?? null;
  const name = displayName(predictor.of);
  const isAbove = found !== undefined && found.inflation > settings.limit;
  return (
    <div
      role="row"
      data-testid={`share-${predictor.of.name}`}
      className="grid grid-cols-[minmax(120px,190px)_minmax(110px,1fr)_56px_minmax(72px,90px)_62px_minmax(100px,200px)_24px] items-center gap-x-3 border-b border-rule"
      style={{ minHeight: HEIGHT }}
    >
      <span role="rowheader" className="flex min-w-0 items-center gap-2">
        <button
          type="button"
          role="switch"
          aria-checked={isOn}
          aria-label={`${name} among the predictors`}
          title={isOn ? `Look without ${name}` : `${name} in again`}
          className={`flex h-[18px] w-8 shrink-0 items-center rounded-full border px-0.5 ${isOn ? 'justify-end border-accent bg-accent' : 'justify-start border-edge bg-sunken'}`}
          onClick={() => onSwitch(predictor.variable, !isOn)}
        >
          <span className={`size-3 rounded-full ${isOn ? 'bg-on-accent' : 'bg-muted'}`} />
        </button>
        <span className="min-w-0">
          <span className={`block truncate ${isOn ? '' : 'text-muted line-through'}`} title={name}>
            {name}
          </span>
          {predictor.as === 'levels' && term && <LevelChoice {...props} term={term} />}
        </span>
      </span>
      <span role="cell">
        {width > 0 && (
          <svg width={width} height={HEIGHT} role="img" aria-label={marksInWords(found?.share ?? null, ghost)} className="block">
            <ShareMarks
              axis={axis}
              width={width}
              height={HEIGHT}
              inflation={found?.inflation ?? null}
              ghost={ghost}
              limit={settings.limit}
            />
          </svg>
        )}
      </span>
      <Value strong={isAbove} now={found && shareText(found.share)} before={ghost === null ? null : shareText(1 - 1 / ghost)} />
      <Value
        strong={isAbove}
        now={found && vifText(found.inflation)}
        before={ghost === null ? null : vifText(ghost)}
        remarks={
          found && found.df > 1
            ? [`GVIF ${vifText(found.gvif)}, df ${found.df}`, `GVIF^(1/${2 * found.df}) ${vifText(found.adjusted)}`]
            : []
        }
      />
      <Value strong={false} now={found && toleranceText(found.tolerance)} before={null} />
      <span role="cell" className="py-1 text-[13px] leading-tight">
        {isOn ? (place >= 0 ? shares && partnersInWords(terms, shares, place) : 'does not vary') : 'switched off'}
      </span>
      <span role="cell">
        <PredictorMenu {...props} />
      </span>
    </div>
  );
}

function marksInWords(share: number | null, ghost: number | null): string {
  const now = share === null ? 'not told of' : `${shareText(share)} told`;
  return ghost === null ? now : `${now}; before: ${shareText(1 - 1 / ghost)}`;
}

function Value({
  now,
  before,
  strong,
  remarks = [],
}: {
  now: string | undefined;
  before: string | null;
  strong: boolean;
  remarks?: readonly string[];
}) {
  return (
    <span role="cell" className="numerals py-0.5 text-right leading-tight">
      <span className={`block ${strong ? 'font-semibold text-caution' : ''}`}>{now ?? '–'}</span>
      {remarks.map((remark) => (
        <span key={remark} className="block text-[11px] whitespace-nowrap text-muted">
          {remark}
        </span>
      ))}
      {before !== null && before !== now && <span className="block text-[11px] text-muted">was {before}</span>}
    </span>
  );
}
