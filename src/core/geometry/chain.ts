import { areaOf, type Point } from './polygon';

export type Stroke = readonly [from: Point, to: Point];

/**
 * The largest closed line that strokes make when each is joined to the next that begins or ends where it ends,
 * within `join`. Null where none closes. Strokes may come in any order and direction.
 */
export function largestLoop(strokes: readonly Stroke[], join: number): Point[] | null {
  const left = new Set(strokes.keys());
  const grid = new Map<string, number[]>();
  const cell = ([x, y]: Point, dx = 0, dy = 0): string =>
    `${Math.floor(x / join) + dx} ${Math.floor(y / join) + dy}`;
  strokes.forEach((stroke, i) => {
    for (const end of stroke) {
      const key = cell(end);
      const here = grid.get(key);
      if (here) here.push(i);
      else grid.set(key, [i]);
    }
  });
  const near = (at: Point): number | undefined => {
    for (let dx = -1; dx <= 1; dx++) {
      for (let dy = -1; dy <= 1; dy++) {
        const here = grid.get(cell(at, dx, dy));
        if (!here) continue;
        for (let k = 0; k < here.length;) {
          const i = here[k]!;
          if (left.has(i)) {
            if (strokes[i]!.some((end) => apart(end, at) <= join)) return i;
            k++;
          } else {
            // Used up: out of the list for good, or thousands that meet in one point would be looked through each time.
            here[k] = here.at(-1)!;
            here.pop();
          }
        }
      }
    }
    return undefined;
  };
  let best: Point[] | null = null;
  for (const first of strokes.keys()) {
    if (!left.delete(first)) continue;
    const line: Point[] = [...strokes[first]!];
    for (let next = near(line.at(-1)!); next !== undefined; next = near(line.at(-1)!)) {
      left.delete(next);
      const [a, b] = strokes[next]!;
      line.push(apart(a, line.at(-1)!) <= join ? b : a);
    }
    const closed = line.length > 3 && apart(line[0]!, line.at(-1)!) <= join;
    if (closed && (best === null || areaOf(line) > areaOf(best))) best = line.slice(0, -1);
  }
  return best;
}

const apart = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);
