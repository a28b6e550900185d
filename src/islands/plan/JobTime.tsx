import { jobTimes, spreadOfJob, type Pace } from '~/core/method/pace';
import type { FoundAnswer, StepAnswer } from '~/schema/exchange/plan/planAnswer';
import { minutesText } from '~/ui/figures';

/** How long a job takes from its first press to its last, and whose hands that was reckoned with. */
export function JobTime({
  steps,
  times: { pace, ...ways },
}: {
  readonly steps: readonly StepAnswer[];
  readonly times: NonNullable<FoundAnswer['times']>;
}) {
  const all = spreadOfJob(jobTimes(steps, ways, pace), 'whole');
  const [p10, p50, p90] = [all.p10, all.p50, all.p90].map((time_s) => minutesText(time_s / 60));
  return (
    <p className="quiet">
      About {p50} in all, {p10} to {p90}, with soaks, cooling and drying. {paceWords(pace)}
    </p>
  );
}

/** "Hands are reckoned to take 1.40 times what the figures say, 92 % of it from your 12 jobs and 40 of others; …". */
function paceWords({ ratio, share, own, others, way }: Pace): string {
  const jobs = [
    own > 0 ? `your ${own} job${own === 1 ? '' : 's'}` : '',
    others > 0 ? `${others} of others` : '',
  ].filter((line) => line !== '');
  if (jobs.length === 0) return 'Hands by the figures alone: no job here was timed yet.';
  const took =
    way.jobs > 0
      ? `; this way takes ${way.ratio.toFixed(2)} times as long as others do, by ${way.jobs} done so`
      : '';
  return `Hands are reckoned to take ${ratio.toFixed(2)} times what the figures say, ${Math.round(100 * share)} % of it from ${jobs.join(' and ')}${took}.`;
}
