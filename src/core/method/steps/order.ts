import type { Step } from './step';

/** What has to come before what in any job, and why: the trade's order, as one table. */
export interface OrderRule {
  readonly before: RegExp;
  readonly after: RegExp;
  /** Within one half of a job (off, on), or over all of it. */
  readonly within: 'half' | 'job';
  /** Nothing may stand between them. */
  readonly next?: boolean;
  /** Only of parts that lie on their lands, or only of parts whose leads go through. */
  readonly of?: 'surface' | 'through-hole';
  readonly because: string;
}

const HEAT = /^heat-/;
const COLD = /^(hardware|clinched|cut|twist|shield)$/;
const ISOLATED = /^gate-(mains|power)$/;
const CHARGED = /^(gate-(stored-charge|eht)|discharge)$/;

/** Common practice; the table of the trade's order (job.md) in the names of the steps. */
export const ORDER: readonly OrderRule[] = [
  {
    before: ISOLATED,
    after: CHARGED,
    within: 'job',
    because: 'a capacitor bled on a live unit charges again',
  },
  {
    before: CHARGED,
    after: /^(static|baseline)$/,
    within: 'job',
    because: 'no strap and no meter goes to what still holds a charge',
  },
  {
    before: /^gate-/,
    after: /^(orientation|baseline|set|heat-.*)$/,
    within: 'job',
    because: 'nothing is touched before its hazard is cleared',
  },
  {
    before: /^orientation$/,
    after: /^(hardware|clinched|cut|twist|heat-.*|lift|take-out)$/,
    within: 'half',
    because: 'afterwards nobody knows',
  },
  {
    before: /^baseline$/,
    after: HEAT,
    within: 'job',
    because: 'damage done here must be told from damage found',
  },
  {
    before: COLD,
    after: /^(set|flux|solder|bead|preheat|heat-.*)$/,
    within: 'half',
    because: 'cold mechanical work beside a hot tool burns and tears',
  },
  {
    before: /^(wire|shock)$/,
    after: /^(set|preheat|heat-.*)$/,
    within: 'half',
    because: 'it is decided cold',
  },
  { before: /^(spent|tired)$/, after: HEAT, within: 'job', because: 'after it the choice is made' },
  { before: /^moisture$/, after: HEAT, within: 'job', because: 'packs crack' },
  { before: /^set$/, after: /^preheat$/, within: 'half', because: 'the soak must not wait for the tool' },
  {
    before: /^(flux|paste)$/,
    after: /^preheat$/,
    within: 'half',
    because: 'flux wets when it warms; put on a hot board it spits',
  },
  {
    before: /^(flux|paste)$/,
    after: /^seat$/,
    within: 'half',
    of: 'surface',
    because: 'nothing goes under a seated body',
  },
  { before: /^preheat$/, after: HEAT, within: 'half', because: 'a board is warm before the tool comes' },
  {
    before: HEAT,
    after: /^lift$/,
    within: 'half',
    next: true,
    because: 'solder freezes in a second; a pull after that tears lands',
  },
  {
    before: /^(lift|take-out)$/,
    after: /^(wick-clean|dress)$/,
    within: 'half',
    because: 'the alloy holds the part until it is off',
  },
  {
    before: /^wick-clean$/,
    after: /^dress$/,
    within: 'half',
    because: 'low-melt comes off before ordinary solder goes on',
  },
  { before: /^cool$/, after: /^(clean-site|clean)$/, within: 'half', because: 'fire and fume' },
  {
    before: /^dress$/,
    after: /^(clean-site|clean)$/,
    within: 'half',
    because: 'dressing leaves flux behind',
  },
  {
    before: /^clean-site$/,
    after: /^inspect$/,
    within: 'half',
    because: 'residue hides cracks and lifted lands',
  },
  {
    before: /^mend-/,
    after: /^(seat|heat-.*)$/,
    within: 'half',
    because: 'under the part it cannot be reached again',
  },
  { before: /^marking$/, after: /^seat$/, within: 'half', because: 'a wrong part costs two heats' },
  {
    before: /^seat$/,
    after: HEAT,
    within: 'half',
    because: 'turned wrongly it is found now or by its smoke',
  },
  { before: HEAT, after: /^trim$/, within: 'half', because: 'a long lead is what holds it' },
  { before: /^trim$/, after: /^clean$/, within: 'job', because: 'ends lie about until they are brushed off' },
  {
    before: /^clean$/,
    after: /^(wash|dry)$/,
    within: 'job',
    because: 'solvent is let go before anything is powered',
  },
  {
    before: /^wash$/,
    after: /^rinse$/,
    within: 'job',
    next: true,
    because: 'alcohol drives the water out before it creeps anywhere',
  },
  {
    before: /^rinse$/,
    after: /^oven$/,
    within: 'job',
    next: true,
    because: 'what is left under bodies leaves only warm',
  },
  { before: /^oven$/, after: /^dry$/, within: 'job', because: 'it is powered dry and cool' },
  { before: /^dry$/, after: /^meter$/, within: 'job', because: 'what is wet reads wrong' },
  {
    before: /^inspect$/,
    after: /^meter$/,
    within: 'half',
    because: 'what is seen is put right before it is measured',
  },
  {
    before: /^meter$/,
    after: /^supply$/,
    within: 'job',
    because: 'a short is found by a meter, not by a supply',
  },
];

/** Steps that stand for the whole job, whichever half they stand in. */
const OF_THE_JOB = /^(gate-.*|static|baseline|moisture|discharge|clean|wash|rinse|oven|dry|supply)$/;

interface Placed {
  readonly id: string;
  readonly half: string | null;
  readonly at: number;
}

/** Rules that a list of steps breaks, in words; none for one that a master would follow. */
export function brokenOrder(steps: readonly Pick<Step, 'id'>[], of: 'surface' | 'through-hole'): string[] {
  const placed = steps.map(({ id }, at): Placed => {
    const half = /^(remove|reflow|fit)-/.exec(id)?.[1] ?? 'first';
    const base = id.replace(/^(remove|reflow|fit)-/, '');
    return { id: base, half: OF_THE_JOB.test(base) ? null : half, at };
  });
  return ORDER.filter((rule) => rule.of === undefined || rule.of === of).flatMap((rule) =>
    placed
      .filter(({ id }) => rule.after.test(id))
      .flatMap((after) => {
        const before = placed.filter(
          ({ id, half }) =>
            rule.before.test(id) &&
            (rule.within === 'job' || half === null || after.half === null || half === after.half),
        );
        const late = before.some(({ at }) => at > after.at);
        const apart = rule.next === true && before.length > 0 && before.at(-1)!.at !== after.at - 1;
        return late || apart
          ? [`${steps[after.at]!.id} stands wrongly by ${rule.before.source}: ${rule.because}`]
          : [];
      }),
  );
}
