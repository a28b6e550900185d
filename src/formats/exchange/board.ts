import { extent, type Contour, type ImageObject, type Shape } from '~/core/artwork/shapes';
import { alongArc } from '~/core/geometry/arc';
import { radians } from '~/core/quantity/convert';
import type { DrillHole } from '~/formats/excellon/excellon';
import { Budget } from '~/formats/gerber/budget';
import { lineFault, type LineFault } from '~/formats/lineFault';
import type { NetlistPoint } from '~/formats/netlist/netlist';
import type { CentroidRow } from '~/formats/placement/centroid';
import type { Exchange } from './exchange';
import { artworkOf, edgeOf, withHoles } from './made';
import { length_m, primitive, setDown, strokes, type Attributes } from './primitives';

/** Lengths by what a header or a dictionary says it counts in. */
const UNITS_m: Readonly<Record<string, number>> = { MILLIMETER: 1e-3, MICRON: 1e-6, INCH: 25.4e-3 };
const COPPER: ReadonlySet<string> = new Set([
  'CONDUCTOR',
  'SIGNAL',
  'PLANE',
  'MIXED',
  'CONDFILM',
  'POWER_GROUND',
]);
const MOST_FAULTS = 200;
const CHORDS_A_TURN = 36;

interface Layer {
  readonly name: string;
  readonly side: string;
  readonly objects: ImageObject[];
}

interface Placed {
  x_m: number;
  y_m: number;
  rotation_rad: number;
  mirror: boolean;
}

/** What stands between one land's opening and its end. */
interface PadBeingRead extends Placed {
  contour: Contour | null;
  pin: { readonly ref: string; readonly pin: string } | null;
}

const NOWHERE: Placed = { x_m: 0, y_m: 0, rotation_rad: 0, mirror: false };

/** Gathers a board from the elements of its file, as they come. */
export class Board {
  private unit_m = 1e-3;
  private dictionaryUnit_m = 1e-3;
  private step: string | null = null;
  private skipping = false;
  private readonly path: string[] = [];
  private readonly shapes = new Map<string, Contour>();
  private readonly pens = new Map<string, number>();
  private entry: string | null = null;
  private readonly layers = new Map<string, Layer>();
  private readonly holesOf = new Map<string, number>();
  private padstack: string | null = null;
  private layer: Layer | null = null;
  private net = '';
  private pad: PadBeingRead | null = null;
  private pen_m = 0;
  private line: number[] = [];
  private contour: Shape[] | null = null;
  private profile: number[] | null = null;
  private component:
    | (Placed & {
        readonly ref: string;
        readonly package: string;
        readonly part: string;
        readonly side: string;
      })
    | null = null;
  private readonly rows: CentroidRow[] = [];
  private readonly values = new Map<string, string>();
  private bom: { value: string; readonly refs: string[] } | null = null;
  private readonly points: NetlistPoint[] = [];
  private readonly holes: DrillHole[] = [];
  private readonly faults: LineFault[] = [];
  private readonly budget = new Budget();
  private at = 0;
  private count = 0;

  get isFull(): boolean {
    return this.budget.isSpent;
  }

  open(name: string, attributes: Attributes, line: number): void {
    this.at = line;
    this.path.push(name);
    try {
      this.take(name, attributes);
    } catch (error) {
      if (this.faults.length < MOST_FAULTS)
        this.faults.push(lineFault(line, name, error instanceof Error ? error.message : String(error)));
    }
  }

