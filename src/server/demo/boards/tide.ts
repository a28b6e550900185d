import { constructionFrom } from '~/schema/presets/stackupPresets';
import type { DemoBoard } from '../demoBoard';
import { dip, partsWith, radial, relief, track } from '../parts';

const part = partsWith('sn60pb40', (net, holed, side) =>
  net === 'GND' && holed ? [relief(2)] : [{ ...track(0.5), layers: [holed === (side === 'top') ? 2 : 1] }],
);

/** Two layers with a cell: a torn pad, and a jumper that holds. */
export const TIDE: DemoBoard = {
  id: 'demo-tide-1',
  daysAgo: 96,
  board: {
    name: 'Tide logger 1',
    owner: 'HL',
    fault: 'Forgets the date when the mast is switched off; holds minutes, not weeks.',
    triedBefore: '',
    hazards: ['lithium'],
    finish: 'hot-air-levelled',
    madeIn: 2002,
    asks_V: 12,
    fixtures: 'Gasket under the lid, two cable glands; cell out before any heat.',
    construction: constructionFrom('two-layer', 100, 70),
  },
  sites: [
    part({ ref: 'C4', value: '0.22 F 3.6 V', x_mm: 48, y_mm: 34 }, radial(12, 5, 0.7), ['VBAK', 'GND']),
    part({ ref: 'U2', value: 'clock', x_mm: 68, y_mm: 36 }, dip(8), [
      'X1',
      'X2',
      'VBAK',
      'GND',
      'SDA',
      'SCL',
      'INT',
      'V5',
    ]),
    part({ ref: 'C6', value: '100 nF', x_mm: 68, y_mm: 50 }, radial(5, 5, 0.5), ['V5', 'GND']),
    part(
      { ref: 'J3', value: 'sensor', x_mm: 24, y_mm: 12 },
      {
        family: 'header',
        pins: 4,
        pitch_mm: 3.96,
        leadDiameter_mm: 0.9,
        holeDiameter_mm: 1.3,
        landDiameter_mm: 2.2,
        bodyWidth_mm: 8,
      },
      ['V5', 'SDA', 'SCL', 'GND'],
    ),
  ],
  findings: [
    { site: 'U2', pad: '4', state: 'insufficient', note: 'Half a fillet', daysAgo: 96, by: 'MK' },
    { site: 'J3', pad: '4', state: 'corroded', note: 'Salt at the gland', daysAgo: 96, by: 'MK' },
  ],
  places: [
    {
      side: 'top',
      kind: 'area',
      points: [
        [14, 4],
        [34, 4],
        [34, 18],
        [14, 18],
      ],
      state: 'residue',
      note: 'Salt film about the gland',
      daysAgo: 96,
      by: 'MK',
      then: { state: 'repaired', note: 'Washed, alcohol, dried warm', daysAgo: 90 },
    },
  ],
  readings: [{ site: 'U2', values_Ohm: [null, null, 0.2, null, 0.1, 0.2, null, 0.3], daysAgo: 88, by: 'MK' }],
  entries: [
    {
      by: 'MK',
      daysAgo: 89,
      body: { kind: 'part', site: 'C4', is: 'fitted', what: '0.22 F 5.5 V, new', where: '' },
    },
    {
      by: 'MK',
      daysAgo: 88,
      body: {
        kind: 'tested',
        how: 'In its case, clock kept over a night without mains, three times',
        passed: true,
      },
    },
  ],
};
