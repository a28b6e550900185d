/** Where on a face something was found that is no pad: a track or crack as a line, a via as a point, an area. */
export const PLACE_KINDS = ['track', 'via', 'area'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** What copper, mask and laminate away from pads are found to be; a letter that pads have too means the same there. */
export const FACE_STATES = {
  sound: { name: 'Sound', letter: 'S', defect: false, on: ['track', 'via', 'area'] },
  corroded: { name: 'Corroded', letter: 'O', defect: true, on: ['track', 'via', 'area'] },
  flaked: { name: 'Solder mask damaged', letter: 'F', defect: true, on: ['track', 'area'] },
  cut: { name: 'Cut or cracked', letter: 'U', defect: true, on: ['track'] },
  open: { name: 'Open via', letter: 'A', defect: true, on: ['via'] },
  bridged: { name: 'Bridged over', letter: 'B', defect: true, on: ['track', 'area'] },
  charred: { name: 'Charred', letter: 'H', defect: true, on: ['track', 'area'] },
  delaminated: { name: 'Blistered or delaminated', letter: 'N', defect: true, on: ['area'] },
  residue: { name: 'Residue', letter: 'W', defect: true, on: ['area'] },
  repaired: { name: 'Repaired', letter: 'R', defect: false, on: ['track', 'via', 'area'] },
} as const satisfies Record<
  string,
  { name: string; letter: string; defect: boolean; on: readonly PlaceKind[] }
>;
export type FaceState = keyof typeof FACE_STATES;
export const FACE_STATE_IDS = Object.keys(FACE_STATES) as [FaceState, ...FaceState[]];
