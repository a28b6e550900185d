import { z } from 'zod';
import { choiceInput, planInput, type ChoiceInput, type PlanInput } from '~/schema/exchange/plan/planRequest';

/** What a job was planned from, in today's shape: the cost of a heat is computed on it. */
export interface JobRequest {
  readonly input: PlanInput;
  /** A choice for each phase; empty for jobs of the first models, which had one setting. */
  readonly choices: readonly ChoiceInput[];
}

type Stored = Readonly<Record<string, unknown>>;

/** As it stands in the record, written by whatever version accepted the job. */
export interface StoredRequest {
  readonly input: unknown;
  readonly setting: unknown;
  readonly choices: unknown;
}

/**
 * Brings a stored request to today's shape; null where today's model can no longer be asked with it. The job itself
 * stays readable: only what a further heat costs cannot be told.
 */
export function jobRequestOf({ input, setting, choices }: StoredRequest): JobRequest | null {
  const given = (choices ?? []) as readonly Stored[];
  const asked = planInput.safeParse(input);
  const chosen = z
    .array(choiceInput)
    .safeParse(
      given.length > 0
        ? given.map((choice) => ({ ...choice, setting: settingNow(choice['setting'] as Stored) }))
        : [{ ...firstChoice((input as Stored)['goal']), setting: settingNow(setting as Stored) }],
    );
  return asked.success && chosen.success ? { input: asked.data, choices: chosen.data } : null;
}

/** Jobs of the first models had no choices: they took a part off leg by leg, or joined it again joint by joint. */
const firstChoice = (goal: unknown) =>
  goal === 'reflow'
    ? { phase: 'reflow', method: 'joint-by-joint' }
    : { phase: 'remove', method: 'leg-at-a-time' };

/** Settings named their tool and temperature by its kind once, and the first ones had no kind. */
function settingNow({ ironId, stationId, air_C, ...rest }: Stored): Stored {
  return {
    kind: 'hand',
    ...rest,
    ...(ironId === undefined && stationId === undefined ? {} : { toolId: ironId ?? stationId }),
    ...(air_C === undefined ? {} : { setpoint_C: air_C }),
  };
}
