import { cellAt, evenAxis, type Axis } from './axis';
import type { FieldBoard, FieldMesh } from './mesh';
import { FIELD } from './settings';

/** Even cells that pictures of a run are told on, row by row; `inside` where the board is. */
export interface PictureGrid {
  readonly nx: number;
  readonly ny: number;
  readonly inside: Uint8Array;
}

/** Cells of a picture at most: a face of a large board is told more coarsely. */
const MOST_CELLS = 20_000;

/** Size of a picture's cells for a board: its finest cells where that is no more than a page can carry. */
export const pictured_m = ({ length_m, width_m }: FieldBoard): number =>
  Math.max(FIELD.finest_m, Math.sqrt((length_m * width_m) / MOST_CELLS));

/** Reads faces of a mesh, whose cells may differ in size, on the even grid of a picture: linear between cells' middles. */
export class Picture implements PictureGrid {
  readonly nx: number;
  readonly ny: number;
  readonly inside: Uint8Array;
  /** Four columns of the mesh about each cell's middle, and their weights; columns off the board have none. */
  private readonly from: Int32Array;
  private readonly weights: Float32Array;

  constructor(mesh: FieldMesh, pitch_m: number) {
    const [length_m, width_m] = [mesh.x.edges_m.at(-1)!, mesh.y.edges_m.at(-1)!];
    const [x, y] = [evenAxis(length_m, pitch_m), evenAxis(width_m, pitch_m)];
    this.nx = x.count;
    this.ny = y.count;
    this.inside = new Uint8Array(x.count * y.count);
    this.from = new Int32Array(4 * this.inside.length);
    this.weights = new Float32Array(4 * this.inside.length);
    const across = Array.from(x.middles_m, (at_m) => between(mesh.x, at_m));
    const up = Array.from(y.middles_m, (at_m) => between(mesh.y, at_m));
    for (let j = 0, cell = 0; j < this.ny; j++) {
      for (let i = 0; i < this.nx; i++, cell++) {
        this.inside[cell] =
          mesh.inside[cellAt(mesh.y, y.middles_m[j]!) * mesh.nx + cellAt(mesh.x, x.middles_m[i]!)]!;
        this.weigh(mesh, cell, across[i]!, up[j]!);
      }
    }
  }

  /** A face's temperatures, K. */
  read(face_K: Float64Array): Float32Array {
    const { from, weights } = this;
    const told_K = new Float32Array(this.inside.length);
    for (let cell = 0, at = 0; cell < told_K.length; cell++) {
      let sum = 0;
      for (let corner = 0; corner < 4; corner++, at++) sum += weights[at]! * face_K[from[at]!]!;
      told_K[cell] = sum;
    }
    return told_K;
  }

  private weigh(mesh: FieldMesh, cell: number, across: Between, up: Between): void {
    const corners = [
      [across.low, up.low, (1 - across.share) * (1 - up.share)],
      [across.high, up.low, across.share * (1 - up.share)],
      [across.low, up.high, (1 - across.share) * up.share],
      [across.high, up.high, across.share * up.share],
    ] as const;
    const known = corners.map(([i, j, weight]) =>
      this.inside[cell] === mesh.inside[j * mesh.nx + i] ? weight : 0,
    );
    const sum = known.reduce((all, weight) => all + weight, 0);
    corners.forEach(([i, j, weight], corner) => {
      this.from[4 * cell + corner] = j * mesh.nx + i;
      this.weights[4 * cell + corner] = sum > 0 ? known[corner]! / sum : weight;
    });
  }
}

interface Between {
  readonly low: number;
  readonly high: number;
  /** How far along from the middle of the one to the middle of the other. */
  readonly share: number;
}

function between({ middles_m, count }: Axis, at_m: number): Between {
  const next = middles_m.findIndex((middle_m) => middle_m > at_m);
  const high = next < 0 ? count - 1 : next;
  const low = Math.max(0, high - 1);
  if (next <= 0) return { low: high, high, share: 0 };
  return { low, high, share: (at_m - middles_m[low]!) / (middles_m[high]! - middles_m[low]!) };
}
