import { z } from 'zod';
import { ANYWHERE, FAMILY_IDS, TWO_ROWS, type FamilyId } from '~/core/packages/families';
import { USUAL_PINS } from '~/core/packages/outlines';
import { codesOf, isSized, SIZE_CODES } from '~/core/packages/sizes';
import { SURFACE_FAMILY_IDS, type SurfaceFamilyId } from '~/core/packages/surfaceFamilies';

import { closest, usualLand_m } from '~/core/packages/throughHole';
import { metres, millimetres } from '~/core/quantity/convert';
import { oneOf, quantity, wholeNumber } from './fields';

/** A part with leads through the board, by the name of its family. */
const family = oneOf([...FAMILY_IDS, ...SURFACE_FAMILY_IDS] as unknown as [string, ...string[]]).refine(
  (id): id is FamilyId => (FAMILY_IDS as readonly string[]).includes(id),
  {
    error: (issue) =>
      `is "${String(issue.input)}", which is no part with leads through the board; give one of ${FAMILY_IDS.join(', ')}`,
  },
);

/** What a part's own sheet says its body stands. */
const OWN_LIMIT = quantity('°C', 40, 350).optional();

/** A through-hole part by its dimensions in mm. Bodies have a diameter (radial, axial) or a length and width. */
const throughHoleFields = {
  pins: wholeNumber(1, 64).default(2),
  pitch_mm: quantity('mm', 0.5, 60),
  rowSpacing_mm: quantity('mm', 2, 60).optional(),
  leadDiameter_mm: quantity('mm', 0.2, 3),
  holeDiameter_mm: quantity('mm', 0.3, 4),
  landDiameter_mm: quantity('mm', 0.6, 8).optional(),
  bodyDiameter_mm: quantity('mm', 1, 60).optional(),
  bodyLength_mm: quantity('mm', 1, 120).optional(),
  bodyWidth_mm: quantity('mm', 1, 60).optional(),
  bodyHeight_mm: quantity('mm', 0.5, 80).optional(),
  bodyLimit_C: OWN_LIMIT,
  /** Where each pin stands, x and y seen from the part's side, from any one point; for families without a pattern. */
  pinPlaces_mm: z
    .array(z.tuple([quantity('mm', -120, 120), quantity('mm', -120, 120)]))
    .min(1)
    .max(64)
    .optional(),
};

export const throughHolePackage = z
  .strictObject({ family, ...throughHoleFields })
  .superRefine(checkThroughHole);

function checkThroughHole(p: ThroughHoleInput, context: z.RefinementCtx): void {
  const refuse = (path: string, message: string) =>
    context.addIssue({ code: 'custom', path: [path], message, input: p });
  if (p.holeDiameter_mm <= p.leadDiameter_mm) {
    refuse(
      'holeDiameter_mm',
      `is ${p.holeDiameter_mm} mm, no wider than the ${p.leadDiameter_mm} mm lead; give a hole larger than leadDiameter_mm`,
    );
  }
  if (p.landDiameter_mm !== undefined && p.landDiameter_mm < p.holeDiameter_mm + 0.1) {
    refuse(
      'landDiameter_mm',
      `is ${p.landDiameter_mm} mm and leaves no ring about the ${p.holeDiameter_mm} mm hole; give at least ${(p.holeDiameter_mm + 0.1).toFixed(2)} mm`,
    );
  }
  if (TWO_ROWS.has(p.family) && p.pins % 2 === 1)
    refuse('pins', `is ${p.pins}; a dual in-line part has an even number of pins`);
  if (p.family === 'to92' && p.pins !== 3) refuse('pins', `is ${p.pins}; a to92 part has 3 pins`);
  if (TWO_LEADS.has(p.family) && p.pins !== 2) {
    refuse('pins', `is ${p.pins}; a ${p.family} part has 2 pins`);
  }
  if (p.pinPlaces_mm) checkPlaces(p, p.pinPlaces_mm, refuse);
  else if (landOf_mm(p) > p.pitch_mm && p.pins > 1) {
    refuse(
      'pitch_mm',
      `is ${p.pitch_mm} mm, less than the ${landOf_mm(p).toFixed(2)} mm lands; they would overlap`,
    );
  }
}

const TWO_LEADS: ReadonlySet<FamilyId> = new Set(['radial', 'axial']);

function checkPlaces(
  p: ThroughHoleInput,
  places_mm: readonly (readonly [number, number])[],
  refuse: (path: string, message: string) => void,
): void {
  if (!ANYWHERE.has(p.family))
    return refuse(
      'pinPlaces_mm',
      `belongs to parts without a pattern of their own (${[...ANYWHERE].join(', ')}); leave it out`,
    );
  if (places_mm.length !== p.pins)
    return refuse('pinPlaces_mm', `has ${places_mm.length} places for ${p.pins} pins; give one for each`);
  const near = closest(places_mm.map(([x_mm, y_mm]) => ({ x_m: metres(x_mm), y_m: metres(y_mm) })));
  const land_mm = landOf_mm(p);
  if (near && millimetres(near.apart_m) < land_mm)
    refuse(
      'pinPlaces_mm',
      `puts pins ${near.one} and ${near.other} ${millimetres(near.apart_m).toFixed(2)} mm apart, closer than their ${land_mm.toFixed(2)} mm lands; move one, or give a smaller land`,
    );
}

