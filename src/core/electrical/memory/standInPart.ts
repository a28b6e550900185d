import { uniformStream } from '~/core/statistics/random';
import { BLANK } from './compare';
import { transferred, type CheckField, type OwnBlock } from './transfer';

/** What can be wrong when a part is read or written. */
export const PROGRAMMER_FAULTS = {
  none: 'nothing',
  'bad-contact': 'a contact of the socket is bad',
  'wrong-part': 'another part lies in the socket',
  'worn-cells': 'some cells of the part are worn',
} as const;
export type ProgrammerFault = keyof typeof PROGRAMMER_FAULTS;
export const PROGRAMMER_FAULT_IDS = Object.keys(PROGRAMMER_FAULTS) as [ProgrammerFault, ...ProgrammerFault[]];

/** Where the simulated contents have their board's own, and the check sums of themselves. */
export const STAND_IN_LAYOUT: {
  readonly block: OwnBlock;
  readonly check: (size_bytes: number) => CheckField;
} = {
  block: { name: 'number and calibration', from: 0x40, to: 0x60 },
  check: (size_bytes: number): CheckField => ({
    of: { from: 0, to: size_bytes - 2 },
    kind: 'sum16',
    at: size_bytes - 2,
    order: 'high-first',
  }),
};

/**
 * The contents of a simulated part: a head, the board's own, tables, blank space, and a check sum; the same for one name. A later
 * issue has other tables.
 */
export function standInContents(name: string, size_bytes: number, issue = 1): Uint8Array {
  const bytes = new Uint8Array(size_bytes).fill(BLANK);
  const shared = uniformStream(0x1ce);
  const own = uniformStream(seedOf(name));
  const used = Math.floor(size_bytes * 0.6);
  for (let at = 0; at < used; at++) bytes[at] = Math.floor(shared() * 256);
  if (issue > 1) {
    const newer = uniformStream(0x1ce + issue);
    for (let at = Math.floor(size_bytes * 0.2); at < Math.floor(size_bytes * 0.35); at++)
      bytes[at] = Math.floor(newer() * 256);
  }
  const { block } = STAND_IN_LAYOUT;
  const ids = Uint8Array.from(bytes);
  for (let at = block.from; at < block.to; at++) ids[at] = Math.floor(own() * 256);
  return transferred(bytes, ids, [block], [STAND_IN_LAYOUT.check(size_bytes)]);
}

const seedOf = (name: string): number =>
  Array.from(name).reduce((seed, c) => (seed * 31 + c.charCodeAt(0)) >>> 0, 7);

/** What a read of a part gives, with what is wrong; null where it does not answer as the part that was named. */
export function readPart(held: Uint8Array, fault: ProgrammerFault, random: () => number): Uint8Array | null {
  if (fault === 'wrong-part') return null;
  const read = Uint8Array.from(held);
  if (fault === 'bad-contact')
    for (let at = 0; at < read.length; at++) if (random() < FLICKER) read[at]! ^= 1 << BAD_BIT;
  if (fault === 'worn-cells') for (const at of wornCells(read.length)) read[at] = Math.floor(random() * 256);
  return read;
}

/** What a part holds after it was written. */
export function writtenPart(bytes: Uint8Array, fault: ProgrammerFault): Uint8Array {
  const held = Uint8Array.from(bytes);
  if (fault === 'worn-cells') for (const at of wornCells(held.length)) held[at] = BLANK;
  if (fault === 'bad-contact') for (let at = 0; at < held.length; at++) held[at]! |= 1 << BAD_BIT;
  return held;
}

/** Chance that a byte is read wrong through a bad contact, and the data pin it is at. */
const FLICKER = 0.05;
const BAD_BIT = 3;

const wornCells = (size_bytes: number): number[] =>
  [0.11, 0.37, 0.52].map((share) => Math.floor(share * size_bytes));
