import type { AlloyId } from '~/core/materials/alloys';
import { padNamesOf } from '~/core/packages/form';
import { hasPoles, type BoardMarkId, type PartMarkId, type Polarity } from '~/core/packages/polarity';
import type { ConnectionRecord } from '~/schema/values/connection';
import type { ConnectionKind } from '~/schema/values/connectionKind';
import { supplyPlane, type Construction } from '~/schema/values/construction';
import { anyPackage } from '~/schema/values/package';
import { isSurfaceInput, partOf } from '~/schema/exchange/si/part';
import type { NewSite, SiteRecord } from '~/schema/records/site/site';
import { usualConnections } from '~/schema/presets/usualCopper';
import { draftOf, packageInputOf, startOf, type PackageDraft } from './packageDraft';
import { pinsIn, strayPins } from './pinList';

/** A site as its form holds it: one copper choice per pad of a small holed part, lists of pins for the rest. */
export interface SiteDraft {
  ref: string;
  value: string;
  side: 'top' | 'bottom';
  x_mm: number;
  y_mm: number;
  rotation_deg: number;
  alloy: AlloyId;
  clinched: boolean;
  part: PackageDraft;
  /** What is marked on the part and the board; an empty mark: none, or not looked. */
  sign: {
    part: PartMarkId | '';
    plusPad: string | null;
    boardMark: BoardMarkId | '';
    boardPad: string | null;
  };
  pads: PadDraft[];
  trackWidth_mm: number;
  /** Pins as a person writes them: "6, 18-20". */
  groundPins: string;
  supplyPins: string;
}

export interface PadDraft {
  net: string;
  kind: ConnectionKind;
  layers: string;
  width_mm: number;
}

export const blankPad = (): PadDraft => ({ net: '', kind: 'track', layers: '', width_mm: 0.4 });

export const blankSite = (length_mm: number, width_mm: number): SiteDraft => ({
  ref: '',
  value: '',
  side: 'top',
  x_mm: Math.round(length_mm / 2),
  y_mm: Math.round(width_mm / 2),
  rotation_deg: 0,
  alloy: 'sn60pb40',
  clinched: false,
  part: startOf('radial'),
  sign: { part: '', plusPad: null, boardMark: '', boardPad: null },
  pads: [blankPad(), blankPad()],
  trackWidth_mm: 0.25,
  groundPins: '',
  supplyPins: '',
});

/** A placed site as a draft; its pads are changed on the board, not here. */
export const draftOfSite = (site: SiteRecord): SiteDraft => ({
  ...blankSite(0, 0),
  ref: site.ref,
  value: site.value,
  side: site.side,
  x_mm: site.x_mm,
  y_mm: site.y_mm,
  rotation_deg: site.rotation_deg,
  alloy: site.alloy,
  clinched: site.clinched,
  part: draftOf(site.package),
  sign: signOf(site.polarity),
});

/** With more pins than this they are named by lists, not one row each. */
const MOST_ROWS = 16;

/** Whether a part's copper is said pad by pad. */
export function padByPad(part: PackageDraft): boolean {
  const parsed = anyPackage.safeParse(packageInputOf(part));
  return parsed.success && !isSurfaceInput(parsed.data) && parsed.data.pins <= MOST_ROWS;
}

/** Pads as many as pins, keeping what was entered. */
export const padsFor = (pads: readonly PadDraft[], pins: number): PadDraft[] =>
  Array.from(
    { length: Math.min(MOST_ROWS, Math.max(1, Math.floor(pins) || 1)) },
    (_, i) => pads[i] ?? blankPad(),
  );

/** The record a draft stands for. Empty layers mean the usual ones: planes inside, tracks on the solder side. */
export function siteOf(draft: SiteDraft, construction: Pick<Construction, 'copperLayers'>): unknown {
  const { ref, value, side, x_mm, y_mm, rotation_deg, alloy } = draft;
  const input = packageInputOf(draft.part);
  const parsed = anyPackage.safeParse(input);
  const names = parsed.success ? padNamesOf(partOf(parsed.data)) : [];
  const holed = parsed.success && !isSurfaceInput(parsed.data);
  const layers = construction.copperLayers.length;
  return {
    ref,
    value,
    side,
    x_mm,
    y_mm,
    rotation_deg,
    alloy,
    package: input,
    clinched: holed && draft.clinched,
    polarity: parsed.success && hasPoles(partOf(parsed.data)) ? polarityOf(draft.sign) : null,
    pads: padByPad(draft.part)
      ? padsFor(draft.pads, names.length).map((pad, i) => ({
          name: names[i]!,
          net: pad.net,
          connections: [connectionOf(pad, layers)],
        }))
      : listedPads(draft, names, holed, construction),
  } satisfies Record<keyof NewSite, unknown>;
}

/** The sign a draft tells of; what was not chosen is left empty, which the record refuses with a word. */
const polarityOf = ({ part, plusPad, boardMark, boardPad }: SiteDraft['sign']): Polarity | null =>
  part === ''
    ? null
    : {
        part,
        plusPad: plusPad ?? '',
        board: boardMark === '' ? null : { mark: boardMark, pad: boardPad ?? '' },
      };

const signOf = (polarity: Polarity | null): SiteDraft['sign'] => ({
  part: polarity?.part ?? '',
  plusPad: polarity?.plusPad ?? null,
  boardMark: polarity?.board?.mark ?? '',
  boardPad: polarity?.board?.pad ?? null,
});

/** Pads by three lists: ground, supply, and signals for the rest. */
function listedPads(
  draft: SiteDraft,
  names: readonly string[],
  holed: boolean,
  construction: Pick<Construction, 'copperLayers'>,
): unknown[] {
  const ground = new Set(pinsIn(draft.groundPins, names));
  const supply = new Set(pinsIn(draft.supplyPins, names));
  return names.map((name) => {
    const net = ground.has(name) ? 'GND' : supply.has(name) ? 'VCC' : '';
    const stand = { holed, side: draft.side };
    return { name, net, connections: usualConnections(net, stand, construction, draft.trackWidth_mm) };
  });
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

/** What is to be said of the copper that was asked for, and is not on this board or at this part. */
export function copperNotes(
  draft: SiteDraft,
  names: readonly string[],
  construction: Pick<Construction, 'copperLayers'>,
): string[] {
  const byPad = padByPad(draft.part);
  const stray = byPad
    ? []
    : [...new Set([...strayPins(draft.groundPins, names), ...strayPins(draft.supplyPins, names)])];
  const onPlanes = byPad
    ? draft.pads
        .slice(0, names.length)
        .some(({ kind }) => kind === 'solid-plane' || kind === 'thermal-relief')
    : pinsIn(`${draft.groundPins} ${draft.supplyPins}`, names).length > 0;
  return [
    ...(stray.length > 0
      ? [`No pin of this part: ${stray.slice(0, 8).join(', ')}${stray.length > 8 ? ' and more' : ''}.`]
      : []),
    ...(onPlanes && supplyPlane(construction, true) === null
      ? [
          byPad
            ? 'No layer of this board is a plane: a pin on one is reckoned with what copper that layer has. Take a wide track where it is no more than that.'
            : 'No layer of this board is a plane: ground and supply pins are taken as tracks.',
        ]
      : []),
  ];
}
