import { writeFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { readConfig } from './config';
import { connect } from './database/connect';
import { migrate } from './database/migrate';
import { loadDemo } from './demo/load-demo';
import { Disk } from './disk/disk';
import { listen } from './http/listen';
import { serveWebFiles } from './http/web-files';
import { createConverter } from './imports/conversion/converter';
import { selectWaiting } from './imports/import-repository';
import { Spool } from './imports/spool';
import { keepTidy } from './space/tidy';
import { createWorkerPool } from './workers/workers';

// Files that wait hold study data: for their owner's eyes only.
process.umask(0o077);
const config = readConfig(process.env);
const patient = connect(config.IVLEN_DATABASE_URL, { patient: true });
await migrate(patient);
const database = connect(config.IVLEN_DATABASE_URL);
await loadDemo(database, config.IVLEN_SAMPLES);
const spool = new Spool(config.IVLEN_SPOOL);
await spool.prepare();
await spool.keepOnly(await selectWaiting(database));

const workers = createWorkerPool(fileURLToPath(new URL('./worker.cjs', import.meta.url)));
const converter = createConverter(fileURLToPath(new URL('./convert.js', import.meta.url)));
const disk = new Disk([config.IVLEN_SPOOL, config.IVLEN_DATABASE_FOLDER ?? config.IVLEN_SPOOL]);
const app = createApp({ database, patient, workers, spool, converter, disk, key: config.IVLEN_KEY });
serveWebFiles(app, config.IVLEN_WEB);
const { server, port } = await listen(app, config.IVLEN_PORT, config.IVLEN_PORT_FIXED === '1');
if (config.IVLEN_PORT_FILE) await writeFile(config.IVLEN_PORT_FILE, String(port));
console.log(`Ivlen is at http://127.0.0.1:${port}${config.IVLEN_KEY ? `/?key=${config.IVLEN_KEY}` : ''}`);
keepTidy(patient, spool);

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  server.close();
  server.closeAllConnections();
  await workers.close();
  await Promise.all([database.destroy(), patient.destroy()]);
  process.exit(0);
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
