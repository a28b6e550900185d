import type { Construction } from '~/schema/values/construction';

/** Common board constructions to start from; every figure stays editable. Common practice. */
export const STACKUPS = {
  'single-sided': {
    name: 'Single-sided, paper-phenolic',
    thickness_mm: 1.6,
    laminate: 'paper-phenolic',
    copperLayers: [{ weight_oz: 1, coverage: 0.35 }],
  },
  'two-layer': {
    name: 'Two layers, plated holes',
    thickness_mm: 1.6,
    laminate: 'fr4-standard',
    copperLayers: [
      { weight_oz: 1, coverage: 0.3 },
      { weight_oz: 1, coverage: 0.4 },
    ],
  },
  'four-layer': {
    name: 'Four layers, two planes inside',
    thickness_mm: 1.6,
    laminate: 'fr4-standard',
    copperLayers: [
      { weight_oz: 1, coverage: 0.3 },
      { weight_oz: 1, coverage: 0.9 },
      { weight_oz: 1, coverage: 0.9 },
      { weight_oz: 1, coverage: 0.3 },
    ],
  },
  'six-layer-heavy': {
    name: 'Six layers, heavy copper',
    thickness_mm: 2.4,
    laminate: 'fr4-high-tg',
    copperLayers: [
      { weight_oz: 1, coverage: 0.4 },
      { weight_oz: 2, coverage: 0.92 },
      { weight_oz: 1, coverage: 0.4 },
      { weight_oz: 1, coverage: 0.4 },
      { weight_oz: 2, coverage: 0.92 },
      { weight_oz: 1, coverage: 0.4 },
    ],
  },
} as const satisfies Record<
  string,
  { name: string } & Omit<Construction, 'length_mm' | 'width_mm' | 'copperLayers'> & {
      copperLayers: readonly Construction['copperLayers'][number][];
    }
>;

export type StackupId = keyof typeof STACKUPS;
export const STACKUP_IDS = Object.keys(STACKUPS) as [StackupId, ...StackupId[]];

/** A preset's layers on an outline of its own, as a record of its own. */
export function constructionFrom(id: StackupId, length_mm: number, width_mm: number): Construction {
  const { thickness_mm, laminate, copperLayers } = STACKUPS[id];
  return {
    length_mm,
    width_mm,
    thickness_mm,
    laminate,
    copperLayers: copperLayers.map((layer) => ({ ...layer })),
  };
}
