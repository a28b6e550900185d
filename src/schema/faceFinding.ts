import { z } from 'zod';
import { boardSide, initials, oneOf, quantity, recordId, text, whenever_ms } from './fields';

/** Where on a face something was found that is no pad: a track or crack as a line, a via as a point, an area. */
export const PLACE_KINDS = ['track', 'via', 'area'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** What copper, mask and laminate away from pads are found to be; shape and letter as on pads. */
export const FACE_STATES = {
  sound: { name: 'Sound', letter: 'S', defect: false, on: ['track', 'via', 'area'] },
  corroded: { name: 'Corroded', letter: 'O', defect: true, on: ['track', 'via', 'area'] },
  flaked: { name: 'Mask flaked', letter: 'F', defect: true, on: ['track', 'area'] },
  cut: { name: 'Cut or cracked', letter: 'U', defect: true, on: ['track'] },
  open: { name: 'Barrel open', letter: 'A', defect: true, on: ['via'] },
  bridged: { name: 'Bridged over', letter: 'B', defect: true, on: ['track', 'area'] },
  charred: { name: 'Charred', letter: 'H', defect: true, on: ['track', 'area'] },
  delaminated: { name: 'Blistered or delaminated', letter: 'D', defect: true, on: ['area'] },
  residue: { name: 'Residue', letter: 'E', defect: true, on: ['area'] },
  repaired: { name: 'Repaired', letter: 'R', defect: false, on: ['track', 'via', 'area'] },
} as const satisfies Record<
  string,
  { name: string; letter: string; defect: boolean; on: readonly PlaceKind[] }
>;
export type FaceState = keyof typeof FACE_STATES;
export const FACE_STATE_IDS = Object.keys(FACE_STATES) as [FaceState, ...FaceState[]];

const point = z.strictObject({ x_mm: quantity('mm', 0, 1000), y_mm: quantity('mm', 0, 1000) });
export type FacePoint = z.infer<typeof point>;

const POINTS: Readonly<Record<PlaceKind, readonly [number, number]>> = {
  track: [2, 200],
  via: [1, 1],
  area: [3, 200],
};

const fields = {
  side: boardSide,
  kind: oneOf(PLACE_KINDS),
  /** Seen from the top, along the line or round the area. */
  points: z.array(point).max(200, { error: 'has more than 200 points; draw it with fewer' }),
  state: oneOf(FACE_STATE_IDS),
  foundAs: oneOf(['as-received', 'done-here']),
  /** The earlier entry on the same place, where this one follows it. */
  followsId: recordId.nullable().default(null),
  note: text(0, 400).default(''),
  by: initials,
};

export const newFaceFinding = z.strictObject(fields).superRefine((given, context) => {
  const [least, most] = POINTS[given.kind];
  const refuse = (path: string, message: string) =>
    context.addIssue({ code: 'custom', path: [path], message, input: given });
  if (given.points.length < least || given.points.length > most) {
    refuse(
      'points',
      `has ${given.points.length}; ${given.kind === 'via' ? 'a via has one' : `${given.kind} takes ${least} to ${most}`}`,
    );
  }
  if (!(FACE_STATES[given.state].on as readonly PlaceKind[]).includes(given.kind))
    refuse(
      'state',
      `"${FACE_STATES[given.state].name}" is not said of ${given.kind === 'track' ? 'a track' : given.kind === 'via' ? 'a via' : 'an area'}; choose another`,
    );
});
export type NewFaceFinding = z.infer<typeof newFaceFinding>;

/** A finding on a face in the record; it is never changed, the next on the same place follows it. */
export const faceFindingRecord = z.strictObject({
  ...fields,
  id: recordId,
  boardId: recordId,
  at_ms: whenever_ms,
});
export type FaceFindingRecord = z.infer<typeof faceFindingRecord>;
