import { radians } from '~/core/quantity/convert';
import { inOneGo } from '~/core/stepwise';
import { lineFault, type LineFault } from '~/formats/lineFault';
import { AS_WRITTEN, type Reading } from '~/formats/reading';
import { Budget } from './budget';
import { attributeInComment, readAttribute } from './attributes';
import { commandsOf, linesOf, type Command } from './commands';
import { readAperture, type Aperture } from './aperture';
import type { Stroke } from '~/core/geometry/chain';
import type { Artwork, ArtworkPad } from './artwork';
import { asLaid, crossedOften, inverted } from './image';
import { Numbers } from './numbers';
import { wordsOf } from './words';
import { pathTo, type Mode, type Point } from './arc';
import type { Macro } from './macro';
import {
  capsule,
  extent,
  hull,
  moved,
  UPRIGHT,
  type ImageObject,
  type Transform,
} from '~/core/artwork/shapes';

/** A board's edge takes far fewer strokes; those of copper are wanted by nobody. */
const MOST_STROKES = 20_000;
const MOST_FAULTS = 2000;
const MOST_REPEATS = 100_000;
/** Commands between two words of progress. */
const AT_A_TIME = 4096;

/** The whole file at once, as `readingGerber` reads it. */
export const readGerber = (text: string, reading: Reading = AS_WRITTEN): Artwork =>
  inOneGo(readingGerber(text, reading));

/**
 * Reads Gerber RS-274X and X2. What is not understood is named by line and left out; nothing throws. Yields the share that is read.
 */
export function* readingGerber(text: string, reading: Reading): Generator<number, Artwork> {
  return yield* new Reader(text, reading).read();
}

class Reader {
  private readonly numbers: Numbers;
  private readonly budget = new Budget();
  private negative = false;
  private readonly macros = new Map<string, Macro>();
  private readonly apertures = new Map<number, Aperture>();
  private aperture: Aperture | null = null;
  private transform: Transform = UPRIGHT;
  private dark = true;
  private mode: Mode = 'line';
  /** Null while the file has not said whether arcs go round more than a quarter. */
  private multiQuadrant: boolean | null = null;
  private lastOperation = 1;
  private at: Point = { x: 0, y: 0 };
  private region: number[][] | null = null;
  private readonly fileAttributes = new Map<string, readonly string[]>();
  private readonly objectAttributes = new Map<string, readonly string[]>();
  private readonly pads: ArtworkPad[] = [];
  private readonly strokes: Stroke[] = [];
  private readonly faults: LineFault[] = [];
  private operations = 0;
  /** Where objects go: the image, a block aperture, or one step of a repeat. */
  private objects: ImageObject[] = [];
  private readonly outer: {
    readonly kind: 'repeat' | 'block';
    readonly objects: ImageObject[];
    readonly close: (made: ImageObject[]) => void;
  }[] = [];
  private ended = false;

  constructor(
    private readonly text: string,
    private readonly reading: Reading,
  ) {
    this.numbers = new Numbers(text, reading);
    if (!this.numbers.said.unitSaid && reading.unit === null)
      this.faults.push(lineFault(1, '', 'names no unit (MO, G70 or G71); inches are assumed'));
  }

  *read(): Generator<number, Artwork> {
    const { text } = this;
    let taken = 0;
    for (const command of commandsOf(text)) {
      if (this.ended) break;
      if (++taken % AT_A_TIME === 0) yield Math.min(1, command.at / text.length);
      try {
        if (command.extended) this.extended(command);
        else this.word(command.blocks[0]!, command.line);
      } catch (error) {
        this.fault(command, error instanceof Error ? error.message : String(error));
      }
      if (this.budget.isSpent) break;
    }
    while (this.outer.length > 0) this.closeOuter();
    if (!this.ended && this.operations > 0) {
      this.faults.push(lineFault(linesOf(text), '', 'the file ends without M02; part of it may be missing'));
    }
    if (this.negative) this.objects = inverted(this.objects);
    return {
      ...asLaid({ objects: this.objects, pads: this.pads, strokes: this.strokes }, this.reading),
      function: this.fileAttributes.get('.FileFunction') ?? [],
      faults: this.faults,
      operations: this.operations,
      spelt: this.numbers.said,
    };
  }

  private fault(command: Pick<Command, 'line' | 'blocks'>, why: string): void {
    if (this.faults.length < MOST_FAULTS)
      this.faults.push(lineFault(command.line, command.blocks.join('*'), why));
  }

  private extended({ blocks }: Command): void {
    if (blocks[0]!.startsWith('AM')) {
      this.macros.set(blocks[0]!.slice(2), blocks.slice(1));
      return;
    }
    for (const block of blocks) this.parameter(block.slice(0, 2), block.slice(2));
  }

