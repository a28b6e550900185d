import { expect, it } from 'vitest';
import { savedOver } from './gentler';

it('what a changed habit saves is counted over those that could have been gentler, the middle one told', () => {
  const saved = savedOver([
    { done: 0.04, gentlest: 0.01, longer_min: 1 },
    { done: 0.02, gentlest: 0.02, longer_min: 0 },
    { done: 0.1, gentlest: 0.05, longer_min: 3 },
    { done: 0.06, gentlest: 0.04, longer_min: -0.5 },
  ]);
  expect(saved).toMatchObject({ jobs: 4, gentler: 3, middle: { done: 0.06, gentlest: 0.04, longer_min: 1 } });
  expect(saved.budgets).toBeCloseTo(0.1, 12);
});

it('where nothing could have been gentler nothing is made up', () => {
  expect(savedOver([{ done: 0.02, gentlest: 0.02, longer_min: 0 }])).toEqual({
    jobs: 1,
    gentler: 0,
    budgets: 0,
    middle: null,
  });
  expect(savedOver([])).toEqual({ jobs: 0, gentler: 0, budgets: 0, middle: null });
});
