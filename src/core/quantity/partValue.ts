import { eia96_Ohm, figures, ringsOf, TOLERANCE_LETTERS, voltageByCode } from './partCodes';
import { PREFIX_SIGNS, scaled, WRITTEN } from './prefix';

/** What a value is of: it decides what bare figures mean. */
export type ValueOf = 'capacitance' | 'resistance' | 'inductance';

/** Where figures stand: on a part or in its list, where three of them may be a code, or on a meter, where they never are. */
export type WrittenOn = 'part' | 'meter';

/** A part's value as it is written on it or beside it, SI. */
export interface PartValue {
  readonly value: number;
  /** Shares down and up; null where nothing says. */
  readonly tolerance: readonly [down: number, up: number] | null;
  readonly rating_V: number | null;
}

const UNIT: Readonly<
  Record<ValueOf, { readonly sign: string; readonly words: RegExp; readonly bare: number }>
> = {
  capacitance: { sign: 'F', words: /^(f|farad)$/i, bare: -12 },
  resistance: { sign: 'Ω', words: /^(r|ohms?|Ω|Ω)$/i, bare: 0 },
  // Figures on small inductors are microhenries (IEC 60062 and common practice).
  inductance: { sign: 'H', words: /^(h|henry)$/i, bare: -6 },
};

/**
 * A value as people write it: "104", "4n7", "2R2", "0.1uF", "22 µ 16 V", "1M5", "47 µF ±20 %", "4702", "01C", "104 J",
 * "yellow violet red gold". Three or four figures alone are a code; but on a resistor those that end in 0 are what they say, as
 * people write 470 for 470 Ω (and 471 is the same in code). What a meter reads is never a code, and capacitances and inductances
 * need their sign there. Null where it is none of these.
 */
export function partValueOf(text: string, of: ValueOf, on: WrittenOn = 'part'): PartValue | null {
  const given = text.trim();
  if (of === 'resistance' && on === 'part') {
    const rings = ringsOf(given.toLowerCase().split(/[\s,-]+/));
    if (rings) return { value: rings.value, tolerance: [rings.tolerance, rings.tolerance], rating_V: null };
  }
  let rest = given;
  let tolerance: PartValue['tolerance'] = null;
  let rating_V: number | null = null;
  const share = /±?\s*(\d+(?:[.,]\d+)?)\s*%/.exec(rest);
  if (share) {
    const t = Number(share[1]!.replace(',', '.')) / 100;
    tolerance = [t, t];
    rest = rest.replace(share[0], ' ');
  }
  const volts = /(^|[\s/,x-])(\d+(?:[.,]\d+)?)\s*(k?)V(?:AC|DC|~)?(?=$|[\s/,])/i.exec(rest);
  if (volts) {
    rating_V = Number(volts[2]!.replace(',', '.')) * (volts[3] ? 1000 : 1);
    rest = rest.replace(volts[0], ' ');
  }
  const [first, ...marks] = rest
    .trim()
    .replace(/(\d)\s+([pnuµμmkKMGrRΩΩFH])/u, '$1$2')
    .split(/[\s/]+/);
  if (!first) return null;
  const core = coreOf(first, of, on);
  if (!core) return null;
  for (const mark of [core.letter, ...marks]) {
    if (mark === null || mark === '') continue;
    if (tolerance === null && TOLERANCE_LETTERS[mark]) tolerance = TOLERANCE_LETTERS[mark];
    else if (rating_V === null && voltageByCode(mark) !== null) rating_V = voltageByCode(mark);
    else return null;
  }
  return { value: core.value, tolerance, rating_V };
}

const SIGN = `[${PREFIX_SIGNS}rRΩΩ]`;

/** The value itself, and a letter of tolerance that stands right behind it. */
function coreOf(
  text: string,
  of: ValueOf,
  on: WrittenOn,
): { readonly value: number; readonly letter: string | null } | null {
  const unit = UNIT[of];
  const bare = /^(.*?)(F|H|ohms?|Ω|Ω|farad|henry)?$/i.exec(text)!;
  // A tolerance of one per cent and a farad are the same letter: after a sign or figures with a point it is the unit.
  const infix = new RegExp(`^(\\d*)(${SIGN}|F|H)(\\d+)([A-Z])?$`, 'u').exec(text);
  if (infix && (infix[1] !== '' || infix[3] !== ''))
    return { value: scaled(`${infix[1] || '0'}.${infix[3]!}`, asSign(infix[2]!)), letter: infix[4] ?? null };
  const coded = on === 'part';
  const eia = coded && of === 'resistance' ? eia96_Ohm(text) : null;
  if (eia !== null) return { value: eia, letter: null };
  const code = coded ? /^(\d{3,4})([A-Z])?$/.exec(text) : null;
  // Behind figures K and M are thousands and millions on a resistor, and tolerances on what has none so large.
  const plainly = of === 'resistance' && /0$|[RKMG]$/.test(text);
  if (code && !plainly) {
    const value = figures(code[1]!);
    if (value !== null) return { value: Number(`${value}e${unit.bare}`), letter: code[2] ?? null };
  }
  const plain = new RegExp(`^(\\d+(?:[.,]\\d*)?|[.,]\\d+)(${SIGN})?$`, 'u').exec(bare[1]!);
  if (!plain || (bare[2] && !unit.words.test(bare[2]))) return null;
  const sign = plain[2] ?? '';
  // Figures without any sign are picofarads on a capacitor, ohms on a resistor; on a meter only ohms go without.
  if (sign === '' && !bare[2] && !coded && of !== 'resistance') return null;
  if (sign === '' && !bare[2])
    return { value: Number(`${plain[1]!.replace(',', '.')}e${unit.bare}`), letter: null };
  return { value: scaled(plain[1]!, asSign(sign)), letter: null };
}

const asSign = (sign: string): string => (/^[rRΩΩFH]$/u.test(sign) ? '' : sign);

/** Nobody says millifarad: a capacitor has microfarads up to a tenth of a farad. */
const writtenIn = (value: number, of: ValueOf): (typeof WRITTEN)[number] =>
  WRITTEN.find(
    ([power]) =>
      Math.abs(value) >= 10 ** power * (1 - 1e-9) &&
      !(of === 'capacitance' && power === -3 && Math.abs(value) < 0.1),
  ) ?? WRITTEN.at(-1)!;

/** A value as it is read at a bench: 4.7e-9 F is "4.7 nF", 0.22 Ω is "220 mΩ". */
export function valueInWords(value: number, of: ValueOf, digits = 4): string {
  const { sign } = UNIT[of];
  if (value === 0) return `0 ${sign}`;
  const [power, prefix] = writtenIn(value, of);
  return `${Number((value / 10 ** power).toPrecision(digits))} ${prefix}${sign}`;
}

/** The same without blanks and with its sign for the point, as it stands on parts: 4.7e-9 F is "4n7", 2.2 Ω "2R2". */
export function valueInfix(value: number, of: ValueOf): string {
  const [power, prefix] = writtenIn(value, of);
  const mark = prefix === '' ? (of === 'resistance' ? 'R' : UNIT[of].sign) : prefix;
  const [whole, fraction] = String(Number((value / 10 ** power).toPrecision(4))).split('.');
  return `${whole}${mark}${fraction ?? ''}`;
}
