import type { SurfaceFamilyId } from './surfaceFamilies';
import {
  ballArray,
  dualRow,
  pair,
  powerTab,
  quad,
  sot23,
  type Outline,
  type SurfacePackage,
} from './surface';

/** Body of chips by their inch code: length, width, height in mm (EIA sizes, from memory). */
export const CHIP_SIZES_mm = {
  '0201': [0.6, 0.3, 0.3],
  '0402': [1.0, 0.5, 0.4],
  '0603': [1.6, 0.8, 0.5],
  '0805': [2.0, 1.25, 0.6],
  '1206': [3.2, 1.6, 0.7],
  '1210': [3.2, 2.5, 0.9],
  '1812': [4.5, 3.2, 1.4],
  '2010': [5.0, 2.5, 0.6],
  '2512': [6.3, 3.2, 0.6],
} as const;
export type ChipCode = keyof typeof CHIP_SIZES_mm;
export const CHIP_CODES = Object.keys(CHIP_SIZES_mm) as [ChipCode, ...ChipCode[]];

/** What a person may say of a surface part; what is left out comes from the family's usual outline. */
export interface SurfaceSpec {
  readonly family: SurfaceFamilyId;
  readonly code?: ChipCode | undefined;
  readonly pins?: number | undefined;
  readonly pitch_m?: number | undefined;
  readonly length_m?: number | undefined;
  readonly width_m?: number | undefined;
  readonly height_m?: number | undefined;
  readonly span_m?: number | undefined;
  readonly diameter_m?: number | undefined;
  readonly rows?: number | undefined;
  readonly columns?: number | undefined;
  readonly thermalPad_m?: number | undefined;
}

/** Pins of the family's most common outline. */
export const USUAL_PINS: Readonly<Record<SurfaceFamilyId, number>> = {
  chip: 2,
  canElectrolytic: 2,
  sot23: 3,
  dpak: 3,
  soic: 8,
  ssop: 20,
  tsop: 44,
  soj: 28,
  plcc: 44,
  qfp: 100,
  qfn: 32,
  bga: 256,
};

/**
 * Lands and body from a spec. Outlines: JEDEC MS-012 (SOIC), MO-150 (SSOP), MS-024 (TSOP II), MO-065
 * (SOJ), MO-047 (PLCC), MS-026 (QFP), MO-220 (QFN), TO-236, TO-252; typical figures, from memory.
 */
