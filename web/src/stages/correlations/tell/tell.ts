import type { Tell } from '../../../telling/told';
import { tellMatrix } from './tell-matrix';
import { tellPair } from './tell-pair';
import { tellQuestions } from './tell-question';
import { tellRanked, tellStrongest } from './tell-ranked';
import { tellRectangle } from './tell-rectangle';

const BY_VIEW: Readonly<Record<string, Tell>> = {
  grid: tellMatrix,
  ranked: tellRanked,
  strongest: tellStrongest,
  rectangle: tellRectangle,
  questions: tellQuestions,
};

/** What is pinned in the Correlations stage. */
export const tell: Tell = (pinned, asking) => {
  if (pinned.thing === 'pair') return tellPair(pinned, asking);
  const { view } = pinned.settings;
  return (BY_VIEW[String(view)] ?? tellMatrix)(pinned, asking);
};
