import type { RunStep } from '~/core/record/runState';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { OUTCOME_WORDS } from '~/schema/words/words';
import { seconds } from '~/ui/figures';

const padWords = (pad: string): string => (pad === 'all' ? 'all joints' : `pin ${pad}`);

/** What a press said, in a few words. */
export function entryWords(
  event: WritableEvent,
  steps: readonly (Pick<RunStep, 'id'> & { readonly title: string })[],
): string {
  const title = (stepId: string): string => steps.find(({ id }) => id === stepId)?.title ?? stepId;
  switch (event.kind) {
    case 'step-done':
      return `Done: ${title(event.stepId)}`;
    case 'step-back':
      return `Back to: ${title(event.stepId)}`;
    case 'heat-on':
      return `Heat on ${padWords(event.pad)}`;
    case 'melted':
      return `Molten at ${seconds(event.elapsed_s)}, ${padWords(event.pad)}`;
    case 'heat-off':
      return `Off after ${seconds(event.elapsed_s)}, ${padWords(event.pad)}`;
    case 'note':
      return `Note: ${event.text}`;
    case 'correction':
      return `Corrected to ${seconds(event.elapsed_s)}: ${event.reason}`;
    case 'taken-back':
      return `Was not so: ${event.reason}`;
    case 'resumed':
      return 'Gone on with';
    case 'closed':
      return `Closed: ${OUTCOME_WORDS[event.outcome]}`;
  }
}
