import { dryUnder_s, HOLDS_m } from '~/core/drying/gap';
import { dryOpen } from '~/core/drying/openFilm';
import { celsius, kelvin, metres } from '~/core/quantity/convert';
import { arealHeat_J_m2K } from '~/core/thermal/stackup';
import type { DryInput } from './dryRequest';

/** When a wet board is dry: in the open, and beneath a body. */
export interface DryAnswer {
  /** Null: it stays wet in this air. */
  readonly open_s: number | null;
  /** Null: nothing lies over it, or it stays wet. */
  readonly under_s: number | null;
  readonly notes: readonly string[];
}

/** Boards pass 50 °C only where nothing on them minds; alcohol is not warmed near its flash (common practice). */
const WARM_C = 50;

export function dryAnswerOf(input: DryInput): DryAnswer {
  const { liquid, body } = input;
  const board_C = input.board_C ?? input.air_C;
  const room = { air_K: kelvin(input.air_C), humidity: input.humidity_pct / 100 };
  const open = dryOpen({
    ...room,
    liquid,
    film_m: input.film_um * 1e-6,
    board_K: kelvin(board_C),
    airflow_m_s: input.airflow_m_s,
    areal_J_m2K: arealHeat_J_m2K({
      thickness_m: metres(input.boardThickness_mm),
      laminate: 'fr4-standard',
      copper: [],
      length_m: 0.1,
      width_m: 0.1,
    }),
  });
  const under_s =
    body &&
    dryUnder_s({
      ...room,
      liquid,
      board_K: kelvin(board_C),
      length_m: metres(body.length_mm),
      width_m: metres(body.width_mm),
      gap_m: metres(body.gap_mm),
    });
  const notes: string[] = [];
  if (open.outcome === 'stays wet') notes.push('in this air it does not dry: warm the board or dry the air');
  else if (open.coolest_K < kelvin(board_C) - 1)
    notes.push(`the board cools to about ${celsius(open.coolest_K).toFixed(0)} °C while the film goes`);
  if (body && under_s === 0)
    notes.push(`a gap over ${HOLDS_m * 1e3} mm holds nothing once it is blotted and blown`);
  if (under_s) {
    notes.push(
      'beneath the body it leaves by its edges; this is the long end: what creeps along leads to the rim goes sooner',
    );
    notes.push('air past the body does not reach under it; warmth does');
  }
  if (liquid === '2-propanol') {
    notes.push('its vapour burns: nothing hot near it, and air to the room');
    if (board_C > WARM_C)
      notes.push(`over ${WARM_C} °C alcohol is a fire: only in an oven made for solvents`);
  }
  return { open_s: open.outcome === 'dry' ? open.time_s : null, under_s: under_s ?? null, notes };
}
