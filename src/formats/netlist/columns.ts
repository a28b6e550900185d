/** Where the fields of one record stand. */
export interface RecordColumns {
  /** All fields stand so many columns to the right of where they belong. */
  readonly shift: number;
  readonly place: readonly [x: number, y: number];
  /** What follows the place: the land's size and turn. */
  readonly rest: string;
}

/** The column at which a place's X stands, from 0. */
const PLACE_AT = 41;
/** The dash between a part and its pin. */
const DASH_AT = 26;
/** A field further off than this was not moved, it is another one. */
const MOST_SHIFT = 3;

/**
 * Finds a record's place and with it by how much its columns are off. Where the place alone is off (`askew`), or none is there
 * (null), no field can be trusted: a land's size, which is written as places are, must not pass for one.
 */
export function columnsOfRecord(line: string): RecordColumns | 'askew' | null {
  const found = /X([+-]?\d+)Y([+-]?\d+)/.exec(line.slice(PLACE_AT - MOST_SHIFT));
  if (!found) return null;
  const at = PLACE_AT - MOST_SHIFT + found.index;
  const shift = at - PLACE_AT;
  if (shift > MOST_SHIFT) return null;
  if (shift !== 0) {
    const moved = line[DASH_AT + shift] === '-';
    const hasDash = line[DASH_AT] === '-' || moved;
    // A via has no dash: its name tells where its fields stand.
    const via = line.indexOf('VIA') === 20 + shift;
    if (hasDash ? !moved : !via) return 'askew';
  }
  return {
    shift,
    place: [Number(found[1]), Number(found[2])],
    rest: line.slice(at + found[0].length),
  };
}
