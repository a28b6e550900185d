import { ask, type Working } from '../plan/pieces/piece';
import type { HandSetting, PhaseRequest } from '../request';
import { PLAN } from '../settings';
import {
  bandOf,
  isHopeless,
  isSettled,
  isSure,
  type DrawnDwell,
  type DrawnTouch,
  type PinBand,
} from './bands';
import { allowanceFor } from '../limits/forecast';
import type { HandHeat } from './handTrial';
import type { Touch } from './touch';

/**
 * What is known from settings that were drawn and not sure: all are drawn alike, so one that misses as often on the
 * first draws of its hardest touch as another that failed there will fail too.
 */
export class Screen {
  private least = Infinity;

  /** A setting missed this often at first, and too often in the end. */
  note(chance: number): void {
    this.least = Math.min(this.least, chance);
  }

  stops(chance: number): boolean {
    return chance >= this.least;
  }
}

/**
 * Bands of a setting's touches, each shown as its draws come; touches alike share one, and those that are settled early
 * are not drawn further. With a screen only sure ones will do: null once one of them cannot be made sure.
 */
export function* bandsByHand(
  request: PhaseRequest,
  heat: HandHeat,
  setting: HandSetting,
  screen: Screen | null,
): Working<PinBand[] | null> {
  const touches = heat.touchesOf(request, setting);
  // The hardest touch first: it is the one that rules a setting out, and spares the draws of the others.
  const unlike = [...new Map(touches.map((touch) => [touch.likeness, touch])).values()].reverse();
  const [hardest, others] = [unlike.slice(0, 1), unlike.slice(1)];
  const draws = new Draws(request, unlike);
  const first = (of: readonly Touch[]) =>
    of.flatMap(({ name }) => partsOf(heat, setting, name, 0, PLAN.leastDraws));
  const rest = (of: readonly Touch[]) =>
    of
      .filter(({ name }) => !draws.isSettled(name))
      .flatMap(({ name }) => partsOf(heat, setting, name, PLAN.leastDraws, PLAN.draws));

  let missedAtFirst: number | null = null;
  for (const round of [
    () => first(hardest),
    () => [...rest(hardest), ...first(others)],
    () => rest(others),
  ]) {
    const pieces = round();
    const bandWith = (came: readonly DrawnTouch[]): PinBand => {
      const { touch } = came.at(-1)!;
      const more = came.flatMap((d) => (d.touch === touch ? d.dwells : []));
      return draws.bandOf(touch, [...draws.of(touch), ...more]);
    };
    const soFar: DrawnTouch[] = [];
    const lost: PinBand[] = [];
    const drawn = yield* ask(request, pieces, {
      enough: (one) => {
        soFar.push(one);
        if (screen === null) return false;
        const band = bandWith(soFar);
        if (isLost(band)) lost.push(band);
        return lost.length > 0;
      },
      shown: (came) => ({ stage: 'band', phase: request.phase, setting, band: bandWith(came) }),
    });
    const failed = lost[0];
    if (failed) {
      const tooOften = failed.pad === hardest[0]!.name && failed.chanceSolidAtStop > PLAN.acceptableMiss;
      if (tooOften && missedAtFirst !== null) screen!.note(missedAtFirst);
      return null;
    }
    draws.add(drawn);
    missedAtFirst ??= draws.bandOf(hardest[0]!.name).chanceSolidAtStop;
    if (screen?.stops(missedAtFirst)) return null;
  }
  const known = new Map(unlike.map(({ likeness, name }) => [likeness, draws.bandOf(name)]));
  return touches.map((touch) => ({ ...known.get(touch.likeness)!, pad: touch.name, pads: touch.pads }));
}

/** A band that will not be sure, or is not now that all of it is drawn. */
const isLost = (band: PinBand): boolean => isHopeless(band) || (band.draws >= PLAN.draws && !isSure(band));

/** Draws of one touch, so many to a piece. */
export const partsOf = (heat: HandHeat, setting: HandSetting, touch: string, first: number, end: number) =>
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
