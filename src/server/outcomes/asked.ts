import type { Role } from '~/core/record/roles';
import { USUAL } from '~/schema/exchange/outcomes/usual';
import { outcomesQuery, type OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';

/** Who looks: a lead is told who did what, others have their own work and that of all. */
export interface Onlooker {
  /** Their initials; empty where nobody gave any. */
  readonly own: string;
  readonly tellsWho: boolean;
}

/** Who looks at a page: whoever is signed in, else the initials that the bench keeps. */
export const onlookerOf = (
  person: { readonly initials: string; readonly role: Role } | null,
  initials: string,
): Onlooker => ({ own: person?.initials ?? initials, tellsWho: person?.role === 'lead' });

/** What an address asks for; what it names wrongly is asked for as usual, so that an old link still shows something. */
export function asked({ searchParams }: URL, { own, tellsWho }: Onlooker): OutcomesQuery {
  const given = Object.fromEntries(searchParams);
  const read = outcomesQuery.safeParse(given);
  const wrong = new Set(read.success ? [] : read.error.issues.map(({ path }) => String(path[0])));
  const query = outcomesQuery.parse(
    Object.fromEntries(Object.entries(given).filter(([key]) => !wrong.has(key))),
  );
  if (tellsWho) return query;
  return {
    ...query,
    sort: query.sort === 'by' ? USUAL.sort : query.sort,
    by: query.by === own ? query.by : undefined,
  };
}
