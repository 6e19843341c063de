import { type Remote, wrap } from 'comlink';
import type { Computing } from './computing';
import type { Drawing } from './drawing';
import type { PlotData, PlotLook } from './plot-data';
import type { Sheet } from './sheet';

/** The two workers of the stage: one draws, the other computes, so that neither waits for the other. */
export interface PlottingWorkers {
  readonly drawing: Remote<Drawing>;
  readonly computing: Remote<Computing>;
  readonly given: { drawn: PlotData | null; computed: PlotData | null; look: PlotLook | null; sheet: Sheet | null };
}

let workers: PlottingWorkers | null = null;

/** Made when they are first needed, and kept. */
export function plottingWorkers(): PlottingWorkers {
  workers ??= {
    drawing: wrap<Drawing>(new Worker(new URL('./plotter.worker.ts', import.meta.url), { type: 'module' })),
    computing: wrap<Computing>(new Worker(new URL('./computing.worker.ts', import.meta.url), { type: 'module' })),
    given: { drawn: null, computed: null, look: null, sheet: null },
  };
  return workers;
}

/** Asks the workers about one set of data: whoever asks first after a change hands the data over. Messages keep their order. */
export class PlottingClient {
  constructor(
    readonly data: PlotData,
    /** Tells these data from all others. */
    readonly key: string,
    private readonly workers: PlottingWorkers = plottingWorkers(),
  ) {}

  /** @param sheet the panels that are asked about; null where none of them are */
  drawing(look: PlotLook, sheet: Sheet | null = null): Remote<Drawing> {
    const { drawing, given } = this.workers;
    if (given.drawn !== this.data) void drawing.setData(this.data);
    if (given.look !== look) void drawing.setLook(look);
    if (sheet && given.sheet !== sheet) void drawing.setSheet(sheet);
    Object.assign(given, { drawn: this.data, look, sheet: sheet ?? given.sheet });
    return drawing;
  }

  get computing(): Remote<Computing> {
    const { computing, given } = this.workers;
    if (given.computed !== this.data) void computing.setData(this.data);
    given.computed = this.data;
    return computing;
  }
}
