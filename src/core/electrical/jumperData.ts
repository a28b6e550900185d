import { property } from '~/core/materials/property';

/** How a jumper is laid, and what it is asked to carry where nothing says more. */
export const JUMPER = {
  /** Each end: stripped, laid along the pad, with a little slack to dress the wire flat. */
  end: property(4e-3, 'm', [2e-3, 8e-3], 0.3, 'assumed', 'common practice'),
  /** Air about a board in its closed case. */
  caseAir: property(313.15, 'K', [293, 343], 0.03, 'assumed', '40 °C, a case without a fan: common practice'),
  /** A rise that copper on a board is usually laid out for. */
  usualRise: property(
    20,
    'K',
    [10, 30],
    0.3,
    'assumed',
    'IPC-2221 charts are read at 10 to 30 K: common practice',
  ),
  /** A supply or return pin without a track to say more: what one lead of a part usually carries at most. */
  supplyCurrent: property(1, 'A', [0.1, 5], 0.8, 'assumed', 'common practice'),
  /** An isolated pin: a signal needs next to nothing. */
  signalCurrent: property(0.1, 'A', [0.01, 0.5], 0.8, 'assumed', 'common practice'),
  /** Thinner wire is enamelled and tins through; thicker wire has a sleeve. */
  enamelledBelow: property(0.3e-3, 'm', [0.2e-3, 0.4e-3], 0.2, 'assumed', 'common practice'),
  /** Where plastic sleeves begin to soften. */
  sleeveLimit: property(
    378.15,
    'K',
    [353, 398],
    0.03,
    'from-memory',
    'PVC sleeving rated 105 °C (UL 224 style, from memory)',
  ),
  /** Tied down at least this often. */
  secureEvery: property(
    20e-3,
    'm',
    [10e-3, 30e-3],
    0.3,
    'from-memory',
    'IPC-7721 jumper wires, 25 mm and at every change of direction, from memory; a little oftener here',
  ),
} as const;
