import { preheaterFilm_W_m2K } from '../surface/preheater';
import { naturalFilm_W_m2K, type Facing } from '../surface/stillAir';
import type { Preheat } from '../preheat';
import { TABLE } from './loops';

/** A film against a surface's temperature, W/m²K, a row to the kelvin. */
export function tabulate(into: Float64Array, film: (surface_K: number) => number): Float64Array {
  for (let i = 0; i < into.length; i++) into[i] = film(TABLE.from_K + i);
  return into;
}

/** Tables that are kept: a plan has few surroundings and runs hundreds of times in them. */
const MOST = 32;
const kept = new Map<string, Float64Array>();

function tableOf(name: string, film: (surface_K: number) => number): Float64Array {
  const known = kept.get(name);
  if (known) return known;
  const oldest = kept.size >= MOST ? kept.keys().next().value : undefined;
  if (oldest !== undefined) kept.delete(oldest);
  const made = tabulate(new Float64Array(TABLE.rows), film);
  kept.set(name, made);
  return made;
}

/** Natural convection over a board of that length in a room, against its surface's temperature. */
export const naturalTable = (facing: Facing, ambient_K: number, length_m: number): Float64Array =>
  tableOf(`still ${facing} ${ambient_K} ${length_m}`, (t) =>
    naturalFilm_W_m2K(facing, t, ambient_K, length_m),
  );

/** Film to a preheater at its set temperature, against the surface's. */
export const preheaterTable = (
  { kind, setpoint_K }: Pick<Preheat, 'kind' | 'setpoint_K'>,
  facing: Facing,
  length_m: number,
): Float64Array =>
  tableOf(`${kind} ${setpoint_K} ${facing} ${length_m}`, (t) =>
    preheaterFilm_W_m2K(kind, setpoint_K, t, facing, length_m),
  );
