import { createContext, useContext } from 'react';
import type { Tell } from './told';

/** How what is pinned in each stage is told, by the stage's id; loaded when something is told. */
export type TellingStages = Readonly<Record<string, () => Promise<Tell>>>;

/** Where the report learns of the stages, of which it is one: they are listed above all of them. */
const TellingStagesContext = createContext<TellingStages>({});

export const TellingOfStages = TellingStagesContext.Provider;

export function useTellingStages(): TellingStages {
  return useContext(TellingStagesContext);
}
