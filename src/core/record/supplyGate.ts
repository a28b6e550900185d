/** What a unit asks of its supply, and what the supply was read to give before it is plugged in. */
export interface SupplyRead {
  /** As its label says, plus where its plus is. */
  readonly asks_V: number;
  /** At the plug, meter's red on the unit's plus: below nought the leads are the wrong way round. */
  readonly gives_V: number;
  readonly limit_A: number;
}

/** A unit's label stands for so much either way (common practice for a unit fed from outside). */
const NEAR = 0.05;

/** Below this a supply gives nothing: its output is off. */
export const OFF_V = 0.3;

/** The step in which a supply is put to the board. */
export const isSupplyGate = (stepId: string | undefined): boolean =>
  stepId !== undefined && /(^|-)supply$/.test(stepId);

/** Why a unit is not powered by what was read of its supply; null where it may. */
export function supplyRefusal(read: Partial<SupplyRead> | undefined): string | null {
  const { asks_V, gives_V, limit_A } = read ?? {};
  if (asks_V === undefined) return 'what the unit asks is not given; read it off its label, in V';
  if (gives_V === undefined) return 'nothing was read at the plug; measure what the supply gives there, in V';
  if (Math.abs(gives_V) < OFF_V)
    return 'the supply gives nothing at its plug; turn its output on, with the unit unplugged, and read it again';
  if (Math.sign(gives_V) !== Math.sign(asks_V))
    return `the leads are the wrong way round: the plug has ${gives_V} V where the unit asks ${asks_V} V; turn them and read again`;
  if (Math.abs(gives_V - asks_V) > NEAR * Math.abs(asks_V))
    return `the plug has ${gives_V} V and the unit asks ${asks_V} V; set the supply and read it again`;
  if (limit_A === undefined || limit_A <= 0)
    return 'the current limit is not given; set it to little more than the unit draws, and give it in A';
  return null;
}
