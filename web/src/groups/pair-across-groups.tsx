import { COEFFICIENTS } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { analysisQuery } from '../api/queries';
import { sidedness } from '../coefficients/sentence-parts';
import { CopyButton } from '../controls/copy-button';
import { FailureNotice } from '../controls/failure-notice';
import { Section } from '../controls/section';
import { Skeleton } from '../controls/skeleton';
import { PinButton } from '../pins/pin-button';
import { displayName } from '../study/variable-name';
import { ValueTableView } from '../tables/value-table-view';
import { pairName, withAxes } from './compared-pairs';
import { EveryTwoGroups } from './every-two-groups';
import { groupTable, slopesTable } from './group-table';
import { closerRequest, type PairByGroupProps, PairPlotByGroup } from './pair-plot-by-group';
import { PermutationOfGroups } from './permutation-of-groups';
import { RangeRestriction } from './range-restriction';
import { slopesSentence } from './slopes';
import {
  betweenSentence,
  differenceSentence,
  groupsInWords,
  narrowedInWords,
  otherStory,
  spreadSentence,
  untestedInWords,
  withInterval,
} from './words';

/** Wider than this, plot and numbers stand side by side. */
const WIDE = 640;
/** Of values with other variables held constant there is neither a plot nor a slope here. */
const HELD = 'The plot, slopes and comparisons below are of the values as they are, with nothing held constant.';

/** Everything about one pair across the groups: the plot, each group’s numbers, in words, and what can be looked at further. */
export function PairAcrossGroups({ onCard, ...props }: PairByGroupProps & { /** Opens the pair’s card. */ readonly onCard?: () => void }) {
  const { study, pair, groups, taking, settings, width } = props;
  const [turned, setTurned] = useState(false);
  const { x, y } = withAxes(pair, turned);
  const { level } = settings;
  const request = closerRequest({ ...props, turned });
  const { data, error } = useQuery(analysisQuery(study.id, study.head, request));
  const sentence = differenceSentence(pair, groups, taking, settings);
  const isWide = width > WIDE;
  const plotWidth = isWide ? Math.min(460, Math.round(width * 0.46)) : width;
  const symbol = COEFFICIENTS[pair.method].symbol;
  const within = pair.within.meanOfZ ?? pair.within;
  const story = otherStory(pair, groups);
  const narrowed = narrowedInWords(taking.by, [x, y], study.state.variables);
  return (
    <div
      data-testid="by-group"
      className={isWide ? 'grid gap-x-6' : ''}
      style={isWide ? { gridTemplateColumns: `${plotWidth}px minmax(0,1fr)` } : {}}
    >
      <div>
        <PairPlotByGroup {...props} turned={turned} width={plotWidth} />
        <p className="mt-1.5 mb-2 text-[13px]">
          <button type="button" className="button-quiet" onClick={() => setTurned(!turned)}>
            Turn the axes
          </button>
          {onCard && (
            <button type="button" className="button-quiet ml-4" onClick={onCard}>
              Pair card
            </button>
          )}
        </p>
      </div>
      <div className="min-w-0 text-[13px]">
        {story && (
          <p className="mb-2 border-l-2 border-caution bg-caution-soft px-2 py-1">
            <strong>{pair.reversed ? 'The sign reverses inside the groups.' : 'The groups hide an association.'}</strong> {story}
          </p>
        )}
        <ValueTableView
          table={groupTable(pair, groups, data, {
            name: `${pairName(pair)} by ${displayName(taking.by)}`,
            symbol,
            settings,
            withSlopes: isWide,
          })}
          className="w-full text-[13px]"
        />
        <p className="mt-2 font-serif text-[15px] leading-snug" data-testid="difference-sentence">
          {sentence}
        </p>
        <p className="mt-1 flex gap-4">
          <CopyButton label="Copy sentence" text={sentence} />
          <PinButton
            study={study}
            pinned={{
              stage: 'subgroups',
              thing: 'pair',
              title: `${pairName(pair)}, ${groupsInWords(taking)}`,
              request,
              settings: { ...settings, groups: taking.request, x: x.id, y: y.id },
            }}
          />
        </p>
        <p className="mt-2">
          Within groups, their means taken out: {withInterval(symbol, pair.within)}
          {sidedness(settings)}.{' '}
          {pair.within.meanOfZ &&
            `The groups’ spreads differ (up to ${(pair.within.spreadRatio ?? 0).toFixed(1)} : 1), which upsets the test of that one: the weighted mean of the groups’ z, ${withInterval(symbol, within)}, decides.`}
        </p>
        {spreadSentence(pair, level) && <p className="mt-1">{spreadSentence(pair, level)}</p>}
        {narrowed && <p className="mt-1">{narrowed}</p>}
        {untestedInWords(pair, groups).map((words) => (
          <p key={words} className="mt-1 text-muted">
            Not tested: {words}.
          </p>
        ))}
        {COEFFICIENTS[pair.method].squareIsShared && pair.homogeneity.pValue !== null && (
          <p className="mt-1 text-muted">Skewed variables make equal groups seem to differ: where a shape is marked, compare ρ.</p>
        )}
      </div>
      <div className={isWide ? 'col-span-2 mt-2' : 'mt-2'}>
        {error && <FailureNotice error={error} />}
        {!data && !error && <Skeleton label="Comparing the groups" className="h-16" />}
        {data && (
          <>
            {settings.control.length > 0 && <p className="mb-1 text-[13px] text-muted">{HELD}</p>}
            <p className="text-[13px]" data-testid="slopes">
              {slopesSentence(data, pair, { x, y }, settings.levels)}
            </p>
            {!isWide && (
              <ValueTableView table={slopesTable(pair, groups, data, `${pairName(pair)}: slopes`)} className="mt-1 w-full text-[13px]" />
            )}
            {betweenSentence(data, settings.levels) && <p className="mt-1 text-[13px]">{betweenSentence(data, settings.levels)}</p>}
            <RangeRestriction pair={pair} groups={groups} details={data} x={x} y={y} partial={settings.control.length > 0} />
            <div className="mt-2 border-b border-rule">
              <Section id="groups.everyTwo" title="Every two groups">
                {() => <EveryTwoGroups details={data} groups={groups} pair={pair} settings={settings} />}
              </Section>
              <Section id="groups.permutation" title="Permutation of the groups">
                {() => <PermutationOfGroups study={study} request={request} levels={settings.levels} />}
              </Section>
            </div>
          </>
        )}
      </div>
    </div>
  );
}
