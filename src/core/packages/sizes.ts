import type { SurfaceFamilyId } from './surfaceFamilies';

/** Body along its leads, across them and high; metal of a foot across and along; and tip to tip. All mm. */
export interface SizeFigures {
  readonly length: number;
  readonly width: number;
  readonly height: number;
  readonly lead: number;
  readonly foot: number;
  readonly span: number;
}

const chip = (length: number, width: number, height: number, foot: number): SizeFigures => ({
  length,
  width,
  height,
  lead: width,
  foot,
  span: length,
});
const led = (
  length: number,
  width: number,
  height: number,
  lead: number,
  foot: number,
  span: number,
): SizeFigures => ({
  length,
  width,
  height,
  lead,
  foot,
  span,
});

/**
 * Families that are made in named sizes. Chips by their inch code (EIA and IEC 60115 sizes); small diodes on gull leads (JEDEC
 * DO-219 and JEITA SC-76, SC-79); moulded diodes with folded leads (JEDEC DO-214 AC, AA, AB); moulded tantalum by its case letter (EIA-535BAAC
 * 3216-18 to 7343-43); round bodies with end caps (JEDEC DO-213 AB, DO-213 AA, and the smallest). Typical figures, from memory.
 */
const SIZES = {
  chip: {
    '0201': chip(0.6, 0.3, 0.3, 0.15),
    '0402': chip(1.0, 0.5, 0.4, 0.25),
    '0603': chip(1.6, 0.8, 0.5, 0.35),
    '0805': chip(2.0, 1.25, 0.6, 0.45),
    '1206': chip(3.2, 1.6, 0.7, 0.5),
    '1210': chip(3.2, 2.5, 0.9, 0.5),
    '1812': chip(4.5, 3.2, 1.4, 0.6),
    '2010': chip(5.0, 2.5, 0.6, 0.6),
    '2512': chip(6.3, 3.2, 0.6, 0.6),
  },
  sod: {
    'SOD-123': led(2.7, 1.6, 1.15, 0.55, 0.4, 3.7),
    'SOD-323': led(1.7, 1.25, 0.95, 0.32, 0.35, 2.5),
    'SOD-523': led(1.2, 0.8, 0.65, 0.3, 0.25, 1.6),
  },
  mouldedDiode: {
    SMA: led(4.3, 2.6, 2.2, 1.45, 1.15, 5.2),
    SMB: led(4.3, 3.6, 2.3, 2.05, 1.15, 5.4),
    SMC: led(6.9, 5.9, 2.3, 3.0, 1.15, 7.95),
  },
  tantalum: {
    A: led(3.2, 1.6, 1.6, 1.2, 0.8, 3.2),
    B: led(3.5, 2.8, 1.9, 2.2, 0.8, 3.5),
    C: led(6.0, 3.2, 2.5, 2.2, 1.3, 6.0),
    D: led(7.3, 4.3, 2.8, 2.4, 1.3, 7.3),
    E: led(7.3, 4.3, 4.1, 2.4, 1.3, 7.3),
  },
  melf: {
    MELF: led(5.0, 2.5, 2.5, 2.5, 0.5, 5.0),
    MiniMELF: led(3.5, 1.5, 1.5, 1.5, 0.35, 3.5),
    MicroMELF: led(2.0, 1.1, 1.1, 1.1, 0.25, 2.0),
  },
} as const satisfies Partial<Record<SurfaceFamilyId, Readonly<Record<string, SizeFigures>>>>;

export type SizedFamily = keyof typeof SIZES;
export type SizeCode = { [F in SizedFamily]: keyof (typeof SIZES)[F] }[SizedFamily];

export const isSized = (family: string): family is SizedFamily => family in SIZES;
/** Sizes of one family, smallest or commonest first. */
export const codesOf = (family: SizedFamily): readonly SizeCode[] => Object.keys(SIZES[family]) as SizeCode[];
export const SIZE_CODES = (Object.keys(SIZES) as SizedFamily[]).flatMap(codesOf) as [SizeCode, ...SizeCode[]];

/** What is taken where a part's size is not told. */
const USUAL: Readonly<Record<SizedFamily, SizeCode>> = {
  chip: '0603',
  sod: 'SOD-123',
  mouldedDiode: 'SMA',
  tantalum: 'B',
  melf: 'MiniMELF',
};

/** Figures of a size; of the family's usual one where none, or another family's, is given. */
export function sizeOf(family: SizedFamily, code: SizeCode | undefined): SizeFigures {
  const sizes: Readonly<Record<string, SizeFigures>> = SIZES[family];
  return sizes[code ?? USUAL[family]] ?? sizes[USUAL[family]]!;
}

export const usualCode = (family: string): SizeCode => (isSized(family) ? USUAL[family] : USUAL.chip);
