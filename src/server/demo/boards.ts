import type { z } from 'zod';
import type { newBoard } from '../../schema/board';
import { constructionFrom } from '../../schema/stackupPresets';
import type { NewSite } from '../../schema/site';
import type { PadStateId } from '../../core/record/padStates';

/**
 * The invented workshop: it keeps the electronics of a hill railway, a lighthouse and a planetarium
 * running. People are initials; boards, faults and dates are made up.
 */
export interface DemoBoard {
  readonly id: string;
  readonly daysAgo: number;
  readonly board: z.input<typeof newBoard>;
  readonly sites: readonly DemoSite[];
  readonly findings: readonly DemoFinding[];
  readonly waiting?: { readonly waitingFor: 'parts' | 'owner' | 'cure'; readonly nextAction: string };
}

export interface DemoSite extends Omit<NewSite, 'value' | 'rotation_deg'> {
  readonly value: string;
  readonly rotation_deg: number;
}

export interface DemoFinding {
  readonly site: string;
  readonly pad: string;
  readonly state: PadStateId;
  readonly other?: string;
  readonly note: string;
  readonly daysAgo: number;
  readonly by: string;
}

const radial = (diameter_mm: number, pitch_mm: number, lead_mm = 0.6): NewSite['package'] => ({
  family: 'radial',
  pins: 2,
  pitch_mm,
  leadDiameter_mm: lead_mm,
  holeDiameter_mm: lead_mm + 0.3,
  landDiameter_mm: lead_mm + 1.2,
  bodyDiameter_mm: diameter_mm,
});

/** Pads of a surface part: a net for each, ground on the plane, supply through a relief, signals on a track. */
function surfacePads(names: readonly string[], nets: Readonly<Record<string, string>>): NewSite['pads'] {
  return names.map((name) => {
    const net = nets[name] ?? `N${name}`;
    const copper = net === 'GND' ? relief(2) : net === 'V5' ? relief(3) : { ...track(0.2), layers: [1] };
    return { name, net, connections: [copper] };
  });
}

const numbered = (count: number): string[] => Array.from({ length: count }, (_, i) => String(i + 1));

const track = (width_mm = 0.4) => ({ kind: 'track' as const, width_mm, count: 1 });
const relief = (...layers: number[]) => ({
  kind: 'thermal-relief' as const,
  spokes: 4,
  spokeWidth_mm: 0.3,
  spokeLength_mm: 0.3,
  layers,
});
const plane = (...layers: number[]) => ({ kind: 'solid-plane' as const, layers });

