import { property } from '~/core/materials/property';
import { spreading_W_K, type Board } from './stackup';

/** What a board's spreading means at the iron: two marks on one scale. */
export const BOARD_WEIGHT = {
  heavyFrom: property(
    25e-3,
    'W/K',
    [15e-3, 40e-3],
    0.3,
    'assumed',
    'four layers with two planes of 1 oz; plane pins there are preheated for: common practice',
  ),
  middlingFrom: property(
    8e-3,
    'W/K',
    [4e-3, 12e-3],
    0.3,
    'assumed',
    'two layers with poured ground: common practice',
  ),
} as const;

/** A board by the heat it carries away along itself. */
export function boardWeight(board: Board): 'heavy' | 'middling' | 'light' {
  const spread_W_K = spreading_W_K(board);
  if (spread_W_K > BOARD_WEIGHT.heavyFrom.value) return 'heavy';
  return spread_W_K > BOARD_WEIGHT.middlingFrom.value ? 'middling' : 'light';
}
