import { PAD_STATES, type PadStateId } from '~/core/record/padStates';
import type { SiteSheet } from '~/schema/sheets/boardSheet';
import type { PadStates } from '~/islands/findings/marking';

/** Sites that are shown: all, those with any defect, those that took heat or none, or those with one state. */
export type SiteFilter = 'all' | 'defects' | 'heated' | 'untouched' | PadStateId;

/** Whether a site passes a filter; `heated` holds the pads that took heat. */
export function passes(
  site: SiteSheet,
  filter: SiteFilter,
  padStates: PadStates,
  heated: ReadonlySet<string>,
): boolean {
  const states = (): PadStateId[] => site.pads.map((pad) => padStates.get(pad.id) ?? 'sound');
  const warm = site.pads.some((pad) => heated.has(pad.id));
  switch (filter) {
    case 'all':
      return true;
    case 'defects':
      return states().some((state) => PAD_STATES[state].defect);
    case 'heated':
      return warm;
    case 'untouched':
      return !warm && states().every((state) => state === 'sound');
    default:
      return states().includes(filter);
  }
}

/** Whether a site answers to what was typed: its reference, value, family, a net, or `defects`. */
export function matches(site: SiteSheet, query: string, padStates: PadStates): boolean {
  const words = query.trim().toLowerCase().split(/\s+/).filter(Boolean);
  return words.every((word) => {
    if (word === 'defects' || word === 'defect') return passes(site, 'defects', padStates, new Set());
    return (
      site.ref.toLowerCase().startsWith(word) ||
      site.value.toLowerCase().includes(word) ||
      site.package.family.toLowerCase() === word ||
      site.pads.some((pad) => pad.net.toLowerCase() === word)
    );
  });
}
