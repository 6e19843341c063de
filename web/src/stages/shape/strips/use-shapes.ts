import type { ShapeResult, Study } from '@ivlen/contract';
import { useQueries } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { analysisQuery } from '../../../api/queries';
import { type StripSubject, shapeRequest } from './shape-lines';

/** How many are asked for ahead of those that have come. */
const AHEAD = 2;
const SLOW_MS = 1000;
/** Up to so many values all shapes together take no time worth waiting for. */
const QUICK_VALUES = 100_000;

export interface Shapes {
  /** One for each subject; undefined while it is not there. */
  readonly shapes: readonly (ShapeResult | undefined)[];
  readonly computed: number;
  /** Whether it takes long enough to say how far it is. */
  readonly slow: boolean;
  /** Computes no more than what comes into view. */
  stop(): void;
}

/**
 * The shapes of all strips: those on screen ask for theirs themselves, the others follow a few at a time where there are many rows.
 * @param atOnce an order by numbers needs all of them
 */
export function useShapes(study: Study, subjects: readonly StripSubject[], atOnce: boolean): Shapes {
  const [unlocked, setUnlocked] = useState(0);
  const [stopped, setStopped] = useState(false);
  const [slow, setSlow] = useState(false);
  const all = atOnce || subjects.length * study.rows <= QUICK_VALUES;
  const shapes = useQueries({
    queries: subjects.map((subject, i) => ({
      ...analysisQuery(study.id, study.head, shapeRequest(subject)),
      enabled: !stopped && (all || i < unlocked),
    })),
    combine: (results) => results.map(({ data }) => data),
  });
  const computed = shapes.filter((shape) => shape !== undefined).length;
  useEffect(() => setUnlocked(computed + AHEAD), [computed]);
  useEffect(() => {
    const timer = setTimeout(() => setSlow(true), SLOW_MS);
    return () => clearTimeout(timer);
  }, []);
  return { shapes, computed, slow: slow && !stopped, stop: () => setStopped(true) };
}
