import { z } from 'zod';
import { boardSide, initials, oneOf, quantity, recordId, text, whenever_ms } from '~/schema/values/fields';
import { PLACE_KINDS, type PlaceKind, FACE_STATES, FACE_STATE_IDS } from '~/core/record/faceStates';

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
