import { type ChangeOf, pairKey, type StudyState } from '@ivlen/contract';
import { variableOf } from '../columns/columns';
import { type AppliedChange, nothingChanges } from './applied-change';

/** Writes, rewrites or takes away the note about a pair. */
export function notePair(state: StudyState, { pair: [a, b], text }: ChangeOf<'note-pair'>): AppliedChange {
  const names = [a, b].map((id) => variableOf({ state }, id).name).join(' and ');
  const key = pairKey(a, b);
  if ((state.pairNotes[key] ?? '') === text) throw nothingChanges();
  const { [key]: before, ...others } = state.pairNotes;
  return {
    kind: 'pair-note',
    summary: text === '' ? `Note about ${names} taken away` : `Note about ${names} ${before === undefined ? 'written' : 'rewritten'}`,
    state: { ...state, pairNotes: text === '' ? others : { ...others, [key]: text } },
  };
}
