import { padNamesOf } from '~/core/packages/form';
import { padPlaces, type Placement } from '~/core/packages/placement';
import { recogniseAll, type Recognised, type SeenLand } from '~/core/packages/recognise';
import { millimetres, radians } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';
import type { NewSite } from '~/schema/records/site/site';
import type { CentroidRow } from '~/formats/placement/centroid';
import { connectionsFor, type PaintedLayer } from './copper';
import { packageNamed } from './footprint';
import type { Collected, ImportGround } from './collected';
import { inputOf } from './packageInput';
import type { NetlistPart } from '~/formats/netlist/netlistParts';

export interface PlannedSite {
  readonly site: NewSite;
  readonly misfit_mm: number;
  readonly from: 'netlist' | 'artwork' | 'table';
  /** The same part as other families that fit its lands as well, or nearly. */
  readonly others: readonly NewSite[];
}

export interface LeftOut {
  readonly ref: string;
  readonly why: string;
}

/** Sites for every part that is recognised, and why the others are left out. */
export function planSites(
  read: Collected,
  ground: ImportGround,
  shift_m: readonly [number, number],
  painted: readonly PaintedLayer[],
): { sites: PlannedSite[]; leftOut: LeftOut[] } {
  const sites: PlannedSite[] = [];
  const leftOut: LeftOut[] = [];
  const taken = new Set(ground.taken);
  const rowOf = new Map(read.rows.map((row) => [row.ref, row]));
  const leave = (ref: string, why: string): void => void leftOut.push({ ref, why });
  const offer = (planned: PlannedSite): void => {
    const { ref, x_mm, y_mm } = planned.site;
    const { length_mm, width_mm } = ground.construction;
    if (taken.has(ref)) leave(ref, 'the board has a site of this reference already');
    else if (x_mm < 0 || y_mm < 0 || x_mm > length_mm || y_mm > width_mm) {
      leave(ref, `lies off the board, at ${x_mm.toFixed(1)}, ${y_mm.toFixed(1)} mm; change the shift`);
    } else {
      taken.add(ref);
      sites.push(planned);
    }
  };
  for (const part of read.parts) {
    const row = rowOf.get(part.ref);
    const [found, ...others] = recogniseAll(part.lands);
    if (!found) {
      leave(part.ref, `its ${part.lands.length} lands fit no family that is known; place it by hand`);
      continue;
    }
    const side = row?.side ?? part.side;
    offer({
      site: siteOf(part, found, side, row, ground, shift_m, painted),
      others: others.map((other) => siteOf(part, other, side, row, ground, shift_m, painted)),
      misfit_mm: millimetres(found.misfit_m),
      from: part.lands.some((land) => land.hole_m !== null) || painted.length === 0 ? 'netlist' : 'artwork',
    });
  }
  const placed = new Set(read.parts.map((part) => part.ref));
  for (const row of read.rows) {
    if (placed.has(row.ref)) continue;
    if (row.x_m === null || row.y_m === null) {
      leave(row.ref, 'the list has no place for it');
      continue;
    }
    const named = packageNamed(row.footprint);
    if (named)
      offer({
        site: siteOfRow(row, named, ground, shift_m, painted),
        misfit_mm: 0,
        from: 'table',
        others: [],
      });
    else
      leave(
        row.ref,
        row.footprint === ''
          ? 'the list names no footprint for it; place it by hand'
          : `footprint “${row.footprint}” names no family that is known; place it by hand`,
      );
  }
  return { sites, leftOut };
}

const rounded = (value: number, digits = 3): number => Math.round(value * 10 ** digits) / 10 ** digits;

/** Parts stand straight; a turn within this of a multiple of 45° is that. */
const STRAIGHT_deg = 2;

function degreesOf(rotation_rad: number): number {
  const turn = (rotation_rad * 180) / Math.PI;
  const straight = Math.round(turn / 45) * 45;
  return rounded(Math.abs(turn - straight) < STRAIGHT_deg ? straight : turn, 1);
}

function siteOf(
  part: NetlistPart,
  found: Recognised,
  side: 'top' | 'bottom',
  row: CentroidRow | undefined,
  ground: ImportGround,
  [dx, dy]: readonly [number, number],
  painted: readonly PaintedLayer[],
): NewSite {
  const input = inputOf(found.part);
  // Lands of a part below were turned over to be looked at; its place is turned back.
  const flipped = part.side === 'bottom';
  const at: Placement = {
    side,
    x_m: (flipped ? -found.x_m : found.x_m) + dx,
    y_m: found.y_m + dy,
    rotation_rad: radians(degreesOf(found.rotation_rad)),
  };
  const byPad = new Map(part.lands.map((land) => [land.pad, land]));
  return siteAt(part.ref, row?.value ?? '', input, at, ground, painted, (pad) => ({
    net: part.nets.get(pad) ?? '',
    land: byPad.get(pad),
  }));
}

function siteOfRow(
  row: CentroidRow,
  input: AnyPackageInput,
  ground: ImportGround,
  [dx, dy]: readonly [number, number],
  painted: readonly PaintedLayer[],
): NewSite {
  const at: Placement = {
    side: row.side ?? 'top',
    x_m: row.x_m! + dx,
    y_m: row.y_m! + dy,
    rotation_rad: radians(row.rotation_deg ?? 0),
  };
  return siteAt(row.ref, row.value, input, at, ground, painted, () => ({ net: '', land: undefined }));
}

function siteAt(
  ref: string,
  value: string,
  input: AnyPackageInput,
  at: Placement,
  ground: ImportGround,
  painted: readonly PaintedLayer[],
  known: (pad: string) => { net: string; land: SeenLand | undefined },
): NewSite {
  const part = partOf(input);
  const places = new Map(padPlaces(at, part).map((place) => [place.pad, place]));
  const holed = 'holeDiameter_mm' in input;
  return {
    ref,
    value: value.slice(0, 60),
    side: at.side,
    x_mm: rounded(millimetres(at.x_m)),
    y_mm: rounded(millimetres(at.y_m)),
    rotation_deg: rounded((at.rotation_rad * 180) / Math.PI, 1),
    alloy: ground.alloy,
    package: input,
    clinched: false,
    polarity: null,
    pads: padNamesOf(part).map((pad) => {
      const { net, land } = known(pad);
      const place = places.get(pad)!;
      const size =
        land && land.width_m > 0
          ? { width_m: land.width_m, height_m: land.height_m || land.width_m }
          : UNKNOWN_LAND;
      return {
        name: pad,
        net: net.slice(0, 40),
        connections: connectionsFor(
          { net, holed, side: at.side, place: { ...place, ...edgesOf(size) } },
          ground.construction,
          painted,
        ),
      };
    }),
  };
}

/** Where a file does not tell a land's size (assumed). */
const UNKNOWN_LAND = { width_m: 1e-3, height_m: 1e-3 };

const edgesOf = ({ width_m, height_m }: typeof UNKNOWN_LAND) => ({
  radius_m: Math.min(width_m, height_m) / 2,
  reach_m: Math.hypot(width_m, height_m) / 2,
});
