import { ALLOYS } from '~/core/materials/alloys';
import { BRAID, COVER, FLOOD, FLUX, PASTE, SOLVENT, WIRE } from '~/core/materials/consumables';
import { formOf, isSurface, landShapes, pitchOf_m, type PartPackage } from '~/core/packages/form';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import { braidLength_m, wireLength_m } from '~/core/solder/volumes';
import { mixture, type Mixture } from '~/core/solder/mixture';
import type { Supply } from './bench';
import { groundOf } from './air/airScenario';
import type { Method } from './ways/method';
import { floodedMixture, lowMeltPerPad_m3 } from './ways/flood';
import { leadedWireOf, lowMeltOf, USUAL_WIRE_m, wireOf, type Wire } from './solders';
import type { PhaseRequest, Setting } from './request';

/** What a phase uses up. */
export interface Consumption {
  readonly wireDiameter_m: number;
  readonly solderWire_m: number;
  readonly braidWidth_m: number;
  readonly braid_m: number;
  readonly flux_m3: number;
  readonly solvent_m3: number;
  readonly paste_kg: number;
  readonly lowMelt_kg: number;
  readonly foil_m2: number;
  readonly tape_m2: number;
  /** What the joints are made of once solder of another kind is in them; null where nothing mixes. */
  readonly mixture: Mixture | null;
  /** What each line takes from stock. */
  readonly lines: readonly StockLine[];
}

/** A line drawn from stock, in the supply's own measure (m, kg, m³ or m²). */
export interface StockLine {
  readonly kind: Supply['kind'];
  readonly supplyId: string | null;
  readonly name: string;
  readonly amount: number;
  /** What is left before it is drawn; null: not counted. */
  readonly left: number | null;
  readonly short: boolean;
}

/** Widths that braid is sold in, m (common practice). */
const BRAID_WIDTHS_m = [1e-3, 1.5e-3, 2e-3, 2.5e-3, 3e-3, 3.7e-3];

/** What one phase of a job takes of everything that is used up. */
export function consumptionOf(request: PhaseRequest, method: Method, setting: Setting): Consumption {
  const { site, board, phase } = request;
  const { pads } = formOf(site.part, site.alloy, board.thickness_m);
  const shapes = landShapes(site.part);
  const land_m2 = shapes.reduce((sum, s) => sum + (s.round ? Math.PI / 4 : 1) * s.width_m * s.height_m, 0);
  const held_m3 = pads.reduce((sum, pad) => sum + pad.solder_m3, 0);
  const fresh_m3 = freshPerPad_m3(request, method) * pads.length;
  const wire = method.needs.leaded ? leadedWireOf(request) : wireOf(request);
  const wireDiameter_m = wire?.diameter_m ?? USUAL_WIRE_m;
  const pasted = phase === 'fit' && setting.kind === 'air';
  const wire_m3 = pasted ? 0 : phase === 'fit' ? held_m3 : fresh_m3;
  const lowMelt_kg = method.needs.lowMelt
    ? lowMeltPerPad_m3(request) * pads.length * ALLOYS[lowMeltOf(request)].density.value
    : 0;
  // A removal leaves what was there and what was added; both are taken up before anything is fitted.
  const wicked_m3 =
    phase === 'remove' && method.id !== 'gun'
      ? held_m3 + fresh_m3 + lowMelt_kg / ALLOYS[lowMeltOf(request)].density.value
      : 0;
  const braidWidth_m = braidWidthFor(request);
  const [left, low, right, high] = groundOf(request);
  const ground_m2 = (right - left) * (high - low);
  const shielded = setting.kind === 'air' && setting.shielded;
  const amounts = {
    solderWire_m: method.needs.lowMelt ? 0 : wireLength_m(wire_m3, wireDiameter_m),
    braid_m: wicked_m3 > 0 ? usedBraid_m(wicked_m3, braidWidth_m, pads.length) : 0,
    flux_m3:
      FLUX.once.value +
      (isHidden(site.part) ? ground_m2 * FLUX.film.value : pads.length * FLUX.perLand.value),
    solvent_m3: SOLVENT.perArea.value * SOLVENT.passes.value * (ground_m2 + SOLVENT.margin_m2.value),
    paste_kg: pasted
      ? (land_m2 * PASTE.metalHeight.value * ALLOYS[site.alloy].density.value) / PASTE.metalShare.value
      : 0,
    lowMelt_kg,
    foil_m2: shielded ? COVER.foilPerJob.value : 0,
    tape_m2: shielded ? COVER.tapePerJob.value : 0,
  };
  return {
    ...amounts,
    wireDiameter_m,
    braidWidth_m,
    mixture: mixtureFor(request, method, held_m3 / pads.length, fresh_m3 / pads.length, wire),
    lines: linesOf(request, amounts, wire, braidWidth_m),
  };
}

