import type { Stroke } from '~/core/geometry/chain';
import type { ImageObject } from '~/core/artwork/shapes';
import type { LineFault } from '~/formats/lineFault';
import type { Spelt } from '~/formats/reading';

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
  readonly spelt: Spelt;
}
