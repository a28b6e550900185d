/** Which column holds what; −1 where none does. */
export interface CentroidColumns {
  readonly ref: number;
  readonly value: number;
  readonly footprint: number;
  readonly side: number;
  readonly x: number;
  readonly y: number;
  readonly rotation: number;
}

export const COLUMNS = ['ref', 'value', 'footprint', 'side', 'x', 'y', 'rotation'] as const;

/** Headings as lists commonly have them (common practice); of several columns the middle of a part goes before its first pin. */
const HEADINGS: Readonly<Record<keyof CentroidColumns, readonly RegExp[]>> = {
  ref: [
    /^(ref|ref ?des|designators?|references?|parts|part ?ref|ref ?designators?|reference ?designators?|component ?ref|item ?ref|designation|refs)$/i,
    /^(name|part ?name)$/i,
  ],
  value: [/^(val|value|values)$/i, /^(comment|part|part ?value|description|part ?number|device)$/i],
  footprint: [
    /^(package|footprint|pattern|case|outline|foot ?print|package ?type|land ?pattern|pcb ?footprint|geometry|shape)$/i,
  ],
  side: [/^(side|layer|tb|t\/b|face|mount ?side|board ?side|mirror|mirrored)$/i],
  x: [
    /^(mid|centre|center)-? ?x\b/i,
    /^(x|pos ?x|ref-? ?x|x ?pos|loc ?x|x ?loc|location ?x|x ?coord\w*|x ?location|part ?x|component ?x)\b(?! ?size)/i,
  ],
  y: [
    /^(mid|centre|center)-? ?y\b/i,
    /^(y|pos ?y|ref-? ?y|y ?pos|loc ?y|y ?loc|location ?y|y ?coord\w*|y ?location|part ?y|component ?y)\b(?! ?size)/i,
  ],
  rotation: [/^(rot|rotation|angle|theta|orient\w*|turn|degrees?)\b/i],
};

/** `PosX(mm)`, `Reference(s)`, `REF_DES` in plain words. */
const plain = (cell: string): string =>
  cell
    .trim()
    .replace(/\(s\)/gi, 's')
    .replace(/["']/g, '')
    .replace(/[_.:]+/g, ' ')
    .replace(/[([].*$/, '')
    .replace(/\s*[-/]\s*(mm|mils?|in|inch|deg)$/i, '')
    .replace(/([a-z])([XY])$/, '$1 $2')
    .trim();

/** Columns by their headings. */
export function columnsOf(heading: readonly string[]): CentroidColumns {
  const clean = heading.map(plain);
  const find = (key: keyof CentroidColumns): number => {
    for (const pattern of HEADINGS[key]) {
      const at = clean.findIndex((cell) => pattern.test(cell));
      if (at >= 0) return at;
    }
    return -1;
  };
  return {
    ref: find('ref'),
    value: find('value'),
    footprint: find('footprint'),
    side: find('side'),
    x: find('x'),
    y: find('y'),
    rotation: find('rotation'),
  };
}
