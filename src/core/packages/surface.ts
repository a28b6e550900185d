import type { BodyBox } from './throughHole';
import { FILLETS, filletFor, LAND_RULES, type Fillet } from './fillets';
import { SURFACE_TRAITS, type SurfaceFamilyId } from './surfaceFamilies';

/** One land of a surface part about its centre: x to the right, y upward, seen from the part's side. */
export interface SurfaceLand {
  readonly pad: string;
  readonly x_m: number;
  readonly y_m: number;
  /** Along x and along y. */
  readonly width_m: number;
  readonly height_m: number;
  /** Width of what stands on it: lead, termination, tab or ball. */
  readonly lead_m: number;
}

export interface SurfacePackage {
  readonly family: SurfaceFamilyId;
  readonly lands: readonly SurfaceLand[];
  readonly body: BodyBox;
  /** Peak on the part's own label; left out, its tables are asked. */
  readonly ratedPeak_K?: number | undefined;
  /** What its own sheet says its body stands, K; left out, its family's limit or its tables hold. */
  readonly ownLimit_K?: number | undefined;
}

/** Between the standard's 0.50 and 0.55 mm. */
const LARGE_BALL_m = 0.525e-3;

/** Outline of a surface part; every family reads what it needs of it. Lengths in m. */
export interface Outline {
  readonly pins: number;
  /** Pins on each of the left and right sides of a quad pack. */
  readonly sidePins: number;
  readonly pitch_m: number;
  /** Body along x and along y. */
  readonly length_m: number;
  readonly width_m: number;
  readonly height_m: number;
  /** Tip to tip over the leads, along x; along y they reach as far over the body. */
  readonly span_m: number;
  readonly leadWidth_m: number;
  /** Foot that lies on the land. */
  readonly foot_m: number;
  /** A land's own size, where it is known; else the foot and its fillets. Along and across the lead. */
  readonly landLength_m?: number | undefined;
  readonly landWidth_m?: number | undefined;
}

/** A large land under or beside a body: along x and along y. */
export interface PadSize {
  readonly length_m: number;
  readonly width_m: number;
}

/** Two joints left and right; pin one left. */
export function pair(family: SurfaceFamilyId, o: Outline): SurfacePackage {
  const fillet = filletFor(SURFACE_TRAITS[family].joint, o);
  const lands = [side(o, '1', -1, 0, fillet), side(o, '2', 1, 0, fillet)];
  return { family, lands, body: bodyOf(family, o) };
}

/** Two rows; pin one top left, down the left row and up the right one. */
export function dualRow(family: SurfaceFamilyId, o: Outline): SurfacePackage {
  const fillet = filletFor(SURFACE_TRAITS[family].joint, o);
  const perRow = o.pins / 2;
  const at = row(o, perRow);
  const lands = [
    ...at.map((y_m, i) => side(o, String(i + 1), -1, y_m, fillet)),
    ...[...at].reverse().map((y_m, i) => side(o, String(perRow + i + 1), 1, y_m, fillet)),
  ];
  return { family, lands, body: bodyOf(family, o) };
}

/** Size of the tabs that hold a connector down (common practice). */
const ANCHOR_m = { width_m: 1.8e-3, height_m: 2.2e-3, lead_m: 1.4e-3 } as const;

/** Names of those tabs. */
export const ANCHOR_PADS: ReadonlySet<string> = new Set(['T1', 'T2']);

/** One row on the left, pin one at its top, and a tab that holds the body down at either end of the right side. */
export function anchoredRow(family: SurfaceFamilyId, o: Outline): SurfacePackage {
  const fillet = filletFor(SURFACE_TRAITS[family].joint, o);
  const x_m = o.length_m / 2 - ANCHOR_m.width_m / 2;
  const y_m = o.width_m / 2;
  const lands = [
    ...row(o, o.pins).map((at_m, i) => side(o, String(i + 1), -1, at_m, fillet)),
    { pad: 'T1', x_m, y_m, ...ANCHOR_m },
    { pad: 'T2', x_m, y_m: -y_m, ...ANCHOR_m },
  ];
  return { family, lands, body: bodyOf(family, o) };
}

