import { constructionFrom } from '~/schema/presets/stackupPresets';
import type { DemoBoard } from '../demoBoard';
import { axial, dip, outline, partsWith, radial, track } from '../parts';

const part = partsWith('sn60pb40', (net) => [
  net === '' ? { kind: 'isolated' } : track(/RTN|VCC|HV/.test(net) ? 2 : 0.8),
]);

/** One layer of paper-phenolic: burnt beside its heat sink. */
export const VALIDATOR: DemoBoard = {
  id: 'demo-validator-9',
  daysAgo: 62,
  board: {
    name: 'Ticket validator 9',
    owner: 'RT',
    fault: 'Dead. Single-sided supply board, burnt about the start-up capacitor.',
    triedBefore: 'Track bridged with a strand of wire, not insulated.',
    hazards: ['mains', 'stored-charge'],
    finish: 'bare-or-rolled-tin',
    madeIn: 1991,
    fixtures: 'Heat sink bracket, one screw; earth strap back under the same screw.',
    construction: constructionFrom('single-sided', 90, 60),
  },
  sites: [
    part({ ref: 'C2', value: '47 µF 50 V', x_mm: 40, y_mm: 30 }, radial(6.3, 2.5, 0.5), ['VCC', 'RTN']),
    part({ ref: 'C1', value: '100 µF 400 V', x_mm: 20, y_mm: 22 }, radial(16, 7.5, 0.8), ['HV', 'RTN']),
    part({ ref: 'C9', value: '230 nF 310 V X2', x_mm: 12, y_mm: 46 }, axial(15.24, 6), ['L', 'N']),
    part({ ref: 'R1', value: '120k', x_mm: 30, y_mm: 44 }, axial(12.7), ['HV', 'VCC']),
    part({ ref: 'D3', value: 'rectifier', x_mm: 56, y_mm: 44 }, axial(10.16, 2.7), ['AUX', 'VCC']),
    part({ ref: 'U1', value: 'supply controller', x_mm: 54, y_mm: 26 }, dip(8), [
      'COMP',
      'FB',
      'SENSE',
      'RT',
      'RTN',
      'GATE',
      'VCC',
      'REF',
    ]),
    part({ ref: 'Q1', value: 'switch', x_mm: 74, y_mm: 26, turn: 90 }, outline('TO-220'), [
      'GATE',
      'DRAIN',
      'SENSE',
    ]),
    part({ ref: 'R4', value: '0R47', x_mm: 74, y_mm: 44 }, axial(10.16), ['SENSE', 'RTN']),
  ],
  findings: [
    { site: 'C2', pad: '1', state: 'track-cut', note: 'Charred about 6 mm', daysAgo: 62, by: 'AO' },
    { site: 'U1', pad: '5', state: 'cracked', note: 'Ring at low angle', daysAgo: 62, by: 'AO' },
    { site: 'Q1', pad: '2', state: 'dull', note: 'Ran hot for years', daysAgo: 62, by: 'AO' },
    { site: 'R1', pad: '2', state: 'excess', note: 'Ball from the earlier repair', daysAgo: 62, by: 'AO' },
  ],
  places: [
    {
      side: 'bottom',
      kind: 'area',
      points: [
        [36, 24],
        [48, 24],
        [50, 36],
        [38, 38],
      ],
      state: 'charred',
      note: 'Brown through; resin gone between VCC and RTN',
      daysAgo: 62,
      by: 'AO',
    },
    {
      side: 'bottom',
      kind: 'track',
      points: [
        [40, 34],
        [36, 44],
      ],
      state: 'bridged',
      note: 'Strand of bare wire from the earlier repair',
      daysAgo: 62,
      by: 'AO',
      then: { state: 'sound', note: 'Strand taken off', daysAgo: 60 },
    },
  ],
  entries: [
    {
      by: 'AO',
      daysAgo: 59,
      body: { kind: 'scrapped', cause: 'Laminate charred through under C2; a spare board took its place.' },
    },
  ],
};
