import { PASTE } from '~/core/materials/consumables';
import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { airAt } from '~/core/materials/airTable';
import { LEAD_METALS } from '~/core/materials/leads';
import { jointVolume_m3 } from '~/core/solder/volumes';
import { classificationPeak_K } from './classification';
import type { MouldedBody } from './moisture';
import { FAMILY_TRAITS, THROUGH_HOLE_CONDUCTS, THROUGH_HOLE_RAMP, type FamilyId } from './families';
import { leadConductance_W_K, leadPath } from './leadPath';
import { SURFACE_TRAITS, UNDER_BODY, type JointForm, type SurfaceFamilyId } from './surfaceFamilies';
import { ANCHOR_PADS, type SurfaceLand, type SurfacePackage } from './surface';
import {
  bodyCapacity_J_K,
  bodySurface_m2,
  lands,
  type BodyBox,
  type ThroughHolePackage,
} from './throughHole';

export type PartPackage = ThroughHolePackage | SurfacePackage;

export const isSurface = (part: PartPackage): part is SurfacePackage => 'lands' in part;

/** A part as the board-scale model sees it: lumps on lands, and a body that meets the air. */
export interface PartForm {
  readonly family: FamilyId | SurfaceFamilyId;
  readonly pads: readonly PadForm[];
  readonly body: BodyForm;
}

export interface PadForm {
  readonly pad: string;
  /** About the part's centre, seen from the part's side. */
  readonly x_m: number;
  readonly y_m: number;
  readonly width_m: number;
  readonly height_m: number;
  readonly solder_m3: number;
  /** Lead foot, W/K to the body and J/K of its own. */
  readonly lead_W_K: number;
  readonly foot_J_K: number;
  /** A plated hole ties the pad to every layer. */
  readonly hole_m: number | null;
}

export interface BodyForm extends BodyBox {
  readonly capacity_J_K: number;
  /** From the skin, which meets the air, to the core, which meets the leads; the skin holds `SKIN_SHARE` of its heat. */
  readonly inner_W_K: number;
  readonly top_m2: number;
  readonly sides_m2: number;
  /** Film across the gap between body and board. */
  readonly gap_W_m2K: number;
  /** Temperature that its skin may not pass, K: what ratings are measured on. */
  readonly limit_K: number;
  /** The same for the seconds of one touch, K. */
  readonly touchLimit_K: number;
  readonly ramp_K_s: number;
}

/** Of a body's heat, what its skin holds: the outer fifth on either side (assumed). */
export const SKIN_SHARE = 0.4;

/**
 * Skin to core so that a steady flux through the top leaves the skin as far over the mean as in a slab heated on one
 * face, q L/3k (Incropera §5.5 in the limit of long times; Carslaw & Jaeger §3.8): 3 k A (1 − φ)²/L.
 */
const skinToCore_W_K = (k_W_mK: number, top_m2: number, height_m: number): number =>
  (3 * k_W_mK * top_m2 * (1 - SKIN_SHARE) ** 2) / height_m;

/** Whether tabs hold a surface part down beside its leads. */
export const hasTabs = (part: PartPackage): boolean =>
  isSurface(part) && part.lands.some((land) => ANCHOR_PADS.has(land.pad));

/** Pad names in order. */
export const padNamesOf = (part: PartPackage): string[] =>
  isSurface(part) ? part.lands.map((l) => l.pad) : lands(part).map((l) => l.pad);

/** A land as it is drawn, about the part's centre, seen from the part's side. */
export interface LandShape {
  readonly pad: string;
  readonly x_m: number;
  readonly y_m: number;
  readonly width_m: number;
  readonly height_m: number;
  /** Hole and lead through it; null on a surface land. */
  readonly hole_m: number | null;
  readonly lead_m: number | null;
  /** Round but for pin one of a through-hole part; surface lands are rectangles, balls round. */
  readonly round: boolean;
}

