import type { Study } from '@ivlen/contract';
import { Codebook } from './codebook';

/** The Data stage: so far its codebook. */
export function DataStage({ study }: { study: Study }) {
  return (
    <section aria-label="Data" className="min-w-0 flex-1 overflow-y-auto px-6 py-5">
      <div className="mx-auto max-w-5xl">
        <h1 className="mb-1 font-serif text-2xl">Codebook</h1>
        <p className="mb-4 text-muted">
          What each variable is and how it is shown. Every change is a decision in the trail and can be undone. The rows themselves will be
          shown and corrected here; this part of the stage is not built yet.
        </p>
        <Codebook study={study} />
      </div>
    </section>
  );
}
