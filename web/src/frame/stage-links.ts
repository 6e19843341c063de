import { createContext, useContext } from 'react';

/** A stage as the frame links to it. */
export interface StageLink {
  readonly id: string;
  readonly name: string;
  /** Its parts. */
  readonly views?: readonly { readonly id: string; readonly name: string }[];
}

/** Where the frame learns of the stages, which it holds: they are listed above both. */
const StageLinksContext = createContext<readonly StageLink[]>([]);

export const StageLinks = StageLinksContext.Provider;

export function useStageLinks(): readonly StageLink[] {
  return useContext(StageLinksContext);
}
