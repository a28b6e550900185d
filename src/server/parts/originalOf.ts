import { partValueOf } from '~/core/quantity/partValue';
import type { PartInput } from '~/schema/exchange/parts/part';
import type { SiteWithPads } from '~/server/store/repositories/sites';

/** Families whose parts are capacitors when they are written in farads, and how they are made. */
const MAKES: Partial<Record<SiteWithPads['package']['family'], PartInput['technology']>> = {
  radial: 'aluminium',
  canElectrolytic: 'aluminium',
};

/**
 * What stood on a site, as far as its value tells: a value in farads is a capacitor's, one in ohms a resistor's; null where it
 * is neither. Its pitch is the holes'.
 */
export function originalOf({
  value,
  package: form,
  ref,
}: Pick<SiteWithPads, 'value' | 'package' | 'ref'>): PartInput | null {
  const pitch =
    'pitch_mm' in form && form.pitch_mm !== undefined ? { case: { pitch_mm: form.pitch_mm } } : {};
  const farads = /^C/i.test(ref) || /f\b|[µnp]\d*$/i.test(value) ? partValueOf(value, 'capacitance') : null;
  if (farads)
    return {
      kind: 'capacitor',
      ...(MAKES[form.family] ? { technology: MAKES[form.family] } : {}),
      value,
      ...(farads.rating_V === null ? {} : { rating_V: farads.rating_V }),
      ...pitch,
    };
  if (/^R/i.test(ref) && partValueOf(value, 'resistance'))
    return { kind: 'resistor', technology: 'metal-film', value, ...pitch };
  if (/^L/i.test(ref) && partValueOf(value, 'inductance')) return { kind: 'inductor', value };
  return null;
}
