import type { Variable } from './codebook';
import type { Rule, Subset } from './subsets';
import { labelOf } from './value-labels';

const VALUES_NAMED = 4;

/** "catchment is Aster and rows 61 to 140": a subset's rules as a phrase. */
export function subsetInWords({ join, rules }: Subset, variables: readonly Variable[]): string {
  return rules.map((rule) => ruleInWords(rule, variables)).join(join === 'all' ? ' and ' : ' or ');
}

function ruleInWords(rule: Rule, variables: readonly Variable[]): string {
  if (rule.type === 'rows') return `${rule.not ? 'not ' : ''}rows ${rule.from} to ${rule.to}`;
  const variable = variables.find(({ id }) => id === rule.variable);
  const name = variable?.name ?? 'a variable that is gone';
  const is = rule.not ? 'is not' : 'is';
  switch (rule.type) {
    case 'missing':
      return `${name} ${is} missing`;
    case 'one-of': {
      const labels = rule.values.map((value) => labelOf(variable?.valueLabels ?? {}, value) ?? value);
      if (labels.length === 1) return `${name} ${is} ${labels[0]}`;
      const more = labels.length > VALUES_NAMED ? ` or ${labels.length - VALUES_NAMED} more` : '';
      return `${name} ${is} one of ${labels.slice(0, VALUES_NAMED).join(', ')}${more}`;
    }
    case 'between': {
      const written = (value: number) =>
        variable?.storage === 'day' ? new Date(value * 86_400_000).toISOString().slice(0, 10) : String(value);
      if (rule.low === null && rule.high === null) return `${name} has a value`;
      if (rule.low === null) return `${name} ${is} ${written(rule.high ?? 0)} or less`;
      if (rule.high === null) return `${name} ${is} ${written(rule.low)} or more`;
      return `${name} ${is} between ${written(rule.low)} and ${written(rule.high)}`;
    }
  }
}
