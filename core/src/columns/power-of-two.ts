/**
 * The power of two that brings `magnitude` near 1: magnitude · result lies in [1/2, 2).
 * Multiplying by it is exact, so that columns of any size keep their digits. 1 for zero.
 */
export function scaleToOne(magnitude: number): number {
  if (!(magnitude > 0) || !Number.isFinite(magnitude)) return 1;
  const exponent = Math.floor(Math.log2(magnitude));
  // 2^-exponent itself must stay a normal number for subnormal magnitudes.
  return 2 ** -Math.max(-1022, Math.min(1022, exponent));
}
