import type { Role } from '~/core/record/roles';
import { outcomesQuery, type OutcomesQuery } from '~/schema/exchange/outcomes/outcomesQuery';

interface Asking {
  readonly url: URL;
  readonly locals: { readonly person: { readonly initials: string; readonly role: Role } | null };
  readonly cookies: { readonly get: (name: string) => { readonly value: string } | undefined };
}

/**
 * What an address asks for; what it names wrongly is asked for as usual, so that an old link still shows something. Whose
 * work is told apart is for a lead alone: everyone else sees their own and the whole workshop.
 */
export function asked({ url, locals: { person }, cookies }: Asking): OutcomesQuery {
  const given = Object.fromEntries(url.searchParams);
  const read = outcomesQuery.safeParse(given);
  const wrong = new Set(read.success ? [] : read.error.issues.map(({ path }) => String(path[0])));
  const query = outcomesQuery.parse(
    Object.fromEntries(Object.entries(given).filter(([key]) => !wrong.has(key))),
  );
  if (tellsWho(person)) return query;
  const own = person?.initials ?? cookies.get(BY)?.value ?? '';
  return {
    ...query,
    sort: query.sort === 'by' ? 'method' : query.sort,
    by: query.by === own ? query.by : undefined,
  };
}

/** Whether somebody is told who did what: a lead; others have their own work and that of all. */
export const tellsWho = (person: Asking['locals']['person']): boolean => person?.role === 'lead';

/** The cookie that a bench without sign-in keeps its initials in. */
const BY = 'ithermon_by';
