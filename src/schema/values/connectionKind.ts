import type { ConnectionRecord } from './connection';

export const CONNECTION_KINDS = ['isolated', 'track', 'thermal-relief', 'solid-plane'] as const;

export type ConnectionKind = (typeof CONNECTION_KINDS)[number];

/** The class that holds a pad's melt back most, for its hatching and its name. */
export function heaviestKind(list: readonly ConnectionRecord[]): ConnectionKind {
  return list.reduce<ConnectionKind>(
    (worst, c) => (CONNECTION_KINDS.indexOf(c.kind) > CONNECTION_KINDS.indexOf(worst) ? c.kind : worst),
    'isolated',
  );
}
