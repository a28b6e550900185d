import { useEffect, useState } from 'react';
import type { Courses } from '~/core/method/courses';
import { getJson } from '~/ui/api';

/** What thermocouples are expected to read over a phase's heatings, once the planner has drawn it; null before, or where none looks. */
export function useCourses(jobId: string, phase: string | null, wanted: boolean): Courses | null {
  const [told, setTold] = useState<{ readonly of: string; readonly courses: Courses | null } | null>(null);
  const of = `${jobId} ${phase}`;
  useEffect(() => {
    if (!wanted || phase === null || told?.of === of) return;
    let gone = false;
    void getJson<Courses | null>(`/api/jobs/${jobId}/courses?phase=${phase}`).then(
      (courses) => !gone && setTold({ of, courses }),
      // Without it the run goes on as it did: nothing is foretold.
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [of, wanted, phase, jobId, told]);
  return told?.of === of ? told.courses : null;
}
