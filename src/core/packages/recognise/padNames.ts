import type { SeenLand } from './seen';

/** Lands by the names that families give them. */
export interface Renaming {
  readonly lands: readonly SeenLand[];
  /** The file's name of each. */
  readonly nameOf: ReadonlyMap<string, string>;
  /** Whether the names are as such parts' mostly are. */
  readonly likely: boolean;
}

/** A screw or peg goes through more than this; a lead does not. */
const PEG_m = 2.4e-3;
const BALL = /^[A-Z]{1,2}\d+$/;
/** Names of a pad beneath a part, of a tab, and of what only holds. */
const BENEATH = /^(EP|EPAD|PAD|TP|DAP|0)$/i;
const TAB = /^(TAB|T|D\.?TAB)$/i;
const HOLDS = /^(MP\d*|MH\d*|SH\d*|SHIELD\d*|NC|MNT\d*|M\d|S\d|)$/i;
/** Pins by letters and their usual numbers (common practice: cathode first, then as lands of small transistors are counted). */
const LETTERS: readonly Readonly<Record<string, string>>[] = [
  { K: '1', A: '2' },
  { C: '1', A: '2' },
  { '+': '1', '-': '2' },
  { P: '1', N: '2' },
  { B: '1', E: '2', C: '3' },
  { G: '1', S: '2', D: '3' },
];

/**
 * The ways in which a part's lands may be named: as they are, or, where a file names them by letters, as families number them. What only holds the
 * part down is left out, a pad beneath it is its last, a tab its second or fourth.
 */
export function renamings(all: readonly SeenLand[]): Renaming[] {
  const seen = withoutPegs(all);
  const plain: Renaming = { lands: seen, nameOf: namesOf(seen, seen), likely: true };
  if (seen.every(({ pad }) => /^\d+$/.test(pad) || BALL.test(pad))) return tabbed(plain, seen);
  const numbered = seen.filter(({ pad }) => /^\d+$/.test(pad) && pad !== '0');
  if (numbered.length > seen.length / 2) {
    const renamed = seen.flatMap((land) => {
      if (numbered.includes(land)) return [land];
      if (BENEATH.test(land.pad)) return [{ ...land, pad: String(numbered.length + 1) }];
      if (TAB.test(land.pad))
        return [
          { ...land, pad: numbered.some(({ pad }) => pad === '2') ? String(numbered.length + 1) : '2' },
        ];
      return HOLDS.test(land.pad) ? [] : [land];
    });
    const kept = seen.filter((land) => numbered.includes(land) || !HOLDS.test(land.pad));
    return tabbed({ lands: renamed, nameOf: namesOf(renamed, kept), likely: true }, renamed);
  }
  return seen.length <= 3 ? lettered(seen) : [plain];
}

/** Holes that are no lead's: pegs, and the screw of a tab. */
function withoutPegs(all: readonly SeenLand[]): readonly SeenLand[] {
  const leads = all.filter(({ hole_m }) => hole_m === null || hole_m < PEG_m);
  return leads.length >= 2 && leads.length < all.length ? leads : all;
}

const namesOf = (renamed: readonly SeenLand[], from: readonly SeenLand[]): ReadonlyMap<string, string> =>
  new Map(renamed.map(({ pad }, i) => [pad, from[i]?.pad ?? pad]));

/** Of a small power pack whose tab and middle lead have one name files tell the tab alone: it is its fourth land too. */
function tabbed(plain: Renaming, seen: readonly SeenLand[]): Renaming[] {
  const [one, two, three] = ['1', '2', '3'].map((name) => seen.find(({ pad }) => pad === name));
  if (seen.length !== 3 || !one || !two || !three || two.hole_m !== null) return [plain];
  const middle: SeenLand = {
    ...one,
    pad: '2',
    x_m: (one.x_m + three.x_m) / 2,
    y_m: (one.y_m + three.y_m) / 2,
  };
  const larger = two.width_m * two.height_m > 2 * one.width_m * one.height_m;
  if (!larger) return [plain];
  return [
    plain,
    {
      lands: [one, middle, three, { ...two, pad: '4' }],
      nameOf: new Map([
        ['1', '1'],
        ['2', '2'],
        ['3', '3'],
        ['4', '2'],
      ]),
      likely: true,
    },
  ];
}

/** Every order of up to three named pins, the usual one first. */
function lettered(seen: readonly SeenLand[]): Renaming[] {
  const numbers = seen.map((_, i) => String(i + 1));
  return orders(numbers).map((order) => ({
    lands: seen.map((land, i) => ({ ...land, pad: order[i]! })),
    nameOf: new Map(seen.map((land, i) => [order[i]!, land.pad])),
    likely: LETTERS.some((usual) => seen.every((land, i) => usual[land.pad.toUpperCase()] === order[i])),
  }));
}

const orders = (list: readonly string[]): string[][] =>
  list.length <= 1
    ? [[...list]]
    : list.flatMap((one) => orders(list.filter((other) => other !== one)).map((rest) => [one, ...rest]));
