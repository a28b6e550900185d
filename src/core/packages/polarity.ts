import { isGround } from '~/core/electrical/netNames';
import { isSurface, padNamesOf, type PartPackage } from './form';

type Pole = 'plus' | 'minus' | 'cathode';

interface PartMark {
  /** What is seen on the part. */
  readonly name: string;
  /** The end that it stands at. */
  readonly means: Pole;
  /** What is said beside it. */
  readonly also: string;
}

/** Marks of parts with two poles, and what they mean (common practice; checked against the maker's data where the part is known). */
export const PART_MARKS = {
  'minus-stripe': { name: 'stripe', means: 'minus', also: 'the longer lead is plus' },
  'minus-segment': {
    name: 'dark segment',
    means: 'minus',
    also: 'the bevelled corners of its base are plus',
  },
  'minus-arrow': { name: 'arrow', means: 'minus', also: 'the groove is at the plus end' },
  'plus-bar': { name: 'bar', means: 'plus', also: 'on a moulded tantalum the bar is plus, never minus' },
  'cathode-band': { name: 'band', means: 'cathode', also: '' },
  'cathode-flat': {
    name: 'flat, notch or dot',
    means: 'cathode',
    also: 'on most such parts: prove it by diode test',
  },
} as const satisfies Record<string, PartMark>;
export type PartMarkId = keyof typeof PART_MARKS;
export const PART_MARK_IDS = Object.keys(PART_MARKS) as [PartMarkId, ...PartMarkId[]];

interface BoardMark {
  readonly name: string;
  /** What it means; null: boards disagree. */
  readonly means: Pole | null;
}

/** What boards print beside such parts (common practice). */
export const BOARD_MARKS = {
  plus: { name: 'plus', means: 'plus' },
  minus: { name: 'minus', means: 'minus' },
  'filled-half': { name: 'filled half', means: null },
  bevel: { name: 'bevelled corner', means: 'plus' },
  bar: { name: 'bar', means: 'cathode' },
} as const satisfies Record<string, BoardMark>;
export type BoardMarkId = keyof typeof BOARD_MARKS;
export const BOARD_MARK_IDS = Object.keys(BOARD_MARKS) as [BoardMarkId, ...BoardMarkId[]];

/** How a part with two poles goes on its site: its own mark and the board's, kept apart, for they may disagree. */
export interface Polarity {
  /** What is on the part. */
  readonly part: PartMarkId;
  /** The pad that has to be plus; of a diode, its anode. */
  readonly plusPad: string;
  /** What the board prints, and at which pad; null: nothing, or nobody looked. */
  readonly board: { readonly mark: BoardMarkId; readonly pad: string } | null;
}

/** Pads by their names and nets. */
interface NamedPads {
  readonly part: PartPackage;
  readonly nets: Readonly<Record<string, string>>;
}

/** How a part is turned, in words for the gate before it is seated. */
export interface Turn {
  readonly title: string;
  readonly detail: string;
  /** The pad that the part's own mark goes to, and what stands there; null where nothing is known or needed. */
  readonly marked: { readonly pad: string; readonly mark: string; readonly sign: string } | null;
}

const SIGNS: Readonly<Record<Pole, string>> = { plus: '+', minus: '−', cathode: 'K' };
const POLE_WORDS: Readonly<Record<Pole, string>> = { plus: 'plus', minus: 'minus', cathode: 'the cathode' };

/** Which pad each family's first pin is told by, and how boards mark it (common practice). */
const PIN_ONE: Readonly<Record<string, string>> = {
  to220:
    'Marking towards you, tab behind: pin one is left, to pad 1. The tab is often pin two: insulate it as it was found.',
  to92: 'The flat as the outline has it. Makers differ in which lead is which: by meter.',
  dsub: 'Pin one to pad 1, all pins through before a lock is pressed home.',
  sot223: 'Tab to the wide pad, its three leads to theirs.',
  sot89: 'Tab to the wide pad, which is its middle lead’s too.',
  dpak: 'Tab on its large pad; the leads to their pads, pin one left with the marking upright.',
  dipSocket: 'The notch of the socket to the notch or square pad on the board, pad 1.',
  header: 'The triangle or key to pad 1, the square pad or the digit one.',
  jack: 'The key or opening as it was found; pin one to pad 1, the square pad.',
  switch:
    'As it was found: many fit turned by a quarter and close the wrong contacts. Pin one to pad 1 by meter.',
  relay: 'Its stripe or pin one as on the board; a coil with a diode in it has a plus.',
  display: 'Digits upright as the board’s outline; its dot or notch to pad 1.',
  cell: 'Plus of the cell to the plus on the board, proved by meter on the board and on the cell.',
  connector: 'Its key or opening as it was found, both pegs home; pin one to pad 1.',
  button: 'Plunger to its opening, as it was found; its two pairs by meter.',
  ceramicCrystal: 'Its bevelled corner or dot to pad 1: turned by a half it may still start, and drift.',
  transformer:
    'Its dot or bevel to the same on the board, or as it was found. Windings by their pin numbers, read by ohmmeter if in doubt.',
  bga: 'The gold corner or dot to the A1 corner on the board.',
};
const CHIP_PIN_ONE =
  'The notch, dot or bevelled edge to pad 1. The board marks it by a square pad, a dot, a notch or a one. Pins count against the clock, seen from above.';

const TWO_POLES: ReadonlySet<string> = new Set([
  'radial',
  'axial',
  'canElectrolytic',
  'chip',
  'crystal',
  'sod',
  'mouldedDiode',
  'tantalum',
  'melf',
]);

