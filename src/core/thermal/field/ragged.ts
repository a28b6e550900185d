/** Lists of numbers of unlike lengths in one array: those of list i are at `start[i]` up to `start[i + 1]`. */
export interface Ragged {
  readonly start: Int32Array;
  readonly of: Int32Array;
}

export function ragged(lists: readonly (readonly number[])[]): Ragged {
  const start = new Int32Array(lists.length + 1);
  lists.forEach((list, i) => (start[i + 1] = start[i]! + list.length));
  return { start, of: Int32Array.from(lists.flat()) };
}
