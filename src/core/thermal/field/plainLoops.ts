import { tableRow, type FieldLoops, type FieldMemory } from './loops';

/** The loops in plain code: the reference that the compiled kernel is held to. */
const PLAIN: FieldLoops = {
  residual(t, r, { linkX_W_K, linkY_W_K, linkZ_W_K }, { nx, columns }, step_s) {
    r.fill(0);
    pass(t, r, linkX_W_K, 1, step_s);
    pass(t, r, linkY_W_K, nx, step_s);
    pass(t, r, linkZ_W_K, columns, step_s);
  },
  sweepAlong,
  sweepAcross,
  face(t, r, { hot_W_K, warmth, still_W_K }, step_s, { excess_K, ambient_K }) {
    for (let c = 0; c < hot_W_K.length; c++) {
      const rise_K = t[c]! - ambient_K;
      const hot_W = hot_W_K[c]! * (warmth[c]! * excess_K - rise_K);
      r[c]! += step_s * (hot_W - still_W_K[c]! * rise_K);
    }
  },
  flows(t, { hot_W_K, warmth, still_W_K }, { excess_K, ambient_K }) {
    let in_W = 0;
    let lost_W = 0;
    for (let c = 0; c < hot_W_K.length; c++) {
      const rise_K = t[c]! - ambient_K;
      in_W += hot_W_K[c]! * (warmth[c]! * excess_K - rise_K);
      lost_W += still_W_K[c]! * rise_K;
    }
    return { in_W, lost_W };
  },
  accept(t, w) {
    let largest = 0;
    for (let c = 0; c < t.length; c++) {
      const moved_K = w[c]!;
      t[c]! += moved_K;
      const size_K = Math.abs(moved_K);
      // Written so that a value that is not a number is kept, not lost.
      if (!(size_K <= largest)) largest = size_K;
    }
    return largest;
  },
  factorInPlane({ inverse, carry }, capacity_J_K, link_W_K, stride, step_s) {
    for (let c = 0; c < inverse.length; c++) {
      const link = step_s * link_W_K[c]!;
      const back = c >= stride ? step_s * link_W_K[c - stride]! : 0;
      const carried = c >= stride ? carry[c - stride]! : 0;
      const one = 1 / (capacity_J_K[c]! + link + back - back * carried);
      inverse[c] = one;
      carry[c] = link * one;
    }
  },
  factorThrough(
    { inverse, carry },
    { capacity_J_K, linkZ_W_K, bodyLink_W_K, top, bottom },
    { columns, nz },
    step_s,
  ) {
    for (let k = 0; k < nz; k++) {
      for (let column = 0; column < columns; column++) {
        const c = k * columns + column;
        let sum = bodyLink_W_K[c]!;
        if (k > 0) sum += linkZ_W_K[c - columns]!;
        if (k < nz - 1) sum += linkZ_W_K[c]!;
        if (k === 0) sum += top.hot_W_K[column]! + top.still_W_K[column]!;
        if (k === nz - 1) sum += bottom.hot_W_K[column]! + bottom.still_W_K[column]!;
        const back = k > 0 ? step_s * linkZ_W_K[c - columns]! * carry[c - columns]! : 0;
        inverse[c] = 1 / (capacity_J_K[c]! + step_s * sum - back);
        carry[c] = k < nz - 1 ? step_s * linkZ_W_K[c]! * inverse[c] : 0;
      }
    }
  },
  means(t, mean, { columns, nz }, floor_K) {
    let hottest_K = 0;
    let over = 0;
    for (let c = 0; c < columns; c++) {
      let sum = 0.5 * (t[c]! + t[(nz - 1) * columns + c]!);
      for (let k = 1; k < nz - 1; k++) sum += t[k * columns + c]!;
      mean[c] = sum / (nz - 1);
      if (mean[c]! > floor_K) over++;
      hottest_K = Math.max(hottest_K, mean[c]!);
    }
    return { hottest_K, over };
  },
  spreads(top_K, bottom_K, { alongX_K, alongY_K }, { x, y }) {
    alongX_K.fill(0);
    const [nx, ny] = [x.length, y.length];
    let [hottestTop_K, hottestBottom_K] = [0, 0];
    for (let j = 0, c = 0; j < ny; j++) {
      let sum_K = 0;
      for (let i = 0; i < nx; i++, c++) {
        hottestTop_K = Math.max(hottestTop_K, top_K[c]!);
        hottestBottom_K = Math.max(hottestBottom_K, bottom_K[c]!);
        const over_K = top_K[c]! - bottom_K[c]!;
        sum_K += over_K * x[i]!;
        alongX_K[i]! += over_K * y[j]!;
      }
      alongY_K[j] = sum_K;
    }
    return { top_K: hottestTop_K, bottom_K: hottestBottom_K };
  },
  soften(mean_K, softened, area_m2, softens_K) {
    let any = false;
    for (let c = 0; c < mean_K.length; c++) {
      if (mean_K[c]! <= softens_K || area_m2[c] === 0) continue;
      softened[c] = 1;
      any = true;
    }
    return any;
  },
  age(mean_K, dose, area_m2, { floor_K, spacing_K, rates_1_s }, step_s) {
    const last = rates_1_s.length - 2;
    let most = 0;
    for (let c = 0; c < mean_K.length; c++) {
      const over_K = mean_K[c]! - floor_K;
      if (over_K <= 0 || area_m2[c] === 0) continue;
      const place = Math.min(last, over_K / spacing_K);
      const row = Math.floor(place);
      const rate = rates_1_s[row]! + (place - row) * (rates_1_s[row + 1]! - rates_1_s[row]!);
      dose[c]! += step_s * rate;
      most = Math.max(most, dose[c]!);
    }
    return most;
  },
  zones(t, softened, area_m2) {
    let [zone_m2, zone_m2K, rest_m2, rest_m2K] = [0, 0, 0, 0];
    for (let c = 0; c < area_m2.length; c++) {
      const soft_m2 = softened[c]! * area_m2[c]!;
      zone_m2 += soft_m2;
      zone_m2K += soft_m2 * t[c]!;
      rest_m2 += area_m2[c]! - soft_m2;
      rest_m2K += (area_m2[c]! - soft_m2) * t[c]!;
    }
    return { zone_m2, zone_m2K, rest_m2, rest_m2K };
  },
  moved: (t, seen_K, limit_K) => t.some((now_K, c) => Math.abs(now_K - seen_K[c]!) > limit_K),
  followPreheated(t, { hot_W_K, warmth, still_W_K }, { area_m2, open }, source_W_m2K, factor) {
    for (let c = 0; c < t.length; c++) {
      hot_W_K[c] = factor * area_m2[c]! * open[c]! * source_W_m2K[tableRow(t[c]!)]!;
      warmth[c] = 1;
      still_W_K[c] = 0;
    }
  },
  followCalm(t, { hot_W_K, still_W_K }, { area_m2, open, emit }, { natural, radiant }) {
    for (let c = 0; c < t.length; c++) {
      const row = tableRow(t[c]!);
      hot_W_K[c] = 0;
      still_W_K[c] = area_m2[c]! * (open[c]! * natural[row]! + emit[c]! * radiant[row]!);
    }
  },
  followBlown(t, { hot_W_K, warmth, still_W_K }, { area_m2, open, emit }, calm, jet, ambient_K) {
    for (let c = 0; c < t.length; c++) {
      const t_K = t[c]!;
      const row = tableRow(t_K);
      const film = jet.base_W_m2K[c]! * jet.warming[row]!;
      const mouth = jet.mouth[c]!;
      const blown_W_K = area_m2[c]! * open[c]! * film;
      const shone_W_K = area_m2[c]! * emit[c]! * mouth * jet.nozzle_W_m2K[row]!;
      jet.taken_W_K[c]! += blown_W_K;
      jet.against_W[c]! += blown_W_K * (t_K - ambient_K);
      const hot = blown_W_K + shone_W_K;
      hot_W_K[c] = hot;
      warmth[c] = hot > 0 ? shone_W_K / hot : 0;
      const left = Math.max(0, calm.natural[row]! - film);
      still_W_K[c] = area_m2[c]! * (open[c]! * left + calm.radiant[row]! * emit[c]! * (1 - mouth));
    }
  },
};

