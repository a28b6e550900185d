import { PAD_STATES } from '~/core/record/padStates';
import type { SiteSheet } from '~/schema/boardSheet';
import type { FindingRecord } from '~/schema/finding';
import { padState } from '../findings/marking';

/** Whether a site answers to what was typed: its reference, value, family, a net, or `defects`. */
export function matches(site: SiteSheet, query: string, findings: readonly FindingRecord[]): boolean {
  const words = query.trim().toLowerCase().split(/\s+/).filter(Boolean);
  return words.every((word) => {
    if (word === 'defects' || word === 'defect') {
      return site.pads.some((pad) => PAD_STATES[padState(findings, pad.id)].defect);
    }
    return (
      site.ref.toLowerCase().startsWith(word) ||
      site.value.toLowerCase().includes(word) ||
      site.package.family.toLowerCase() === word ||
      site.pads.some((pad) => pad.net.toLowerCase() === word)
    );
  });
}
