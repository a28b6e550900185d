import { describe, expect, it } from 'vitest';
import {
  planeOn,
  reliefOn,
  scenario,
  settingAt,
  surfaceRequest,
  trackOn,
  TWO_LAYER,
} from '../../../../tests/support/samples';
import { landTouch } from '~/core/method/hand/landTouch';
import { preparedJoint } from '../joint/simulate';
import type { JointScenario } from '../joint/scenario';
import { NOMINAL } from '../joint/scenario';
import {
  integrate,
  integrateAll,
  integrateEach,
  integratePlainly,
  type Asked,
  type Integration,
} from './integrate';

/** The compiled kernel against the plain code, which is its reference: the same steps to the same figures. */

const joint = (it: JointScenario, contact = 1): Asked =>
  preparedJoint(it, { duration_s: 4, factors: { ...NOMINAL, contact } });
const chip = surfaceRequest({ family: 'chip', code: '0805' });
const both = ['1', '2'];

const CASES: readonly (readonly [string, Asked])[] = [
  ['a pin on a track', joint(scenario(360, trackOn(4)))],
  ['a pin on a plane that never melts through', joint(scenario(300, planeOn(2)))],
  ['a relief on a warm board', joint(scenario(340, reliefOn(2), { board: TWO_LAYER }))],
  ['a lead-free joint, dry', joint(scenario(380, trackOn(1), { alloy: 'sac305' }))],
  ['a chip between two tips', landTouch(chip, settingAt(320), both, 'each').prepare({ duration_s: 3 })],
  ['a chip under a swept tip', landTouch(chip, settingAt(320), both, 'swept').prepare({ duration_s: 3 })],
];

/** Largest difference of anything told of two runs, as a share. */
function apart(a: Integration, b: Integration): number {
  const share = (x: number, y: number): number =>
    Object.is(x, y) || x === y ? 0 : Math.abs(x - y) / Math.max(Math.abs(x), Math.abs(y));
  const rows = ({ time_s, solidus_s, liquidus_s, recorded }: Integration) => [
    time_s,
    solidus_s,
    liquidus_s,
    ...Array.from({ length: recorded.tracked }, (_, i) => recorded.history_K(i)),
  ];
  const { in_J, stored_J, lost_J } = a.energy;
  const sums = [
    share(in_J, b.energy.in_J),
    share(stored_J, b.energy.stored_J),
    share(lost_J, b.energy.lost_J),
  ];
  const [ofA, ofB] = [rows(a), rows(b)];
  return ofA.reduce(
    (worst, row, i) => row.reduce((most, x, k) => Math.max(most, share(x, ofB[i]![k]!)), worst),
    Math.max(...sums),
  );
}

describe('the compiled network', () => {
  it.each(CASES)('takes the steps of the plain one: %s', (_, { network, options }) => {
    const fast = integrate(network, options);
    const [plain] = integratePlainly([() => ({ network, options })]);
    expect([fast.steps, fast.solves, fast.outcome]).toEqual([plain!.steps, plain!.solves, plain!.outcome]);
    expect(fast.time_s).toHaveLength(plain!.time_s.length);
    expect(apart(fast, plain!)).toBeLessThan(1e-10);
    expect(fast.energy.relativeResidual).toBeLessThan(1e-9);
  });

  it.each([2, 3, 9])('runs %i side by side as each runs alone, whatever is beside it', (count) => {
    const asked = Array.from({ length: count }, (_, i) =>
      joint(scenario(360, trackOn(4)), 0.4 + 0.3 * ((5 * i) % count)),
    );
    const fast = integrateAll(asked.map((one) => () => one));
    const plain = integratePlainly(asked.map((one) => () => one));
    fast.forEach((run, i) => {
      expect(run.steps).toBe(plain[i]!.steps);
      expect(apart(run, plain[i]!)).toBeLessThan(1e-10);
      const { network, options } = asked[i]!;
      expect(apart(run, integrate(network, options))).toBe(0);
    });
    const melt = (run: Integration): number => Math.max(...run.liquidus_s);
    expect(new Set(fast.map(melt)).size).toBe(count);
  });

  it.each(['compiled', 'plain'] as const)(
    'says of what is no number that it does not converge: %s',
    (code) => {
      const { network, options } = joint(scenario(360, trackOn(4)));
      const broken = { ...network, initial_K: network.initial_K.map(() => Number.NaN) };
      const asked = [() => ({ network: broken, options }), () => ({ network, options })];
      const [bad, good] = code === 'plain' ? integratePlainly(asked) : integrateAll(asked);
      expect(bad!.outcome).toBe('not-converged');
      expect(good!.outcome).toBe('done');
    },
  );

  it('ends each lane where its own question is answered', () => {
    const asked = (contact: number) => (): Asked => {
      const { network, options } = joint(scenario(360, trackOn(4)), contact);
      return { network, options: { ...options, stopWhen: (time_s) => time_s > contact } };
    };
    const [short, long] = integrateAll([asked(0.5), asked(2)]) as [Integration, Integration];
    expect(short.outcome).toBe('stopped');
    expect(short.time_s.at(-1)!).toBeLessThan(1);
    expect(long.time_s.at(-1)!).toBeGreaterThan(2);
  });

  it('does not creep where solder hovers about its melting: steps stay few, and heat adds up', () => {
    const hovering = Array.from({ length: 40 }, (_, i) => joint(scenario(178 + i, trackOn(4))));
    const runs = integrateAll(hovering.map((one) => () => one));
    for (const { outcome, steps, energy } of runs) {
      expect(outcome).toBe('done');
      expect(steps).toBeLessThan(100);
      expect(energy.relativeResidual).toBeLessThan(1e-9);
    }
  });

  it('runs networks of unlike shape one after the other, each as it runs alone', () => {
    const asked = [joint(scenario(360, trackOn(4))), CASES[4]![1], joint(scenario(340, trackOn(4)))];
    integrateAll(asked.map((one) => () => one)).forEach((run, i) => {
      expect(apart(run, integrate(asked[i]!.network, asked[i]!.options))).toBe(0);
    });
  });

  it('lets another begin while one is on its way, as threads do with several plans', () => {
    const asked = [0.5, 1, 2].map((contact) => () => joint(scenario(360, trackOn(4)), contact));
    const first = integrateEach(asked);
    const begun = first.next().value!;
    const beside = integrateAll(asked);
    expect(apart(begun.run, beside[begun.index]!)).toBe(0);
    for (const { index, run } of first) expect(apart(run, beside[index]!)).toBe(0);
  });
});
