import { boardWeight } from '~/core/thermal/boardWeight';
import { arealHeat_J_m2K, spreading_W_K } from '~/core/thermal/stackup';
import { boardOf } from '~/schema/exchange/si/board';
import type { Construction } from '~/schema/values/construction';
import { Figure } from '~/ui/controls/Notes';

const WEIGHT_WORDS = {
  heavy: 'A heavy board: expect to preheat for plane pins.',
  middling: 'A board of middling weight.',
  light: 'A light board: little copper to carry heat away.',
} as const;

/** What the construction means at the iron, in plain words with its numbers. */
export function Weight({ construction }: { construction: Construction }) {
  const board = boardOf(construction);
  const spreading_mW = spreading_W_K(board) * 1e3;
  return (
    <>
      {WEIGHT_WORDS[boardWeight(board)]}{' '}
      <Figure from="Computed from copper coverage and laminate: heat spread along the board per square">
        {spreading_mW.toFixed(0)} mW/K
      </Figure>{' '}
      spread,{' '}
      <Figure from="Computed: heat the board stores per area">
        {(arealHeat_J_m2K(board) / 1e3).toFixed(1)} kJ/m²K
      </Figure>{' '}
      stored.
    </>
  );
}
