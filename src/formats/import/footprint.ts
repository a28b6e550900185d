import { anyPackage, type AnyPackageInput } from '~/schema/values/package';

type Make = (found: RegExpExecArray) => unknown;

const holed = (family: string, pins: number, pitch_mm = 2.54): Record<string, unknown> => ({
  family,
  pins,
  pitch_mm,
  leadDiameter_mm: 0.5,
  holeDiameter_mm: 0.8,
  ...(pitch_mm < 1.7 ? { landDiameter_mm: 1.1 } : {}),
});
const pinsOf = (found: RegExpExecArray, at = 1): number => Number(found[at] ?? 0);

/** Families by the names that parts lists give to their outlines, most particular first (common practice). */
const NAMED: readonly (readonly [pattern: RegExp, make: Make])[] = [
  [
    /(mini|micro)?[ _-]?MELF|SOD-?80|LL-?(34|35|41)|DO-?213/i,
    (found) => ({ family: 'melf', code: melfCode(found) }),
  ],
  [/SOD-?(123|323|523)|SC-?(76|79)/i, (found) => ({ family: 'sod', code: sodCode(found) })],
  [
    /(?:^|[^A-Z])SM(A|B|C)(?:$|[^A-Z0-9])|DO-?214-?(AC|AA|AB)/i,
    (found) => ({ family: 'mouldedDiode', code: diodeCode(found) }),
  ],
  [
    /(?:tant\w*|CP|case|EIA)[ _-]*(?:EIA[ _-]*)?(?:case[ _-]*)?(3216|3528|6032|7343)(?:-(\d\d))?|(?:tant\w*|case)[ _-]*(?:case[ _-]*)?([A-E])(?:$|[^A-Z0-9])/i,
    (found) => ({ family: 'tantalum', code: tantalumCode(found) }),
  ],
  [
    /(?:^|\D)(0201|0402|0603|0805|1206|1210|1812|2010|2512)(?:\D|$)/,
    (found) => ({ family: 'chip', code: found[1] }),
  ],
  [
    /(?:HTSSOP|TSSOP|MSOP)\D?-?(\d+)/i,
    (found) => ({
      family: 'ssop',
      pins: pinsOf(found),
      ...(pinsOf(found) <= 10 ? { bodyLength_mm: 3, span_mm: 4.9 } : { bodyLength_mm: 4.4, span_mm: 6.4 }),
      bodyHeight_mm: 1.1,
    }),
  ],
  [/(?:Q|S)SOP-?(\d+)/i, (found) => ({ family: 'ssop', pins: pinsOf(found) })],
  [/TSOP-?(?:I+-?)?(\d+)/i, (found) => ({ family: 'tsop', pins: pinsOf(found) })],
  [/SOJ-?(\d+)/i, (found) => ({ family: 'soj', pins: pinsOf(found) })],
  [/PLCC-?(\d+)/i, (found) => ({ family: 'plcc', pins: pinsOf(found) })],
  [
    /QFP-?(\d+)/i,
    (found) => ({ family: 'qfp', pins: pinsOf(found), ...(pinsOf(found) <= 48 ? { pitch_mm: 0.8 } : {}) }),
  ],
  [/[QD]FN-?(\d+)/i, (found) => ({ family: 'qfn', pins: pinsOf(found) })],
  [/BGA-?(\d+)/i, (found) => ({ family: 'bga', pins: pinsOf(found) })],
  [/SOT-?223|TO-?261/i, () => ({ family: 'sot223' })],
  [/SOT-?89|TO-?243/i, () => ({ family: 'sot89' })],
  [
    /SOT-?23-?(5|6)|T?SOT-?2(5|6)(?!\d)|SC-?74A?/i,
    (found) => ({ family: 'sot23', pins: Number(found[1] ?? found[2] ?? 6) }),
  ],
  [/SOT-?23(?:-?3)?(?!\d)|TO-?236/i, () => ({ family: 'sot23' })],
  [/D2?PAK|TO-?252|TO-?263/i, () => ({ family: 'dpak' })],
  [/SO(?:IC|P)?-?(\d+)/i, (found) => ({ family: 'soic', pins: pinsOf(found) })],
  [/TO-?220/i, () => holed('to220', 3)],
  [/TO-?92/i, () => holed('to92', 3, 1.27)],
  [
    /D-?SUB\D*(9|15|25|37)|(?:^|[^A-Z])D[EABC]-?(9|15|25|37)(?!\d)/i,
    (found) => ({ ...holed('dsub', Number(found[1] ?? found[2]), 2.77), landDiameter_mm: 1.7 }),
  ],
  [/P?DIP-?(\d+)/i, (found) => holed('dip', pinsOf(found))],
  [/(?:pin)?[ _-]?(?:header|hdr|strip)\D*0?1x0?(\d+)/i, (found) => holed('header', pinsOf(found))],
];

const melfCode = ([text, size]: RegExpExecArray): string =>
  /micro/i.test(size ?? '')
    ? 'MicroMELF'
    : /mini/i.test(size ?? '') || /SOD|LL-?3|213-?AA/i.test(text)
      ? 'MiniMELF'
      : 'MELF';
const sodCode = ([, sod, sc]: RegExpExecArray): string => `SOD-${sod ?? (sc === '76' ? '323' : '523')}`;
const diodeCode = ([, letter, jedec]: RegExpExecArray): string =>
  `SM${letter?.toUpperCase() ?? { AC: 'A', AA: 'B', AB: 'C' }[jedec!.toUpperCase()]}`;

function tantalumCode([, size, high, letter]: RegExpExecArray): string {
  if (letter) return letter.toUpperCase();
  const code = { '3216': 'A', '3528': 'B', '6032': 'C', '7343': 'D' }[size!]!;
  return code === 'D' && Number(high ?? 31) > 35 ? 'E' : code;
}

/** The package a footprint's name stands for; null where it names none that is known. */
export function packageNamed(footprint: string): AnyPackageInput | null {
  for (const [pattern, make] of NAMED) {
    const found = pattern.exec(footprint);
    if (!found) continue;
    const parsed = anyPackage.safeParse(make(found));
    if (parsed.success) return parsed.data;
  }
  return null;
}
