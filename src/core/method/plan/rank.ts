import { bindingInWords, touchInWords } from '../bindingWords';
import type { Candidate } from '../candidate';
import { keepsPart } from '../goals';
import type { Method, Rule } from '../ways/method';
import { lateCost, nearestMiss, preference, strainSteps } from '../limits/frontier';
import type { Habit } from '../limits/habits';
import { paceOf, type WayTimes } from '../pace';
import type { PhaseRequest } from '../request';
import { AIR, RANK } from '../settings';
import { padNamesOf } from '~/core/packages/form';

/** A method as far as it was tried on the job at hand. */
export interface Tried {
  readonly method: Method;
  readonly rules: readonly Rule[];
  /** Nothing forbids it here. */
  readonly allowed: boolean;
  readonly candidates: readonly Candidate[];
  /** Its best feasible setting at nominal values. */
  readonly best: Candidate | null;
}

/** What a method would cost, in shares of a land's budget and what is reckoned like it. */
export interface Price {
  /** Heat at the worst pad and the laminate there. */
  readonly damage: number;
  /** Chance of a hurt land by the technician's own record, shrunk toward what is usual. */
  readonly harm: number;
  /** Habits of the trade that its setting goes against. */
  readonly habits: number;
  /** What a touch lasts past what a hand can time. */
  readonly late: number;
  /** Chance that the part is lost, times what that weighs for this goal. */
  readonly part: number;
  readonly minutes: number;
  readonly total: number;
}

export interface Ranked extends Tried {
  readonly feasible: boolean;
  readonly price: Price | null;
  /** Why it stands where it stands, in sentences. */
  readonly reasons: readonly string[];
}

export const tried = (method: Method, rules: readonly Rule[], candidates: readonly Candidate[]): Tried => ({
  method,
  rules,
  allowed: rules.every((rule) => !rule.forbids),
  candidates,
  best: preference(candidates)[0] ?? null,
});

/** Methods that stand beside a setting which was asked about: their rules are told, nothing was compared. */
export function uncompared(
  list: readonly { readonly method: Method; readonly rules: readonly Rule[] }[],
): Ranked[] {
  return list.map(({ method, rules }) => {
    const one = tried(method, rules, []);
    return {
      ...one,
      feasible: one.allowed,
      price: null,
      reasons: rules.length > 0 ? rules.map((rule) => rule.says) : ['Nothing forbids it here.'],
    };
  });
}

/**
 * Methods in order: those that can be done before those that cannot, then by price. The price adds heat damage, the
 * chance of harm by the technician's own record, the loss of the part where it matters, and the hands' time.
 */
export function rank(request: PhaseRequest, list: readonly Tried[]): Ranked[] {
  const priced = list.map((t) => ({
    ...t,
    price: t.allowed && t.best ? priceOf(request, t.method, t.best) : null,
  }));
  const order = (t: (typeof priced)[number]): number =>
    t.price ? (t.method.lastResort?.(request) ? 1 : 0) : t.allowed ? 2 : 3;
  const sorted = [...priced].sort(
    (a, b) => order(a) - order(b) || (a.price?.total ?? 0) - (b.price?.total ?? 0),
  );
  const first = sorted[0];
  return sorted.map((t) => ({
    ...t,
    feasible: t.price !== null,
    reasons: reasonsFor(request, t, first?.price ? first : null),
  }));
}

export function priceOf(request: PhaseRequest, method: Method, best: Candidate): Price {
  const pads = padNamesOf(request.site.part).length;
  const minutes = minutesFor(method, best, pads, paceOf(request.pace, method.id).ratio);
  const harm = harmChance(request, method);
  const part = (1 - method.survival) * partWeight(request);
  const habits = RANK.perHabit * (best.against?.length ?? 0);
  const late = lateCost(best);
  return {
    damage: best.damage,
    harm,
    habits,
    late,
    part,
    minutes,
    // Strains that the estimate cannot tell apart are the same.
    total: strainSteps(best) + harm + habits + late + part + RANK.perMinute * minutes,
  };
}

/** What losing the part weighs: more than a land where it has to live and is scarce, little where it goes anyway. */
function partWeight(request: PhaseRequest): number {
  if (request.phase !== 'remove') return RANK.partWeight.ordinary;
  if (keepsPart(request.goal)) return RANK.partWeight[request.worth] + RANK.keptWeight;
  return RANK.sacrificed[request.worth];
}

/**
 * Chance that a job so done hurts a pad: what is usual for the method, then how it went here, then how it goes for whoever does
 * it; each leans on the one before as on so many jobs (means of Beta distributions).
 */
export function harmChance(request: PhaseRequest, method: Method): number {
  const own = request.record.find((r) => r.method === method.id);
  return leaning(own, leaning(own?.others, method.harm));
}

const leaning = (
  counted: { readonly jobs: number; readonly harmed: number } | undefined,
  usual: number,
): number => ((counted?.harmed ?? 0) + usual * RANK.priorJobs) / ((counted?.jobs ?? 0) + RANK.priorJobs);

/** From picking the tool up to the last pad done: hands by the figures alone, heat and soak. */
export function timesOf(method: Method, best: Candidate, pads: number): WayTimes {
  const heat_s = best.setting.kind === 'air' ? (best.time_s ?? 0) : touchTime_s(best);
  const soak_s = best.setting.preheat?.soak_s ?? 0;
  return { hands_s: method.hands_s.once + method.hands_s.perPad * pads, heat_s: heat_s + soak_s };
}

