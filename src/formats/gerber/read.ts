import { radians } from '~/core/quantity/convert';
import { lineFault, type LineFault } from '~/formats/lineFault';
import { attributeInComment, readAttribute } from './attributes';
import { commandsOf, type Command } from './commands';
import { readAperture, type Aperture } from './aperture';
import type { Stroke } from '~/core/geometry/chain';
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

/** A flash that says which pin of which part it is. */
export interface ArtworkPad {
  readonly ref: string;
  readonly pin: string;
  readonly net: string;
  readonly x_m: number;
  readonly y_m: number;
  readonly width_m: number;
  readonly height_m: number;
}

export interface Artwork {
  readonly objects: readonly ImageObject[];
  readonly pads: readonly ArtworkPad[];
  /** Middle lines of what was drawn, in the order it was drawn; the first of them where there are very many. */
  readonly strokes: readonly Stroke[];
  /** `.FileFunction`, such as Copper, L1, Top; empty where the file does not say. */
  readonly function: readonly string[];
  readonly faults: readonly LineFault[];
  /** Operations read: draws, arcs and flashes. */
  readonly operations: number;
}

/** A file of more objects than this is refused part way: it is no board of this trade. */
const MOST_OBJECTS = 2_000_000;
/** A board's edge takes far fewer strokes; those of copper are wanted by nobody. */
const MOST_STROKES = 20_000;

/** Reads Gerber RS-274X and X2. What is not understood is named by line and left out; nothing throws. */
export function readGerber(text: string): Artwork {
  return new Reader().read(text);
}

class Reader {
  private unit_m = 1e-3;
  private digits = { x: 6, y: 6, whole: 4, trailing: false };
  private readonly macros = new Map<string, Macro>();
  private readonly apertures = new Map<number, Aperture>();
  private aperture: Aperture | null = null;
  private transform: Transform = UPRIGHT;
  private dark = true;
  private mode: Mode = 'line';
  private multiQuadrant = true;
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
  private readonly outer: { objects: ImageObject[]; close: (made: ImageObject[]) => void }[] = [];
  private ended = false;

  read(text: string): Artwork {
    for (const command of commandsOf(text)) {
      if (this.ended) break;
      try {
        if (command.extended) this.extended(command);
        else this.word(command.blocks[0]!, command.line);
      } catch (error) {
        this.fault(command, error instanceof Error ? error.message : String(error));
      }
      if (this.objects.length > MOST_OBJECTS) {
        this.fault(command, `more than ${MOST_OBJECTS} objects; the rest is left out`);
        break;
      }
    }
    while (this.outer.length > 0) this.closeOuter();
    if (!this.ended && this.operations > 0) {
      this.faults.push(
        lineFault(text.split('\n').length, '', 'the file ends without M02; part of it may be missing'),
      );
    }
    return {
      objects: this.objects,
      pads: this.pads,
      strokes: this.strokes,
      function: this.fileAttributes.get('.FileFunction') ?? [],
      faults: this.faults,
      operations: this.operations,
    };
  }

  private fault(command: Command, why: string): void {
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
      case 'FS': {
        const found = /^([LT])?([AI])?X(\d)(\d)Y(\d)(\d)$/.exec(text);
        if (!found) throw new Error('coordinate format is not understood');
        if (found[2] === 'I')
          throw new Error('incremental coordinates are not read; save the file with absolute ones');
        this.digits = {
          x: Number(found[4]),
          y: Number(found[6]),
          whole: Number(found[3]),
          trailing: found[1] === 'T',
        };
        return;
      }
      case 'MO':
        this.unit_m = text === 'IN' ? 25.4e-3 : 1e-3;
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
        if (text === 'NEG')
          throw new Error('negative images are not read; save the file with positive polarity');
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
    const [code, aperture] = readAperture(text, this.macros, this.unit_m);
    this.apertures.set(code, aperture);
  }

