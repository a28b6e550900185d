import { STILL_AIR } from '~/core/materials/air';
import { arealHeat_J_m2K } from '~/core/thermal/stackup';
import { isSurface, type PartPackage } from '~/core/packages/form';
import { holeTouch } from '../hand/holeTouch';
import { landTouch } from '../hand/landTouch';
import { bareNeighbour } from '../hand/neighbours';
import type { Working } from '../plan/pieces/piece';
import { fitsToo } from './lookAlike';
import { serially } from '../plan/pieces/solve';
import type { Progress } from '../progress';
import { padOrder, type PlanRequest } from '../request';
import { washing_s } from '../steps/cleaning';
import { sequences, type Sequence, type Warmth } from './sequence';
import { recapSite, type RecapAsk, type RecapPhase, type RecapSite } from './site';

/** Parts to have ready, value by value. */
interface PickLine {
  readonly value: string;
  readonly family: string;
  readonly refs: readonly string[];
  /** Other values of this job that go into the same lands: taken for one another, nothing stops the hand. */
  readonly lookAlikes: readonly string[];
}

/** A whole-board job: every site, both orders, what to have ready. */
export interface RecapPlan {
  readonly sites: readonly RecapSite[];
  readonly byValue: Sequence;
  readonly byArea: Sequence;
  readonly picks: readonly PickLine[];
}

/** Distances at which the warmth about a worked joint is read, m. */
const AWAY_m = [3e-3, 5e-3, 8e-3, 12e-3, 20e-3, 35e-3];

/** Plans every site at nominal values, then both orders. Yields as it goes; asked no further, it is cancelled. */
export function* recapInPieces(asks: readonly RecapAsk[]): Working<RecapPlan> {
  const known = new Map<string, RecapSite['work']>();
  const sites: RecapSite[] = [];
  for (const ask of asks) {
    const steps = recapSite(ask, known);
    let next = steps.next();
    while (!next.done) {
      const far = { stage: 'search', done: sites.length, of: asks.length } as const;
      // How far one site is says little: the board's own count is shown.
      next = steps.next(yield next.value.stage === 'ask' ? { ...next.value, shown: () => far } : far);
    }
    sites.push(next.value);
    yield { stage: 'search', done: sites.length, of: asks.length };
  }
  const [byValue, byArea] = sequences(
    sites,
    warmthOf(asks, sites),
    Math.max(0, ...asks.map(({ request }) => washing_s(request))),
  );
  return { sites, byValue, byArea, picks: picksOf(asks) };
}

/** The same on one thread. */
export const recap = (asks: readonly RecapAsk[]): Generator<Progress, RecapPlan> =>
  serially(recapInPieces(asks));

/** The warmth about the hardest joint of the first site that can be worked; none where none can. */
function warmthOf(asks: readonly RecapAsk[], sites: readonly RecapSite[]): Warmth {
  const request = asks[0]?.request;
  const at = sites.findIndex((s) => s.work !== null);
  const ambient_K = request?.ambient_K ?? 296.15;
  const constant_s = request
    ? arealHeat_J_m2K(request.board) / (STILL_AIR.boardTop.value + STILL_AIR.boardBottom.value)
    : 1;
  const ask = asks[at];
  const work = sites[at]?.work;
  const first = work?.off ?? work?.on;
  if (!ask || first?.setting.kind !== 'hand') return { rise_K: () => 0, constant_s, ambient_K };
  const peaks = peaksAround(ask.request, first);
  return {
    constant_s,
    ambient_K,
    rise_K: (distance_m) => {
      const i = AWAY_m.findIndex((d) => d >= distance_m);
      const peak = i < 0 ? ambient_K : peaks[i]!;
      return Math.max(0, peak - ambient_K);
    },
  };
}

function peaksAround(request: PlanRequest, { setting, heat_s }: RecapPhase): number[] {
  if (setting.kind !== 'hand') return AWAY_m.map(() => request.ambient_K);
  const { site } = request;
  const pad = padOrder(request).at(-1)!;
  const alone = { ...request, phase: 'remove' as const };
  const touch = isSurface(site.part)
    ? landTouch(alone, setting, [pad], 'one')
    : holeTouch(alone, setting, pad);
  const around = AWAY_m.map((away_m) => bareNeighbour(site, site.x_m + away_m, site.y_m));
  return touch.peaksNear(around, heat_s);
}

function picksOf(asks: readonly RecapAsk[]): PickLine[] {
  const lines = new Map<string, { value: string; part: PartPackage; refs: string[] }>();
  for (const { value, request } of asks) {
    const { part, ref } = request.site;
    const key = `${part.family} ${value}`;
    const line = lines.get(key) ?? { value, part, refs: [] };
    line.refs.push(ref);
    lines.set(key, line);
  }
  const sorted = [...lines.values()].sort((a, b) => a.value.localeCompare(b.value, 'en', { numeric: true }));
  return sorted.map(({ value, part, refs }) => ({
    value,
    family: part.family,
    refs,
    lookAlikes: sorted.flatMap((other) =>
      other.value !== value && fitsToo(part, other.part) ? [other.value] : [],
    ),
  }));
}