export const plainMemory = (): FieldMemory => ({ array: (length) => new Float64Array(length), loops: PLAIN });

/** What cells pass on to those `stride` further on; a link that leaves the board is zero. */
function pass(
  t: Float64Array,
  into: Float64Array,
  link_W_K: Float64Array,
  stride: number,
  step_s: number,
): void {
  const count = t.length - stride;
  for (let c = 0; c < count; c++) {
    const heat_J = step_s * link_W_K[c]! * (t[c]! - t[c + stride]!);
    into[c] = into[c]! - heat_J;
    into[c + stride] = into[c + stride]! + heat_J;
  }
}

/** Forth and back along rows, which follow each other without a break: a link that leaves the board is zero and parts them. */
function sweepAlong(w: Float64Array, inverse: Float64Array, carry: Float64Array): void {
  const cells = w.length;
  let last = w[0]!;
  for (let c = 1; c < cells; c++) {
    last = w[c]! + carry[c - 1]! * last;
    w[c] = last;
  }
  last = 0;
  for (let c = cells - 1; c >= 0; c--) {
    last = w[c]! * inverse[c]! + carry[c]! * last;
    w[c] = last;
  }
}

/** The same across rows or layers, between cells `stride` apart; multiplies by each cell's capacity on the way. */
function sweepAcross(
  w: Float64Array,
  capacity_J_K: Float64Array,
  inverse: Float64Array,
  carry: Float64Array,
  stride: number,
): void {
  const cells = w.length;
  for (let c = 0; c < stride; c++) w[c] = w[c]! * capacity_J_K[c]!;
  for (let c = stride; c < cells; c++) w[c] = w[c]! * capacity_J_K[c]! + carry[c - stride]! * w[c - stride]!;
  for (let c = cells - 1; c >= cells - stride; c--) w[c] = w[c]! * inverse[c]!;
  for (let c = cells - stride - 1; c >= 0; c--) w[c] = w[c]! * inverse[c]! + carry[c]! * w[c + stride]!;
}
