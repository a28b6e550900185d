import type { Board } from '~/core/thermal/stackup';
import { distance_m, narrowestTrack, nearestOfNet, type PlacedPad } from './checklist';
import { JUMPER } from './jumperData';
import { benchCurrent_A, benchWire, THICKEST } from './benchWire';
import { trackCurrent_A, wireResistance_Ohm } from './wire';

export interface JumperOrder {
  readonly current_A: number;
  /** How much warmer than the air in the case the wire may run. */
  readonly rise_K: number;
}

export type JumperAnswer =
  | {
      readonly outcome: 'wire';
      readonly to: PlacedPad;
      readonly length_m: number;
      /** From a face to the other: by the nearest edge or a hole. */
      readonly changesFace: boolean;
      readonly gauge: number;
      readonly diameter_m: number;
      /** What this gauge would carry at that rise. */
      readonly carries_A: number;
      readonly drop_V: number;
      readonly insulation: string;
    }
  | { readonly outcome: 'nowhere-to-go'; readonly why: string }
  | { readonly outcome: 'too-much-current'; readonly carries_A: number; readonly gauge: number };

/** What the lost copper could carry at that rise, as the current to plan for where none is known (IPC-2221 §6.2). */
export function usualCurrent_A(
  pad: PlacedPad,
  board: Board,
  rise_K: number = JUMPER.usualRise.value,
): { readonly current_A: number; readonly from: 'track' | 'relief' | 'assumed' } {
  const carries = (width_m: number, layer: number): number | null => {
    const foil_m = board.copper[layer - 1]?.thickness_m;
    const outer = layer === 1 || layer === board.copper.length;
    return foil_m === undefined ? null : trackCurrent_A(width_m, foil_m, rise_K, outer ? 'outer' : 'inner');
  };
  const track = narrowestTrack(pad);
  const byTrack = track && carries(track.width_m, track.layer);
  if (byTrack !== null) return { current_A: byTrack, from: 'track' };
  const relief = pad.connections.find((c) => c.kind === 'thermal-relief');
  const bySpoke = relief ? carries(relief.spokeWidth_m, relief.layers[0] ?? 1) : null;
  if (relief && bySpoke !== null) return { current_A: relief.spokes * bySpoke, from: 'relief' };
  const isolated = pad.connections.every((c) => c.kind === 'isolated');
  return { current_A: (isolated ? JUMPER.signalCurrent : JUMPER.supplyCurrent).value, from: 'assumed' };
}

/** Section of the narrowest track that a pad was joined by, m²; null where it had none. */
function sectionOf_m2(pad: PlacedPad, board: Board): number | null {
  const track = narrowestTrack(pad);
  const foil_m = track && board.copper[track.layer - 1]?.thickness_m;
  return track && foil_m ? track.width_m * foil_m : null;
}

/** A wire from a lost pad to the next point of its net: which, how long, how thick, and how to dress it. */
export function jumperFor(
  pad: PlacedPad,
  all: readonly PlacedPad[],
  board: Board,
  order: JumperOrder,
): JumperAnswer {
  const to = nearestOfNet(pad, all);
  if (!to) {
    return {
      outcome: 'nowhere-to-go',
      why:
        pad.net === ''
          ? 'its net is not known; name the net, or find the other end on the board'
          : `no other point of ${pad.net} is recorded; find one on the board and place its site`,
    };
  }
  const end_m = JUMPER.end.value;
  const case_K = JUMPER.caseAir.value;
  const changesFace = !pad.faces.some((face) => to.faces.includes(face));
  const length_m = distance_m(pad, to) + 2 * end_m + (changesFace ? 2 * end_m + board.thickness_m : 0);
  const asked = { ...order, case_K, laid: 'on-laminate', lost_m2: sectionOf_m2(pad, board) } as const;
  const wire = benchWire(asked);
  if (!wire)
    return { outcome: 'too-much-current', gauge: THICKEST, carries_A: benchCurrent_A(THICKEST, asked) };
  const { gauge, diameter_m } = wire;
  const warm_K = case_K + order.rise_K;
  return {
    outcome: 'wire',
    to,
    length_m,
    changesFace,
    gauge,
    diameter_m,
    carries_A: wire.carries_A,
    drop_V: order.current_A * wireResistance_Ohm(length_m, diameter_m, warm_K),
    insulation: insulationFor(diameter_m, warm_K),
  };
}

/** Enamelled wire is thin enough to tin through; thicker wire has a sleeve (common practice). */
function insulationFor(diameter_m: number, wire_K: number): string {
  if (wire_K > JUMPER.sleeveLimit.value)
    return 'fluoropolymer or glass sleeve, no plastic that softens at 105 °C';
  return diameter_m < JUMPER.enamelledBelow.value
    ? 'enamelled wire that tins through; sleeve it where it crosses a joint or an edge'
    : 'insulated wire or a sleeve over its whole length';
}
