import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { isSurface } from '~/core/packages/form';
import { bismuthMeetsLead } from '~/core/solder/bismuth';
import type { Supply } from './bench';
import type { PlanRequest } from './request';

/** Which solders of the stock a job is done with, and which meet in its joints. */

type Asked = Pick<PlanRequest, 'supplies' | 'site'>;
export type Wire = Extract<Supply, { kind: 'wire' }>;

export const USUAL_WIRE_m = 0.8e-3;

/**
 * The wire of the joint's own alloy whose diameter comes nearest to what the land wants; else any that does not bring
 * bismuth and lead together, else any.
 */
export function wireOf({ supplies, site }: Asked): Wire | null {
  const wires = supplies.filter((s): s is Wire => s.kind === 'wire');
  const wanted_m = isSurface(site.part) ? 0.5e-3 : USUAL_WIRE_m;
  const near = (list: readonly Wire[]): Wire | null =>
    list.reduce<Wire | null>(
      (a, b) => (a && Math.abs(a.diameter_m - wanted_m) <= Math.abs(b.diameter_m - wanted_m) ? a : b),
      null,
    );
  return (
    near(wires.filter((w) => w.alloy === site.alloy)) ??
    near(wires.filter((w) => !bismuthMeetsLead([w.alloy, site.alloy]))) ??
    near(wires)
  );
}

/** A leaded wire of the stock, the thickest: it is fed by the bead; null where there is none. */
export const leadedWireOf = ({ supplies }: Pick<PlanRequest, 'supplies'>): Wire | null =>
  supplies
    .filter((s): s is Wire => s.kind === 'wire' && ALLOYS[s.alloy].leaded)
    .reduce<Wire | null>((a, b) => (a && a.diameter_m >= b.diameter_m ? a : b), null);

/** The low-melt alloy at hand, or the usual one where none is. */
export const lowMeltOf = ({ supplies }: Pick<PlanRequest, 'supplies'>): AlloyId =>
  supplies.flatMap((s) => (s.kind === 'low-melt' ? [s.alloy] : []))[0] ?? 'in51bi33sn16';

/** Whether the wire that would be fed to these joints brings bismuth and lead together. */
export const wireSpoils = (asked: Asked): boolean => {
  const wire = wireOf(asked);
  return wire !== null && bismuthMeetsLead([asked.site.alloy, wire.alloy]);
};

/** The same of all solder that meets here, low-melt alloy that was left on the lands with it. */
export const spoilsHere = (asked: Asked): boolean => {
  const wire = wireOf(asked);
  return bismuthMeetsLead([
    asked.site.alloy,
    ...(wire ? [wire.alloy] : []),
    ...(asked.site.lowMeltLeft === true ? [lowMeltOf(asked)] : []),
  ]);
};
