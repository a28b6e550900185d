// Compiles the kernels, builds the pages with the server's entry, then its planner's threads and the command line beside them, all of them whole
// but for what is native; then compresses what is served.
import { spawnSync } from 'node:child_process';
import { cpSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { bundle } from './bundle.mjs';
import { writeKernels } from './kernels.mjs';

writeKernels();

const astro = spawnSync(process.execPath, ['node_modules/astro/astro.js', 'build'], {
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' },
});
if (astro.status !== 0) process.exit(astro.status ?? 1);

/** Programs of their own, whole but for what is native. */
const program = (options) =>
  bundle({
    outdir: 'dist',
    outExtension: { '.js': '.mjs' },
    packages: 'bundle',
    external: ['better-sqlite3', 'sharp', '@node-rs/argon2'],
    // Packages of the older kind ask for Node's own modules by require.
    banner: {
      js: "import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);",
    },
    ...options,
  });
await program({
  entryPoints: {
    plan: 'src/server/plans/planner/plan.thread.ts',
    evidence: 'src/server/outcomes/thread/evidence.thread.ts',
    pieces: 'src/server/plans/planner/piece.thread.ts',
    standins: 'src/server/instruments/standins/main.ts',
  },
});
// The command line in parts: a command loads its own.
await program({
  entryPoints: { cli: 'src/cli/main.ts' },
  splitting: true,
  chunkNames: 'cli/[name]-[hash]',
  minifySyntax: true,
  minifyWhitespace: true,
});
writeFileSync(
  'dist/serve.mjs',
  "import { serve } from './server/serve.mjs';\nawait serve(import.meta.url);\n",
);
cpSync('src/server/store/migrations', 'dist/migrations', { recursive: true });
cpSync('samples/months.json.gz', 'dist/months.json.gz');

const COMPRESSIBLE = /\.(js|css|svg|json|html)$/;
for (const name of readdirSync('dist/client', { recursive: true })) {
  const file = join('dist/client', name);
  if (!COMPRESSIBLE.test(name) || !statSync(file).isFile()) continue;
  const body = readFileSync(file);
  if (body.length < 1024) continue;
  writeFileSync(`${file}.gz`, gzipSync(body, { level: 9 }));
  writeFileSync(`${file}.br`, brotliCompressSync(body, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }));
}
writeFileSync('dist/.built', '');
