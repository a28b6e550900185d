/** Moisture sensitivity levels that have a floor life. */
export const MOISTURE_LEVELS = ['1', '2', '2a', '3', '4', '5', '5a', '6'] as const;
export type MoistureLevel = (typeof MOISTURE_LEVELS)[number];

const HOUR_s = 3600;
const DAY_s = 24 * HOUR_s;

/**
 * Floor life out of the bag at no more than 30 °C and 60 % relative humidity, s; level 6 must be baked
 * before every use. J-STD-020 table 5-1 / J-STD-033, from memory.
 */
export const FLOOR_LIFE_s: Readonly<Record<MoistureLevel, number>> = {
  '1': Infinity,
  '2': 365 * DAY_s,
  '2a': 28 * DAY_s,
  '3': 168 * HOUR_s,
  '4': 72 * HOUR_s,
  '5': 48 * HOUR_s,
  '5a': 24 * HOUR_s,
  '6': 0,
};

/** Temperatures that the standard's bake table has columns for, °C. */
export const BAKE_C = [125, 90, 40] as const;
export type BakeTemperature = (typeof BAKE_C)[number];

type Bake = readonly [over72h_h: number, within72h_h: number];
type BakeRow = Readonly<Record<BakeTemperature, Bake>>;
const row = (at125: Bake, at90: Bake, at40_days: Bake): BakeRow => ({
  125: at125,
  90: at90,
  40: [at40_days[0] * 24, at40_days[1] * 24],
});
const days = (a: number, b: number): Bake => [a * 24, b * 24];

/**
 * Baking before rework, hours: floor life exceeded by more than 72 h, and by no more.
 * J-STD-033 table 4-1, from memory; body thickness up to 1.4, 2.0 and 4.5 mm.
 */
const BAKE_TABLE: readonly {
  upTo_m: number;
  levels: Readonly<Partial<Record<MoistureLevel, BakeRow>>>;
}[] = [
  {
    upTo_m: 1.4e-3,
    levels: {
      '2': row([5, 3], [17, 11], [8, 5]),
      '2a': row([7, 5], [23, 13], [9, 7]),
      '3': row([9, 7], [33, 23], [13, 9]),
      '4': row([11, 7], [37, 23], [15, 9]),
      '5': row([12, 7], [41, 24], [17, 10]),
      '5a': row([16, 10], [54, 24], [22, 10]),
    },
  },
  {
    upTo_m: 2.0e-3,
    levels: {
      '2': row([18, 15], [63, 48], [25, 20]),
      '2a': row([21, 16], days(3, 2), [29, 22]),
      '3': row([27, 17], days(4, 2), [37, 23]),
      '4': row([34, 20], days(5, 3), [47, 28]),
      '5': row([40, 25], days(6, 4), [57, 35]),
      '5a': row([48, 40], days(8, 6), [79, 56]),
    },
  },
  {
    upTo_m: 4.5e-3,
    levels: {
      '2': row([48, 48], days(10, 7), [79, 67]),
      '2a': row([48, 48], days(10, 7), [79, 67]),
      '3': row([48, 48], days(10, 8), [79, 67]),
      '4': row([48, 48], days(10, 10), [79, 67]),
      '5': row([48, 48], days(10, 10), [79, 67]),
      '5a': row([48, 48], days(10, 10), [79, 67]),
    },
  },
];

/** A body's mould, without balls, leads and stand-off, as the standard's tables count it. */
export interface MouldedBody {
  readonly thickness_m: number;
  readonly length_m: number;
  readonly width_m: number;
  /** Of a ball grid array, or a package with dies stacked in it. */
  readonly array: boolean;
}

/**
 * The table's own row for arrays over 17 mm by 17 mm and for stacked dies: 96 h at 125 °C for levels 2 to 5a, whatever
 * their thickness and however far past their floor life; for other temperatures it gives nothing to go by
 * (J-STD-033 table 4-1, from memory).
 */
const LARGE_ARRAY = { over_m: 17e-3, at_C: 125, hours: 96 } as const;

/** Above 90 °C a part may be baked no longer than this in all, or its leads no longer wet (J-STD-033 §4.2.7, from memory). */
export const MOST_BAKE_h = 96;

export type BakeAdvice =
  | { readonly kind: 'none'; readonly because: 'below 200 °C' | 'level 1' | 'floor life left' }
  | { readonly kind: 'bake'; readonly at_C: BakeTemperature; readonly hours: number }
  | { readonly kind: 'label'; readonly because: 'level 6' | 'thicker than the table' | 'large array' };

/** Bodies below this need no bake before local rework (J-STD-033, from memory). */
export const DRY_REWORK_K = 473.15;

/** A thickness given in mm and converted must still match its own row. */
const ROUNDING_m = 1e-9;

/** Whether a part has to be baked before it is heated to `peak_K`; level 6 and thick parts follow their label. */
export function bakeAdvice(
  level: MoistureLevel,
  body: MouldedBody,
  exposed_s: number,
  peak_K: number,
  at_C: BakeTemperature,
): BakeAdvice {
  if (peak_K <= DRY_REWORK_K) return { kind: 'none', because: 'below 200 °C' };
  if (level === '1') return { kind: 'none', because: 'level 1' };
  if (level === '6') return { kind: 'label', because: 'level 6' };
  const over_s = exposed_s - FLOOR_LIFE_s[level];
  if (over_s <= 0) return { kind: 'none', because: 'floor life left' };
  const large = Math.min(body.length_m, body.width_m) > LARGE_ARRAY.over_m + ROUNDING_m;
  if (body.array && large) {
    return at_C === LARGE_ARRAY.at_C
      ? { kind: 'bake', at_C, hours: LARGE_ARRAY.hours }
      : { kind: 'label', because: 'large array' };
  }
  const thickness = BAKE_TABLE.find((t) => body.thickness_m <= t.upTo_m + ROUNDING_m);
  if (!thickness) return { kind: 'label', because: 'thicker than the table' };
  const [long, short] = thickness.levels[level]![at_C];
  return { kind: 'bake', at_C, hours: over_s > 72 * HOUR_s ? long : short };
}
