import type { Learnt } from '~/core/learning/lasting';
import type { AlloyId } from '~/core/materials/alloys';
import type { CoverageMap } from '~/core/thermal/field/mesh';
import { padNamesOf, type PartPackage } from '~/core/packages/form';
import { padPlaces } from '~/core/packages/placement';
import type { BakeTemperature, MoistureLevel } from '~/core/packages/moisture';
import type { Polarity } from '~/core/packages/polarity';
import { isHurt, type PadStateId } from '~/core/record/padStates';
import type { Connection, HollowTip, SolidTip } from '~/core/thermal/joint/scenario';
import type { Preheat } from '~/core/thermal/preheat';
import type { Board } from '~/core/thermal/stackup';
import { boardAbout } from '~/core/thermal/surroundings';
import type { Nozzle } from '~/core/thermal/surface/jet';
import type { AirStation, Bench, HandTool } from './bench';
import type { Goal, Phase } from './goals';
import type { PaceRecord } from './pace';

/** What a board can do to the person who works on it. */
export const HAZARDS = ['stored-charge', 'mains', 'eht', 'lithium', 'leaking-electrolyte'] as const;
export type Hazard = (typeof HAZARDS)[number];

/** A cell that stands on a board is a hazard of it, said or not. */
export const hazardsOf = ({
  hazards,
  site,
  neighbours,
}: Pick<PlanRequest, 'hazards' | 'site' | 'neighbours'>): readonly Hazard[] =>
  !hazards.includes('lithium') &&
  [site.part, ...neighbours.map((n) => n.part)].some((p) => p?.family === 'cell')
    ? [...hazards, 'lithium']
    : hazards;

/** What the part on the board is worth to whoever decides: it weighs its loss against the board's. */
export const WORTHS = ['cheap', 'ordinary', 'scarce'] as const;
export type Worth = (typeof WORTHS)[number];

export interface Neighbour {
  readonly ref: string;
  readonly x_m: number;
  readonly y_m: number;
  readonly rotation_rad: number;
  readonly side: 'top' | 'bottom';
  readonly alloy: AlloyId;
  /** Null where only its place is known: it is taken for a chip of the commonest size. */
  readonly part: PartPackage | null;
  /** By pad; left out, its pads stand isolated. */
  readonly connections?: Readonly<Record<string, readonly Connection[]>> | undefined;
  /** It comes off in the same heat: all its pads must melt, and no limit of a neighbour is kept for it. */
  readonly comesToo?: boolean | undefined;
}

/** A part that comes off in the heat of a job: the site's own, or one that shares it. */
export interface Mate {
  readonly ref: string;
  readonly part: PartPackage;
  readonly x_m: number;
  readonly y_m: number;
  readonly rotation_rad: number;
  readonly side: 'top' | 'bottom';
}

/** The site's part first, then those that share its heat. */
export function matesOf({ site, neighbours }: Pick<PlanRequest, 'site' | 'neighbours'>): Mate[] {
  const shared = neighbours.flatMap((n) => (n.comesToo && n.part ? [{ ...n, part: n.part }] : []));
  return [{ ...site, side: site.partSide }, ...shared];
}

/** A pad's name among all that a job heats: its own for the site's part, with its reference for others. */
export const padNameIn = (site: Pick<PlanSite, 'ref'>, ref: string, pad: string): string =>
  ref === site.ref ? pad : `${ref}.${pad}`;

export interface PlanSite {
  readonly ref: string;
  readonly x_m: number;
  readonly y_m: number;
  readonly rotation_rad: number;
  readonly partSide: 'top' | 'bottom';
  readonly part: PartPackage;
  readonly alloy: AlloyId;
  readonly connections: Readonly<Record<string, readonly Connection[]>>;
  /** What was last found at its pads; a pad left out is sound or unknown. */
  readonly padStates: Readonly<Record<string, PadStateId>>;
  /** Leads bent over on the solder side. */
  readonly clinched: boolean;
  /** What its pads are called on the schematic; a pad left out is not known. */
  readonly nets?: Readonly<Record<string, string>> | undefined;
  /** The sign of a part with two poles; left out or null: nobody told. */
  readonly polarity?: Polarity | null | undefined;
  /** A part came off and its lands were not dressed since. */
  readonly undressed?: boolean | undefined;
  /** It was flooded with low-melt alloy that was not wicked off since. */
  readonly lowMeltLeft?: boolean | undefined;
}

/** How a method has gone before for this technician on this family. */
interface TrackRecord {
  readonly method: string;
  readonly jobs: number;
  /** Jobs after which a pad was found lifted, torn or its barrel damaged. */
  readonly harmed: number;
  /** The same of everyone else here; left out where nobody else did it. */
  readonly others?: { readonly jobs: number; readonly harmed: number } | undefined;
}

