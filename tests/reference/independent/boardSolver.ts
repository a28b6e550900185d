/**
 * A board over a source in still air: cells in three dimensions by explicit steps, films of its own. It shares no code
 * with the board model. Constants and correlations are typed in again from the books they are from.
 */

export interface BoardAsDrawn {
  readonly length_m: number;
  readonly width_m: number;
  readonly thickness_m: number;
  /** Whether a place is board. */
  readonly inside: (x_m: number, y_m: number) => boolean;
  readonly laminate: {
    readonly inPlane_W_mK: number;
    readonly through_W_mK: number;
    readonly heat_J_m3K: number;
  };
  /** From the top face down, evenly spread with the outer two at the faces: foil, share of area, share of conduction. */
  readonly copper: readonly { readonly foil_m: number; readonly area: number; readonly conducts: number }[];
  readonly copper_W_mK: number;
  readonly copper_J_m3K: number;
  readonly ambient_K: number;
  /** One after another: what stands below the board, and for how long. */
  readonly stages: readonly {
    readonly duration_s: number;
    readonly source: {
      readonly kind: 'air' | 'infrared';
      readonly set_K: number;
      readonly film_W_m2K: number;
    } | null;
  }[];
}

const SIGMA = 5.670374e-8;
const EMISSIVITY = 0.9;

/** Air between 300 and 550 K, straight lines through Incropera table A.4: W/mK, m²/s, Prandtl. */
function air(t_K: number): { k: number; nu: number; pr: number } {
  const s = (t_K - 300) / 250;
  return {
    k: 0.0263 + s * (0.0439 - 0.0263),
    nu: 15.89e-6 + s * (45.57e-6 - 15.89e-6),
    pr: 0.707 - 0.024 * Math.min(1, s),
  };
}

/** Incropera eq. 9.30 to 9.32 on area over perimeter. */
function natural(up: boolean, face_K: number, air_K: number, length_m: number): number {
  const mean = (face_K + air_K) / 2;
  const { k, nu, pr } = air(mean);
  const ra = (9.80665 * Math.abs(face_K - air_K) * length_m ** 3 * pr) / (mean * nu * nu);
  const rises = up === face_K >= air_K;
  const nusselt = rises ? (ra > 1e7 ? 0.15 * ra ** (1 / 3) : 0.54 * ra ** 0.25) : 0.52 * ra ** 0.2;
  return (Math.max(1, nusselt) * k) / length_m;
}

/** Means of both faces at each whole second, and both faces at the end of each stage. */
export function solveBoard(
  board: BoardAsDrawn,
  pitch_m: number,
): {
  readonly top_K: number[];
  readonly bottom_K: number[];
  readonly faces: { top: Float64Array; bottom: Float64Array }[];
} {
  const nx = Math.round(board.length_m / pitch_m);
  const ny = Math.round(board.width_m / pitch_m);
  const nz = Math.max(3, board.copper.length);
  const gap = board.thickness_m / (nz - 1);
  const length_m = (board.length_m * board.width_m) / (2 * (board.length_m + board.width_m));
  const cells = nx * ny;
  const inside = Array.from({ length: cells }, (_, c) =>
    board.inside(((c % nx) + 0.5) * pitch_m, (Math.floor(c / nx) + 0.5) * pitch_m),
  );
  const sheet: number[] = [];
  const store: number[] = [];
  for (let k = 0; k < nz; k++) {
    const laminate_m = k === 0 || k === nz - 1 ? gap / 2 : gap;
    sheet.push(board.laminate.inPlane_W_mK * laminate_m);
    store.push(board.laminate.heat_J_m3K * laminate_m);
  }
  board.copper.forEach(({ foil_m, area, conducts }, i) => {
    const k = board.copper.length === 1 ? nz - 1 : Math.round((i / (board.copper.length - 1)) * (nz - 1));
    sheet[k]! += board.copper_W_mK * foil_m * conducts;
    store[k]! += board.copper_J_m3K * foil_m * area;
  });
  const through = board.laminate.through_W_mK / gap;
  const dt = 0.4 * Math.min(...sheet.map((s, k) => store[k]! / ((4 * s) / pitch_m ** 2 + 2 * through + 60)));
  const T = Array.from({ length: nz }, () => new Float64Array(cells).fill(board.ambient_K));
  const gain = Array.from({ length: nz }, () => new Float64Array(cells));
  const top_K: number[] = [];
  const bottom_K: number[] = [];
  const faces: { top: Float64Array; bottom: Float64Array }[] = [];
  const mean = (row: Float64Array): number => {
    let sum = 0;
    let count = 0;
    for (let c = 0; c < cells; c++) if (inside[c]) [sum, count] = [sum + row[c]!, count + 1];
    return sum / count;
  };
  const toRoom = (up: boolean, t: number): number =>
    natural(up, t, board.ambient_K, length_m) * (t - board.ambient_K) +
    EMISSIVITY * SIGMA * (t ** 4 - board.ambient_K ** 4);
  let time = 0;
  let until = 0;
  for (const { duration_s, source } of board.stages) {
    until += duration_s;
    const fromSource = (t: number): number => {
      if (!source) return -toRoom(false, t);
      if (source.kind === 'air') return source.film_W_m2K * (source.set_K - t);
      const pair = 1 / (1 / 0.9 + 1 / EMISSIVITY - 1);
      const between = (source.set_K + t) / 2;
      return (
        0.8 * pair * SIGMA * (source.set_K ** 4 - t ** 4) +
        (natural(false, t, between, length_m) / 2) * (source.set_K - t)
      );
    };
    while (time < until - 1e-9) {
      const step = Math.min(dt, until - time);
      for (let k = 0; k < nz; k++) {
        const t = T[k]!;
        const g = gain[k]!;
        g.fill(0);
        for (let c = 0; c < cells; c++) {
          if (!inside[c]) continue;
          if ((c + 1) % nx !== 0 && inside[c + 1]) {
            const flow = (sheet[k]! * (t[c]! - t[c + 1]!)) / pitch_m ** 2;
            g[c]! -= flow;
            g[c + 1]! += flow;
          }
          if (c + nx < cells && inside[c + nx]) {
            const flow = (sheet[k]! * (t[c]! - t[c + nx]!)) / pitch_m ** 2;
            g[c]! -= flow;
            g[c + nx]! += flow;
          }
          if (k > 0) g[c]! += through * (T[k - 1]![c]! - t[c]!);
          if (k < nz - 1) g[c]! += through * (T[k + 1]![c]! - t[c]!);
          if (k === 0) g[c]! -= toRoom(true, t[c]!);
          if (k === nz - 1) g[c]! += fromSource(t[c]!);
        }
      }
      for (let k = 0; k < nz; k++)
        for (let c = 0; c < cells; c++) T[k]![c]! += (step * gain[k]![c]!) / store[k]!;
      if (Math.floor(time + step) > Math.floor(time)) {
        top_K.push(mean(T[0]!));
        bottom_K.push(mean(T[nz - 1]!));
      }
      time += step;
    }
    faces.push({ top: Float64Array.from(T[0]!), bottom: Float64Array.from(T[nz - 1]!) });
  }
  return { top_K, bottom_K, faces };
}
