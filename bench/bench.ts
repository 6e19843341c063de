import { join } from 'node:path';
import { doublings } from './doublings';
import { Matrices, THREADS } from './matrices';
import { againstReferences } from './references';
import { writeSpeedPage } from './speed-page';

// Times what matters most against the reference libraries; with --page, also how times grow, all of it into docs/speed.md.
const root = join(import.meta.dirname, '..', '..');
const matrices = new Matrices(join(root, 'server', 'dist', 'worker.cjs'));
console.log(`Milliseconds, fastest of several runs, ${THREADS} threads on both sides; ratio below 1: faster than the reference library.\n`);
const ratios = await againstReferences(matrices, join(root, 'bench'));
if (process.argv.includes('--page')) writeSpeedPage(join(root, 'docs', 'speed.md'), ratios, await doublings(matrices));
await matrices.close();
