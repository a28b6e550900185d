// Compiles kernels/*.ts (AssemblyScript) into src/core/thermal/compiled/bytes.ts, which core loads them from.
import { readFileSync, writeFileSync } from 'node:fs';
import { main } from 'assemblyscript/asc';

const KERNELS = ['network', 'field'];
const INTO = 'src/core/thermal/compiled/bytes.ts';
const OPTIONS = ['-O3', '--noAssert', '--runtime', 'stub', '--enable', 'simd', '--initialMemory', '4'];

/** What the file has to hold. */
export async function compiledKernels() {
  const parts = [
    '/** Kernels as WebAssembly in base64, made from kernels/ by `npm run kernels`: not written by hand. */',
  ];
  for (const name of KERNELS) {
    let bytes;
    const { error, stderr } = await main([`kernels/${name}.ts`, ...OPTIONS, '-o', `${name}.wasm`], {
      writeFile: (_, contents) => void (bytes = contents),
    });
    if (error) throw new Error(`kernels/${name}.ts: ${stderr.toString()}`);
    parts.push(`export const ${name.toUpperCase()} =\n  '${Buffer.from(bytes).toString('base64')}';`);
  }
  return `${parts.join('\n')}\n`;
}

/** Writes it, where it is not what the sources compile to. */
export async function writeKernels() {
  const text = await compiledKernels();
  if (readFileSync(INTO, 'utf8') !== text) writeFileSync(INTO, text);
}

if (process.argv[1]?.endsWith('kernels.mjs')) await writeKernels();
