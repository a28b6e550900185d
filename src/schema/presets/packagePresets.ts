import type { AnyPackageInput, SurfacePackageInput } from '~/schema/values/package';

/** A common outline under its standard's name; every figure can be changed after it is taken. */
export interface PackagePreset {
  readonly name: string;
  /** The outline standard. All from memory; the reference tests hold their figures row by row. */
  readonly standard: string;
  readonly package: AnyPackageInput;
}

const chips = (['0201', '0402', '0603', '0805', '1206', '1210', '1812', '2010', '2512'] as const).map(
  (code): PackagePreset => ({
    name: `Chip ${code}`,
    standard: 'IEC 60115-8, EIA size code',
    package: { family: 'chip', code },
  }),
);

const dips = (
  [
    [8, 9.4],
    [14, 19.05],
    [16, 19.3],
    [18, 22.9],
    [20, 26.2],
    [24, 31.8],
    [28, 36.8],
    [40, 52.1],
  ] as const
).map(([pins, bodyLength_mm]): PackagePreset => {
  const wide = pins >= 24;
  return {
    name: `DIP-${pins}${wide ? ', 15.24 mm' : ''}`,
    standard: wide ? 'JEDEC MS-011' : 'JEDEC MS-001',
    package: {
      family: 'dip',
      pins,
      pitch_mm: 2.54,
      rowSpacing_mm: wide ? 15.24 : 7.62,
      leadDiameter_mm: 0.5,
      holeDiameter_mm: 0.8,
      landDiameter_mm: 1.6,
      bodyLength_mm,
      bodyWidth_mm: wide ? 13.8 : 6.35,
      bodyHeight_mm: wide ? 3.8 : 3.3,
    },
  };
});

const sockets = ([8, 14, 16, 28, 40] as const).map((pins): PackagePreset => {
  const wide = pins >= 24;
  return {
    name: `Socket for DIP-${pins}`,
    standard: 'for JEDEC MS-001 and MS-011 outlines',
    package: {
      family: 'dipSocket',
      pins,
      pitch_mm: 2.54,
      rowSpacing_mm: wide ? 15.24 : 7.62,
      leadDiameter_mm: 0.5,
      holeDiameter_mm: 0.9,
      landDiameter_mm: 1.6,
      bodyWidth_mm: wide ? 17.8 : 10.2,
      bodyHeight_mm: 4.5,
    },
  };
});

const surface = (name: string, standard: string, figures: SurfacePackageInput): PackagePreset => ({
  name,
  standard,
  package: figures,
});

const TSSOP = { bodyLength_mm: 4.4, span_mm: 6.4, bodyHeight_mm: 1.1, foot_mm: 0.6, leadWidth_mm: 0.25 };

/** A sum of tenths as a tenth. */
const tenths = (mm: number): number => Math.round(mm * 10) / 10;

