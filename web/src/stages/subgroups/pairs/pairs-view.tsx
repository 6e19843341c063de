import type { AnalysisInput, Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed } from '@ivlen/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { scaleLinear } from 'd3-scale';
import { ChevronRight } from 'lucide-react';
import { type KeyboardEvent, useEffect, useMemo, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { commonMethod, rowsOf } from '../../../coefficients/requests';
import { CopyButton } from '../../../controls/copy-button';
import { useElementWidth } from '../../../controls/use-element-width';
import { type ComparedPair, decidingP, filteredPairs, orderedPairs, pairId, pairName } from '../../../groups/compared-pairs';
import { PairAcrossGroups } from '../../../groups/pair-across-groups';
import { narrowedInWords, rowsWithoutInWords, wholeSentence, withinCoefficient } from '../../../groups/words';
import { coefficientText, pRelationText, pText } from '../../../numbers/number-text';
import { PinButton } from '../../../pins/pin-button';
import { TermsLine } from '../../../terms/terms-line';
import { GroupLegend } from '../group-legend';
import type { SubgroupProps } from '../stage-props';
import { LANE_TICKS, Lane, laneHeight, MOST_INTERVALS } from './lane';
import { OtherStories } from './other-stories';
import { PairFilters } from './pair-filters';
import { PairsExport } from './pairs-export';
import { WholeMatrices } from './whole-matrices';

const OPEN = 'open';
const [NAMES, MARGIN] = [244, 10];
const DRAWN_BEYOND = 6;

interface PairsViewProps extends SubgroupProps {
  readonly request: AnalysisInput;
  readonly onCard: (x: Variable, y: Variable) => void;
}

/** Every pair in a row, with each group’s coefficient under one scale; a row opens to all its numbers. */
export function PairsView(props: PairsViewProps) {
  const { study, variables, settings, layout, patch, taking, compared, request, onCard } = props;
  const { groups } = compared;
  const alpha = settings.levels[0] ?? 0.05;
  const [params, setParams] = useSearchParams();
  const open = params.get(OPEN);
  const shown = useMemo(() => orderedPairs(filteredPairs(compared.pairs, layout, alpha), layout.order), [compared.pairs, layout, alpha]);
  const toggle = (id: string) =>
    setParams(
      (current) => {
        if (current.get(OPEN) === id) current.delete(OPEN);
        else current.set(OPEN, id);
        return current;
      },
      { replace: true },
    );
  const holder = useRef<HTMLDivElement>(null);
  const width = useElementWidth(holder);
  const adjusted = settings.adjust !== 'none';
  const spread = groups.length > 2;
  const two = groups.length === 2;
  const numbers = 64 + 62 + (adjusted ? 76 : 0) + (spread ? 52 : 0) + (two ? 124 : 0);
  const laneWidth = Math.max(160, width - NAMES - numbers - 12);
  const x = useMemo(() => scaleLinear([-1, 1], [MARGIN, laneWidth - MARGIN]), [laneWidth]);
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => holder.current?.closest<HTMLElement>('[data-scrolls]') ?? null,
    estimateSize: () => laneHeight(groups.length) + 1,
    overscan: DRAWN_BEYOND,
    scrollMargin: holder.current?.offsetTop ?? 0,
    getItemKey: (index) => pairId(shown[index] ?? NO_PAIR),
  });
  // An address that names a pair leads to it.
  const opened = useRef(open);
  useEffect(() => {
    const at = shown.findIndex((pair) => pairId(pair) === opened.current);
    opened.current = null;
    if (at >= 0) virtual.scrollToIndex(at, { align: 'center' });
  }, [shown, virtual]);
  const show = (pair: ComparedPair) => {
    if (open !== pairId(pair)) toggle(pairId(pair));
    const at = shown.findIndex((item) => pairId(item) === pairId(pair));
    if (at >= 0) virtual.scrollToIndex(at, { align: 'start' });
  };
  const whole = wholeSentence(compared, taking, settings);
  const without = rowsWithoutInWords(compared, taking);
  const narrowed = narrowedInWords(taking.by, variables, study.state.variables);
  const completeFor = useMemo(() => [...rowsOf(settings, variables).completeFor], [settings, variables]);
  return (
    <>
      <OtherStories {...props} onShow={show} />
      <p className="font-serif text-[16px] leading-snug" data-testid="whole-sentence">
        {whole}
      </p>
      <p className="mt-1 flex flex-wrap items-center gap-x-4 text-[13px]">
        <CopyButton label="Copy sentence" text={whole} />
        <PinButton
          study={study}
          pinned={{
            stage: 'subgroups',
            thing: 'table',
            title: whole,
            request,
            settings: { ...settings, ...layout, groups: taking.request, view: 'pairs' },
          }}
        />
        {without && <span className="text-muted">{without}</span>}
        {commonMethod(settings) === 'pearson' && settings.control.length === 0 && <WholeMatrices {...props} />}
      </p>
      {narrowed && (
        <p className="mt-2 border-l-4 border-caution bg-caution-soft px-3 py-1.5 text-[13px]" data-testid="narrowed">
          {narrowed}
        </p>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <PairFilters variables={variables} layout={layout} patch={patch} count={shown.length} of={compared.pairs.length} />
        <span className="ml-auto">
          <PairsExport {...props} shown={shown} />
        </span>
      </div>
      <div className="mt-2">
        <GroupLegend groups={groups} />
        <TermsLine names={[two ? 'q' : 'Q', 'p', adjusted ? 'p adjusted' : '']} />
        {groups.length > MOST_INTERVALS && (
          <p className="text-[13px] text-muted">More than {MOST_INTERVALS} groups: points without intervals; an opened row has them.</p>
        )}
      </div>
      <div ref={holder} className="numerals mt-1">
        <div
          aria-hidden="true"
          data-testid="lane-head"
          className="sticky -top-3 z-10 flex items-end border-b border-edge bg-paper pt-1 text-[12px] text-muted"
        >
          <span style={{ width: NAMES }} className="shrink-0 pb-1">
            pair
          </span>
          <span style={{ width: laneWidth }} className="shrink-0">
            <svg width={laneWidth} height={18} aria-hidden="true" fill="var(--muted)" fontSize={11}>
              {LANE_TICKS.map((tick) => (
                <text key={tick} x={x(tick)} y={13} textAnchor="middle">
                  {tickText(tick)}
                </text>
              ))}
            </svg>
          </span>
          <span className="ml-auto" />
          {two && <span className="w-18 pb-1 text-right">difference</span>}
          {two && <span className="w-13 pb-1 text-right">q</span>}
          <span className="w-16 pb-1 text-right">{two ? 'z' : 'Q'}</span>
          {spread && <span className="w-13 pb-1 text-right">I²</span>}
          <span className="w-15.5 pb-1 text-right">p</span>
          {adjusted && <span className="w-19 pb-1 text-right">p, adjusted</span>}
        </div>
        <ul aria-label="Pairs across groups" className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, start, key }) => {
            const pair = shown[index];
            if (!pair) return null;
            const id = pairId(pair);
            const isOpen = open === id;
            return (
              <li
                key={key}
                ref={virtual.measureElement}
                data-index={index}
                aria-setsize={shown.length}
                aria-posinset={index + 1}
                className={`absolute inset-x-0 border-b border-rule ${isOpen ? 'bg-accent-soft/40' : ''}`}
                style={{ top: start - virtual.options.scrollMargin }}
              >
                <div className="flex cursor-pointer items-center" onClick={() => toggle(id)} onKeyDown={stepRows}>
                  <span style={{ width: NAMES }} className="shrink-0 pr-2">
                    <button
                      type="button"
                      data-pair-row
                      aria-expanded={isOpen}
                      aria-label={laneInWords(pair, groups, settings.levels)}
                      className="flex w-full items-start gap-1 text-left text-[13px] leading-tight"
                      onClick={(event) => {
                        event.stopPropagation();
                        toggle(id);
                      }}
                    >
                      <ChevronRight size={14} aria-hidden="true" className={`mt-0.5 shrink-0 ${isOpen ? 'rotate-90' : ''}`} />
                      <span className="min-w-0">
                        <span className="block truncate" title={pairName(pair)}>
                          {pairName(pair)}
                        </span>
                        <span className="block text-[12px] text-muted">{shortly(pair)}</span>
                      </span>
                    </button>
                  </span>
                  <span style={{ width: laneWidth }} className="shrink-0">
                    <svg width={laneWidth} height={laneHeight(groups.length)} aria-hidden="true" className="block">
                      <Lane pair={pair} groups={groups} x={x} />
                    </svg>
                  </span>
                  <span className="ml-auto" />
                  {two && <span className="w-18 text-right text-[13px]">{pair.two ? coefficientText(pair.two.difference) : '–'}</span>}
                  {two && <span className="w-13 text-right text-[13px]">{pair.two ? formatFixed(pair.two.cohensQ, 2) : '–'}</span>}
                  <span className="w-16 text-right text-[13px]">
                    {pair.two ? formatFixed(pair.two.z, 2) : pair.homogeneity.q === null ? '–' : formatFixed(pair.homogeneity.q, 1)}
                  </span>
                  {spread && (
                    <span className="w-13 text-right text-[13px] text-muted">
                      {pair.random ? `${formatFixed(100 * pair.random.iSquared, 0)} %` : '–'}
                    </span>
                  )}
                  <span className={`w-15.5 text-right text-[13px] ${weight(pair.homogeneity.pValue, adjusted, alpha)}`}>
                    {pair.homogeneity.pValue === null ? '–' : pText(pair.homogeneity.pValue, settings.levels)}
                  </span>
                  {adjusted && (
                    <span className={`w-19 text-right text-[13px] ${decidingP(pair) <= alpha ? 'font-semibold' : ''}`}>
                      {pair.adjustedP === null ? '–' : pText(pair.adjustedP, settings.levels)}
                    </span>
                  )}
                </div>
                {isOpen && (
                  <div className="px-4 pt-2 pb-4">
                    <PairAcrossGroups
                      study={study}
                      pair={pair}
                      groups={groups}
                      taking={taking}
                      settings={settings}
                      completeFor={completeFor}
                      width={Math.max(280, width - 32)}
                      onCard={() => onCard(pair.x, pair.y)}
                    />
                  </div>
                )}
              </li>
            );
          })}
        </ul>
      </div>
      {shown.length === 0 && <p className="py-10 text-center text-muted">No pair is left by these filters.</p>}
    </>
  );
}

