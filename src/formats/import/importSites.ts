import type { Land } from '~/core/artwork/landShape';
import { landShapes, padNamesOf, type LandShape } from '~/core/packages/form';
import { onBoard, type Placement } from '~/core/packages/placement';
import type { Recognised } from '~/core/packages/recognise/recognise';
import { recogniser } from '~/core/packages/recognise/recogniser';
import { millimetres, radians } from '~/core/quantity/convert';
import { partOf } from '~/schema/exchange/si/part';
import type { AnyPackageInput } from '~/schema/values/package';
import type { NewSite } from '~/schema/records/site/site';
import type { CentroidRow } from '~/formats/placement/centroid';
import { connectionsFor, type PaintedLayer } from './copper';
import { landOnBoard, landsOnBoard, type LandsOnBoard } from './landsOnBoard';
import type { ImportProgress } from './importProgress';
import { packageNamed } from './footprint';
import type { Collected, ImportGround } from './collected';
import { otherFit } from './otherFits';
import { inputOf } from './packageInput';
import { placeInRecord, placeOf } from './sitePlace';
import type { ConnectionRecord } from '~/schema/values/connection';
import type { OtherFit } from '~/schema/exchange/otherFit';
import type { NetlistPart } from '~/formats/netlist/netlistParts';

export interface PlannedSite {
  readonly site: NewSite;
  readonly misfit_mm: number;
  readonly from: 'netlist' | 'artwork' | 'table';
  /** The same part as other families and sizes that fit its lands. */
  readonly others: readonly OtherFit[];
  /** Why it should be looked at before it is believed; null where it stands out. */
  readonly doubt: string | null;
}

/** A part of more lands than this is none of this trade. */
const MOST_LANDS = 5000;
/** Parts looked at between two words of progress. */
const AT_A_TIME = 20;

export interface LeftOut {
  readonly ref: string;
  readonly why: string;
}

/** The board that files are laid on: what is known of it, where they lie on it, and what they show of its copper. */
interface Laid {
  readonly ground: ImportGround;
  readonly shift_m: readonly [number, number];
  readonly painted: readonly PaintedLayer[];
  readonly lands: LandsOnBoard;
  /** How pads are joined, each way once. */
  readonly connections: Map<string, ConnectionRecord[]>;
}

/** Sites for every part that is recognised, and why the others are left out; part by part. */
export function* planSites(
  read: Collected,
  ground: ImportGround,
  shift_m: readonly [number, number],
  painted: readonly PaintedLayer[],
): Generator<ImportProgress, { sites: PlannedSite[]; leftOut: LeftOut[] }> {
  const laid: Laid = {
    ground,
    shift_m,
    painted,
    lands: landsOnBoard(read.parts, shift_m),
    connections: new Map(),
  };
  const recognition = recogniser();
  const sites: PlannedSite[] = [];
  const leftOut: LeftOut[] = [];
  const taken = new Set(ground.taken);
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
  for (const [done, part] of read.parts.entries()) {
    if (done % AT_A_TIME === 0) yield { doing: `looking at ${part.ref}`, done, of: read.parts.length };
    const row = read.rows.get(part.ref);
    const named = row ? packageNamed(row.footprint) : null;
    const {
      found: [found, ...others],
      doubt,
    } = recognition(part.lands.slice(0, MOST_LANDS), part.ref, named);
    if (!found) {
      leave(
        part.ref,
        `its ${part.lands.length} ${part.lands.length === 1 ? 'land fits' : 'lands fit'} no family that is known; place it by hand`,
      );
      continue;
    }
    const side = row?.side ?? part.side;
    const site = siteOf(part, found, side, row, laid);
    offer({
      site,
      others: others.map((other) => otherFit(part, found, other, site, shift_m)),
      misfit_mm: millimetres(found.misfit_m),
      doubt,
      from: part.lands.some((land) => land.hole_m !== null) || painted.length === 0 ? 'netlist' : 'artwork',
    });
  }
  const placed = new Set(read.parts.map((part) => part.ref));
  for (const row of read.rows.values()) {
    if (placed.has(row.ref)) continue;
    if (row.x_m === null || row.y_m === null) {
      leave(row.ref, 'the list has no place for it');
      continue;
    }
    const named = packageNamed(row.footprint);
    if (named)
      offer({
        site: siteOfRow(row, named, laid),
        misfit_mm: 0,
        from: 'table',
        others: [],
        doubt: null,
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

function siteOf(
  part: NetlistPart,
  found: Recognised,
  side: 'top' | 'bottom',
  row: CentroidRow | undefined,
  laid: Laid,
): NewSite {
  const input = inputOf(found.part);
  const at = placeOf(part, found, side, laid.shift_m);
  const byPad = new Map(part.lands.map((land) => [land.pad, landOnBoard(part, land, laid.shift_m)]));
  return siteAt(part.ref, row?.value ?? '', input, at, laid, (own) => {
    const pad = found.padOf.get(own) ?? own;
    return { net: part.nets.get(pad) ?? '', land: byPad.get(pad) };
  });
}

function siteOfRow(row: CentroidRow, input: AnyPackageInput, laid: Laid): NewSite {
  const [dx, dy] = laid.shift_m;
  const at: Placement = {
    side: row.side ?? 'top',
    x_m: row.x_m! + dx,
    y_m: row.y_m! + dy,
    rotation_rad: radians(row.rotation_deg ?? 0),
  };
  return siteAt(row.ref, row.value, input, at, laid, () => ({ net: '', land: undefined }));
}

/** One list for all pads that are joined alike: tens of thousands are, and what is one is sent to the page once. */
function shared(known: Laid['connections'], made: ConnectionRecord[]): ConnectionRecord[] {
  const name = JSON.stringify(made);
  const one = known.get(name) ?? made;
  known.set(name, one);
  return one;
}

function siteAt(
  ref: string,
  value: string,
  input: AnyPackageInput,
  at: Placement,
  { ground, painted, lands, connections }: Laid,
  known: (pad: string) => { net: string; land: Land | undefined },
): NewSite {
  const part = partOf(input);
  const shapes = new Map(landShapes(part).map((shape) => [shape.pad, shape]));
  return {
    ref,
    value: value.slice(0, 60),
    side: at.side,
    ...placeInRecord(at),
    alloy: ground.alloy,
    package: input,
    clinched: false,
    polarity: null,
    pads: padNamesOf(part).map((pad) => {
      const { net, land } = known(pad);
      const shape = shapes.get(pad)!;
      return {
        name: pad,
        net: net.slice(0, 40),
        connections: shared(
          connections,
          connectionsFor(
            { net, side: at.side, land: landAt(at, shape, land), hole_m: shape.hole_m },
            ground.construction,
            painted,
            lands,
          ),
        ),
      };
    }),
  };
}

/**
 * A pad's land on the board: as the files have it, and where they do not tell its size, or of a part that stands askew not
 * how its land is turned, as the part's family has it.
 */
function landAt(at: Placement, shape: LandShape, seen: Land | undefined): Land {
  const askew = Math.abs(Math.sin(2 * at.rotation_rad)) > 0.05;
  if (seen && seen.width_m > 0 && !(askew && seen.turn_rad === 0)) return seen;
  return {
    ...(seen ?? onBoard(at, shape.x_m, shape.y_m)),
    width_m: shape.width_m,
    height_m: shape.height_m,
    turn_rad: at.side === 'top' ? at.rotation_rad : -at.rotation_rad,
  };
}
