/**
 * One joint under one iron in r, θ and z: finite volumes on a half turn, enthalpies, backward Euler, conjugate gradients.
 * It shares no code with the joint model. It is slow and plain on purpose: what it is held against is clever.
 */

interface Stuff {
  readonly k_W_mK: number;
  readonly heat_J_m3K: number;
}

export interface JointAsDrawn {
  readonly start_K: number;
  readonly ambient_K: number;
  readonly film_W_m2K: number;
  readonly thickness_m: number;
  readonly radius_m: number;
  readonly lead_m: number;
  readonly hole_m: number;
  readonly wall_m: number;
  readonly land_m: number;
  readonly clearance_m: number;
  readonly rise_m: number;
  readonly protrusion_m: number;
  readonly laminate: {
    readonly inPlane_W_mK: number;
    readonly through_W_mK: number;
    readonly heat_J_m3K: number;
  };
  readonly copper: Stuff;
  readonly lead: Stuff;
  readonly solder: {
    readonly solid: Stuff;
    readonly liquid: Stuff;
    readonly latent_J_m3: number;
    readonly solidus_K: number;
    readonly liquidus_K: number;
  };
  /** From the iron's face down: foil, share of area and of conduction away from the pin, and whether it meets the pin. */
  readonly layers: readonly {
    readonly foil_m: number;
    readonly area: number;
    readonly conducts: number;
    readonly joined: boolean;
  }[];
  readonly near_m3: number;
  readonly far_m3: number;
  /** From the far face: free lead, then the body's bulk behind `intoBody_W_K`. */
  readonly body: {
    readonly lead_m: number;
    readonly heat_J_K: number;
    readonly intoBody_W_K: number;
    readonly film_W_K: number;
  };
  readonly tip: {
    readonly set_K: number;
    readonly power_W: number;
    readonly gain_W_K: number;
    readonly idle_W_K: number;
    readonly face_J_K: number;
    readonly body_J_K: number;
    readonly heater_J_K: number;
    readonly taper_K_W: number;
    readonly bond_K_W: number;
  };
  readonly contact: {
    readonly under_W_K: number;
    readonly bead_W_K: number;
    readonly dryShare: number;
    readonly over_s: number;
    /** Half the turn that the tip lies against, rad. */
    readonly half_rad: number;
  };
}

export interface JointAsSolved {
  readonly time_s: number[];
  /** Of all but the coldest fiftieth of the solder. */
  readonly coldest_K: number[];
  readonly land_K: number[];
  /** Until all but a fiftieth of the solder is liquid; null: not within the time. */
  readonly most_s: number | null;
  readonly residual: number;
}

const AIR = 0;
const LAMINATE = 1;
const FOIL = 2;
const COPPER = 3;
const LEAD = 4;
const SOLDER = 5;
const LUMP = 6;

/** Cells in the half turn, near the pin; farther out than this from the land's rim the field is round. */
const TURNS = 9;
const ROUND_FROM_m = 0.6e-3;

/** Edges from `from` to `to`, each step wider than the last by a ratio, the first about `first`. */
function graded(from: number, to: number, first: number, ratio: number): number[] {
  const edges = [from];
  for (let step = first; edges.at(-1)! + 1.5 * step < to; step *= ratio) edges.push(edges.at(-1)! + step);
  edges.push(to);
  return edges;
}

const evenly = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count);

/** A fillet's or bead's outline `H x^p`, x from 1 at the lead to 0 at the land's rim, of a given volume. */
function outline(volume_m3: number, lead_m: number, land_m: number, rise_m: number): (r: number) => number {
  const width = land_m - lead_m;
  const volume = (p: number): number => 2 * Math.PI * width * (land_m / (p + 1) - width / (p + 2));
  // A bare fillet is hollow, a bead that stands over it is round.
  const hollow = volume_m3 <= rise_m * volume(0.8);
  let p = 0.5;
  let height = volume_m3 / volume(p);
  if (hollow) {
    height = rise_m;
    let low = 0.5;
    let high = 8;
    for (let i = 0; i < 60; i++) {
      p = (low + high) / 2;
      if (rise_m * volume(p) > volume_m3) low = p;
      else high = p;
    }
  }
  return (r) => height * Math.max(0, Math.min(1, (land_m - r) / width)) ** p;
}

