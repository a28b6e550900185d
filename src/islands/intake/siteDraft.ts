import type { AlloyId } from '~/core/materials/alloys';
import type { FamilyId } from '~/core/packages/families';
import type { SurfaceFamilyId } from '~/core/packages/surfaceFamilies';
import type { ConnectionKind, ConnectionRecord } from '~/schema/connection';
import type { Construction } from '~/schema/construction';
import type { NewSite } from '~/schema/site';
import { BLANK_SURFACE, isSurfaceFamily, surfaceSite, type SurfaceDraft } from './surfaceDraft';

/** A site as its form holds it: one copper choice per pad, layers as a person writes them. */
export interface SiteDraft extends SurfaceDraft {
  ref: string;
  value: string;
  side: 'top' | 'bottom';
  x_mm: number;
  y_mm: number;
  rotation_deg: number;
  alloy: AlloyId;
  family: FamilyId | SurfaceFamilyId;
  pins: number;
  pitch_mm: number;
  rowSpacing_mm: number;
  leadDiameter_mm: number;
  holeDiameter_mm: number;
  landDiameter_mm: number;
  bodyDiameter_mm: number;
  pads: PadDraft[];
}

export interface PadDraft {
  net: string;
  kind: ConnectionKind;
  layers: string;
  width_mm: number;
}

export const FAMILY_START: Readonly<
  Record<
    FamilyId,
    Pick<
      SiteDraft,
      | 'pins'
      | 'pitch_mm'
      | 'leadDiameter_mm'
      | 'holeDiameter_mm'
      | 'landDiameter_mm'
      | 'bodyDiameter_mm'
      | 'rowSpacing_mm'
    >
  >
> = {
  radial: {
    pins: 2,
    pitch_mm: 5,
    leadDiameter_mm: 0.6,
    holeDiameter_mm: 0.9,
    landDiameter_mm: 1.8,
    bodyDiameter_mm: 10,
    rowSpacing_mm: 7.62,
  },
  axial: {
    pins: 2,
    pitch_mm: 10.16,
    leadDiameter_mm: 0.6,
    holeDiameter_mm: 0.9,
    landDiameter_mm: 1.8,
    bodyDiameter_mm: 2.4,
    rowSpacing_mm: 7.62,
  },
  dip: {
    pins: 14,
    pitch_mm: 2.54,
    leadDiameter_mm: 0.5,
    holeDiameter_mm: 0.8,
    landDiameter_mm: 1.6,
    bodyDiameter_mm: 6.4,
    rowSpacing_mm: 7.62,
  },
  header: {
    pins: 6,
    pitch_mm: 2.54,
    leadDiameter_mm: 0.7,
    holeDiameter_mm: 1.0,
    landDiameter_mm: 1.7,
    bodyDiameter_mm: 2.5,
    rowSpacing_mm: 7.62,
  },
  jack: {
    pins: 3,
    pitch_mm: 5,
    leadDiameter_mm: 1.2,
    holeDiameter_mm: 1.6,
    landDiameter_mm: 3,
    bodyDiameter_mm: 9,
    rowSpacing_mm: 7.62,
  },
  to220: {
    pins: 3,
    pitch_mm: 2.54,
    leadDiameter_mm: 0.8,
    holeDiameter_mm: 1.1,
    landDiameter_mm: 1.9,
    bodyDiameter_mm: 4.5,
    rowSpacing_mm: 7.62,
  },
};

export const blankPad = (): PadDraft => ({ net: '', kind: 'track', layers: '', width_mm: 0.4 });

export const blankSite = (length_mm: number, width_mm: number): SiteDraft => ({
  ref: '',
  value: '',
  side: 'top',
  x_mm: Math.round(length_mm / 2),
  y_mm: Math.round(width_mm / 2),
  rotation_deg: 0,
  alloy: 'sn60pb40',
  family: 'radial',
  ...FAMILY_START.radial,
  ...BLANK_SURFACE,
  pads: [blankPad(), { ...blankPad(), kind: 'thermal-relief', net: 'GND' }],
});

/** Pads as many as pins, keeping what was entered. */
export const padsFor = (pads: readonly PadDraft[], pins: number): PadDraft[] =>
  Array.from({ length: Math.min(64, Math.max(1, Math.floor(pins) || 1)) }, (_, i) => pads[i] ?? blankPad());

/** The record a draft stands for. Empty layers mean the usual ones: planes inside, tracks on the solder side. */
export function siteOf(draft: SiteDraft, construction: Pick<Construction, 'copperLayers'>): unknown {
  const layerCount = construction.copperLayers.length;
  const { ref, value, side, x_mm, y_mm, rotation_deg, alloy } = draft;
  const place = { ref, value, side, x_mm, y_mm, rotation_deg, alloy };
  if (isSurfaceFamily(draft.family)) {
    return { ...place, ...surfaceSite(draft.family, draft, side, construction) };
  }
  const {
    pads,
    family,
    pins,
    pitch_mm,
    rowSpacing_mm,
    leadDiameter_mm,
    holeDiameter_mm,
    landDiameter_mm,
    bodyDiameter_mm,
  } = draft;
  const body =
    family === 'dip' || family === 'header' ? { bodyWidth_mm: bodyDiameter_mm } : { bodyDiameter_mm };
  return {
    ...place,
    package: {
      family,
      pins,
      pitch_mm,
      leadDiameter_mm,
      holeDiameter_mm,
      landDiameter_mm,
      ...body,
      ...(family === 'dip' ? { rowSpacing_mm } : {}),
    },
    pads: pads.map((pad, i) => ({
      name: String(i + 1),
      net: pad.net,
      connections: [connectionOf(pad, layerCount)],
    })),
  } satisfies Record<keyof NewSite, unknown>;
}

function connectionOf(pad: PadDraft, layerCount: number): ConnectionRecord | Record<string, unknown> {
  const layers = readLayers(pad.layers);
  const inner = layerCount > 2 ? [2] : [1];
  switch (pad.kind) {
    case 'isolated':
      return { kind: 'isolated' };
    case 'track':
      return { kind: 'track', width_mm: pad.width_mm, count: 1, ...(layers.length ? { layers } : {}) };
    case 'thermal-relief':
      // Left to the schema's defaults, so that a layer that is no number is refused by its name.
      return { kind: 'thermal-relief', layers: layers.length ? layers : inner };
    case 'solid-plane':
      return { kind: 'solid-plane', layers: layers.length ? layers : inner };
  }
}

/** "2, 3" or "2 3" as numbers; what is not a number stays one the schema will refuse by name. */
function readLayers(text: string): number[] {
  return text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);
}
