import { PLAN } from '~/core/method/settings';
import type { Dwell } from './runState';

/** What a plan said of one heating. */
export interface PlannedHeat {
  readonly stepId: string;
  readonly pad: string;
  readonly melt_s: { readonly p10: number | null; readonly p90: number | null };
  readonly stop_s: number;
  readonly padDose: { readonly p50: number | null; readonly p90: number | null };
}

type MeltVerdict = 'as planned' | 'sooner' | 'later' | 'not seen' | 'not done';

/** One heating beside its plan. A step tried more than once has a line for each try. */
export interface HeatCompared {
  readonly planned: PlannedHeat;
  readonly dwell: Dwell | null;
  readonly melt: MeltVerdict;
  /** Off after its stop although the melt had not been seen. */
  readonly pastStop: boolean;
  readonly doseOverP90: boolean;
}

/** Every heating of a plan with what was done, in the plan's order. */
export function compareHeats(planned: readonly PlannedHeat[], dwells: readonly Dwell[]): HeatCompared[] {
  return planned.flatMap((heat) => {
    const tries = dwells.filter((d) => d.stepId === heat.stepId && d.pad === heat.pad);
    return (tries.length > 0 ? tries : [null]).map((dwell) => ({
      planned: heat,
      dwell,
      melt: meltVerdict(heat, dwell),
      pastStop:
        dwell !== null && dwell.melted_s === null && dwell.off_s !== null && dwell.off_s > heat.stop_s,
      doseOverP90: heat.padDose.p90 !== null && (dwell?.exposure?.padDose ?? 0) > heat.padDose.p90,
    }));
  });
}

function meltVerdict({ melt_s }: PlannedHeat, dwell: Dwell | null): MeltVerdict {
  if (!dwell) return 'not done';
  if (dwell.melted_s === null) return 'not seen';
  if (melt_s.p10 !== null && dwell.melted_s < melt_s.p10) return 'sooner';
  // A key comes after what the eye saw: a melt is late only past what the hand took to say so.
  return melt_s.p90 !== null && dwell.melted_s - PLAN.reaction_s > melt_s.p90 ? 'later' : 'as planned';
}
