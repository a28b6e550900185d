import { landShapes, type PartPackage } from '~/core/packages/form';

/** Lands closer to a line than this are on it, m. */
const SAME_m = 1e-6;

/** Pads of a part by the side they stand on, each side in its order along it; one list where there are no sides. */
export function sidesOf(part: PartPackage, pads: readonly string[]): [string, ...string[]][] {
  const lands = landShapes(part).filter((land) => pads.includes(land.pad));
  const reachX_m = Math.max(...lands.map((l) => Math.abs(l.x_m)));
  const reachY_m = Math.max(...lands.map((l) => Math.abs(l.y_m)));
  const oneLine = (values: readonly number[], reach: number): boolean =>
    values.every((v) => Math.abs(Math.abs(v) - reach) < SAME_m);
  const rowsAlongX = oneLine(
    lands.map((l) => l.y_m),
    reachY_m,
  );
  const rowsAlongY =
    !rowsAlongX &&
    oneLine(
      lands.map((l) => l.x_m),
      reachX_m,
    );
  const sides = new Map<string, [string, ...string[]]>();
  for (const { pad, x_m, y_m } of lands) {
    const acrossX = rowsAlongY || (!rowsAlongX && reachX_m - Math.abs(x_m) < reachY_m - Math.abs(y_m));
    const side = acrossX ? `x${Math.sign(x_m)}` : `y${Math.sign(y_m)}`;
    const known = sides.get(side);
    if (known) known.push(pad);
    else sides.set(side, [pad]);
  }
  return [...sides.values()];
}

/** How far a tip is drawn along some pads of one side: from the first land's far edge to the last's. */
export function strokeLength_m(part: PartPackage, pads: readonly string[]): number {
  const lands = landShapes(part).filter((land) => pads.includes(land.pad));
  const along = (of: 'x_m' | 'y_m', size: 'width_m' | 'height_m'): number =>
    Math.max(...lands.map((l) => l[of] + l[size] / 2)) - Math.min(...lands.map((l) => l[of] - l[size] / 2));
  return Math.max(along('x_m', 'width_m'), along('y_m', 'height_m'));
}

/** The pad farthest from another: the opposite corner of a pack. */
export function oppositeOf(part: PartPackage, pad: string, among: readonly string[]): string | null {
  const lands = landShapes(part);
  const from = lands.find((land) => land.pad === pad);
  if (!from) return null;
  const others = lands.filter((land) => among.includes(land.pad) && land.pad !== pad);
  const away = (l: (typeof lands)[number]): number => Math.hypot(l.x_m - from.x_m, l.y_m - from.y_m);
  return others.length === 0 ? null : others.reduce((a, b) => (away(b) > away(a) ? b : a)).pad;
}
