import { JOB_PLAN_VERSION, jobPlan, type JobPlan } from './jobPlan';

/** Plans of jobs as they were written by earlier versions, brought up one version at a time. */

type Stored = Readonly<Record<string, unknown>>;

/** One version's way to the next; `request` is what the job was planned from, as it stands beside it. */
type UpConverter = (plan: Stored, request: Stored) => Stored;

const UP: Readonly<Record<number, UpConverter>> = { 1: toVersion2, 2: toVersion3 };

/** A stored plan in today's shape. Throws where it holds less than any version wrote. */
export function jobPlanOf(stored: unknown, request: unknown): JobPlan {
  let plan = stored as Stored;
  for (let version = versionOf(plan); version < JOB_PLAN_VERSION; version++)
    plan = UP[version]!(plan, request as Stored);
  return jobPlan.parse(plan);
}

/** The first version had no number. */
const versionOf = (plan: Stored): number => (typeof plan['version'] === 'number' ? plan['version'] : 1);

/** The first version was the planner's whole answer: its first phase at the top, the others in `then`. */
function toVersion2(plan: Stored, request: Stored): Stored {
  const { then = [], draws, consumption, modelVersion, cautions, steps, ...first } = plan;
  const site = request['site'] as Stored & { readonly package: Stored };
  return {
    version: 2,
    modelVersion,
    site: { ref: site['ref'], side: site['side'], family: site.package['family'] },
    phases: [first, ...(then as Stored[])].map(renamed),
    consumption: consumption ?? draws ?? [],
    cautions,
    steps,
  };
}

/** The second version did not say which steps took the part off or put it on: their places say it. */
function toVersion3(plan: Stored): Stored {
  const stored = plan['steps'] as readonly Stored[];
  const phases = (plan['phases'] as readonly Stored[]).map((phase) => phase['phase'] ?? 'remove');
  const lift = stored.findIndex((step) => /(^|-)lift$/.test(step['id'] as string));
  // The first plans did not say a heat's phase either: what comes after the part is out is its fit.
  const phased = stored.map((step, i): Stored =>
    step['kind'] === 'heat'
      ? { ...step, phase: step['phase'] ?? (lift >= 0 && i > lift ? phases.at(-1) : phases[0]) }
      : step,
  );
  const lastFit = phased.findLastIndex((step) => step['kind'] === 'heat' && step['phase'] === 'fit');
  const effectOf = (i: number): string | null => (i === lift ? 'part-off' : i === lastFit ? 'part-on' : null);
  const steps = phased.map((step, i) => ({ ...step, inTurn: [], stroke: [], effect: effectOf(i) }));
  return { ...plan, version: 3, steps };
}

/** Names that methods had in plans of the first models. */
const METHOD_NAMES: Readonly<Record<string, string>> = {
  'iron-leg-at-a-time': 'leg-at-a-time',
  'iron-cut-then-pins': 'cut-then-pins',
  'iron-joint-by-joint': 'joint-by-joint',
};

function renamed(phase: Stored): Stored {
  const chosen = phase['chosen'] as Stored;
  const method = chosen['method'] as string;
  return { ...phase, chosen: { ...chosen, method: METHOD_NAMES[method] ?? method } };
}
