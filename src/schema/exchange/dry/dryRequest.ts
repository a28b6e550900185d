import { z } from 'zod';
import { LIQUID_IDS } from '~/core/materials/solvents';
import { oneOf, quantity } from '~/schema/values/fields';

/** A wet board and the air over it; a body where liquid lies beneath one. */
export const dryInput = z.strictObject({
  liquid: oneOf(LIQUID_IDS),
  film_um: quantity('µm', 1, 1000).default(50),
  air_C: quantity('°C', 5, 120).default(23),
  board_C: quantity('°C', 5, 120).optional(),
  airflow_m_s: quantity('m/s', 0, 30).default(0),
  humidity_pct: quantity('%', 0, 100).default(50),
  /** What the film lies on: as much heat as it has to give (1.6 mm FR-4 where left out). */
  boardThickness_mm: quantity('mm', 0.2, 6).default(1.6),
  body: z
    .strictObject({
      length_mm: quantity('mm', 0.3, 120),
      width_mm: quantity('mm', 0.3, 120),
      gap_mm: quantity('mm', 0.005, 10),
    })
    .nullable()
    .default(null),
});

export type DryInput = z.infer<typeof dryInput>;
