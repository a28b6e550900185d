// Bundles one TypeScript script and runs it: `node scripts/run.mjs FILE [args]`.
import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { bundle } from './bundle.mjs';

const [file, ...args] = process.argv.slice(2);
mkdirSync('dist/scripts', { recursive: true });
const outfile = `dist/scripts/${file.replaceAll('/', '-')}.mjs`;
await bundle({ entryPoints: [file], outfile });
process.exit(spawnSync(process.execPath, [outfile, ...args], { stdio: 'inherit' }).status ?? 1);
