import type { Binding, Candidate } from '../candidate';
import { hottestOf, type NeighbourHeat } from '../limits/neighbours';
import type { AirSetting } from '../request';

/** What one run of a setting of air came to, by superposition or by the whole model. */
export interface AirReading {
  readonly setting: AirSetting;
  readonly pins: Candidate['pins'];
  /** Under air until the part is lifted, s; null where some pad stays solid. */
  readonly time_s: number | null;
  readonly damage: number;
  readonly rampRatio: number;
  readonly neighbours: readonly NeighbourHeat[];
  /** The pad that melts last or stays coldest. */
  readonly last: string;
  /** Whether every pad melts before a limit is met; and else the limit, and by how much it is missed. */
  readonly inTime: boolean;
  readonly missed: Pick<Binding, 'limit' | 'short_s' | 'shortOfLiquidus_K'>;
}

/** A reading as a candidate beside the others, with what binds it: its own limit first, then its neighbours'. */
export function airCandidate({ last, inTime, missed, ...reading }: AirReading): Candidate {
  const atRisk = reading.neighbours.filter((n) => !n.ok);
  const bound = { pad: last, lastToMelt: `pad ${last}` };
  const binding: Binding | null = !inTime
    ? { ...bound, ...missed }
    : atRisk.length > 0
      ? {
          ...bound,
          limit: 'neighbour',
          short_s: null,
          shortOfLiquidus_K: null,
          neighbour: hottestOf(atRisk),
        }
      : null;
  return { ...reading, feasible: inTime && atRisk.length === 0, binding };
}
