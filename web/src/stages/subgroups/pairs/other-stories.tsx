import { useRef, useState } from 'react';
import { rowsOf } from '../../../coefficients/requests';
import { useElementWidth } from '../../../controls/use-element-width';
import { type ComparedPair, pairId, pairName } from '../../../groups/compared-pairs';
import { PairPlotByGroup } from '../../../groups/pair-plot-by-group';
import { otherStories, otherStory } from '../../../groups/words';
import { displayName } from '../../../study/variable-name';
import type { SubgroupProps } from '../stage-props';

const SHOWN = 3;

/** Pairs whose groups tell another story than all rows together, in words, with the plot that shows why. */
export function OtherStories({ onShow, ...props }: SubgroupProps & { readonly onShow: (pair: ComparedPair) => void }) {
  const { compared, taking } = props;
  const found = otherStories(compared.pairs);
  const [all, setAll] = useState(false);
  const [plotted, setPlotted] = useState<string | null>(null);
  if (found.length === 0) return null;
  const shown = all ? found : found.slice(0, SHOWN);
  return (
    <section
      aria-label="Not the same inside the groups"
      className="mb-4 border-l-4 border-caution bg-caution-soft px-4 py-2.5"
      data-testid="other-stories"
    >
      <h2 className="text-[14px] font-semibold">Not the same inside the groups of {displayName(taking.by)}</h2>
      <ul className="mt-1 flex flex-col gap-1 text-[13px]">
        {shown.map((pair) => (
          <li key={pairId(pair)}>
            <strong>{pairName(pair)}</strong>, {pair.reversed ? 'a reversal' : 'a hidden association'}: {otherStory(pair, compared.groups)}{' '}
            <button
              type="button"
              className="button-quiet inline"
              aria-expanded={plotted === pairId(pair)}
              onClick={() => setPlotted(plotted === pairId(pair) ? null : pairId(pair))}
            >
              {plotted === pairId(pair) ? 'Hide the plot' : 'Show why'}
            </button>
            <button type="button" className="button-quiet ml-3 inline" onClick={() => onShow(pair)}>
              Open its row
            </button>
            {plotted === pairId(pair) && <WhyPlot {...props} pair={pair} />}
          </li>
        ))}
      </ul>
      {found.length > SHOWN && (
        <button type="button" className="button-quiet mt-1 text-[13px]" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `${found.length - SHOWN} more`}
        </button>
      )}
    </section>
  );
}

function WhyPlot({ study, settings, variables, taking, compared, pair }: SubgroupProps & { readonly pair: ComparedPair }) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useElementWidth(holder);
  return (
    <div ref={holder} className="mt-2">
      {width > 0 && (
        <PairPlotByGroup
          study={study}
          pair={pair}
          groups={compared.groups}
          taking={taking}
          settings={settings}
          completeFor={rowsOf(settings, variables).completeFor}
          width={Math.min(520, width)}
        />
      )}
    </div>
  );
}
