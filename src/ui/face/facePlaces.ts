import { areaOf, insidePolygon, lengthOf, distanceToLine, type Point } from '~/core/geometry/polygon';
import type { FaceFindingRecord, FacePoint } from '~/schema/records/board/faceFinding';

const asPoints = (points: readonly FacePoint[]): Point[] => points.map(({ x_mm, y_mm }) => [x_mm, y_mm]);

interface Place extends Pick<FaceFindingRecord, 'kind'> {
  readonly points: readonly FacePoint[];
}

/** "Track, 12 mm from 40, 30", "Via at 20, 10", "Area of 3.2 cm²": where a finding lies and how much there is of it. */
export function placeInWords({ kind, points }: Place): string {
  const at = `${points[0]!.x_mm.toFixed(0)}, ${points[0]!.y_mm.toFixed(0)} mm`;
  switch (kind) {
    case 'via':
      return `Via at ${at}`;
    case 'track':
      return `Track, ${lengthOf(asPoints(points)).toFixed(0)} mm from ${at}`;
    case 'area': {
      const area_mm2 = areaOf(asPoints(points));
      return `Area of ${area_mm2 < 100 ? `${area_mm2.toFixed(0)} mm²` : `${(area_mm2 / 100).toFixed(1)} cm²`} about ${at}`;
    }
  }
}

/** A line or a via touches what lies within this of it. */
const TOUCH_mm = 1;

/** Whether a pad at a place lies under what was found. */
export function liesUnder({ kind, points }: Place, at: Point): boolean {
  const line = asPoints(points);
  return kind === 'area' ? insidePolygon(at, line) : distanceToLine(at, line) <= TOUCH_mm;
}

/** Findings that no later one follows: what the face is like now. */
export function standing(findings: readonly FaceFindingRecord[]): FaceFindingRecord[] {
  const followed = new Set(findings.map((f) => f.followsId));
  return findings.filter((f) => !followed.has(f.id));
}
