import { ALLOYS } from '~/core/materials/alloys';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { formOf, type BodyForm, type PadForm } from '~/core/packages/form';
import type { Connection } from '../joint/scenario';
import { enthalpyCurve, type EnthalpyCurve } from '../network/enthalpy';
import { SOLVER } from '../network/settings';
import { reliefResistance_K_W } from '../relief';
import { conductedShare, effectiveFraction, layerDepth_m, pourIn } from '../stackup';
import { FIELD } from './settings';
import { cellArea_m2, coverageAt, type BoardFactors, type FieldBoard, type FieldMesh } from './mesh';
import { onBoard } from '~/core/packages/placement';
import { overlapsOf, type Overlap } from './overlap';
import type { FieldPart } from './scenario';

/** A pad's solder and foot over one column; it has one for each that it lies over. */
export interface Spot {
  readonly pad: number;
  readonly column: number;
  /** Of its pad. */
  readonly share: number;
  /** To each layer of its column, W/K. */
  readonly link_W_K: Float64Array;
  readonly lead_W_K: number;
  readonly curve: EnthalpyCurve;
  /** Share of its body that is one with it; zero where the body stands apart. */
  readonly bodyShare: number;
}

interface PadPlace {
  readonly part: number;
  readonly pad: string;
  readonly spots: readonly number[];
  readonly area_m2: number;
}

/** A body over the cells it covers. */
export interface BodyPlace extends BodyForm {
  readonly part: number;
  readonly faceLayer: number;
  readonly under: readonly Overlap[];
  /** Across the gap beneath it, over all of its columns, W/K. */
  readonly gap_W_K: number;
  readonly spots: readonly number[];
  /** So small against its joints that it is one with them. */
  readonly fused: boolean;
  /** How fast it follows its joints, s. */
  readonly lag_s: number;
}

export interface Attachments {
  readonly spots: readonly Spot[];
  readonly pads: readonly PadPlace[];
  readonly bodies: readonly BodyPlace[];
}

/** Stands every part on the mesh. */
export function attach(
  board: FieldBoard,
  mesh: FieldMesh,
  parts: readonly FieldPart[],
  factors: BoardFactors,
): Attachments {
  const spots: Spot[] = [];
  const pads: PadPlace[] = [];
  const bodies = parts.map((part, index) => {
    const form = formOf(part.part, part.alloy, board.thickness_m);
    const faceLayer = part.side === 'top' ? 0 : mesh.nz - 1;
    const under = overlapsOf(mesh, part, {
      x_m: 0,
      y_m: 0,
      width_m: form.body.length_m,
      height_m: form.body.width_m,
    });
    const lag_s =
      form.body.capacity_J_K /
      form.pads.reduce((sum, pad) => sum + pad.lead_W_K, form.body.gap_W_m2K * form.body.top_m2);
    const fused = lag_s < FIELD.fusedLag_s;
    const mine: number[] = [];
    for (const pad of form.pads) {
      const list = spotsOf(
        board,
        mesh,
        part,
        pad,
        factors,
        fused ? form.body.capacity_J_K / form.pads.length : 0,
      );
      const first = spots.length;
      for (const spot of list) {
        const bodyShare = fused ? spot.share / form.pads.length : 0;
        spots.push({ ...spot, pad: pads.length, bodyShare, lead_W_K: fused ? 0 : spot.lead_W_K });
      }
      const numbers = list.map((_, i) => first + i);
      mine.push(...numbers);
      pads.push({ part: index, pad: pad.pad, spots: numbers, area_m2: pad.width_m * pad.height_m });
    }
    return {
      ...form.body,
      part: index,
      faceLayer,
      under,
      gap_W_K: fused ? 0 : form.body.gap_W_m2K * form.body.top_m2,
      spots: mine,
      fused,
      lag_s,
    };
  });
  return { spots, pads, bodies };
}

function spotsOf(
  board: FieldBoard,
  mesh: FieldMesh,
  part: FieldPart,
  pad: PadForm,
  factors: BoardFactors,
  body_J_K: number,
): Omit<Spot, 'pad' | 'bodyShare'>[] {
  const alloy = ALLOYS[part.alloy];
  const connections = part.connections[pad.pad] ?? [];
  const whole_W_K = padLinks_W_K(board, mesh, part, pad, connections, factors);
  return overlapsOf(mesh, part, pad).map(({ column, share }) => {
    const solder_kg = pad.solder_m3 * alloy.density.value * share;
    const land_J_K =
      COPPER.volumetricHeat.value * pad.width_m * pad.height_m * (outerFoil_m(board, part.side) ?? 0) * share;
    const own_J_K = (pad.foot_J_K + body_J_K) * share + land_J_K;
    const curve = enthalpyCurve(
      {
        node: 0,
        solidus_K: alloy.solidus.value,
        liquidus_K: alloy.liquidus.value,
        capacitySolid_J_K: own_J_K + solder_kg * alloy.heatSolid.value,
        capacityLiquid_J_K: own_J_K + solder_kg * alloy.heatLiquid.value,
        latent_J: solder_kg * alloy.latentHeat.value,
      },
      SOLVER.eutecticSmear_K,
    );
    return {
      column,
      share,
      link_W_K: whole_W_K.map((g) => g * share),
      lead_W_K: pad.lead_W_K * share,
      curve,
    };
  });
}

