import type { OutcomesQuery } from './outcomesQuery';

/** What stands where an address says nothing. */
export const USUAL = { view: 'rates', sort: 'method', harm: 'lifted' } as const;

/** The address of a view, with some of what is asked changed; what is set to nothing, or is usual, is left out. */
export function addressWith(
  query: Partial<OutcomesQuery>,
  changed: Readonly<Partial<Record<keyof OutcomesQuery, string | undefined>>>,
  path = '/outcomes',
): string {
  const search = new URLSearchParams();
  const usual: Readonly<Record<string, string>> = USUAL;
  for (const [key, value] of Object.entries({ ...query, ...changed }))
    if (value !== undefined && value !== '' && usual[key] !== value) search.set(key, value);
  const asked = search.toString();
  return asked ? `${path}?${asked}` : path;
}
