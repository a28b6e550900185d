import { wholeCelsius } from '~/core/quantity/convert';
import type { CautionId } from '../cautions';
import type { PinBand } from '../hand/bands';
import { TOGETHER } from '~/core/record/runState';
import { copperWeight, setpointAt_K, type PhaseRequest, type Setting } from '../request';
import { step, type Step } from './step';

/** What is done while a pad is hot, and what if it will not melt. */
export interface HeatWords {
  readonly title: (pad: string) => string;
  readonly detail: string;
  readonly ifNotMolten?: string;
  readonly cautions?: readonly CautionId[];
}

/** The temperature that stands on the tool for a touch. */
const shown_K = (setting: Setting, touch: string): number =>
  setting.kind === 'hand' ? setpointAt_K(setting, touch) : setting.air_K;

/** A step for each touch of a hand tool, in the order of its bands. */
export function touchSteps(
  request: PhaseRequest,
  setting: Setting,
  bands: readonly PinBand[],
  words: HeatWords,
): Step[] {
  return bands.flatMap((band, i) => {
    const now_K = shown_K(setting, band.pad);
    const before_K = i === 0 ? firstShown_K(setting) : shown_K(setting, bands[i - 1]!.pad);
    const onPlane = band.pads.some((pad) => copperWeight(request.site.connections[pad] ?? []) > 0);
    const heat = step({
      id: `heat-${band.pad}`,
      kind: 'heat',
      phase: request.phase,
      title: words.title(band.pad),
      detail: words.detail,
      why:
        band.pads.length > 1
          ? 'Every joint of the part has to be liquid at the same moment before anything moves.'
          : onPlane
            ? 'This pin meets a plane: it melts last and its land lifts first.'
            : 'Heat until every part of the joint is liquid; force before that takes the land with it.',
      cautions: words.cautions ?? ['fume'],
      pad: band.pad,
      dwell: dwellOf(
        now_K,
        band,
        words.ifNotMolten ??
          (onPlane
            ? 'Tip off. Let it cool a minute. Warm the board from below before the second try, or use a wider tip.'
            : 'Tip off. Let it cool a minute. Clean and tin the tip, flux, fresh solder, try once more.'),
      ),
    });
    return now_K === before_K ? [heat] : [turnTo(band.pad, now_K), heat];
  });
}

const firstShown_K = (setting: Setting): number =>
  setting.kind === 'hand' ? setting.setpoint_K : setting.air_K;

const turnTo = (pad: string, setpoint_K: number): Step =>
  step({
    id: `turn-${pad}`,
    kind: 'gate',
    title: `Turn the station to ${wholeCelsius(setpoint_K)} °C`,
    detail: `For pin ${pad}. Wait until its display shows it.`,
    why: 'One temperature does not serve every pin here: what clears this one would scorch the others, or leave them solid.',
    cautions: ['hot-board'],
  });

/** One step for a whole part under air: the slowest pad's times, the one stop. */
export function airStep(
  request: PhaseRequest,
  setting: Setting,
  bands: readonly PinBand[],
  words: Omit<HeatWords, 'title'> & { readonly title: string },
): Step {
  const slowest = bands.reduce((a, b) => (b.melt_s.p50 > a.melt_s.p50 ? b : a));
  return step({
    id: `heat-${TOGETHER}`,
    kind: 'heat',
    phase: request.phase,
    title: words.title,
    detail: words.detail,
    why: `Pad ${slowest.pad} melts last and decides; every joint must be liquid before anything moves.`,
    cautions: words.cautions ?? ['fume', 'hot-board'],
    pad: TOGETHER,
    dwell: dwellOf(
      shown_K(setting, TOGETHER),
      slowest,
      words.ifNotMolten ??
        'Air off, preheater left on. Let it come down a minute. Check nozzle, flow and distance; plan again with more warmth from below.',
    ),
  });
}

const dwellOf = (setpoint_K: number, band: PinBand, ifNotMolten: string): NonNullable<Step['dwell']> => ({
  setpoint_K,
  expect_s: [band.melt_s.p10, band.melt_s.p90],
  liftFrom_s: band.liftFrom_s,
  holdAfterMelt_s: band.holdAfterMelt_s,
  stop_s: band.stop_s,
  ifNotMolten,
});
