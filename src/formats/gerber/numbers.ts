import { UNIT_m, unpointed, type FileUnit, type Reading, type Spelt } from '~/formats/reading';

/** The unit a file names anywhere: apertures may stand before it. Where it names none it is of the old kind, in inches. */
const unitNamed = (text: string): FileUnit | null => {
  const found = /%MO(IN|MM)|(?:^|[*%\r\n])G(70|71)\*/.exec(text);
  if (!found) return null;
  return found[1] === 'IN' || found[2] === '70' ? 'in' : 'mm';
};

/** How a file's coordinates are written, as far as it has said it yet. */
export class Numbers {
  unit_m: number;
  incremental = false;
  private spelt: Spelt;
  private yDigits: Spelt['digits'] | null = null;

  constructor(
    text: string,
    private readonly reading: Reading,
  ) {
    const named = unitNamed(text);
    const unit = reading.unit ?? named ?? 'in';
    this.unit_m = UNIT_m[unit];
    this.spelt = {
      unit,
      unitSaid: named !== null,
      digits: reading.digits ?? (unit === 'in' ? [2, 4] : [4, 6]),
      digitsSaid: false,
      zeros: reading.zeros ?? 'trailing',
      zerosSaid: false,
      pointless: false,
    };
  }

  get said(): Spelt {
    return this.spelt;
  }

  /** The format statement's text. Throws an Error where it is none. */
  format(text: string): void {
    // Letters between the two (sequence numbers, codes) are of readers long gone (RS-274-D, from memory).
    const found = /^([LTD])?([AI])?(?:[NGDM]\d)*X(\d)(\d)Y(\d)(\d)(?:[NGDM]\d)*$/.exec(text);
    if (!found) throw new Error('coordinate format is not understood');
    if (found[2] === 'I') this.incremental = true;
    this.yDigits = this.reading.digits ? null : [Number(found[5]), Number(found[6])];
    this.spelt = {
      ...this.spelt,
      digits: this.reading.digits ?? [Number(found[3]), Number(found[4])],
      digitsSaid: true,
      zeros: this.reading.zeros ?? (found[1] === 'T' ? 'leading' : 'trailing'),
      zerosSaid: found[1] !== undefined && found[1] !== 'D',
    };
  }

  inUnit(unit: FileUnit): void {
    this.unit_m = UNIT_m[this.reading.unit ?? unit];
  }

  /** A coordinate from where the last one was, m; where none is given it stays there. */
  on(axis: 'x' | 'y', raw: string | undefined, from_m: number): number {
    return raw === undefined ? from_m : (this.incremental ? from_m : 0) + this.length(axis, raw);
  }

  /** A length along an axis, m; none where it is not given. */
  length(axis: 'x' | 'y', raw: string | undefined): number {
    if (raw === undefined) return 0;
    if (raw.includes('.')) return Number(raw) * this.unit_m;
    if (!this.spelt.pointless) this.spelt = { ...this.spelt, pointless: true };
    const digits = (axis === 'y' ? this.yDigits : null) ?? this.spelt.digits;
    return unpointed(raw, { digits, zeros: this.spelt.zeros }) * this.unit_m;
  }
}
