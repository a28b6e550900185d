import type { PadExposure, SharedLife } from '~/core/record/heatLife';
import { HeatStrip, type Exposure } from '~/ui/strip/HeatStrip';
import { day } from '~/ui/dates';

/** A recorded exposure as the strip draws it. */
export const stripExposure = (e: PadExposure, besideWorst = false): Exposure => ({
  label: `${day(e.at_ms)}, ${e.duration_s.toFixed(1)} s${e.sharedFrom ? ', from a neighbour' : ''}`,
  dose: e.dose,
  peak_C: e.peak_C,
  beside: besideWorst,
});

/** The heat of a whole site or board on one line: its most spent pad's budget, and every other touch beside it. */
export function SiteHeat({
  label,
  life,
  nameOf,
}: {
  readonly label: string;
  readonly life: SharedLife | null;
  readonly nameOf: (padId: string) => string;
}) {
  if (!life) return <p className="quiet">No heat recorded.</p>;
  return (
    <HeatStrip
      label={label}
      of={`${nameOf(life.worstPadId)}, the most spent of ${life.heated} heated`}
      exposures={life.exposures.map((e) => stripExposure(e, e.padId !== life.worstPadId))}
    />
  );
}