  private parameter(code: string, text: string): void {
    switch (code) {
      case 'FS':
        this.numbers.format(text);
        return;
      case 'MO':
        this.numbers.inUnit(text === 'IN' ? 'in' : 'mm');
        return;
      case 'AD':
        this.defineAperture(text);
        return;
      case 'LP':
        this.dark = text !== 'C';
        return;
      case 'LM':
        this.transform = { ...this.transform, mirrorX: text.includes('X'), mirrorY: text.includes('Y') };
        return;
      case 'LR':
        this.transform = { ...this.transform, rotation_rad: radians(Number(text)) };
        return;
      case 'LS':
        this.transform = { ...this.transform, scale: Number(text) };
        return;
      case 'SR':
        this.stepRepeat(text);
        return;
      case 'AB':
        this.block(text);
        return;
      case 'TF':
      case 'TA':
      case 'TO':
      case 'TD':
        this.attribute(code, text);
        return;
      case 'IP':
        this.negative = text === 'NEG';
        return;
      case 'OF':
      case 'MI':
      case 'SF':
      case 'AS':
      case 'IN':
      case 'LN':
        return;
      default:
        throw new Error(`command ${code} is not known`);
    }
  }

  private attribute(code: string, text: string): void {
    const [name, values] = readAttribute(text);
    if (code === 'TF') this.fileAttributes.set(name, values);
    if (code === 'TO') this.objectAttributes.set(name, values);
    if (code === 'TD') {
      if (name === '') this.objectAttributes.clear();
      else this.objectAttributes.delete(name);
    }
  }

  private defineAperture(text: string): void {
    const [code, aperture] = readAperture(text, this.macros, this.numbers.unit_m);
    this.apertures.set(code, aperture);
  }

  /** A repeat lasts until the next one, which takes its place; one of a single step only ends it. */
  private stepRepeat(text: string): void {
    if (this.outer.at(-1)?.kind === 'repeat') this.closeOuter();
    if (text === '') return;
    const found = /^X(\d+)Y(\d+)(?:I([\d.+-]+))?(?:J([\d.+-]+))?$/.exec(text);
    if (!found) throw new Error('step and repeat is not understood');
    const [nx, ny, dx, dy] = found.slice(1).map((part: string | undefined) => Number(part ?? 0)) as [
      number,
      number,
      number,
      number,
    ];
    if (nx * ny <= 1) return;
    if (nx * ny > MOST_REPEATS) throw new Error(`repeats ${nx} × ${ny} times, more than is read`);
    if (![dx, dy].every(Number.isFinite)) throw new Error('step and repeat is not understood');
    this.open('repeat', (made) => {
      for (let i = 0; i < nx; i++) {
        for (let j = 0; j < ny; j++) {
          this.place(made, UPRIGHT, i * dx * this.numbers.unit_m, j * dy * this.numbers.unit_m, true);
        }
      }
    });
  }

  private block(text: string): void {
    if (this.outer.at(-1)?.kind === 'repeat') this.closeOuter();
    if (text === '') {
      if (this.outer.length > 0) this.closeOuter();
      return;
    }
    const code = Number(text.replace('D', ''));
    this.open('block', (made) => this.apertures.set(code, { shapes: [], round_m: null, block: made }));
  }

  private open(kind: 'repeat' | 'block', close: (made: ImageObject[]) => void): void {
    this.outer.push({ kind, objects: this.objects, close });
    this.objects = [];
  }

  private closeOuter(): void {
    const made = this.objects;
    const { objects, close } = this.outer.pop()!;
    this.objects = objects;
    try {
      close(made);
    } catch (error) {
      this.fault(
        { line: linesOf(this.text), blocks: [''] },
        error instanceof Error ? error.message : String(error),
      );
    }
  }

  /** Copies objects moved; a clear flash of a block turns its polarity over. */
  private place(made: readonly ImageObject[], t: Transform, dx: number, dy: number, dark: boolean): void {
    for (const { shapes } of made) this.budget.takeShapes(shapes);
    for (const object of made) {
      this.objects.push({
        dark: object.dark === dark,
        shapes: object.shapes.map((shape) => ({ ...shape, contour: moved(shape.contour, t, dx, dy) })),
      });
    }
  }

