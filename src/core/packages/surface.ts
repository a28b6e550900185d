import type { BodyBox } from './throughHole';
import type { SurfaceFamilyId } from './surfaceFamilies';

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
}

/** Outline of a surface part; every family reads what it needs of it. Lengths in m. */
export interface Outline {
  readonly pins: number;
  readonly pitch_m: number;
  /** Body along x and along y. */
  readonly length_m: number;
  readonly width_m: number;
  readonly height_m: number;
  /** Tip to tip over the leads, along x. */
  readonly span_m: number;
  readonly leadWidth_m: number;
  /** Foot that lies on the land. */
  readonly foot_m: number;
  /** Land behind the foot; none under a leadless part. */
  readonly heel_m?: number;
}

/** Solder reaches past the foot by about this at toe and heel (IPC-7351 level N, from memory). */
const TOE_m = 0.35e-3;
const HEEL_m = 0.35e-3;

/** Two joints left and right; pin one left. */
export function pair(family: SurfaceFamilyId, o: Outline): SurfacePackage {
  const land_m = o.foot_m + TOE_m;
  const x_m = o.span_m / 2 - o.foot_m / 2 + TOE_m / 2;
  const lands = [-1, 1].map((side, i) => ({
    pad: String(i + 1),
    x_m: side * x_m,
    y_m: 0,
    width_m: land_m,
    height_m: o.leadWidth_m + 0.1e-3,
    lead_m: o.leadWidth_m,
  }));
  return { family, lands, body: bodyOf(family, o) };
}

/** Two rows; pin one top left, down the left row and up the right one. */
export function dualRow(family: SurfaceFamilyId, o: Outline): SurfacePackage {
  const perRow = o.pins / 2;
  const at = row(o, perRow);
  const lands = [
    ...at.map((y_m, i) => side(o, String(i + 1), -1, y_m)),
    ...[...at].reverse().map((y_m, i) => side(o, String(perRow + i + 1), 1, y_m)),
  ];
  return { family, lands, body: bodyOf(family, o) };
}

/**
 * Four rows, counter-clockwise from the top left down the left side. A PLCC's pin one is the middle of
 * its left side here, as the outline has it in the middle of a side (JEDEC MO-047, from memory).
 */
export function quad(family: SurfaceFamilyId, o: Outline, thermalPad_m = 0): SurfacePackage {
  const perSide = o.pins / 4;
  const at = row(o, perSide);
  const rows: SurfaceLand[] = [
    ...at.map((y_m) => side(o, '', -1, y_m)),
    ...[...at].reverse().map((x_m) => turned(side(o, '', -1, x_m))),
    ...[...at].reverse().map((y_m) => side(o, '', 1, y_m)),
    ...at.map((x_m) => turned(side(o, '', 1, x_m))),
  ];
  const first = family === 'plcc' ? Math.floor(perSide / 2) : 0;
  const lands = rows.map((land, i) => ({
    ...land,
    pad: String(((i - first + o.pins) % o.pins) + 1),
  }));
  lands.sort((a, b) => Number(a.pad) - Number(b.pad));
  if (thermalPad_m > 0) {
    lands.push({
      pad: String(o.pins + 1),
      x_m: 0,
      y_m: 0,
      width_m: thermalPad_m,
      height_m: thermalPad_m,
      lead_m: thermalPad_m,
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
  const lands = Array.from({ length: rows * columns }, (_, i) => {
    const r = Math.floor(i / columns);
    const c = i % columns;
    return {
      pad: `${rowLetters(r)}${c + 1}`,
      x_m: (c - (columns - 1) / 2) * o.pitch_m,
      y_m: ((rows - 1) / 2 - r) * o.pitch_m,
      width_m: 0.8 * o.leadWidth_m,
      height_m: 0.8 * o.leadWidth_m,
      lead_m: o.leadWidth_m,
    };
  });
  return { family: 'bga', lands, body: bodyOf('bga', o) };
}

/** Two leads on the left, one on the right. */
export function sot23(o: Outline): SurfacePackage {
  const lands = [side(o, '1', -1, o.pitch_m / 2), side(o, '2', -1, -o.pitch_m / 2), side(o, '3', 1, 0)];
  return { family: 'sot23', lands, body: bodyOf('sot23', o) };
}

/** Two leads on the left and the tab on the right; the tab is pad 2, as the cut middle lead is. */
export function powerTab(o: Outline): SurfacePackage {
  const tabLength_m = 0.9 * o.length_m;
  const lands: SurfaceLand[] = [
    side(o, '1', -1, o.pitch_m),
    {
      pad: '2',
      x_m: o.span_m / 2 - tabLength_m / 2,
      y_m: 0,
      width_m: tabLength_m,
      height_m: 0.85 * o.width_m,
      lead_m: 0.8 * o.width_m,
    },
    side(o, '3', -1, -o.pitch_m),
  ];
  return { family: 'dpak', lands, body: bodyOf('dpak', o) };
}

function row(o: Outline, count: number): number[] {
  return Array.from({ length: count }, (_, i) => ((count - 1) / 2 - i) * o.pitch_m);
}

function side(o: Outline, pad: string, sign: number, y_m: number): SurfaceLand {
  const heel_m = o.heel_m ?? HEEL_m;
  return {
    pad,
    x_m: sign * (o.span_m / 2 - o.foot_m / 2 + (TOE_m - heel_m) / 2),
    y_m,
    width_m: o.foot_m + TOE_m + heel_m,
    height_m: Math.min(o.leadWidth_m * 1.2, 0.65 * o.pitch_m),
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
