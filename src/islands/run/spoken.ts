import { leadOf } from '~/core/method/steps/step';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { seconds, secondsRange } from '~/ui/figures';

/** Whether this browser can speak at all. */
export const canSpeak = (): boolean =>
  typeof speechSynthesis !== 'undefined' && typeof SpeechSynthesisUtterance !== 'undefined';

/** A step as it is said aloud: what to do, the target, and every caution. */
export function spokenWords({ title, detail, dwell, cautions }: JobStep): string {
  const target = dwell
    ? ` ${dwell.setpoint_C} degrees. Expect ${spoken(secondsRange(...dwell.expect_s))}. Stop at ${spoken(seconds(dwell.stop_s))}.`
    : '';
  return [`${title}. ${leadOf(detail).lead}${target}`, ...cautions.map((c) => `Caution: ${c}`)].join(' ');
}

/** Signs that a voice would pass over. */
const spoken = (figure: string): string =>
  figure.replace('–', ' to ').replace(/ s$/, ' seconds').replace(/ min$/, ' minutes');

/** Says something instead of whatever was being said. */
export function speak(words: string): void {
  if (!canSpeak()) return;
  speechSynthesis.cancel();
  speechSynthesis.speak(new SpeechSynthesisUtterance(words));
}

export const hush = (): void => {
  if (canSpeak()) speechSynthesis.cancel();
};
