// Sends malformed files to a running Ivlen and counts what comes back:
//   node checks/fuzz/files.mjs [address] [how many] [seed]
import { readdirSync, readFileSync } from 'node:fs';
import { malformedFile } from './malformed-files.mjs';
import { seeded } from './seeded.mjs';

const [address = 'http://127.0.0.1:4310', many = '1000', seed = '20261127'] = process.argv.slice(2);
const SLOW_MS = 10_000;
const random = seeded(Number(seed));
const counts = { read: 0, refused: 0, failed: 0, slow: 0, deaths: 0 };
const codes = new Map();
const most = { server: 0, reader: 0, ms: 0 };

/** Memory of the server and of the processes that read files, as the system tells it. */
function watchMemory() {
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      const line = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      const who = line.includes('dist/convert.js') ? 'reader' : line.includes('dist/main.js') ? 'server' : null;
      if (!who) continue;
      const kilobytes = Number(/^VmRSS:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0);
      most[who] = Math.max(most[who], kilobytes / 1024);
    } catch {
      // It ended meanwhile.
    }
  }
}
const watch = setInterval(watchMemory, 50);

async function send({ name, bytes }) {
  const response = await fetch(`${address}/api/imports?name=${name}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: bytes,
  });
  const body = await response.json();
  if (response.status !== 202) return { status: response.status, body };
  const events = await (await fetch(`${address}/api/jobs/${body.job}/events`)).text();
  const last = JSON.parse(events.trim().split('data: ').at(-1));
  if (last.type === 'done') return { status: 200, body: last.result };
  return { status: last.error?.code === 'unexpected' || last.code === 'unexpected' ? 500 : 422, body: { error: last.error ?? last } };
}

for (let i = 0; i < Number(many); i++) {
  const file = malformedFile(random);
  const started = performance.now();
  try {
    const { status, body } = await send(file);
    if (status < 300) counts.read++;
    else if (status < 500) counts.refused++;
    else {
      counts.failed++;
      console.log(`file ${i} (${file.name}): ${status} ${JSON.stringify(body).slice(0, 200)}`);
    }
    if (body.error) codes.set(body.error.code, (codes.get(body.error.code) ?? 0) + 1);
    if (body.id) await fetch(`${address}/api/imports/${body.id}`, { method: 'DELETE' });
  } catch (error) {
    counts.deaths++;
    console.log(`file ${i} (${file.name}): ${error.message}`);
    await new Promise((resolve) => setTimeout(resolve, 3000));
  }
  const ms = performance.now() - started;
  most.ms = Math.max(most.ms, ms);
  if (ms > SLOW_MS) {
    counts.slow++;
    console.log(`file ${i} (${file.name}): ${Math.round(ms)} ms`);
  }
}
clearInterval(watch);
console.log(
  `seed ${seed}: ${many} files, ${counts.read} read, ${counts.refused} refused, ${counts.failed} answered 5xx, ${counts.deaths} without an answer, ${counts.slow} over 10 s`,
);
console.log(
  `refused as: ${[...codes]
    .sort(([, a], [, b]) => b - a)
    .map(([code, count]) => `${code} ${count}`)
    .join(', ')}`,
);
console.log(
  `slowest ${Math.round(most.ms)} ms; memory at most ${Math.round(most.server)} MB of the server, ${Math.round(most.reader)} MB of a reader`,
);
process.exitCode = counts.failed + counts.deaths + counts.slow > 0 ? 1 : 0;
