import type { Reading, Spelt } from '~/formats/reading';
import type { Content } from '../collected';

/** Another way to read a file's numbers, and what it is called. */
export interface Alternative {
  readonly reading: Reading;
  readonly label: string;
}

/** Digits that programs write (common practice). */
const DIGITS: readonly (readonly [number, number])[] = [
  [2, 3], [2, 4], [2, 5], [3, 2], [3, 3], [3, 4], [4, 2], [4, 4], [4, 5], [4, 6], [5, 5],
]; // prettier-ignore
const WORDS = { mm: 'millimetres', in: 'inches', mil: 'thousandths of an inch' } as const;

/** Other readings of one file's numbers: unit first, then digits and zeros where points are left out; two of them at once last. */
export function alternativesOf(content: Content, now: Reading): Alternative[] {
  switch (content.kind) {
    case 'netlist': {
      const { unit } = content.netlist;
      return (['mm', 'in'] as const)
        .filter((other) => other !== unit)
        .map((other) => ({
          reading: { ...now, unit: other },
          label: other === 'mm' ? 'thousandths of a millimetre' : 'ten-thousandths of an inch',
        }));
    }
    case 'table':
      return (['mm', 'in', 'mil'] as const)
        .filter((unit) => unit !== content.placement.unit)
        .map((unit) => ({ reading: { ...now, unit }, label: WORDS[unit] }));
    // It says its units and is one drawing: nothing of it is read otherwise.
    case 'exchange':
      return [];
    case 'artwork':
      return numbers(content.artwork.spelt, now);
    case 'drill':
      return numbers(content.drilling.spelt, now);
  }
}

function numbers(spelt: Spelt, now: Reading): Alternative[] {
  const unit = spelt.unit === 'mm' ? 'in' : 'mm';
  // What else was read stays as it was: another unit does not bring other digits along.
  const kept = { ...now, digits: spelt.digits, zeros: spelt.zeros };
  const found: Alternative[] = [{ reading: { ...kept, unit }, label: WORDS[unit] }];
  if (!spelt.pointless) return found;
  const zeros = spelt.zeros === 'leading' ? 'trailing' : 'leading';
  const others = DIGITS.filter(
    ([whole, decimals]) => whole !== spelt.digits[0] || decimals !== spelt.digits[1],
  );
  const spell = ([whole, decimals]: readonly [number, number]): string => `${whole}.${decimals} digits`;
  // Where trailing zeros are kept digits before the point tell nothing: one of each count behind it is enough.
  const unlike = spelt.zeros === 'trailing' ? onePerDecimals(others, spelt.digits[1]) : others;
  for (const digits of unlike)
    found.push({ reading: { ...kept, unit: spelt.unit, digits }, label: spell(digits) });
  found.push({ reading: { ...kept, unit: spelt.unit, zeros }, label: `${zeros} zeros kept` });
  for (const digits of unlike)
    found.push({ reading: { ...kept, unit, digits }, label: `${WORDS[unit]}, ${spell(digits)}` });
  for (const digits of DIGITS)
    found.push({
      reading: { ...kept, unit: spelt.unit, digits, zeros },
      label: `${zeros} zeros kept, ${spell(digits)}`,
    });
  return found;
}

function onePerDecimals(list: typeof DIGITS, known: number): typeof DIGITS {
  const seen = new Set([known]);
  return list.filter(([, decimals]) => !seen.has(decimals) && seen.add(decimals));
}
