import type { OpenItem, OpenRecord } from './openItem';
import { refsInWords } from './refsInWords';
import { roundStanding, uncleanedSites } from './round';

/** What is left of a whole board's job that was begun. */
export function roundItem({ round, jobs, sites }: OpenRecord): OpenItem[] {
  if (!round) return [];
  const {
    begun,
    next,
    sites: all,
  } = roundStanding(round, jobs, new Map(sites.map((site) => [site.id, site.occupancy])));
  // A part that is under way says what it is about itself.
  const ref = next && sites.find((s) => s.id === next.siteId)?.ref;
  if (!begun || !next || !ref) return [];
  const done = all.filter((s) => s.status === 'done').length;
  return [
    {
      key: `round:${round.id}:${done}`,
      kind: 'round',
      siteId: null,
      jobId: null,
      says: `Whole board: ${done} of ${all.length} done, ${ref} next`,
      next: `Go on with the whole board: ${ref}`,
    },
  ];
}

/** Parts whose cleaning waits for the end. */
export function cleaningItem({ jobs, sites }: OpenRecord): OpenItem[] {
  const refs = uncleanedSites(jobs).flatMap((id) => sites.find((s) => s.id === id)?.ref ?? []);
  return refs.length === 0
    ? []
    : [
        {
          key: `uncleaned:${refs.join('+')}`.slice(0, 400),
          kind: 'uncleaned',
          siteId: null,
          jobId: null,
          says: `Not cleaned and dried yet: ${refsInWords(refs)}`,
          next: 'Clean and dry the board',
        },
      ];
}
