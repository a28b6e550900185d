import { FAMILY_TRAITS, TWO_ROWS, type FamilyId } from '~/core/packages/families';
import type { PartPackage } from '~/core/packages/form';
import { surfacePackage, type SurfaceSpec } from '~/core/packages/outlines';
import { SURFACE_FAMILY_IDS, SURFACE_TRAITS, type SurfaceFamilyId } from '~/core/packages/surfaceFamilies';
import { centred, usualLand_m, type BodyBox, type ThroughHolePackage } from '~/core/packages/throughHole';
import { kelvin, metres } from '~/core/quantity/convert';
import type { AnyPackageInput, PackageRecord, SurfacePackageInput } from '~/schema/values/package';

export const isSurfaceInput = (p: AnyPackageInput): p is SurfacePackageInput =>
  (SURFACE_FAMILY_IDS as readonly string[]).includes(p.family);

const optionalMetres = (mm: number | undefined): number | undefined =>
  mm === undefined ? undefined : metres(mm);

export function partOf(p: AnyPackageInput): PartPackage {
  const part = isSurfaceInput(p) ? surfacePackage(surfaceSpecOf(p)) : packageOf(p);
  return p.bodyLimit_C === undefined ? part : { ...part, ownLimit_K: kelvin(p.bodyLimit_C) };
}

/** A surface part's own figures in SI. */
export function surfaceSpecOf(s: SurfacePackageInput): SurfaceSpec {
  return {
    family: s.family,
    code: s.code,
    pins: s.pins,
    pitch_m: optionalMetres(s.pitch_mm),
    length_m: optionalMetres(s.bodyLength_mm),
    width_m: optionalMetres(s.bodyWidth_mm),
    height_m: optionalMetres(s.bodyHeight_mm),
    diameter_m: optionalMetres(s.bodyDiameter_mm),
    span_m: optionalMetres(s.span_mm),
    rows: s.rows,
    columns: s.columns,
    thermalPad_m: optionalMetres(s.thermalPad_mm),
    thermalPadWidth_m: optionalMetres(s.thermalPadWidth_mm),
    sidePins: s.sidePins,
    leadWidth_m: optionalMetres(s.leadWidth_mm),
    foot_m: optionalMetres(s.foot_mm),
    landLength_m: optionalMetres(s.landLength_mm),
    landWidth_m: optionalMetres(s.landWidth_mm),
  };
}

export function packageOf(p: PackageRecord): ThroughHolePackage {
  return {
    family: p.family,
    pins: p.pins,
    pitch_m: metres(p.pitch_mm),
    rowSpacing_m: metres(p.rowSpacing_mm ?? (p.family === 'dsub' ? DSUB_ROWS_mm : 7.62)),
    leadDiameter_m: metres(p.leadDiameter_mm),
    holeDiameter_m: metres(p.holeDiameter_mm),
    landDiameter_m:
      p.landDiameter_mm === undefined ? usualLand_m(metres(p.holeDiameter_mm)) : metres(p.landDiameter_mm),
    ...(p.pinPlaces_mm
      ? {
          places_m: centred(p.pinPlaces_mm.map(([x_mm, y_mm]) => ({ x_m: metres(x_mm), y_m: metres(y_mm) }))),
        }
      : {}),
    body: bodyOf(p),
  };
}

/** The body, its length along x. A dual in-line part's pins run along y, and so does its body. */
function bodyOf(p: PackageRecord): BodyBox {
  const across_mm = p.bodyDiameter_mm ?? p.bodyWidth_mm ?? DEFAULT_WIDTH_mm[p.family];
  if (p.family === 'radial' && p.bodyLength_mm === undefined) {
    const diameter_m = metres(across_mm);
    return {
      shape: 'can',
      length_m: diameter_m,
      width_m: diameter_m,
      height_m: metres(p.bodyHeight_mm ?? 1.25 * across_mm),
    };
  }
  if (p.pinPlaces_mm) return bodyOver(p, p.pinPlaces_mm);
  const span_mm =
    p.family === 'axial' ? 0.6 * p.pitch_mm : (TWO_ROWS.has(p.family) ? p.pins / 2 : p.pins) * p.pitch_mm;
  const along_m = metres(p.bodyLength_mm ?? span_mm);
  const across_m = metres(across_mm);
  const turned = TWO_ROWS.has(p.family);
  return {
    shape: 'block',
    length_m: turned ? across_m : along_m,
    width_m: turned ? along_m : across_m,
    height_m: metres(p.bodyHeight_mm ?? DEFAULT_HEIGHT_mm[p.family]),
  };
}

/** Between the rows of a D-sub connector (MIL-DTL-24308, from memory). */
const DSUB_ROWS_mm = 2.84;

/** A body over pins that stand anywhere, where it was not measured: as far as they reach and a margin. */
function bodyOver(p: PackageRecord, places_mm: readonly (readonly [number, number])[]): BodyBox {
  const reach_mm = (axis: 0 | 1): number =>
    Math.max(...places_mm.map((place) => place[axis])) - Math.min(...places_mm.map((place) => place[axis]));
  return {
    shape: 'block',
    length_m: metres(p.bodyLength_mm ?? reach_mm(0) + BODY_MARGIN_mm),
    width_m: metres(p.bodyWidth_mm ?? reach_mm(1) + BODY_MARGIN_mm),
    height_m: metres(p.bodyHeight_mm ?? DEFAULT_HEIGHT_mm[p.family]),
  };
}

/** What a body stands out over its outermost pins, both sides together (assumed). */
const BODY_MARGIN_mm = 4;

const DEFAULT_WIDTH_mm: Readonly<Record<FamilyId, number>> = {
  radial: 8,
  axial: 2.4,
  dip: 6.4,
  dipSocket: 10.2,
  header: 2.5,
  jack: 9,
  transformer: 16,
  switch: 7,
  relay: 10,
  crystal: 4.7,
  display: 19,
  cell: 20,
  to220: 4.5,
  to92: 3.7,
  dsub: 12.5,
};

const DEFAULT_HEIGHT_mm: Readonly<Record<FamilyId, number>> = {
  radial: 11,
  axial: 2.4,
  dip: 3.5,
  dipSocket: 4.5,
  header: 8.5,
  jack: 11,
  transformer: 15,
  switch: 8,
  relay: 15,
  crystal: 3.6,
  display: 8,
  cell: 4,
  to220: 15,
  to92: 4.8,
  dsub: 12.5,
};

export const familyName = (id: FamilyId | SurfaceFamilyId): string =>
  id in SURFACE_TRAITS ? SURFACE_TRAITS[id as SurfaceFamilyId].name : FAMILY_TRAITS[id as FamilyId].name;
