import { MOST_PART_CYCLES, partCycles } from '../limits/partCycles';
import type { PhaseRequest } from '../request';
import { PLAN } from '../settings';
import { pinsInWords } from './heatSteps';
import type { PhaseWork } from './phaseWork';
import { step, type Step } from './step';

/** From here on a land is told as spent: what is left is less than one touch may take of a whole one. */
const LITTLE_LEFT = 1 - PLAN.dwellShare;

/** Lands and parts that have had their heat: said before anything is warm, and confirmed. */
export const spentSteps = (phases: readonly PhaseWork[]): Step[] => [
  ...spentLands(phases[0]!.request),
  ...tiredPart(phases),
];

function spentLands({ history, site }: PhaseRequest): Step[] {
  const spent = Object.entries(history.padDose).filter(([, dose]) => dose >= LITTLE_LEFT);
  if (spent.length === 0) return [];
  const worst = Math.max(...spent.map(([, dose]) => dose));
  const pads = spent.map(([pad]) => pad);
  return [
    step({
      id: 'spent',
      kind: 'gate',
      title: `Little is left of ${pinsInWords(pads)}`,
      detail: `${Math.round(100 * worst)} % of a pad’s heat budget is spent there (estimate). One touch each, no force; if a pad lifts, stop and mark it.`,
      why: `The bond under ${site.ref} ages with every heat. Leaving the part, cutting it away or a socket costs these pads less.`,
    }),
  ];
}

/** A body that lives on past the heats that it is classified for. */
function tiredPart(phases: readonly PhaseWork[]): Step[] {
  const { goal, history, site } = phases[0]!.request;
  const cycles = partCycles(
    goal,
    history.partCycles,
    phases.map(({ request, bodyPeak_K }) => ({ phase: request.phase, bodyPeak_K })),
  );
  if (!cycles?.over) return [];
  return [
    step({
      id: 'tired',
      kind: 'gate',
      title: `${site.ref} has had its heats`,
      detail: `This makes ${cycles.after} of the ${MOST_PART_CYCLES} a body is classified for. A fresh part is safer; this one is proved by test before it stays.`,
      why: 'Bodies delaminate inside; they may measure well and fail in service.',
    }),
  ];
}
