import { mkdirSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { makeMonths } from './months/make';

/** Makes the demo's sample months anew, from the planner as it is today: minutes of work, run by hand. */
const FILE = 'samples/months.json.gz';

mkdirSync('samples', { recursive: true });
const months = await makeMonths((line) => console.log(line));
const packed = gzipSync(JSON.stringify(months), { level: 9 });
writeFileSync(FILE, packed);
console.log(`${FILE}: ${months.jobs.length} jobs on ${months.boards.length} boards, ${packed.length} bytes`);
