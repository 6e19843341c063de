import { readdirSync } from 'node:fs';
import { expect, test } from '../application/test';

/** A table that takes some seconds to be read and stored. */
function largeTable(): Buffer {
  const columns = 24;
  const names = Array.from({ length: columns }, (_, i) => `x${i}`).join(',');
  const line = (row: number) => Array.from({ length: columns }, (_, i) => ((row * (i + 7)) % 9973) / 100).join(',');
  return Buffer.from([names, ...Array.from({ length: 250_000 }, (_, row) => line(row))].join('\n'));
}

test('killed in the middle of reading, storing and editing, everything is as before or as after, never between', async ({
  page,
  application,
}) => {
  test.setTimeout(180_000);
  const table = largeTable();
  const studies = async (): Promise<{ id: string; name: string; head: number; rows: number }[]> =>
    (await page.request.get('/api/studies')).json();
  const before = await studies();
  const send = () =>
    page.request.post('/api/imports?name=large.csv', { data: table, headers: { 'Content-Type': 'application/octet-stream' } });

  // In the middle of reading: nothing waits, and what was received is gone.
  const cutShort = send().catch(() => null);
  await expect.poll(() => readdirSync(application.spool).length).toBeGreaterThan(0);
  await application.killAndRestart();
  await cutShort;
  expect(readdirSync(application.spool)).toEqual([]);
  expect(await studies()).toEqual(before);

  const started = await (await send()).json();
  const preview = started.job ? await resultOf(page, started.job) : started;
  expect(preview.rows).toBe(250_000);
  // In the middle of storing: no study, and the file still waits.
  const order = { data: { importId: preview.id, name: 'Large' } };
  // It is held back until its progress is listened to: on a fast machine it would be over before.
  const goOn = await application.holdStoring();
  const storing = await (await page.request.post('/api/studies', order)).json();
  const { done, total } = await underWay(application.address, storing.job, goOn);
  expect(done).toBeGreaterThan(0);
  expect(done).toBeLessThan(total);
  await application.killAndRestart();
  expect(await studies()).toEqual(before);
  expect((await (await page.request.get(`/api/imports/${preview.id}`)).json()).rows).toBe(250_000);

  const again = await (await page.request.post('/api/studies', order)).json();
  const study = again.job ? await resultOf(page, again.job) : again;
  const cell = async (head: number) => {
    const block = await (await page.request.get(`/api/studies/${study.id}/revisions/${head}/rows?block=0`)).json();
    return block.rows[0].cells[0];
  };
  const was = await cell(1);
  // In the middle of an edit: the head and the cell belong together, whichever of both it came to.
  for (const wait of [0, 15, 40]) {
    const { head } = (await studies()).find(({ id }) => id === study.id) ?? { head: 0 };
    const change = { type: 'edit-cells', variables: ['v1'], rows: [1], cells: [[String(1000 + wait)]] };
    const edit = page.request.post(`/api/studies/${study.id}/changes`, { data: { expectedHead: head, change } }).catch(() => null);
    await new Promise((resolve) => setTimeout(resolve, wait));
    await application.killAndRestart();
    await edit;
    const after = (await studies()).find(({ id }) => id === study.id);
    const stored = await cell(after?.head ?? 0);
    expect([was, ...[0, 15, 40].map((value) => 1000 + value)]).toContain(stored);
    if (after?.head === head + 1) expect(stored).toBe(1000 + wait);
    else expect(after?.head).toBe(head);
  }
});

test('reading is stopped on demand, and leaves nothing', async ({ page, application }) => {
  // With quotation marks it takes some seconds longer, in which the button can be found.
  const table = Buffer.concat([Buffer.from('"quoted",'), largeTable()]);
  await page.goto('/studies/new');
  await page.getByLabel('Table to bring in').setInputFiles({ name: 'large.csv', mimeType: 'text/csv', buffer: table });
  await expect(page.getByText('Reading “large.csv”')).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Choose a file' })).toBeVisible();
  await expect.poll(() => readdirSync(application.spool)).toEqual([]);
});

/** Waits until a job says that some of it is done and some is not; reads its events only so far. @param listening called at its first word */
async function underWay(address: string, job: string, listening: () => Promise<void>): Promise<{ done: number; total: number }> {
  const response = await fetch(`${address}/api/jobs/${job}/events`);
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  let heard = false;
  for (let piece = await reader?.read(); piece && !piece.done; piece = await reader?.read()) {
    text += piece.value;
    if (!heard) await listening();
    heard = true;
    for (const [, data = '{}'] of text.matchAll(/data: (.*)\n/g)) {
      const { type, done, total } = JSON.parse(data);
      if (type === 'progress' && done > 0 && done < total) {
        await reader?.cancel();
        return { done, total };
      }
    }
  }
  throw new Error(`the job ended before it said how far it was: ${text.slice(0, 400)}`);
}

async function resultOf(page: import('@playwright/test').Page, job: string) {
  const events = await (await page.request.get(`/api/jobs/${job}/events`, { timeout: 60_000 })).text();
  const last = JSON.parse(events.trim().split('data: ').at(-1) ?? '{}');
  expect(last.type).toBe('done');
  return last.result;
}
