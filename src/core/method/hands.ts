import { property } from '~/core/materials/property';

/**
 * What hands take beside heat and clocks. A way's own handling of its tool stands with the way (`hands_s`); here is what a
 * step of a plan takes by its kind, and how far hands differ. They count only until there is a record to go by.
 */
export const HANDS = {
  /** Something confirmed before going on: cables off, a meter read, a station set and read back. */
  gate_s: property(45, 's', [15, 180], 0.5, 'assumed', 'common practice'),
  /** Something done by hand: strap on, flux, tape, wick, wash. */
  do_s: property(60, 's', [20, 240], 0.5, 'assumed', 'common practice'),
  /** A look under the lens, joint by joint. */
  inspect_s: property(60, 's', [20, 300], 0.5, 'assumed', 'common practice'),
  /** How far workshops differ from these figures, as a standard deviation of the logarithm. */
  workshops: property(0.35, '1', [0.2, 0.6], 0.4, 'assumed', 'as wide as the steps’ own bands together'),
  /** How far people of one workshop differ. */
  people: property(
    0.12,
    '1',
    [0.08, 0.3],
    0.4,
    'from-memory',
    'Wechsler, The Range of Human Capacities (1952): second best to second poorest of a thousand about two to one, which is 5.8 standard deviations of a normal',
  ),
  /** How far one way lies from the figures about it, beside others of the same hands. */
  ways: property(0.25, '1', [0.1, 0.5], 0.5, 'assumed', 'figures by pad are the least sure: common practice'),
  /** How far one person's jobs differ among each other once their plan is known. */
  jobs: property(0.2, '1', [0.1, 0.4], 0.5, 'assumed', 'common practice of time studies'),
} as const;