interface ThroughHoleInput {
  family: FamilyId;
  pins: number;
  pitch_mm: number;
  leadDiameter_mm: number;
  holeDiameter_mm: number;
  landDiameter_mm?: number | undefined;
  pinPlaces_mm?: [number, number][] | undefined;
}

/** A surface part by what differs from its family's usual outline. */
const surfacePackageInput = z
  .strictObject({
    family: oneOf(SURFACE_FAMILY_IDS),
    code: oneOf(SIZE_CODES).optional(),
    pins: wholeNumber(2, 2000).optional(),
    pitch_mm: quantity('mm', 0.2, 10).optional(),
    bodyLength_mm: quantity('mm', 0.3, 80).optional(),
    bodyWidth_mm: quantity('mm', 0.2, 80).optional(),
    bodyHeight_mm: quantity('mm', 0.2, 40).optional(),
    bodyDiameter_mm: quantity('mm', 2, 30).optional(),
    span_mm: quantity('mm', 0.5, 90).optional(),
    rows: wholeNumber(1, 60).optional(),
    columns: wholeNumber(1, 60).optional(),
    thermalPad_mm: quantity('mm', 0, 40).optional(),
    thermalPadWidth_mm: quantity('mm', 0.1, 40).optional(),
    sidePins: wholeNumber(1, 500).optional(),
    leadWidth_mm: quantity('mm', 0.05, 12).optional(),
    foot_mm: quantity('mm', 0, 12).optional(),
    landLength_mm: quantity('mm', 0.1, 20).optional(),
    landWidth_mm: quantity('mm', 0.1, 20).optional(),
    bodyLimit_C: OWN_LIMIT,
  })
  .superRefine((p, context) => {
    const pins = p.pins ?? USUAL_PINS[p.family];
    const refuse = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message, input: p });
    const fixed = FIXED_PINS[p.family];
    if (fixed !== undefined && pins !== fixed)
      refuse('pins', `is ${pins}; a ${p.family} part has ${fixed} pins`);
    if (isDual(p) && pins % 2 === 1) refuse('pins', `is ${pins}; give an even number of pins`);
    if (p.sidePins !== undefined && !QUAD.has(p.family))
      refuse('sidePins', 'belongs to quad packs; leave it out');
    else if (p.sidePins !== undefined) {
      if (pins % 2 === 1) refuse('pins', `is ${pins}; give an even number of pins`);
      if (2 * p.sidePins >= pins)
        refuse(
          'sidePins',
          `is ${p.sidePins}, and leaves none of ${pins} pins for the other sides; give fewer`,
        );
    } else if (QUAD.has(p.family) && pins % 4 !== 0)
      refuse(
        'pins',
        `is ${pins}; give a multiple of four pins, or sidePins for a pack that is longer than wide`,
      );
    if (p.code !== undefined && !isSized(p.family))
      refuse('code', 'belongs to parts of named sizes; leave it out');
    else if (p.code !== undefined && isSized(p.family) && !codesOf(p.family).includes(p.code))
      refuse('code', `is ${p.code}; a ${p.family} part is one of ${codesOf(p.family).join(', ')}`);
    if (p.family === 'sot23' && ![3, 5, 6].includes(pins))
      refuse('pins', `is ${pins}; a sot23 part has 3, 5 or 6 pins`);
    const { rows, columns } = p;
    if (p.family === 'connector' && rows !== undefined && rows > 2)
      refuse('rows', `is ${rows}; a surface connector has one row and two tabs, or two rows`);
    if (
      p.family === 'bga' &&
      rows !== undefined &&
      columns !== undefined &&
      p.pins !== undefined &&
      rows * columns !== pins
    ) {
      refuse('pins', `is ${pins}, but ${rows} rows of ${columns} make ${rows * columns}; leave pins out`);
    }
  });

const FIXED_PINS: Partial<Record<SurfaceFamilyId, number>> = {
  chip: 2,
  sod: 2,
  mouldedDiode: 2,
  tantalum: 2,
  melf: 2,
  canElectrolytic: 2,
  dpak: 3,
  sot223: 4,
  sot89: 3,
  button: 4,
  ceramicCrystal: 4,
};
const DUAL = new Set<SurfaceFamilyId>(['soic', 'ssop', 'tsop', 'soj', 'connector']);
const isDual = ({ family, rows }: { family: SurfaceFamilyId; rows?: number | undefined }): boolean =>
  DUAL.has(family) && !(family === 'connector' && rows === 1);
const QUAD = new Set<SurfaceFamilyId>(['plcc', 'qfp', 'qfn']);
export type SurfacePackageInput = z.infer<typeof surfacePackageInput>;
export type AnyPackageInput = PackageRecord | SurfacePackageInput;

/** Any part of any family. */
export const anyPackage = z.discriminatedUnion(
  'family',
  [
    z.strictObject({ family: oneOf(FAMILY_IDS), ...throughHoleFields }).superRefine(checkThroughHole),
    surfacePackageInput,
  ],
  { error: `family must be one of ${[...FAMILY_IDS, ...SURFACE_FAMILY_IDS].join(', ')}` },
);
export type PackageRecord = z.infer<typeof throughHolePackage>;

const landOf_mm = (p: ThroughHoleInput): number =>
  p.landDiameter_mm ?? millimetres(usualLand_m(metres(p.holeDiameter_mm)));