export function landShapes(part: PartPackage): LandShape[] {
  if (isSurface(part)) {
    const ball = SURFACE_TRAITS[part.family].joint === 'ball';
    return part.lands.map((land) => ({ ...land, hole_m: null, lead_m: null, round: ball }));
  }
  return lands(part).map((land) => ({
    pad: land.pad,
    x_m: land.x_m,
    y_m: land.y_m,
    width_m: land.diameter_m,
    height_m: land.diameter_m,
    hole_m: land.hole_m,
    lead_m: part.leadDiameter_m,
    round: !land.square,
  }));
}

/** Distance between the middles of its first land and the nearest other; infinite for one land alone, m. */
export function pitchOf_m(part: PartPackage): number {
  const [first, ...others] = landShapes(part);
  return Math.min(Infinity, ...others.map((s) => Math.hypot(s.x_m - first!.x_m, s.y_m - first!.y_m)));
}

/** The mould of a surface part: its body less what it stands off the board. */
export function mouldOf({ family, body }: SurfacePackage): MouldedBody {
  const { gap, joint } = SURFACE_TRAITS[family];
  return {
    thickness_m: Math.max(body.height_m - gap.value, body.height_m / 2),
    length_m: body.length_m,
    width_m: body.width_m,
    array: joint === 'ball',
  };
}

/**
 * Peak that a moulded body may see: what its own label says. Where nobody has read that, the tables; and as a part is
 * rated by when it was made and not by what it stands in, only a board soldered lead-free says that it may go higher.
 */
function bodyPeak_K(part: SurfacePackage, alloy: AlloyId): number {
  const { thickness_m } = mouldOf(part);
  const volume_m3 = footprint_m2(part.body) * thickness_m;
  return part.ratedPeak_K ?? classificationPeak_K(!ALLOYS[alloy].leadFreeProcess, thickness_m, volume_m3);
}

/** A part's form; `alloy` decides which classification table a body without a rating of its own answers to. */
export function formOf(part: PartPackage, alloy: AlloyId, boardThickness_m: number): PartForm {
  return isSurface(part) ? surfaceForm(part, alloy) : throughHoleForm(part, alloy, boardThickness_m);
}

/** What a part's body stands, K: its own sheet's word, else its family's limit, else its classification's peak. */
export function bodyLimit_K(part: PartPackage, alloy: AlloyId): number {
  if (part.ownLimit_K !== undefined) return part.ownLimit_K;
  return isSurface(part)
    ? (SURFACE_TRAITS[part.family].bodyLimit?.value ?? bodyPeak_K(part, alloy))
    : FAMILY_TRAITS[part.family].bodyLimit.value;
}

function surfaceForm(part: SurfacePackage, alloy: AlloyId): PartForm {
  const traits = SURFACE_TRAITS[part.family];
  const { body } = part;
  const volume_m3 = footprint_m2(body) * body.height_m;
  const limit_K = bodyLimit_K(part, alloy);
  return {
    family: part.family,
    pads: part.lands.map((land) => surfacePad(part, land, ALLOYS[alloy].conductivitySolid.value)),
    body: {
      ...body,
      capacity_J_K: volume_m3 * traits.bodyHeat.value,
      inner_W_K: skinToCore_W_K(traits.bodyConductivity.value, footprint_m2(body), body.height_m),
      top_m2: footprint_m2(body),
      sides_m2: sides_m2(body),
      gap_W_m2K: airAt(400).conductivity_W_mK / traits.gap.value,
      limit_K,
      touchLimit_K: part.ownLimit_K ?? traits.touchLimit?.value ?? limit_K,
      ramp_K_s: traits.rampLimit.value,
    },
  };
}

