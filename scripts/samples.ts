import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO_BOARDS } from '~/server/demo/boards';
import { centroidOf, copperOf, drillOf, netlistOf, profileOf } from '../tests/support/openFiles';

/** Writes the invented boards' files into samples/, for anyone who wants to try the import. */

const SAMPLES = {
  'demo-beacon-4': 'beacon-driver',
  'demo-door-7': 'door-controller',
  'demo-projector-m2': 'projector-motor',
  'demo-tide-1': 'tide-logger',
} as const;

for (const [id, name] of Object.entries(SAMPLES)) {
  const { board, sites } = DEMO_BOARDS.find((b) => b.id === id)!;
  const folder = join('samples', name);
  mkdirSync(folder, { recursive: true });
  const write = (end: string, text: string): void => writeFileSync(join(folder, `${name}${end}`), text);
  write('.ipc', netlistOf(board.name, sites));
  write('-top.gbr', copperOf(board.construction, sites, 'top', false));
  write('-bottom.gbr', copperOf(board.construction, sites, 'bottom', true));
  write('.drl', drillOf(sites));
  write('-profile.gbr', profileOf(board.construction));
  write('-places.csv', centroidOf(sites));
}
console.log(`samples/: ${Object.values(SAMPLES).join(', ')}`);
