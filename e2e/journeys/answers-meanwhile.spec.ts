import { spawn } from 'node:child_process';
import { resolve } from 'node:path';
import { createInterface } from 'node:readline';
import { expect, test } from '@playwright/test';
import { startApplication } from '../application/application';
import { HARD_FILES } from '../files/hard-files';

/** A tenth of a second is what is promised, and asked of a machine that does nothing else; whatever stalls it longer is a fault on any. */
const WITHIN_MS = Number(process.env.IVLEN_ANSWERS_WITHIN_MS ?? 1000);
const TRIES = 5;
const ROWS = 130_000;

/** The longest that the server kept somebody waiting while something else went on. */
async function longestWait(address: string, meanwhile: () => Promise<unknown>): Promise<number> {
  const watch = spawn(process.execPath, [resolve(import.meta.dirname, '../application/health-watch.mjs'), `${address}/api/health`]);
  const lines = createInterface({ input: watch.stdout })[Symbol.asyncIterator]();
  await lines.next();
  await meanwhile();
  watch.stdin.end();
  return Number((await lines.next()).value);
}

/** What holds for the quietest of some tries: another program may take the processor, but not every time. */
async function expectAnswers(address: string, what: string, meanwhile: () => Promise<unknown>): Promise<void> {
  const waits: number[] = [];
  while (waits.length < TRIES && !(Math.min(...waits) <= WITHIN_MS)) waits.push(await longestWait(address, meanwhile));
  console.log(`${what}: health after ${waits.join(', ')} ms`);
  expect.soft(Math.min(...waits), what).toBeLessThanOrEqual(WITHIN_MS);
}

test('whatever is asked of it, the server answers others meanwhile', async () => {
  test.setTimeout(600_000);
  const { address, close } = await startApplication({ cuttable: false });
  const ask = async (method: string, path: string, body?: string | Uint8Array, type = 'application/json') => {
    const response = await fetch(`${address}/api${path}`, {
      method,
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : new Uint8Array(body), headers: { 'Content-Type': type } }),
    });
    const answer = await response.json();
    if (response.status !== 202) return answer;
    const events = await (await fetch(`${address}/api/jobs/${answer.job}/events`)).text();
    const last = JSON.parse(events.trim().split('data: ').at(-1) ?? '');
    return last.type === 'done' ? last.result : last;
  };
  const sendFile = (name: string, bytes: Uint8Array) =>
    ask('POST', `/imports?name=${encodeURIComponent(name)}`, bytes, 'application/octet-stream');

  for (const [name, make] of Object.entries(HARD_FILES)) {
    const bytes = make();
    await expectAnswers(address, name, async () => {
      const { error } = await sendFile(name, bytes);
      expect(error.code, name).not.toBe('unexpected');
    });
  }

  const lines = Array.from({ length: ROWS }, (_, row) => `${row},${(row * 7919) % 99991},site ${(row * 31) % ROWS} of the upper Aster`);
  const { id: file } = await sendFile('large.csv', Buffer.from(`number,flow,place\n${lines.join('\n')}\n`));
  const study = await ask('POST', '/studies', JSON.stringify({ importId: file, name: 'Large' }));
  let head: number = study.head;
  const at = () => `/studies/${study.id}/revisions/${head}`;
  const change = async (changed: object) => {
    const answer = await ask('POST', `/studies/${study.id}/changes`, JSON.stringify({ expectedHead: head, change: changed }));
    expect(answer.error).toBeUndefined();
    head = answer.head;
  };

  await expectAnswers(address, '50,000 overlapping ranges set aside and brought back', async () => {
    const rows = Array.from({ length: 50_000 }, (_, i) => [i + 1, Math.min(ROWS, i + 50_000)]);
    await change({ type: 'set-aside', choice: { rows }, because: 'other population' });
    await change({ type: 'bring-back', choice: { rows } });
  });
  await expectAnswers(address, 'a search that finds nothing', () => ask('GET', `${at()}/find?text=nowhere`));
  await expectAnswers(address, 'rows sorted by a text', async () => {
    // Each direction once: what was sorted is kept.
    const { rows } = await ask('GET', `${at()}/rows?block=0&sort=v3${Math.random() < 0.5 ? '&descending=1' : ''}`);
    expect(rows.length).toBeGreaterThan(0);
  });
  let pasted = 0;
  await expectAnswers(address, `${ROWS} rows pasted`, () => {
    const rows = Array.from({ length: ROWS }, (_, row) => row + 1);
    pasted++;
    return change({ type: 'edit-cells', variables: ['v2'], rows, cells: rows.map((row) => [String((row + pasted) % 977)]) });
  });
  await expectAnswers(address, 'a body of 200 MB of JSON', async () => {
    const body = `{"a":"${'x'.repeat(200_000_000)}"}`;
    // It may be refused before it is sent to its end.
    await fetch(`${address}/api/studies/${study.id}/changes`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body,
    }).then(
      async (response) => expect(response.status).toBe(413),
      () => {},
    );
  });
  await expectAnswers(address, 'the largest body that is read', () =>
    ask('POST', `/studies/${study.id}/changes`, `{"a":"${'x'.repeat(6_000_000)}"}`),
  );
  const many = JSON.stringify({
    expectedHead: 1,
    change: { type: 'edit-cells', cells: Array.from({ length: 150_000 }, () => [String(Math.PI)]) },
  });
  await expectAnswers(address, 'a body with as many cells as may be', () => ask('POST', `/studies/${study.id}/changes`, many));
  await close();
});
