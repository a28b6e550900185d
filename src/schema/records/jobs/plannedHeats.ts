import type { PlannedHeat } from '~/core/record/planned';
import type { JobPlan } from './jobPlan';

/** Every heating that a stored plan asked for, with what it promised. */
export function plannedHeatsOf(plan: JobPlan): PlannedHeat[] {
  const { phases } = plan;
  return plan.steps.flatMap((step) => {
    if (step.kind !== 'heat' || !step.dwell || step.pad === null) return [];
    const { dwell } = step;
    const phase = phases.find((p) => p.phase === step.phase) ?? phases[0]!;
    const worst = phase.pins.reduce((a, b) => ((b.padDose.p90 ?? 0) > (a.padDose.p90 ?? 0) ? b : a));
    return (step.inTurn.length > 0 ? step.inTurn : [step.pad]).map((pad) => {
      const own = phase.pins.find((p) => p.pad === pad);
      return {
        stepId: step.id,
        pad,
        melt_s: { p10: dwell.expect_s[0], p90: dwell.expect_s[1] },
        stop_s: dwell.stop_s,
        padDose: (own ?? worst).padDose,
      };
    });
  });
}
