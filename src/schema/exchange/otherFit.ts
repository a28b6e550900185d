import { padNamesOf } from '~/core/packages/form';
import { partOf } from '~/schema/exchange/si/part';
import type { ConnectionRecord } from '~/schema/values/connection';
import type { AnyPackageInput } from '~/schema/values/package';

/** The same part as another family or size that fits its lands: small, for a board of thousands has as many times some. */
export interface OtherFit {
  readonly package: AnyPackageInput;
  /** Where its middle would lie and how it would be turned; left out where that is as the part was taken. */
  readonly x_mm?: number;
  readonly y_mm?: number;
  readonly rotation_deg?: number;
  /** Which pad of the part as it was taken stands for each of this one's. */
  readonly padOf: Readonly<Record<string, string>>;
}

/** A site's pads as far as they go over from one family to another. */
interface WithPads {
  readonly pads: { name: string; net: string; connections: ConnectionRecord[] }[];
}

/** A planned site as another family: nets and copper stay with the lands they are of. */
export function siteAs<Site extends WithPads>(site: Site, { padOf, ...fit }: OtherFit): Site {
  const by = new Map(site.pads.map((pad) => [pad.name, pad]));
  return {
    ...site,
    ...fit,
    pads: padNamesOf(partOf(fit.package)).map((name) => ({
      net: '',
      connections: [{ kind: 'isolated' }],
      ...by.get(padOf[name] ?? name),
      name,
    })),
  };
}
