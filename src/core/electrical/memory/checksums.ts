import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import crc32 from 'crc-32';

/** Check sums that memories carry of themselves, with how many bytes each takes. */
export const CHECK_SUMS = {
  sum8: { name: 'sum of bytes, 8 bit', bytes: 1 },
  'sum8-zero': { name: 'sum of bytes made zero, 8 bit', bytes: 1 },
  sum16: { name: 'sum of bytes, 16 bit', bytes: 2 },
  'crc16-ccitt': { name: 'CRC-16, CCITT', bytes: 2 },
  crc32: { name: 'CRC-32', bytes: 4 },
} as const satisfies Record<string, { readonly name: string; readonly bytes: number }>;
export type CheckSumId = keyof typeof CHECK_SUMS;
export const CHECK_SUM_IDS = Object.keys(CHECK_SUMS) as [CheckSumId, ...CheckSumId[]];

const sumOf = (bytes: Uint8Array, mask: number): number =>
  bytes.reduce((sum, byte) => (sum + byte) & mask, 0);

/** CRC-16 of CCITT: polynomial 0x1021, begun at 0xFFFF, neither turned nor inverted (ITU-T V.41 with that beginning). */
function crc16Of(bytes: Uint8Array): number {
  let crc = 0xffff;
  for (const byte of bytes) {
    crc ^= byte << 8;
    for (let bit = 0; bit < 8; bit++)
      crc = crc & 0x8000 ? ((crc << 1) ^ 0x1021) & 0xffff : (crc << 1) & 0xffff;
  }
  return crc;
}

/** A check sum of some bytes, as an unsigned number. */
export function checkSum(of: CheckSumId, bytes: Uint8Array): number {
  switch (of) {
    case 'sum8':
      return sumOf(bytes, 0xff);
    case 'sum8-zero':
      return -sumOf(bytes, 0xff) & 0xff;
    case 'sum16':
      return sumOf(bytes, 0xffff);
    case 'crc16-ccitt':
      return crc16Of(bytes);
    case 'crc32':
      return crc32.buf(bytes) >>> 0;
  }
}

/** What contents are known by. */
export interface Fingerprint {
  readonly size_bytes: number;
  /** Upper case, without a prefix. */
  readonly crc32: string;
  readonly sum16: string;
  readonly sha256: string;
}

export const fingerprintOf = (bytes: Uint8Array): Fingerprint => ({
  size_bytes: bytes.length,
  crc32: hex(checkSum('crc32', bytes), 8),
  sum16: hex(checkSum('sum16', bytes), 4),
  sha256: bytesToHex(sha256(bytes)),
});

/** A number as so many hexadecimal figures, upper case. */
export const hex = (value: number, figures: number): string =>
  value.toString(16).toUpperCase().padStart(figures, '0');
