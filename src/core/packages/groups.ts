/** Parts that are alike: one value in one family, such as all 22 µF capacitors or a bank of memory. */
export interface AlikeParts {
  readonly value: string;
  readonly family: string;
  readonly siteIds: readonly string[];
}

interface ValuedSite {
  readonly id: string;
  readonly value: string;
  readonly package: { readonly family: string };
}

/** One spelling of a value: case of units kept, spaces and decimal commas not. */
const spelt = (value: string): string => value.replace(/\s+/g, '').replace(',', '.').replace(/^µ|μ/g, 'µ');

/** Groups of two and more parts of one value and family, the largest first. Parts without a value make none. */
export function alikeParts(sites: readonly ValuedSite[]): AlikeParts[] {
  const groups = new Map<string, { value: string; family: string; siteIds: string[] }>();
  for (const site of sites) {
    if (site.value.trim() === '') continue;
    const key = `${site.package.family} ${spelt(site.value)}`;
    const group = groups.get(key) ?? { value: site.value.trim(), family: site.package.family, siteIds: [] };
    group.siteIds.push(site.id);
    groups.set(key, group);
  }
  return [...groups.values()]
    .filter((group) => group.siteIds.length > 1)
    .sort((a, b) => b.siteIds.length - a.siteIds.length || a.value.localeCompare(b.value));
}
