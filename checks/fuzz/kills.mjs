// Works with an installation while its server, its database or both are killed, and looks whether anything is in between:
//   node checks/fuzz/kills.mjs [address] [folder of the installation] [kills] [seed]
// The installation is one that ./ivlen start runs, which starts again what was killed.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { seeded } from './seeded.mjs';

const [address = 'http://127.0.0.1:4310', folder = '.', many = '40', seed = '20261128'] = process.argv.slice(2);
const random = seeded(Number(seed));
const ROWS = 3000;
/** Of this run: what an earlier one left behind is none of its business. */
const CALLED = `kill ${Date.now().toString(36)}`;
const WAIT_MS = 60_000;
const faults = [];
const acknowledged = { studies: 0, edits: 0, unsure: 0 };
/** What is known of each study that was made: what its rows were last set to, and what may have been stored besides. */
const studies = new Map();

async function ask(method, path, body, raw) {
  const response = await fetch(`${address}/api${path}`, {
    method,
    ...(body === undefined ? {} : { body: raw ? body : JSON.stringify(body) }),
    headers: body === undefined ? {} : { 'Content-Type': raw ? 'application/octet-stream' : 'application/json' },
    signal: AbortSignal.timeout(20_000),
  });
  const answer = await response.json();
  if (response.status === 202) return followed(answer.job);
  if (!response.ok) throw Object.assign(new Error(answer.error?.message ?? response.status), { status: response.status });
  return answer;
}

async function followed(job) {
  const events = await (await fetch(`${address}/api/jobs/${job}/events`, { signal: AbortSignal.timeout(60_000) })).text();
  const last = JSON.parse(events.trim().split('data: ').at(-1));
  if (last.type !== 'done') throw new Error(last.error?.message ?? 'the job did not end');
  return last.result;
}

const tableOf = (number) =>
  `a,b,c\n${Array.from({ length: ROWS }, (_, row) => `${row + number},${(row * 3 + number) % 1009},${number}`).join('\n')}\n`;

async function makeStudy(number) {
  const name = `${CALLED} ${number}`;
  const file = await ask('POST', '/imports?name=kill.csv', tableOf(number), true);
  const study = await ask('POST', '/studies', { importId: file.id, name });
  studies.set(study.id, { number, head: study.head, row: 0, value: null, tried: null });
  acknowledged.studies++;
}

/** Two cells of a row get the same number, so that half a change shows. */
async function editStudy(id, value) {
  const known = studies.get(id);
  known.tried = value;
  const cells = [[String(value), String(value)]];
  const { head } = await ask('POST', `/studies/${id}/changes`, {
    expectedHead: known.head,
    change: { type: 'edit-cells', variables: ['v1', 'v2'], rows: [1], cells },
  });
  Object.assign(known, { head, value, tried: null });
  acknowledged.edits++;
}

/** Works until something answers no more. */
async function workUntilKilled(round) {
  try {
    for (let step = 0; ; step++) {
      if (studies.size === 0 || step % 4 === 0) await makeStudy(round * 1000 + step);
      else await editStudy(random.pick([...studies.keys()]), round * 100_000 + step);
    }
  } catch (error) {
    acknowledged.unsure++;
    if (error.status && error.status < 500) faults.push(`round ${round}: ${error.message}`);
    if (error.status === 500) faults.push(`round ${round}: answered 500: ${error.message}`);
  }
}

function kill(which) {
  const server = readFileSync(join(folder, '.data/server.pid'), 'utf8').trim();
  const database = execFileSync('bash', [
    '-c',
    'cd "$1"; root=$PWD; source scripts/say.sh; source scripts/postgres.sh; PG_DATA=$(cluster_place "$PWD/.data/pg")/data; cluster_pid',
    'sh',
    folder,
  ])
    .toString()
    .trim();
  const pids = which === 'server' ? [server] : which === 'database' ? [database] : [server, database];
  for (const pid of pids) process.kill(Number(pid), 'SIGKILL');
}

/** Asks until it is answered: a database that was killed may answer for a moment still, and only then be gone. */
async function patiently(work) {
  const started = performance.now();
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (performance.now() - started > WAIT_MS) throw error;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
}

async function untilBack() {
  const started = performance.now();
  await patiently(() => ask('GET', '/health'));
  return performance.now() - started;
}

async function valuesOf(id, head, variable) {
  const answer = await fetch(`${address}/api/studies/${id}/revisions/${head}/variables/${variable}/values`);
  if (!answer.ok) throw new Error(`status ${answer.status}`);
  return new Float64Array(await answer.arrayBuffer());
}

async function look(round) {
  const listed = (await patiently(() => ask('GET', '/studies'))).filter(({ name }) => name.startsWith(`${CALLED} `));
  const ids = new Set(listed.map(({ id }) => id));
  for (const id of studies.keys()) if (!ids.has(id)) faults.push(`round ${round}: a study that was made is gone`);
  for (const { id, name } of listed) {
    const study = await patiently(() => ask('GET', `/studies/${id}`));
    const number = Number(name.split(' ').at(-1));
    const known = studies.get(id) ?? { number, head: 1, value: null, tried: null };
    const columns = [];
    for (const variable of ['v1', 'v2', 'v3']) columns.push(await patiently(() => valuesOf(id, study.head, variable)));
    const expected = (column, row) => [row + number, (row * 3 + number) % 1009, number][column];
    for (const [column, values] of columns.entries()) {
      if (values.length !== ROWS) faults.push(`round ${round}: ${name} has ${values.length} rows`);
      for (let row = 1; row < ROWS; row++) {
        if (values[row] !== expected(column, row)) {
          faults.push(`round ${round}: ${name} row ${row + 1} is ${values[row]}`);
          break;
        }
      }
    }
    const [first, second] = [columns[0][0], columns[1][0]];
    const before = known.value ?? null;
    const isBefore = before === null ? first === number && second === number % 1009 : first === before && second === before;
    const isTried = known.tried !== null && first === known.tried && second === known.tried;
    if (!isBefore && !isTried)
      faults.push(`round ${round}: ${name} holds ${first} and ${second}; stored was ${before}, tried ${known.tried}`);
    studies.set(id, { number, head: study.head, value: isTried ? known.tried : before, tried: null });
  }
}

const waits = [];
await untilBack();
for (let round = 1; round <= Number(many); round++) {
  const working = workUntilKilled(round);
  await new Promise((resolve) => setTimeout(resolve, 100 + random.below(900)));
  kill(random.pick(['server', 'database', 'both']));
  await working;
  waits.push(await untilBack());
  await look(round);
}
waits.sort((a, b) => a - b);
for (const id of studies.keys()) await patiently(() => ask('DELETE', `/studies/${id}`));
for (const fault of faults.slice(0, 20)) console.log(fault);
console.log(
  `seed ${seed}: ${many} kills; ${acknowledged.studies} studies and ${acknowledged.edits} changes acknowledged, ${acknowledged.unsure} cut off; ` +
    `back after ${Math.round(waits[Math.floor(waits.length / 2)])} ms (median), ${Math.round(waits.at(-1))} ms at most; ${faults.length} in between or lost`,
);
process.exitCode = faults.length === 0 ? 0 : 1;
