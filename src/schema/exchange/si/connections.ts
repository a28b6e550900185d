import { metres } from '~/core/quantity/convert';
import type { Connection } from '~/core/thermal/joint/scenario';
import type { ConnectionRecord } from '~/schema/values/connection';

/** A connection in SI. `solderLayer` is the copper layer on the face opposite the part. */
export function connectionOf(c: ConnectionRecord, solderLayer: number): Connection {
  switch (c.kind) {
    case 'isolated':
      return { kind: 'isolated' };
    case 'track':
      return {
        kind: 'track',
        width_m: metres(c.width_mm),
        count: c.count,
        layers: c.layers ?? [solderLayer],
      };
    case 'thermal-relief':
      return {
        kind: 'thermal-relief',
        spokes: c.spokes,
        spokeWidth_m: metres(c.spokeWidth_mm),
        spokeLength_m: metres(c.spokeLength_mm),
        layers: c.layers,
        pourShare: c.pourShare,
      };
    case 'solid-plane':
      return { kind: 'solid-plane', layers: c.layers, pourShare: c.pourShare };
  }
}

export interface WithSite {
  readonly board: { readonly copperLayers: readonly unknown[] };
  readonly site: {
    readonly side: 'top' | 'bottom';
    /** By pad name; `default` serves those not named. */
    readonly connections: Readonly<Record<string, readonly ConnectionRecord[]>>;
  };
}

export function connectionsOf(input: WithSite, pad: string): Connection[] {
  const { connections: given, side } = input.site;
  const solderLayer = side === 'top' ? input.board.copperLayers.length : 1;
  return (given[pad] ?? given['default'] ?? []).map((c) => connectionOf(c, solderLayer));
}

export const layersOf = (c: ConnectionRecord): readonly number[] =>
  c.kind === 'isolated' ? [] : (c.layers ?? []);