  private stepRepeat(text: string): void {
    if (text === '') {
      if (this.outer.length > 0) this.closeOuter();
      return;
    }
    const found = /^X(\d+)Y(\d+)I([\d.+-]+)J([\d.+-]+)$/.exec(text);
    if (!found) throw new Error('step and repeat is not understood');
    const [nx, ny, dx, dy] = found.slice(1).map(Number) as [number, number, number, number];
    if (nx * ny > 10_000) throw new Error(`repeats ${nx} × ${ny} times, more than is read`);
    this.open((made) => {
      for (let i = 0; i < nx; i++) {
        for (let j = 0; j < ny; j++) {
          this.place(made, UPRIGHT, i * dx * this.unit_m, j * dy * this.unit_m, true);
        }
      }
    });
  }

  private block(text: string): void {
    if (text === '') {
      if (this.outer.length > 0) this.closeOuter();
      return;
    }
    const code = Number(text.replace('D', ''));
    this.open((made) => this.apertures.set(code, { shapes: [], round_m: null, block: made }));
  }

  private open(close: (made: ImageObject[]) => void): void {
    this.outer.push({ objects: this.objects, close });
    this.objects = [];
  }

  private closeOuter(): void {
    const made = this.objects;
    const { objects, close } = this.outer.pop()!;
    this.objects = objects;
    close(made);
  }

  /** Copies objects moved; a clear flash of a block turns its polarity over. */
  private place(made: readonly ImageObject[], t: Transform, dx: number, dy: number, dark: boolean): void {
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
    const found = /^(?:X([+-]?\d+))?(?:Y([+-]?\d+))?(?:I([+-]?\d+))?(?:J([+-]?\d+))?(?:D(\d+))?$/.exec(rest);
    if (!found) throw new Error('is no Gerber command');
    const [, x, y, i, j, d] = found;
    const code = d === undefined ? this.lastOperation : Number(d);
    if (code >= 10) {
      const aperture = this.apertures.get(code);
      if (!aperture) throw new Error(`aperture D${code} is not defined`);
      this.aperture = aperture;
      return;
    }
    this.lastOperation = code;
    const to: Point = {
      x: x === undefined ? this.at.x : this.length(x, this.digits.x),
      y: y === undefined ? this.at.y : this.length(y, this.digits.y),
    };
    const centre: Point = {
      x: i === undefined ? 0 : this.length(i, this.digits.x),
      y: j === undefined ? 0 : this.length(j, this.digits.y),
    };
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
        this.unit_m = 25.4e-3;
        return;
      case 71:
        this.unit_m = 1e-3;
        return;
      case 74:
        this.multiQuadrant = false;
        return;
      case 75:
        this.multiQuadrant = true;
        return;
      case 54:
      case 55:
      case 90:
        return;
      default:
        this.faults.push(lineFault(line, text, `G${code} is not known`));
    }
  }

  private length(text: string, decimals: number): number {
    if (!this.digits.trailing) return (Number(text) / 10 ** decimals) * this.unit_m;
    // Trailing zeros left out: digits are filled up on the right.
    const sign = text.startsWith('-') ? -1 : 1;
    const bare = text.replace(/^[+-]/, '').padEnd(this.digits.whole + decimals, '0');
    return ((sign * Number(bare)) / 10 ** decimals) * this.unit_m;
  }

  private operate(code: number, to: Point, offset: Point): void {
    if (this.region && code !== 3) {
      if (code === 2) this.region.push([to.x, to.y]);
      if (code === 1) {
        if (this.region.length === 0) this.region.push([this.at.x, this.at.y]);
        this.operations++;
        for (const point of pathTo(this.at, to, offset, this.mode, this.multiQuadrant))
          this.region.at(-1)!.push(point.x, point.y);
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

  private closeRegion(): void {
    for (const contour of this.region ?? []) {
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
    for (const point of pathTo(this.at, to, offset, this.mode, this.multiQuadrant)) {
      if (this.strokes.length < MOST_STROKES)
        this.strokes.push([
          [from.x, from.y],
          [point.x, point.y],
        ]);
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
