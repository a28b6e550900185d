import { describe, expect, it } from 'vitest';
import { airAt } from '~/core/materials/airTable';
import { LIQUIDS } from '~/core/materials/solvents';
import { celsius, kelvin } from '~/core/quantity/convert';
import { dryOpen, evaporation, type OpenFilm } from './openFilm';

const film = (part: Partial<OpenFilm> = {}): OpenFilm => ({
  liquid: '2-propanol',
  film_m: 50e-6,
  air_K: kelvin(23),
  board_K: kelvin(23),
  airflow_m_s: 1,
  humidity: 0.4,
  areal_J_m2K: 3700,
  ...part,
});
const time_s = (part: Partial<OpenFilm> = {}): number => {
  const drying = dryOpen(film(part));
  return drying.outcome === 'dry' ? drying.time_s : Infinity;
};

describe('a film in the open', () => {
  // Common practice: a brushed film of alcohol is gone within a minute in moving air.
  it('of 2-propanol, 50 µm in moving air, is gone within a minute', () => {
    expect(time_s()).toBeLessThan(60);
    expect(time_s()).toBeGreaterThan(15);
  });

  it('goes quicker warm, blown and thin, and water takes longer than alcohol', () => {
    expect(time_s({ board_K: kelvin(45), air_K: kelvin(45) })).toBeLessThan(time_s() / 2);
    expect(time_s({ airflow_m_s: 0 })).toBeGreaterThan(2 * time_s());
    expect(time_s({ film_m: 25e-6 })).toBeLessThan(time_s() / 1.9);
    expect(time_s({ liquid: 'water' })).toBeGreaterThan(5 * time_s());
  });

  it('of water stays where the room’s air is as wet', () => {
    expect(dryOpen(film({ liquid: 'water', humidity: 1 })).outcome).toBe('stays wet');
  });

  it('cools the board by no more than its own heat of evaporation', () => {
    const drying = dryOpen(film());
    const most_K =
      (50e-6 * LIQUIDS['2-propanol'].density.value * LIQUIDS['2-propanol'].latentHeat.value) / 3700;
    if (drying.outcome !== 'dry') throw new Error('stays wet');
    expect(kelvin(23) - drying.coolest_K).toBeLessThan(most_K);
    expect(kelvin(23) - drying.coolest_K).toBeGreaterThan(most_K / 3);
  });

  // Psychrometric tables (ASHRAE, from memory): air of 25 °C and 50 % has a wet bulb of 17.9 °C; of 35 °C and 20 %, 18.9 °C.
  it.each([
    [25, 0.5, 17.9],
    [35, 0.2, 18.9],
  ])('leaves a wet bulb in air of %i °C at the table’s temperature', (air_C, humidity, bulb_C) => {
    const air_K = kelvin(air_C);
    let [low, high] = [kelvin(2), air_K];
    for (let i = 0; i < 50; i++) {
      const face_K = (low + high) / 2;
      const { flux_kg_m2s, film_W_m2K } = evaporation(
        { liquid: 'water', airflow_m_s: 5, air_K, humidity },
        face_K,
      );
      if (flux_kg_m2s * LIQUIDS.water.latentHeat.value > film_W_m2K * (air_K - face_K)) high = face_K;
      else low = face_K;
    }
    expect(Math.abs(celsius(low) - bulb_C)).toBeLessThan(0.8);
  });

  // Incropera eq. 7.30, laminar plate: 5 m/s over 50 mm.
  it('passes heat as a laminar plate does', () => {
    const { film_W_m2K } = evaporation({ liquid: 'water', airflow_m_s: 5, air_K: 300, humidity: 0 }, 300);
    const air = airAt(300);
    const reynolds = (5 * 0.05 * air.density_kg_m3) / air.viscosity_Pa_s;
    const plate = (0.664 * Math.sqrt(reynolds) * Math.cbrt(air.prandtl) * air.conductivity_W_mK) / 0.05;
    expect(film_W_m2K / plate).toBeGreaterThan(1);
    expect(film_W_m2K / plate).toBeLessThan(1.02);
  });
});
