import type { Draft } from './draft';

/** What was being written when the dialog was closed, by study, as long as the page is open. */
const drafts = new Map<string, Draft>();

interface KeptDraft {
  last(): Draft | null;
  put(draft: Draft): void;
  forget(): void;
}

/** @param begun whether the dialog was opened about a variable: then it starts from that, and nothing is kept */
export function keptDrafts(study: string, begun: boolean): KeptDraft {
  return {
    last: () => (begun ? null : (drafts.get(study) ?? null)),
    put: (draft) => {
      if (!begun) drafts.set(study, draft);
    },
    forget: () => {
      if (!begun) drafts.delete(study);
    },
  };
}
