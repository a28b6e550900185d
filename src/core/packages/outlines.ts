import { sizeOf, type SizeCode } from './sizes';
import type { SurfaceFamilyId } from './surfaceFamilies';
import {
  anchoredRow,
  ballArray,
  dualRow,
  pair,
  powerTab,
  quad,
  smallTab,
  sot23,
  type Outline,
  type SurfacePackage,
} from './surface';

/** What a person may say of a surface part; what is left out comes from the family's usual outline. */
export interface SurfaceSpec {
  readonly family: SurfaceFamilyId;
  readonly code?: SizeCode | undefined;
  readonly pins?: number | undefined;
  /** Pins on each of the left and right sides of a quad pack that is longer than wide. */
  readonly sidePins?: number | undefined;
  readonly pitch_m?: number | undefined;
  readonly length_m?: number | undefined;
  readonly width_m?: number | undefined;
  readonly height_m?: number | undefined;
  readonly span_m?: number | undefined;
  readonly diameter_m?: number | undefined;
  readonly rows?: number | undefined;
  readonly columns?: number | undefined;
  /** Thermal pad or tab, along x; along y as long where that is left out. */
  readonly thermalPad_m?: number | undefined;
  readonly thermalPadWidth_m?: number | undefined;
  readonly leadWidth_m?: number | undefined;
  readonly foot_m?: number | undefined;
  readonly landLength_m?: number | undefined;
  readonly landWidth_m?: number | undefined;
}

/** Pins of the family's most common outline. */
export const USUAL_PINS: Readonly<Record<SurfaceFamilyId, number>> = {
  chip: 2,
  sod: 2,
  mouldedDiode: 2,
  tantalum: 2,
  melf: 2,
  canElectrolytic: 2,
  sot23: 3,
  dpak: 3,
  sot223: 4,
  sot89: 3,
  soic: 8,
  ssop: 20,
  tsop: 44,
  soj: 28,
  plcc: 44,
  qfp: 100,
  qfn: 32,
  connector: 10,
  button: 4,
  ceramicCrystal: 4,
  bga: 256,
};

/** A family's usual outline, mm: what holds where a part's own figure is not given. */
interface Usual {
  readonly pitch: number;
  /** Body across its rows (along x). */
  readonly length: number;
  /** Body along its rows; left out, it follows from pins and pitch, or the body is square. */
  readonly width?: number;
  readonly height: number;
  /** How far the leads reach over the body, both sides together. */
  readonly over: number;
  readonly lead: number;
  readonly foot: number;
  /** Body beyond the outer pins of a row, both ends together. */
  readonly ends?: number;
}

/** Lead widths of quad packs go with their pitch, mm (JEDEC MS-026 and MS-022, dimension b, from memory). */
const LEAD_BY_PITCH_mm: readonly (readonly [pitch: number, lead: number])[] = [
  [0.4, 0.18],
  [0.5, 0.22],
  [0.65, 0.3],
  [0.8, 0.37],
  [1.0, 0.4],
];

const leadAt_mm = (pitch_mm: number): number =>
  LEAD_BY_PITCH_mm.findLast(([pitch]) => pitch <= pitch_mm + 0.01)?.[1] ?? 0.4 * pitch_mm;

/**
 * Usual outlines. JEDEC MS-012 and MS-013 (SOIC), MO-150 (SSOP), MS-024 (TSOP II), MO-065 (SOJ), MO-047
 * (PLCC), MS-026 (QFP), MO-220 (QFN), TO-236, MO-178 (SOT-23-5 and -6), TO-252, TO-261 (SOT-223), TO-243 (SOT-89); typical figures, from memory.
 */