/** Braid that drinks a volume, a fresh bit to each land, and the end that is cut off. */
const usedBraid_m = (wicked_m3: number, width_m: number, lands: number): number =>
  braidLength_m(wicked_m3, width_m) + BRAID.perLand.value * lands + BRAID.trimmed.value;

const isHidden = (part: PartPackage): boolean => isSurface(part) && SURFACE_TRAITS[part.family].hidden;

function freshPerPad_m3(request: PhaseRequest, method: Method): number {
  if (method.heat.kind === 'air') return 0;
  switch (method.needs.freshSolder) {
    case 'none':
      return 0;
    case 'bead':
      return FLOOD.perLead.value;
    case 'blob':
      return WIRE.addedToJoint.value;
    case 'usual':
      return (isSurface(request.site.part) ? WIRE.addedToLand : WIRE.addedToJoint).value;
  }
}

/**
 * Braid about as wide as a round land; along a row of leads, two pitches of it, so that it drinks between them and
 * does not rest on more than it heats (common practice). The nearest width in stock, else of those sold.
 */
export function braidWidthFor({ site, supplies }: PhaseRequest): number {
  const shapes = landShapes(site.part);
  const wanted_m =
    isSurface(site.part) && shapes.length > 3
      ? 2 * pitchOf_m(site.part)
      : Math.max(...shapes.map((s) => Math.min(s.width_m, s.height_m)));
  const stocked = supplies.flatMap((s) => (s.kind === 'braid' ? [s.width_m] : []));
  const widths = stocked.length > 0 ? stocked : BRAID_WIDTHS_m;
  return widths.reduce((a, b) => (Math.abs(b - wanted_m) < Math.abs(a - wanted_m) - 1e-9 ? b : a));
}

function mixtureFor(
  request: PhaseRequest,
  method: Method,
  held_m3: number,
  fresh_m3: number,
  wire: Wire | null,
): Mixture | null {
  if (method.needs.lowMelt) return floodedMixture(request);
  const { alloy } = request.site;
  if (!wire || wire.alloy === alloy || fresh_m3 === 0) return null;
  return mixture([
    { alloy, mass_kg: held_m3 * ALLOYS[alloy].density.value },
    { alloy: wire.alloy, mass_kg: fresh_m3 * ALLOYS[wire.alloy].density.value },
  ]);
}

function linesOf(
  { supplies }: PhaseRequest,
  amounts: Omit<Consumption, 'mixture' | 'lines' | 'wireDiameter_m' | 'braidWidth_m'>,
  wire: Wire | null,
  braidWidth_m: number,
): StockLine[] {
  const line = (kind: Supply['kind'], amount: number, pick: (s: Supply) => boolean): StockLine[] => {
    if (amount <= 0) return [];
    const supply = supplies.find((s) => s.kind === kind && pick(s));
    const left = supply ? leftOf(supply) : null;
    return [
      {
        kind,
        supplyId: supply?.id ?? null,
        name: supply?.name ?? kind,
        amount,
        left,
        short: left !== null && left < amount,
      },
    ];
  };
  const any = (): boolean => true;
  return [
    // The very wire that was chosen: where only another alloy's is there, that is what is used up.
    ...line('wire', amounts.solderWire_m, (s) => s.id === wire?.id),
    ...line('braid', amounts.braid_m, (s) => s.kind === 'braid' && s.width_m === braidWidth_m),
    ...line('flux', amounts.flux_m3, any),
    ...line('solvent', amounts.solvent_m3, any),
    ...line('paste', amounts.paste_kg, any),
    ...line('low-melt', amounts.lowMelt_kg, any),
    ...line('foil', amounts.foil_m2, any),
    ...line('tape', amounts.tape_m2, any),
  ];
}

/** What a supply has left in its own measure. */
function leftOf(supply: Supply): number | null {
  switch (supply.kind) {
    case 'wire':
    case 'braid':
      return supply.left_m;
    case 'low-melt':
    case 'paste':
      return supply.left_kg;
    case 'flux':
    case 'solvent':
      return supply.left_m3;
    case 'foil':
    case 'tape':
      return supply.left_m2;
  }
}

/** What several phases take of the same stock, added up; short where the sum is more than there is. */
export function summed(taken: readonly StockLine[]): StockLine[] {
  const lines = new Map<string, StockLine>();
  for (const line of taken) {
    const key = `${line.kind} ${line.supplyId ?? ''}`;
    const before = lines.get(key);
    const amount = (before?.amount ?? 0) + line.amount;
    lines.set(key, { ...line, amount, short: line.left !== null && line.left < amount });
  }
  return [...lines.values()];
}
