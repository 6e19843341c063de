import type { Change } from '@ivlen/contract';
import { readAsNumbers } from '../readings/read-variable';
import type { AppliedChange, ChangeContext } from './applied-change';
import { defineVariable, redefineVariable } from './derived-variables';
import { editCells } from './edit-cells';
import { editEntry, editVariable, meanMissing } from './edit-entries';
import { keepSelection } from './keep-selection';
import { setPairMethod } from './pair-methods';
import { notePair } from './pair-notes';
import { leaveOutPredictor, takeInPredictor } from './predictor-decisions';
import { askQuestion, dropHypothesis, dropQuestion, rewordQuestion, showResults, stateHypothesis } from './questions';
import { removeVariable } from './remove-variable';
import { keepNoScale } from './scale-decisions';
import { bringBack, setAside } from './set-rows-aside';
import { acceptValue, forgetSubset, nameSubset, setSubset } from './subsets';
import { takeOverChoices } from './take-over-choices';
import { takeRemedy } from './take-remedy';

/** Applies one change; what it writes of columns belongs to the revision of the context. @throws {DomainError} a change that does not fit. */
export async function applyChange(context: ChangeContext, change: Change): Promise<AppliedChange> {
  const { state } = context.table;
  switch (change.type) {
    case 'edit-study':
      return editEntry(state, change.patch);
    case 'edit-variable':
      return editVariable(state, change.variable, change.patch, context.number);
    case 'mean-missing':
      return meanMissing(state, change, context.number);
    case 'read-as-numbers':
      return readAsNumbers(context, change);
    case 'edit-cells':
      return editCells(context, change);
    case 'set-aside':
      return setAside(context, change);
    case 'bring-back':
      return bringBack(context, change);
    case 'keep-selection':
      return keepSelection(context, change);
    case 'set-subset':
      return setSubset(context, change.subset);
    case 'name-subset':
      return nameSubset(context, change.named);
    case 'forget-subset':
      return forgetSubset(state, change.name);
    case 'derive':
      return defineVariable(context, change.definition);
    case 'redefine':
      return redefineVariable(context, change.variable, change.definition);
    case 'remove-variable':
      return removeVariable(state, change.variable);
    case 'no-scale-kept':
      return keepNoScale(context, change.variable);
    case 'leave-out-predictor':
      return leaveOutPredictor(context, change);
    case 'take-in-predictor':
      return takeInPredictor(state, change.variable);
    case 'set-pair-method':
      return setPairMethod(state, change);
    case 'take-remedy':
      return takeRemedy(state, change);
    case 'ask-question':
      return askQuestion(state, change);
    case 'reword-question':
      return rewordQuestion(state, change);
    case 'drop-question':
      return dropQuestion(state, change);
    case 'state-hypothesis':
      return stateHypothesis(state, change);
    case 'drop-hypothesis':
      return dropHypothesis(state, change);
    case 'show-results':
      return showResults(state, change);
    case 'note-pair':
      return notePair(state, change);
    case 'take-over':
      return takeOverChoices(context, change.from);
    case 'accept-value':
      return acceptValue(context, change);
  }
}
