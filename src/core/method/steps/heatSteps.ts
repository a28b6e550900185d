import { wholeCelsius } from '~/core/quantity/convert';
import type { CautionId } from '../cautions';
import type { PinBand } from '../hand/bands';
import { isHurt, PAD_STATES } from '~/core/record/padStates';
import { TOGETHER } from '~/core/record/runState';
import { PLAN } from '../settings';
import { STROKE } from '../ways/data';
import { strokeLength_m } from './sides';
import { copperWeight, setpointAt_K, type PhaseRequest, type Setting } from '../request';
import { step, type Step } from './step';

/** What is done while a pad is hot, and what if it will not melt. */
export interface HeatWords {
  /** Of the pins as they are said: "pin 4", "pins 1 to 8". */
  readonly title: (pins: string) => string;
  readonly detail: string;
  readonly ifNotMolten?: string;
  readonly cautions?: readonly CautionId[];
}

/** The temperature that stands on the tool for a touch. */
const shown_K = (setting: Setting, touch: string): number =>
  setting.kind === 'hand' ? setpointAt_K(setting, touch) : setting.air_K;

/** As many pins as make a row that is worth one step with a counter. */
const LEAST_ROW = 3;

/**
 * A step for each touch of a hand tool, in the order of its bands. Pins alike that follow one another are one step with
 * a counter, each with a clock of its own.
 */
export function touchSteps(
  request: PhaseRequest,
  setting: Setting,
  bands: readonly PinBand[],
  words: HeatWords,
): Step[] {
  let before_K = firstShown_K(setting);
  return rowsOf(request, setting, bands).flatMap((row) => {
    const [first] = row;
    const now_K = shown_K(setting, first.pad);
    const turned =
      now_K === before_K
        ? []
        : [
            turnTo(
              row.map((b) => b.pad),
              now_K,
            ),
          ];
    before_K = now_K;
    return [...turned, heatStep(request, now_K, row, words)];
  });
}

type Row = readonly [PinBand, ...PinBand[]];

/** Bands in rows: pins that one window serves stand together, anything else alone. */
function rowsOf(request: PhaseRequest, setting: Setting, bands: readonly PinBand[]): Row[] {
  const rows: [PinBand, ...PinBand[]][] = [];
  for (const band of bands) {
    const row = rows.at(-1);
    if (row && isAlike(request, setting, row, band)) row.push(band);
    else rows.push([band]);
  }
  return rows.flatMap((row): Row[] => (row.length >= LEAST_ROW ? [row] : row.map((band) => [band])));
}

function isAlike(request: PhaseRequest, setting: Setting, row: Row, band: PinBand): boolean {
  const all = [...row, band];
  if (all.some((b) => b.pads.length > 1 || b.pad === TOGETHER)) return false;
  if (all.some((b) => isHurt(request.site.padStates[b.pad]))) return false;
  const one = row[0];
  return (
    shown_K(setting, one.pad) === shown_K(setting, band.pad) &&
    isOnPlane(request, one) === isOnPlane(request, band) &&
    latest(all) + PLAN.timed_s <= Math.min(...all.map((b) => b.stop_s))
  );
}

const latest = (row: readonly PinBand[]): number => Math.max(...row.map((b) => b.liftFrom_s));

const isOnPlane = (request: PhaseRequest, band: PinBand): boolean =>
  band.pads.some((pad) => copperWeight(request.site.connections[pad] ?? []) > 0);

function heatStep(request: PhaseRequest, set_K: number, row: Row, words: HeatWords): Step {
  const [first] = row;
  const onPlane = isOnPlane(request, first);
  return step({
    id: `heat-${first.pad}`,
    kind: 'heat',
    phase: request.phase,
    title: words.title(pinsInWords(row.map((b) => b.pad))),
    detail: `${hurtWords(request, first)}${words.detail}`,
    why:
      first.pads.length > 1
        ? 'Every joint of the part has to be liquid at the same moment before anything moves.'
        : onPlane
          ? `${row.length > 1 ? 'These pins meet' : 'This pin meets'} a plane: it melts last and its pad lifts first.`
          : 'Heat until every part of the joint is liquid; force before that takes the pad with it.',
    cautions: words.cautions ?? ['fume'],
    pad: first.pad,
    inTurn: row.length > 1 ? row.map((b) => b.pad) : [],
    dwell: dwellOf(
      set_K,
      row,
      words.ifNotMolten ??
        (onPlane
          ? 'Tip off. Let it cool a minute. Warm the board from below before the second try, or use a wider tip.'
          : 'Tip off. Let it cool a minute. Clean and tin the tip, flux, fresh solder, try once more.'),
    ),
  });
}

