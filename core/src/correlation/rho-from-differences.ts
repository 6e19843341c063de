import type { Coefficient } from './z-variance';

/**
 * ρ = (A + B − D)/(2√(AB)) from Σd² = D, where D, A and B are multiples of ¼ and exact in doubles to some 10⁵ rows.
 * 1 ∓ ρ = (D′ − (√A − √B)²)/(2√(AB)), with D′ = D or 2A + 2B − D, does not cancel near ±1.
 */
export function rhoFromDifferences(d: number, a: number, b: number): Coefficient {
  const root = a === b ? a : Math.sqrt(a) * Math.sqrt(b);
  const r = (a + b - d) / (2 * root);
  const gap = (a - b) / (Math.sqrt(a) + Math.sqrt(b));
  const distance = r >= 0 ? d : 2 * a + 2 * b - d;
  const oneMinusAbs = Math.abs(r) < 0.5 ? 1 - Math.abs(r) : Math.max(0, distance - gap * gap) / (2 * root);
  return { r: Math.abs(r) < 0.5 ? r : Math.sign(r) * (1 - oneMinusAbs), oneMinusAbs };
}
