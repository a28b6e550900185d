import { describe, expect, it } from 'vitest';
import { HOT_AIR_EXAMPLE } from '../../../tests/support/requests';
import { newBoard } from '~/schema/records/board/board';
import type { AirSheet } from '~/schema/sheets/airSheet';
import type { FieldBandAnswer } from '~/schema/exchange/simulate/fieldBand';
import { parseInput } from '~/schema/values/faults';
import { solveField, type FieldPicture } from '~/schema/exchange/simulate/simulateField';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';
import { expectationOf } from './Reading';
import { fieldsOfLoad, requestOf, widthOf } from './setting';
import { reduce, start, type AirState } from './state';

const example = parseInput(simulateInput, HOT_AIR_EXAMPLE);

const SHEET = {
  board: {
    ...newBoard.parse({ name: 'B', owner: 'MK', fault: '-', construction: HOT_AIR_EXAMPLE.board }),
    id: 'b',
  },
  site: {
    id: 's',
    side: 'top',
    package: example.site.package,
    pads: [{ id: 'p', name: '1', net: '', connections: [] }],
  },
  padStates: {},
  stations: [
    {
      id: 'h',
      name: 'Hot air',
      retired: false,
      revision: 1,
      spec: {
        kind: 'hot-air',
        airRange_C: [100, 480],
        flowRange_L_min: [10, 120],
        nozzles: [{ diameter_mm: 8 }, { width_mm: 30, height_mm: 30 }, { width_mm: 18, height_mm: 18 }],
      },
    },
  ],
  preheats: [{ name: 'P', kind: 'convective', setpoint_C: 180, soak_s: 120, range_C: [60, 200] }],
  ground: {
    ambient_C: example.ambient_C,
    board: example.board,
    site: example.site,
    neighbours: example.neighbours,
  },
} as unknown as AirSheet;

const BAND: FieldBandAnswer = {
  draws: 24,
  of: 24,
  lastMelt_s: { p10: 32, p50: 49, p90: 80 },
  partPeak_C: { p10: 230, p50: 250, p90: 270 },
  chanceSolid: 0,
  chanceOverLimit: 0,
};

function finish(input: typeof example): FieldPicture {
  const steps = solveField(input, input.load as never, 20);
  let next = steps.next();
  while (!next.done) next = steps.next();
  return next.value;
}

describe('the first setting', () => {
  it('takes the narrowest nozzle that covers the part', () => {
    // A 100-pin pack is 14 mm across.
    expect(widthOf(fieldsOfLoad(SHEET).nozzle)).toBe(18);
  });

  it('takes the widest there is when none covers it', () => {
    const narrow = {
      ...SHEET.stations[0]!,
      spec: { ...SHEET.stations[0]!.spec, nozzles: [{ diameter_mm: 5 }, { diameter_mm: 8 }] },
    };
    expect(widthOf(fieldsOfLoad({ ...SHEET, stations: [narrow] }).nozzle)).toBe(8);
  });
});

describe('the request of a setting', () => {
  const setting = fieldsOfLoad(SHEET);

  it('is one that the schema takes, and cools after the air', () => {
    const input = parseInput(simulateInput, requestOf(SHEET, { ...setting, warm: true, foil: true }));
    expect(input.duration_s).toBe(240);
    expect(input.preheat).toMatchObject({ setpoint_C: 180, soak_s: 120 });
  });

  it('foil covers the board all round and leaves the nozzle’s opening free', () => {
    const { shields } = requestOf(SHEET, { ...setting, foil: true });
    const covered = (x: number, y: number): boolean =>
      shields.some((s) => Math.abs(x - s.x_mm) <= s.width_mm / 2 && Math.abs(y - s.y_mm) <= s.height_mm / 2);
    expect(covered(80, 50)).toBe(false);
    expect(covered(80 + 11, 50)).toBe(false);
    for (const [x, y] of [
      [80 + 13, 50],
      [80, 50 + 13],
      [1, 1],
      [159, 99],
    ] as const) {
      expect(covered(x, y)).toBe(true);
    }
    const area = shields.reduce((sum, s) => sum + s.width_mm * s.height_mm, 0);
    expect(area).toBeCloseTo(160 * 100 - 24 ** 2, 6);
  });
});

