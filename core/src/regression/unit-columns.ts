import { centreColumn } from '../columns/centre';
import { scaleToOne } from '../columns/power-of-two';

/** A column as a multiple of a column of unit length, shifted: xᵢ = shift + remainder + lengthᵢ·unitᵢ. */
export interface UnitColumn {
  readonly unit: Float64Array;
  readonly length: number;
  /** The mean, or 0 where the column is not centred. */
  readonly shift: number;
  /** What `shift` is short of the true mean. */
  readonly remainder: number;
  /** No variation (centred) or nothing but zeros. */
  readonly empty: boolean;
  /** Remaining norms up to this are rounding: max(1e−12, 10ε·‖x‖/‖x − x̄‖). */
  readonly tolerance: number;
}

const LEAST_TOLERANCE = 1e-12;

/** Centres a complete column and brings it to unit length. */
export function centredUnit(x: Float64Array): UnitColumn {
  const { centred, scale, mean, remainder, constant } = centreColumn(x);
  const norm = Math.sqrt(sumOfSquares(centred));
  const length = norm / scale;
  for (let i = 0; i < centred.length; i++) centred[i] /= norm;
  const tolerance = Math.max(LEAST_TOLERANCE, 10 * Number.EPSILON * Math.hypot(1, (mean * Math.sqrt(x.length)) / length));
  return { unit: centred, length, shift: mean, remainder, empty: constant, tolerance };
}

/** Brings a complete column to unit length as it is. */
export function plainUnit(x: Float64Array): UnitColumn {
  const largest = x.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  const scaled = x.map((value) => value / (largest || 1));
  const norm = Math.sqrt(sumOfSquares(scaled));
  const unit = norm > 0 ? scaled.map((value) => value / norm) : scaled;
  return { unit, length: norm * largest, shift: 0, remainder: 0, empty: !(norm > 0), tolerance: LEAST_TOLERANCE };
}

export function sumOfSquares(values: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i] * values[i];
  return sum;
}

/** √Σv², of values so large or small that their squares leave the range of numbers too. */
export function lengthOf(values: Float64Array): number {
  const scale = scaleOf(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value * scale) ** 2, 0)) / scale;
}

/** The power of two that brings the largest magnitude near 1. */
export function scaleOf(values: Float64Array): number {
  return scaleToOne(values.reduce((most, value) => Math.max(most, Math.abs(value)), 0));
}