export const DEMO_BOARDS: readonly DemoBoard[] = [
  {
    id: 'demo-beacon-4',
    daysAgo: 3,
    board: {
      name: 'Beacon driver 4',
      owner: 'HL',
      fault:
        'Lamp current sags after ten minutes; ripple on the 24 V rail. C7 reads 165 µF with high ESR in circuit.',
      triedBefore: 'C7 re-melted once on the island with a pocket iron.',
      hazards: ['stored-charge'],
      construction: constructionFrom('four-layer', 160, 100),
    },
    sites: [
      {
        ref: 'C7',
        value: '220 µF 35 V',
        side: 'top',
        x_mm: 52,
        y_mm: 46,
        rotation_deg: 0,
        alloy: 'sn60pb40',
        package: radial(10, 5),
        pads: [
          { name: '1', net: 'V24_F', connections: [track(0.6)] },
          { name: '2', net: 'GND', connections: [relief(2)] },
        ],
      },
      {
        ref: 'C8',
        value: '220 µF 35 V',
        side: 'top',
        x_mm: 66,
        y_mm: 46,
        rotation_deg: 0,
        alloy: 'sn60pb40',
        package: radial(10, 5),
        pads: [
          { name: '1', net: 'V24', connections: [relief(3)] },
          { name: '2', net: 'GND', connections: [plane(2)] },
        ],
      },
      {
        ref: 'R11',
        value: '10 Ω 1 W',
        side: 'top',
        x_mm: 52,
        y_mm: 62,
        rotation_deg: 90,
        alloy: 'sn60pb40',
        package: {
          family: 'axial',
          pins: 2,
          pitch_mm: 15.24,
          leadDiameter_mm: 0.7,
          holeDiameter_mm: 1,
          landDiameter_mm: 2,
          bodyDiameter_mm: 3.4,
        },
        pads: [
          { name: '1', net: 'V24', connections: [track(0.8)] },
          { name: '2', net: 'V24_F', connections: [track(0.8)] },
        ],
      },
      {
        ref: 'J2',
        value: 'lamp out',
        side: 'top',
        x_mm: 138,
        y_mm: 50,
        rotation_deg: 90,
        alloy: 'sn60pb40',
        package: {
          family: 'header',
          pins: 6,
          pitch_mm: 3.96,
          leadDiameter_mm: 0.9,
          holeDiameter_mm: 1.3,
          landDiameter_mm: 2.2,
          bodyWidth_mm: 9,
        },
        pads: ['LAMP+', 'LAMP+', 'SENSE', 'GND', 'GND', 'SHLD'].map((net, i) => ({
          name: String(i + 1),
          net,
          connections: [net === 'GND' ? plane(2) : net === 'SENSE' ? track(0.3) : relief(3)],
        })),
      },
      {
        ref: 'U3',
        value: 'comparator',
        side: 'top',
        x_mm: 98,
        y_mm: 52,
        rotation_deg: 0,
        alloy: 'sn60pb40',
        package: {
          family: 'dip',
          pins: 14,
          pitch_mm: 2.54,
          rowSpacing_mm: 7.62,
          leadDiameter_mm: 0.5,
          holeDiameter_mm: 0.8,
          landDiameter_mm: 1.6,
        },
        pads: Array.from({ length: 14 }, (_, i) => ({
          name: String(i + 1),
          net: i === 6 ? 'GND' : i === 13 ? 'V5' : `S${i + 1}`,
          connections: [i === 6 ? relief(2) : i === 13 ? relief(3) : track(0.25)],
        })),
      },
      {
        ref: 'U7',
        value: 'lamp controller',
        side: 'top',
        x_mm: 118,
        y_mm: 76,
        rotation_deg: 0,
        alloy: 'sn60pb40',
        package: { family: 'qfp', pins: 44, pitch_mm: 0.8 },
        pads: surfacePads(numbered(44), {
          '6': 'GND',
          '17': 'V5',
          '18': 'GND',
          '28': 'GND',
          '38': 'V5',
          '39': 'GND',
        }),
      },
      {
        ref: 'C31',
        value: '100 nF',
        side: 'top',
        x_mm: 128,
        y_mm: 82,
        rotation_deg: 90,
        alloy: 'sn60pb40',
        package: { family: 'chip', code: '0603' },
        pads: surfacePads(numbered(2), { '1': 'V5', '2': 'GND' }),
      },
      {
        ref: 'R34',
        value: '4k7',
        side: 'top',
        x_mm: 134,
        y_mm: 70,
        rotation_deg: 0,
        alloy: 'sn60pb40',
        package: { family: 'chip', code: '0805' },
        pads: surfacePads(numbered(2), {}),
      },
      {
        ref: 'C33',
        value: '47 µF 16 V',
        side: 'top',
        x_mm: 144,
        y_mm: 84,
        rotation_deg: 0,
        alloy: 'sn60pb40',
        package: { family: 'canElectrolytic', bodyDiameter_mm: 6.3 },
        pads: surfacePads(numbered(2), { '1': 'V5', '2': 'GND' }),
      },
    ],
    findings: [
      {
        site: 'C7',
        pad: '2',
        state: 'dull',
        note: 'Grey, grainy, from the earlier repair',
        daysAgo: 3,
        by: 'MK',
      },
      { site: 'J2', pad: '4', state: 'cracked', note: 'Ring crack seen at low angle', daysAgo: 3, by: 'MK' },
    ],
  },
  {
    id: 'demo-door-7',
    daysAgo: 41,
    board: {
      name: 'Door controller, car 7',
      owner: 'RT',
      fault: 'Doors reopen at random in the cold. Connector joints cracked by vibration.',
      triedBefore: '',
      hazards: [],
      construction: constructionFrom('two-layer', 120, 80),
    },
    sites: [
      {
        ref: 'J1',
        value: 'motor and locks',
        side: 'top',
        x_mm: 60,
        y_mm: 12,
        rotation_deg: 0,
        alloy: 'sn63pb37',
        package: {
          family: 'header',
          pins: 10,
          pitch_mm: 5.08,
          leadDiameter_mm: 1,
          holeDiameter_mm: 1.4,
          landDiameter_mm: 2.4,
          bodyWidth_mm: 10,
        },
        pads: Array.from({ length: 10 }, (_, i) => ({
          name: String(i + 1),
          net: i > 7 ? 'GND' : `M${i + 1}`,
          connections: [i > 7 ? relief(2) : track(1.2)],
        })),
      },
      {
        ref: 'C3',
        value: '100 µF 25 V',
        side: 'top',
        x_mm: 34,
        y_mm: 48,
        rotation_deg: 0,
        alloy: 'sn63pb37',
        package: radial(6.3, 2.5, 0.5),
        pads: [
          { name: '1', net: 'V12', connections: [track(0.8)] },
          { name: '2', net: 'GND', connections: [relief(2)] },
        ],
      },
    ],
    findings: [
      { site: 'J1', pad: '3', state: 'cracked', note: '', daysAgo: 41, by: 'AO' },
      { site: 'J1', pad: '4', state: 'cracked', note: '', daysAgo: 41, by: 'AO' },
      { site: 'J1', pad: '6', state: 'insufficient', note: 'Far side dry', daysAgo: 41, by: 'AO' },
    ],
  },
  {
    id: 'demo-projector-m2',
    daysAgo: 27,
    board: {
      name: 'Star projector, motor board 2',
      owner: 'EP',
      fault: 'Declination axis stalls; driver rail dips. Two 1000 µF capacitors vented.',
      triedBefore: 'Fuse replaced twice by the house technician.',
      hazards: ['stored-charge', 'leaking-electrolyte'],
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
        package: radial(16, 7.5, 0.8),
        pads: [
          { name: '1', net: 'VM', connections: [relief(5)] },
          { name: '2', net: 'GND', connections: [relief(2)] },
        ],
      },
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
    ],
    waiting: { waitingFor: 'parts', nextAction: '2 × 1000 µF 50 V 105 °C, ordered; pitch 7.5' },
  },
  {
    id: 'demo-validator-9',
    daysAgo: 62,
    board: {
      name: 'Ticket validator 9',
      owner: 'RT',
      fault: 'Dead. Single-sided supply board, burnt about the start-up capacitor.',
      triedBefore: 'Track bridged with a strand of wire, not insulated.',
      hazards: ['mains', 'stored-charge'],
      construction: constructionFrom('single-sided', 90, 60),
    },
    sites: [
      {
        ref: 'C2',
        value: '47 µF 50 V',
        side: 'top',
        x_mm: 40,
        y_mm: 30,
        rotation_deg: 0,
        alloy: 'sn60pb40',
        package: radial(6.3, 2.5, 0.5),
        pads: [
          { name: '1', net: 'VCC', connections: [track(1)] },
          { name: '2', net: 'RTN', connections: [track(2)] },
        ],
      },
    ],
    findings: [
      { site: 'C2', pad: '1', state: 'track-cut', note: 'Charred about 6 mm', daysAgo: 62, by: 'AO' },
    ],
  },
  {
    id: 'demo-tide-1',
    daysAgo: 96,
    board: {
      name: 'Tide logger 1',
      owner: 'HL',
      fault: 'Clock loses hours; back-up capacitor leaks.',
      triedBefore: '',
      hazards: ['lithium'],
      construction: constructionFrom('two-layer', 100, 70),
    },
    sites: [
      {
        ref: 'C4',
        value: '0.1 F 5.5 V',
        side: 'top',
        x_mm: 48,
        y_mm: 34,
        rotation_deg: 0,
        alloy: 'sn60pb40',
        package: radial(12, 5, 0.7),
        pads: [
          { name: '1', net: 'VBAK', connections: [track(0.5)] },
          { name: '2', net: 'GND', connections: [relief(2)] },
        ],
      },
    ],
    findings: [],
  },
  {
    id: 'demo-wind-2',
    daysAgo: 1,
    board: {
      name: 'Wind logger 2',
      owner: 'HL',
      fault: 'Reads half speed. Sensor filter capacitor measured open.',
      triedBefore: '',
      hazards: [],
      construction: constructionFrom('two-layer', 100, 70),
    },
    sites: [
      {
        ref: 'C5',
        value: '4n7',
        side: 'top',
        x_mm: 50,
        y_mm: 30,
        rotation_deg: 0,
        alloy: 'sn63pb37',
        package: radial(5, 5, 0.5),
        pads: [
          { name: '1', net: 'SIG', connections: [track(0.25)] },
          { name: '2', net: 'GND', connections: [relief(2)] },
        ],
      },
    ],
    findings: [],
  },
];