/**
 * Four rows, counter-clockwise from the top left down the left side, as many on opposite sides. A PLCC's pin
 * one is the middle of its left side here, as the outline has it in the middle of a side (JEDEC MO-047, from
 * memory).
 */
export function quad(family: SurfaceFamilyId, o: Outline, thermalPad: PadSize | null = null): SurfacePackage {
  const fillet = filletFor(SURFACE_TRAITS[family].joint, o);
  const beside = row(o, o.sidePins);
  const along = row(o, o.pins / 2 - o.sidePins);
  const across: Outline = { ...o, span_m: o.width_m + o.span_m - o.length_m };
  const rows: SurfaceLand[] = [
    ...beside.map((y_m) => side(o, '', -1, y_m, fillet)),
    ...[...along].reverse().map((x_m) => turned(side(across, '', -1, x_m, fillet))),
    ...[...beside].reverse().map((y_m) => side(o, '', 1, y_m, fillet)),
    ...along.map((x_m) => turned(side(across, '', 1, x_m, fillet))),
  ];
  const first = family === 'plcc' ? Math.floor(o.sidePins / 2) : 0;
  const lands = rows.map((land, i) => ({
    ...land,
    pad: String(((i - first + o.pins) % o.pins) + 1),
  }));
  lands.sort((a, b) => Number(a.pad) - Number(b.pad));
  if (thermalPad && thermalPad.length_m > 0) {
    lands.push({
      pad: String(o.pins + 1),
      x_m: 0,
      y_m: 0,
      width_m: thermalPad.length_m,
      height_m: thermalPad.width_m,
      lead_m: Math.min(thermalPad.length_m, thermalPad.width_m),
    });
  }
  return { family, lands, body: bodyOf(family, o) };
}

/** Row letters of an array: I, O, Q, S, X and Z are left out (JEDEC JEP95 4.14, from memory). */
const ROWS = 'ABCDEFGHJKLMNPRTUVWY';

export function rowLetters(row: number): string {
  const first = Math.floor(row / ROWS.length);
  return (first > 0 ? ROWS[first - 1]! : '') + ROWS[row % ROWS.length]!;
}

/** A full array of balls; A1 top left, letters down, numbers to the right. */
export function ballArray(o: Outline, rows: number, columns: number): SurfacePackage {
  const { ballShare, largeBallShare } = LAND_RULES;
  const share = o.leadWidth_m > LARGE_BALL_m ? largeBallShare : ballShare;
  const land_m = o.landWidth_m ?? share.value * o.leadWidth_m;
  const lands = Array.from({ length: rows * columns }, (_, i) => {
    const r = Math.floor(i / columns);
    const c = i % columns;
    return {
      pad: `${rowLetters(r)}${c + 1}`,
      x_m: (c - (columns - 1) / 2) * o.pitch_m,
      y_m: ((rows - 1) / 2 - r) * o.pitch_m,
      width_m: land_m,
      height_m: land_m,
      lead_m: o.leadWidth_m,
    };
  });
  return { family: 'bga', lands, body: bodyOf('bga', o) };
}

/** Two leads on the left, one on the right; of five or six, three on the left and the rest up the right. */
export function sot23(o: Outline): SurfacePackage {
  const fillet = filletFor('gull', o);
  if (o.pins > 3) {
    const left = row(o, 3);
    // The middle of the right side is the one that five have not.
    const right = [...left].reverse().filter((_, i) => o.pins === 6 || i !== 1);
    const lands = [
      ...left.map((y_m, i) => side(o, String(i + 1), -1, y_m, fillet)),
      ...right.map((y_m, i) => side(o, String(i + 4), 1, y_m, fillet)),
    ];
    return { family: 'sot23', lands, body: bodyOf('sot23', o) };
  }
  const lands = [
    side(o, '1', -1, o.pitch_m / 2, fillet),
    side(o, '2', -1, -o.pitch_m / 2, fillet),
    side(o, '3', 1, 0, fillet),
  ];
  return { family: 'sot23', lands, body: bodyOf('sot23', o) };
}