/** What is minded at a land that was found hurt; empty at a whole one. */
function hurtWords({ site }: PhaseRequest, { pads }: PinBand): string {
  const hurt = pads.filter((pad) => isHurt(site.padStates[pad]));
  if (hurt.length === 0) return '';
  const state = PAD_STATES[site.padStates[hurt[0]!]!].name.toLowerCase();
  return `${pads.length > 1 ? `Pin ${hurt.join(', ')}` : 'Its land'}: ${state}. Tip on the lead, no sideways force, no suction. `;
}

/** "pin 4", "pins 1 to 8", "pins 2, 5", "14 pins, 1 to 16": what a step heats, in few words. */
export function pinsInWords(pads: readonly string[]): string {
  if (pads.length === 1) return `pin ${pads[0]}`;
  const [first, last] = [pads[0]!, pads.at(-1)!];
  const whole = pads.every((pad, i) => i === 0 || Number(pad) - Number(pads[i - 1]) === 1);
  if (whole) return `pins ${first} to ${last}`;
  return pads.length <= 4 ? `pins ${pads.join(', ')}` : `${pads.length} pins, ${first} to ${last}`;
}

/**
 * One stroke along a side: a wet tip drawn over its leads under one clock. Its window comes from the pace of a hand, not
 * from any one land.
 */
export function strokeStep(
  request: PhaseRequest,
  setting: Setting,
  pads: readonly [string, ...string[]],
  words: Omit<HeatWords, 'title'> & { readonly title: string },
): Step {
  const length_m = strokeLength_m(request.site.part, pads);
  const from_s = length_m / STROKE.quick.value;
  return step({
    id: `heat-${pads[0]}-stroke`,
    kind: 'heat',
    phase: request.phase,
    title: words.title,
    detail: words.detail,
    why: 'Each lead takes what it needs as the tip passes; a second pass costs each of them again.',
    cautions: words.cautions ?? ['fume'],
    pad: pads.length === 1 ? pads[0] : `${pads[0]}-${pads.at(-1)}`,
    stroke: pads,
    dwell: {
      setpoint_K: shown_K(setting, pads[0]),
      expect_s: [from_s, length_m / STROKE.slow.value],
      liftFrom_s: from_s,
      holdAfterMelt_s: length_m / STROKE.slow.value,
      stop_s: Math.max(PLAN.leastStop_s, length_m / STROKE.slowest.value),
      ifNotMolten:
        words.ifNotMolten ?? 'Tip off. Let it cool. Clean and tin the tip, more flux, draw it again.',
    },
  });
}

const firstShown_K = (setting: Setting): number =>
  setting.kind === 'hand' ? setting.setpoint_K : setting.air_K;

const turnTo = (pads: readonly string[], setpoint_K: number): Step =>
  step({
    id: `turn-${pads[0]}`,
    kind: 'gate',
    title: `Turn the station to ${wholeCelsius(setpoint_K)} °C`,
    detail: `For ${pinsInWords(pads)}. Wait until its display shows it.`,
    reads_K: setpoint_K,
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
      [slowest],
      words.ifNotMolten ?? 'Air off. Let it come down a minute. Check nozzle, flow and distance.',
    ),
  });
}

/** One window for a row: not before its slowest may be lifted, and off by the earliest stop. */
const dwellOf = (setpoint_K: number, row: Row, ifNotMolten: string): NonNullable<Step['dwell']> => ({
  setpoint_K,
  expect_s: [Math.min(...row.map((b) => b.melt_s.p10)), Math.max(...row.map((b) => b.melt_s.p90))],
  liftFrom_s: latest(row),
  holdAfterMelt_s: Math.min(...row.map((b) => b.holdAfterMelt_s)),
  stop_s: Math.min(...row.map((b) => b.stop_s)),
  ifNotMolten,
});
