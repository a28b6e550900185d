import { describe, expect, it } from 'vitest';
import {
  AMBIENT_K,
  field,
  fromBelow,
  HEAVY_FOUR,
  jetOver,
  square,
  stage,
  surfacePart,
} from '../../../../tests/support/field';
import { attach } from './attachments';
import { compiledMemory } from './compiledLoops';
import { Films } from './films';
import { fieldMesh } from './mesh';
import { plainMemory } from './plainLoops';
import { NOMINAL_FIELD } from './scenario';
import { simulateField } from './run';
import { FieldSolver } from './solver';

/** The compiled loops against the plain ones, which are their reference, on the same board under the same air. */

const air = stage(60, jetOver(380, square(18e-3), 40, 5e-3), fromBelow(150));
const parts = [surfacePart({ family: 'qfp', pins: 44, pitch_m: 0.8e-3 }, { planes: true })];

function solverIn(memoryFor: typeof compiledMemory, board = HEAVY_FOUR): FieldSolver {
  const mesh = fieldMesh(board, 4e-3, 4, undefined, memoryFor);
  const attached = attach(board, mesh, parts, NOMINAL_FIELD);
  const films = new Films(mesh, attached.bodies, parts, [], AMBIENT_K, NOMINAL_FIELD);
  const solver = new FieldSolver(mesh, attached, films, AMBIENT_K);
  films.begin(air);
  films.follow(solver.top_K, solver.bottom_K, solver.bodies.skins_K);
  solver.filmsChanged();
  return solver;
}

/** Largest difference of two rows, as a share of what they rose. */
const apart = (a: Float64Array, b: Float64Array): number =>
  a.reduce((worst, x, i) => Math.max(worst, Math.abs(x - b[i]!) / Math.max(1, Math.abs(x - AMBIENT_K))), 0);

describe('the compiled loops of the board', () => {
  // An odd number of cells along and across, so that what does not go in pairs and fours is met too.
  const odd = { ...HEAVY_FOUR, length_m: 0.092, width_m: 0.068 };
  it.each([
    ['even', HEAVY_FOUR],
    ['odd', odd],
  ])('take the steps of the plain ones: %s rows', (_, board) => {
    const [fast, plain] = [solverIn(compiledMemory, board), solverIn(plainMemory, board)];
    for (let i = 0; i < 40; i++) {
      const step_s = i < 10 ? 0.1 : 1;
      fast.step(step_s, { top_K: 650, bottom_K: 430 });
      plain.step(step_s, { top_K: 650, bottom_K: 430 });
    }
    expect(apart(fast.temperature_K, plain.temperature_K)).toBeLessThan(1e-10);
    expect(apart(fast.solder.temperature_K, plain.solder.temperature_K)).toBeLessThan(1e-10);
    expect(fast.energy.in_J / plain.energy.in_J).toBeCloseTo(1, 10);
    expect(fast.energy.lost_J / plain.energy.lost_J).toBeCloseTo(1, 10);
    expect(Math.max(...fast.temperature_K)).toBeGreaterThan(AMBIENT_K + 50);
  });

  it('find the same means and count the same cells over a floor', () => {
    const [fast, plain] = [solverIn(compiledMemory), solverIn(plainMemory)];
    for (const solver of [fast, plain])
      for (let i = 0; i < 20; i++) solver.step(1, { top_K: 700, bottom_K: 470 });
    const told = [fast, plain].map(({ mesh, temperature_K }) => {
      const mean = mesh.memory.array(mesh.columns);
      return { ...mesh.memory.loops.means(temperature_K, mean, mesh, AMBIENT_K + 20), mean };
    });
    expect(told[0]!.over).toBe(told[1]!.over);
    expect(told[0]!.over).toBeGreaterThan(0);
    expect(told[0]!.hottest_K).toBeCloseTo(told[1]!.hottest_K, 8);
    expect(apart(told[0]!.mean, told[1]!.mean)).toBeLessThan(1e-10);
  });

  it('see the same of a whole run: melts, ages, bow and what the air met', () => {
    const long = field(HEAVY_FOUR, parts, [stage(90, air.air, air.preheat), stage(60, null)]);
    const [fast, plain] = [compiledMemory, plainMemory].map((memoryFor) =>
      simulateField(long, { memoryFor }),
    );
    expect(plain!.board.laminateDose).toBeGreaterThan(0);
    for (const key of ['laminateDose', 'bowHot', 'peakTop_K', 'peakBottom_K'] as const)
      expect(fast!.board[key] / plain!.board[key], key).toBeCloseTo(1, 8);
    plain!.pads.forEach((pad, p) => {
      expect(fast!.pads[p]!.peak_K).toBeCloseTo(pad.peak_K, 6);
      expect(fast!.pads[p]!.fullMelt_s).toBeCloseTo(pad.fullMelt_s!, 6);
    });
  });

  it('tell what has softened from the rest, by area', () => {
    const [fast, plain] = [solverIn(compiledMemory, odd), solverIn(plainMemory, odd)].map((solver) => {
      for (let i = 0; i < 20; i++) solver.step(1, { top_K: 700, bottom_K: 470 });
      const { mesh, top_K } = solver;
      const softened = mesh.memory.array(mesh.columns);
      const any = mesh.memory.loops.soften(top_K, softened, mesh.area_m2, AMBIENT_K + 60);
      return { any, softened, ...mesh.memory.loops.zones(top_K, softened, mesh.area_m2) };
    });
    expect(fast!.any && plain!.any).toBe(true);
    expect([...fast!.softened]).toEqual([...plain!.softened]);
    expect(fast!.zone_m2 / plain!.zone_m2).toBeCloseTo(1, 10);
    expect(fast!.zone_m2K / plain!.zone_m2K).toBeCloseTo(1, 10);
    expect(fast!.rest_m2K / plain!.rest_m2K).toBeCloseTo(1, 10);
    expect(fast!.zone_m2 + fast!.rest_m2).toBeCloseTo(odd.length_m * odd.width_m, 9);
  });

  it('have room for a run of many stages, held linear too', () => {
    const many = field(
      HEAVY_FOUR,
      parts,
      Array.from({ length: 16 }, () => stage(2, air.air, air.preheat)),
    );
    for (const linearAt_K of [undefined, 430])
      expect(simulateField(many, { pitch_m: 8e-3, linearAt_K }).outcome).toBe('done');
  });

  it('give their memory back: hundreds of runs one after the other', () => {
    const brief = field(HEAVY_FOUR, parts, [stage(1, null, fromBelow(150))]);
    for (let i = 0; i < 300; i++) expect(simulateField(brief, { pitch_m: 8e-3 }).outcome).toBe('done');
  });
});
