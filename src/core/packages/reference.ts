import type { FamilyId } from './families';
import type { SurfaceFamilyId } from './surfaceFamilies';

type AnyFamily = FamilyId | SurfaceFamilyId;

/** Class letters of reference designations (ASME Y14.44 and common practice, from memory) and what is met under them. */
const CALLED: Readonly<Record<string, readonly AnyFamily[]>> = {
  BT: ['cell'],
  C: ['radial', 'canElectrolytic', 'chip', 'tantalum'],
  CR: ['axial', 'sod', 'mouldedDiode', 'melf'],
  D: ['axial', 'sod', 'mouldedDiode', 'melf'],
  DS: ['display'],
  J: ['jack', 'header', 'connector', 'dsub'],
  K: ['relay'],
  L: ['transformer'],
  P: ['header', 'connector', 'dsub'],
  Q: ['to220', 'to92', 'sot23', 'dpak', 'sot223', 'sot89'],
  R: ['axial', 'chip', 'melf'],
  RL: ['relay'],
  RY: ['relay'],
  S: ['switch', 'button'],
  SW: ['switch', 'button'],
  T: ['transformer'],
  TR: ['to92', 'sot23', 'to220'],
  U: ['dip', 'soic', 'sot23', 'sot223'],
  VR: ['to220', 'to92', 'sot223', 'dpak'],
  Z: ['axial', 'sod', 'mouldedDiode', 'melf'],
  ZD: ['axial', 'sod', 'mouldedDiode', 'melf'],
  X: ['crystal', 'ceramicCrystal', 'dipSocket'],
  XTAL: ['crystal', 'ceramicCrystal'],
  Y: ['crystal', 'ceramicCrystal'],
};

/** Families that a part of this reference mostly is, likeliest first; none where its letters say nothing. */
export const familiesCalled = (ref: string): readonly AnyFamily[] =>
  CALLED[/^[A-Z]+/.exec(ref.toUpperCase())?.[0] ?? ''] ?? [];
