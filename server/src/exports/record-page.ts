import {
  type Analysis,
  type AnalysisKind,
  type AnalysisRecord,
  derivationInWords,
  ROWS_CHOSEN_WORDS,
  type StudyArchive,
  subsetInWords,
} from '@ivlen/contract';
import { renameInFormula } from '@ivlen/core';

/** How each kind of analysis is computed, for somebody with another program. */
const FORMULAS: Readonly<Record<AnalysisKind, string>> = {
  summary: 'Number of values, of missing and of different ones.',
  correlation:
    'For each pair of rows complete for both: r = Σ(x − x̄)(y − ȳ)/√(Σ(x − x̄)² Σ(y − ȳ)²), t = r√(n − 2)/√(1 − r²) with n − 2 degrees of freedom; ρ is r of the midranks; τ-b = (C − D)/√((N − ties in x)(N − ties in y)) over the N = n(n − 1)/2 pairs of rows.',
  pair: 'r, ρ and τ-b as for a matrix, over the rows complete for both; intervals on the scale of z = artanh, back by tanh.',
  describe: 'Mean, SD with divisor n − 1, quartiles by linear interpolation, skewness G₁ and excess kurtosis G₂, adjusted for n.',
  missing: 'Missing values counted, singly and together.',
  suspicious: 'Values outside the stated range, far out, or that would fit with the decimal point moved; with and without each.',
  shape: 'Descriptives, histogram, normal quantiles and tests of normality of one variable.',
  scales: 'The variable on other scales: square root, cube root, logarithm, reciprocal, square, Box–Cox, Yeo–Johnson, normal scores.',
  joint: 'Mardia, Henze–Zirkler and Doornik–Hansen tests of joint normality over the rows complete for all.',
  line: 'Least squares: slope = Σ(x − x̄)(y − ȳ)/Σ(x − x̄)², intercept = ȳ − slope · x̄.',
  prediction: 'The line’s value at a place, with the interval of its mean and of a new case.',
  influence: 'The coefficient again without each row in turn.',
  resample: 'The coefficient of samples of the rows, or of permuted rows, drawn by a seeded generator.',
  dependent: 'Two coefficients of the same rows: Williams, Meng–Rosenthal–Rubin or Steiger, Dunn–Clark, and Zou’s interval.',
  cautions: 'What a reader should know of each pair, each with the values it was judged by.',
  subgroups: 'Coefficients in each group; Q = Σ w(z − z̄)² with w = n − 3 for r; coefficient within groups.',
  'subgroup-pair': 'One pair across groups: slopes, spreads, every two groups.',
  'group-permutation': 'Group labels permuted by a seeded generator.',
  'equal-matrices': 'Jennrich’s test of equal correlation matrices.',
  'subgroup-descriptives': 'Means and standard deviations in each group.',
  collinearity: 'The triangle R of the QR decomposition of the centred columns, from which VIF = 1/(1 − R²) and condition indices follow.',
  'complete-rows': 'Rows complete for some variables, and what each costs.',
  gaps: 'Means, SDs and r by maximum likelihood under joint normality (EM), beside those of complete pairs and complete rows; Little’s d².',
  'repeated-rows':
    'r of deviations from the means of each identifier (N − k − 1 degrees of freedom), r of these means weighted by rows (k − 2), and intervals from identifiers drawn with all their rows.',
  ways: 'Each combination of choices computed on its own rows; shares: what R² of the additive model of z = artanh loses without a choice.',
  'ways-test':
    'One variable permuted against all others by a seeded generator, every way computed again; p = (b + 1)/(m + 1) of shuffles with as extreme a median z, and with as many ways with p ≤ α of one sign.',
  dependence:
    'Distance correlation √(dCov²/√(dVar²·dVar²)) with p by seeded permutation, above 1,000 rows P(χ²₁ ≥ nC + 1); ξ = 1 − nΣ|rᵢ₊₁ − rᵢ|/(2Σlᵢ(n − lᵢ)) in order of x, both directions.',
  unseen: 'The same for every pair, adjusted after Holm, where neither r nor ρ is significant.',
  reliability: 'Intraclass coefficients of Shrout and Fleiss: ICC(1,1), ICC(1,k), ICC(3,k), with limits from F.',
  attenuation: 'r/√(rel x · rel y); limits of r divided likewise, or from rows drawn again where reliabilities are estimated.',
  regression: 'Least squares by QR; t, p and intervals with n − p − 1 degrees of freedom; Cook’s distance, leverage, residuals.',
};
/** Longer lists are shortened here; analysis.json has them whole. */
const [MOST_LISTED, MOST_VALUES] = [40, 160];

