// Writes docs/statistics.md from what the tests of core measured (npm run accuracy): every public function with its
// source, what it was checked against and the largest relative error found, and the digits of the NIST sets.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const FOLDER = '.tsc/accuracy';
const SOURCES = 'core/src';

const reports = readdirSync(FOLDER).map((file) => JSON.parse(readFileSync(join(FOLDER, file), 'utf8')));
const measured = reports.flatMap(({ measured }) => measured);
const digits = reports.flatMap(({ digits }) => digits);

/** Every function that core's index exports, with its file. */
function publicFunctions() {
  const index = readFileSync(join(SOURCES, 'index.ts'), 'utf8');
  return [...index.matchAll(/export\s+\{([^}]*)\}\s+from\s+'\.\/([^']+)'/g)].flatMap(([, names, path]) => {
    const source = readFileSync(join(SOURCES, `${path}.ts`), 'utf8');
    return names
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name && !name.startsWith('type ') && startOf(name, source) >= 0)
      .map((name) => ({ name, source }));
  });
}

/** Where a function begins, with type parameters or without; -1 where it is not of this file. */
function startOf(name, source) {
  return source.search(new RegExp(`export function ${name}[(<]`));
}

/** Authors and years that a function's doc comment names. */
function citations({ name, source }) {
  const before = source.slice(0, startOf(name, source));
  const doc = before
    .slice(before.lastIndexOf('/**'))
    .replace(/@example[\s\S]*/, '')
    .replace(/^\s*\/?\*+\/?/gm, ' ')
    .replace(/\s+/g, ' ');
  const cited = /([A-Z][\p{L}’'.-]+(?:(?:,| &| and| de) [A-Zv][\p{L}’'.-]+)*(?: et al\.)?),? \(?((?:18|19|20)\d\d)\b/gu;
  return [...new Set([...doc.matchAll(cited)].map(([, authors, year]) => `${authors} (${year})`))].join('; ');
}

const tableRows = publicFunctions()
  .sort((a, b) => a.name.localeCompare(b.name))
  .flatMap((entry) => {
    const checks = measured.filter(({ name }) => name === entry.name).sort((a, b) => a.against.localeCompare(b.against));
    const cells = checks.length > 0 ? checks : [null];
    return cells.map((check, k) => {
      const [name, cited] = k === 0 ? [`\`${entry.name}\``, citations(entry)] : ['', ''];
      return check
        ? `| ${name} | ${cited} | ${check.against} | ${check.checks} | ${check.error === 0 ? '0' : check.error.toExponential(1)} |`
        : `| ${name} | ${cited} | by its own tests (definition, edges) | | |`;
    });
  });

const sets = [...new Set(digits.map(({ set }) => set))];
const figures = ['mean', 'sd', 'coefficients', 'se', 'residualSd', 'r2'];
const nistRows = sets.map((set) => {
  const cells = figures.map((figure) => digits.find((entry) => entry.set === set && entry.figure === figure)?.digits.toFixed(1) ?? '');
  return `| ${set} | ${cells.join(' | ')} |`;
});

const { lines, references } = JSON.parse(readFileSync('.tsc/sources.json', 'utf8'));
const sourceRows = lines.map(
  ({ list, what, cited }) => `| ${list} | ${what} | ${cited || 'our own rule, written out with its threshold'} |`,
);
const simulated = JSON.parse(readFileSync('reference/simulated.json', 'utf8'));
const simulatedRows = simulated.map(
  ({ what, setting, share, wanted, samples }) =>
    `| ${what} | ${setting} | ${share.toFixed(3).replace(/^0/, '')} | ${wanted} | ${samples.toLocaleString('en-GB')} |`,
);

const page = `# The statistics: sources and checks

Written by \`npm run accuracy\` from what the tests of \`core\` measured; not by hand. The references are made by
\`reference/generate.py\` (Debian's Python libraries, versions in each JSON file); the tests read the JSON and need no
Python. Tolerance of the tests: |Δ|/|value| ≤ 1e−10 + n·ε/√(1 − r²) for coefficients, p and intervals, unless a test says why
not.

## Every public function

The error is the largest relative error over all figures compared, each at its own scale; p-values are compared by their
logarithms where they may underflow.

| Function | Sources cited | Checked against | Figures | Largest relative error |
|---|---|---|---|---|
${tableRows.join('\n')}

## NIST Statistical Reference Datasets

Log relative errors: correct significant digits, at most 15; of a certified 0, −log₁₀ of what was found.

| Set | mean | SD | coefficients (least) | their SD (least) | residual SD | R² |
|---|---|---|---|---|---|---|
${nistRows.join('\n')}

Where the data come from: Norris from scipy's tests; NumAcc, Wampler and NoInt from their formulas; Longley, Pontius,
Filip, Lew, Mavro and Michelso from memory, accepted since they reproduce the certified values. PiDigits and Lottery are
left out: they could not be had from a registry, and π does not reproduce PiDigits. The digits of Filip are those of its
predictors: powers up to the tenth, rounded to doubles, differ from the exact ones by more than the eighth digit of the
coefficients allows.

## Sizes and coverages, simulated

Written by \`./ivlen test slow\`, seeded. Shares have a standard error of √(share·(1 − share)/samples).

| What | Setting | Share | Wanted | Samples |
|---|---|---|---|---|
${simulatedRows.join('\n')}

## Sources of coefficients, intervals, rules and cautions

From the one list in \`core/src/display\`, which help and reports read as well.

| List | What | Sources |
|---|---|---|
${sourceRows.join('\n')}

References:

${references.map((reference) => `- ${reference}`).join('\n')}

## Where we disagree with a reference library, and who decides

- **Shapiro–Wilk**: scipy 1.10 computes W in single precision, so that W agrees to about 6 digits only. Royston (1995), whose
  formulas the reference evaluates at 60 digits, decides.
- **Pearson, |r| near 1, and columns far from zero** (1e9 plus noise): scipy subtracts nearly equal numbers; the definition at
  60 digits decides.
- **D'Agostino–Pearson and Jarque–Bera far from zero** (1e6 plus noise): likewise.
- **t quantiles**: scipy's are good to about 2e−9; mpmath decides.
- **Spearman, n ≤ 12**: scipy gives Student's t; we give the exact distribution given both tie patterns (Pitman 1937), checked
  by enumeration.
- **Kendall with ties, n ≤ 12**: scipy gives the normal approximation; we give the exact conditional distribution (Kendall
  1970, ch. 4), checked by enumeration.
- **Anderson–Darling far out**: statsmodels gives p = 0 above A² = 13; we go on with D'Agostino & Stephens' branch to its
  minimum.
`;
writeFileSync('docs/statistics.md', page);
