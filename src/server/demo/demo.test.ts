import { describe, expect, it } from 'vitest';
import { PAD_STATE_IDS } from '~/core/record/padStates';
import { freshDatabase } from '../../../tests/support/database';
import { boardSheet } from '~/server/boards/boardSheet';
import { logsOfJob } from '~/server/store/repositories/thermalLogs';
import { ensureRig } from '~/server/rig/firstRig';
import { DEMO_BOARDS } from './boards';
import { seedDemo } from './seed';
import { DEMO_STORIES } from './stories';

describe('the demo workshop', () => {
  it('shows every state of a pad, a place of each kind and boards of every construction, and is safe to run twice', async () => {
    const db = freshDatabase();
    ensureRig(db);
    await seedDemo(db, Date.UTC(2026, 10, 25), () => undefined);
    const sheets = DEMO_BOARDS.map(({ id }) => boardSheet(db, id));
    const findings = sheets.flatMap((s) => s.findings);
    expect(new Set(findings.map((f) => f.state))).toEqual(new Set(PAD_STATE_IDS));
    expect(new Set(findings.map((f) => f.foundAs))).toEqual(new Set(['as-received', 'done-here']));
    expect(new Set(sheets.flatMap((s) => s.faceFindings).map((f) => f.kind))).toEqual(
      new Set(['track', 'via', 'area']),
    );
    const withFace = sheets.filter((s) => s.sites.length >= 4 && s.findings.length > 0);
    expect(new Set(withFace.map((s) => s.board.construction.copperLayers.length))).toEqual(
      new Set([1, 2, 4, 6]),
    );
    expect(sheets.filter((s) => s.jobs.length > 0).length).toBeGreaterThanOrEqual(4);
    expect(sheets.flatMap((s) => s.photos).every((p) => p.calibration !== null)).toBe(true);
    // Heat is shared: the pad beside one that was heated took its part of it.
    const exposures = sheets
      .flatMap((s) => s.jobs.flatMap((job) => job.events))
      .filter((e) => e.kind === 'exposure');
    expect(exposures.some((e) => (e.others ?? []).length > 0)).toBe(true);
    // Three runs and more have their temperatures, each up to its melt and down again.
    const logged = DEMO_STORIES.map(({ id }) => logsOfJob(db, id)).filter((logs) => logs.length > 0);
    expect(logged.length).toBeGreaterThanOrEqual(3);
    for (const { profile } of logged.flat()) {
      const land = profile.values['tc1']!.map((v) => v ?? 0);
      expect(Math.max(...land)).toBeGreaterThan(150);
      expect(land[0]).toBeLessThan(40);
      expect(land.at(-1)).toBeLessThan(Math.max(...land) - 40);
    }

    await seedDemo(db, Date.UTC(2026, 10, 25), () => undefined);
    expect(DEMO_BOARDS.map(({ id }) => boardSheet(db, id).findings.length)).toEqual(
      sheets.map((s) => s.findings.length),
    );
  }, 120_000);

  it('is made up throughout: no figure that the trade hands down stands in it as if it were ours', () => {
    const told = JSON.stringify([DEMO_BOARDS, DEMO_STORIES]);
    // What job.md gives as facts of the trade: the dead capacitor, two that add, settings, washing, the wrong supply.
    expect(told).not.toMatch(
      /220 ?µF|165 ?µF|\b25 ?Ω|\b4n7|4[.,]7 ?n|\b10 ?nF|[34][68]0 ?°C|50 ?°C|15 min|into a 6 V/,
    );
  });
});