const NO_PAIR = { x: { id: '' }, y: { id: '' } } as Pick<ComparedPair, 'x' | 'y'>;

function tickText(tick: number): string {
  return tick === 0 ? '0' : coefficientText(tick).replace(/\.00$/, '').replace(/0$/, '');
}

function weight(p: number | null, adjusted: boolean, alpha: number): string {
  return !adjusted && p !== null && p <= alpha ? 'font-semibold' : '';
}

/** "all .42 · within .12". */
function shortly({ pooled, within }: ComparedPair): string {
  const inside = withinCoefficient(within);
  return `all ${coefficientText(pooled.coefficient ?? Number.NaN)}${inside === null ? '' : ` · within ${coefficientText(inside)}`}`;
}

/** What the lane of a pair shows, for those who listen. */
function laneInWords(pair: ComparedPair, groups: SubgroupProps['compared']['groups'], levels: readonly number[]): string {
  const each = groups.map(({ label }, k) => `${label} ${coefficientText(pair.cells[k]?.coefficient ?? Number.NaN)}`).join(', ');
  const p = Number.isNaN(decidingP(pair)) ? 'not tested' : pRelationText(decidingP(pair), levels);
  return `${pairName(pair)}: ${COEFFICIENTS[pair.method].symbol} ${each}; ${shortly(pair).replace(' · ', ', ')}; ${p}`;
}

/** Arrow keys go from row to row. */
function stepRows(event: KeyboardEvent): void {
  if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
  const rows = [...(event.currentTarget.closest('ul')?.querySelectorAll<HTMLElement>('[data-pair-row]') ?? [])];
  const at = rows.indexOf(document.activeElement as HTMLElement);
  const next = rows[at + (event.key === 'ArrowDown' ? 1 : -1)];
  if (at < 0 || !next) return;
  event.preventDefault();
  next.focus();
}