function usual(spec: SurfaceSpec, pins: number, sidePins: number): Usual {
  const pitch_mm = spec.pitch_m === undefined ? null : spec.pitch_m * 1e3;
  switch (spec.family) {
    case 'chip':
    case 'sod':
    case 'mouldedDiode':
    case 'tantalum':
    case 'melf': {
      const { length, width, height, lead, foot, span } = sizeOf(spec.family, spec.code);
      return { pitch: length, length, width, height, over: span - length, lead, foot };
    }
    case 'canElectrolytic': {
      const diameter = (spec.diameter_m ?? 6.3e-3) * 1e3;
      const base = 1.05 * diameter;
      return {
        pitch: 0.3 * diameter,
        length: diameter,
        width: diameter,
        height: 0.9 * diameter,
        over: base + 0.8 - diameter,
        lead: diameter > 7 ? 1.0 : 0.65,
        foot: 0.36 * base,
      };
    }
    case 'sot23':
      return pins === 3
        ? { pitch: 1.9, length: 1.3, width: 2.9, height: 1.0, over: 1.1, lead: 0.4, foot: 0.45 }
        : { pitch: 0.95, length: 1.6, width: 2.9, height: 1.15, over: 1.2, lead: 0.4, foot: 0.45 };
    case 'dpak':
      return { pitch: 2.28, length: 6.1, width: 6.5, height: 2.3, over: 3.8, lead: 0.8, foot: 1.5 };
    case 'sot223':
      return { pitch: 2.3, length: 3.5, width: 6.5, height: 1.6, over: 3.5, lead: 0.7, foot: 0.9 };
    case 'sot89':
      return { pitch: 1.5, length: 2.5, width: 4.5, height: 1.5, over: 1.5, lead: 0.48, foot: 1.0 };
    case 'soic': {
      const wide = pins > 16;
      return {
        pitch: 1.27,
        length: wide ? 7.5 : 3.9,
        height: wide ? 2.35 : 1.5,
        over: wide ? 2.8 : 2.1,
        lead: 0.42,
        foot: 0.84,
        ends: wide ? 1.37 : 1.1,
      };
    }
    case 'ssop':
      return { pitch: 0.65, length: 5.3, height: 1.75, over: 2.5, lead: 0.3, foot: 0.75, ends: 1.35 };
    case 'tsop':
      return { pitch: 0.8, length: 10.16, height: 1.0, over: 1.6, lead: 0.35, foot: 0.5, ends: 1.6 };
    case 'soj':
      return { pitch: 1.27, length: 7.6, height: 3.5, over: 0.9, lead: 0.45, foot: 0.9, ends: 1.4 };
    case 'plcc': {
      const length = (sidePins - 1) * 1.27 + 3.9;
      return { pitch: 1.27, length, height: 4.2, over: 0.94, lead: 0.45, foot: 0.9 };
    }
    case 'qfp': {
      const pitch = pitch_mm ?? 0.5;
      // The long way round a body that is not square is set by the pins along it.
      const side = (count: number): number => (count - 1) * pitch + 2.0;
      return {
        pitch,
        length: side(pins / 2 - sidePins),
        width: side(sidePins),
        height: 1.4,
        over: 2.0,
        lead: leadAt_mm(pitch),
        foot: 0.6,
      };
    }
    case 'qfn': {
      const pitch = pitch_mm ?? 0.5;
      const side = (count: number): number => (count - 1) * pitch + 1.5;
      return {
        pitch,
        length: side(pins / 2 - sidePins),
        width: side(sidePins),
        height: 0.9,
        over: 0,
        lead: Math.min(0.25, 0.55 * pitch),
        foot: 0.4,
      };
    }
    // These three have no standard outline: as such parts are usually made (common practice).
    case 'connector':
      return spec.rows === 1
        ? { pitch: 1.25, length: 5, height: 3.4, over: 0.6, lead: 0.4, foot: 1.0, ends: 5 }
        : { pitch: 1.27, length: 4, height: 4, over: 3.5, lead: 0.4, foot: 1.6, ends: 1.8 };
    case 'button':
      return { pitch: 4.5, length: 6.2, width: 6.2, height: 3.4, over: 2.8, lead: 0.7, foot: 1.0 };
    case 'ceramicCrystal':
      return { pitch: 1.7, length: 3.2, width: 2.5, height: 0.8, over: 0, lead: 0.9, foot: 0.9 };
    case 'bga': {
      const pitch = pitch_mm ?? 1.0;
      const { rows, columns } = arrayOf(spec, pins);
      return {
        pitch,
        length: columns * pitch + 1,
        width: rows * pitch + 1,
        height: 1.7,
        over: 0,
        // Balls of arrays: 0.75 mm at 1.27, 0.6 at 1.0, 0.5 at 0.8, 0.3 at 0.5 (JEDEC MO-151 and MO-192, from memory).
        lead: 0.6 * pitch,
        foot: 0,
      };
    }
  }
}

