import { useRef } from 'react';
import { CopyButton } from '../../../controls/copy-button';
import { useElementWidth } from '../../../controls/use-element-width';
import { ExportFigureButton } from '../../../figures/export/export-figure-button';
import { greatest } from '../../../numbers/ends';
import type { Shares } from '../../../predictors/find-shares';
import { sharesTable } from '../../../predictors/tables';
import { dependenceInWords, shareSentence } from '../../../predictors/words';
import { TableTools } from '../../../tables/table-tools';
import { Term } from '../../../terms/term';
import { shareAxis } from './share-axis';
import { linesOf, type SharesSectionProps } from './share-lines';
import { ShareAxisTicks } from './share-marks';
import { ShareRow } from './share-row';
import { useSharesFigure } from './shares-figure';
import { Suggestions } from './suggestions';

/** How much of each predictor the others already tell, with a switch to look without it. */
export function SharesSection(props: SharesSectionProps) {
  const { chosen, settings, patch, model, terms, shares, former, onOpen } = props;
  const area = useRef<HTMLDivElement>(null);
  const width = useElementWidth(area);
  const axis = shareAxis(Math.max(largestShown(shares), ...(former ? [...former.values()].filter((value) => value === value) : [1])));
  const lines = linesOf(props);
  const told = lines.filter(({ place }) => place >= 0);
  const caption = `How much of each of ${told.length} predictors the others tell`;
  const build = useSharesFigure({ lines, shares, former, axis, limit: settings.limit, caption });
  const table = shares && sharesTable(terms, shares, caption);
  return (
    <section aria-label="Share told by the others">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h2 className="text-[15px]">Share already told by the others</h2>
        <select
          aria-label="Order of the predictors"
          className="field py-0 text-[13px]"
          value={settings.order}
          onChange={(event) => patch({ order: event.target.value === 'told' ? 'told' : 'listed' })}
        >
          <option value="listed">as listed</option>
          <option value="told">the most told first</option>
        </select>
        {settings.before && (
          <span role="status" className="flex items-center gap-2 text-[13px] text-muted">
            <svg width={26} height={12} aria-hidden="true">
              <rect x={1} y={1} width={24} height={10} fill="none" stroke="var(--muted)" strokeWidth={1.5} strokeDasharray="3 2" />
            </svg>
            former values
            <button type="button" className="button-quiet" onClick={() => patch({ before: null })}>
              Dismiss
            </button>
          </span>
        )}
        <span className="ml-auto flex items-baseline gap-4">
          {shares && (
            <CopyButton
              className="text-[13px]"
              label="Copy sentences"
              text={terms.map((_, k) => shareSentence(terms, shares, k)).join('\n')}
            />
          )}
          {table && <TableTools table={table} />}
          <ExportFigureButton name="shares told by the others" build={build} />
        </span>
      </div>
      {shares?.dependences.some((set) => set.terms.length > 0) && (
        <div role="alert" className="mt-2 border-l-4 border-caution bg-caution-soft px-3 py-2" data-testid="exact-dependences">
          <p>
            Some predictors follow exactly from others, so that their own coefficients cannot be told apart. Switch one of each set off:
          </p>
          <ul className="numerals mt-1 font-semibold">
            {shares.dependences.map((set) => (
              <li key={set.dependent}>{dependenceInWords(set, model)}</li>
            ))}
          </ul>
        </div>
      )}
      {terms.length === 1 && chosen.kept.length === 1 && (
        <p className="mt-1 font-serif text-[16px]">
          One predictor alone: there are no others that could tell it. Its part in the outcome is the line of the pair
          {chosen.outcome && terms[0]?.as === 'quantity' && (
            <>
              :{' '}
              <button
                type="button"
                className="button-quiet"
                onClick={() => chosen.outcome && terms[0] && onOpen(terms[0].of, chosen.outcome)}
              >
                open the card of the pair
              </button>
            </>
          )}
          .
        </p>
      )}
      <div role="table" aria-label={caption} className="mt-2">
        <div
          role="row"
          className="sticky top-[-12px] z-10 grid grid-cols-[minmax(120px,190px)_minmax(110px,1fr)_56px_minmax(72px,90px)_62px_minmax(100px,200px)_24px] items-end gap-x-3 border-b border-edge bg-paper pb-1 text-[13px] text-muted"
        >
          <span role="columnheader">predictor</span>
          <span role="columnheader" aria-label="share told" ref={area}>
            {width > 0 && (
              <svg width={width} height={33} aria-hidden="true" className="block overflow-visible">
                <ShareAxisTicks axis={axis} width={width} />
              </svg>
            )}
          </span>
          <span role="columnheader" className="text-right">
            <Term of="shareTold">told</Term>
          </span>
          <span role="columnheader" className="text-right">
            <Term of="vif">VIF</Term>
          </span>
          <span role="columnheader" className="text-right">
            <Term of="tolerance">tolerance</Term>
          </span>
          <span role="columnheader">by whom</span>
          <span role="columnheader" aria-label="more" />
        </div>
        {lines.map((line) => (
          <ShareRow key={line.predictor.variable} {...props} line={line} axis={axis} width={width} />
        ))}
      </div>
      {shares && terms.length > 1 && <Suggestions {...props} shares={shares} />}
    </section>
  );
}

function largestShown(shares: Shares | null): number {
  return Math.max(1, greatest(shares?.inflation.map(({ inflation }) => inflation).filter((value) => value === value) ?? []));
}
