import type { AlloyId } from '~/core/materials/alloys';
import type { PartPackage } from '~/core/packages/form';
import { judgeNeighbour, neighbourLimit } from '~/core/method/limits/neighbours';
import { padPlaces } from '~/core/packages/placement';
import { celsius, metres, radians } from '~/core/quantity/convert';
import { guestOf, LEAST_GUEST_DISTANCE_m, type Guest } from '~/core/thermal/joint/guests';
import { partOf } from '../si/part';
import type { SimulateAnswer } from './simulateAnswer';
import type { SimulateInput } from './simulateRequest';

type Neighbour = SimulateInput['neighbours'][number];

/** A neighbour without a package is a chip of the commonest size. */
export const neighbourPart = (neighbour: Neighbour) => partOf(neighbour.package ?? { family: 'chip' });

/** The neighbours of a heated pad as the joint scale knows them: by their nearest pad, on either face. */
export function guestsAbout(
  input: SimulateInput,
  heated: { readonly x_m: number; readonly y_m: number },
  workFace: 'top' | 'bottom',
): Guest[] {
  return input.neighbours.map((neighbour) => {
    const part = neighbourPart(neighbour);
    const at = {
      side: neighbour.side,
      x_m: metres(neighbour.x_mm),
      y_m: metres(neighbour.y_mm),
      rotation_rad: radians(neighbour.rotation_deg),
    };
    const nearest_m = padPlaces(at, part).reduce(
      (least, pad) => Math.min(least, Math.hypot(pad.x_m - heated.x_m, pad.y_m - heated.y_m)),
      Infinity,
    );
    return guestOf(part, neighbour.alloy, metres(input.board.thickness_mm), {
      distance_m: Math.max(LEAST_GUEST_DISTANCE_m, nearest_m),
      face: neighbour.side === workFace ? 'near' : 'far',
    });
  });
}

/** Whether a neighbour came through. */
export function neighbourAnswer(
  {
    ref,
    alloy,
    part,
  }: { readonly ref: string; readonly alloy: AlloyId; readonly part?: PartPackage | undefined },
  joint_K: number,
  body_K: number,
): SimulateAnswer['neighbours'][number] {
  const { ok } = judgeNeighbour(neighbourLimit({ ref, alloy, part }), joint_K, body_K);
  return { ref, body_C: celsius(body_K), joint_C: celsius(joint_K), ok };
}