/** Foil that a part's own lands are made of, m: the top layer's, or the bottom's for parts on the bottom. */
const outerFoil_m = ({ copper }: FieldBoard, side: 'top' | 'bottom'): number | undefined =>
  (side === 'top' ? copper[0] : copper.at(-1))?.thickness_m;

/**
 * From a pad to each layer of the mesh at its place, W/K. The face beneath: laminate about the land (a
 * disc's constriction, 4 k a, Carslaw & Jaeger §8.2) and whatever tracks or pour join it there. Other
 * layers: through a plated hole, in series with the joint to the copper there.
 */
function padLinks_W_K(
  board: FieldBoard,
  mesh: FieldMesh,
  part: FieldPart,
  pad: PadForm,
  connections: readonly Connection[],
  factors: BoardFactors,
): Float64Array {
  const laminate = LAMINATES[board.laminate];
  const k_W_mK =
    Math.sqrt(laminate.conductivityInPlane.value * laminate.conductivityThrough.value) * factors.laminate;
  const land_m = Math.sqrt((pad.width_m * pad.height_m) / Math.PI);
  const at = onBoard(part, pad.x_m, pad.y_m);
  const cell_m = Math.sqrt(cellArea_m2(mesh, at.x_m, at.y_m) / Math.PI);
  const link = new Float64Array(mesh.nz);
  const face = part.side === 'top' ? 0 : mesh.nz - 1;
  link[face]! +=
    4 * k_W_mK * land_m + (k_W_mK * pad.width_m * pad.height_m) / (board.thickness_m / (mesh.nz - 1));
  if (pad.hole_m !== null) {
    for (let k = 0; k < mesh.nz; k++)
      link[k]! += 2 * k_W_mK * (board.thickness_m / mesh.nz) + 2 * k_W_mK * land_m;
  }
  for (const connection of connections) {
    if (connection.kind === 'isolated') continue;
    for (const number of connection.layers) {
      const layer = board.copper[number - 1];
      if (!layer) continue;
      const foil_W_K = COPPER.conductivity.value * factors.copper * layer.thickness_m;
      const coverage = coverageAt(board, number - 1, part.x_m, part.y_m);
      const conducted =
        connection.kind === 'track'
          ? effectiveFraction(coverage)
          : conductedShare({ end_m: Infinity, ...pourIn(coverage, connection.pourShare) });
      const into_W_K = copperJoint_W_K(connection, foil_W_K, foil_W_K * conducted, {
        land_m,
        barrel_m: pad.hole_m === null ? land_m / 4 : pad.hole_m / 2,
        cell_m,
      });
      const distance_m = Math.abs(
        layerDepth_m(board, number) - (part.side === 'top' ? 0 : board.thickness_m),
      );
      const barrel_W_K = throughHole_W_K(pad.hole_m, distance_m);
      const k = mesh.layerOfCopper[number - 1]!;
      link[k]! += barrel_W_K === Infinity ? into_W_K : 1 / (1 / into_W_K + 1 / barrel_W_K);
    }
  }
  return link;
}

/** Along the wall of a pad's own hole, or of one via beside a surface land; nothing to cross on its own face. */
function throughHole_W_K(hole_m: number | null, distance_m: number): number {
  if (distance_m <= 0) return Infinity;
  const bore_m = hole_m ?? COPPER.viaDrill.value;
  return (COPPER.conductivity.value * Math.PI * bore_m * COPPER.plating.value) / distance_m;
}

/** From a land or barrel into the copper of its own cell, W/K. */
function copperJoint_W_K(
  connection: Exclude<Connection, { kind: 'isolated' }>,
  foil_W_K: number,
  field_W_K: number,
  {
    land_m,
    barrel_m,
    cell_m,
  }: { readonly land_m: number; readonly barrel_m: number; readonly cell_m: number },
): number {
  const ring = Math.log(Math.max(1.2, (2 * cell_m) / land_m));
  switch (connection.kind) {
    case 'solid-plane':
      return (2 * Math.PI * field_W_K) / ring;
    case 'thermal-relief': {
      const relief_K_W = reliefResistance_K_W(
        { ...connection, landRadius_m: land_m, barrelRadius_m: Math.min(barrel_m, land_m) },
        { land: foil_W_K, spoke: foil_W_K, field: field_W_K },
      );
      return 1 / (relief_K_W + ring / (2 * Math.PI * field_W_K));
    }
    case 'track':
      // To the middle of the way that the track runs within reach of its laminate.
      return (connection.count * connection.width_m * foil_W_K) / Math.max(1.5e-3, cell_m);
  }
}
