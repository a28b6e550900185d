const SCALE: Readonly<Record<string, number>> = { '': 1, r: 1, m: 1e-3, k: 1e3, K: 1e3, M: 1e6, G: 1e9 };

/** What a meter shows when nothing conducts, as people write it. */
const OPEN = /^(ol|0l|o\.?l\.?|open|inf|infinite|∞|>.*)$/i;

/**
 * A resistance as people write it or a meter shows it, Ω: "0.2", "0,2 Ω", "0R2", "4k7", "120 mΩ", "3M3";
 * "OL" or "open" is Infinity. Null where it is none of these.
 */
export function resistanceOf_Ohm(text: string): number | null {
  const given = text
    .trim()
    .replace(/\s*(ohms?|Ω|Ω)$/i, '')
    .replace(/\s+/g, '');
  if (given === '') return null;
  if (OPEN.test(given)) return Infinity;
  const infix = /^(\d+)([rRkKMGm])(\d+)$/.exec(given);
  if (infix) return Number(`${infix[1]}.${infix[3]}`) * SCALE[infix[2] === 'R' ? 'r' : infix[2]!]!;
  const plain = /^(\d+(?:[.,]\d*)?|[.,]\d+)([rRkKMGm]?)$/.exec(given);
  if (!plain) return null;
  return Number(plain[1]!.replace(',', '.')) * SCALE[plain[2] === 'R' ? 'r' : plain[2]!]!;
}
