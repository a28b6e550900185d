import type { Box, Evidence, Mark } from './evidence';
import { nearOf } from './near';

/** How well two files agree: of so many things this many lie where the other file wants them. */
export interface Agreement {
  readonly hits: number;
  readonly of: number;
  /** What was held against what: "holes lie on lands". */
  readonly what: string;
}

/** Fewer than these prove nothing. */
const LEAST = 4;
/** Places of one thing in two files differ by their rounding. */
const SLACK_m = 0.1e-3;
/** A part's place in a list is its middle, as the drawer saw it. */
const PLACE_SLACK_m = 2.5e-3;
/** What hangs over an edge: connectors, and half of what draws the edge. */
const EDGE_SLACK_m = 1e-3;
/** More than these tell no more; they are taken evenly from all. */
const MOST_ASKED = 4000;

type Of<Kind extends Evidence['kind']> = Extract<Evidence, { kind: Kind }>;

/** Null where two files have nothing to be held against each other. */
export function agreementOf(a: Evidence, b: Evidence): Agreement | null {
  const found = oneWay(a, b) ?? oneWay(b, a);
  return found && found.of >= LEAST ? found : null;
}

function oneWay(a: Evidence, b: Evidence): Agreement | null {
  switch (a.kind) {
    case 'drill':
      if (b.kind === 'netlist') return holesOnPins(a, b);
      if (b.kind === 'copper' && a.plated !== false)
        return b.marks.length < LEAST
          ? null
          : { ...on(a.marks, b.marks, SLACK_m), what: 'holes lie on lands' };
      return b.kind === 'edge' ? within(a.marks, b.box, 'holes lie inside of the edge') : null;
    case 'netlist':
      if (b.kind === 'copper') return pinsOnCopper(a, b);
      return b.kind === 'edge' ? within(a.marks, b.box, 'lands lie inside of the edge') : null;
    case 'list':
      return b.kind === 'netlist' ? placesOnParts(a, b) : b.kind === 'edge' ? placesWithin(a, b.box) : null;
    case 'copper':
      if (b.kind === 'edge') return within(a.marks, b.box, 'lands lie inside of the edge');
      return b.kind === 'copper' ? sameBoard(a.box, b.box) : null;
    case 'edge':
      return null;
  }
}

const some = <T>(all: readonly T[]): readonly T[] => {
  const step = Math.max(1, Math.ceil(all.length / MOST_ASKED));
  return step === 1 ? all : all.filter((_, i) => i % step === 0);
};

function on(marks: readonly Mark[], lands: readonly Mark[], slack_m: number): { hits: number; of: number } {
  const near = nearOf(lands);
  const asked = some(marks);
  return { hits: asked.filter(({ x_m, y_m }) => near.covers(x_m, y_m, slack_m)).length, of: asked.length };
}

/** Holes that no pin has are vias and screws: enough that either file's are found in the other. */
function holesOnPins(drill: Of<'drill'>, netlist: Of<'netlist'>): Agreement | null {
  const pins = netlist.marks.filter(({ holed }) => holed);
  if (pins.length < LEAST || drill.plated === false) return null;
  const [forth, back] = [on(drill.marks, pins, SLACK_m), on(pins, drill.marks, SLACK_m)];
  const better = forth.hits * back.of >= back.hits * forth.of ? forth : back;
  return { ...better, what: better === forth ? 'holes lie on lands' : 'pins have their hole' };
}

function pinsOnCopper(netlist: Of<'netlist'>, copper: Of<'copper'>): Agreement | null {
  const pins = netlist.marks.filter(
    ({ holed, face }) => holed || face === 'both' || face === (copper.layer === 1 ? 'top' : 'bottom'),
  );
  if (copper.marks.length < LEAST || copper.layer === 0) return null;
  return { ...on(pins, copper.marks, SLACK_m), what: 'lands lie on copper' };
}

function placesOnParts(list: Of<'list'>, netlist: Of<'netlist'>): Agreement {
  let [hits, of] = [0, 0];
  for (const [ref, [x_m, y_m]] of list.places) {
    const box = netlist.parts.get(ref);
    if (!box) continue;
    of++;
    if (
      Math.abs(x_m - (box.x0 + box.x1) / 2) <= reach(box.x1 - box.x0) &&
      Math.abs(y_m - (box.y0 + box.y1) / 2) <= reach(box.y1 - box.y0)
    )
      hits++;
  }
  return { hits, of, what: 'places lie on their parts' };
}

/** A list may tell a part's middle or its first pin. */
const reach = (size_m: number): number => PLACE_SLACK_m + size_m / 2;

function placesWithin(list: Of<'list'>, box: Box | null): Agreement | null {
  const marks = [...list.places.values()].map(([x_m, y_m]) => ({ x_m, y_m }));
  return within(marks, box, 'places lie inside of the edge');
}

/** Things inside of an edge, that also fill some of it: a drawing read a tenth as large lies inside as well. */
function within(
  marks: readonly { readonly x_m: number; readonly y_m: number }[],
  box: Box | null,
  what: string,
): Agreement | null {
  if (!box || marks.length < LEAST) return null;
  const asked = some(marks);
  const hits = asked.filter(
    ({ x_m, y_m }) =>
      x_m >= box.x0 - EDGE_SLACK_m &&
      x_m <= box.x1 + EDGE_SLACK_m &&
      y_m >= box.y0 - EDGE_SLACK_m &&
      y_m <= box.y1 + EDGE_SLACK_m,
  ).length;
  return { hits: fills(asked, box) ? hits : 0, of: asked.length, what };
}

/** Of an edge's length or width; what spans less in both is too small for it. */
const FILLED_SHARE = 0.2;

function fills(marks: readonly { readonly x_m: number; readonly y_m: number }[], box: Box): boolean {
  const span = (of: (mark: { readonly x_m: number; readonly y_m: number }) => number): number => {
    let [low, high] = [Infinity, -Infinity];
    for (const mark of marks) [low, high] = [Math.min(low, of(mark)), Math.max(high, of(mark))];
    return high - low;
  };
  // A handful of parts may stand in one corner of a board.
  if (marks.length < 12)
    return span((m) => m.x_m) + span((m) => m.y_m) > 0.02 * (box.x1 - box.x0 + box.y1 - box.y0);
  return (
    span((m) => m.x_m) > FILLED_SHARE * (box.x1 - box.x0) ||
    span((m) => m.y_m) > FILLED_SHARE * (box.y1 - box.y0)
  );
}

/** Layers of one board lie over one another; as many as a hundred things, for it is a measure and no count. */
function sameBoard(a: Box | null, b: Box | null): Agreement | null {
  if (!a || !b) return null;
  const across = Math.min(a.x1, b.x1) - Math.max(a.x0, b.x0);
  const up = Math.min(a.y1, b.y1) - Math.max(a.y0, b.y0);
  const area = (box: Box): number => Math.max(1e-9, (box.x1 - box.x0) * (box.y1 - box.y0));
  const shared = across > 0 && up > 0 ? across * up : 0;
  const larger = Math.max(area(a), area(b));
  const smaller = Math.min(area(a), area(b));
  // A layer of a few tracks is small on a large board, and still within it.
  const share = larger > 60 * smaller ? 0 : shared / smaller;
  return { hits: Math.round(100 * Math.min(1, share)), of: 100, what: 'of one layer lies over the other' };
}