/** The same in all, min, with hands that take so many times as long as the figures say. */
export function minutesFor(method: Method, best: Candidate, pads: number, ratio: number): number {
  const { hands_s, heat_s } = timesOf(method, best, pads);
  return (ratio * hands_s + heat_s) / 60;
}

const touchTime_s = (best: Candidate): number => best.pins.reduce((sum, pin) => sum + (pin.off_s ?? 0), 0);

function reasonsFor(
  request: PhaseRequest,
  t: Tried & { price: Price | null },
  first: (Tried & { price: Price | null }) | null,
): string[] {
  const forbidden = t.rules.filter((rule) => rule.forbids).map((rule) => rule.says);
  if (forbidden.length > 0) return forbidden;
  const said = t.rules.map((rule) => rule.says);
  if (!t.price || !t.best) {
    return [
      ...said,
      t.candidates.length === 0
        ? 'No tool for it is on the bench.'
        : `No setting of its tools keeps every limit.${atBest(t.candidates)}`,
    ];
  }
  const { price } = t;
  const last = t.method.lastResort?.(request);
  const own = request.record.find((r) => r.method === t.method.id);
  const lines = [
    last ?? '',
    ...(t.best.against ?? []).map((habit) => HABIT_WORDS[habit]),
    `Spends ${percent(price.damage)} of the worst pad’s budget in ${whole(t.best.time_s!)} s ${t.best.setting.kind === 'air' ? 'under air' : 'at most per touch'}; about ${minutesWords(price.minutes)}, preparing and cleaning aside.`,
    own ? recordWords(own, price.harm) : '',
    keepsPart(request.goal) && request.phase === 'remove'
      ? `The part lives through it in about ${Math.round(100 * t.method.survival)} of 100.`
      : '',
    t.best.rampRatio !== undefined && t.best.rampRatio > AIR.toldRamp
      ? `Its body rises ${t.best.rampRatio.toFixed(1)} times as fast as it should.`
      : '',
    first && first !== t && first.price && !last
      ? behind(price, first.price, first.method.name, request.record.length > 0)
      : '',
  ];
  return [...said, ...lines.filter((line) => line !== '')];
}

/** How it went before on such parts, whose record that is, and how much of what is reckoned with comes from it. */
function recordWords({ jobs, harmed, others }: PhaseRequest['record'][number], chance: number): string {
  const all = jobs + (others?.jobs ?? 0);
  if (all === 0) return '';
  const told = [
    jobs > 0 ? `your own record with it on such parts: ${harmed} of ${jobs} hurt a pad` : '',
    others && others.jobs > 0 ? `others here: ${others.harmed} of ${others.jobs}` : '',
  ].filter((line) => line !== '');
  const share = all / (all + RANK.priorJobs);
  const words = `${told.join('; ')}. Reckoned with as ${percent(chance)}, ${percent(share)} of it from this record.`;
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
}

/** What a practised hand would say of a setting that is taken all the same. */
const HABIT_WORDS: Readonly<Record<Habit, string>> = {
  'too-cold-to-wet': 'Its tip stands colder than wets a joint well: everything hotter meets a limit.',
  'too-hot': 'Its tip is so hot that flux chars and the tip oxidises: quick, or not at all.',
  'tip-too-wide': 'Its tip is wider than one pin wants and reaches over the next.',
  'tip-too-fine': 'Its tip is a needle for such a joint: it carries little heat.',
};

/** Methods that looked able and were not stand behind those that are, with that as their reason. */
export function withUnproven(ranked: readonly Ranked[], failed: ReadonlySet<Ranked>): Ranked[] {
  const told = ranked.map((one) => (failed.has(one) ? unproven(one) : one));
  return [...told.filter((one) => one.feasible), ...told.filter((one) => !one.feasible)];
}

const unproven = (one: Ranked): Ranked => ({
  ...one,
  feasible: false,
  reasons: [
    ...one.reasons,
    one.method.heat.kind === 'air'
      ? 'By superposition a setting of it would do; run whole and drawn, none keeps every limit.'
      : 'At nominal values a setting of it would do; none stays sure once contact, tip and copper vary.',
  ],
});

/** What stands in the way of the setting that comes nearest. */
function atBest(candidates: readonly Candidate[]): string {
  const { binding } = nearestMiss(candidates);
  if (!binding) return '';
  return ` At best ${touchInWords(binding.pad)} ${bindingInWords(binding)}.`;
}

/** What puts a method behind the first one: the largest of the differences. */
function behind(own: Price, first: Price, name: string, recorded: boolean): string {
  const gaps = [
    [own.damage - first.damage, `spends ${percent(own.damage - first.damage)} more`],
    [own.harm - first.harm, recorded ? 'hurts pads more often by the record' : 'is likelier to hurt a pad'],
    [own.habits - first.habits, 'goes against more of the trade’s habits'],
    [own.late - first.late, 'may last longer than a hand can time'],
    [own.part - first.part, `is likelier to lose the part`],
    [
      RANK.perMinute * (own.minutes - first.minutes),
      `takes ${minutesWords(own.minutes - first.minutes)} longer`,
    ],
  ] as const;
  const worst = gaps.reduce((a, b) => (b[0] > a[0] ? b : a));
  return `Behind “${name}”: it ${worst[1]}.`;
}

const percent = (share: number): string =>
  share < 0.001 ? 'under 0.1 %' : `${(100 * share).toPrecision(2).replace(/\.0$/, '')} %`;
const whole = (value: number): string => (value < 10 ? value.toFixed(1) : value.toFixed(0));
const minutesWords = (minutes: number): string =>
  minutes < 1 ? `${Math.round(60 * minutes)} s` : `${minutes.toFixed(minutes < 10 ? 1 : 0)} min`;