  private take(name: string, attributes: Attributes): void {
    const of = (key: string): number => length_m(attributes, key, this.unit_m);
    switch (name) {
      case 'CadHeader':
        this.unit_m = UNITS_m[attributes['units'] ?? ''] ?? this.unit_m;
        if (!(attributes['units'] && attributes['units'] in UNITS_m))
          this.faults.push(
            lineFault(
              this.at,
              name,
              'names no unit that is known (MILLIMETER, MICRON, INCH); millimetres are assumed',
            ),
          );
        return;
      case 'DictionaryStandard':
      case 'DictionaryUser':
      case 'DictionaryLineDesc':
        this.dictionaryUnit_m = UNITS_m[attributes['units'] ?? ''] ?? 1e-3;
        return;
      case 'EntryStandard':
      case 'EntryLineDesc':
      case 'EntryUser':
        this.entry = attributes['id'] ?? null;
        return;
      case 'Layer':
        if (COPPER.has(attributes['layerFunction'] ?? ''))
          this.layers.set(attributes['name'] ?? '', {
            name: attributes['name'] ?? '',
            side: attributes['side'] ?? '',
            objects: [],
          });
        return;
      case 'Step':
        // A panel repeats a board: the first step that is no panel is the board.
        this.skipping = this.step !== null || attributes['type'] === 'PALLET';
        if (!this.skipping) this.step = attributes['name'] ?? '';
        return;
      case 'PadStackDef':
        this.padstack = attributes['name'] ?? null;
        return;
      case 'PadstackHoleDef':
        if (this.padstack) this.holesOf.set(this.padstack, of('diameter'));
        return;
      case 'BomItem':
        this.bom = { value: attributes['description'] ?? attributes['OEMDesignNumberRef'] ?? '', refs: [] };
        return;
      case 'RefDes':
        this.bom?.refs.push(attributes['name'] ?? '');
        return;
      case 'Textual':
        if (this.bom && /^value$/i.test(attributes['textualCharacteristicName'] ?? ''))
          this.bom.value = attributes['textualCharacteristicValue'] ?? this.bom.value;
        return;
      default:
        if (!this.skipping) this.draw(name, attributes);
    }
  }

  private draw(name: string, attributes: Attributes): void {
    const unit_m = this.entry === null ? this.unit_m : this.dictionaryUnit_m;
    const of = (key: string): number => length_m(attributes, key, unit_m);
    const shape = primitive(name, attributes, unit_m);
    if (shape) return this.shape(shape);
    switch (name) {
      case 'Component':
        this.component = {
          ref: attributes['refDes'] ?? '',
          package: attributes['packageRef'] ?? '',
          part: attributes['part'] ?? '',
          side: attributes['layerRef'] ?? '',
          ...NOWHERE,
        };
        return;
      case 'LayerFeature':
        this.layer = this.layers.get(attributes['layerRef'] ?? '') ?? null;
        return;
      case 'Set':
        this.net = attributes['net'] ?? '';
        return;
      case 'Pad':
        this.pad = { ...NOWHERE, contour: null, pin: null };
        return;
      case 'PinRef':
        if (this.pad) this.pad.pin = { ref: attributes['componentRef'] ?? '', pin: attributes['pin'] ?? '' };
        return;
      case 'Xform':
        for (const one of [this.pad, this.pad ? null : this.component]) {
          if (!one) continue;
          one.rotation_rad = radians(Number(attributes['rotation'] ?? 0) || 0);
          one.mirror = attributes['mirror'] === 'true';
        }
        return;
      case 'Location':
        for (const one of [this.pad, this.pad ? null : this.component])
          if (one) [one.x_m, one.y_m] = [of('x'), of('y')];
        return;
      case 'StandardPrimitiveRef':
      case 'UserPrimitiveRef':
        if (this.pad) this.pad.contour = this.shapes.get(attributes['id'] ?? '') ?? null;
        return;
      case 'LineDesc':
        if (this.entry !== null) this.pens.set(this.entry, of('lineWidth'));
        else this.pen_m = of('lineWidth');
        return;
      case 'LineDescRef':
        this.pen_m = this.pens.get(attributes['id'] ?? '') ?? 0;
        return;
      case 'Hole': {
        this.count++;
        this.holes.push({ x_m: of('x'), y_m: of('y'), diameter_m: of('diameter'), slotTo: null });
        return;
      }
      case 'Line':
        if (this.layer) this.stroke([of('startX'), of('startY'), of('endX'), of('endY')]);
        return;
      case 'Contour':
        this.contour = [];
        return;
      case 'Profile':
        this.profile = [];
        return;
      case 'Polygon':
      case 'Cutout':
      case 'Polyline':
        this.line = [];
        return;
      case 'PolyBegin':
        this.line = [of('x'), of('y')];
        return;
      case 'PolyStepSegment':
        this.budget.take(1);
        this.line.push(of('x'), of('y'));
        return;
      case 'PolyStepCurve': {
        const from: [number, number] = [this.line.at(-2) ?? 0, this.line.at(-1) ?? 0];
        const made = alongArc(
          from,
          [of('x'), of('y')],
          [of('centerX'), of('centerY')],
          attributes['clockwise'] === 'true',
          CHORDS_A_TURN,
        );
        this.budget.take(made.length);
        for (const [x, y] of made) this.line.push(x, y);
        return;
      }
      default:
    }
  }

