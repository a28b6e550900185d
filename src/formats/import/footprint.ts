import { anyPackage, type AnyPackageInput } from '~/schema/values/package';

/** Families by the names that parts lists give to their outlines, most particular first (common practice). */
const NAMED: readonly (readonly [pattern: RegExp, make: (pins: number, text: string) => unknown])[] = [
  [/(?:^|\D)(0201|0402|0603|0805|1206|1210|1812|2010|2512)(?:\D|$)/, (_, code) => ({ family: 'chip', code })],
  [
    /HTSSOP|TSSOP-?(\d+)/i,
    (pins) => ({ family: 'ssop', pins, bodyLength_mm: 4.4, span_mm: 6.4, bodyHeight_mm: 1.1 }),
  ],
  [/SSOP-?(\d+)/i, (pins) => ({ family: 'ssop', pins })],
  [/TSOP\D*(\d+)/i, (pins) => ({ family: 'tsop', pins })],
  [/SOJ-?(\d+)/i, (pins) => ({ family: 'soj', pins })],
  [/PLCC-?(\d+)/i, (pins) => ({ family: 'plcc', pins })],
  [/QFP-?(\d+)/i, (pins) => ({ family: 'qfp', pins, ...(pins <= 48 ? { pitch_mm: 0.8 } : {}) })],
  [/[QD]FN-?(\d+)/i, (pins) => ({ family: 'qfn', pins })],
  [/BGA-?(\d+)/i, (pins) => ({ family: 'bga', pins })],
  [/SOT-?23(?:-3)?(?:\D|$)/i, () => ({ family: 'sot23' })],
  [/DPAK|TO-?252/i, () => ({ family: 'dpak' })],
  [/SO(?:IC|P)?-?(\d+)/i, (pins) => ({ family: 'soic', pins })],
  [/TO-?220/i, () => holed('to220', 3)],
  [/P?DIP-?(\d+)/i, (pins) => holed('dip', pins)],
];

const holed = (family: string, pins: number) => ({
  family,
  pins,
  pitch_mm: 2.54,
  leadDiameter_mm: 0.5,
  holeDiameter_mm: 0.8,
});

/** The package a footprint's name stands for; null where it names none that is known. */
export function packageNamed(footprint: string): AnyPackageInput | null {
  for (const [pattern, make] of NAMED) {
    const found = pattern.exec(footprint);
    if (!found) continue;
    const parsed = anyPackage.safeParse(make(Number(found[1] ?? 0), found[1] ?? ''));
    if (parsed.success) return parsed.data;
  }
  return null;
}
