import type { Part } from './parts/part';
import { MOUNTING } from './swap/anyPart';
import { checkSwap, NOTHING_KNOWN, type SwapAnswer } from './swap/check';
import type { Circuit } from './swap/rule';

/** A place that a part is wanted for, in the order of fitting; a part that its value does not tell is null. */
export interface KitPlace {
  readonly ref: string;
  readonly part: Part | null;
}

/** A line of a drawer. */
export interface KitStock {
  readonly id: string;
  readonly part: Part;
  readonly count: number;
  readonly drawer?: string | undefined;
}

interface KitTake {
  readonly stockId: string;
  readonly count: number;
  readonly answer: SwapAnswer;
}

/** What is wanted alike at some places, and where it comes from. */
export interface KitLine {
  readonly refs: readonly string[];
  readonly part: Part;
  readonly takes: readonly KitTake[];
  /** So many are in no drawer. */
  readonly short: number;
  /** Other lines that the swap rules let stand there, best first; one of another value is only ever one of these. */
  readonly alternates: readonly { readonly stockId: string; readonly answer: SwapAnswer }[];
}

/** Two of a kit's parts that a hand takes for each other. */
export interface LookAlike {
  readonly one: string;
  readonly other: string;
  readonly why: string;
}

export interface Kit {
  readonly lines: readonly KitLine[];
  /** Places whose value does not tell what stood there. */
  readonly untold: readonly string[];
  readonly alike: readonly LookAlike[];
}

const MOST_ALTERNATES = 4;

/**
 * A kit for some places: alike parts together, out of one batch where one has enough, the best fit and the nearest in rating
 * first; what the drawers lack is short. Each part is counted once however many places it would do for.
 */
export function kitOf(places: readonly KitPlace[], stock: readonly KitStock[], circuit: Circuit = {}): Kit {
  const left = new Map(stock.map(({ id, count }) => [id, count]));
  const lines = wantedTogether(places).map(({ part, refs }): KitLine => {
    const allowed = fittingFor(part, stock, circuit);
    const fitting = allowed.filter(({ answer }) => isAsWanted(answer));
    const takes: KitTake[] = [];
    let missing = refs.length;
    // One batch for all of them where there is one: mixed ones age and measure apart.
    const enough = fitting.filter(
      ({ id, answer }) => answer.verdict === fitting[0]?.answer.verdict && left.get(id)! >= missing,
    );
    for (const { id, answer } of [...enough, ...fitting]) {
      const count = Math.min(missing, left.get(id)!);
      if (count === 0) continue;
      takes.push({ stockId: id, count, answer });
      left.set(id, left.get(id)! - count);
      missing -= count;
    }
    const taken = new Set(takes.map(({ stockId }) => stockId));
    const alternates = allowed
      .filter(({ id }) => !taken.has(id) && left.get(id)! > 0)
      .slice(0, MOST_ALTERNATES)
      .map(({ id, answer }) => ({ stockId: id, answer }));
    return { refs, part, takes, short: missing, alternates };
  });
  const used = new Set(lines.flatMap(({ takes }) => takes.map(({ stockId }) => stockId)));
  return {
    lines,
    untold: places.filter(({ part }) => part === null).map(({ ref }) => ref),
    alike: lookAlikes(stock.filter(({ id }) => used.has(id))),
  };
}

/**
 * Whether a part is known to be of the original's value or kind: one that is not is somebody's own choice, place by place, and
 * no kit's.
 */
const isAsWanted = ({ checks }: SwapAnswer): boolean =>
  checks.every(({ rule, verdict }) => verdict === 'fit' || !CHOSEN_BY_A_PERSON.has(rule));
const CHOSEN_BY_A_PERSON: ReadonlySet<string> = new Set(['value', 'marking', MOUNTING, NOTHING_KNOWN]);

/** Places with one and the same part, in the order of the first of them. */
function wantedTogether(places: readonly KitPlace[]): { part: Part; refs: string[] }[] {
  const groups = new Map<string, { part: Part; refs: string[] }>();
  for (const { ref, part } of places) {
    if (!part) continue;
    const key = JSON.stringify(part);
    const group = groups.get(key) ?? { part, refs: [] };
    group.refs.push(ref);
    groups.set(key, group);
  }
  return [...groups.values()];
}

/** Lines that may stand for a part: what fits before what fits with a note, the nearest in value and then in rating first. */
function fittingFor(
  part: Part,
  stock: readonly KitStock[],
  circuit: Circuit,
): (KitStock & { readonly answer: SwapAnswer })[] {
  const apart = (one: number | undefined, other: number | undefined): number =>
    one && other ? Math.abs(Math.log(one / other)) : 0;
  return stock
    .filter((line) => line.part.kind === part.kind)
    .map((line) => ({ ...line, answer: checkSwap(part, line.part, circuit) }))
    .filter(({ answer }) => answer.verdict !== 'do-not-fit')
    .sort(
      (a, b) =>
        Number(a.answer.verdict !== 'fit') - Number(b.answer.verdict !== 'fit') ||
        apart(a.part.value, part.value) - apart(b.part.value, part.value) ||
        apart(a.part.rating_V, part.rating_V) - apart(b.part.rating_V, part.rating_V),
    );
}

/** Closer than this two values are one and the same figure on a bag. */
const SAME_FIGURES = 0.02;

/** Pairs of parts whose marks or bodies a hand mixes up (common practice: decades, ratings, neighbours in one size of case). */
export function lookAlikes(parts: readonly KitStock[]): LookAlike[] {
  return parts.flatMap((one, i) =>
    parts.slice(i + 1).flatMap((other): LookAlike[] => {
      const why = alikeBy(one, other);
      return why ? [{ one: one.id, other: other.id, why }] : [];
    }),
  );
}

function alikeBy(
  { part: one, drawer }: KitStock,
  { part: other, drawer: otherDrawer }: KitStock,
): string | null {
  if (one.kind !== other.kind || one.technology !== other.technology) return null;
  if (one.value && other.value) {
    const decades = Math.log10(other.value / one.value);
    if (Math.abs(decades) < SAME_FIGURES / Math.LN10)
      return one.rating_V === other.rating_V
        ? 'the same figures, another batch'
        : 'the same value, another rating';
    if (Math.abs(decades - Math.round(decades)) < SAME_FIGURES / Math.LN10)
      return `the same figures, ${10 ** Math.abs(Math.round(decades))} times the value`;
  }
  if (drawer && drawer === otherDrawer) return 'they lie in one drawer';
  const { diameter_m, height_m } = one.case ?? {};
  const sameCan =
    diameter_m !== undefined &&
    diameter_m === other.case?.diameter_m &&
    (height_m === undefined || other.case.height_m === undefined || height_m === other.case.height_m);
  return sameCan ? 'the same size of case' : null;
}
