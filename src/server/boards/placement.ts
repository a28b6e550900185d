import { LRUCache } from 'lru-cache';
import { InputError, type Fault } from '~/schema/values/faults';
import { padNamesOf } from '~/core/packages/form';
import { padPlaces } from '~/core/packages/placement';
import { metres, millimetres, radians } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import { layersOf } from '~/schema/exchange/si/connections';
import type { Construction } from '~/schema/values/construction';
import type { NewSite, SiteChange } from '~/schema/records/site/site';
import { restate } from './restate';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import type { ConnectionRecord } from '~/schema/values/connection';
import type { PadChanges } from '~/schema/records/site/padChange';
import {
  addSite,
  changePads,
  changeSite,
  getSite,
  type SiteWithPads,
} from '~/server/store/repositories/sites';

/** Adds a site after checking it against its board. */
export function placeSite(db: Db, boardId: string, site: NewSite): SiteWithPads {
  const { construction } = getBoard(db, boardId);
  const found = siteFaults(construction, site);
  const faults = found.length > 0 ? found : edgeFaults(construction, site);
  if (faults.length) throw new InputError(faults);
  return db.transaction(() => {
    const made = addSite(db, boardId, site);
    restate(db, boardId);
    return made;
  });
}

/** Corrects where a part stands or what it is. A part with other pads is another site. */
export function correctSite(db: Db, siteId: string, change: SiteChange): SiteWithPads {
  const site = getSite(db, siteId);
  const { construction } = getBoard(db, site.boardId);
  const pads = site.pads.map(({ name, net, connections }) => ({ name, net, connections }));
  const faults = siteFaults(construction, { ...change, pads }).map((fault) =>
    fault.path === '$.pads'
      ? {
          path: '$.package',
          message: `has other pads than ${site.ref} was placed with; remove it and place it anew`,
        }
      : fault,
  );
  if (faults.length === 0) faults.push(...edgeFaults(construction, change));
  if (faults.length) throw new InputError(faults);
  return changeSite(db, siteId, change);
}

/** Changes nets and copper of a site's pads after checking the layers against its board. */
export function changeCopper(db: Db, siteId: string, change: PadChanges): SiteWithPads {
  const { construction } = getBoard(db, getSite(db, siteId).boardId);
  const faults = layerFaults(construction, change.pads, '$');
  if (faults.length) throw new InputError(faults);
  return changePads(db, siteId, change);
}

/** A pad on the very edge is on the board. */
const EDGE_m = 1e-9;

/** What keeps a site off its board: it must lie on the outline, with pads as pins and layers that exist. */
export function siteFaults(
  construction: Construction,
  site: Pick<NewSite, 'x_mm' | 'y_mm' | 'package' | 'pads' | 'polarity'>,
  base = '$',
): Fault[] {
  const faults: Fault[] = [];
  const within = (path: string, value: number, limit: number): void => {
    if (value > limit)
      faults.push({ path, message: `is ${value} mm, off the board; give at most ${limit} mm` });
  };
  within(`${base}.x_mm`, site.x_mm, construction.length_mm);
  within(`${base}.y_mm`, site.y_mm, construction.width_mm);
  const wanted = namesOf(site.package);
  const given = site.pads.map((pad) => pad.name);
  const named = new Set(given);
  if (wanted.length !== given.length || wanted.some((name) => !named.has(name))) {
    faults.push({
      path: `${base}.pads`,
      message: `must name ${wanted[0]} to ${wanted.at(-1)}, ${wanted.length} pads, each once; got ${given.slice(0, 12).join(', ')}${given.length > 12 ? '…' : ''}`,
    });
  }
  for (const pad of [site.polarity?.plusPad, site.polarity?.board?.pad]) {
    if (pad !== undefined && !wanted.includes(pad))
      faults.push({
        path: `${base}.polarity`,
        message: `names pad ${pad}; the part has ${wanted[0]} to ${wanted.at(-1)}`,
      });
  }
  return [...faults, ...layerFaults(construction, site.pads, base)];
}

/** A board has many parts of few kinds. */
const NAMES = new LRUCache<string, readonly string[]>({ max: 200 });

function namesOf(form: NewSite['package']): readonly string[] {
  const key = JSON.stringify(form);
  const names = NAMES.get(key) ?? padNamesOf(partOf(form));
  NAMES.set(key, names);
  return names;
}

/** A pad that lies past the edge of a board: a part is placed with all of its lands on it. */
function edgeFaults(
  construction: Construction,
  site: Pick<NewSite, 'side' | 'x_mm' | 'y_mm' | 'rotation_deg' | 'package'>,
): Fault[] {
  const off = padPlaces(
    {
      side: site.side,
      x_m: metres(site.x_mm),
      y_m: metres(site.y_mm),
      rotation_rad: radians(site.rotation_deg),
    },
    partOf(site.package),
  ).find(
    ({ x_m, y_m }) =>
      x_m < 0 ||
      y_m < 0 ||
      x_m > metres(construction.length_mm) + EDGE_m ||
      y_m > metres(construction.width_mm) + EDGE_m,
  );
  if (!off) return [];
  return [
    {
      path: '$.x_mm',
      message: `and y put pad ${off.pad} at x ${millimetres(off.x_m).toFixed(1)}, y ${millimetres(off.y_m).toFixed(1)} mm, off the board of ${construction.length_mm} by ${construction.width_mm} mm; move or turn the part`,
    },
  ];
}

/** Pads that name a layer the board has not. */
export function layerFaults(
  construction: Construction,
  pads: readonly { readonly connections: readonly ConnectionRecord[] }[],
  base: string,
): Fault[] {
  const faults: Fault[] = [];
  pads.forEach((pad, i) => {
    const beyond = pad.connections
      .flatMap(layersOf)
      .find((layer) => layer > construction.copperLayers.length);
    if (beyond !== undefined) {
      faults.push({
        path: `${base}.pads[${i}].connections`,
        message: `names layer ${beyond}; the board has layers 1 to ${construction.copperLayers.length}`,
      });
    }
  });
  return faults;
}
