import { remedyOfPair } from '@ivlen/contract';
import { type ReactNode, useRef, useState } from 'react';
import type { CautionedPair } from '../coefficients/use-pair-cautions';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { Skeleton } from '../controls/skeleton';
import { StoppedNotice } from '../controls/stopped-notice';
import { useElementWidth } from '../controls/use-element-width';
import { SaveFigure } from '../figures/export/save-figure';
import { PinButton } from '../pins/pin-button';
import { remedyPhrase } from '../remedies/remedy-words';
import { useReadOnly } from '../study/read-only';
import { displayName } from '../study/variable-name';
import { ValueTableView } from '../tables/value-table-view';
import { ChoicesEditor } from './choices-editor';
import { JointTest } from './joint-test';
import { pinnedWays, waysTitle } from './pinned-ways';
import { type SettingsOfWay, settingsOfWay } from './settings-of-way';
import { useWays, type WaysState } from './use-ways';
import { inOrderOfSize, type OrderedWay, WaysFigure } from './ways-figure';
import { waysTable } from './ways-table';
import { agreementInWords, sharesInWords, wayNumbers, wayOptions } from './ways-words';

/** The ways of a pair in words with a small figure: a part of its card. */
export function WaysInBrief({ asked, children }: { asked: CautionedPair; children?: ReactNode }) {
  const state = useWays(asked);
  return (
    <Waiting state={state} asked={asked}>
      {(ways) => (
        <>
          <Words state={ways} asked={asked} />
          <Figure state={ways} asked={asked} small />
          {children}
        </>
      )}
    </Waiting>
  );
}

/** The ways of a pair in full: words, figure, choices, table. */
interface WaysInFullProps {
  readonly asked: CautionedPair;
  /** Opens the pair that a way is, with its settings. */
  readonly onOpen: (way: SettingsOfWay) => void;
}

export function WaysInFull({ asked, onOpen }: WaysInFullProps) {
  const state = useWays(asked);
  const readOnly = useReadOnly();
  const [tableShown, setTableShown] = useState(false);
  const [chosen, setChosen] = useState<OrderedWay | null>(null);
  const title = waysTitle(asked.x, asked.y);
  return (
    <Waiting state={state} asked={asked}>
      {(ways) => (
        <>
          <Words state={ways} asked={asked} />
          <SaveFigure name={title} caption={captionOf(ways, asked)}>
            <Figure state={ways} asked={asked} onChoose={setChosen} />
          </SaveFigure>
          {chosen && <ChosenWay way={chosen} state={ways} asked={asked} onOpen={onOpen} />}
          <JointTest asked={asked} state={ways} />
          <div className="mt-4">
            <ChoicesEditor choices={ways.choices} onTick={ways.tick} untouched={ways.untouched} onReset={ways.reset} readOnly={readOnly} />
          </div>
          <p className="mt-4 flex gap-6">
            <button type="button" className="button-quiet" aria-expanded={tableShown} onClick={() => setTableShown(!tableShown)}>
              {tableShown ? 'Hide the table' : 'Show as a table'}
            </button>
            <PinButton study={asked.study} pinned={pinnedWays(asked, ways)} />
          </p>
          {tableShown && ways.result && (
            <div className="mt-2 overflow-x-auto">
              <ValueTableView
                table={waysTable(ways.result, ways.choices, title, asked.settings.levels)}
                captionShown
                className="text-[13px]"
              />
            </div>
          )}
        </>
      )}
    </Waiting>
  );
}

function Waiting({
  state,
  asked,
  children,
}: {
  state: WaysState | undefined;
  asked: CautionedPair;
  children: (state: WaysState) => ReactNode;
}) {
  const label = `Computing the ways of ${displayName(asked.x)} and ${displayName(asked.y)}`;
  if (!state) return <Skeleton label={label} className="h-40" />;
  if (state.error) return <FailureNotice error={state.error} />;
  if (state.stopped) return <StoppedNotice onResume={state.resume} />;
  if (!state.result) {
    return state.progress ? (
      <ProgressLine label={label} progress={state.progress} onStop={state.stop} />
    ) : (
      <Skeleton label={label} className="h-40" />
    );
  }
  return children(state);
}

