import { CAPACITOR_LIMITS } from '../partData';
import { mountingOf } from '../parts/part';
import { suspicionsOf } from '../parts/incoming';
import { no, note, ok, type SwapRule } from './rule';

const contents: SwapRule = (original, candidate) => {
  if (original.kind !== 'memory' && original.kind !== 'microcontroller') return null;
  if (original.contents === 'only-copy')
    return no(
      'contents',
      'the original holds the only copy of its contents: read it twice and keep them first',
      {},
      'its contents read twice alike and kept with the board',
    );
  if (candidate.contents !== undefined && candidate.contents !== 'none')
    return note('contents', 'the candidate holds something of another board: it is erased and written anew');
  return original.contents === 'kept'
    ? note(
        'contents',
        'write the kept contents, verify before and after fitting, and carry the board’s own block over',
      )
    : null;
};

/** Kinds whose suffix makes them another part: speed, pins, region, voltage. */
const EXACT: ReadonlySet<string> = new Set([
  'logic',
  'memory',
  'microcontroller',
  'regulator',
  'transistor',
  'crystal',
]);

const marking: SwapRule = (original, candidate) => {
  if (!original.marking || !candidate.marking) return null;
  const [had, has] = [original.marking, candidate.marking].map((m) =>
    m.replace(/[\s-]/g, '').toUpperCase(),
  ) as [string, string];
  const numbers = { original: original.marking, candidate: candidate.marking };
  if (had === has) return ok('marking', 'the same to the last letter', numbers);
  // Of others the ratings tell, and many names stand for one part.
  if (!EXACT.has(original.kind)) return null;
  return trunkOf(original.marking) === trunkOf(candidate.marking)
    ? note(
        'marking',
        `${candidate.marking} for ${original.marking}: the suffix tells speed, package, voltage or region; read it in the sheet`,
        numbers,
      )
    : no(
        'marking',
        `${candidate.marking} is another part than ${original.marking}`,
        numbers,
        original.marking,
      );
};

/** A marking without its suffix: what stands behind a dash, and letters behind the last figure. */
const trunkOf = (printed: string): string =>
  printed
    .trim()
    .toUpperCase()
    .split(/[\s-]/)[0]!
    .replace(/(?<=\d)[A-Z]+$/, '');

const pins: SwapRule = (original, candidate) => {
  if (!original.pinOrder || !candidate.pinOrder) return null;
  const numbers = { original: original.pinOrder, candidate: candidate.pinOrder };
  const order = (p: string): string => p.replace(/[\s-]/g, '').toUpperCase();
  return order(original.pinOrder) === order(candidate.pinOrder)
    ? ok('pins', 'pins in the same order', numbers)
    : no(
        'pins',
        `pins ${candidate.pinOrder} where ${original.pinOrder} stood: fitted so it dies`,
        numbers,
        `${original.pinOrder}, or leads crossed and sleeved`,
      );
};

/** Leads through a board and feet on it are two places. */
const mounting: SwapRule = (original, candidate) => {
  const [had, has] = [mountingOf(original), mountingOf(candidate)];
  if (had === undefined || had === has) return null;
  if (has === undefined)
    return had === 'surface'
      ? note(
          MOUNTING,
          'nothing says whether it stands on the surface: hold it against its pads',
          {},
          'a surface part',
        )
      : null;
  return no(
    MOUNTING,
    `a ${has} part where a ${had} one stood`,
    { original: had, candidate: has },
    `a ${had} part`,
  );
};
export const MOUNTING = 'mounting';

/** A part's origin, and what it went through; its age counts where the present year is known. */
const origin: SwapRule = (_original, candidate, { year }) => {
  const { source, heatCycles = 1, madeIn, kind, technology } = candidate;
  const age = madeIn === undefined || year === undefined ? 0 : year - madeIn;
  const stale =
    kind === 'capacitor' && technology === 'aluminium' && age > CAPACITOR_LIMITS.formedAfter.value;
  const notes = [
    ...(source === 'pulled' || source === 'donor'
      ? [
          `it was soldered before (${heatCycles} ${heatCycles > 1 ? 'heats' : 'heat'}): legs straightened, tested before it is fitted`,
        ]
      : []),
    ...(source === 'unknown'
      ? ['nobody knows where it is from: test it, and look whether it was marked anew']
      : []),
    ...suspicionsOf(candidate, { year }),
    ...(stale ? [`made in ${madeIn}: after ${age} years in a drawer it is formed at its voltage first`] : []),
  ];
  return notes.length === 0
    ? null
    : note('origin', notes.join('; '), { ...(source ? { source } : {}), ...(stale ? { age } : {}) });
};

export const ANY_RULES: readonly SwapRule[] = [marking, pins, mounting, contents, origin];
