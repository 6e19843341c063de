import type { ComponentType } from 'react';
import { Clouds } from './clouds';
import type { FigureProps } from './figure-props';
import { Intervals } from './intervals';
import { Kinds } from './kinds';
import { Matrix } from './matrix';
import { Sides } from './sides';
import { SkewedAndLog } from './skewed-and-log';
import { TwoGroups } from './two-groups';
import { HeldConstant, ValuesAndRanks } from './two-plots';

/** The drawings of the pages of help, by the name of their file; the only list of them. */
export const FIGURES: Readonly<Record<string, ComponentType<FigureProps>>> = {
  clouds: Clouds,
  matrix: Matrix,
  kinds: Kinds,
  'held-constant': HeldConstant,
  sides: Sides,
  intervals: Intervals,
  'values-and-ranks': ValuesAndRanks,
  'skewed-and-log': SkewedAndLog,
  'two-groups': TwoGroups,
};

/** Of every drawing, in units in which words have a size of their own. */
export const FIGURE_WIDTH = 640;