  /** A primitive: of a dictionary, or of the land or feature that is being read. */
  private shape(contour: Contour): void {
    if (this.entry !== null) this.shapes.set(this.entry, contour);
    else if (this.pad) this.pad.contour = contour;
  }

  close(name: string): void {
    this.path.pop();
    try {
      this.end(name);
    } catch (error) {
      if (this.faults.length < MOST_FAULTS)
        this.faults.push(lineFault(this.at, name, error instanceof Error ? error.message : String(error)));
    }
  }

  private end(name: string): void {
    switch (name) {
      case 'EntryStandard':
      case 'EntryLineDesc':
      case 'EntryUser':
        this.entry = null;
        return;
      case 'PadStackDef':
        this.padstack = null;
        return;
      case 'BomItem':
        for (const ref of this.bom?.refs ?? []) this.values.set(ref, this.bom!.value);
        this.bom = null;
        return;
      case 'Step':
        this.skipping = true;
        return;
      case 'Component':
        this.placed();
        return;
      case 'LayerFeature':
        this.layer = null;
        return;
      case 'Set':
        this.net = '';
        return;
      case 'Pad':
        this.land();
        return;
      case 'Polyline':
        if (this.layer && !this.contour) this.stroke(this.line);
        return;
      case 'Polygon':
        this.polygon(true);
        return;
      case 'Cutout':
        this.polygon(false);
        return;
      case 'Contour':
        if (this.layer && this.contour && this.contour.length > 0) this.lay(this.contour);
        this.contour = null;
        return;
      default:
    }
  }

  private polygon(dark: boolean): void {
    if (this.line.length < 6) return;
    if (this.entry !== null) {
      if (dark) this.shapes.set(this.entry, this.line);
    } else if (this.contour) this.contour.push({ contour: this.line, dark });
    else if (this.profile && dark && this.path.includes('Profile') && this.profile.length === 0)
      this.profile = this.line;
    this.line = [];
  }

  private lay(shapes: readonly Shape[]): void {
    this.budget.takeShapes(shapes);
    this.count++;
    this.layer!.objects.push({ dark: true, shapes });
  }

  private stroke(line: readonly number[]): void {
    for (const contour of strokes(line, this.pen_m)) this.lay([{ contour, dark: true }]);
  }

  private land(): void {
    const { pad, layer } = this;
    this.pad = null;
    if (!pad?.contour || !layer) return;
    const contour = setDown(pad.contour, pad, pad.x_m, pad.y_m);
    this.lay([{ contour, dark: true }]);
    if (!pad.pin) return;
    const [width_m, height_m] = extent([{ contour, dark: true }]);
    this.points.push({
      line: this.at,
      net: this.net,
      ref: pad.pin.ref,
      pin: pad.pin.pin,
      via: false,
      hole: null,
      access: layer.side === 'BOTTOM' ? 2 : 1,
      x_m: pad.x_m,
      y_m: pad.y_m,
      width_m,
      height_m,
      rotation_deg: 0,
    });
  }

  private placed(): void {
    const { component } = this;
    this.component = null;
    if (!component) return;
    const below =
      component.mirror || this.layers.get(component.side)?.side === 'BOTTOM' || /bot/i.test(component.side);
    this.rows.push({
      line: this.at,
      ref: component.ref,
      value: component.part,
      footprint: component.package,
      side: below ? 'bottom' : 'top',
      x_m: component.x_m,
      y_m: component.y_m,
      rotation_deg: (component.rotation_rad * 180) / Math.PI,
    });
  }

  read(more: readonly LineFault[]): Exchange {
    if (this.step === null && more.length === 0)
      this.faults.push(lineFault(1, '', 'has no step: nothing of a board is drawn in it'));
    const layers = [...this.layers.values()];
    const order = (side: string): number => (side === 'TOP' ? 0 : side === 'BOTTOM' ? 2 : 1);
    layers.sort((a, b) => order(a.side) - order(b.side));
    return {
      points: withHoles(this.points, this.holes),
      layers: layers.map(({ name, objects }) => ({ name, artwork: artworkOf(objects, []) })),
      edge: this.profile && this.profile.length >= 6 ? edgeOf(this.profile) : null,
      holes: this.holes,
      rows: this.rows.map((row) => ({ ...row, value: this.values.get(row.ref) ?? row.value })),
      faults: [...this.faults, ...more],
      count: this.count,
    };
  }
}
