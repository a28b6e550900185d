import { InputError, type Fault } from '../schema/faults';
import { layersOf, padNames } from '../schema/planRequest';
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
  const wanted = padNames(site.package.pins);
  const given = site.pads.map((pad) => pad.name);
  if (wanted.length !== given.length || wanted.some((name) => !given.includes(name))) {
    faults.push({
      path: '$.pads',
      message: `must name pins 1 to ${site.package.pins}, each once; got ${given.join(', ')}`,
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
