import type { Change, PairCaution, TakenRemedy } from '@ivlen/contract';
import { pairKey, remedyOfPair } from '@ivlen/contract';
import { CAUTION_WORDS } from '../coefficients/caution-words';
import { useCautions } from '../coefficients/use-cautions';
import { type AdviceContext, advisedRemedy, isForAll, isSettled, rowToDoWithout } from '../remedies/advised-remedy';
import { remedyPhrase } from '../remedies/remedy-words';
import { useReadOnly } from '../study/read-only';
import { SetAsideMenu } from '../study/set-aside-menu';
import { useStudyChanges } from '../study/use-study-changes';
import type { PairContext } from './pair-request';

interface CautionActionsProps {
  readonly context: PairContext;
  readonly caution: PairCaution;
  readonly advice: AdviceContext;
  /** What the caution says, for the trail. */
  readonly because: string;
}

/** Doing what a caution advises, for this pair or for all pairs with it: each a decision in the trail. */
export function CautionActions({ context, caution, advice, because }: CautionActionsProps) {
  const { study, pair, settings } = context;
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const pairs = usePairsWith(context, caution, advice);
  if (readOnly || settings.control.length > 0) return null;
  const decide = (decided: Change) => change.mutate({ change: decided, reason: because });
  const row = rowToDoWithout(caution);
  if (row !== null) {
    return (
      <Buttons>
        <SetAsideMenu
          label={`Set row ${row} aside …`}
          className="button-quiet"
          disabled={change.isPending}
          onChoose={(chosen, words) =>
            change.mutate({
              change: { type: 'set-aside', choice: { rows: [[row, row]] }, because: chosen },
              ...(words ? { reason: words } : {}),
            })
          }
        />
      </Buttons>
    );
  }
  const remedy = advisedRemedy(caution, advice);
  if (!remedy) return null;
  const taken = remedyOfPair(study.state.remedies, pair.x.id, pair.y.id);
  if (isSettled(caution, taken, advice)) {
    const own = Object.hasOwn(study.state.remedies.pairs, pairKey(pair.x.id, pair.y.id));
    return (
      <Buttons>
        <span className="text-muted">Done, as decided; the trail says why.</span>
        <button
          type="button"
          className="button-quiet"
          disabled={change.isPending}
          onClick={() => change.mutate({ change: { type: 'take-remedy', remedy: null, pairs: own ? [[pair.x.id, pair.y.id]] : 'every' } })}
        >
          {own ? 'As without it' : 'All pairs as without it'}
        </button>
      </Buttons>
    );
  }
  const words = `${remedy.kind === 'method' ? '' : 'Take it '}${remedyPhrase(remedy, study)}`;
  return (
    <Buttons>
      <button
        type="button"
        className="button-quiet"
        disabled={change.isPending}
        onClick={() => decide({ type: 'take-remedy', remedy, pairs: [[pair.x.id, pair.y.id]] })}
      >
        {capital(words)}
      </button>
      {pairs && (
        <button
          type="button"
          className="button-quiet"
          disabled={change.isPending}
          onClick={() => decide({ type: 'take-remedy', remedy, pairs: pairs.all })}
        >
          {pairs.words}
        </button>
      )}
    </Buttons>
  );
}

function Buttons({ children }: { readonly children: React.ReactNode }) {
  return <span className="mt-1 flex flex-wrap items-baseline gap-x-4 gap-y-1 text-[13px]">{children}</span>;
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** All pairs on screen that have the caution, where there are others than this one. */
function usePairsWith(
  { study, pair, settings, among }: PairContext,
  { code }: PairCaution,
  advice: AdviceContext,
): { readonly all: 'every' | [string, string][]; readonly words: string } | null {
  const { cautions } = useCautions(study, among, settings, among.length > 2, false);
  if (among.length < 3) return null;
  const found = [...(cautions ?? [])].flatMap(([key, list]) => {
    const same = list.find((caution) => caution.code === code);
    const remedy = same && advisedRemedy(same, advice);
    return remedy ? [{ key, remedy }] : [];
  });
  const example = found[0]?.remedy ?? null;
  // About the rows or the variables: one rule says it, also for pairs that come later.
  if ((example && isForAll(example) && !isOfGroups(example, advice)) || (cautions === undefined && FOR_ALL.has(code))) {
    return { all: 'every', words: 'For all pairs' };
  }
  const keys = found.filter(({ key }) => key !== pairKey(pair.x.id, pair.y.id));
  if (keys.length === 0) return null;
  const all = [[pair.x.id, pair.y.id] as [string, string], ...keys.map(({ key }) => key.split('~') as [string, string])];
  return { all, words: `For all ${all.length} pairs with “${CAUTION_WORDS[code].short}”` };
}

const FOR_ALL: ReadonlySet<PairCaution['code']> = new Set(['rows-not-independent', 'many-missing', 'ordinal', 'below-limit']);

/** Groups that hide or reverse do so in some pairs only. */
function isOfGroups(remedy: TakenRemedy, { groupBy }: AdviceContext): boolean {
  return remedy.kind === 'within' && remedy.by === groupBy;
}