  private word(text: string, line: number): void {
    if (/^G0?4/.test(text)) {
      const found = attributeInComment(text);
      if (found) this.attribute(found.code, found.text);
      return;
    }
    if (/^M0?[02]$/.test(text)) {
      this.ended = true;
      return;
    }
    if (/^M0?1$/.test(text)) return;
    let rest = text;
    for (let g = /^G(\d+)/.exec(rest); g; g = /^G(\d+)/.exec(rest)) {
      this.general(Number(g[1]), text, line);
      rest = rest.slice(g[0].length);
    }
    if (rest === '') return;
    const { x, y, i, j, d } = wordsOf(rest);
    const code = d === undefined ? this.lastOperation : Number(d);
    if (code >= 10) {
      const aperture = this.apertures.get(code);
      if (!aperture) throw new Error(`aperture D${code} is not defined`);
      this.aperture = aperture;
      return;
    }
    this.lastOperation = code;
    const to: Point = { x: this.numbers.on('x', x, this.at.x), y: this.numbers.on('y', y, this.at.y) };
    const centre: Point = { x: this.numbers.length('x', i), y: this.numbers.length('y', j) };
    this.operate(code, to, centre);
    this.at = to;
  }

  private general(code: number, text: string, line: number): void {
    switch (code) {
      case 1:
        this.mode = 'line';
        return;
      case 2:
        this.mode = 'clockwise';
        return;
      case 3:
        this.mode = 'counter';
        return;
      case 36:
        this.region = [];
        return;
      case 37:
        this.closeRegion();
        return;
      case 70:
        this.numbers.inUnit('in');
        return;
      case 71:
        this.numbers.inUnit('mm');
        return;
      case 74:
        this.multiQuadrant = false;
        return;
      case 75:
        this.multiQuadrant = true;
        return;
      case 90:
        this.numbers.incremental = false;
        return;
      case 91:
        this.numbers.incremental = true;
        return;
      case 54:
      case 55:
        return;
      default:
        this.faults.push(lineFault(line, text, `G${code} is not known`));
    }
  }

  private operate(code: number, to: Point, offset: Point): void {
    if (this.region && code !== 3) {
      if (code === 2) this.region.push([to.x, to.y]);
      if (code === 1) {
        if (this.region.length === 0) this.region.push([this.at.x, this.at.y]);
        this.operations++;
        for (const point of this.path(to, offset)) this.region.at(-1)!.push(point.x, point.y);
      }
      return;
    }
    if (code === 2) return;
    this.operations++;
    if (!this.aperture) throw new Error('draws before an aperture is chosen');
    if (code === 3) this.flash(to);
    else if (code === 1) this.stroke(to, offset);
    else throw new Error(`D0${code} is not known`);
  }

  private path(to: Point, offset: Point): readonly Point[] {
    const points = pathTo(this.at, to, offset, this.mode, this.multiQuadrant);
    this.budget.take(points.length);
    return points;
  }

  private closeRegion(): void {
    for (const contour of this.region ?? []) {
      if (crossedOften(contour)) {
        this.region = null;
        throw new Error(
          `region of ${(contour.length / 2).toLocaleString('en')} corners crosses itself all over; it is left out`,
        );
      }
      if (contour.length >= 6) this.objects.push({ dark: this.dark, shapes: [{ contour, dark: true }] });
    }
    this.region = null;
  }

  private flash(to: Point): void {
    const { shapes, block } = this.aperture!;
    if (block) {
      this.place(block, this.transform, to.x, to.y, this.dark);
      return;
    }
    this.budget.takeShapes(shapes);
    const laid = shapes.map((shape) => ({
      ...shape,
      contour: moved(shape.contour, this.transform, to.x, to.y),
    }));
    this.objects.push({ dark: this.dark, shapes: laid });
    const pin = this.objectAttributes.get('.P');
    if (!pin || !this.dark || this.outer.length > 0) return;
    const [width_m, height_m] = extent(laid);
    this.pads.push({
      ref: pin[0] ?? '',
      pin: pin[1] ?? '',
      net: this.objectAttributes.get('.N')?.[0] ?? '',
      x_m: to.x,
      y_m: to.y,
      width_m,
      height_m,
    });
  }

  private stroke(to: Point, offset: Point): void {
    const { round_m, shapes } = this.aperture!;
    let from = this.at;
    for (const point of this.path(to, offset)) {
      if (this.strokes.length < MOST_STROKES)
        this.strokes.push([
          [from.x, from.y],
          [point.x, point.y],
        ]);
      this.budget.takeShapes(shapes.slice(0, 1));
      if (round_m !== null) {
        const contour = capsule(from.x, from.y, point.x, point.y, round_m * this.transform.scale);
        this.objects.push({ dark: this.dark, shapes: [{ contour, dark: true }] });
      } else {
        const [a, b] = [from, point].map((p) => moved(shapes[0]?.contour ?? [], this.transform, p.x, p.y));
        const points: [number, number][] = [];
        for (const contour of [a!, b!]) {
          for (let k = 0; k < contour.length; k += 2) points.push([contour[k]!, contour[k + 1]!]);
        }
        if (points.length >= 3)
          this.objects.push({ dark: this.dark, shapes: [{ contour: hull(points), dark: true }] });
      }
      from = point;
    }
  }
}
