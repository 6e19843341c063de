// Compiles core/kernels/gram.ts (AssemblyScript) and prints the module as the TypeScript file that core imports.
// With --write, writes it to core/src/kernels/gram-code.ts.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const folder = mkdtempSync(join(tmpdir(), 'ivlen-kernels-'));
const output = join(folder, 'gram.wasm');
const options = ['-O3', '--enable', 'simd', '--runtime', 'stub', '--noAssert', '--importMemory', '-o', output];
execFileSync(process.execPath, ['node_modules/assemblyscript/bin/asc.js', 'core/kernels/gram.ts', ...options], { stdio: 'inherit' });
const hex = readFileSync(output).toString('hex');
rmSync(folder, { recursive: true });

const lines = hex.match(/.{1,112}/g).map((line) => `  '${line}',`);
const file = `/** The compiled module of core/kernels/gram.ts, in hexadecimal; written by \`npm run kernels\`, not by hand. */
export const GRAM_CODE: readonly string[] = [
${lines.join('\n')}
];
`;
if (process.argv.includes('--write')) writeFileSync('core/src/kernels/gram-code.ts', file);
else process.stdout.write(file);
