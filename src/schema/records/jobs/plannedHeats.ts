import type { PlannedHeat } from '~/core/record/planned';
import type { JobPlan } from './jobPlan';

/** Every heating that a stored plan asked for, with what it promised. */
export function plannedHeatsOf(plan: JobPlan): PlannedHeat[] {
  const { phases } = plan;
  return plan.steps.flatMap((step) => {
    if (step.kind !== 'heat' || !step.dwell || step.pad === null) return [];
    const phase = phases.find((p) => p.phase === step.phase) ?? phases[0]!;
    const own = phase.pins.find((p) => p.pad === step.pad);
    const worst = phase.pins.reduce((a, b) => ((b.padDose.p90 ?? 0) > (a.padDose.p90 ?? 0) ? b : a));
    return [
      {
        stepId: step.id,
        pad: step.pad,
        melt_s: { p10: step.dwell.expect_s[0], p90: step.dwell.expect_s[1] },
        stop_s: step.dwell.stop_s,
        padDose: (own ?? worst).padDose,
      },
    ];
  });
}
