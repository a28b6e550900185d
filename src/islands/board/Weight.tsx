import { arealHeat_J_m2K, spreading_W_K } from '~/core/thermal/stackup';
import { boardOf, type Construction } from '~/schema/construction';
import { Figure } from '~/ui/controls/Notes';

/** What the construction means at the iron, in plain words with its numbers. */
export function Weight({ construction }: { construction: Construction }) {
  const board = boardOf(construction);
  const spreading_mW = spreading_W_K(board) * 1e3;
  const words =
    spreading_mW > 25
      ? 'A heavy board: expect to preheat for plane pins.'
      : spreading_mW > 8
        ? 'A board of middling weight.'
        : 'A light board: little copper to carry heat away.';
  return (
    <>
      {words}{' '}
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
