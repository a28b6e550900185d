import { polygonArea, polygonContains } from 'd3-polygon';

/** A point of a plane; any unit, the same for all. */
export type Point = readonly [x: number, y: number];

/** Whether a point lies inside a closed line of any shape. */
export const insidePolygon = ([x, y]: Point, edge: readonly Point[]): boolean =>
  polygonContains(edge.map(pair), [x, y]);

/** Area inside a closed line; never negative. */
export const areaOf = (edge: readonly Point[]): number => Math.abs(polygonArea(edge.map(pair)));

/** Length of an open line. */
export const lengthOf = (line: readonly Point[]): number =>
  line.reduce(
    (sum, [x, y], i) => (i === 0 ? 0 : sum + Math.hypot(x - line[i - 1]![0], y - line[i - 1]![1])),
    0,
  );

const pair = ([x, y]: Point): [number, number] => [x, y];

/** Distance from a point to an open line; to the point itself where it has one only. */
export function distanceToLine([x, y]: Point, line: readonly Point[]): number {
  let least = Infinity;
  line.forEach(([ax, ay], i) => {
    const [bx, by] = line[Math.min(i + 1, line.length - 1)]!;
    const [dx, dy] = [bx - ax, by - ay];
    const square = dx * dx + dy * dy;
    const t = square === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / square));
    least = Math.min(least, Math.hypot(x - ax - t * dx, y - ay - t * dy));
  });
  return least;
}
