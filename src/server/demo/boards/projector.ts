import { constructionFrom } from '~/schema/presets/stackupPresets';
import type { DemoBoard } from '../demoBoard';
import { numbered, partsWith, plane, radial, relief, track } from '../parts';

const part = partsWith('sac305', (net, holed, side) => {
  const own = side === 'top' ? 1 : 6;
  const via = { ...track(0.25), layers: [own] };
  if (net === 'GND') return holed ? [relief(2)] : [via, relief(2)];
  if (net === 'VM' || net === 'V5') return holed ? [relief(5)] : [via, relief(5)];
  return [{ ...track(0.2), layers: [holed ? 7 - own : own] }];
});

const BRIDGE = ['VM', 'OUTA', 'OUTA', 'GND', 'GND', 'OUTB', 'OUTB', 'VM'];
const bridge = (n: number, x_mm: number) =>
  part({ ref: `U${n}`, value: 'half bridge', x_mm, y_mm: 44 }, { family: 'soic', pins: 8 }, [
    ...BRIDGE.map((net) => (net.startsWith('OUT') ? `${net}${n}` : net)),
  ]);

/** Six layers of heavy copper: leaked electrolyte under two cans. */
export const PROJECTOR: DemoBoard = {
  id: 'demo-projector-m2',
  daysAgo: 27,
  board: {
    name: 'Star projector, motor board 2',
    owner: 'EP',
    fault: 'Declination axis stalls; driver rail dips. Two 1000 µF capacitors vented.',
    triedBefore: 'Fuse replaced twice by the house technician.',
    hazards: ['stored-charge', 'leaking-electrolyte'],
    finish: 'nickel-gold',
    madeIn: 2013,
    asks_V: 19,
    fixtures: 'Six screws; the long one goes by the motor plug. Ribbon to the encoder, red edge to pin one.',
    construction: constructionFrom('six-layer-heavy', 220, 140),
  },
  sites: [
    {
      ref: 'C21',
      value: '1000 µF 50 V',
      side: 'top',
      x_mm: 70,
      y_mm: 80,
      rotation_deg: 90,
      alloy: 'sac305',
      clinched: false,
      package: radial(16, 7.5, 0.8),
      pads: [
        { name: '1', net: 'VM', connections: [plane(5)] },
        { name: '2', net: 'GND', connections: [plane(2)] },
      ],
    },
    {
      ref: 'C22',
      value: '1000 µF 50 V',
      side: 'top',
      x_mm: 96,
      y_mm: 80,
      rotation_deg: 90,
      alloy: 'sac305',
      clinched: false,
      package: radial(16, 7.5, 0.8),
      pads: [
        { name: '1', net: 'VM', connections: [relief(5)] },
        { name: '2', net: 'GND', connections: [relief(2)] },
      ],
    },
    bridge(11, 60),
    bridge(12, 80),
    bridge(13, 100),
    bridge(14, 120),
    part(
      { ref: 'U20', value: 'axis controller', x_mm: 160, y_mm: 84 },
      { family: 'qfp', pins: 100, pitch_mm: 0.5 },
      numbered(100).map((n) =>
        Number(n) % 12 === 0 ? 'GND' : Number(n) % 12 === 6 ? 'V5' : Number(n) <= 8 ? `OUTA1${n}` : `P${n}`,
      ),
    ),
    part(
      { ref: 'U21', value: 'memory', x_mm: 190, y_mm: 84 },
      { family: 'tsop', pins: 44 },
      numbered(44).map((n) =>
        n === '1' || n === '22' ? 'V5' : n === '23' || n === '44' ? 'GND' : `P${Number(n) + 12}`,
      ),
    ),
    part({ ref: 'C31', value: '100 nF', x_mm: 150, y_mm: 96 }, { family: 'chip', code: '0603' }, [
      'V5',
      'GND',
    ]),
    part({ ref: 'C32', value: '100 nF', x_mm: 170, y_mm: 96 }, { family: 'chip', code: '0603' }, [
      'V5',
      'GND',
    ]),
    part({ ref: 'C33', value: '100 nF', x_mm: 190, y_mm: 100 }, { family: 'chip', code: '0603' }, [
      'V5',
      'GND',
    ]),
    part(
      { ref: 'C40', value: '22 µF 25 V', x_mm: 60, y_mm: 30, side: 'bottom' },
      { family: 'canElectrolytic', bodyDiameter_mm: 6.3 },
      ['VM', 'GND'],
    ),
    part(
      { ref: 'C41', value: '22 µF 25 V', x_mm: 90, y_mm: 30, side: 'bottom' },
      { family: 'canElectrolytic', bodyDiameter_mm: 6.3 },
      ['VM', 'GND'],
    ),
    part(
      { ref: 'J5', value: 'motor', x_mm: 90, y_mm: 14 },
      {
        family: 'header',
        pins: 8,
        pitch_mm: 5.08,
        leadDiameter_mm: 1.1,
        holeDiameter_mm: 1.5,
        landDiameter_mm: 2.8,
        bodyWidth_mm: 10,
      },
      ['OUTA11', 'OUTB11', 'OUTA12', 'OUTB12', 'OUTA13', 'OUTB13', 'OUTA14', 'OUTB14'],
    ),
  ],
  findings: [
    {
      site: 'C21',
      pad: '2',
      state: 'corroded',
      note: 'Electrolyte under the can, mask lifting',
      daysAgo: 27,
      by: 'MK',
    },
    { site: 'C21', pad: '1', state: 'flaked', note: '', daysAgo: 27, by: 'MK' },
    { site: 'C22', pad: '2', state: 'barrel', note: 'Ring gone on the far side', daysAgo: 26, by: 'MK' },
    {
      site: 'U12',
      pad: '2',
      state: 'joined',
      other: '3',
      note: 'Both halves of one output',
      daysAgo: 26,
      by: 'MK',
    },
    { site: 'U13', pad: '4', state: 'dull', note: 'Wicking under the lead', daysAgo: 26, by: 'MK' },
    { site: 'C40', pad: '1', state: 'lifted', note: 'Rocks with the can', daysAgo: 26, by: 'MK' },
    {
      site: 'U20',
      pad: '41',
      state: 'bridged',
      other: '42',
      note: 'Whisker under the lens',
      daysAgo: 25,
      by: 'MK',
    },
  ],
  places: [
    {
      side: 'top',
      kind: 'area',
      points: [
        [58, 68],
        [84, 66],
        [88, 90],
        [74, 98],
        [60, 92],
      ],
      state: 'corroded',
      note: 'Electrolyte patch, green at its edge',
      daysAgo: 27,
      by: 'MK',
      then: { state: 'repaired', note: 'Neutralised, rinsed, dried warm; tracks bright', daysAgo: 25 },
    },
    {
      side: 'top',
      kind: 'track',
      points: [
        [84, 72],
        [92, 72],
        [92, 60],
      ],
      state: 'cut',
      note: 'Eaten through under the patch, 20 mm, VM sense',
      daysAgo: 26,
      by: 'MK',
    },
    {
      side: 'bottom',
      kind: 'via',
      points: [[88, 66]],
      state: 'open',
      note: 'Green, no continuity to the inner plane',
      daysAgo: 26,
      by: 'MK',
    },
  ],
  groups: [{ name: 'Output bridges', refs: ['U11', 'U12', 'U13', 'U14'] }],
  photo: 'top',
  entries: [
    {
      by: 'HL',
      daysAgo: 3,
      body: {
        kind: 'parked',
        awaits: 'part',
        what: '2 × 1000 µF 50 V 105 °C, ordered; pitch 7.5 mm',
        dueInDays: 9,
      },
    },
  ],
};
