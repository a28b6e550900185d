import { isSurface } from '~/core/packages/form';
import type { SurfaceFamilyId } from '~/core/packages/surfaceFamilies';
import type { MeltingRange } from '~/core/solder/mixture';
import { landTouch, type Stance } from '../hand/landTouch';
import type { HandHeat } from '../hand/handTrial';
import { tipForOne, tipForStroke } from '../limits/habits';
import { padOrder, type PhaseRequest } from '../request';
import { EACH_HOLE, hasHoles } from './hole';
import { forbids, type Rule } from './method';

/** What the methods for parts on lands share. */

export const isFamily = (request: PhaseRequest, ...families: readonly SurfaceFamilyId[]): boolean =>
  isSurface(request.site.part) && families.includes(request.site.part.family);

/** Packs, connectors and buttons with leads along their sides. */
export const LEADED: readonly SurfaceFamilyId[] = [
  'soic',
  'ssop',
  'tsop',
  'soj',
  'plcc',
  'qfp',
  'connector',
  'button',
];

/** Parts with metal at two ends that tweezers reach both at once. */
export const TWO_ENDED: readonly SurfaceFamilyId[] = ['chip', 'melf', 'sod', 'mouldedDiode', 'tantalum'];

/** Packs that lead their heat away through a tab. */
export const TABBED: readonly SurfaceFamilyId[] = ['dpak', 'sot223', 'sot89'];

export const noIron = (request: PhaseRequest): Rule[] =>
  request.irons.length === 0 ? [forbids('No iron is on the bench.')] : [];

/** A tip on every land in turn, those on planes last. */
export const EACH_LAND: HandHeat = {
  kind: 'hand',
  key: 'iron, land by land',
  toolsOf: (request) => request.irons,
  touchesOf: (request, setting) => padOrder(request).map((pad) => landTouch(request, setting, [pad], 'one')),
  freshSolder: true,
  tipFor: ({ site }) => tipForOne(site.part),
};

/** A tip drawn along a row, and a stroke to a row. */
export const ALONG_ROWS: HandHeat = {
  ...EACH_LAND,
  key: 'iron, along rows',
  tipFor: ({ site }) => tipForStroke(site.part),
};

/** A tip on every joint in turn, through holes or on lands. */
export const EACH_JOINT: HandHeat = {
  ...EACH_LAND,
  key: 'iron, joint by joint',
  touchesOf: (request, setting) =>
    hasHoles(request) ? EACH_HOLE.touchesOf(request, setting) : EACH_LAND.touchesOf(request, setting),
};

/** All lands at once: a tip on each, or one drawn over all of them in turn. */
export const allLands = (
  key: string,
  stance: Exclude<Stance, 'one'>,
  toolsOf: HandHeat['toolsOf'],
  extra: {
    readonly added_m3?: number;
    readonly melting?: (request: PhaseRequest) => MeltingRange | undefined;
    /** How long a mixed melt is held at most; left out, as long as a low-melt one. */
    readonly longest_s?: number;
  } = {},
): HandHeat => ({
  kind: 'hand',
  key,
  toolsOf,
  touchesOf: (request, setting) => [
    landTouch(request, setting, padOrder(request), stance, {
      ...(extra.added_m3 === undefined ? {} : { added_m3: extra.added_m3 }),
      melting: extra.melting?.(request),
      ...(extra.longest_s === undefined ? {} : { longest_s: extra.longest_s }),
    }),
  ],
  freshSolder: true,
  ...(stance === 'swept' ? { tipFor: ({ site }: PhaseRequest) => tipForStroke(site.part) } : {}),
});