/** Two leads on the left and the tab on the right; the tab is pad 2, as the cut middle lead is. */
export function powerTab(o: Outline, tab: Partial<PadSize>): SurfacePackage {
  const tabLength_m = tab.length_m ?? LAND_RULES.tabLength.value * o.length_m;
  const fillet = FILLETS.gull;
  const lands: SurfaceLand[] = [
    side(o, '1', -1, o.pitch_m, fillet),
    {
      pad: '2',
      x_m: o.span_m / 2 - tabLength_m / 2,
      y_m: 0,
      width_m: tabLength_m,
      height_m: tab.width_m ?? LAND_RULES.tabWidth.value * o.width_m,
      lead_m: 0.8 * o.width_m,
    },
    side(o, '3', -1, -o.pitch_m, fillet),
  ];
  return { family: 'dpak', lands, body: bodyOf('dpak', o) };
}

/** Tabs of small power packs across their side (JEDEC TO-261 and TO-243, from memory). */
const TAB_WIDTH_m = { sot223: 3e-3, sot89: 1.7e-3 } as const;

/**
 * Three leads on the left and a tab on the right: of SOT-223 a foot as the others are, pad 4; of SOT-89 the middle lead goes on
 * beneath the body as its tab, pad 2.
 */
export function smallTab(family: 'sot223' | 'sot89', o: Outline): SurfacePackage {
  const fillet = filletFor('gull', o);
  const [one, middle, three] = row(o, 3).map((y_m, i) => side(o, String(i + 1), -1, y_m, fillet)) as [
    SurfaceLand,
    SurfaceLand,
    SurfaceLand,
  ];
  const tab = side(
    { ...o, leadWidth_m: TAB_WIDTH_m[family], pins: 2 },
    family === 'sot223' ? '4' : '2',
    1,
    0,
    fillet,
  );
  if (family === 'sot223') return { family, lands: [one, middle, three, tab], body: bodyOf(family, o) };
  // One land from the middle lead's toe to the tab's.
  const from_m = middle.x_m - middle.width_m / 2;
  const to_m = tab.x_m + tab.width_m / 2;
  const whole: SurfaceLand = { ...tab, x_m: (from_m + to_m) / 2, width_m: to_m - from_m };
  return { family, lands: [one, whole, three], body: bodyOf(family, o) };
}

function row(o: Outline, count: number): number[] {
  return Array.from({ length: count }, (_, i) => ((count - 1) / 2 - i) * o.pitch_m);
}

/** A land of the left (−1) or right (1) side; its own size lies about the middle of what fillets would make. */
function side(o: Outline, pad: string, sign: number, y_m: number, fillet: Fillet): SurfaceLand {
  const [toe_m, heel_m] = [fillet.toe.value, fillet.heel.value];
  const apart = o.pins > 2 ? (1 - LAND_RULES.leastGap.value) * o.pitch_m : Infinity;
  return {
    pad,
    x_m: sign * (o.span_m / 2 - o.foot_m / 2 + (toe_m - heel_m) / 2),
    y_m,
    width_m: o.landLength_m ?? o.foot_m + toe_m + heel_m,
    height_m: o.landWidth_m ?? Math.min(o.leadWidth_m + 2 * fillet.side.value, apart),
    lead_m: o.leadWidth_m,
  };
}

/** A land of the left or right side, turned a quarter to the bottom or the top. */
const turned = (land: SurfaceLand): SurfaceLand => ({
  ...land,
  x_m: land.y_m,
  y_m: land.x_m,
  width_m: land.height_m,
  height_m: land.width_m,
});

const bodyOf = (family: SurfaceFamilyId, o: Outline): BodyBox => ({
  shape: family === 'canElectrolytic' ? 'can' : 'block',
  length_m: o.length_m,
  width_m: o.width_m,
  height_m: o.height_m,
});
