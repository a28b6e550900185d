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

/** Touches of the most spent pad, and every other beside it; pads that were heated together, as under air, are one. */
function stripOf({ exposures, worstPadId }: SharedLife): Exposure[] {
  const together = new Map<string, PadExposure[]>();
  for (const e of exposures) {
    const key = e.padId === worstPadId ? `own ${together.size}` : `${e.at_ms} ${e.duration_s}`;
    const others = together.get(key);
    if (others) others.push(e);
    else together.set(key, [e]);
  }
  return [...together.values()].map((pads) => {
    const [first] = pads;
    const one = stripExposure(first!, first!.padId !== worstPadId);
    if (pads.length === 1) return one;
    return {
      ...one,
      label: `${one.label}, ${pads.length} pads together, the most of any`,
      dose: Math.max(...pads.map(({ dose }) => dose)),
      peak_C: Math.max(...pads.map(({ peak_C }) => peak_C)),
    };
  });
}

/** The heat of a whole site or board on one line: its most spent pad's budget, and every other touch beside it. */
export function SiteHeat({
  label,
  life,
  nameOf,
  hurt = [],
}: {
  readonly label: string;
  readonly life: SharedLife | null;
  readonly nameOf: (padId: string) => string;
  /** Pads whose lands were found damaged, as they are called. */
  readonly hurt?: readonly string[];
}) {
  if (!life) return <p className="quiet">No heat recorded.</p>;
  return (
    <HeatStrip
      label={label}
      of={`${nameOf(life.worstPadId)}, the most spent of ${life.heated} heated`}
      doubt={
        hurt.length > 0 ? `${hurt.join(', ')} damaged: no estimate holds for what is left there` : undefined
      }
      exposures={stripOf(life)}
    />
  );
}
