// How fast the scatterplot matrix is drawn and brushed in Chromium: ./ivlen start, then npm run bench:scatterplots.
import { mkdtempSync, openAsBlob, rmSync } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const { chromium } = createRequire(new URL('../e2e/package.json', import.meta.url))('@playwright/test');
const BASE = process.env.IVLEN_ADDRESS ?? 'http://127.0.0.1:4310';
const FLAGS = ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--enable-precise-memory-info'];
const SIZES = [
  { rows: 10_000, columns: 10 },
  { rows: 200_000, columns: 10 },
];
const STEPS = 120;

const ask = async (path, init) => {
  const response = await fetch(`${BASE}/api${path}`, init);
  if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
  const body = response.status === 204 ? null : await response.json();
  if (response.status !== 202) return body;
  const events = await (await fetch(`${BASE}/api/jobs/${body.job}/events`)).text();
  return JSON.parse(events.trim().split('data: ').at(-1)).result;
};
const post = (path, json) => ask(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(json) });
const line = (name, value) => console.log(name.padEnd(58), value);

/** Columns that have something in common, some with a curve. */
async function writeTable(path, rows, columns) {
  let state = 11;
  const random = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32 - 0.5;
  };
  const lines = [Array.from({ length: columns }, (_, i) => `x${i}`).join(',')];
  for (let row = 0; row < rows; row++) {
    const common = random() + random() + random();
    lines.push(
      Array.from({ length: columns }, (_, i) => (common * (i % 3) * (i % 2 ? common : 1) + random() + random()).toFixed(4)).join(','),
    );
  }
  await writeFile(path, lines.join('\n'));
}

async function measure(browser, study, { rows, columns }) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const address = `${BASE}/studies/${study.id}/scatterplots`;
  const opened = async () => {
    const start = await page.evaluate(() => performance.now());
    await page.waitForSelector('figure[aria-busy="false"]', { timeout: 60_000 });
    return (await page.evaluate(() => performance.now())) - start;
  };
  // From another stage, as people come to it: the application is loaded, the columns are not.
  await page.goto(`${BASE}/studies/${study.id}/data`);
  await page.waitForTimeout(4000);
  const first = await page.evaluate(async () => {
    const start = performance.now();
    [...document.querySelectorAll('header a')].find((link) => link.textContent === 'Scatterplots').click();
    return new Promise((resolve) => {
      const look = () =>
        document.querySelector('figure[aria-busy="false"]') ? resolve(performance.now() - start) : requestAnimationFrame(look);
      look();
    });
  });
  line(`${rows.toLocaleString('en')} × ${columns}: panels complete after the click`, `${first.toFixed(0)} ms`);
  await page.goto(address);
  line('  page loaded anew, complete', `${(await opened()).toFixed(0)} ms after its load event`);
  await page.waitForTimeout(3000);

  const panel = page.locator('[data-cell="2.1"] > div');
  const box = await panel.boundingBox();
  // Each step of the brush puts one picture under the panels; frames of the page are counted beside it.
  await page.evaluate(() => {
    window.steps = [];
    window.frames = [];
    const put = CanvasRenderingContext2D.prototype.putImageData;
    CanvasRenderingContext2D.prototype.putImageData = function (...drawn) {
      window.steps.push(performance.now());
      return put.apply(this, drawn);
    };
    const frame = (now) => {
      window.frames.push(now);
      requestAnimationFrame(frame);
    };
    requestAnimationFrame(frame);
  });
  await page.mouse.move(box.x + 5, box.y + 5);
  await page.mouse.down();
  await page.mouse.move(box.x + 25, box.y + 20);
  await page.waitForTimeout(1500);
  const result = await page.evaluate(
    async ({ box, STEPS }) => {
      window.steps = [];
      window.frames = [];
      const target = document.elementFromPoint(box.x + 25, box.y + 20);
      const start = performance.now();
      for (let k = 0; k < STEPS; k++) {
        const t = k / STEPS;
        target.dispatchEvent(
          new PointerEvent('pointermove', {
            bubbles: true,
            pointerId: 1,
            clientX: box.x + 20 + t * (box.width - 30),
            clientY: box.y + 15 + Math.abs(Math.sin(3 * t)) * (box.height - 25),
          }),
        );
        await new Promise((resolve) => requestAnimationFrame(resolve));
      }
      const ms = performance.now() - start;
      const gaps = (times) =>
        times
          .slice(1)
          .map((time, i) => time - times[i])
          .sort((a, b) => a - b);
      return { ms, steps: window.steps.length, stepGaps: gaps(window.steps), frameGaps: gaps(window.frames) };
    },
    { box, STEPS },
  );
  await page.mouse.up();
  const at = (gaps, share) => (gaps[Math.floor(gaps.length * share)] ?? Number.NaN).toFixed(1);
  line(
    '  brushing: panels redrawn',
    `${((1000 * result.steps) / result.ms).toFixed(0)} times a second (${result.steps} of ${STEPS} moves)`,
  );
  line('    between two redrawings: median, 95 %', `${at(result.stepGaps, 0.5)}, ${at(result.stepGaps, 0.95)} ms`);
  line('    between two frames of the page: median, 95 %', `${at(result.frameGaps, 0.5)}, ${at(result.frameGaps, 0.95)} ms`);
  const session = await page.context().newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  const memory = await page.evaluate(async () => performance.memory.usedJSHeapSize);
  line('  JavaScript heap of the page', `${(memory / 1e6).toFixed(0)} MB`);
  await page.close();
}

/** Resident memory of the largest renderer of a browser, workers included. */
async function rendererMemory() {
  const { execFileSync } = await import('node:child_process');
  const lines = execFileSync('ps', ['-eo', 'pid,ppid,rss,args'], { encoding: 'utf8' }).split('\n').slice(1);
  const renderers = lines.filter((text) => text.includes('--type=renderer')).map((text) => Number(text.trim().split(/\s+/)[2]) / 1024);
  return Math.max(...renderers, 0);
}

const folder = mkdtempSync(join(tmpdir(), 'ivlen-scatterplots-'));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS });
try {
  for (const size of SIZES) {
    const path = join(folder, 'table.csv');
    await writeTable(path, size.rows, size.columns);
    const preview = await ask('/imports?name=table.csv', {
      method: 'POST',
      body: await openAsBlob(path),
      headers: { 'Content-Type': 'application/octet-stream' },
    });
    const study = await post('/studies', { importId: preview.id, name: 'scatterplot benchmark' });
    let peak = 0;
    const watch = setInterval(async () => {
      peak = Math.max(peak, await rendererMemory());
    }, 500);
    try {
      await measure(browser, study, size);
    } finally {
      clearInterval(watch);
      await ask(`/studies/${study.id}`, { method: 'DELETE' });
    }
    line('  resident memory of the tab with its workers, at most', `${peak.toFixed(0)} MB`);
  }
} finally {
  await browser.close();
  rmSync(folder, { recursive: true });
}
