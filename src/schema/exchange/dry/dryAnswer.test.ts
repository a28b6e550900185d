import { describe, expect, it } from 'vitest';
import { InputError, parseInput } from '~/schema/values/faults';
import { dryAnswerOf } from './dryAnswer';
import { dryInput } from './dryRequest';

const ask = (given: object) => dryAnswerOf(parseInput(dryInput, given));
const film = { liquid: '2-propanol', film_um: 50, air_C: 23, board_C: 23, airflow_m_s: 1, humidity_pct: 40 };

describe('the question when a board is dry', () => {
  // cli.md’s own facts, common practice.
  it('open within a minute; under 20 mm far more than three', () => {
    const { open_s, under_s } = ask({ ...film, body: { length_mm: 20, width_mm: 20, gap_mm: 0.1 } });
    expect(open_s).toBeLessThan(60);
    expect(under_s).toBeGreaterThan(600);
  });

  it('under nothing is null, and alcohol over 50 °C is told to burn', () => {
    expect(ask({ ...film, body: null }).under_s).toBeNull();
    expect(ask(film).notes.join()).toContain('burns');
    expect(ask({ ...film, board_C: 60 }).notes.join()).toContain('oven made for solvents');
  });

  it('says so where water stays', () => {
    const { open_s, notes } = ask({ liquid: 'water', humidity_pct: 100, body: null });
    expect(open_s).toBeNull();
    expect(notes.join()).toContain('does not dry');
  });

  it('refuses keys it does not know and figures out of range, by name', () => {
    expect(() => parseInput(dryInput, { ...film, wet: true })).toThrow(InputError);
    expect(() => parseInput(dryInput, { ...film, film_um: 0 })).toThrow(/film_um/);
  });
});
