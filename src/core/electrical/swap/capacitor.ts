import { celsius } from '~/core/quantity/convert';
import { valueInWords } from '~/core/quantity/partValue';
import {
  esrLimit_Ohm,
  isPolar,
  toleranceOf,
  type Part,
  type SafetyClass,
  type Technology,
} from '../parts/part';
import { CAPACITOR_LIMITS, WORKED_AT } from '../partData';
import { no, note, ok, type Circuit, type SwapRule } from './rule';

const F = (value: number): string => valueInWords(value, 'capacitance');
/** Two figures: a limit that is usual for a kind is known no better. */
const Ohm = (value: number): string => valueInWords(value, 'resistance', 2);

/** Uses that want no less and stand somewhat more. */
const STORES: ReadonlySet<Circuit['use']> = new Set(['filter', 'switching-output']);
/** Closer than this a time is the same (the resistor beside it has as much). */
const SAME_TIME = 0.05;

/** More than so many times the value loads what charges it (common practice: inrush, start-up, stability). */
const MOST_TIMES = 2;

const value: SwapRule = (original, candidate, { use }) => {
  if (original.value === undefined || candidate.value === undefined) return null;
  const [down, up] = toleranceOf(original);
  const ratio = candidate.value / original.value;
  const numbers = { original_F: original.value, candidate_F: candidate.value, ratio };
  const pair = `${F(candidate.value)} for ${F(original.value)}`;
  // A reset or a delay goes with its capacitor: what must not start before it may.
  if (use === 'timing' && ratio >= 1 - down && ratio <= 1 + up && Math.abs(ratio - 1) > SAME_TIME)
    return note(
      'value',
      `${pair}: what it times takes ${ratio.toFixed(2)} times as long; look at what starts with it, and in which order`,
      numbers,
      F(original.value),
    );
  if (ratio >= 1 - down && ratio <= 1 + up)
    return ok('value', `${pair}, within the original’s tolerance`, numbers);
  if (ratio < 1 - down)
    return no('value', `${pair}: too little`, numbers, `at least ${F(original.value * (1 - down))}`);
  if (STORES.has(use) && ratio <= MOST_TIMES)
    return note('value', `${pair}: more than the original; what charges it starts harder`, numbers);
  return use === 'timing' || use === 'across-mains' || use === 'line-to-earth' || ratio > MOST_TIMES
    ? no('value', `${pair}: too much`, numbers, `at most ${F(original.value * (1 + up))}`)
    : note('value', `${pair}: more than its tolerance; right only where it stores or filters`, numbers);
};

const rating: SwapRule = (original, candidate, { voltage_V }) => {
  const { rating_V: has } = candidate;
  const { rating_V: had } = original;
  if (has === undefined || (had === undefined && voltage_V === undefined)) return null;
  const numbers = {
    candidate_V: has,
    ...(had === undefined ? {} : { original_V: had }),
    ...(voltage_V === undefined ? {} : { circuit_V: voltage_V }),
  };
  const { technology: make = 'aluminium' } = candidate;
  const share = WORKED_AT[make in WORKED_AT ? (make as keyof typeof WORKED_AT) : 'aluminium'].value;
  if (voltage_V !== undefined && voltage_V > share * has)
    return no(
      'rating',
      `${has} V for ${voltage_V} V in the circuit: such a part is worked at ${share * 100} % at most`,
      numbers,
      `${Math.ceil(voltage_V / share)} V or more`,
    );
  if (had !== undefined && has < had) {
    return no('rating', `${has} V where ${had} V stood`, numbers, `${had} V or more`);
  }
  return ok(
    'rating',
    had === undefined ? `${has} V for ${voltage_V} V` : `${has} V where ${had} V stood`,
    numbers,
  );
};

/** ESR that is so much lower than the original's changes how a loop behaves (common practice). */
const FAR_LOWER = 0.2;

