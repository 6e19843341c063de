import { CopyButton } from '../../../controls/copy-button';
import { significant } from '../../../figures/as-measured';
import type { Harm } from '../../../predictors/find-harm';
import { useComputing } from '../../../predictors/use-computing';
import { harmSentence } from '../../../predictors/words';
import { displayName } from '../../../study/variable-name';
import type { ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';
import type { PredictorsViewProps } from '../stage-props';

interface HarmRow {
  readonly name: string;
  readonly harm: Harm;
  readonly partner: string;
  readonly without: Harm['without'][number] | null;
}

/** What it does to the coefficients: how far SEs are inflated, and how estimates move when a partner is left out. */
export function HarmSection({ model, terms, of, chosen }: PredictorsViewProps) {
  const columns = terms.map((term) => term.columns);
  const { data } = useComputing('harm', of, [model.triangle, columns], terms);
  const outcome = displayName(chosen.outcome ?? { name: '' });
  if (!data) return null;
  const { facts, found } = data;
  const nameOf = (place: number) => facts[place]?.name ?? '';
  const said = harmSentence(found, nameOf);
  const rows = (found ?? []).flatMap((harm): HarmRow[] => {
    const name = nameOf(harm.term);
    if (harm.without.length === 0) return [{ name, harm, partner: '–', without: null }];
    return harm.without.map((without) => ({ name, harm, partner: nameOf(without.partner), without }));
  });
  const table: ValueTable<HarmRow> = {
    caption: `How collinearity bears on the regression of ${outcome}`,
    columns: [
      { name: 'predictor', shown: ({ name }) => name },
      { name: 'SE inflated by', shown: ({ harm }) => `${significant(harm.factor)} times`, exact: ({ harm }) => harm.factor },
      { name: 'b', shown: ({ harm }) => significant(harm.b), exact: ({ harm }) => harm.b },
      { name: 'SE', shown: ({ harm }) => significant(harm.se), exact: ({ harm }) => harm.se },
      { name: 'left out', shown: ({ partner }) => partner, align: 'left' },
      { name: 'b then', shown: ({ without }) => significant(without?.b ?? null), exact: ({ without }) => without?.b ?? null },
      { name: 'SE then', shown: ({ without }) => significant(without?.se ?? null), exact: ({ without }) => without?.se ?? null },
    ],
    rows,
  };
  return (
    <section aria-label="What harm it does">
      <div className="flex items-baseline gap-5">
        <h2 className="text-[15px]">What harm it does to the regression of {outcome}</h2>
        <CopyButton className="ml-auto text-[13px]" label="Copy the sentence" text={said} />
      </div>
      <p className="mt-1 max-w-4xl font-serif text-[16px] leading-snug" data-testid="harm">
        {said}
      </p>
      {rows.length > 0 && <ValueTableView table={table} className="mt-2 text-[13px]" testId="harm-table" />}
    </section>
  );
}
