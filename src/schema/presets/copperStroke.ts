import { isGround, isSupply } from '~/core/electrical/netNames';
import { usualRelief, type ConnectionRecord } from '~/schema/values/connection';
import type { Construction } from '~/schema/values/construction';
import { planeOfNet, usualConnections, usualTrack, type PadStand } from './usualCopper';

/** What one key says of the copper at the pads that are taken. */
export const STROKES = {
  ground: { letter: 'G', name: 'Ground, to its plane' },
  power: { letter: 'P', name: 'Supply, to its plane' },
  signal: { letter: 'S', name: 'Signal, a track' },
  relief: { letter: 'R', name: 'Plane through a relief' },
  solid: { letter: 'F', name: 'Plane, full contact' },
  isolated: { letter: 'I', name: 'Isolated' },
  named: { letter: 'N', name: 'As its net’s name says' },
} as const;
export type StrokeId = keyof typeof STROKES;
export const STROKE_IDS = Object.keys(STROKES) as [StrokeId, ...StrokeId[]];

export const strokeOfLetter = (letter: string): StrokeId | null =>
  STROKE_IDS.find((id) => STROKES[id].letter === letter.toUpperCase()) ?? null;

export interface PadCopper {
  readonly net: string;
  readonly connections: readonly ConnectionRecord[];
}

/** A pad's net and copper after a stroke. A net that has a fitting name keeps it; GND and VCC are given where it has none. */
export function stroked(
  stroke: StrokeId,
  pad: PadCopper,
  stand: PadStand,
  construction: Pick<Construction, 'copperLayers'>,
): { net: string; connections: ConnectionRecord[] } {
  const usual = (net: string) => ({ net, connections: usualConnections(net, stand, construction) });
  switch (stroke) {
    case 'ground':
      return usual(isGround(pad.net) ? pad.net : 'GND');
    case 'power':
      return usual(isSupply(pad.net) && !isGround(pad.net) ? pad.net : 'VCC');
    case 'named':
      return usual(pad.net);
    case 'isolated':
      return { net: pad.net, connections: [{ kind: 'isolated' }] };
    case 'signal': {
      const widest = pad.connections.find((c) => c.kind === 'track');
      return {
        net: isSupply(pad.net) ? '' : pad.net,
        connections: [usualTrack(stand, construction.copperLayers.length, widest?.width_mm)],
      };
    }
    case 'relief':
    case 'solid': {
      const layers = planesOf(pad, construction);
      const plane: ConnectionRecord =
        stroke === 'relief' ? usualRelief(layers) : { kind: 'solid-plane', layers };
      const tracks = pad.connections.filter((c) => c.kind === 'track');
      // A hole meets its plane by itself; a surface pad needs the track to its via.
      return { net: pad.net, connections: stand.holed ? [plane] : [...tracks, plane] };
    }
  }
}

/** The layers of a pad's plane: as they are, else by its net's name, else the first layer that is most covered. */
function planesOf(pad: PadCopper, construction: Pick<Construction, 'copperLayers'>): number[] {
  const known = pad.connections.flatMap((c) =>
    c.kind === 'thermal-relief' || c.kind === 'solid-plane' ? c.layers : [],
  );
  if (known.length > 0) return [...new Set(known)].sort((a, b) => a - b);
  const named = planeOfNet(pad.net, construction);
  if (named !== null) return [named];
  const coverage = construction.copperLayers.map((layer) => layer.coverage);
  return [coverage.indexOf(Math.max(...coverage)) + 1];
}
