/**
 * A relief in one sheet, solved as it is: a barrel at one temperature, its land, a gap that only straight spokes cross,
 * and the field out to a far rim, all of one foil. Finite volumes in log r and θ over half of one spoke's share, conjugate
 * gradients. Written apart from the model: nothing of it is shared.
 */
export interface SpokedSheet {
  readonly spokes: number;
  readonly width: number;
  readonly length: number;
  readonly barrel: number;
  readonly land: number;
  readonly rim: number;
}

/** Resistance from barrel to rim, of a sheet of k·t = 1. Lengths in any one unit. */
export function spokedSheetResistance(sheet: SpokedSheet, [rows, columns] = [90, 70]): number {
  const { spokes, width, length, barrel, land, rim } = sheet;
  const outer = land + length;
  const r = [
    ...geometric(barrel, land, Math.round(0.25 * rows)),
    ...geometric(land, outer, Math.round(0.35 * rows)),
    ...geometric(outer, rim, Math.round(0.4 * rows)),
    rim,
  ];
  const theta = gradedAngles(Math.PI / spokes, Math.asin(Math.min(1, width / 2 / land)), columns);
  const [n, m] = [r.length - 1, theta.length - 1];
  const middle = (list: readonly number[], i: number): number => (list[i]! + list[i + 1]!) / 2;
  const centre = Array.from({ length: n }, (_, i) => Math.sqrt(r[i]! * r[i + 1]!));
  const isCopper = (i: number, j: number): boolean => {
    if (centre[i]! < land || centre[i]! > outer) return true;
    const angle = middle(theta, j);
    return Math.cos(angle) > 0 && centre[i]! * Math.sin(angle) <= width / 2;
  };
  const radial = new Float64Array((n + 1) * m);
  const across = new Float64Array(n * (m + 1));
  for (let j = 0; j < m; j++) {
    const dt = theta[j + 1]! - theta[j]!;
    radial[j] = dt / Math.log(centre[0]! / r[0]!);
    radial[n * m + j] = dt / Math.log(r[n]! / centre[n - 1]!);
    for (let i = 1; i < n; i++)
      if (isCopper(i, j) && isCopper(i - 1, j))
        radial[i * m + j] = dt / Math.log(centre[i]! / centre[i - 1]!);
  }
  for (let i = 0; i < n; i++)
    for (let j = 1; j < m; j++)
      if (isCopper(i, j) && isCopper(i, j - 1))
        across[i * (m + 1) + j] = Math.log(r[i + 1]! / r[i]!) / (middle(theta, j) - middle(theta, j - 1));
  const x = solved(n, m, radial, across);
  let flow = 0;
  for (let j = 0; j < m; j++) flow += radial[j]! * (1 - x[j]!);
  return 1 / (2 * spokes * flow);
}

const geometric = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => from * (to / from) ** (i / count));

/** Fine over half of the spoke and a little more, wider behind. */
function gradedAngles(half: number, mouth: number, count: number): number[] {
  if (1.6 * mouth >= half) return Array.from({ length: count + 1 }, (_, i) => (half * i) / count);
  const near = Math.round(0.45 * count);
  const from = Math.min(half, 1.6 * mouth);
  return [
    ...Array.from({ length: near }, (_, i) => (from * i) / near),
    ...Array.from({ length: count - near + 1 }, (_, i) => from + (half - from) * (i / (count - near)) ** 1.5),
  ];
}

function solved(n: number, m: number, radial: Float64Array, across: Float64Array): Float64Array {
  const size = n * m;
  const diagonal = new Float64Array(size);
  const residual = new Float64Array(size);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < m; j++) {
      const c = i * m + j;
      const sum = radial[c]! + radial[c + m]! + across[i * (m + 1) + j]! + across[i * (m + 1) + j + 1]!;
      diagonal[c] = sum || 1;
      if (i === 0) residual[c] = radial[j]!;
    }
  const apply = (v: Float64Array, out: Float64Array): void => {
    for (let i = 0; i < n; i++)
      for (let j = 0; j < m; j++) {
        const c = i * m + j;
        let sum = diagonal[c]! * v[c]!;
        if (i > 0) sum -= radial[c]! * v[c - m]!;
        if (i < n - 1) sum -= radial[c + m]! * v[c + m]!;
        if (j > 0) sum -= across[i * (m + 1) + j]! * v[c - 1]!;
        if (j < m - 1) sum -= across[i * (m + 1) + j + 1]! * v[c + 1]!;
        out[c] = sum;
      }
  };
  const x = new Float64Array(size);
  const z = residual.map((value, c) => value / diagonal[c]!);
  const p = Float64Array.from(z);
  const q = new Float64Array(size);
  const dot = (a: Float64Array, b: Float64Array): number =>
    a.reduce((sum, value, c) => sum + value * b[c]!, 0);
  let rz = dot(residual, z);
  const least = 1e-14 * rz;
  for (let step = 0; step < 4000 && rz > least; step++) {
    apply(p, q);
    const a = rz / dot(p, q);
    for (let c = 0; c < size; c++) {
      x[c]! += a * p[c]!;
      residual[c]! -= a * q[c]!;
      z[c] = residual[c]! / diagonal[c]!;
    }
    const next = dot(residual, z);
    for (let c = 0; c < size; c++) p[c] = z[c]! + (next / rz) * p[c]!;
    rz = next;
  }
  return x;
}
