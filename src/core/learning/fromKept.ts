import type { PhaseDraws } from './worlds';

type Kept = Omit<PhaseDraws, 'touches'> & {
  readonly touches: readonly {
    readonly touches: readonly string[];
    readonly melts_s: readonly (number | null)[];
    readonly limits_s: readonly (number | null)[];
    readonly longest_s: number;
  }[];
};

/** Draws as they were computed, from a form that writes null for never. */
export const drawsFromKept = ({ touches, ...rest }: Kept): PhaseDraws => ({
  ...rest,
  touches: touches.map((touch) => ({
    ...touch,
    melts_s: touch.melts_s.map((m) => m ?? Infinity),
    limits_s: touch.limits_s.map((m) => m ?? Infinity),
  })),
});
