import { execFileSync, spawnSync } from 'node:child_process';
import { createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Matrices, sharedColumns, THREADS } from './matrices';
import { type BenchTask, TASKS } from './tasks';
import { fastest, makeColumns } from './timing';

const PYTHON = '/usr/bin/python3';

/** Milliseconds of a task here and in the reference library; null without it. */
export interface Ratio {
  readonly task: BenchTask;
  readonly ours: number;
  readonly reference: number | null;
}

/** Times all tasks against the reference libraries, and prints each as it is done. */
export async function againstReferences(matrices: Matrices, benchFolder: string): Promise<Ratio[]> {
  const folder = mkdtempSync(join(tmpdir(), 'ivlen-bench-'));
  const installed = spawnSync(PYTHON, ['-c', 'import scipy, pandas']).status === 0;
  if (!installed)
    console.log('The reference libraries are not installed (Debian: python3-scipy, python3-pandas); only our times are shown.');
  print('task', 'columns', 'rows', 'ours', 'reference', 'ratio', 'goal');
  const ratios: Ratio[] = [];
  for (const task of TASKS) {
    const data = sharedColumns(makeColumns(task.columns, task.rows, task.missing));
    const ours = await fastest(() => task.run(data, matrices));
    const reference = installed ? await referenceTime(task, data, folder, benchFolder) : null;
    ratios.push({ task, ours, reference });
    const ratio = reference === null ? '–' : (ours / reference).toFixed(3);
    print(task.name, `${task.columns}`, `${task.rows}`, ours.toFixed(1), reference?.toFixed(1) ?? '–', ratio, task.goal.toFixed(2));
  }
  rmSync(folder, { recursive: true });
  return ratios;
}

function print(name: string, ...others: readonly string[]): void {
  console.log(name.padEnd(16), ...others.map((text) => text.padStart(10)));
}

async function referenceTime(
  { name, rows }: BenchTask,
  data: readonly Float64Array[],
  folder: string,
  benchFolder: string,
): Promise<number> {
  const path = join(folder, 'columns.bin');
  const file = createWriteStream(path);
  for (const column of data) file.write(new Uint8Array(column.slice().buffer));
  await new Promise<void>((resolve) => file.end(resolve));
  const threads = { OPENBLAS_NUM_THREADS: `${THREADS}`, OMP_NUM_THREADS: `${THREADS}` };
  // A kernel chosen for old libraries would make the reference slower than it is.
  const { OPENBLAS_CORETYPE: _, OPENBLAS_L2_SIZE: __, ...environment } = process.env;
  const output = execFileSync(PYTHON, [join(benchFolder, 'reference.py'), name, path, `${rows}`], {
    encoding: 'utf8',
    env: { ...environment, ...threads },
  });
  return Number(output);
}
