// Compiles kernels/*.ts (AssemblyScript) into src/core/thermal/compiled/bytes.ts, which core loads them from.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const KERNELS = ['network', 'field'];
const INTO = 'src/core/thermal/compiled/bytes.ts';
// Its compiler is run, not imported: its types would change what the rest of the project's arrays are.
const COMPILER = 'node_modules/assemblyscript/bin/asc.js';
const OPTIONS = ['-O3', '--noAssert', '--runtime', 'stub', '--enable', 'simd', '--initialMemory', '4'];

/** What the file has to hold. */
export function compiledKernels() {
  const folder = mkdtempSync(join(tmpdir(), 'ithermon-kernels-'));
  const parts = [
    '/** Kernels as WebAssembly in base64, made from kernels/ by `npm run kernels`: not written by hand. */',
  ];
  for (const name of KERNELS) {
    const file = join(folder, `${name}.wasm`);
    const args = [COMPILER, `kernels/${name}.ts`, ...OPTIONS, '-o', file];
    const { status, stderr } = spawnSync(process.execPath, args, { encoding: 'utf8' });
    if (status !== 0) throw new Error(`kernels/${name}.ts: ${stderr}`);
    parts.push(`export const ${name.toUpperCase()} =\n  '${readFileSync(file).toString('base64')}';`);
  }
  rmSync(folder, { recursive: true });
  return `${parts.join('\n')}\n`;
}

/** Writes it, where it is not what the sources compile to. */
export function writeKernels() {
  const text = compiledKernels();
  if (readFileSync(INTO, 'utf8') !== text) writeFileSync(INTO, text);
}

if (process.argv[1]?.endsWith('kernels.mjs')) writeKernels();
