import { partValueOf } from '~/core/quantity/partValue';
import type { PartInput } from '~/schema/exchange/parts/part';
import { isSurfaceInput } from '~/schema/exchange/si/part';
import type { SiteWithPads } from '~/server/store/repositories/sites';

/** Families whose parts are capacitors when they are written in farads, and how they are made. */
const MAKES: Partial<Record<SiteWithPads['package']['family'], PartInput['technology']>> = {
  radial: 'aluminium',
  canElectrolytic: 'aluminium',
};

/**
 * What stood on a site, as far as its value tells: a value in farads is a capacitor's, one in ohms a resistor's, a diode's or a
 * transistor's is its marking; null where none of it tells. Its pitch is the holes'.
 */
export function originalOf({
  value,
  package: form,
  ref,
}: Pick<SiteWithPads, 'value' | 'package' | 'ref'>): PartInput | null {
  const mounting = isSurfaceInput(form) ? ('surface' as const) : ('through-hole' as const);
  const place = {
    mounting,
    ...(mounting === 'through-hole' && 'pitch_mm' in form && form.pitch_mm !== undefined
      ? { case: { pitch_mm: form.pitch_mm } }
      : {}),
  };
  const plain = value.replace(SAFETY, '').trim();
  const farads = /^C/i.test(ref) || /f\b|[µnp]\d*$/i.test(plain) ? partValueOf(plain, 'capacitance') : null;
  if (farads)
    return {
      kind: 'capacitor',
      ...(MAKES[form.family] ? { technology: MAKES[form.family] } : {}),
      value: plain,
      ...safetyOf(value),
      ...(farads.rating_V === null ? {} : { rating_V: farads.rating_V }),
      ...place,
    };
  if (/^R/i.test(ref) && partValueOf(value, 'resistance'))
    return { kind: 'resistor', technology: 'metal-film', value, ...place };
  if (/^L/i.test(ref) && partValueOf(value, 'inductance')) return { kind: 'inductor', value, ...place };
  const letters = /^[A-Z]+(?=\d)/i.exec(ref)?.[0].toUpperCase() ?? '';
  const named = NAMED.find((kind) => DESIGNATORS[kind]?.includes(letters));
  return named && value.trim() !== '' ? { kind: named, marking: value.trim().slice(0, 60), ...place } : null;
}

/** The safety class of a capacitor as it is written behind its value (IEC 60384-14). */
const SAFETY = /\b([XY][12])\b/i;

const safetyOf = (value: string): Pick<PartInput, 'safetyClass' | 'technology'> => {
  const found = SAFETY.exec(value)?.[1]?.toUpperCase() as NonNullable<PartInput['safetyClass']> | undefined;
  return found
    ? { safetyClass: found, ...(found.startsWith('X') ? { technology: 'film' as const } : {}) }
    : {};
};

/** Letters of references by the kind of part (IEC 60617 and common practice). */
export const DESIGNATORS: Partial<Record<PartInput['kind'], readonly string[]>> = {
  capacitor: ['C'],
  resistor: ['R'],
  inductor: ['L'],
  diode: ['D', 'CR', 'ZD'],
  transistor: ['Q', 'T', 'TR'],
  fuse: ['F', 'FS'],
  crystal: ['X', 'Y', 'XT'],
};

/** Kinds that are told by what is printed on them. */
const NAMED = ['diode', 'transistor', 'fuse', 'crystal'] as const;
