import { useLongAnalysis } from '../api/use-long-analysis';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { StoppedNotice } from '../controls/stopped-notice';
import { displayName } from '../study/variable-name';
import { dependenceInWords } from './dependence-words';
import { type PairContext, pairOf } from './pair-request';

/** Shuffles and seed of everything that asks whether anything is there. */
export const SHUFFLES = { permutations: 999, seed: 1 } as const;

/** Whether anything at all is there, of whatever form: what neither a line nor an order would see. */
export function DependenceSection({ context }: { readonly context: PairContext }) {
  const { study, pair, settings } = context;
  const request = { kind: 'dependence' as const, ...pairOf(context), ...SHUFFLES };
  const { data, error, progress, stopped, stop, resume } = useLongAnalysis(study, request);
  if (error) return <FailureNotice error={error} />;
  if (stopped) return <StoppedNotice words="The shuffling was stopped." again="Shuffle" onResume={resume} />;
  if (!data) return <ProgressLine label="Shuffling" progress={progress} onStop={stop} />;
  const names = { x: displayName(pair.x), y: displayName(pair.y) };
  return <p data-testid="dependence">{dependenceInWords(data, names, settings.levels[0] ?? 0.05).join(' ')}</p>;
}
