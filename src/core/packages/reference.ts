import type { FamilyId } from './families';
import type { SurfaceFamilyId } from './surfaceFamilies';

type AnyFamily = FamilyId | SurfaceFamilyId;

/** Class letters of reference designations (ASME Y14.44 and common practice, from memory) and what is met under them. */
const CALLED: Readonly<Record<string, readonly AnyFamily[]>> = {
  BT: ['cell'],
  C: ['radial', 'canElectrolytic', 'chip'],
  D: ['axial'],
  DS: ['display'],
  J: ['jack', 'header', 'connector'],
  K: ['relay'],
  L: ['transformer'],
  P: ['header', 'connector'],
  Q: ['to220', 'sot23', 'dpak'],
  R: ['axial', 'chip'],
  RL: ['relay'],
  RY: ['relay'],
  S: ['switch', 'button'],
  SW: ['switch', 'button'],
  T: ['transformer'],
  U: ['dip'],
  X: ['crystal', 'ceramicCrystal', 'dipSocket'],
  XTAL: ['crystal', 'ceramicCrystal'],
  Y: ['crystal', 'ceramicCrystal'],
};

/** Families that a part of this reference mostly is, likeliest first; none where its letters say nothing. */
export const familiesCalled = (ref: string): readonly AnyFamily[] =>
  CALLED[/^[A-Z]+/.exec(ref.toUpperCase())?.[0] ?? ''] ?? [];
