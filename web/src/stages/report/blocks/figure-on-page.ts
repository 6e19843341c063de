import type { FigureOptions } from '../../../figures/export/figure-options';

/** Figures of a report: as wide as its text, at print quality. */
export const FIGURE_ON_PAGE: FigureOptions = { width: 160, font: 9, resolution: 300, colour: true };
