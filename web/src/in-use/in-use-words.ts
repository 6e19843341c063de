import type { ChoiceWords } from '../methods-line/methods-parts';

/** The choices that every stage's sentence has: what is looked at, and in which rows. */
export type InUseChoice = 'variables' | 'rows';

/** @param text how they are called there: "8 variables", "2 outcomes with 3 predictors" */
export function variablesWords(text: string): ChoiceWords<'variables'> {
  return { choice: 'variables', text, label: 'the variables', usual: true };
}

/** @param text "all 248 rows", "236 of 248 rows" */
export function rowsWords(text: string): ChoiceWords<'rows'> {
  return { choice: 'rows', text, label: 'the rows', usual: true, wide: true };
}

export function countOfVariables(count: number): string {
  return `${count} ${count === 1 ? 'variable' : 'variables'}`;
}
