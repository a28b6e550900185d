import type { Elimination } from './elimination';
import { ARRAYS, LANES, type OwnKernel, type Kernel } from './kernel';
import type { ThermalNetwork } from './network';
import type { Shape } from './shape';

/* What of a kernel's memory is whole numbers: the elimination, and what each link and lump belongs to. */

/** Bytes of one number of every lane. */
const EACH = 8 * LANES;

/** Lays a shape into a kernel, and where each list of the network points. */
export function layShape(own: OwnKernel, shape: Shape, network: ThermalNetwork): void {
  if (own.laid === shape) return;
  const { kernel } = own;
  const { elimination, variableEdges, edgeMelt, edgeWetting, waitsFor } = shape;
  const { edges, melting, heaters, wettings, ambient } = network;
  const { size, split, row, columnAt, pivot, edgeAt } = elimination;
  const twins = twinsOf(elimination);
  const updates = updatesOf(elimination, twins);
  const reached = reachedBy(updates.head, elimination);
  kernel.layOut(
    size,
    split,
    row.length,
    updates.head.length,
    updates.tail.length,
    columnAt[split]!,
    reached.length,
    variableEdges.length,
    melting.length,
    heaters.length,
    wettings.length,
    ambient.length,
  );
  const temperature = kernel.addressOf(ARRAYS.temperature);
  const factor = kernel.addressOf(ARRAYS.factor);
  const put = wordsOf(kernel);
  put(ARRAYS.columnAt, columnAt, (entry) => (size + entry) * EACH);
  put(ARRAYS.twin, twins, Number);
  put(ARRAYS.row, row, (p) => temperature + p * EACH);
  put(ARRAYS.columnOf, columnsOf(elimination), (p) => temperature + p * EACH);
  put(ARRAYS.updateHead, updates.head, (place) => factor + place * EACH);
  put(ARRAYS.updateTail, updates.tail, (place) => factor + place * EACH);
  put(ARRAYS.reached, reached, (place) => place * EACH);
  put(
    ARRAYS.edge,
    variableEdges.flatMap((e) => [
      pivot[edges[e]!.from]! * EACH,
      pivot[edges[e]!.to]! * EACH,
      edgeAt[e]! * EACH,
      edgeMelt[2 * e]!,
      edgeMelt[2 * e + 1]!,
      edgeWetting[e]!,
    ]),
    Number,
  );
  const at = ({ node }: { readonly node: number }): number => pivot[node]! * EACH;
  put(ARRAYS.meltNode, melting.map(at), Number);
  put(ARRAYS.heaterNode, heaters.map(at), Number);
  put(ARRAYS.ambientNode, ambient.map(at), Number);
  put(ARRAYS.waitsFor, waitsFor, Number);
  own.laid = shape;
}

function wordsOf(kernel: Kernel) {
  const words = new Int32Array(kernel.memory.buffer);
  return <T>(array: number, of: ArrayLike<T>, to: (value: T) => number): void => {
    const from = kernel.addressOf(array) >> 2;
    for (let i = 0; i < of.length; i++) words[from + i] = to(of[i]!);
  };
}

/** The column of each entry, by its pivot. */
function columnsOf({ size, columnAt, row }: Elimination): Int32Array {
  const columns = new Int32Array(row.length);
  for (let p = 0; p < size; p++) columns.fill(p, columnAt[p], columnAt[p + 1]);
  return columns;
}

/** Where a column and the next have their entries in the same rows, both in the head or both in the tail. */
function twinsOf({ size, split, columnAt, row }: Elimination): boolean[] {
  const twins = new Array<boolean>(size).fill(false);
  for (let p = 0; p + 1 < size; p++) {
    if (p + 1 === split) continue;
    const [start, end, last] = [columnAt[p]!, columnAt[p + 1]!, columnAt[p + 2]!];
    // Rows are in order: as many but for the next pivot itself are the same ones.
    if (row[start] !== p + 1 || end - start !== last - end + 1) continue;
    twins[p] = true;
    p++;
  }
  return twins;
}

/**
 * The places that columns take from, in the order of the kernel: by entry, its place with each entry from it on. Of twins
 * those of the second, which are both's; what the first takes from the second needs no place.
 */
function updatesOf(elimination: Elimination, twins: readonly boolean[]): { head: number[]; tail: number[] } {
  const { size, split, columnAt, updateAt, update } = elimination;
  const [head, tail]: [number[], number[]] = [[], []];
  for (let p = 0; p < size; p++) {
    const own = twins[p] ? ++p : p;
    const count = columnAt[own + 1]! - columnAt[own]!;
    // Listed by entry from the last to the first, with each entry up to it.
    const before = (entry: number): number => (count * (count + 1) - (entry + 1) * (entry + 2)) / 2;
    const into = own < split ? head : tail;
    for (let b = 0; b < count; b++) {
      for (let a = b; a < count; a++) into.push(update[updateAt[own]! + before(a) + b]!);
    }
  }
  return { head, tail };
}

/** Places of the tail that the head takes from, each once. */
function reachedBy(head: readonly number[], { size, split, columnAt }: Elimination): number[] {
  const isTail = (place: number): boolean =>
    place < size ? place >= split : place >= size + columnAt[split]!;
  return [...new Set(head.filter(isTail))];
}
