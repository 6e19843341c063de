import type { DiagonalContent, PanelContent, ScatterplotSettings } from '@ivlen/contract';
import { joined } from '../../coefficients/coefficient-names';

interface Words {
  readonly name: string;
  readonly words: string;
}

export const PANEL_WORDS: Readonly<Record<PanelContent, Words>> = {
  points: { name: 'values', words: 'A point for each row; what Pearson’s r sees.' },
  ranks: { name: 'ranks', words: 'The same pairs in ranks; what Spearman’s ρ and Kendall’s τ see.' },
  bins: { name: 'counts in bins', words: 'How many rows lie in each small square: darker for more.' },
  coefficient: { name: 'coefficients', words: 'The coefficient with its marks; per group too where groups are told apart.' },
  nothing: { name: 'nothing', words: 'This half stays empty.' },
};

export const DIAGONAL_WORDS: Readonly<Record<DiagonalContent, Words>> = {
  histogram: { name: 'histograms', words: 'Bins by Freedman and Diaconis’s rule.' },
  density: { name: 'densities', words: 'Smooth curves; one for each group where groups are told apart, together as high as all rows.' },
  quartiles: {
    name: 'quartiles',
    words: 'Median, quartiles, and the range without outlying values; per group where groups are told apart.',
  },
  name: { name: 'names alone', words: 'Name and unit.' },
};

/** "line with band, smooth curve and 95 % ellipse", or "nothing". */
export function overlaysInWords({
  line,
  curve,
  ellipse,
  share,
}: Pick<ScatterplotSettings, 'line' | 'curve' | 'ellipse' | 'share'>): string {
  const parts = [line ? 'a line with band' : '', curve ? 'a smooth curve' : '', ellipse ? `a ${shareInWords(share)} ellipse` : ''].filter(
    Boolean,
  );
  return parts.length === 0 ? 'nothing' : joined(parts);
}

export function shareInWords(share: number): string {
  return `${Math.round(share * 1000) / 10} %`;
}

/** What the ellipse means, and what it does not. */
export function ellipseInWords(share: number, perGroup: boolean): string {
  return `The ellipse would hold ${shareInWords(share)} of the cases${perGroup ? ' of its group' : ''} if the two variables were jointly normal; it is not where the means are known to lie. In ranks there is none.`;
}

export type Overlay = 'line' | 'curve' | 'ellipse';

/** What can be laid over points. */
export function overlayOptions(ellipse: string): readonly { readonly value: Overlay; readonly name: string; readonly words: string }[] {
  return [
    { value: 'line', name: 'Line with its band', words: 'Least squares, and where the population’s line lies.' },
    { value: 'curve', name: 'Smooth curve', words: 'Local regression (LOWESS): what the points do, straight or not.' },
    { value: 'ellipse', name: 'Ellipse', words: ellipse },
  ];
}

/** Those that are on, and the settings for some of them. */
export function overlaysOn(settings: Readonly<Record<Overlay, boolean>>): Overlay[] {
  return (['line', 'curve', 'ellipse'] as const).filter((overlay) => settings[overlay]);
}

export function withOverlays(on: readonly Overlay[]): Record<Overlay, boolean> {
  return { line: on.includes('line'), curve: on.includes('curve'), ellipse: on.includes('ellipse') };
}