export function surfacePackage(spec: SurfaceSpec): SurfacePackage {
  const { family } = spec;
  const pins = spec.pins ?? USUAL_PINS[family];
  switch (family) {
    case 'chip': {
      const [l, w, h] = CHIP_SIZES_mm[spec.code ?? '0603'].map((mm) => mm * 1e-3) as [number, number, number];
      const length_m = spec.length_m ?? l;
      const width_m = spec.width_m ?? w;
      const chip = { pins: 2, pitch_m: length_m, length_m, width_m, height_m: spec.height_m ?? h };
      return pair(family, { ...chip, span_m: length_m, leadWidth_m: width_m, foot_m: 0.22 * length_m });
    }
    case 'canElectrolytic': {
      const diameter_m = spec.diameter_m ?? 6.3e-3;
      const base_m = 1.05 * diameter_m;
      return pair(family, {
        pins: 2,
        pitch_m: 0.3 * diameter_m,
        length_m: diameter_m,
        width_m: diameter_m,
        height_m: spec.height_m ?? 0.9 * diameter_m,
        span_m: spec.span_m ?? base_m + 0.8e-3,
        leadWidth_m: diameter_m > 7e-3 ? 1.0e-3 : 0.65e-3,
        foot_m: 0.36 * base_m,
      });
    }
    case 'sot23':
      return sot23(
        outline(spec, 3, {
          pitch: 1.9e-3,
          length: 1.3e-3,
          width: 2.9e-3,
          height: 1.0e-3,
          over: 1.1e-3,
          lead: 0.4e-3,
          foot: 0.4e-3,
        }),
      );
    case 'dpak':
      return powerTab(
        outline(spec, 3, {
          pitch: 2.28e-3,
          length: 6.1e-3,
          width: 6.5e-3,
          height: 2.3e-3,
          over: 3.8e-3,
          lead: 0.8e-3,
          foot: 1.5e-3,
        }),
      );
    case 'soic':
      return dualRow(
        family,
        outline(spec, pins, {
          pitch: 1.27e-3,
          length: pins > 16 ? 7.5e-3 : 3.9e-3,
          height: pins > 16 ? 2.35e-3 : 1.5e-3,
          over: pins > 16 ? 2.8e-3 : 2.1e-3,
          lead: 0.42e-3,
          foot: 0.7e-3,
          ends: 1.1e-3,
        }),
      );
    case 'ssop':
      return dualRow(
        family,
        outline(spec, pins, {
          pitch: 0.65e-3,
          length: 5.3e-3,
          height: 1.75e-3,
          over: 2.5e-3,
          lead: 0.3e-3,
          foot: 0.75e-3,
          ends: 1.35e-3,
        }),
      );
    case 'tsop':
      return dualRow(
        family,
        outline(spec, pins, {
          pitch: 0.8e-3,
          length: 10.16e-3,
          height: 1.0e-3,
          over: 1.6e-3,
          lead: 0.35e-3,
          foot: 0.5e-3,
          ends: 1.6e-3,
        }),
      );
    case 'soj':
      return dualRow(
        family,
        outline(spec, pins, {
          pitch: 1.27e-3,
          length: 7.6e-3,
          height: 3.5e-3,
          over: 0.1e-3,
          lead: 0.45e-3,
          foot: 0.9e-3,
          ends: 1.4e-3,
        }),
      );
    case 'plcc':
      return quad(
        family,
        outline(spec, pins, {
          pitch: 1.27e-3,
          length: (pins / 4 - 1) * 1.27e-3 + 3.9e-3,
          height: 4.2e-3,
          over: 0.5e-3,
          lead: 0.45e-3,
          foot: 0.9e-3,
          square: true,
        }),
      );
    case 'qfp':
      return quad(
        family,
        outline(spec, pins, {
          pitch: 0.5e-3,
          length: (pins / 4 - 1) * (spec.pitch_m ?? 0.5e-3) + 2.0e-3,
          height: 1.4e-3,
          over: 2.0e-3,
          lead: 0.22e-3,
          foot: 0.6e-3,
          square: true,
        }),
      );
    case 'qfn': {
      const o = outline(spec, pins, {
        pitch: 0.5e-3,
        length: (pins / 4 - 1) * (spec.pitch_m ?? 0.5e-3) + 1.5e-3,
        height: 0.9e-3,
        over: 0,
        lead: 0.25e-3,
        foot: 0.4e-3,
        square: true,
        heel: 0,
      });
      return quad(family, o, spec.thermalPad_m ?? Math.max(0, o.length_m - 1.9e-3));
    }
    case 'bga': {
      const rows = spec.rows ?? Math.round(Math.sqrt(pins));
      const columns = spec.columns ?? Math.round(pins / rows);
      const pitch_m = spec.pitch_m ?? 1.0e-3;
      const o = outline({ ...spec, pitch_m }, rows * columns, {
        pitch: pitch_m,
        length: columns * pitch_m + 1e-3,
        width: rows * pitch_m + 1e-3,
        height: 1.7e-3,
        over: 0,
        lead: 0.5 * pitch_m,
        foot: 0,
      });
      return ballArray(o, rows, columns);
    }
  }
}

interface Usual {
  pitch: number;
  /** Body across its rows (along x). */
  length: number;
  width?: number;
  height: number;
  /** How far the leads reach over the body, both sides together. */
  over: number;
  lead: number;
  foot: number;
  /** Body beyond the outer pins of a row, both ends together. */
  ends?: number;
  square?: boolean;
  heel?: number;
}

function outline(spec: SurfaceSpec, pins: number, usual: Usual): Outline {
  const pitch_m = spec.pitch_m ?? usual.pitch;
  const length_m = spec.length_m ?? usual.length;
  const along = (pins / 2 - 1) * pitch_m + (usual.ends ?? 0);
  const width_m = spec.width_m ?? usual.width ?? (usual.square ? length_m : along);
  return {
    pins,
    pitch_m,
    length_m,
    width_m,
    height_m: spec.height_m ?? usual.height,
    span_m: spec.span_m ?? length_m + usual.over,
    leadWidth_m: Math.min(usual.lead, 0.55 * pitch_m),
    foot_m: usual.foot,
    ...(usual.heel === undefined ? {} : { heel_m: usual.heel }),
  };
}
