/** Units that drawings and lists are counted in, m; thousandths of an inch in lists alone. */
export const UNIT_m = { mm: 1e-3, in: 25.4e-3, mil: 25.4e-6 } as const;
export type FileUnit = keyof typeof UNIT_m;

/** How a file's numbers are read where a person says otherwise than it does; what is null is as the file has it. */
export interface Reading {
  readonly unit: FileUnit | null;
  /** Digits before and behind the point that is left out. */
  readonly digits: readonly [whole: number, decimals: number] | null;
  /** Which zeros are kept where a number is shorter than its digits. */
  readonly zeros: 'leading' | 'trailing' | null;
  /** Seen from the other side: x turned over. */
  readonly mirrored: boolean;
  /** Moved by this after all else, m. */
  readonly moved_m: readonly [x: number, y: number];
}

export const AS_WRITTEN: Reading = {
  unit: null,
  digits: null,
  zeros: null,
  mirrored: false,
  moved_m: [0, 0],
};

/** How a file's numbers were read, and which of it the file says itself. */
export interface Spelt {
  readonly unit: FileUnit;
  readonly unitSaid: boolean;
  readonly digits: readonly [whole: number, decimals: number];
  readonly digitsSaid: boolean;
  readonly zeros: 'leading' | 'trailing';
  readonly zerosSaid: boolean;
  /** Whether any number leaves its point out, so that digits and zeros matter. */
  readonly pointless: boolean;
}

/** A number without its point, in the file's unit. */
export function unpointed(
  raw: string,
  { digits: [whole, decimals], zeros }: Pick<Spelt, 'digits' | 'zeros'>,
): number {
  const sign = raw.startsWith('-') ? -1 : 1;
  const bare = raw.replace(/^[+-]/, '');
  // Leading zeros kept: what is missing is missing at the end.
  const filled = zeros === 'leading' ? bare.padEnd(whole + decimals, '0') : bare;
  return (sign * Number(filled)) / 10 ** decimals;
}

/** A place as it lies once a reading's turn and shift are done. */
export function laid(
  { mirrored, moved_m: [dx, dy] }: Reading,
  x_m: number,
  y_m: number,
): readonly [x_m: number, y_m: number] {
  return [(mirrored ? -x_m : x_m) + dx, y_m + dy];
}
