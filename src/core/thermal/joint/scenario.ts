import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import type { MeltingRange } from '~/core/solder/mixture';
import type { TIP_CONSTRUCTION_IDS, TipShapeId } from '~/core/materials/tips';
import type { ThroughHolePackage } from '~/core/packages/throughHole';
import type { Preheat } from '../preheat';
import type { Board } from '../stackup';

/** How one pad reaches the copper of a layer; layers count from 1 at the top face. */
export type Connection =
  | { readonly kind: 'isolated' }
  | {
      readonly kind: 'track';
      readonly width_m: number;
      readonly count: number;
      readonly layers: readonly number[];
    }
  | {
      readonly kind: 'thermal-relief';
      readonly spokes: number;
      readonly spokeWidth_m: number;
      readonly spokeLength_m: number;
      readonly layers: readonly number[];
      readonly pourShare?: number | undefined;
    }
  | {
      readonly kind: 'solid-plane';
      readonly layers: readonly number[];
      /** Share of the board near the pad that this pour covers, where its artwork was seen (artwork/connectionAt). */
      readonly pourShare?: number | undefined;
    };

export interface SolidTip {
  readonly shape: TipShapeId;
  readonly width_m: number;
  readonly construction: (typeof TIP_CONSTRUCTION_IDS)[number];
}

/** A gun's: it stands on the land around the lead; its width is its outer diameter. */
export interface HollowTip {
  readonly shape: 'hollow';
  readonly width_m: number;
  readonly inner_m: number;
  readonly construction: 'gun';
}

/** A heated tip on a joint: an iron's, one jaw of tweezers, or a gun's. */
export interface Iron {
  readonly setpoint_K: number;
  readonly power_W: number;
  readonly tip: SolidTip | HollowTip;
  readonly fluxed: boolean;
  readonly freshSolder: boolean;
  /** Contact of a worn tip against a new one's: 2 is twice the resistance; left out, it is new. */
  readonly wear?: number | undefined;
}

/** What the board about a joint is made from. */
export type JointBoard = Pick<JointScenario, 'board' | 'connections'>;

/** One pin of one part under one iron, from touch-down. */
export interface JointScenario {
  readonly ambient_K: number;
  readonly board: Board;
  readonly part: ThroughHolePackage;
  readonly partSide: 'top' | 'bottom';
  /** The face the iron works on. */
  readonly face: 'solder-side' | 'component-side';
  readonly alloy: AlloyId;
  readonly pad: string;
  readonly connections: readonly Connection[];
  readonly iron: Iron;
  readonly preheat: Preheat | null;
  /** Where the solder melts, if something was melted into it; else as its alloy does. */
  readonly melting?: MeltingRange | undefined;
  /** Cut away at the body: a stub stands in the hole, and nothing hangs on it that has to be warmed. */
  readonly stub?: boolean | undefined;
}

export const meltingOf = ({ alloy, melting }: Pick<JointScenario, 'alloy' | 'melting'>): MeltingRange =>
  melting ?? { solidus_K: ALLOYS[alloy].solidus.value, liquidus_K: ALLOYS[alloy].liquidus.value };

/** Uncertain inputs as factors on their nominal values (an offset for the tip's calibration). */
export interface Factors {
  readonly contact: number;
  readonly copper: number;
  readonly laminate: number;
  readonly plating: number;
  readonly freshArea: number;
  /** On the time that wetting takes. */
  readonly wetting: number;
  readonly film: number;
  readonly tipOffset_K: number;
}

export const NOMINAL: Factors = {
  contact: 1,
  copper: 1,
  laminate: 1,
  plating: 1,
  freshArea: 1,
  wetting: 1,
  film: 1,
  tipOffset_K: 0,
};

/** Boards with copper on one face only have bare holes. */
export const isPlated = (scenario: JointScenario): boolean => scenario.board.copper.length > 1;
