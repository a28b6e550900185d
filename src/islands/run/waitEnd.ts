import type { RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import type { RailLine } from '~/schema/sheets/rail';

/**
 * When the wait of a job's step ends: as its board's clock has it, which may have been given longer, else as planned from when
 * the step was come to, where the server has not been heard of it yet.
 */
export function waitEnd_ms(
  lines: readonly RailLine[],
  jobId: string,
  step: Pick<JobStep, 'id' | 'wait_s'>,
  at: Pick<RunState, 'stepStart_ms'>,
): number {
  const own = lines.find((line) => line.jobId === jobId && line.stepId === step.id)?.clock;
  return own?.kind === 'wait' ? own.due_ms : at.stepStart_ms + (step.wait_s ?? 0) * 1000;
}
