import { UNSETTLED } from '~/formats/import/choices';
import { planImport } from '~/formats/import/importPlan';
import type { Construction } from '~/schema/values/construction';
import { SIMULATE_EXAMPLE } from '../../tests/support/requests';
import { drain, report, timed } from './table';

/** A netlist of 20,000 records on 500 parts, and artwork of 20,000 draws and flashes on 160 × 100 mm. */
export function imports(): void {
  const ground = {
    construction: SIMULATE_EXAMPLE.board as Construction,
    taken: [],
    alloy: 'sn60pb40',
  } as const;
  const read = (name: string, text: string) => () =>
    void drain(planImport([{ name, text }], ground, UNSETTLED));
  const records = Array.from({ length: 20_000 }, (_, i) => {
    const [part, pin] = [i % 500, Math.floor(i / 500)];
    const x = 10_000 + (part % 25) * 5_500 + (pin % 20) * 100;
    const y = 8_000 + Math.floor(part / 25) * 4_000 + (pin < 20 ? 0 : 2_000);
    return `327NET${String(i % 3000).padEnd(14)}${`U${part}`.padEnd(6)}-${String(pin + 1).padEnd(4)}       A01X+${String(x).padStart(6, '0')}Y+${String(y).padStart(6, '0')}X0060Y0400R000 S0`;
  });
  const draws = Array.from({ length: 20_000 }, (_, i) => {
    const [x, y] = [((i * 7919) % 155_000) * 1000, ((i * 104_729) % 95_000) * 1000];
    return i % 2 === 0
      ? `D11*\nX${x}Y${y}D03*`
      : `D10*\nX${x}Y${y}D02*\nX${x + 3_000_000}Y${y + (i % 5) * 500_000}D01*`;
  });
  const netlist = ['P  UNITS CUST 1', ...records, '999', ''].join('\n');
  const artwork = `%TF.FileFunction,Copper,L1,Top*%\n%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.2*%\n%ADD11R,1X1.5*%\n${draws.join('\n')}\nM02*\n`;
  report('netlist of 20 000 records: read, parts recognised', '≤ 1 s', timed(5, read('x.ipc', netlist)));
  report('artwork of 20 000 operations: read and painted', '≤ 2 s', timed(5, read('x.gbr', artwork)));
}
