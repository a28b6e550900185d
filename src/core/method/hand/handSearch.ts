import { celsius, kelvin } from '~/core/quantity/convert';
import type { Preheat } from '~/core/thermal/preheat';
import { usualPreheat } from '../bench';
import { asWarmAsItStands, quicklyWarm } from './warmths';
import { handSettingOf, type Candidate } from '../candidate';
import { ask, type Working } from '../plan/pieces/piece';
import type { Progress } from '../progress';
import type { HandSetting, PhaseRequest } from '../request';
import { frontier, isTurned, preference } from '../limits/frontier';
import { wetting_K } from '../limits/habits';
import { PLAN } from '../settings';
import type { PinForecast } from '../limits/forecast';
import { tryOut, turnedByPin, type HandHeat } from './handTrial';

/** Every tool, tip and set temperature a method can use on this bench, for one preheat. */
export function settingsOnBench(
  request: PhaseRequest,
  heat: HandHeat,
  preheat: Preheat | null,
): HandSetting[] {
  return heat.toolsOf(request).flatMap((tool) =>
    tool.tips.flatMap((tip) =>
      setpointsOf_K(tool.setpointRange_K).map((setpoint_K): HandSetting => ({
        kind: 'hand',
        tool,
        tip,
        setpoint_K,
        preheat,
        fluxed: true,
        freshSolder: heat.freshSolder,
      })),
    ),
  );
}

/** Set temperatures that are tried: round figures as a hand sets them, and both ends of the station's range, K. */
function setpointsOf_K([low, high]: readonly [number, number]): number[] {
  const [from_C, to_C] = [celsius(Math.max(low, PLAN.leastSetpoint_K)), celsius(high)];
  const first = Math.ceil(from_C / PLAN.setpointStep_K - 1e-6);
  const last = Math.floor(to_C / PLAN.setpointStep_K + 1e-6);
  const round_C = Array.from(
    { length: Math.max(0, last - first + 1) },
    (_, i) => (first + i) * PLAN.setpointStep_K,
  );
  // A station that stands at one temperature has that one, colder than any that is tried or not.
  const ends_C = [Math.min(from_C, to_C), to_C];
  const all = [...new Set([...round_C, ...ends_C].map((t) => Math.round(10 * t) / 10))];
  return all.sort((a, b) => a - b).map(kelvin);
}

/**
 * Cold, and over each preheater where cold will not do, costs much, or leaves a bad contact longer than a hand can time:
 * with the tips that were best cold, as warmth helps all alike, or with all where none would do. What is known cold may be
 * told at once.
 */
export function* searchWarmToo(
  request: PhaseRequest,
  heat: HandHeat,
  tell: (cold: readonly Candidate[]) => Progress | null = () => null,
): Working<Candidate[]> {
  const cold = yield* searchByHand(request, heat, null);
  const [best] = preference(cold);
  if (best && best.damage <= PLAN.warmFrom && (best.atWorst?.late_s ?? 0) < PLAN.warmFromLate_s)
    return yield* besideBest(request, heat, cold);
  const word = tell(cold);
  if (word) yield word;
  const tips = new Set(ofNote(cold).map((c) => tipOf(handSettingOf(c))));
  const worthIt = (setting: HandSetting): boolean => tips.size === 0 || tips.has(tipOf(setting));
  return yield* besideBest(request, heat, [...cold, ...(yield* searchPreheated(request, heat, worthIt))]);
}

/** The preferred setting a fine step hotter and colder, cold and warm each: between two rungs damage may double. */
function* besideBest(
  request: PhaseRequest,
  heat: HandHeat,
  candidates: readonly Candidate[],
): Working<Candidate[]> {
  const able = candidates.filter((c) => !isTurned(c));
  const kinds = [able.filter((c) => !c.setting.preheat), able.filter((c) => c.setting.preheat)];
  const best = kinds.flatMap((kind) => preference(kind).slice(0, 1).map(handSettingOf));
  const settings = best.flatMap((setting) =>
    [PLAN.fineStep_K, -PLAN.fineStep_K].flatMap((step_K): HandSetting[] => {
      const setpoint_K = setting.setpoint_K + step_K;
      const [low, high] = setting.tool.setpointRange_K;
      const reached = setpoint_K >= low && setpoint_K <= high;
      const wets = setpoint_K >= Math.min(setting.setpoint_K, wetting_K(request));
      return reached && wets ? [{ ...setting, setpoint_K }] : [];
    }),
  );
  const finer = yield* ask(
    request,
    settings.map((setting) => ladder(heat, [setting])),
  );
  return [...candidates, ...finer.flat()];
}

/** A setting that costs little, in a time that a hand can follow: more warmth would spare nothing worth its soak. */
const isSpared = (best: Candidate | undefined): boolean =>
  best !== undefined &&
  best.damage <= PLAN.warmFrom &&
  (best.atWorst?.late_s ?? Infinity) < PLAN.warmFromLate_s;

/**
 * Over each preheater of the bench as it is usually set; where that is not enough, over the one that did best hotter for a
 * shorter soak and as warm as a board stands, or over each so warm until something will do.
 */
export function* searchPreheated(
  request: PhaseRequest,
  heat: HandHeat,
  worthIt: (setting: HandSetting) => boolean = () => true,
): Working<Candidate[]> {
  const { preheaters } = request;
  const all: Candidate[] = [];
  for (const heater of preheaters)
    all.push(...(yield* searchByHand(request, heat, usualPreheat(heater), worthIt)));
  const [best] = preference(all);
  if (isSpared(best)) return all;
  const did = preheaters.filter(({ kind }) => kind === best?.setting.preheat?.kind);
  for (const heater of did.length > 0 ? did.slice(0, 1) : preheaters) {
    const further = [quicklyWarm(request, heater), asWarmAsItStands(request, heater)];
    for (const warmth of further.filter((preheat) => preheat !== null))
      all.push(...(yield* searchByHand(request, heat, warmth, (s) => worthIt(s) && isBest(best, s))));
    if (all.some((c) => c.feasible)) break;
  }
  return all;
}

