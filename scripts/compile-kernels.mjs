// Compiles a kernel of core/kernels (AssemblyScript) and prints the module as the TypeScript file that core imports.
// node scripts/compile-kernels.mjs NAME; with --write instead, writes all of them to core/src/kernels/NAME-code.ts.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const KERNELS = ['gram', 'reflect'];

function compiled(name) {
  const folder = mkdtempSync(join(tmpdir(), 'ivlen-kernels-'));
  const output = join(folder, `${name}.wasm`);
  const options = ['-O3', '--enable', 'simd', '--runtime', 'stub', '--noAssert', '--importMemory', '-o', output];
  execFileSync(process.execPath, ['node_modules/assemblyscript/bin/asc.js', `core/kernels/${name}.ts`, ...options], { stdio: 'inherit' });
  const hex = readFileSync(output).toString('hex');
  rmSync(folder, { recursive: true });
  const lines = hex.match(/.{1,112}/g).map((line) => `  '${line}',`);
  return `/** The compiled module of core/kernels/${name}.ts, in hexadecimal; written by \`npm run kernels\`, not by hand. */
export const ${name.toUpperCase()}_CODE: readonly string[] = [
${lines.join('\n')}
];
`;
}

const [what] = process.argv.slice(2);
if (what === '--write') for (const name of KERNELS) writeFileSync(`core/src/kernels/${name}-code.ts`, compiled(name));
else process.stdout.write(compiled(what));