export const PACKAGE_PRESETS: readonly PackagePreset[] = [
  ...chips,
  surface('SOT-23', 'JEDEC TO-236 AB', { family: 'sot23' }),
  surface('SOT-23-5', 'JEDEC MO-178 AA', { family: 'sot23', pins: 5 }),
  surface('SOT-23-6', 'JEDEC MO-178 AB', { family: 'sot23', pins: 6 }),
  surface('SOT-223', 'JEDEC TO-261 AA', { family: 'sot223' }),
  surface('SOT-89', 'JEDEC TO-243 AA', { family: 'sot89' }),
  ...(['SOD-123', 'SOD-323', 'SOD-523'] as const).map((code) =>
    surface(code, 'JEDEC DO-219, JEITA SC-76 and SC-79', { family: 'sod', code }),
  ),
  ...(['SMA', 'SMB', 'SMC'] as const).map((code) =>
    surface(`${code} diode`, 'JEDEC DO-214', { family: 'mouldedDiode', code }),
  ),
  ...(['A', 'B', 'C', 'D', 'E'] as const).map((code) =>
    surface(`Tantalum case ${code}`, 'EIA-535BAAC', { family: 'tantalum', code }),
  ),
  ...(['MELF', 'MiniMELF', 'MicroMELF'] as const).map((code) =>
    surface(code, 'JEDEC DO-213', { family: 'melf', code }),
  ),
  surface('DPAK', 'JEDEC TO-252 AA', { family: 'dpak' }),
  ...[4, 5, 6.3, 8, 10].map((diameter) =>
    surface(`Can on a base, ${diameter} mm`, 'IEC 60384-18 styles', {
      family: 'canElectrolytic',
      bodyDiameter_mm: diameter,
    }),
  ),
  ...[8, 14, 16].map((pins) => surface(`SOIC-${pins}`, 'JEDEC MS-012', { family: 'soic', pins })),
  ...[18, 20, 24, 28].map((pins) => surface(`SOIC-${pins}, wide`, 'JEDEC MS-013', { family: 'soic', pins })),
  ...[16, 20, 24, 28].map((pins) => surface(`SSOP-${pins}`, 'JEDEC MO-150', { family: 'ssop', pins })),
  ...(
    [
      [8, 3],
      [14, 5],
      [16, 5],
      [20, 6.5],
      [24, 7.8],
      [28, 9.7],
    ] as const
  ).map(([pins, bodyWidth_mm]) =>
    surface(`TSSOP-${pins}`, 'JEDEC MO-153', { family: 'ssop', pins, bodyWidth_mm, ...TSSOP }),
  ),
  ...[44, 54].map((pins) => surface(`TSOP II-${pins}`, 'JEDEC MS-024', { family: 'tsop', pins })),
  ...[28, 32, 40].map((pins) => surface(`SOJ-${pins}, 7.6 mm`, 'JEDEC MO-065', { family: 'soj', pins })),
  ...[20, 28, 44, 52, 68, 84].map((pins) =>
    surface(`PLCC-${pins}`, 'JEDEC MO-047', { family: 'plcc', pins }),
  ),
  ...(
    [
      [32, 0.8, 7],
      [44, 0.8, 10],
      [48, 0.5, 7],
      [64, 0.5, 10],
      [100, 0.5, 14],
      [144, 0.5, 20],
      [176, 0.5, 24],
      [208, 0.5, 28],
    ] as const
  ).map(([pins, pitch_mm, body]) =>
    surface(`LQFP-${pins}, ${pitch_mm} mm`, 'JEDEC MS-026', {
      family: 'qfp',
      pins,
      pitch_mm,
      bodyLength_mm: body,
      bodyWidth_mm: body,
    }),
  ),
  surface('PQFP-80, 14 × 20 mm', 'JEDEC MS-022', {
    family: 'qfp',
    pins: 80,
    sidePins: 24,
    pitch_mm: 0.8,
    bodyLength_mm: 14,
    bodyWidth_mm: 20,
    bodyHeight_mm: 2.8,
    span_mm: 17.9,
    foot_mm: 0.88,
  }),
  surface('PQFP-100, 14 × 20 mm', 'JEDEC MS-022', {
    family: 'qfp',
    pins: 100,
    sidePins: 30,
    pitch_mm: 0.65,
    bodyLength_mm: 14,
    bodyWidth_mm: 20,
    bodyHeight_mm: 2.8,
    span_mm: 17.9,
    foot_mm: 0.88,
  }),
  ...[16, 32, 48, 64].map((pins) => surface(`QFN-${pins}, 0.5 mm`, 'JEDEC MO-220', { family: 'qfn', pins })),
  ...(
    [
      [10, 1],
      [16, 1],
      [20, 1.27],
    ] as const
  ).map(([side, pitch_mm]) =>
    surface(`BGA-${side * side}, ${pitch_mm} mm`, pitch_mm > 1 ? 'JEDEC MO-151' : 'JEDEC MO-192', {
      family: 'bga',
      rows: side,
      columns: side,
      pitch_mm,
    }),
  ),
  ...dips,
  ...sockets,
  {
    name: 'TO-220',
    standard: 'JEDEC TO-220 AB',
    package: {
      family: 'to220',
      pins: 3,
      pitch_mm: 2.54,
      leadDiameter_mm: 0.9,
      holeDiameter_mm: 1.2,
      landDiameter_mm: 2,
      bodyLength_mm: 10.2,
      bodyWidth_mm: 4.5,
      bodyHeight_mm: 15,
    },
  },
  ...(
    [
      ['TO-92, in line 1.27 mm', 1.27, 1.1],
      ['TO-92, formed to 2.54 mm', 2.54, 1.7],
    ] as const
  ).map(([name, pitch_mm, landDiameter_mm]): PackagePreset => ({
    name,
    standard: 'JEDEC TO-226 AA',
    package: {
      family: 'to92',
      pins: 3,
      pitch_mm,
      leadDiameter_mm: 0.5,
      holeDiameter_mm: 0.8,
      landDiameter_mm,
      bodyLength_mm: 4.7,
      bodyWidth_mm: 3.7,
      bodyHeight_mm: 4.8,
    },
  })),
  ...(
    [
      [9, 30.8],
      [15, 39.2],
      [25, 53],
      [37, 69.3],
    ] as const
  ).map(([pins, bodyLength_mm]): PackagePreset => ({
    name: `D-sub, ${pins} pins`,
    standard: 'MIL-DTL-24308',
    package: {
      family: 'dsub',
      pins,
      pitch_mm: 2.77,
      rowSpacing_mm: 2.84,
      leadDiameter_mm: 0.75,
      holeDiameter_mm: 1.1,
      landDiameter_mm: 1.7,
      bodyLength_mm,
    },
  })),
  {
    name: 'Axial DO-35',
    standard: 'JEDEC DO-204 AH',
    package: {
      family: 'axial',
      pins: 2,
      pitch_mm: 7.62,
      leadDiameter_mm: 0.5,
      holeDiameter_mm: 0.8,
      bodyDiameter_mm: 1.9,
      bodyLength_mm: 4,
    },
  },
  ...(
    [
      [5, 2, 0.5],
      [6.3, 2.5, 0.5],
      [8, 3.5, 0.6],
      [10, 5, 0.6],
      [12.5, 5, 0.6],
      [16, 7.5, 0.8],
    ] as const
  ).map(([diameter, pitch_mm, lead]): PackagePreset => ({
    name: `Radial can ${diameter} mm, pitch ${pitch_mm}`,
    standard: 'IEC 60717 lead spacings',
    package: {
      family: 'radial',
      pins: 2,
      pitch_mm,
      leadDiameter_mm: lead,
      holeDiameter_mm: tenths(lead + 0.3),
      landDiameter_mm: tenths(Math.min(lead + 1.2, pitch_mm - 0.3)),
      bodyDiameter_mm: diameter,
    },
  })),
  ...[2, 3, 4, 6, 10, 20].map((pins): PackagePreset => ({
    name: `Pin header ${pins} × 2.54 mm`,
    standard: 'common practice, 0.64 mm square pins',
    package: {
      family: 'header',
      pins,
      pitch_mm: 2.54,
      leadDiameter_mm: 0.7,
      holeDiameter_mm: 1,
      landDiameter_mm: 1.7,
      bodyWidth_mm: 2.5,
    },
  })),
];