function Words({ state: { result, choices }, asked }: { state: WaysState; asked: CautionedPair }) {
  if (!result) return null;
  const shares = sharesInWords(result, choices);
  const { study, x, y } = asked;
  const decided = remedyOfPair(study.state.remedies, x.id, y.id);
  return (
    <>
      <p className="mb-2" data-testid="ways-in-words">
        {[...agreementInWords(result, choices, alphaOf(asked)), ...(shares ? [shares] : [])].join(' ')}
      </p>
      {decided && decided.kind !== 'method' && (
        <p className="mb-2 text-[13px] text-muted">
          What was decided for the pair ({remedyPhrase(decided, study)}) is none of these ways; what is in force is marked as without it.
        </p>
      )}
    </>
  );
}

interface FigureProps {
  readonly state: WaysState;
  readonly asked: CautionedPair;
  readonly small?: boolean;
  readonly onChoose?: (way: OrderedWay) => void;
}

function Figure({ state: { result, choices }, asked, small = false, onChoose }: FigureProps) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useElementWidth(holder);
  const [selected, setSelected] = useState<number | null>(null);
  if (!result || result.summary.computed === 0) return null;
  const ways = inOrderOfSize(result);
  const read = ways[selected ?? -1];
  const readout = <Readout way={read} at={selected} of={ways.length} choices={choices} own={read?.place === result.own} small={small} />;
  return (
    <div ref={holder} onPointerLeave={() => setSelected(null)} data-testid="ways-figure">
      {!small && readout}
      {width > 0 && (
        <WaysFigure
          result={result}
          choices={choices}
          width={width}
          alpha={alphaOf(asked)}
          small={small}
          selected={selected}
          onSelect={setSelected}
          {...(onChoose ? { onOpen: onChoose } : {})}
        />
      )}
      {small && readout}
    </div>
  );
}

interface ChosenWayProps {
  readonly way: OrderedWay;
  readonly state: WaysState;
  readonly asked: CautionedPair;
  readonly onOpen: (way: SettingsOfWay) => void;
}

/** A way that was clicked: the pair with its settings is one step away, and what no setting says is named. */
function ChosenWay({ way, state: { choices }, asked, onOpen }: ChosenWayProps) {
  const readOnly = useReadOnly();
  const set = settingsOfWay(way, choices, { x: asked.x.id, y: asked.y.id });
  return (
    <div className="mt-2 border-l-4 border-accent bg-accent-soft px-3 py-2 text-[13px]" data-testid="chosen-way">
      <p className="numerals">{[wayNumbers(way), ...wayOptions(way, choices)].join(' · ')}</p>
      {set.rest.length > 0 && <p className="mt-1 text-muted">No setting, but a decision of its own each: {set.rest.join('; ')}.</p>}
      {!readOnly && (
        <button type="button" className="button mt-1.5" onClick={() => onOpen(set)}>
          Open as a pair{set.rest.length > 0 ? ', but for these' : ''}
        </button>
      )}
    </div>
  );
}

interface ReadoutProps {
  readonly way: OrderedWay | undefined;
  readonly at: number | null;
  readonly of: number;
  readonly choices: WaysState['choices'];
  readonly own: boolean;
  readonly small: boolean;
}

/** What the pointer or the keys stand on; else what the marks mean. */
function Readout({ way, at, of, choices, own, small }: ReadoutProps) {
  return (
    <p className={`numerals mt-1 text-[13px] text-muted ${small ? 'min-h-[4.5em]' : 'min-h-[3em] pr-8'}`}>
      {way ? (
        <>
          <span className="text-ink">{wayNumbers(way)}</span> {own ? '· in force' : `· way ${(at ?? 0) + 1} of ${of}`}
          {wayOptions(way, choices).map((text) => (
            <span key={text}> · {text}</span>
          ))}
        </>
      ) : (
        'In order of size, with intervals; filled where p is at most the level, purple what is in force.'
      )}
    </p>
  );
}

function captionOf({ result, choices }: WaysState, asked: CautionedPair): string {
  return result ? agreementInWords(result, choices, alphaOf(asked)).join(' ') : '';
}

function alphaOf({ settings }: CautionedPair): number {
  return settings.levels[0] ?? 0.05;
}
