import type { Variable } from '@ivlen/contract';

/** A variable's name as people read it: mayfly_taxa is "mayfly taxa". */
export function displayName({ name }: Pick<Variable, 'name'>): string {
  return name.replaceAll('_', ' ');
}

/** Its name with the unit, as at an axis: "nitrate, mg/L". */
export function axisLabel(variable: Pick<Variable, 'name' | 'unit'>): string {
  return variable.unit ? `${displayName(variable)}, ${variable.unit}` : displayName(variable);
}
