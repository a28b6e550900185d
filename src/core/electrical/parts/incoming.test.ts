import { describe, expect, it } from 'vitest';
import { incomingPlan, incomingStands, suspicionsOf, type IncomingReading } from './incoming';

const read = (verdict: IncomingReading['verdict'], ofPrinted: number | null = 1): IncomingReading => ({
  verdict,
  ofPrinted,
});

describe('an incoming test', () => {
  it('reads more of what nobody knows the source of, and all of a handful', () => {
    expect(incomingPlan(200, 'unknown').n).toBeGreaterThan(incomingPlan(200, 'new').n);
    expect(incomingPlan(5, 'new').n).toBe(5);
  });

  it('releases once all that were asked read good, and rejects at the first dead one too many', () => {
    const plan = incomingPlan(40);
    expect(plan.accept).toBe(0);
    const good = Array.from({ length: plan.n }, () => read('good'));
    expect(incomingStands(plan, good.slice(1)).says).toBe('read-more');
    expect(incomingStands(plan, good).says).toBe('release');
    expect(incomingStands(plan, [read('good'), read('dead')]).says).toBe('reject');
  });

  it('suspects what is seen on a part: tinned pins on a new one, a sanded face, a date that cannot be', () => {
    expect(suspicionsOf({ looks: 'pins-tinned', source: 'new' })).toHaveLength(1);
    expect(suspicionsOf({ looks: 'pins-tinned', source: 'pulled' })).toEqual([]);
    expect(suspicionsOf({ looks: 'printed-anew', source: 'unknown' })[0]).toMatch(/sanded/);
    expect(suspicionsOf({ madeIn: 2031 }, { year: 2026 })[0]).toMatch(/still to come/);
    expect(suspicionsOf({ madeIn: 2009 }, { year: 2026, boardYear: 1998 })[0]).toMatch(/not the first/);
    expect(suspicionsOf({ madeIn: 1997, looks: 'as-new' }, { year: 2026, boardYear: 1998 })).toEqual([]);
  });

  it('suspects a part marked anew where all are wrong the same way (common practice)', () => {
    const off = [0.46, 0.47, 0.45].map((share) => read('dead', share));
    expect(incomingStands(incomingPlan(40), off).remarked).toHaveLength(1);
    // Dried out parts are wrong each in its own way.
    const dried = [0.4, 0.62, 0.2].map((share) => read('dead', share));
    expect(incomingStands(incomingPlan(40), dried).remarked).toEqual([]);
    expect(incomingStands(incomingPlan(40), [read('dead', 0.46)]).remarked).toEqual([]);
  });
});
