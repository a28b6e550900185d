import { InputError, type Fault } from '../schema/faults';
import { padNamesOf } from '../core/packages/form';
import { partOf } from '../schema/package';
import { layersOf } from '../schema/planRequest';
import type { NewSite } from '../schema/site';
import type { Db } from './db';
import { getBoard, setWaiting } from './repositories/boards';
import { addSite, type SiteWithPads } from './repositories/sites';

/** Adds a site after checking it against its board: on the outline, pads as pins, layers that exist. */
export function placeSite(db: Db, boardId: string, site: NewSite): SiteWithPads {
  const { construction } = getBoard(db, boardId);
  const faults: Fault[] = [];
  const within = (path: string, value: number, limit: number): void => {
    if (value > limit)
      faults.push({ path, message: `is ${value} mm, off the board; give at most ${limit} mm` });
  };
  within('$.x_mm', site.x_mm, construction.length_mm);
  within('$.y_mm', site.y_mm, construction.width_mm);
  const wanted = padNamesOf(partOf(site.package));
  const given = site.pads.map((pad) => pad.name);
  if (wanted.length !== given.length || wanted.some((name) => !given.includes(name))) {
    faults.push({
      path: '$.pads',
      message: `must name ${wanted[0]} to ${wanted.at(-1)}, ${wanted.length} pads, each once; got ${given.slice(0, 12).join(', ')}${given.length > 12 ? '…' : ''}`,
    });
  }
  site.pads.forEach((pad, i) => {
    const beyond = pad.connections
      .flatMap(layersOf)
      .find((layer) => layer > construction.copperLayers.length);
    if (beyond !== undefined) {
      faults.push({
        path: `$.pads[${i}].connections`,
        message: `names layer ${beyond}; the board has layers 1 to ${construction.copperLayers.length}`,
      });
    }
  });
  if (faults.length) throw new InputError(faults);
  const made = addSite(db, boardId, site);
  setWaiting(db, boardId, { waitingFor: 'you', nextAction: `Plan ${site.ref}` });
  return made;
}
