import { ALLOYS } from '~/core/materials/alloys';
import { isHurt } from '~/core/record/padStates';
import { bodyCounts, phasesOf } from '~/core/method/goals';
import { isSure } from '~/core/method/hand/bands';
import type { Plan } from '~/core/method/plan/plan';
import type { FoundPlan } from '~/core/method/plan/phases/foundPlan';
import type { NoPlan } from '~/core/method/plan/phases/noPlan';
import type { PhasePlan } from '~/core/method/plan/phases/phasePlan';
import { setpointAt_K, type PlanRequest } from '~/core/method/request';
import { PLAN } from '~/core/method/settings';
import { brokenOrder } from '~/core/method/steps/order';
import { isSurface, bodyLimit_K } from '~/core/packages/form';
import { leadOf } from '~/core/method/steps/step';

/** What a master would say against a plan, in words; empty where there is nothing (common practice, job.md and rules.md). */
export function objectionsTo(request: PlanRequest, plan: Plan): string[] {
  switch (plan.outcome) {
    case 'not-converged':
      return [`the model did not converge at pad ${plan.pad}`];
    case 'found':
      return toFound(plan);
    case 'no-feasible-setting':
      return toNone(request, plan);
  }
}

function toFound(plan: FoundPlan): string[] {
  const of = isSurface(plan.phases[0].request.site.part) ? 'surface' : 'through-hole';
  const long = plan.steps.filter(({ detail }) => leadOf(detail).lead.length > 90);
  return [
    ...brokenOrder(plan.steps, of),
    ...long.map(({ id }) => `${id}: more than is read at a glance`),
    ...contradictions(plan),
    ...plan.phases.flatMap(toPhase),
  ];
}

/** Clocks whose ends contradict each other. */
const contradictions = ({ steps }: FoundPlan): string[] =>
  steps.flatMap(({ id, dwell, stroke }) => {
    if (!dwell) return [];
    const [from_s, to_s] = dwell.expect_s;
    const said: [boolean, string][] = [
      [from_s <= to_s, 'expected from later than to'],
      [dwell.liftFrom_s <= dwell.stop_s + 1e-9, 'stop before lift'],
      [stroke.length > 0 || from_s <= dwell.liftFrom_s + 1e-9, 'lift before melt'],
    ];
    return said.flatMap(([ok, why]) => (ok ? [] : [`${id}: ${why}`]));
  });

function toPhase({ request, method, chosen, bands, neighbours }: PhasePlan): string[] {
  const { site } = request;
  const forbidden = method.rules(request).filter((rule) => rule.forbids);
  const hurt = Object.values(site.padStates).some(isHurt);
  const lives = bodyCounts(request.goal, request.phase);
  const body_K = Math.max(...chosen.pins.map((pin) => pin.bodyPeak_K));
  const said: [boolean, string][] = [
    [forbidden.length === 0, `against its own rule: ${forbidden.map((rule) => rule.says).join(' ')}`],
    [bands.every(isSure), 'not sure when drawn'],
    [chosen.feasible && chosen.damage <= PLAN.dwellShare * 2, 'spends more than a dwell may'],
    [!hurt || !PULLS.has(method.id), `${method.id} at a hurt land`],
    [neighbours.every((n) => n.ok), 'a neighbour too hot'],
    [
      !lives || request.phase === 'remove' || body_K <= bodyLimit_K(site.part, site.alloy) + 45,
      'the body too hot',
    ],
    [
      wets(request, chosen.setting, bands) || (chosen.against ?? []).length > 0,
      'a tip too cold to wet, unsaid',
    ],
  ];
  return said.flatMap(([ok, why]) => (ok ? [] : [`${request.phase}: ${why}`]));
}

/** Ways that suck, drag, rock, twist or sweep at lands. */
const PULLS: ReadonlySet<string> = new Set([
  'gun',
  'leg-at-a-time',
  'twist-off',
  'flood-and-sweep',
  'wick-then-lift',
  'blob-both-ends',
  'big-tip-and-preheat',
  'drag',
]);

/** A tip stands well over the liquidus: a hundred kelvin for a joint, common practice; low-melt floods are another thing. */
function wets(
  { site }: PhasePlan['request'],
  setting: PhasePlan['chosen']['setting'],
  bands: PhasePlan['bands'],
): boolean {
  if (setting.kind === 'air') return true;
  const liquidus_K = ALLOYS[site.alloy].liquidus.value;
  return bands.every((band) => setpointAt_K(setting, band.pad) >= liquidus_K + 60);
}

function toNone(request: PlanRequest, plan: NoPlan): string[] {
  const untold = plan.methods.filter((m) => m.reasons.length === 0).map((m) => m.method.id);
  const within = plan.remedies.filter((r) => r.works && r.onBench && ONLY_A_SETTING.has(r.kind));
  const lost = phasesOf(request.goal).indexOf(plan.phase) > 0 && plan.before === null;
  const before = plan.before ? toFound(plan.before) : [];
  return [
    ...untold.map((id) => `${id} stands without a reason`),
    // Rule broken: findings M1 (plan), twelve requests ended in no with a remedy of this very bench that worked.
    ...within.map((r) => `no, though “${r.kind}” of this bench works`),
    ...(lost ? ['the removal is withheld for the fit'] : []),
    ...before,
  ];
}

const ONLY_A_SETTING: ReadonlySet<string> = new Set(['preheat', 'wider-tip', 'wider-tip-and-preheat']);