/** Everything a plan is made from; what is not here cannot change its answer. */
export interface PlanRequest extends Bench {
  readonly ambient_K: number;
  readonly board: Board & {
    readonly outline?: readonly (readonly [number, number])[] | undefined;
    readonly maps?: readonly (CoverageMap | null)[] | undefined;
  };
  readonly site: PlanSite;
  readonly neighbours: readonly Neighbour[];
  readonly goal: Goal;
  readonly worth: Worth;
  readonly hazards: readonly Hazard[];
  readonly history: {
    readonly padDose: Readonly<Record<string, number>>;
    readonly laminateDose: number;
    /** Times the part on the board has been melted off or on before. */
    readonly partCycles: number;
  };
  readonly moisture: {
    readonly level: MoistureLevel;
    readonly exposed_s: number;
    readonly bake_C: BakeTemperature;
  } | null;
  readonly record: readonly TrackRecord[];
  /** How long hands have taken here over what they were foretold; left out: nobody knows. */
  readonly pace?: PaceRecord | undefined;
  /** What earlier jobs have told of this bench's tips and of this board; left out: nothing. */
  readonly learnt?: Learnt | undefined;
  readonly seed: number;
}

/** One phase of a request: what a method is asked. */
export interface PhaseRequest extends PlanRequest {
  readonly phase: Phase;
}

/** What a technician sets on a tool in the hand. */
export interface HandSetting {
  readonly kind: 'hand';
  readonly tool: HandTool;
  readonly tip: SolidTip | HollowTip;
  readonly setpoint_K: number;
  /** Touches that the station is turned to another temperature for, by name. */
  readonly perPad_K?: Readonly<Record<string, number>> | undefined;
  readonly preheat: Preheat | null;
  readonly fluxed: boolean;
  readonly freshSolder: boolean;
}

/** What a technician sets for hot air. */
export interface AirSetting {
  readonly kind: 'air';
  readonly station: AirStation;
  readonly nozzle: Nozzle;
  readonly air_K: number;
  readonly flow_m3_s: number;
  readonly standoff_m: number;
  readonly preheat: Preheat | null;
  /** Warmed from farther off first, so that the body is not shocked. */
  readonly approach_s: number;
  readonly shielded: boolean;
}

/** What the station shows for a touch. */
export const setpointAt_K = (setting: HandSetting, touch: string): number =>
  setting.perPad_K?.[touch] ?? setting.setpoint_K;

/** The point on which a plan stands. */
export type Setting = HandSetting | AirSetting;

/** How hard a pin holds on to its heat, from its connections alone. */
export function copperWeight(connections: readonly Connection[]): 0 | 1 | 2 {
  const kinds = connections.map((c) => c.kind);
  if (kinds.includes('solid-plane')) return 2;
  return kinds.includes('thermal-relief') ? 1 : 0;
}

/** Pads to work, ground and plane pins last: they melt last and lift first (common practice). */
export function padOrder(request: Pick<PlanRequest, 'site'>): string[] {
  const weight = (pad: string): number => copperWeight(request.site.connections[pad] ?? []);
  const names = padNamesOf(request.site.part);
  const place = new Map(names.map((name, i) => [name, i]));
  // A hurt land comes last: nothing is moved any more once it is hot.
  const hurt = (pad: string): number => Number(isHurt(request.site.padStates[pad]));
  return [...names].sort(
    (a, b) => hurt(a) - hurt(b) || weight(a) - weight(b) || place.get(a)! - place.get(b)!,
  );
}

/** Equal for pads that a dwell cannot tell apart: same copper, same budget left. */
export const likeness = (request: PlanRequest, pad: string): string =>
  JSON.stringify([
    request.site.connections[pad] ?? [],
    request.history.padDose[pad] ?? 0,
    boardUnder(request, [pad]).copper.map((layer) => layer.rings?.map((ring) => ring.coverage) ?? null),
  ]);

type Place = ReturnType<typeof padPlaces>[number];
/** Asked for every pad of every touch: a hundred pads are placed once, not a hundred times. */
const placed = new WeakMap<PlanSite, ReadonlyMap<string, Place>>();

function placesOf(site: PlanSite): ReadonlyMap<string, Place> {
  const known = placed.get(site);
  if (known) return known;
  const at = { side: site.partSide, x_m: site.x_m, y_m: site.y_m, rotation_rad: site.rotation_rad };
  const places = new Map(padPlaces(at, site.part).map((place) => [place.pad, place]));
  placed.set(site, places);
  return places;
}

/** The board as pads of the site meet it, about their middle. */
export function boardUnder(
  { board, site }: Pick<PlanRequest, 'board' | 'site'>,
  pads: readonly string[],
): Board {
  const of = placesOf(site);
  const places = pads.flatMap((pad) => of.get(pad) ?? []);
  const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
  return places.length === 0
    ? board
    : boardAbout(board, mean(places.map((p) => p.x_m)), mean(places.map((p) => p.y_m)));
}
