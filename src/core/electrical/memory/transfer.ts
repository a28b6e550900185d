import { CHECK_SUMS, checkSum, type CheckSumId } from './checksums';
import type { ByteRange } from './compare';

/** Bytes of a board's own: its number, its address, its calibration. */
export interface OwnBlock extends ByteRange {
  readonly name: string;
}

/** Where a check sum stands, of which kind, and what it is of. */
export interface CheckField {
  readonly of: ByteRange;
  readonly kind: CheckSumId;
  readonly at: number;
  readonly order: 'low-first' | 'high-first';
}

/** Why contents cannot be made so; in words for who asked. */
export interface Misfit {
  readonly what: 'block' | 'check';
  readonly index: number;
  readonly says: string;
}

/** What is not right with blocks and check fields over contents of that size; null where all is. */
export function misfit(
  size_bytes: number,
  blocks: readonly OwnBlock[],
  checks: readonly CheckField[],
): Misfit | null {
  const outside = ({ from, to }: ByteRange): string | null =>
    to <= from
      ? 'ends before it begins'
      : to > size_bytes
        ? `ends past the contents, which have ${size_bytes} bytes`
        : null;
  for (const [index, block] of blocks.entries()) {
    const says = outside(block);
    if (says) return { what: 'block', index, says };
  }
  for (const [index, { of, kind, at }] of checks.entries()) {
    const own = { from: at, to: at + CHECK_SUMS[kind].bytes };
    const says = outside(of) ?? outside(own);
    if (says) return { what: 'check', index, says };
    if (own.from < of.to && own.to > of.from)
      return { what: 'check', index, says: 'stands among the bytes that it is of; leave it out of them' };
  }
  return null;
}

/**
 * New contents with a board's own blocks in them, and every check sum that is told of computed anew, in the order given.
 * Throws where something lies outside; ask `misfit` first.
 */
export function transferred(
  fresh: Uint8Array,
  own: Uint8Array,
  blocks: readonly OwnBlock[],
  checks: readonly CheckField[],
): Uint8Array {
  const wrong = misfit(Math.min(fresh.length, own.length), blocks, []) ?? misfit(fresh.length, [], checks);
  if (wrong) throw new RangeError(`${wrong.what} ${wrong.index}: ${wrong.says}`);
  const made = Uint8Array.from(fresh);
  for (const { from, to } of blocks) made.set(own.subarray(from, to), from);
  for (const check of checks) writeCheck(made, check);
  return made;
}

function writeCheck(bytes: Uint8Array, { of, kind, at, order }: CheckField): void {
  const value = checkSum(kind, bytes.subarray(of.from, of.to));
  const count = CHECK_SUMS[kind].bytes;
  for (let i = 0; i < count; i++)
    bytes[at + (order === 'low-first' ? i : count - 1 - i)] = Math.floor(value / 256 ** i) % 256;
}

/** Whether a check sum that contents carry is what it is of. */
export function checkHolds(bytes: Uint8Array, check: CheckField): boolean {
  const expected = Uint8Array.from(bytes);
  writeCheck(expected, check);
  const { at, kind } = check;
  return expected.subarray(at, at + CHECK_SUMS[kind].bytes).every((byte, i) => byte === bytes[at + i]);
}
