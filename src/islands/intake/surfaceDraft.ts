import { USUAL_PINS, type ChipCode } from '~/core/packages/outlines';
import { padNamesOf } from '~/core/packages/form';
import { SURFACE_FAMILY_IDS, type SurfaceFamilyId } from '~/core/packages/surfaceFamilies';
import type { FamilyId } from '~/core/packages/families';
import type { Construction } from '~/schema/construction';
import { usualConnections } from '~/schema/usualCopper';
import { partOf, surfacePackageInput } from '~/schema/package';

/** What a form holds of a surface part beyond its place: little, because its outline is usual. */
export interface SurfaceDraft {
  code: ChipCode;
  surfacePins: number;
  /** Empty takes the family's usual pitch. */
  surfacePitch_mm: string;
  canDiameter_mm: number;
  trackWidth_mm: number;
  /** Pins as a person writes them: "6, 18-20". */
  groundPins: string;
  supplyPins: string;
}

export const BLANK_SURFACE: SurfaceDraft = {
  code: '0603',
  surfacePins: 8,
  surfacePitch_mm: '',
  canDiameter_mm: 6.3,
  trackWidth_mm: 0.25,
  groundPins: '',
  supplyPins: '',
};

export const isSurfaceFamily = (family: FamilyId | SurfaceFamilyId): family is SurfaceFamilyId =>
  (SURFACE_FAMILY_IDS as readonly string[]).includes(family);

/** Families whose number of pins a person may choose. */
export const takesPins = (family: SurfaceFamilyId): boolean =>
  !['chip', 'canElectrolytic', 'sot23', 'dpak'].includes(family);

export const usualPins = (family: SurfaceFamilyId): number => USUAL_PINS[family];

/** Package and pads of a surface draft; supplies go by a via to the plane that a board has for them. */
export function surfaceSite(
  family: SurfaceFamilyId,
  draft: SurfaceDraft,
  side: 'top' | 'bottom',
  construction: Pick<Construction, 'copperLayers'>,
): { package: Record<string, unknown>; pads: unknown[] } {
  const pitch = Number(draft.surfacePitch_mm.replace(',', '.'));
  const wanted = {
    family,
    ...(family === 'chip' ? { code: draft.code } : {}),
    ...(family === 'canElectrolytic' ? { bodyDiameter_mm: draft.canDiameter_mm } : {}),
    ...(takesPins(family) ? { pins: draft.surfacePins } : {}),
    ...(draft.surfacePitch_mm.trim() !== '' ? { pitch_mm: pitch } : {}),
  };
  const parsed = surfacePackageInput.safeParse(wanted);
  if (!parsed.success) return { package: wanted, pads: [] };
  const names = padNamesOf(partOf(parsed.data));
  const ground = new Set(pinsIn(draft.groundPins, names));
  const supply = new Set(pinsIn(draft.supplyPins, names));
  return {
    package: wanted,
    pads: names.map((name) => {
      const net = ground.has(name) ? 'GND' : supply.has(name) ? 'VCC' : '';
      const connections = usualConnections(net, { holed: false, side }, construction, draft.trackWidth_mm);
      return { name, net, connections };
    }),
  };
}

/** "6, 18-20 A1" as pad names; what names no pad is passed over, the drawing shows what was taken. */
export function pinsIn(text: string, names: readonly string[]): string[] {
  return text
    .toUpperCase()
    .split(/[\s,;]+/)
    .filter(Boolean)
    .flatMap((word) => {
      const [, from, to] = /^(\d+)-(\d+)$/.exec(word) ?? [];
      if (from === undefined) return [word];
      const [a, b] = [Number(from), Number(to)];
      return Array.from({ length: Math.min(2000, Math.max(0, b - a + 1)) }, (_, i) => String(a + i));
    })
    .filter((name) => names.includes(name));
}
