import type { Recognised } from '~/core/packages/recognise/recognise';
import type { OtherFit } from '~/schema/exchange/otherFit';
import type { NewSite } from '~/schema/records/site/site';
import type { AnyPackageInput } from '~/schema/values/package';
import type { NetlistPart } from '~/formats/netlist/netlistParts';
import { inputOf } from './packageInput';
import { placeInRecord, placeOf } from './sitePlace';

/** Fits that change nothing but the family, as most do: one for all parts of a kind. */
const inPlace = new WeakMap<AnyPackageInput, OtherFit>();

/** A part as another family or size that fits its lands; most change nothing but that. */
export function otherFit(
  part: NetlistPart,
  taken: Recognised,
  other: Recognised,
  site: NewSite,
  shift_m: readonly [number, number],
): OtherFit {
  const ownOf = new Map([...taken.padOf].map(([own, pad]) => [pad, own]));
  const at = placeInRecord(placeOf(part, other, site.side, shift_m));
  const renamed = [...other.padOf].flatMap(([own, pad]): [string, string][] => {
    const its = ownOf.get(pad) ?? own;
    return its === own ? [] : [[own, its]];
  });
  const stays = at.x_mm === site.x_mm && at.y_mm === site.y_mm && at.rotation_deg === site.rotation_deg;
  const input = inputOf(other.part);
  if (!stays || renamed.length > 0) return { package: input, ...at, padOf: Object.fromEntries(renamed) };
  const known = inPlace.get(input) ?? { package: input, padOf: {} };
  inPlace.set(input, known);
  return known;
}
