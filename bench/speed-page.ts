import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import type { doublings, Growth } from './doublings';
import { THREADS } from './matrices';
import type { Ratio } from './references';

/** Writes what was measured as a page of the documentation. */
export function writeSpeedPage(path: string, ratios: readonly Ratio[], { byRows, byColumns }: Awaited<ReturnType<typeof doublings>>): void {
  const page = `# How fast it is

Written by \`npm run bench -- --page\`, not by hand: ${cpus()[0]?.model.trim() ?? 'unknown processor'}, Node ${process.version}, ${libraries()}.
Milliseconds, the fastest of several runs, ${THREADS} threads on both sides. Times on a shared machine vary by a third and more; the ratios
are of one run. Where a time of ours has threads, it is what the server needs for the whole matrix with p-values and intervals, nothing
known before; the reference libraries compute coefficients, and Kendall's with p.

## Against the reference libraries

| Task | Variables | Rows | Missing | Against | Ours | Reference | Ratio | Goal |
|---|---:|---:|---:|---|---:|---:|---:|---:|
${ratios.map(ratioLine).join('\n')}

## How times grow with the rows

| Variables | Rows | Pearson | Spearman | Kendall | Times the row above |
|---:|---:|---:|---:|---:|---|
${growthLines(byRows)}

## How they grow with the variables

| Variables | Rows | Pearson | Spearman | Kendall | Times the row above |
|---:|---:|---:|---:|---:|---|
${growthLines(byColumns)}
`;
  writeFileSync(path, page);
}

function libraries(): string {
  const script = 'import numpy, scipy, pandas; print(f"numpy {numpy.__version__}, scipy {scipy.__version__}, pandas {pandas.__version__}")';
  return execFileSync('/usr/bin/python3', ['-c', script], { encoding: 'utf8' }).trim();
}

function ratioLine({ task, ours, reference }: Ratio): string {
  const ratio = reference === null ? '–' : (ours / reference).toFixed(2);
  const missing = task.missing > 0 ? `${100 * task.missing} %` : 'none';
  const cells = [
    task.name,
    task.columns,
    count(task.rows),
    missing,
    task.against,
    ms(ours),
    reference === null ? '–' : ms(reference),
    ratio,
  ];
  return `| ${cells.join(' | ')} | ${task.goal.toFixed(2)} |`;
}

function growthLines(growth: readonly Growth[]): string {
  return growth
    .map(({ columns, rows, times }, i) => {
      const before = growth[i - 1]?.times;
      const factors = before
        ? [times.pearson / before.pearson, times.spearman / before.spearman, times.kendall / before.kendall].map((factor) =>
            factor.toFixed(1),
          )
        : [];
      return `| ${columns} | ${count(rows)} | ${ms(times.pearson)} | ${ms(times.spearman)} | ${ms(times.kendall)} | ${factors.join(', ')} |`;
    })
    .join('\n');
}

const count = (value: number) => value.toLocaleString('en-GB');
const ms = (value: number) => (value < 100 ? value.toFixed(1) : count(Math.round(value)));
