import type { CautionId } from '../cautions';
import type { Phase } from '../goals';

/** What the technician is told while something is under heat. */
interface DwellTarget {
  readonly setpoint_K: number;
  readonly expect_s: readonly [number, number];
  readonly liftFrom_s: number;
  readonly holdAfterMelt_s: number;
  readonly stop_s: number;
  readonly ifNotMolten: string;
}

export type StepKind = 'gate' | 'do' | 'heat' | 'wait' | 'inspect';

/** One line of the traveller. A gate must be confirmed before anything after it; heat and wait carry a clock. */
export interface Step {
  readonly id: string;
  readonly kind: StepKind;
  readonly title: string;
  readonly detail: string;
  readonly why: string;
  readonly cautions: readonly CautionId[];
  /** The pad under heat, or `all`. */
  readonly pad: string | null;
  readonly dwell: DwellTarget | null;
  readonly wait_s: number | null;
  /** The phase whose setting its heat has; null outside of heat. */
  readonly phase: Phase | null;
  /** Pads heated in this step one after another, each with a clock of its own; empty where there is one clock. */
  readonly inTurn: readonly string[];
  /** Pads that a tip is drawn over under one clock; empty where it stands still. */
  readonly stroke: readonly string[];
  /** What the tool's own display has to show before anything is heated by it, K; null where nothing is read. */
  readonly reads_K: number | null;
  /** What is different on the board once it is done. */
  readonly effect: 'part-off' | 'part-on' | null;
  /** Shown with the picture of the site as it lies on the board. */
  readonly picture: boolean;
}

/** As much as is read from the lens at arm's length and a half (ISO 9241-303: 16 minutes of arc, from memory). */
const LEAD_CHARACTERS = 90;

/** What a step says in two: the sentences that lead, as many as fit, and the rest for whoever looks closer. */
export function leadOf(detail: string): { readonly lead: string; readonly rest: string } {
  const sentences = detail.match(/[^.?!]+(?:[.?!](?!\s|$)[^.?!]*)*[.?!]*\s*/g) ?? [detail];
  let lead = sentences[0];
  let taken = 1;
  while (taken < sentences.length && (lead + sentences[taken]!).trimEnd().length <= LEAD_CHARACTERS)
    lead += sentences[taken++]!;
  return { lead: lead.trimEnd(), rest: sentences.slice(taken).join('').trimEnd() };
}

export type StepDraft = Partial<Step> & Pick<Step, 'id' | 'kind' | 'title' | 'detail' | 'why'>;

export const step = (draft: StepDraft): Step => ({
  cautions: [],
  pad: null,
  dwell: null,
  wait_s: null,
  phase: null,
  inTurn: [],
  stroke: [],
  reads_K: null,
  effect: null,
  picture: false,
  ...draft,
});
