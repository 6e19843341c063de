// How fast a running application brings a large table in and answers at size: ./ivlen start, then npm run bench:application.
import { execFile } from 'node:child_process';
import { createWriteStream, existsSync, mkdtempSync, openAsBlob, readFileSync, rmSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';

const BASE = process.env.IVLEN_ADDRESS ?? 'http://127.0.0.1:4310';
const PID_FILE = new URL('../.data/server.pid', import.meta.url);
const PYTHON = '/usr/bin/python3';
// Not the waiting kind: connections to the server must be looked after meanwhile.
const run = promisify(execFile);
const [ROWS, COLUMNS] = [1_000_000, 20];
const EDITS = 9;

const ask = async (path, init) => {
  const response = await fetch(`${BASE}/api${path}`, init);
  if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
  const body = await response.json();
  if (response.status !== 202) return body;
  const events = await (await fetch(`${BASE}/api/jobs/${body.job}/events`)).text();
  const last = JSON.parse(events.trim().split('data: ').at(-1));
  if (last.type !== 'done') throw new Error(JSON.stringify(last));
  return last.result;
};
const post = (path, json) => ask(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(json) });
const timed = async (work) => {
  const start = performance.now();
  const result = await work();
  return { ms: performance.now() - start, result };
};
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const line = (name, value) => console.log(name.padEnd(66), value);

async function writeTable(path) {
  const file = createWriteStream(path);
  let state = 12345;
  const cell = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state / 2 ** 32) * 100;
  };
  file.write(`${Array.from({ length: COLUMNS }, (_, i) => `x${i}`).join(',')}\n`);
  for (let row = 0; row < ROWS; row += 1000) {
    const lines = Array.from({ length: 1000 }, () => Array.from({ length: COLUMNS }, () => cell().toFixed(3)).join(','));
    if (!file.write(`${lines.join('\n')}\n`)) await new Promise((resolve) => file.once('drain', resolve));
  }
  await new Promise((resolve) => file.end(resolve));
}

/** Variables in five correlated families; with groups, a last column that names one for each row. */
async function writeFamilies(path, rows, columns, groups = 0) {
  let state = 7;
  const random = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32 - 0.5;
  };
  const named = (cells, last) => (groups > 0 ? [...cells, last] : cells).join(',');
  const lines = [
    named(
      Array.from({ length: columns }, (_, i) => `x${i}`),
      'group',
    ),
  ];
  for (let row = 0; row < rows; row++) {
    const common = Array.from({ length: 5 }, random);
    const cells = Array.from({ length: columns }, (_, i) => (common[i % 5] + random()).toFixed(4));
    lines.push(named(cells, `g${Math.floor((random() + 0.5) * groups)}`));
  }
  await writeFile(path, lines.join('\n'));
}