function surfacePad(part: SurfacePackage, land: SurfaceLand, solder_W_mK: number): PadForm {
  const traits = SURFACE_TRAITS[part.family];
  const metal = LEAD_METALS[traits.leadMetal];
  const { body } = part;
  const section_m2 = land.lead_m * traits.leadThickness.value;
  const along_W_K = (metal.conductivity.value * section_m2) / traits.leadLength.value;
  // Half of the body lies between a joint and the body's middle.
  const through_W_K = (2 * traits.bodyConductivity.value * body.height_m * land.lead_m) / body.length_m;
  const area_m2 = land.width_m * land.height_m;
  const ball = traits.joint === 'ball';
  const contact_W_K = directContact_W_K(traits.joint, land, traits.bodyConductivity.value, solder_W_mK);
  return {
    pad: land.pad,
    x_m: land.x_m,
    y_m: land.y_m,
    width_m: land.width_m,
    height_m: land.height_m,
    solder_m3: ball
      ? (Math.PI / 6) * land.lead_m ** 3
      : PASTE.filletFactor.value * PASTE.metalHeight.value * area_m2,
    lead_W_K:
      contact_W_K ?? (traits.joint === 'termination' ? through_W_K : series(along_W_K, through_W_K * 4)),
    foot_J_K: section_m2 * Math.max(land.width_m, land.height_m) * 0.5 * metal.volumetricHeat.value,
    hole_m: null,
  };
}

/** Joints under the body: into its copper frame, or through a ball and into its substrate, W/K; null for others. */
function directContact_W_K(
  joint: JointForm,
  land: SurfaceLand,
  body_W_mK: number,
  solder_W_mK: number,
): number | null {
  const area_m2 = land.width_m * land.height_m;
  const { frameConductivity, padDepth, tabDepth, tabWidth } = UNDER_BODY;
  if (joint === 'leadless') return (frameConductivity.value * area_m2) / padDepth.value;
  if (joint === 'tab' && land.lead_m > tabWidth.value)
    return (frameConductivity.value * area_m2) / tabDepth.value;
  if (joint !== 'ball') return null;
  // A ball as high as it is wide, in series with spreading from a disc, 4 k a (Carslaw & Jaeger §8.2).
  return series((solder_W_mK * Math.PI * land.lead_m) / 4, 2 * body_W_mK * land.lead_m);
}

function throughHoleForm(part: ThroughHolePackage, alloy: AlloyId, thickness_m: number): PartForm {
  const traits = FAMILY_TRAITS[part.family];
  const limit_K = bodyLimit_K(part, alloy);
  const lead = leadPath(part);
  const lead_W_K = leadConductance_W_K(part);
  const volume_m3 = jointVolume_m3(part, thickness_m, true);
  return {
    family: part.family,
    pads: lands(part).map((land) => ({
      pad: land.pad,
      x_m: land.x_m,
      y_m: land.y_m,
      width_m: part.landDiameter_m,
      height_m: part.landDiameter_m,
      solder_m3: volume_m3,
      lead_W_K,
      foot_J_K: lead.section_m2 * thickness_m * lead.volumetricHeat_J_m3K,
      hole_m: part.holeDiameter_m,
    })),
    body: {
      ...part.body,
      capacity_J_K: bodyCapacity_J_K(part),
      inner_W_K: skinToCore_W_K(THROUGH_HOLE_CONDUCTS.value, footprint_m2(part.body), part.body.height_m),
      top_m2: footprint_m2(part.body),
      sides_m2: bodySurface_m2(part) - footprint_m2(part.body),
      gap_W_m2K: airAt(400).conductivity_W_mK / Math.max(0.2e-3, traits.standoff.value),
      limit_K,
      touchLimit_K: limit_K,
      ramp_K_s: THROUGH_HOLE_RAMP.value,
    },
  };
}

/** A part's mass with its leads, kg: its body's volume at the family's mean density. */
export function mass_kg(part: PartPackage): number {
  const { bodyDensity } = isSurface(part) ? SURFACE_TRAITS[part.family] : FAMILY_TRAITS[part.family];
  return footprint_m2(part.body) * part.body.height_m * bodyDensity.value;
}

const footprint_m2 = (body: BodyBox): number =>
  body.shape === 'can' ? (Math.PI / 4) * body.length_m * body.width_m : body.length_m * body.width_m;

const sides_m2 = (body: BodyBox): number =>
  body.shape === 'can'
    ? Math.PI * body.length_m * body.height_m
    : 2 * (body.length_m + body.width_m) * body.height_m;

const series = (a: number, b: number): number => (a * b) / (a + b);
