import { describe, expect, it } from 'vitest';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { canSpeak, speak, spokenWords } from './spoken';

const STEP = {
  id: 'heat-1',
  kind: 'heat',
  title: 'Heat pin 1',
  detail: 'Tip on pad and lead. Then wait.',
  cautions: ['Flux fume rises into the face.'],
  dwell: {
    setpoint_C: 340,
    expect_s: [1, 2.4],
    liftFrom_s: 1.5,
    holdAfterMelt_s: 2,
    stop_s: 4.6,
    ifNotMolten: '',
  },
} as unknown as JobStep;

describe('a step said aloud', () => {
  it('has what to do, the target in words that a voice can say, and every caution', () => {
    const words = spokenWords(STEP);
    expect(words).toMatch(/^Heat pin 1\. Tip on pad and lead/);
    expect(words).toContain('340 degrees. Expect 1.0 to 2.4 seconds. Stop at 4.6 seconds.');
    expect(words).toContain('Caution: Flux fume rises into the face.');
    expect(words).not.toContain('–');
  });

  it('is silent where the browser has no voice', () => {
    expect(canSpeak()).toBe(false);
    expect(() => speak('anything')).not.toThrow();
  });
});
