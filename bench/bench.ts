import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { TASKS } from './tasks';

const FEWEST_RUNS = 3;
const MOST_RUNS = 30;
const ENOUGH_MS = 1500;
const PYTHON = '/usr/bin/python3';

/** Milliseconds of the fastest of some runs. */
function fastest(run: () => unknown): number {
  const times: number[] = [];
  const began = performance.now();
  while (times.length < FEWEST_RUNS || (times.length < MOST_RUNS && performance.now() - began < ENOUGH_MS)) {
    const start = performance.now();
    run();
    times.push(performance.now() - start);
  }
  return Math.min(...times);
}

/** Columns that share a weak common part, so that coefficients are neither 0 nor 1; the same in every run. */
function makeColumns(count: number, rows: number, missing: number): Float64Array[] {
  let state = 12345;
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  const common = Float64Array.from({ length: rows }, uniform);
  return Array.from({ length: count }, () => common.map((value) => (uniform() < missing ? Number.NaN : value + 2 * uniform() + uniform())));
}

function referenceTime(name: string, folder: string, rows: number): number | null {
  try {
    const output = execFileSync(
      PYTHON,
      [join(import.meta.dirname, '..', 'reference.py'), name, join(folder, 'columns.bin'), String(rows)],
      {
        encoding: 'utf8',
        env: { ...process.env, OPENBLAS_NUM_THREADS: '1', OMP_NUM_THREADS: '1' },
      },
    );
    return Number(output);
  } catch {
    return null;
  }
}

const folder = mkdtempSync(join(tmpdir(), 'ivlen-bench-'));
const withReference = spawnSync(PYTHON, ['-c', 'import scipy']).status === 0;
if (!withReference) console.log('The reference library is not installed (Debian: python3-scipy); only our times are shown.');
console.log('Milliseconds, fastest of several runs in one thread; ratio below 1: faster than the reference library.\n');
console.log('task'.padEnd(18), 'ours'.padStart(10), 'reference'.padStart(11), 'ratio'.padStart(8), 'goal'.padStart(7));
for (const { name, columns, rows, missing, run, goal } of TASKS) {
  const data = makeColumns(columns, rows, missing);
  writeFileSync(join(folder, 'columns.bin'), Buffer.concat(data.map((column) => Buffer.from(column.buffer))));
  const ours = fastest(() => run(data));
  const reference = withReference ? referenceTime(name, folder, rows) : null;
  const ratio = reference === null ? '–' : (ours / reference).toFixed(3);
  console.log(
    name.padEnd(18),
    ours.toFixed(1).padStart(10),
    (reference?.toFixed(1) ?? '–').padStart(11),
    ratio.padStart(8),
    goal.toFixed(2).padStart(7),
  );
}
rmSync(folder, { recursive: true });
