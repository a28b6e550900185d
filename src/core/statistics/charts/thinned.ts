/**
 * So many points of a long line as a chart can show: of each stretch its lowest and its highest, in the order in which they come,
 * and the line's two ends. What stands out stands out still.
 */
export function thinned<Point>(
  points: readonly Point[],
  most: number,
  of: (point: Point) => number,
): readonly Point[] {
  if (points.length <= most) return points;
  const stretch = Math.ceil((2 * points.length) / (most - 2));
  const kept = new Set([0, points.length - 1]);
  for (let from = 0; from < points.length; from += stretch) {
    let [low, high] = [from, from];
    for (let i = from; i < Math.min(from + stretch, points.length); i++) {
      if (of(points[i]!) < of(points[low]!)) low = i;
      if (of(points[i]!) > of(points[high]!)) high = i;
    }
    kept.add(low).add(high);
  }
  return [...kept].sort((a, b) => a - b).map((i) => points[i]!);
}
