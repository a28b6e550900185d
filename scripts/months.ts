import { mkdirSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { readMonths } from '~/server/demo/months';
import { makeMonths, recounted } from './months/make';

/**
 * Makes the demo's sample months anew, from the planner as it is today: minutes of work, run by hand. With `--facts` the months stay
 * as they are and only what is counted of them is counted anew.
 */
const FILE = 'samples/months.json.gz';

mkdirSync('samples', { recursive: true });
const months = process.argv.includes('--facts')
  ? recounted(readMonths(FILE))
  : await makeMonths((line) => console.log(line));
const packed = gzipSync(JSON.stringify(months), { level: 9 });
writeFileSync(FILE, packed);
console.log(`${FILE}: ${months.jobs.length} jobs on ${months.boards.length} boards, ${packed.length} bytes`);
