import { rgb } from 'd3-color';
import { useMemo } from 'react';
import { useTheme } from '../../controls/theme';
import { GROUP_TOKENS } from '../../figures/group-styles';
import type { Axis } from './plotting/axes-of';
import { type Colour, mixed } from './plotting/picture';
import type { PlotLook } from './plotting/plot-data';

interface LookChoices {
  readonly bulk: readonly string[];
  readonly jitter: boolean;
  /** Groups that are not drawn, by their place in the list of groups. */
  readonly hidden: readonly number[];
}

/** How much of the bars' colour is left of points that are not lit. */
const FAINT = 0.6;

/** How the panels look under the theme and the settings; null while the axes are not known. */
export function usePlotLook(axes: ReadonlyMap<string, Axis> | undefined, { bulk, jitter, hidden }: LookChoices): PlotLook | null {
  const { theme, token } = useTheme();
  const hiddenKey = hidden.join();
  const bulkKey = bulk.join();
  // Another where the page is zoomed or moved to another screen.
  const ratio = window.devicePixelRatio || 1;
  return useMemo(() => {
    if (!axes || theme === undefined) return null;
    const colour = (name: `--${string}`): Colour => {
      const { r, g, b } = rgb(token(name));
      return [r, g, b];
    };
    return {
      ratio,
      surface: colour('--surface'),
      ink: colour('--ink'),
      faint: mixed(colour('--surface'), colour('--bar'), FAINT),
      lit: colour('--accent'),
      beyond: colour('--caution'),
      groups: GROUP_TOKENS.map(colour),
      hidden: hiddenKey === '' ? [] : hiddenKey.split(',').map(Number),
      domains: domainsOf(axes, bulkKey.split(',')),
      jitter: new Map(jitter ? [...axes].map(([id, axis]) => [id, axis.jitter] as const) : []),
    };
  }, [axes, bulkKey, jitter, hiddenKey, theme, token, ratio]);
}

/** Each axis over all values, or over their bulk where that was chosen. */
export function domainsOf(axes: ReadonlyMap<string, Axis>, bulk: readonly string[]): Map<string, readonly [number, number]> {
  return new Map([...axes].map(([id, axis]) => [id, (bulk.includes(id) && axis.bulk?.domain) || axis.all] as const));
}