/** How a part goes on its site: its mark, the pad it goes to, and the sign there. */
export function turnOnto(site: NamedPads, told: Polarity | null | undefined): Turn {
  const { part } = site;
  if (told) return bySign(site, told);
  if (!TWO_POLES.has(part.family) || padNamesOf(part).length !== 2) {
    const detail = PIN_ONE[part.family] ?? CHIP_PIN_ONE;
    return { title: 'Pin one to pad 1, then seat', detail, marked: null };
  }
  if (part.family === 'crystal')
    return {
      title: 'Seat it',
      detail: 'No sign. A hair over the board, so that its can shorts nothing.',
      marked: null,
    };
  if (part.family === 'chip')
    return {
      title: 'Seat it square',
      detail:
        'Square over its pads and flat. A chip with a bar or band has a sign: say it on the site first, and turn by it.',
      marked: null,
    };
  return byNets(site);
}

function bySign({ nets, part }: NamedPads, { part: markId, plusPad, board }: Polarity): Turn {
  const mark = PART_MARKS[markId];
  const other = padNamesOf(part).find((pad) => pad !== plusPad) ?? plusPad;
  const pad = mark.means === 'plus' ? plusPad : other;
  const net = nets[pad] ? `, ${nets[pad]}` : '';
  const detail = [
    `The ${mark.name} of the part is ${POLE_WORDS[mark.means]}: to ${boardWords(board, pad)}pad ${pad}${net}.`,
    mark.also ? `${capital(mark.also)}.` : '',
    ...doubts(board, plusPad),
  ];
  return {
    title: `The ${mark.name} to pad ${pad}, then seat`,
    detail: detail.filter(Boolean).join(' '),
    marked: { pad, mark: mark.name, sign: SIGNS[mark.means] },
  };
}

/** "the pad without the plus, " — the board's print, seen from the pad that the mark goes to. */
function boardWords(board: Polarity['board'], pad: string): string {
  if (!board) return '';
  const { name } = BOARD_MARKS[board.mark];
  return `the pad ${board.pad === pad ? 'with' : 'without'} the ${name}, `;
}

/** Where the board's print cannot be believed alone. */
function doubts(board: Polarity['board'], plusPad: string): string[] {
  if (!board) return ['What the board prints is not in the record: prove the sign against ground by meter.'];
  const { name, means } = BOARD_MARKS[board.mark];
  if (means === null)
    return [`A ${name} is minus on most boards and plus on some: prove it against ground by meter.`];
  const plusByPrint = means === 'plus' ? board.pad === plusPad : board.pad !== plusPad;
  return plusByPrint
    ? []
    : [
        `The board’s ${name} says otherwise: prove the sign against ground by meter before anything is soldered.`,
      ];
}

/** A part whose sign nobody told: what its nets say, and what such marks mean. */
function byNets({ nets, part }: NamedPads): Turn {
  const pads = padNamesOf(part);
  const grounds = pads.filter((pad) => isGround(nets[pad] ?? ''));
  const minus = grounds.length === 1 ? grounds[0]! : null;
  const says =
    part.family === 'canElectrolytic'
      ? 'A dark segment on a can is minus, its bevelled corners are plus.'
      : part.family === 'axial'
        ? 'A diode’s band is its cathode. On a capacitor arrows or a stripe point to minus.'
        : 'A stripe on a sleeve is minus, the longer lead plus.';
  return minus
    ? {
        title: 'Polarity, then seat',
        detail: `If it has a sign: ${says} Pad ${minus} is ground, so minus goes there unless the rail is negative: prove it by meter.`,
        marked: null,
      }
    : {
        title: 'Polarity, then seat',
        detail: `If it has a sign: ${says} Which pad is plus is not in the record: find it against ground by meter, and say it on the site.`,
        marked: null,
      };
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** A sign at a pad: the part's own, or what the board prints there. */
export interface PadSign {
  readonly pad: string;
  readonly of: 'part' | 'board';
  readonly sign: string;
  /** What is seen there; empty for the end of the part that has no mark. */
  readonly mark: string;
  /** What the board prints says otherwise than the part. */
  readonly doubtful: boolean;
}

/** Both ends of a part with their signs, and the board's print, as they are drawn on the lands. */
export function signsOf(part: PartPackage, { part: markId, plusPad, board }: Polarity): PadSign[] {
  const { means, name } = PART_MARKS[markId];
  const other = padNamesOf(part).find((pad) => pad !== plusPad) ?? plusPad;
  const ends: PadSign[] = [
    {
      pad: plusPad,
      of: 'part',
      sign: means === 'cathode' ? 'A' : '+',
      mark: means === 'plus' ? name : '',
      doubtful: false,
    },
    {
      pad: other,
      of: 'part',
      sign: means === 'cathode' ? 'K' : '−',
      mark: means === 'plus' ? '' : name,
      doubtful: false,
    },
  ];
  if (!board) return ends;
  const printed: BoardMark = BOARD_MARKS[board.mark];
  return [
    ...ends,
    {
      pad: board.pad,
      of: 'board',
      sign: printed.means === null ? '?' : SIGNS[printed.means],
      mark: printed.name,
      doubtful: doubts(board, plusPad).length > 0,
    },
  ];
}

/** Whether a site's sign can be told: it has two pads, and something on it could have one. */
export const hasPoles = (part: PartPackage): boolean =>
  padNamesOf(part).length === 2 &&
  part.family !== 'crystal' &&
  (TWO_POLES.has(part.family) || part.family === 'cell' || isSurface(part));
