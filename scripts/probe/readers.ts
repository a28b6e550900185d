import { decoded } from '~/formats/text';
import { readExcellon } from '~/formats/excellon/excellon';
import { readGerber } from '~/formats/gerber/read';
import { readNetlist } from '~/formats/netlist/netlist';
import { readPlacement } from '~/formats/placement/centroid';
import { unzipped } from '~/formats/archive/unzip';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { centroidOf, copperOf, drillOf, netlistOf, profileOf } from '../../tests/support/openFiles';

/**
 * Twenty thousand mangled files for each reader: `npm run probe:readers [COUNT]`. Tells the slowest, the most memory and whatever was
 * thrown; ends with 1 where anything was, or took over two seconds or 500 MB.
 */
const COUNT = Number(process.argv[2] ?? 20_000);
const SLOWEST_ms = 2000;
const MOST_MB = 500;

const { board, sites } = DEMO_BOARDS.find(({ id }) => id === 'demo-tide-1')!;
const artwork = copperOf(board.construction, sites, 'top', true);

/** A small, quick generator (Park & Miller 1988), so that a run can be repeated. */
function chanceFrom(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (state * 48_271) % 2_147_483_647;
    return state % below;
  };
}

const PIECES: Readonly<Record<string, readonly string[]>> = {
  gerber: ['%', '*', 'G36*', 'G37*', 'G02*', 'G75*', '%SRX9Y9I1J1*%', '%ABD20*%', '%AB*%', 'D20*', 'D03*', '%LPC*%', '%AMA*5,1,9,0,0,1,0*%', '%ADD11A*%', 'X999999999', 'I-1J-1', '%IPNEG*%', '%MOIN*%'],
  drill: ['R9999X.1', 'G85X1Y1', 'M15', 'M16', 'G00X0Y0', 'G03X1Y1A9', 'T99', 'METRIC,LZ', 'INCH', 'G91', 'M71', ';FILE_FORMAT=9:9'],
  netlist: ['317', '027', 'P  UNITS CUST 7', '999', 'P  NNAME1 x', 'VIA', 'X+999999Y-999999'],
  list: ['"', ',', ';', '\t', '\n', 'R1-R400', '1,234.5', '#', 'Ref', 'PosX(mm)'],
  zip: ['PK', '\u0001\u0002'],
}; // prettier-ignore

function mangled(text: string, pieces: readonly string[], chance: (below: number) => number): string {
  let made = text;
  for (let n = 1 + chance(12); n > 0; n--) {
    const at = chance(made.length + 1);
    const what = chance(4);
    if (what === 0) made = made.slice(0, at) + made.slice(at + chance(40));
    else if (what === 1) made = made.slice(0, at) + pieces[chance(pieces.length)]! + made.slice(at);
    else if (what === 2) made = made.slice(0, at) + String.fromCharCode(chance(300)) + made.slice(at + 1);
    else made += made.slice(at, at + chance(2000));
  }
  return made;
}

const READERS: Readonly<Record<string, { readonly text: string; readonly read: (text: string) => unknown }>> =
  {
    gerber: { text: artwork + profileOf(board.construction), read: (text) => readGerber(text) },
    drill: { text: drillOf(sites), read: (text) => readExcellon(text) },
    netlist: { text: netlistOf('Tide', sites), read: (text) => readNetlist(text) },
    list: {
      text: centroidOf(sites),
      read: (text) => readPlacement(decoded(new TextEncoder().encode(text)).text),
    },
    zip: {
      text: 'PK\u0003\u0004',
      read: (text) => {
        try {
          unzipped(
            Uint8Array.from(text, (char) => char.charCodeAt(0) & 255),
            { most_files: 10, most_bytes: 1e6 },
          );
        } catch (error) {
          // A damaged archive is said to be one.
          if (!(error instanceof Error && error.message.includes('damaged'))) throw error;
        }
      },
    },
  };

let failed = false;
for (const [name, { text, read }] of Object.entries(READERS)) {
  const chance = chanceFrom(20_261_130);
  let [slowest_ms, most_MB, thrown] = [0, 0, 0];
  for (let i = 0; i < COUNT; i++) {
    const file = mangled(text, PIECES[name]!, chance);
    const began = performance.now();
    try {
      read(file);
    } catch (error) {
      if (thrown++ < 3) console.error(name, i, error);
    }
    slowest_ms = Math.max(slowest_ms, performance.now() - began);
    if (i % 50 === 0) most_MB = Math.max(most_MB, process.memoryUsage().rss / 1e6);
  }
  failed ||= thrown > 0 || slowest_ms > SLOWEST_ms || most_MB > MOST_MB;
  console.log(
    `${name.padEnd(8)} ${COUNT} files · ${thrown} thrown · slowest ${slowest_ms.toFixed(0)} ms · most ${most_MB.toFixed(0)} MB`,
  );
}
process.exitCode = failed ? 1 : 0;
