/** Starts the workers that draw scatterplots before they are asked to. */
export async function startPlotting(): Promise<void> {
  const { plottingWorkers } = await import('./scatterplots/plotting/plotting-client');
  plottingWorkers();
}
