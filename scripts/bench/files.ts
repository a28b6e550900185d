import { UNSETTLED } from '~/formats/import/choices';
import { planImport } from '~/formats/import/importPlan';
import type { Construction } from '~/schema/values/construction';
import { SIMULATE_EXAMPLE } from '../../tests/support/requests';
import { drain, report, timed } from './table';

/** A netlist of 10,000 two-pin parts of three sizes, and artwork of 20,000 draws and flashes on 160 × 100 mm. */
export function imports(): void {
  const ground = {
    construction: SIMULATE_EXAMPLE.board as Construction,
    taken: [],
    alloy: 'sn60pb40',
  } as const;
  const read = (name: string, text: string) => () =>
    void drain(planImport([{ name, text }], ground, UNSETTLED));
  const um = (value: number): string => `+${String(Math.round(value)).padStart(6, '0')}`;
  const SIZES = [
    [825, 800, 950],
    [950, 1000, 1450],
    [1462, 1125, 1750],
  ] as const;
  const chips = Array.from({ length: 10_000 }, (_, i) => {
    const [x, y] = [4000 + (i % 125) * 1200, 3000 + Math.floor(i / 125) * 1180];
    const [out, width, height] = SIZES[i % 3]!;
    return (
      [
        ['1', -out],
        ['2', out],
      ] as const
    )
      .map(
        ([pin, dx]) =>
          `327NET${String(i % 3000).padEnd(14)}${`R${i + 1}`.padEnd(6)}-${pin.padEnd(4)}       A01X${um(x + dx)}Y${um(y)}X${String(width).padStart(4, '0')}Y${String(height).padStart(4, '0')}R000 S0`,
      )
      .join('\n');
  });
  const draws = Array.from({ length: 20_000 }, (_, i) => {
    const [x, y] = [((i * 7919) % 155_000) * 1000, ((i * 104_729) % 95_000) * 1000];
    return i % 2 === 0
      ? `D11*\nX${x}Y${y}D03*`
      : `D10*\nX${x}Y${y}D02*\nX${x + 3_000_000}Y${y + (i % 5) * 500_000}D01*`;
  });
  const netlist = ['P  UNITS CUST 1', ...chips, '999', ''].join('\n');
  const artwork = `%TF.FileFunction,Copper,L1,Top*%\n%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,0.2*%\n%ADD11R,1X1.5*%\n${draws.join('\n')}\nM02*\n`;
  report('netlist of 10 000 two-pin parts: read and recognised', '≤ 2 s', timed(5, read('x.ipc', netlist)));
  report('artwork of 20 000 operations: read and painted', '≤ 2 s', timed(5, read('x.gbr', artwork)));
}
