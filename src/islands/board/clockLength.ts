import { cure_s, cureLaw } from '~/core/drying/cure';
import { dryingUnder_s, WARM_AIR_K } from '~/core/drying/underBody';
import { EPOXY } from '~/core/materials/epoxy';
import { isSurface } from '~/core/packages/form';
import { kelvin } from '~/core/quantity/convert';
import { CLOCKS, type ClockKind } from '~/core/record/boardClock';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import { partOf } from '~/schema/exchange/si/part';

/** How long a clock is started for where nobody says otherwise; null where it has to be said. */
export interface LengthTold {
  readonly length_s: number | null;
  readonly because: string;
}

const ROOM_K = kelvin(23);
const CURE_OVEN_K = kelvin(60);

/** From what dries or cures, where it is and how warm it stands; else what is usual. */
export function clockLength(
  kind: ClockKind,
  site: Pick<SiteSheet, 'package'> | null,
  warm: boolean,
): LengthTold {
  const { usual_s, usually } = CLOCKS[kind];
  if (kind === 'cure')
    return {
      length_s: cure_s(cureLaw(EPOXY), warm ? CURE_OVEN_K : ROOM_K),
      because: 'two-part epoxy by its sheet’s usual points; its own sheet goes first',
    };
  const part = kind === 'solvent' && site ? partOf(site.package) : null;
  const under_s = part && isSurface(part) ? dryingUnder_s(part, warm ? WARM_AIR_K : ROOM_K) : 0;
  if (kind === 'solvent' && under_s > usual_s!)
    return { length_s: under_s, because: 'what lies beneath the body leaves it by its edges' };
  return { length_s: usual_s, because: usually };
}
