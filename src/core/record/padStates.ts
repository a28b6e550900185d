/** What a pad can be found to be. The letter is its key and its mark; shape says the same again. */
export interface PadState {
  readonly name: string;
  readonly letter: string;
  /** Outline of its mark: round for whole, square for solder faults, diamond for copper damage. */
  readonly shape: 'round' | 'square' | 'diamond';
  readonly defect: boolean;
  /** It needs to know which other pad. */
  readonly names?: 'other-pad';
}

export const PAD_STATES = {
  sound: { name: 'Sound joint', letter: 'S', shape: 'round', defect: false },
  dull: { name: 'Cold joint, dull', letter: 'D', shape: 'square', defect: true },
  cracked: { name: 'Cracked joint', letter: 'C', shape: 'square', defect: true },
  insufficient: { name: 'Insufficient solder', letter: 'I', shape: 'square', defect: true },
  excess: { name: 'Excess solder', letter: 'E', shape: 'square', defect: true },
  bridged: { name: 'Bridged', letter: 'B', shape: 'square', defect: true, names: 'other-pad' },
  joined: { name: 'Intentional bridge', letter: 'J', shape: 'round', defect: false, names: 'other-pad' },
  skewed: { name: 'Skewed', letter: 'K', shape: 'square', defect: true },
  corroded: { name: 'Corroded', letter: 'O', shape: 'diamond', defect: true },
  flaked: { name: 'Solder mask damaged', letter: 'F', shape: 'diamond', defect: true },
  lifted: { name: 'Lifted, still attached', letter: 'L', shape: 'diamond', defect: true },
  torn: { name: 'Pad missing, torn off', letter: 'T', shape: 'diamond', defect: true },
  barrel: { name: 'Damaged through-hole', letter: 'A', shape: 'diamond', defect: true },
  'track-cut': { name: 'Track cut', letter: 'U', shape: 'diamond', defect: true },
  missing: { name: 'Part missing', letter: 'P', shape: 'square', defect: true },
  repaired: { name: 'Repaired', letter: 'R', shape: 'round', defect: false },
} as const satisfies Record<string, PadState>;

export type PadStateId = keyof typeof PAD_STATES;
export const PAD_STATE_IDS = Object.keys(PAD_STATES) as [PadStateId, ...PadStateId[]];

/** States of a land on which no force may come, and which heat hurts sooner. */
const HURT: ReadonlySet<PadStateId> = new Set(['lifted', 'torn', 'barrel', 'corroded', 'track-cut']);

export const isHurt = (state: PadStateId | undefined): boolean => state !== undefined && HURT.has(state);

export function padStateOfLetter(letter: string): PadStateId | null {
  const wanted = letter.toUpperCase();
  return PAD_STATE_IDS.find((id) => PAD_STATES[id].letter === wanted) ?? null;
}
