import { createHash, getRandomValues } from 'node:crypto';
import { crc32 as zlibCrc32 } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { checkSum, fingerprintOf } from './checksums';
import { countDiffering, differing, judgeReads, mapOf } from './compare';
import { checkHolds, misfit, transferred, type CheckField } from './transfer';

const ascii = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
const NINE = ascii('123456789');
const random = (size: number): Uint8Array => getRandomValues(new Uint8Array(size));

describe('check sums', () => {
  // The check values of the catalogue of parametrised CRC algorithms for "123456789" (from memory).
  it('come to their check values over 123456789', () => {
    expect(checkSum('crc32', NINE)).toBe(0xcbf43926);
    expect(checkSum('crc16-ccitt', NINE)).toBe(0x29b1);
    expect(checkSum('sum16', NINE)).toBe(0x1dd);
    expect(checkSum('sum8', NINE)).toBe(0xdd);
    expect((checkSum('sum8', NINE) + checkSum('sum8-zero', NINE)) & 0xff).toBe(0);
  });

  it('agree with the libraries of the platform', () => {
    for (const size of [0, 1, 255, 4096]) {
      const bytes = random(size);
      expect(fingerprintOf(bytes).sha256).toBe(createHash('sha256').update(bytes).digest('hex'));
      if (typeof zlibCrc32 === 'function') expect(checkSum('crc32', bytes)).toBe(zlibCrc32(bytes));
    }
  });

  // FIPS 180-4, the example of one block: "abc".
  it('have the digest of FIPS 180-4 for abc', () => {
    expect(fingerprintOf(ascii('abc')).sha256).toBe(
      'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    );
  });
});

describe('two contents', () => {
  it('differ where a byte does, near ones as one range, and beyond the shorter one’s end', () => {
    const one = new Uint8Array(100);
    const other = Uint8Array.from(one);
    for (const at of [10, 14, 40]) other[at] = 1;
    expect(differing(one, other)).toEqual([
      { from: 10, to: 15 },
      { from: 40, to: 41 },
    ]);
    expect(countDiffering(one, other)).toBe(3);
    expect(differing(one, other.subarray(0, 60)).at(-1)).toEqual({ from: 60, to: 100 });
    expect(differing(one, one)).toEqual([]);
  });

  it('are drawn in stretches of one length, each telling whether anything in it differs', () => {
    const one = Uint8Array.from({ length: 1000 }, (_, i) => (i < 512 ? 0xff : i & 0x7f));
    const other = Uint8Array.from(one);
    other[900]! ^= 1;
    const { cell_bytes, cells } = mapOf(one, other, 64);
    expect(cell_bytes).toBe(16);
    expect(cells).toHaveLength(63);
    expect(cells.slice(0, 32).every((cell) => cell === 'blank')).toBe(true);
    expect(cells.map((cell, i) => (cell === 'differs' ? i : -1)).filter((i) => i >= 0)).toEqual([56]);
  });
});

describe('a part that is read twice (common practice)', () => {
  const bytes = random(2048);
  const changed = (change: (copy: Uint8Array) => void) => {
    const copy = Uint8Array.from(bytes);
    change(copy);
    return copy;
  };

  it('is read only where both are alike to the last byte', () => {
    expect(judgeReads(bytes, bytes).verdict).toBe('alike');
    expect(
      judgeReads(
        bytes,
        changed((c) => (c[7]! ^= 0x10)),
      ),
    ).toMatchObject({
      verdict: 'differ',
      differing_bytes: 1,
    });
  });

  it('tells one bad data pin from cells that are worn', () => {
    const pin = changed((c) => {
      for (let i = 0; i < 300; i += 7) c[i]! ^= 0x04;
    });
    expect(judgeReads(bytes, pin).says).toMatch(/bit 2.*one data pin/);
    expect(
      judgeReads(
        bytes,
        changed((c) => (c[3]! ^= 0x81)),
      ).says,
    ).toMatch(/worn cells/);
  });

  it('holds nothing where every byte is the same', () => {
    for (const value of [0, 0xff])
      expect(judgeReads(new Uint8Array(64).fill(value), new Uint8Array(64).fill(value)).verdict).toBe(
        'nothing-there',
      );
  });
});

describe('a board’s own block in new contents', () => {
  const check: CheckField = { of: { from: 0, to: 254 }, kind: 'sum16', at: 254, order: 'high-first' };

  it('is the old one’s to the byte, all else the new one’s, and the check sums hold again', () => {
    const [own, fresh] = [random(256), random(256)];
    const made = transferred(fresh, own, [{ name: 'number', from: 32, to: 48 }], [check]);
    expect(made.subarray(32, 48)).toEqual(own.subarray(32, 48));
    expect(made.subarray(48, 254)).toEqual(fresh.subarray(48, 254));
    expect(checkHolds(made, check)).toBe(true);
    expect(made[254]! * 256 + made[255]!).toBe(checkSum('sum16', made.subarray(0, 254)));
    // The source is not touched.
    expect(fresh).not.toBe(made);
  });

  it('computes one check after another: the outer one is of the inner one too', () => {
    const inner: CheckField = { of: { from: 0, to: 16 }, kind: 'crc16-ccitt', at: 16, order: 'low-first' };
    const outer: CheckField = { of: { from: 0, to: 252 }, kind: 'crc32', at: 252, order: 'low-first' };
    const made = transferred(random(256), random(256), [{ name: 'n', from: 0, to: 8 }], [inner, outer]);
    expect(checkHolds(made, inner)).toBe(true);
    expect(checkHolds(made, outer)).toBe(true);
    made[3]! ^= 1;
    expect(checkHolds(made, outer)).toBe(false);
  });

  it('is refused where it lies outside, or a check is of itself', () => {
    expect(misfit(256, [{ name: 'n', from: 250, to: 260 }], [])).toMatchObject({ what: 'block', index: 0 });
    expect(misfit(256, [{ name: 'n', from: 9, to: 9 }], [])?.says).toMatch(/before it begins/);
    expect(misfit(256, [], [{ ...check, at: 100 }])?.says).toMatch(/leave it out/);
    expect(misfit(256, [], [check])).toBeNull();
  });
});
