import { ALLOYS } from '~/core/materials/alloys';
import { celsius } from '~/core/quantity/convert';
import type { FieldRun } from '~/core/thermal/field/run';
import { firstReached_s } from '~/core/thermal/history';
import type { NeighbourLimit } from '../limits/neighbours';
import { AIR } from '../settings';

/** From the last pad molten and settled to the first limit met; times as the run counts them. */
export interface LiftWindow {
  readonly from_s: number;
  /** Null: no limit is met while the run lasts. */
  readonly to_s: number | null;
  readonly because: string;
}

/** The window of a part under air among its neighbours; null while some pad stays solid. */
export function liftWindow(
  run: FieldRun,
  part: { readonly ref: string; readonly alloy: keyof typeof ALLOYS },
  neighbours: readonly NeighbourLimit[],
): LiftWindow | null {
  const pads = run.pads.filter((pad) => pad.ref === part.ref);
  const melts = pads.map((pad) => pad.fullMelt_s);
  if (melts.some((melt) => melt === null)) return null;
  const { liquidus } = ALLOYS[part.alloy];
  const reached: (readonly [at_s: number | null, because: string])[] = [
    ...pads.map(
      (pad) =>
        [
          setsAgain_s(run.time_s, pad.history_K, pad.fullMelt_s!, liquidus.value),
          `pad ${pad.pad} sets again`,
        ] as const,
    ),
    ...run.bodies
      .filter((body) => body.ref === part.ref)
      .map(
        (body) =>
          [
            firstReached_s(run.time_s, body.history_K, body.limit_K),
            `${body.ref} reaches its limit of ${inWords(body.limit_K)}`,
          ] as const,
      ),
    ...neighbours.flatMap((limit) => [
      ...run.bodies
        .filter((body) => body.ref === limit.ref)
        .map(
          (body) =>
            [
              firstReached_s(run.time_s, body.history_K, limit.body_K),
              `${limit.ref} reaches ${inWords(limit.body_K)}`,
            ] as const,
        ),
      ...run.pads
        .filter((pad) => pad.ref === limit.ref)
        .map(
          (pad) =>
            [
              firstReached_s(run.time_s, pad.history_K, limit.joint_K),
              `a joint of ${limit.ref} nears its melt, ${inWords(limit.joint_K)}`,
            ] as const,
        ),
    ]),
  ];
  const first = reached.reduce<{ at_s: number; because: string } | null>(
    (a, [at_s, because]) => (at_s !== null && at_s < (a?.at_s ?? Infinity) ? { at_s, because } : a),
    null,
  );
  return {
    from_s: Math.max(...(melts as number[])) + AIR.settle_s,
    to_s: first?.at_s ?? null,
    because: first?.because ?? 'no limit is met while the run lasts',
  };
}

const inWords = (limit_K: number): string => `${Math.round(celsius(limit_K))} °C`;

/** When a molten pad falls back under liquidus, or null if it stays molten to the end. */
function setsAgain_s(
  time_s: Float64Array,
  history_K: Float64Array,
  molten_s: number,
  liquidus_K: number,
): number | null {
  for (let i = 1; i < time_s.length; i++) {
    if (time_s[i]! > molten_s && history_K[i - 1]! >= liquidus_K && history_K[i]! < liquidus_K) {
      const share = (history_K[i - 1]! - liquidus_K) / (history_K[i - 1]! - history_K[i]!);
      return time_s[i - 1]! + share * (time_s[i]! - time_s[i - 1]!);
    }
  }
  return null;
}
