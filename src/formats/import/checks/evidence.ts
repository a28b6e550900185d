import type { ImageObject } from '~/core/artwork/shapes';
import type { NetlistPoint } from '~/formats/netlist/netlist';
import type { Content } from '../collected';

/** A place where something stands, with how far it reaches either way; m. */
export interface Mark {
  readonly x_m: number;
  readonly y_m: number;
  readonly halfWidth_m: number;
  readonly halfHeight_m: number;
}

/** A netlist's point: on the upper face, the lower one, or through both. */
interface NetMark extends Mark {
  readonly holed: boolean;
  readonly face: 'top' | 'bottom' | 'both';
}

export interface Box {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

/** What one file says of where things are. */
export type Evidence =
  | { readonly kind: 'netlist'; readonly marks: readonly NetMark[]; readonly parts: ReadonlyMap<string, Box> }
  | {
      readonly kind: 'copper';
      readonly marks: readonly Mark[];
      readonly box: Box | null;
      readonly layer: number;
    }
  | { readonly kind: 'edge'; readonly box: Box | null }
  | { readonly kind: 'drill'; readonly marks: readonly Mark[]; readonly plated: boolean | null }
  | { readonly kind: 'list'; readonly places: ReadonlyMap<string, readonly [x_m: number, y_m: number]> };

/** A land is no larger than this either way; what is larger is a pour or a track. */
const LARGEST_LAND_m = 6e-3;
/** More than these tell no more. */
const MOST_MARKS = 60_000;

export function evidenceOf(content: Content, layer: number): Evidence {
  switch (content.kind) {
    case 'netlist':
      return netlistEvidence(content.netlist);
    case 'artwork':
      return layer < 0
        ? { kind: 'edge', box: boxOf(content.artwork.objects) }
        : { kind: 'copper', ...marksOf(content.artwork.objects), layer };
    case 'drill':
      return {
        kind: 'drill',
        plated: content.drilling.plated,
        marks: content.drilling.holes.slice(0, MOST_MARKS).map(({ x_m, y_m, diameter_m }) => ({
          x_m,
          y_m,
          halfWidth_m: diameter_m / 2,
          halfHeight_m: diameter_m / 2,
        })),
      };
    case 'exchange':
      return netlistEvidence(content.exchange);
    case 'table':
      return {
        kind: 'list',
        places: new Map(
          content.placement.rows.flatMap(({ ref, x_m, y_m }) =>
            x_m === null || y_m === null ? [] : [[ref, [x_m, y_m] as const] as const],
          ),
        ),
      };
  }
}

function netlistEvidence({ points }: { readonly points: readonly NetlistPoint[] }): Evidence {
  const parts = new Map<string, { x0: number; x1: number; y0: number; y1: number }>();
  for (const { ref, x_m, y_m } of points) {
    if (ref === '') continue;
    const box = parts.get(ref);
    if (!box) parts.set(ref, { x0: x_m, x1: x_m, y0: y_m, y1: y_m });
    else {
      box.x0 = Math.min(box.x0, x_m);
      box.x1 = Math.max(box.x1, x_m);
      box.y0 = Math.min(box.y0, y_m);
      box.y1 = Math.max(box.y1, y_m);
    }
  }
  return {
    kind: 'netlist',
    parts,
    marks: points.slice(0, MOST_MARKS).map((point) => ({
      x_m: point.x_m,
      y_m: point.y_m,
      halfWidth_m: point.width_m / 2,
      halfHeight_m: point.height_m / 2,
      holed: point.hole !== null,
      face: point.hole !== null || point.access === 0 ? 'both' : point.access === 1 ? 'top' : 'bottom',
    })),
  };
}

const EMPTY: Box = { x0: Infinity, x1: -Infinity, y0: Infinity, y1: -Infinity };

function contourBox(contour: readonly number[], into: Box = EMPTY): Box {
  let { x0, x1, y0, y1 } = into;
  for (let i = 0; i + 1 < contour.length; i += 2) {
    x0 = Math.min(x0, contour[i]!);
    x1 = Math.max(x1, contour[i]!);
    y0 = Math.min(y0, contour[i + 1]!);
    y1 = Math.max(y1, contour[i + 1]!);
  }
  return { x0, x1, y0, y1 };
}

const objectBox = ({ shapes }: ImageObject): Box =>
  shapes.reduce((box, { contour, dark }) => (dark ? contourBox(contour, box) : box), EMPTY);

/** All that is drawn; null where nothing is. */
function boxOf(objects: readonly ImageObject[]): Box | null {
  const box = objects.reduce(
    (all, { shapes }) => shapes.reduce((one, { contour }) => contourBox(contour, one), all),
    EMPTY,
  );
  return box.x0 <= box.x1 ? box : null;
}

function marksOf(objects: readonly ImageObject[]): { readonly marks: Mark[]; readonly box: Box | null } {
  const marks: Mark[] = [];
  for (const object of objects) {
    if (!object.dark) continue;
    const { x0, x1, y0, y1 } = objectBox(object);
    if (!(x1 - x0 <= LARGEST_LAND_m && y1 - y0 <= LARGEST_LAND_m)) continue;
    marks.push({
      x_m: (x0 + x1) / 2,
      y_m: (y0 + y1) / 2,
      halfWidth_m: (x1 - x0) / 2,
      halfHeight_m: (y1 - y0) / 2,
    });
    if (marks.length >= MOST_MARKS) break;
  }
  return { marks, box: boxOf(objects) };
}