export function solveJoint(joint: JointAsDrawn, duration_s: number): JointAsSolved {
  const { lead_m, hole_m, land_m, thickness_m, layers } = joint;
  const wallEnd = hole_m + joint.wall_m;
  const r = [
    0,
    ...evenly(lead_m, hole_m, 2),
    ...evenly(wallEnd, land_m, 4),
    ...graded(land_m, land_m + joint.clearance_m, 0.04e-3, 1.3).slice(1),
    ...graded(land_m + joint.clearance_m, joint.radius_m, 0.12e-3, 1.45).slice(1),
  ];
  const nearOutline = outline(joint.near_m3, lead_m, land_m, joint.rise_m);
  const farOutline = outline(joint.far_m3, lead_m, land_m, joint.rise_m);
  const nearTop = nearOutline(lead_m);
  const farTop = farOutline(lead_m);

  // Depth below the iron's face; fillets stand at negative depth and beyond the far face.
  const z = evenly(-Math.max(nearTop, 1e-6), 0, 5);
  const foilAt: number[] = [];
  layers.forEach((layer, i) => {
    const last = layers.length - 1;
    const at = last === 0 ? thickness_m : (i / last) * thickness_m;
    const from = z.at(-1)!;
    const top = at - (i === last ? layer.foil_m : i === 0 ? 0 : layer.foil_m / 2);
    if (top > from + 1e-9) {
      const half = graded(0, (top - from) / 2, 0.04e-3, 1.7);
      for (const depth of half.slice(1)) z.push(from + depth);
      for (const depth of half.slice(0, -1).reverse()) z.push(top - depth);
    }
    foilAt.push(z.length - 1);
    z.push(top + layer.foil_m);
  });
  const boardTo = z.length - 1;
  z.push(...evenly(z.at(-1)!, z.at(-1)! + farTop, 4).slice(1));

  const nr = r.length - 1;
  const nz = z.length - 1;
  const nt = TURNS;
  const round = r.findIndex((edge) => edge >= land_m + ROUND_FROM_m);
  /** A ring that is round has one cell, which stands for all its turns. */
  const turnsOf = (i: number): number => (i < round ? nt : 1);
  const place = (i: number, t: number, k: number): number => (k * nt + (i < round ? t : 0)) * nr + i;
  /** Cells that hold something, in a row; −1 is air. */
  const cellAt = new Int32Array(nr * nt * nz).fill(-1);
  const at = (i: number, t: number, k: number): number => cellAt[place(i, t, k)]!;
  const stuff: number[] = [];
  const volume: number[] = [];
  const foilOf: number[] = [];
  for (let k = 0; k < nz; k++) {
    const middleZ = (z[k]! + z[k + 1]!) / 2;
    const foil = foilAt.indexOf(k);
    for (let i = 0; i < nr; i++) {
      const middleR = (r[i]! + r[i + 1]!) / 2;
      const sort = ((): number => {
        if (middleR < lead_m) return LEAD;
        if (k < 5) return -middleZ < nearOutline(middleR) ? SOLDER : AIR;
        if (k >= boardTo) return middleZ - z[boardTo]! < farOutline(middleR) ? SOLDER : AIR;
        if (middleR < hole_m) return SOLDER;
        if (middleR < wallEnd) return COPPER;
        if (foil < 0) return LAMINATE;
        const layer = layers[foil]!;
        const outer = foil === 0 || foil === layers.length - 1;
        if (middleR < land_m) return outer || layer.joined ? COPPER : LAMINATE;
        if (middleR < land_m + joint.clearance_m && !layer.joined) return LAMINATE;
        return FOIL;
      })();
      for (let t = 0; t < turnsOf(i); t++) {
        if (sort === AIR) continue;
        cellAt[place(i, t, k)] = stuff.push(sort) - 1;
        foilOf.push(foil);
        volume.push(((Math.PI / turnsOf(i)) * (r[i + 1]! ** 2 - r[i]! ** 2) * (z[k + 1]! - z[k]!)) / 2);
      }
    }
  }
  const cells = stuff.length;
  const spare = new Float64Array(cells).fill(1);
  // Cells are cut as steps: what they hold is drawn out to what the fillets hold.
  for (const [from, to, wanted] of [
    [0, 5, joint.near_m3],
    [boardTo, nz, joint.far_m3],
  ] as const) {
    let held = 0;
    const inside = Array.from(cellAt.subarray(place(0, 0, from), place(0, 0, to))).filter(
      (c) => stuff[c] === SOLDER,
    );
    for (const c of inside) held += volume[c]!;
    for (const c of inside) spare[c] = wanted / 2 / held;
  }

  const { solder } = joint;
  const mushy_K = solder.liquidus_K - solder.solidus_K;
  const slopes = (cell: number): [number, number, number] => {
    const v = volume[cell]! * spare[cell]!;
    const cs = solder.solid.heat_J_m3K * v;
    const cl = solder.liquid.heat_J_m3K * v;
    return [cs, (solder.latent_J_m3 * v) / mushy_K + (cs + cl) / 2, cl];
  };
  const enthalpy = (cell: number, T: number): number => {
    if (stuff[cell] !== SOLDER) return heat[cell]! * T;
    const [cs, cm, cl] = slopes(cell);
    if (T <= solder.solidus_K) return cs * T;
    const atSolidus = cs * solder.solidus_K;
    if (T < solder.liquidus_K) return atSolidus + cm * (T - solder.solidus_K);
    return atSolidus + cm * mushy_K + cl * (T - solder.liquidus_K);
  };
  const phaseOf = (T: number): 0 | 1 | 2 => (T <= solder.solidus_K ? 0 : T < solder.liquidus_K ? 1 : 2);
  const liquid = (T: number): number => Math.min(1, Math.max(0, (T - solder.solidus_K) / mushy_K));

  const lumpLead = cells;
  const lumpBody = cells + 1;
  stuff.push(LUMP, LUMP);
  const leadArea = (Math.PI * lead_m ** 2) / 2;
  const heat = new Float64Array(cells + 2);
  for (let c = 0; c < cells; c++) {
    const layer = foilOf[c]! >= 0 ? layers[foilOf[c]!]! : null;
    const perVolume = [
      0,
      joint.laminate.heat_J_m3K,
      layer ? layer.area * joint.copper.heat_J_m3K + (1 - layer.area) * joint.laminate.heat_J_m3K : 0,
      joint.copper.heat_J_m3K,
      joint.lead.heat_J_m3K,
      0,
    ][stuff[c]!]!;
    heat[c] = perVolume * volume[c]!;
  }
  // The lead that stands out of the solder hangs on its last cell.
  for (let t = 0; t < nt; t++)
    heat[at(0, t, 0)]! += (joint.lead.heat_J_m3K * leadArea * joint.protrusion_m) / nt;
  heat[lumpLead] = joint.lead.heat_J_m3K * leadArea * joint.body.lead_m;
  heat[lumpBody] = joint.body.heat_J_K / 2;

  /** Conductivity along r or θ (0) and along z (1). */
  const conducts = (cell: number, way: 0 | 1, T: number): number => {
    switch (stuff[cell]) {
      case LAMINATE:
        return way === 0 ? joint.laminate.inPlane_W_mK : joint.laminate.through_W_mK;
      case FOIL:
        return way === 0 ? joint.copper.k_W_mK * layers[foilOf[cell]!]!.conducts : joint.copper.k_W_mK;
      case COPPER:
        return joint.copper.k_W_mK;
      case LEAD:
        return joint.lead.k_W_mK;
      case SOLDER:
        return solder.solid.k_W_mK + liquid(T) * (solder.liquid.k_W_mK - solder.solid.k_W_mK);
      default:
        return 0;
    }
  };

  // Links: the two cells, the shape of each half (m), and the way.
  const from: number[] = [];
  const to: number[] = [];
  const shapeFrom: number[] = [];
  const shapeTo: number[] = [];
  const ways: (0 | 1)[] = [];
  const link = (a: number, b: number, sa: number, sb: number, way: 0 | 1): void => {
    if (a < 0 || b < 0) return;
    from.push(a);
    to.push(b);
    shapeFrom.push(sa);
    shapeTo.push(sb);
    ways.push(way);
  };
  const middle = (i: number): number => (i === 0 ? r[1]! * 0.7 : Math.sqrt(r[i]! * r[i + 1]!));
  for (let k = 0; k < nz; k++) {
    const high = z[k + 1]! - z[k]!;
    for (let i = 0; i < nr; i++) {
      const turn = Math.PI / turnsOf(i);
      for (let t = 0; t < turnsOf(i); t++) {
        const here = at(i, t, k);
        if (i + 1 < nr) {
          const edge = r[i + 1]!;
          link(
            here,
            at(i + 1, t, k),
            (turn * high) / Math.log(edge / middle(i)),
            (turn * high) / Math.log(middle(i + 1) / edge),
            0,
          );
        }
        if (t + 1 < turnsOf(i)) {
          const along = (high * Math.log(r[i + 1]! / Math.max(r[i]!, 0.2 * r[i + 1]!))) / (turn / 2);
          link(here, at(i, t + 1, k), along, along, 0);
        }
        if (k + 1 < nz) {
          const face = (turn * (r[i + 1]! ** 2 - r[i]! ** 2)) / 2;
          link(here, at(i, t, k + 1), face / (high / 2), face / ((z[k + 2]! - z[k + 1]!) / 2), 1);
        }
      }
    }
  }
  const fixed: { a: number; b: number; g: number }[] = [];
  for (let t = 0; t < nt; t++)
    fixed.push({
      a: at(0, t, nz - 1),
      b: lumpLead,
      g: (joint.lead.k_W_mK * leadArea) / nt / (joint.body.lead_m / 2),
    });
  fixed.push({ a: lumpLead, b: lumpBody, g: joint.body.intoBody_W_K / 2 });

  // What the outer faces lose, and where the tip lies.
  const loss = new Float64Array(cells + 2);
  for (let i = 0; i < nr; i++) {
    if (r[i]! < wallEnd) continue;
    const face = ((Math.PI / turnsOf(i)) * (r[i + 1]! ** 2 - r[i]! ** 2)) / 2;
    for (let t = 0; t < turnsOf(i); t++) {
      loss[at(i, t, 5)]! += joint.film_W_m2K * face;
      loss[at(i, t, boardTo - 1)]! += joint.film_W_m2K * face;
    }
  }
  loss[lumpBody] = joint.body.film_W_K / 2;
  const turn = Math.PI / nt;
  const skin: { cell: number; under: number; bead: number; half: number }[] = [];
  for (let i = 0; i < nr; i++)
    for (let t = 0; t < nt; t++)
      for (let k = 0; k < 5; k++) {
        const cell = at(i, t, k);
        if (stuff[cell] !== SOLDER) continue;
        const open = k === 0 || at(i, t, k - 1) < 0;
        const side = i + 1 < nr && at(i + 1, t, k) < 0;
        const top = (turn * (r[i + 1]! ** 2 - r[i]! ** 2)) / 2;
        const area = (open ? top : 0) + (side ? turn * r[i + 1]! * (z[k + 1]! - z[k]!) : 0);
        if (area === 0) continue;
        const inside = Math.min(1, Math.max(0, (joint.contact.half_rad - t * turn) / turn));
        const half =
          (open ? top / ((z[k + 1]! - z[k]!) / 2) : 0) + (side ? (2 * area) / (r[i + 1]! - r[i]!) : 0);
        skin.push({ cell, under: inside * area, bead: area, half });
      }
  const underAll = skin.reduce((sum, s) => sum + s.under, 0);
  const beadAll = skin.reduce((sum, s) => sum + s.bead, 0);

  // The tip: three lumps, in half as everything here.
  const { tip } = joint;
  const idle_W = tip.idle_W_K * (tip.set_K - joint.ambient_K);
  let face_K = tip.set_K;
  let body_K = tip.set_K;
  let heater_K = tip.set_K + idle_W * tip.bond_K_W;
  const control_K = heater_K + idle_W / tip.gain_W_K;

  const size = cells + 2;
  const T = new Float64Array(size).fill(joint.start_K);
  const H = T.map((value, c) => enthalpy(c, value));
  const before = Float64Array.from(T);
  const g = new Float64Array(from.length);
  const diagonal = new Float64Array(size);
  const right = new Float64Array(size);
  const x = new Float64Array(size);
  const residual = new Float64Array(size);
  const way = new Float64Array(size);
  const image = new Float64Array(size);
  const multiply = (v: Float64Array, out: Float64Array): void => {
    for (let c = 0; c < size; c++) out[c] = diagonal[c]! * v[c]!;
    for (let l = 0; l < g.length; l++) {
      const a = from[l]!;
      const b = to[l]!;
      out[a]! -= g[l]! * v[b]!;
      out[b]! -= g[l]! * v[a]!;
    }
    for (const { a, b, g: link_W_K } of fixed) {
      out[a]! -= link_W_K * v[b]!;
      out[b]! -= link_W_K * v[a]!;
    }
  };
  const conjugate = (): void => {
    multiply(x, image);
    let product = 0;
    let scale = 0;
    for (let c = 0; c < size; c++) {
      residual[c] = right[c]! - image[c]!;
      way[c] = residual[c]! / diagonal[c]!;
      product += residual[c]! * way[c]!;
      scale += (right[c]! * right[c]!) / diagonal[c]!;
    }
    for (let pass = 0; pass < 600 && product > 1e-15 * scale; pass++) {
      multiply(way, image);
      let curvature = 0;
      for (let c = 0; c < size; c++) curvature += way[c]! * image[c]!;
      const step = product / curvature;
      let next = 0;
      for (let c = 0; c < size; c++) {
        x[c]! += step * way[c]!;
        residual[c]! -= step * image[c]!;
        next += (residual[c]! * residual[c]!) / diagonal[c]!;
      }
      const share = next / product;
      product = next;
      for (let c = 0; c < size; c++) way[c] = residual[c]! / diagonal[c]! + share * way[c]!;
    }
  };

  const times: number[] = [];
  const coldest: number[] = [];
  const lands: number[] = [];
  const solders = Array.from({ length: cells }, (_, c) => c).filter((c) => stuff[c] === SOLDER);
  const solderVolume = solders.reduce((sum, c) => sum + volume[c]! * spare[c]!, 0);
  const coldestOf = (): number => {
    const byHeat = [...solders].sort((a, b) => T[a]! - T[b]!);
    let under = 0;
    return T[byHeat.find((c) => (under += volume[c]! * spare[c]!) >= 0.02 * solderVolume)!]!;
  };
  let shareBefore = 0;
  let most_s: number | null = null;
  let taken_J = 0;
  let lost_J = 0;
  const stored0 = H.reduce((sum, h) => sum + h, 0);
  let time = 0;
  let dt = 2e-3;
  while (time < duration_s - 1e-9) {
    const wetted = Math.min(
      1,
      joint.contact.dryShare + ((1 - joint.contact.dryShare) * (time + dt / 2)) / joint.contact.over_s,
    );
    diagonal.fill(0);
    for (let l = 0; l < g.length; l++) {
      const a = from[l]!;
      const b = to[l]!;
      const here = conducts(a, ways[l]!, T[a]!) * shapeFrom[l]!;
      const there = conducts(b, ways[l]!, T[b]!) * shapeTo[l]!;
      g[l] = (here * there) / (here + there);
      diagonal[a]! += g[l]!;
      diagonal[b]! += g[l]!;
    }
    for (const { a, b, g: link_W_K } of fixed) {
      diagonal[a]! += link_W_K;
      diagonal[b]! += link_W_K;
    }
    const touching = skin.map(({ cell, under, bead, half }) => {
      const outer =
        (wetted *
          ((joint.contact.under_W_K * under) / underAll +
            (joint.contact.bead_W_K * liquid(T[cell]!) * bead) / beadAll)) /
        2;
      const inner = conducts(cell, 0, T[cell]!) * half;
      return (outer * inner) / (outer + inner);
    });
    const conduction = Float64Array.from(diagonal);
    before.set(T);
    for (let pass = 0; pass < 12; pass++) {
      for (let c = 0; c < size; c++) {
        const slope = stuff[c] === SOLDER ? slopes(c)[phaseOf(T[c]!)] : Math.max(heat[c]!, 1e-12);
        diagonal[c] = conduction[c]! + slope / dt + loss[c]!;
        right[c] = (H[c]! - enthalpy(c, T[c]!) + slope * T[c]!) / dt + loss[c]! * joint.ambient_K;
      }
      skin.forEach(({ cell }, s) => {
        diagonal[cell]! += touching[s]!;
        right[cell]! += touching[s]! * face_K;
      });
      x.set(T);
      conjugate();
      let changed = false;
      for (const c of solders) {
        const was = phaseOf(T[c]!);
        const is = phaseOf(x[c]!);
        if (was === is) continue;
        changed = true;
        // One phase at a time: it is where Newton would cycle.
        if (Math.abs(was - is) === 2) x[c] = (solder.solidus_K + solder.liquidus_K) / 2;
      }
      T.set(x);
      if (!changed) break;
    }
    let drawn_W = 0;
    skin.forEach(({ cell }, s) => (drawn_W += touching[s]! * (face_K - T[cell]!)));
    for (let c = 0; c < size; c++) {
      lost_J += dt * loss[c]! * (T[c]! - joint.ambient_K);
      H[c] = enthalpy(c, T[c]!);
    }
    taken_J += dt * drawn_W;
    const heater_W = Math.min(tip.power_W, Math.max(0, tip.gain_W_K * (control_K - heater_K)));
    const bond_W = (heater_K - body_K) / tip.bond_K_W;
    const taper_W = (body_K - face_K) / tip.taper_K_W;
    heater_K += (dt * (heater_W - bond_W)) / tip.heater_J_K;
    body_K += (dt * (bond_W - taper_W - tip.idle_W_K * (body_K - joint.ambient_K))) / tip.body_J_K;
    face_K += (dt * (taper_W - 2 * drawn_W)) / tip.face_J_K;

    time += dt;
    let molten = 0;
    for (const c of solders) molten += liquid(T[c]!) * volume[c]! * spare[c]!;
    const share = molten / solderVolume;
    if (most_s === null && share >= 0.98)
      most_s = time - (dt * (share - 0.98)) / Math.max(share - shareBefore, 1e-12);
    shareBefore = share;
    times.push(time);
    coldest.push(coldestOf());
    lands.push(T[at(5, 0, 5)]!);
    dt = Math.min(dt * 1.1, 10e-3);
  }
  const stored_J = H.reduce((sum, h) => sum + h, -stored0);
  return {
    time_s: times,
    coldest_K: coldest,
    land_K: lands,
    most_s,
    residual: Math.abs(taken_J - stored_J - lost_J) / taken_J,
  };
}