async function bringIn(path, name) {
  const preview = await ask(`/imports?name=${name}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: await openAsBlob(path),
  });
  return post('/studies', { importId: preview.id, name });
}

/** Megabytes that the server has in memory, asked often; null if it is not ours to look at. */
function watchMemory() {
  const pid = existsSync(PID_FILE) ? readFileSync(PID_FILE, 'utf8').trim() : null;
  let peak = null;
  const timer = setInterval(() => {
    if (pid === null) return;
    const kilobytes = Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]);
    peak = Math.max(peak ?? 0, kilobytes / 1024);
  }, 50);
  return () => {
    clearInterval(timer);
    return peak;
  };
}

const folder = mkdtempSync(join(tmpdir(), 'ivlen-bench-'));
const studies = [];
try {
  const table = join(folder, 'large.csv');
  await writeTable(table);
  const peakOf = watchMemory();
  const brought = await times(3, async () => {
    const { ms, result } = await timed(() => bringIn(table, 'bench large'));
    studies.push(result.id);
    return ms;
  });
  const [peak, ours] = [peakOf(), Math.min(...brought)];
  line(`bring in ${ROWS.toLocaleString('en-GB')} × ${COLUMNS}, read and stored, fastest of 3, ms`, ours.toFixed(0));
  line('  most memory of the server meanwhile, MB (goal: below 500)', peak?.toFixed(0) ?? '–');
  try {
    const script = `import pandas,time\nt=time.time(); pandas.read_csv(${JSON.stringify(table)}); print(1000*(time.time()-t))`;
    const reference = Math.min(...(await times(3, async () => Number((await run(PYTHON, ['-c', script])).stdout))));
    line('  reference data-frame library reads the same file, fastest of 3, ms', reference.toFixed(0));
    line('  ratio (goal: at most 3)', (ours / reference).toFixed(2));
  } catch {
    line('  reference data-frame library', 'not installed (Debian: python3-pandas)');
  }

  const loggers = join(folder, 'loggers.csv');
  await run('npm', ['run', '--silent', 'samples', 'loggers', loggers], { cwd: new URL('..', import.meta.url) });
  let study = await bringIn(loggers, 'bench loggers');
  studies.push(study.id);
  const block = (number) => timed(() => ask(`/studies/${study.id}/revisions/${study.head}/rows?block=${number}&descending=0`));
  line('256 rows of 200,000 × 24, first time, ms', (await block(0)).ms.toFixed(0));
  line('  elsewhere, median of 9, ms', median(await times(9, async (i) => (await block(80 * i + 3)).ms)).toFixed(0));
  const edits = await times(EDITS, async (i) => {
    const change = { type: 'edit-cells', variables: ['v7'], rows: [123_456], cells: [[String(i + 0.5)]] };
    const { ms, result } = await timed(() => post(`/studies/${study.id}/changes`, { expectedHead: study.head, change }));
    study = result;
    return ms;
  });
  line('one cell of 200,000 × 24 edited, median of 9, ms (goal: 100)', median(edits).toFixed(0));
  line('  the first, with nothing in memory, ms', edits[0].toFixed(0));

  const analyse = (of, analysis) => post(`/studies/${of.id}/analyses`, { revision: of.head, analysis });
  const numbers = study.state.variables.filter(({ kind }) => kind === 'continuous' || kind === 'discrete');
  const shapes = await timed(async () => {
    const first = await timed(() => analyse(study, { kind: 'shape', variable: numbers[0].id }));
    await Promise.all(numbers.slice(1).map(({ id }) => analyse(study, { kind: 'shape', variable: id })));
    return first.ms;
  });
  line(`shapes of ${numbers.length} × 200,000, the first, ms (goal: 1000)`, shapes.result.toFixed(0));
  line('  all, ms (goal: 10000)', shapes.ms.toFixed(0));

  const families = join(folder, 'families.csv');
  await writeFamilies(families, 10_000, 60);
  const sixty = await bringIn(families, 'bench sixty');
  studies.push(sixty.id);
  const variables = sixty.state.variables.map(({ id }) => id);
  await analyse(sixty, { kind: 'describe', variables });
  for (const [method, goal] of [
    ['pearson', 1000],
    ['spearman', 1000],
    ['kendall', 10_000],
  ]) {
    const how = { alternative: 'two-sided', missing: 'pairwise', level: 0.95, byVariable: {} };
    const { ms } = await timed(() => analyse(sixty, { kind: 'correlation', variables, method, ...how }));
    line(`${method} of 60 × 10,000, ms (goal: ${goal})`, ms.toFixed(0));
  }

  const grouped = join(folder, 'grouped.csv');
  await writeFamilies(grouped, 50_000, 40, 12);
  const twelve = await bringIn(grouped, 'bench groups');
  studies.push(twelve.id);
  const by = twelve.state.variables.find(({ name }) => name === 'group').id;
  const forty = twelve.state.variables.map(({ id }) => id).filter((id) => id !== by);
  await analyse(twelve, { kind: 'describe', variables: forty });
  for (const [method, goal] of [
    ['pearson', 2000],
    ['spearman', 8000],
    ['kendall', 8000],
  ]) {
    const how = { alternative: 'two-sided', level: 0.95, byVariable: {}, groups: { by } };
    const { ms } = await timed(() => analyse(twelve, { kind: 'subgroups', variables: forty, method, ...how }));
    line(`${method} of 40 × 50,000 across 12 groups, ms (goal: ${goal})`, ms.toFixed(0));
  }

  for (const [count, rows, goal] of [
    [30, 10_000, 300],
    [100, 200_000, 5000],
  ]) {
    const file = join(folder, `predictors-${count}.csv`);
    await writeFamilies(file, rows, count + 1);
    const of = await bringIn(file, 'bench predictors');
    studies.push(of.id);
    const ids = of.state.variables.map(({ id }) => id);
    await analyse(of, { kind: 'describe', variables: ids });
    const predictors = ids.slice(1).map((variable) => ({ variable, as: 'quantity' }));
    const { ms } = await timed(() => analyse(of, { kind: 'collinearity', predictors, outcome: ids[0] }));
    line(`collinearity of ${count} × ${rows.toLocaleString('en-GB')}, on the server, ms (goal: ${goal})`, ms.toFixed(0));
    if (rows > 100_000) continue;
    const whole = await timed(() => analyse(of, { kind: 'regression', predictors, outcome: ids[0], level: 0.95 }));
    line('  the regression with its rows, ms', whole.ms.toFixed(0));
  }
} finally {
  for (const id of studies) await fetch(`${BASE}/api/studies/${id}`, { method: 'DELETE' });
  rmSync(folder, { recursive: true });
}

async function times(count, work) {
  const found = [];
  for (let i = 0; i < count; i++) found.push(await work(i));
  return found;
}
