import { useStore } from '@nanostores/react';
import { useEffect } from 'react';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { $muted, $spoken } from '~/ui/preferences';
import { hush, speak, spokenWords } from './spoken';

/** Reads each step aloud as it comes, where that is wanted; what is said stands on the screen as well. */
export function useSpoken(step: JobStep | null): void {
  const wanted = useStore($spoken);
  const muted = useStore($muted);
  useEffect(() => {
    if (!wanted || muted || !step) return;
    speak(spokenWords(step));
    return hush;
    // A step is said once, however often its page is drawn.
  }, [wanted, muted, step?.id]);
}
