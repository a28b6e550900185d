import { describe, expect, it } from 'vitest';
import { newSite } from '~/schema/records/site/site';
import { simulateJoint } from '~/core/thermal/joint/simulate';
import { sharesOf } from '~/core/method/heatCost';
import { placedPadsOf } from '~/schema/exchange/si/placedPads';
import { sitesOf } from '~/server/store/repositories/sites';
import { scenarioFor } from '~/core/method/hand/holeTouch';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { inPhase } from '../../../tests/support/samples';
import { freshDatabase, withCapacitor } from '../../../tests/support/database';
import { benchSetting } from './benchSetting';
import { planningFor } from '~/server/plans/sitePlanning';
import { addSite } from '~/server/store/repositories/sites';
import { padsAbout } from './sharedHeat';

/** A capacitor, a chip close beside its first pad on the iron's face and on the part's, and one far away. */
function bench() {
  const db = freshDatabase();
  const c7 = withCapacitor(db);
  const chip = (ref: string, side: 'top' | 'bottom', x_mm: number) =>
    addSite(
      db,
      c7.boardId,
      newSite.parse({
        ref,
        side,
        x_mm,
        y_mm: 50,
        alloy: 'sn60pb40',
        package: { family: 'chip', code: '0603' },
        pads: ['1', '2'].map((name) => ({ name, net: '', connections: [{ kind: 'isolated' }] })),
      }),
      ref,
    );
  chip('NEAR', 'bottom', 75);
  chip('OVER', 'top', 75);
  chip('FAR', 'bottom', 20);
  const { input } = planningFor(db, c7.id, { goal: 'reflow' });
  const job = { boardId: c7.boardId, siteId: c7.id, side: c7.side };
  return { db, job, c7, input };
}

describe('heat that neighbours share', () => {
  it('is looked for within reach, on the iron’s face where a pad has it', () => {
    const { db, job, c7 } = bench();
    const { near, probes } = padsAbout(db, job, '1');
    const reached = near.filter(({ probe }) => probe !== null);
    const ids = reached.map(({ padId }) => padId);
    expect(ids).toContain(c7.pads[1]!.id);
    expect(ids).not.toContain(c7.pads[0]!.id);
    expect(ids.some((id) => id.startsWith('FAR'))).toBe(false);
    const probeOf = (id: string) => probes[near.find(({ padId }) => padId === id)!.probe!]!;
    const faceOf = (id: string) => probeOf(id).face;
    expect([faceOf('NEAR-1'), faceOf('OVER-1'), faceOf(c7.pads[1]!.id)]).toEqual(['near', 'far', 'near']);
    for (const pad of placedPadsOf(sitesOf(db, c7.boardId), 4).filter(({ id }) => ids.includes(id))) {
      const distance_m = Math.hypot(pad.x_m - 77.5e-3, pad.y_m - 50e-3);
      expect(Math.abs(probeOf(pad.id).distance_m - distance_m)).toBeLessThan(0.26e-3);
    }
  });

  it('is less the further off, never more than the pad under the iron took, and adds up with time', () => {
    const { db, job, c7, input } = bench();
    const request = planRequestOf(input);
    const iron = request.irons[0]!;
    const setting = benchSetting(request, {
      kind: 'hand',
      perPad_C: {},
      toolId: iron.id,
      tip: { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
      setpoint_C: 380,
      preheat: null,
      fluxed: true,
      freshSolder: true,
    });
    if (setting.kind !== 'hand') throw new Error(setting.kind);
    const about = padsAbout(db, job, '1');
    const scenario = scenarioFor(request, setting, '1');
    const at = (duration_s: number) => {
      const run = simulateJoint(scenario, { duration_s, probes: about.probes });
      return { run, shares: sharesOf({ ...about, request: inPhase(request) }, run) };
    };
    const long = at(20);
    const share = (id: string) => long.shares.find((s) => s.padId === id);
    const second = share(c7.pads[1]!.id)!;
    expect(second.peak_C).toBeGreaterThan(40);
    const hottest_C = long.run.land_K.reduce((a, b) => Math.max(a, b), 0) - 273.15;
    for (const s of long.shares) {
      expect(s.peak_C).toBeLessThan(hottest_C);
      expect(s.padDose).toBeGreaterThanOrEqual(0);
    }
    // On one face: the nearer the warmer. The chip below is turned over, so its first pad lies nearer.
    expect(share('NEAR-1')!.peak_C).toBeGreaterThan(share('NEAR-2')!.peak_C);
    const short = at(5).shares.find((s) => s.padId === c7.pads[1]!.id);
    expect(short?.padDose ?? 0).toBeLessThan(second.padDose);
  });

  it('is none for a pad that is gone', () => {
    const { db, job } = bench();
    const { near, probes } = padsAbout(db, job, '99');
    expect(probes).toEqual([]);
    expect(near.every(({ probe }) => probe === null)).toBe(true);
  });
});