const esr: SwapRule = (original, candidate, { use }) => {
  const [had, has] = [esrLimit_Ohm(original), esrLimit_Ohm(candidate)];
  if (!had || !has || use === 'timing' || use === 'across-mains' || use === 'line-to-earth') return null;
  const ratio = has.limit_Ohm / had.limit_Ohm;
  const numbers = { original_Ohm: had.limit_Ohm, candidate_Ohm: has.limit_Ohm };
  const known = had.from === 'kind' || has.from === 'kind' ? ' (usual for the kind; no sheet was given)' : '';
  const pair = `ESR ${Ohm(has.limit_Ohm)} for ${Ohm(had.limit_Ohm)}${known}`;
  if (ratio > 1.5)
    return use === 'switching-output'
      ? no('ESR', `${pair}: ripple and heat rise with it`, numbers, `ESR of ${Ohm(had.limit_Ohm)} or less`)
      : note('ESR', `${pair}: it filters worse and runs warmer`, numbers);
  if (ratio > 1.05) return note('ESR', `${pair}: a little more`, numbers);
  if (ratio < FAR_LOWER && use === 'switching-output')
    return note(
      'ESR',
      `${pair}: far lower; a loop that counts on its ESR may ring: look at the output under load`,
      numbers,
    );
  return ok('ESR', pair, numbers);
};

const ripple: SwapRule = (original, candidate, { use }) => {
  if (original.ripple_A === undefined || use === 'timing' || use === 'coupling') return null;
  if (candidate.ripple_A === undefined)
    return note(
      'ripple',
      `the original stands ${original.ripple_A} A of ripple; the candidate’s is not known`,
      { original_A: original.ripple_A },
    );
  const numbers = { original_A: original.ripple_A, candidate_A: candidate.ripple_A };
  const pair = `${candidate.ripple_A} A where ${original.ripple_A} A stood`;
  return candidate.ripple_A >= original.ripple_A
    ? ok('ripple', pair, numbers)
    : no('ripple', `${pair}: it warms itself to death`, numbers, `${original.ripple_A} A or more`);
};

const warmth: SwapRule = (original, candidate, { use }) => {
  const { warmest_K: had } = original;
  const { warmest_K: has } = candidate;
  if (had === undefined || has === undefined) return null;
  const numbers = { original_C: celsius(had), candidate_C: celsius(has) };
  const pair = `${celsius(has).toFixed(0)} °C where ${celsius(had).toFixed(0)} °C stood`;
  if (has >= had) return ok('temperature', pair, numbers);
  const life = 2 ** ((has - had) / CAPACITOR_LIMITS.halves.value);
  const words = `${pair}: about ${Math.round(life * 100)} % of the life`;
  return use === 'switching-output' || use === 'filter'
    ? no('temperature', words, numbers, `${celsius(had).toFixed(0)} °C or more`)
    : note('temperature', words, numbers);
};

/** Which classes may stand for which: a Y passes where an X is asked, never the other way (IEC 60384-14). */
const STANDS_FOR: Readonly<Record<SafetyClass, readonly SafetyClass[]>> = {
  X1: ['X1', 'Y1', 'Y2'],
  X2: ['X1', 'X2', 'Y1', 'Y2'],
  Y1: ['Y1'],
  Y2: ['Y1', 'Y2'],
};

const safety: SwapRule = (original, candidate, { use }) => {
  const asked: SafetyClass | undefined =
    original.safetyClass ?? (use === 'across-mains' ? 'X2' : use === 'line-to-earth' ? 'Y2' : undefined);
  if (asked === undefined) return null;
  const numbers = { asked, candidate: candidate.safetyClass ?? 'none' };
  if (!candidate.safetyClass)
    return no(
      'safety class',
      `${asked} is asked and the candidate has no class: it fails as a short across the mains`,
      numbers,
      `a part of class ${asked}`,
    );
  if (!STANDS_FOR[asked].includes(candidate.safetyClass))
    return no(
      'safety class',
      `${candidate.safetyClass} never stands for ${asked}`,
      numbers,
      `a part of class ${asked}`,
    );
  return candidate.safetyClass === asked
    ? ok('safety class', `class ${asked} as asked`, numbers)
    : note(
        'safety class',
        `class ${candidate.safetyClass} stands for ${asked}; leave the next one what to look for`,
        numbers,
      );
};

