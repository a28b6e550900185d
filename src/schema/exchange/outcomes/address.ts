import type { OutcomesQuery } from './outcomesQuery';
import { USUAL } from './usual';

type Changed = Readonly<Partial<Record<keyof OutcomesQuery, string | undefined>>>;

/** The address of a view, with some of what is asked changed; what is set to nothing, or is usual, is left out. */
export function addressWith(query: Partial<OutcomesQuery>, changed: Changed, path = '/outcomes'): string {
  const search = new URLSearchParams();
  const usual: Readonly<Record<string, string>> = USUAL;
  for (const [key, value] of Object.entries<string | undefined>({ ...query, ...changed } as Changed))
    if (value && usual[key] !== value) search.set(key, value);
  const asked = search.toString();
  return asked ? `${path}?${asked}` : path;
}

/** The list of the jobs that a number counts. */
export const jobsAddress = (query: Partial<OutcomesQuery>, changed: Changed = {}): string =>
  addressWith(
    query,
    { view: undefined, harm: undefined, sort: undefined, of: undefined, ...changed },
    '/outcomes/jobs',
  );
