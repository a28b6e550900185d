import { PACKAGE_PRESETS } from '~/schema/presets/packagePresets';
import type { NewSite } from '~/schema/records/site/site';
import type { DemoSite } from './demoBoard';

/** Copper and parts that the invented boards are put together from. */

export const track = (width_mm = 0.4) => ({ kind: 'track' as const, width_mm, count: 1 });
export const relief = (...layers: number[]) => ({
  kind: 'thermal-relief' as const,
  spokes: 4,
  spokeWidth_mm: 0.3,
  spokeLength_mm: 0.3,
  layers,
});
export const plane = (...layers: number[]) => ({ kind: 'solid-plane' as const, layers });

export const numbered = (count: number): string[] => Array.from({ length: count }, (_, i) => String(i + 1));

export const radial = (diameter_mm: number, pitch_mm: number, lead_mm = 0.6): NewSite['package'] => ({
  family: 'radial',
  pins: 2,
  pitch_mm,
  leadDiameter_mm: lead_mm,
  holeDiameter_mm: lead_mm + 0.3,
  landDiameter_mm: lead_mm + 1.2,
  bodyDiameter_mm: diameter_mm,
});

export const dip = (pins: number): NewSite['package'] => ({
  family: 'dip',
  pins,
  pitch_mm: 2.54,
  rowSpacing_mm: 7.62,
  leadDiameter_mm: 0.5,
  holeDiameter_mm: 0.8,
  landDiameter_mm: 1.6,
});

export const axial = (pitch_mm: number, diameter_mm = 2.4): NewSite['package'] => ({
  family: 'axial',
  pins: 2,
  pitch_mm,
  leadDiameter_mm: 0.6,
  holeDiameter_mm: 0.9,
  landDiameter_mm: 1.9,
  bodyDiameter_mm: diameter_mm,
});

/** A standard outline by its name. */
export const outline = (name: string): NewSite['package'] =>
  PACKAGE_PRESETS.find((preset) => preset.name === name)!.package;

/** Pads of a surface part: a net for each, ground on the plane, supply through a relief, signals on a track. */
export function surfacePads(
  names: readonly string[],
  nets: Readonly<Record<string, string>>,
): NewSite['pads'] {
  return names.map((name) => {
    const net = nets[name] ?? `N${name}`;
    const copper = net === 'GND' ? relief(2) : net === 'V5' ? relief(3) : { ...track(0.2), layers: [1] };
    return { name, net, connections: [copper] };
  });
}

/** Where a part stands and what it is called; the alloy and the side are the board's usual ones. */
interface Stand {
  readonly ref: string;
  readonly value: string;
  readonly x_mm: number;
  readonly y_mm: number;
  readonly turn?: number;
  readonly side?: 'top' | 'bottom';
}

/** A part of a board whose copper follows from its nets, by the board's own rule. */
export const partsWith =
  (
    alloy: DemoSite['alloy'],
    copperOf: (
      net: string,
      holed: boolean,
      side: 'top' | 'bottom',
    ) => DemoSite['pads'][number]['connections'],
  ) =>
  (stand: Stand, package_: NewSite['package'], nets: readonly string[]): DemoSite => {
    const { ref, value, x_mm, y_mm, turn = 0, side = 'top' } = stand;
    const holed = 'holeDiameter_mm' in package_;
    return {
      ref,
      value,
      side,
      x_mm,
      y_mm,
      rotation_deg: turn,
      alloy,
      package: package_,
      clinched: false,
      pads: nets.map((net, i) => ({ name: String(i + 1), net, connections: copperOf(net, holed, side) })),
    };
  };
