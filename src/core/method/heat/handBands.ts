import { ask, type Working } from '../pieces/piece';
import type { HandSetting, PhaseRequest } from '../request';
import { PLAN } from '../settings';
import { bandOf, isHopeless, isSettled, type DrawnDwell, type DrawnTouch, type PinBand } from './bands';
import { allowanceFor } from './forecast';
import type { HandHeat } from './handTrial';
import type { Touch } from './touch';

/**
 * Bands of a setting's touches, each shown as its draws come; touches alike share one, and those that are settled early
 * are not drawn further. Null once one of them cannot be made sure and only sure ones will do.
 */
export function* bandsByHand(
  request: PhaseRequest,
  heat: HandHeat,
  setting: HandSetting,
  onlySure: boolean,
): Working<PinBand[] | null> {
  const touches = heat.touchesOf(request, setting);
  // The hardest touch first: it is the one that rules a setting out.
  const unlike = [...new Map(touches.map((touch) => [touch.likeness, touch])).values()].reverse();
  const draws = new Draws(request, unlike);

  for (const [from, to] of [
    [0, PLAN.leastDraws],
    [PLAN.leastDraws, PLAN.draws],
  ] as const) {
    const open = unlike.filter(({ name }) => !draws.isSettled(name));
    const pieces = open.flatMap(({ name }) => partsOf(heat, setting, name, from, to));
    const drawn = yield* ask(request, pieces, {
      enough: (one) => onlySure && isHopeless(draws.bandOf(one.touch, one.dwells)),
      shown: (came) => {
        const { touch } = came.at(-1)!;
        const dwells = [...draws.of(touch), ...came.flatMap((d) => (d.touch === touch ? d.dwells : []))];
        return { stage: 'band', phase: request.phase, setting, band: draws.bandOf(touch, dwells) };
      },
    });
    if (drawn.length < pieces.length) return null;
    draws.add(drawn);
  }
  const known = new Map(unlike.map(({ likeness, name }) => [likeness, draws.bandOf(name)]));
  return touches.map((touch) => ({ ...known.get(touch.likeness)!, pad: touch.name, pads: touch.pads }));
}

/** Draws of one touch, so many to a piece. */
const partsOf = (heat: HandHeat, setting: HandSetting, touch: string, first: number, end: number) =>
  Array.from({ length: Math.ceil((end - first) / PLAN.batch) }, (_, i) => {
    const from = first + i * PLAN.batch;
    return {
      kind: 'draws',
      heat: heat.key,
      setting,
      touch,
      from,
      to: Math.min(end, from + PLAN.batch),
    } as const;
  });

/** What was drawn of each touch so far. */
class Draws {
  private readonly dwells = new Map<string, DrawnDwell[]>();
  private readonly touches: ReadonlyMap<string, Touch>;

  constructor(
    private readonly request: PhaseRequest,
    touches: readonly Touch[],
  ) {
    this.touches = new Map(touches.map((touch) => [touch.name, touch]));
  }

  add(drawn: readonly DrawnTouch[]): void {
    for (const { touch, dwells } of drawn) this.dwells.set(touch, [...this.of(touch), ...dwells]);
  }

  of(touch: string): readonly DrawnDwell[] {
    return this.dwells.get(touch) ?? [];
  }

  bandOf(name: string, dwells = this.of(name)): PinBand {
    const touch = this.touches.get(name)!;
    return bandOf(touch, dwells, allowanceFor(this.request, touch.pads));
  }

  isSettled(name: string): boolean {
    const dwells = this.of(name);
    return dwells.length > 0 && isSettled(this.bandOf(name), dwells);
  }
}