/** What comes of one make in another's place; what is left out of the table is not done. */
const MAKES: Partial<Record<Technology, Partial<Record<Technology, string>>>> = {
  aluminium: {
    polymer: 'far lower ESR and no drying out; it leaks more and stands no voltage over its rating',
    tantalum: 'it fails as a short that burns: half its rating at most, and nothing stiff feeding it',
    ceramic: 'at voltage it holds a part of what is printed, and its ESR is next to nothing',
    film: 'larger, and longer lived',
  },
  polymer: {
    aluminium: 'its ESR is many times that of a polymer',
    tantalum: 'half its rating at most',
    ceramic: 'at voltage it holds a part of what is printed',
  },
  tantalum: {
    aluminium: 'larger, more ESR, and it dries out with the years',
    polymer: 'lower ESR; as small',
    ceramic: 'at voltage it holds a part of what is printed; no ESR to damp a loop',
  },
  film: {},
  ceramic: { film: 'larger; better in every figure' },
};

const make: SwapRule = (original, candidate, { use }) => {
  const { technology: had } = original;
  const { technology: has } = candidate;
  if (had === undefined || has === undefined) return null;
  const numbers = { original: had, candidate: has };
  if (had === has) return ok('make', `${has} as before`, numbers);
  const words = MAKES[had]?.[has];
  if (words === undefined)
    return no('make', `${has} is not put where ${had} stood`, numbers, `a ${had} part`);
  if (has === 'ceramic' && (use === 'timing' || use === 'coupling'))
    return no(
      'make',
      `ceramic where ${had} stood: its value moves with voltage, warmth and knocks`,
      numbers,
      `${had} or film`,
    );
  return note('make', `${has} where ${had} stood: ${words}`, numbers);
};

const sign: SwapRule = (original, candidate, { use }) => {
  const [had, has] = [isPolar(original), isPolar(candidate)];
  if (!had && has)
    return no(
      'polarity',
      'the original has no sign: the voltage there may turn, and an electrolyte does not stand that',
      {},
      'a part without a sign, or two back to back',
    );
  if ((use === 'across-mains' || use === 'line-to-earth') && has)
    return no('polarity', 'an electrolyte across the mains bursts', {}, 'a film part of its safety class');
  return had && has ? ok('polarity', 'both have a sign: mark against mark before it is soldered') : null;
};

const size: SwapRule = (original: Part, candidate: Part) => {
  const [had, has] = [original.case, candidate.case];
  if (!had || !has) return null;
  const mm = (length_m: number): string => `${(length_m * 1e3).toFixed(1)} mm`;
  if (had.pitch_m !== undefined && has.pitch_m !== undefined) {
    const apart = Math.abs(has.pitch_m - had.pitch_m);
    const numbers = { original_mm: had.pitch_m * 1e3, candidate_mm: has.pitch_m * 1e3 };
    if (apart > CAPACITOR_LIMITS.formedLead.value)
      return no(
        'size',
        `its leads stand ${mm(has.pitch_m)} apart for holes ${mm(had.pitch_m)} apart`,
        numbers,
        `${mm(had.pitch_m)} apart, or a second pair of holes`,
      );
    if (apart > 0.3e-3)
      return note(
        'size',
        `its leads are formed from ${mm(has.pitch_m)} to ${mm(had.pitch_m)}, held at the body while they are bent`,
        numbers,
      );
  }
  const across = (c: NonNullable<Part['case']>): number | undefined => c.diameter_m ?? c.width_m;
  const [wasAcross, isAcross] = [across(had), across(has)];
  if (wasAcross !== undefined && isAcross !== undefined && isAcross > wasAcross + 0.5e-3)
    return note('size', `${mm(isAcross)} across where ${mm(wasAcross)} stood: look at its neighbours`, {
      original_mm: wasAcross * 1e3,
      candidate_mm: isAcross * 1e3,
    });
  if (had.height_m !== undefined && has.height_m !== undefined && has.height_m > had.height_m + 1e-3)
    return note('size', `${mm(has.height_m)} tall where ${mm(had.height_m)} stood: look at the lid`, {
      original_mm: had.height_m * 1e3,
      candidate_mm: has.height_m * 1e3,
    });
  return ok('size', 'it goes where the other stood');
};

export const CAPACITOR_RULES: readonly SwapRule[] = [
  safety,
  sign,
  value,
  rating,
  make,
  esr,
  ripple,
  warmth,
  size,
];
