import { property } from '~/core/materials/property';

/** What a meter on a fitted board is judged by. */
export const METER = {
  /** Two probes on two joints, leads nulled: what is left beside the copper itself. */
  probeContact: property(
    0.3,
    'Ω',
    [0.1, 0.6],
    0.3,
    'assumed',
    'leads nulled or subtracted, two clean joints: common practice',
  ),
  /** A joint or a track reads this many times what its copper should before it is called broken. */
  copperAllowance: property(2, '', [1.5, 4], 0.3, 'assumed', 'width and length are estimates themselves'),
  /** Tracks go this much further than the straight way. */
  detour: property(1.4, '', [1, 3], 0.3, 'assumed', 'right-angled routing is 4/π longer on average'),
  /** Under this two nets touch. */
  short: property(
    2,
    'Ω',
    [1, 5],
    0.4,
    'assumed',
    'a bridge reads a few tenths of an ohm; coils and rails a few ohm: common practice',
  ),
  /** Over this nothing is wrong between two nets on a fitted board. */
  clear: property(
    1000,
    'Ω',
    [200, 10_000],
    0.5,
    'assumed',
    'in circuit, parts between the nets read from some hundred ohm up: common practice',
  ),
  /** A resistor between two nets explains a reading down to this share of its value. */
  resistorShare: property(
    0.8,
    '',
    [0.7, 0.95],
    0.1,
    'assumed',
    'tolerance of carbon film, the meter, and what lies in parallel: common practice',
  ),
  /** A neighbour lies no further than this many of the part's own least gap away. */
  nextGaps: property(1.25, '', [1.05, 1.4], 0.1, 'assumed', 'under √2, so that diagonals are no neighbours'),
  /** Whatever lies as near as this can be bridged, whichever part it belongs to. */
  bridgedGap: property(
    0.5e-3,
    'm',
    [0.3e-3, 0.8e-3],
    0.3,
    'assumed',
    'a drop of hand-fed solder: common practice',
  ),
} as const;