describe('hot-air sheet', () => {
  const picture = finish(example);
  const done = (state: AirState): AirState => reduce(state, { type: 'done', picture });

  it('a run gives frames from the soak to the end, on its grid', () => {
    expect(picture.frames.length).toBeGreaterThanOrEqual(20);
    expect(picture.frames[0]!.time_s).toBe(-120);
    expect(picture.frames[0]!.top_C).toHaveLength(picture.nx * picture.ny);
  });

  it('the lift opens after the last pad and closes when one sets again', () => {
    // Alone on its board and under cooler air, nothing else is in the way.
    const alone = parseInput(simulateInput, {
      ...HOT_AIR_EXAMPLE,
      neighbours: [],
      load: { ...HOT_AIR_EXAMPLE.load, air_C: 290 },
    });
    const { lift, answer } = finish(alone);
    expect(lift!.from_s).toBeGreaterThan(Math.max(...answer.pads.map((p) => p.fullMelt_s!)));
    expect(lift!.because).toMatch(/^pad \d+ sets again$/);
    // The air goes off at 90 s.
    expect(lift!.to_s!).toBeGreaterThan(90);
    expect(lift!.to_s!).toBeLessThan(130);
  });

  it('the first picture opens at the lift; a later one stays at the time looked at', () => {
    const first = done(start(SHEET));
    expect(first.picture!.frames[first.frame]!.time_s).toBeGreaterThanOrEqual(picture.lift!.from_s);
    const looking = reduce(first, { type: 'frame', frame: 3 });
    expect(done(reduce(looking, { type: 'set', part: { air_C: 400 } })).frame).toBe(3);
  });

  it('frames stay within the run', () => {
    const state = done(start(SHEET));
    expect(reduce(state, { type: 'frame', frame: -4 }).frame).toBe(0);
    expect(reduce(state, { type: 'frame', frame: 999 }).frame).toBe(picture.frames.length - 1);
  });

  it('a band belongs to its picture: the next one starts anew, and drawing may be stopped', () => {
    const band = { ...BAND, draws: 3 };
    const drawing = reduce(done(start(SHEET)), { type: 'band', band });
    expect(drawing.drawing).toBe(true);
    expect(reduce(drawing, { type: 'drawing stopped' })).toMatchObject({ drawing: false, band });
    expect(reduce(drawing, { type: 'band', band: BAND }).drawing).toBe(false);
    expect(done(drawing).band).toBeNull();
  });

  it('says what to expect as a range, with what to do past it', () => {
    expect(expectationOf(BAND)).toBe(
      'Expect the last pad between 32 and 80 s. Not molten then: stop, let it cool, warm from below.',
    );
    const some = { ...BAND, lastMelt_s: { p10: 60, p50: 90, p90: null }, chanceSolid: 0.25 };
    expect(expectationOf(some)).toMatch(/half by 90 s; some pad stays solid in 6 of 24 draws/);
    const none = { ...BAND, lastMelt_s: { p10: null, p50: null, p90: null }, chanceSolid: 1 };
    expect(expectationOf(none)).toMatch(/stays solid in 24 of 24 draws/);
    expect(expectationOf({ ...BAND, chanceOverLimit: 0.5 })).toMatch(/passes its limit in 12 of 24 draws/);
  });

  it('a change leaves the picture standing, for another setting', () => {
    const state = reduce(done(start(SHEET)), { type: 'set', part: { flow_L_min: 20 } });
    expect(state.picture).toBe(picture);
    expect(state.pictured).not.toBe(state.setting);
  });
});