/** record.html: in numbered steps what was done, for people without the program. */
export function recordPage({ state, rows, trail, setAside, name }: StudyArchive, record: AnalysisRecord): string {
  const { variables } = state;
  const nameOf = (id: string) => variables.find((variable) => variable.id === id)?.name ?? id;
  const steps = [
    step('The data', [
      `data.csv has ${rows} rows; its column “row” numbers them. SHA-256 of the file: ${record.dataSha256}.`,
      state.rowMeaning && `Each row is ${state.rowMeaning}.`,
      state.rowsChosen && `The rows ${ROWS_CHOSEN_WORDS[state.rowsChosen]}.`,
      state.source && `Source: ${state.source}`,
      state.citation && `Cited as ${state.citation}`,
      state.exclusions && `Known to be missing: ${state.exclusions}`,
    ]),
    step(
      'Variables',
      variables.map(({ name: called, unit, kind, missingCodes, role, derivation }) =>
        [
          `${called}${unit ? `, ${unit}` : ''}: ${kind}`,
          role ? `role ${role}` : '',
          missingCodes.length > 0 ? `missing: ${missingCodes.join(', ')}` : '',
          derivation ? `derived: ${derivationInWords(derivation, variables, renameInFormula)}` : '',
        ]
          .filter(Boolean)
          .join('; '),
      ),
    ),
    step('Rows that are used', [
      setAside.length === 0
        ? 'No row is set aside.'
        : `Set aside: ${setAside.map(([from, to, reason]) => `${from === to ? `row ${from}` : `rows ${from} to ${to}`} (${state.setAside?.reasons[reason - 1] ?? ''})`).join(', ')}.`,
      state.subset ? `Only rows where ${subsetInWords(state.subset, variables)}.` : 'There is no subset.',
    ]),
    step(
      'Decisions, in their order',
      trail
        .toReversed()
        .map(({ number, summary, reason, created }) => `${number}. ${summary}${reason ? ` (${reason})` : ''}, ${created.slice(0, 10)}`),
    ),
    ...record.items.map(({ title, methods, revision, analyses }) =>
      [
        `<h2>${escaped(title)}</h2>`,
        ...methods.map((words) => `<p>${escaped(words)}</p>`),
        revision === record.revision ? '' : `<p>Computed with the data of decision ${revision}, which are not those of data.csv.</p>`,
        ...analyses.map(({ request, result }) => analysisStep(request, result, nameOf)),
      ].join('\n'),
    ),
  ];
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Record: ${escaped(name)}</title>
<style>body{font:15px/1.5 Georgia,serif;max-width:52rem;margin:2rem auto;padding:0 1rem}table{border-collapse:collapse;font:12px system-ui,sans-serif}td,th{text-align:left;padding:1px 10px 1px 0;vertical-align:top}h2{font-size:1.15rem;margin-top:2rem}</style>
</head><body><h1>Record: ${escaped(name)}</h1>
<p>Made on ${escaped(record.made.slice(0, 10))} with Ivlen ${escaped(record.program)}. Every number to its last digit is in analysis.json; “./ivlen replay” with the archive computes all of it again.</p>
${steps.join('\n')}
</body></html>
`;
}

function step(title: string, lines: readonly (string | null | undefined | false)[]): string {
  const items = lines.filter((line): line is string => typeof line === 'string' && line !== '').map((line) => `<li>${escaped(line)}</li>`);
  return `<h2>${escaped(title)}</h2>\n<ol>${items.join('\n')}</ol>`;
}

function analysisStep(request: Analysis, result: unknown, nameOf: (id: string) => string): string {
  const options = valuesOf(request, '', nameOf).filter(([key]) => key !== 'kind');
  const values = valuesOf(result, '', nameOf).filter(([key]) => key !== 'kind');
  const more = values.length - MOST_VALUES;
  const table = (lines: readonly (readonly [string, string])[]) =>
    `<table>${lines.map(([key, value]) => `<tr><th scope="row">${escaped(key)}</th><td>${escaped(value)}</td></tr>`).join('')}</table>`;
  return [
    `<details open><summary>${escaped(request.kind)}: ${escaped(FORMULAS[request.kind])}</summary>`,
    `<h3>Asked</h3>${table(options)}`,
    `<h3>Found</h3>${table(values.slice(0, MOST_VALUES))}`,
    more > 0 ? `<p>And ${more} more values in analysis.json.</p>` : '',
    '</details>',
  ].join('\n');
}

/** Every number and word of an object under its path; ids of variables by their names. */
function valuesOf(value: unknown, path: string, nameOf: (id: string) => string): [string, string][] {
  if (value === null || value === undefined) return [[path, '–']];
  if (typeof value === 'string') return [[path, nameOf(value)]];
  if (typeof value !== 'object') return [[path, String(value)]];
  if (Array.isArray(value)) {
    const simple = value.every((item) => item === null || typeof item !== 'object');
    if (simple) {
      const listed = value.slice(0, MOST_LISTED).map((item) => (typeof item === 'string' ? nameOf(item) : (item ?? '–')));
      return [[path, `${listed.join(', ')}${value.length > MOST_LISTED ? ` and ${value.length - MOST_LISTED} more` : ''}`]];
    }
    return value.flatMap((item, i) => valuesOf(item, `${path}[${i + 1}]`, nameOf));
  }
  return Object.entries(value).flatMap(([key, inner]) => valuesOf(inner, path ? `${path}.${nameOf(key)}` : nameOf(key), nameOf));
}

const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;' };

function escaped(text: string): string {
  return text.replaceAll(/[&<>]/g, (sign) => ESCAPES[sign] ?? sign);
}