/** Rows and columns of an array; as square as its pins allow where they are not given. */
function arrayOf(spec: SurfaceSpec, pins: number): { rows: number; columns: number } {
  const rows = spec.rows ?? Math.round(Math.sqrt(pins));
  return { rows, columns: spec.columns ?? Math.round(pins / rows) };
}

/** A part's outline: its own figures, and its family's usual ones where it gives none. */
export function outlineOf(spec: SurfaceSpec): Outline {
  const pins = spec.pins ?? USUAL_PINS[spec.family];
  const sidePins = spec.sidePins ?? pins / 4;
  const u = usual(spec, pins, sidePins);
  const mm = 1e-3;
  const pitch_m = spec.pitch_m ?? u.pitch * mm;
  const length_m = spec.length_m ?? u.length * mm;
  const perRow = spec.family === 'connector' && spec.rows === 1 ? pins : pins / 2;
  const alongRow_m = (perRow - 1) * pitch_m + (u.ends ?? 0) * mm;
  const square = spec.sidePins === undefined && SQUARE.has(spec.family);
  const usualWidth_m = square ? length_m : u.width === undefined ? alongRow_m : u.width * mm;
  // Leads side by side leave a gap; balls stand closer.
  const most_m = (spec.family === 'bga' ? 0.65 : 0.55) * pitch_m;
  const lead_m = pins > 2 ? Math.min(u.lead * mm, most_m) : u.lead * mm;
  return {
    pins,
    sidePins,
    pitch_m,
    length_m,
    width_m: spec.width_m ?? usualWidth_m,
    height_m: spec.height_m ?? u.height * mm,
    span_m: spec.span_m ?? length_m + u.over * mm,
    leadWidth_m: spec.leadWidth_m ?? (CAPPED.has(spec.family) ? (spec.width_m ?? lead_m) : lead_m),
    foot_m: spec.foot_m ?? u.foot * mm,
    landLength_m: spec.landLength_m,
    landWidth_m: spec.landWidth_m,
  };
}

/** Parts whose metal caps are as wide as they are. */
const CAPPED: ReadonlySet<SurfaceFamilyId> = new Set(['chip', 'melf']);

const SQUARE: ReadonlySet<SurfaceFamilyId> = new Set(['plcc', 'qfp', 'qfn']);

/** The thermal pad of a leadless part where none is given: the body less its rows of lands. */
const usualThermalPad_m = (o: Outline): number => Math.max(0, Math.min(o.length_m, o.width_m) - 1.9e-3);

/** Lands and body from a spec. */
export function surfacePackage(spec: SurfaceSpec): SurfacePackage {
  const { family } = spec;
  const o = outlineOf(spec);
  switch (family) {
    case 'chip':
    case 'sod':
    case 'mouldedDiode':
    case 'tantalum':
    case 'melf':
    case 'canElectrolytic':
      return pair(family, o);
    case 'sot23':
      return sot23(o);
    case 'sot223':
    case 'sot89':
      return smallTab(family, o);
    case 'dpak':
      return powerTab(o, {
        ...(spec.thermalPad_m === undefined ? {} : { length_m: spec.thermalPad_m }),
        ...(spec.thermalPadWidth_m === undefined ? {} : { width_m: spec.thermalPadWidth_m }),
      });
    case 'soic':
    case 'ssop':
    case 'tsop':
    case 'soj':
    case 'button':
    case 'ceramicCrystal':
      return dualRow(family, o);
    case 'connector':
      return spec.rows === 1 ? anchoredRow(family, o) : dualRow(family, o);
    case 'plcc':
    case 'qfp':
      return quad(family, o);
    case 'qfn': {
      const length_m = spec.thermalPad_m ?? usualThermalPad_m(o);
      return quad(family, o, { length_m, width_m: spec.thermalPadWidth_m ?? length_m });
    }
    case 'bga': {
      const { rows, columns } = arrayOf(spec, o.pins);
      return ballArray(o, rows, columns);
    }
  }
}