/** Further warmth is tried with the tip that did best so far; with all where none did. */
const isBest = (best: Candidate | undefined, setting: HandSetting): boolean =>
  best === undefined || tipOf(handSettingOf(best)) === tipOf(setting);

/**
 * Every tip on the bench at nominal values, for one preheat: from its hottest setting down in double steps, then the
 * steps between on the tips that are worth it, and each pin at a setting of its own.
 */
export function* searchByHand(
  request: PhaseRequest,
  heat: HandHeat,
  preheat: Preheat | null,
  worthIt: (setting: HandSetting) => boolean = () => true,
): Working<Candidate[]> {
  const all = settingsOnBench(request, heat, preheat).filter(worthIt);
  const wetting = all.filter(({ setpoint_K }) => setpoint_K >= wetting_K(request));
  const found = yield* searchAmong(request, heat, wetting);
  // Colder than what wets a joint only where a limit forbids everything else.
  if (wetting.length === all.length || found.some((c) => c.feasible)) return found;
  return [
    ...found,
    ...(yield* searchAmong(
      request,
      heat,
      all.filter((s) => !wetting.includes(s)),
    )),
  ];
}

function* searchAmong(
  request: PhaseRequest,
  heat: HandHeat,
  all: readonly HandSetting[],
): Working<Candidate[]> {
  const tips = tipsOf(all);
  const coarse = yield* ask(
    request,
    tips.map((settings) =>
      ladder(
        heat,
        settings.filter((_, i) => i % 2 === 0 || i === settings.length - 1),
      ),
    ),
    { shown: ({ length }) => ({ stage: 'search', done: length, of: tips.length }) },
  );
  const between = worthFiner(coarse)
    .map((tip) => ({ tip, settings: besides(tips[tip]!, coarse[tip]!) }))
    .filter(({ settings }) => settings.length > 0);
  const finer = yield* ask(
    request,
    between.map(({ settings }) => ladder(heat, settings)),
  );
  const found = coarse.map((candidates) => [...candidates]);
  between.forEach(({ tip }, i) => found[tip]!.push(...finer[i]!));
  return found.flatMap((candidates) => {
    candidates.sort((a, b) => setpoint_K(b) - setpoint_K(a));
    return [...candidates, ...turnedByPin(candidates)];
  });
}

const ladder = (heat: HandHeat, settings: readonly HandSetting[]) =>
  ({ kind: 'ladder', heat: heat.key, settings }) as const;

const setpoint_K = (candidate: Candidate): number => handSettingOf(candidate).setpoint_K;

/** Candidates with a place on the frontier, and the preferred one; empty where nothing will do. */
const ofNote = (candidates: readonly Candidate[]): Candidate[] => [
  ...frontier(candidates),
  ...preference(candidates).slice(0, 1),
];

/**
 * Tips with a candidate of note; all that will do where the frontier is sparse, and all where nothing will do: what lies
 * between may just do.
 */
function worthFiner(tips: readonly (readonly Candidate[])[]): number[] {
  const all = tips.flat();
  const best = new Set(ofNote(all));
  const sparse = frontier(all).length < SPARSE;
  return [...tips.keys()].filter(
    (i) => best.size === 0 || tips[i]!.some((c) => best.has(c) || (sparse && c.feasible)),
  );
}

/** A frontier with fewer places is looked at more closely: a hand needs somewhere to move to. */
const SPARSE = 4;

/**
 * One tip's settings next to its best, and hotter than its hottest that will do; where none of them will do, below all
 * at which every joint melts.
 */
function besides(settings: readonly HandSetting[], tried: readonly Candidate[]): HandSetting[] {
  const near = (of: readonly Candidate[], side: 1 | -1) => {
    const about = new Set(of.map(setpoint_K));
    return (i: number): boolean => about.has(settings[i + side]?.setpoint_K ?? NaN);
  };
  const able = preference(tried);
  const melting = tried.filter(({ pins }) => pins.every((pin) => pin.off_s !== null));
  const best = able.slice(0, 1);
  const wanted =
    able.length > 0
      ? [near(best, -1), near(best, 1), near(frontier(able).slice(-1), 1)]
      : [near(melting, -1)];
  return settings.filter((_, i) => wanted.some((isNear) => isNear(i)));
}

/**
 * One tip at settings from the hottest down, until it melts nothing. A joint that it never melts it does not melt
 * colder either: it is not run again and keeps its forecast, the best of those that are no use.
 */
export function* climb(
  request: PhaseRequest,
  heat: HandHeat,
  settings: readonly HandSetting[],
): Generator<null, Candidate[]> {
  const candidates: Candidate[] = [];
  const lost = new Map<string, PinForecast>();
  for (const setting of settings) {
    const candidate = tryOut(request, heat, setting, lost);
    candidates.push(candidate);
    yield null;
    for (const pin of candidate.pins) if (pin.off_s === null) lost.set(pin.pad, pin);
    if (lost.size === candidate.pins.length) break;
  }
  return candidates;
}

const tipOf = ({ tool, tip }: HandSetting): string => `${tool.id} ${JSON.stringify(tip)}`;

/** Settings by tip, the hottest of each first. */
function tipsOf(settings: readonly HandSetting[]): HandSetting[][] {
  const tips = new Map<string, HandSetting[]>();
  for (const setting of settings) {
    const key = tipOf(setting);
    tips.set(key, [setting, ...(tips.get(key) ?? [])]);
  }
  return [...tips.values()];
}
