import { type ConversionRequest, convert } from './imports/conversion/conversion';
import type { ConversionMessage } from './imports/conversion/converter';
import { outcomeOf } from './workers/worker-outcome';

/** Entry of the process that turns a file into text: one request in, progress and one outcome out. */
process.once('message', async (request: ConversionRequest) => {
  const tell = (message: ConversionMessage) =>
    new Promise<void>((told) => void process.send?.(message, undefined, undefined, () => told()));
  const outcome = await outcomeOf(() => convert(request, (done, total) => void tell({ progress: { done, total } })));
  await tell({ outcome });
  process.disconnect();
});
// Whoever waited is gone.
process.once('disconnect', () => process.exit(0));
