import type { Derivation } from '@ivlen/contract';

/** Labels of the groups that a cut makes, by code from 1. */
export function groupLabels(derivation: Derivation): Record<string, string> {
  if (derivation.type === 'cut') {
    const { points } = derivation;
    const labels = [
      `below ${points[0]}`,
      ...points.slice(1).map((point, i) => `${points[i]} to below ${point}`),
      `${points.at(-1)} and above`,
    ];
    return Object.fromEntries(labels.map((label, i) => [String(i + 1), label]));
  }
  if (derivation.type === 'quantile-groups') {
    const { groups } = derivation;
    const end = (group: number) => (group === 1 ? ' (lowest)' : group === groups ? ' (highest)' : '');
    return Object.fromEntries(Array.from({ length: groups }, (_, i) => [String(i + 1), `group ${i + 1} of ${groups}${end(i + 1)}`]));
  }
  return {};
}
