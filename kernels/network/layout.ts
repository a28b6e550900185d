import { FREE } from './lane';
import { EACH, LANES } from './lanes';

/*
 * The arrays of a shape. All numbers are by pivot of the elimination, every lane's beside each other. A place is a
 * diagonal (by its pivot) or an entry below it. What points at numbers is kept as bytes or as addresses.
 */

/** Lengths of stage whose heads are kept for each lane: steps double and halve, so few are met. */
export const SLOTS: i32 = 20;
/** Bytes of a variable link: its ends' pivots, its place, the lumps at its ends, its wetting. */
export const LINK: usize = 24;

/** Bytes of a lump's curve. */
export const CURVE: usize = 11 * EACH;

export let size: i32 = 0;
export let split: i32 = 0;
export let places: i32 = 0;
export let edges: i32 = 0;
export let melts: i32 = 0;
export let heaters: i32 = 0;
export let wettings: i32 = 0;
export let ambients: i32 = 0;
/** Entries of the head, places of the tail that it reaches, numbers that a head is kept as. */
export let headEntries: i32 = 0;
export let reaches: i32 = 0;
export let headNumbers: i32 = 0;

/** Bytes of each column's first entry among the places, by its pivot. */
export let columnAt: usize = 0;
/** Whether a column and the next have their entries in the same rows, so that both are taken out at once. */
export let twin: usize = 0;
/** Address of the temperature of each entry's row and of its column. */
export let row: usize = 0;
export let columnOf: usize = 0;
/** Addresses of the places that columns take from, of the head's and then of the tail's. */
export let updateHead: usize = 0;
export let updateTail: usize = 0;
/** Bytes of the tail's places that the head adds to. */
export let reached: usize = 0;
/** One column before it is scaled, and its twin. */
export let column: usize = 0;
export let columnTwin: usize = 0;
export let edge: usize = 0;
export let meltNode: usize = 0;
export let heaterNode: usize = 0;
export let waitsFor: usize = 0;
export let ambientNode: usize = 0;
/** By lump and lane. */
export let phase: usize = 0;
/** Of each lump in its phase: between which temperatures, K, and which enthalpies, J, it stays in it. */
export let stays: usize = 0;
/** By heater and lane. */
export let control: usize = 0;

export let fixedValues: usize = 0;
export let fixedConduction: usize = 0;
export let edgeSolid: usize = 0;
export let edgeLiquid: usize = 0;
/** What each variable link conducts within the step at hand. */
export let edgeNow: usize = 0;
export let slope: usize = 0;
export let perSlope: usize = 0;
export let offset: usize = 0;
export let enthalpy: usize = 0;
/** Enthalpy at the end of the step at hand. */
export let next: usize = 0;
export let base: usize = 0;
export let rate1: usize = 0;
export let rate2: usize = 0;
/** Heat that each node took up at the end of the last step, W. */
export let flow: usize = 0;
export let stage1: usize = 0;
export let temperature: usize = 0;
export let source: usize = 0;
/** Of each lump: solidus and liquidus, K, then J; slopes of the three phases; their offsets; what is waited for, J. */
export let curve: usize = 0;
/** Liquid share of each lump as it is taken to be within a step. */
export let halfway: usize = 0;
export let wetted: usize = 0;
export let wettedHalfway: usize = 0;
/** Of each wetting: what is dry, and one over its time. */
export let wetting: usize = 0;
/** Of each heater: setting, gain, limit. */
export let heater: usize = 0;
/** Of each link to the air: conductance, temperature. */
export let ambient: usize = 0;
export let loadFromHead: usize = 0;
/** The heads for the lengths of stage at hand: inverse diagonals, entries, what they add to the places of the tail they reach. */
export let head: usize = 0;
export let inverse: usize = 0;
export let factor: usize = 0;
export let solidusAt: usize = 0;
export let liquidusAt: usize = 0;
/** Heat given and lost, J; heat stored as it began. */
export let account: usize = 0;
/** Each lane's heads by length of stage, as single numbers. */
export let slots: usize = 0;
export let slotKeys: usize = 0;

let top: usize = 0;
function room(bytes: usize): usize {
  const here = top;
  top += (bytes + 15) & ~15;
  return here;
}

/** Lays out a shape's arrays; every address is asked for by `addressOf` after it. */
export function layOut(
  nodes: i32,
  headNodes: i32,
  entries: i32,
  headUpdates: i32,
  tailUpdates: i32,
  entriesOfHead: i32,
  placesReached: i32,
  variableEdges: i32,
  lumps: i32,
  heated: i32,
  wets: i32,
  aired: i32,
): void {
  size = nodes;
  split = headNodes;
  places = nodes + entries;
  edges = variableEdges;
  melts = lumps;
  heaters = heated;
  wettings = wets;
  ambients = aired;
  headEntries = entriesOfHead;
  reaches = placesReached;
  headNumbers = split + headEntries + reaches;
  top = FREE;
  const nodeBytes = EACH * size;
  const placeBytes = EACH * places;
  columnAt = room(4 * (size + 1));
  twin = room(4 * size);
  row = room(4 * entries);
  columnOf = room(4 * entries);
  updateHead = room(4 * headUpdates);
  updateTail = room(4 * tailUpdates);
  reached = room(4 * reaches);
  column = room(nodeBytes);
  columnTwin = room(nodeBytes);
  edge = room(LINK * edges);
  meltNode = room(4 * melts);
  heaterNode = room(4 * heaters);
  waitsFor = room(4 * wettings);
  ambientNode = room(4 * ambients);
  phase = room(4 * LANES * melts);
  control = room(4 * LANES * heaters);
  fixedValues = room(placeBytes);
  fixedConduction = room(nodeBytes);
  edgeSolid = room(EACH * edges);
  edgeLiquid = room(EACH * edges);
  edgeNow = room(EACH * edges);
  slope = room(nodeBytes);
  perSlope = room(nodeBytes);
  offset = room(nodeBytes);
  enthalpy = room(nodeBytes);
  next = room(nodeBytes);
  base = room(nodeBytes);
  rate1 = room(nodeBytes);
  rate2 = room(nodeBytes);
  flow = room(nodeBytes);
  stage1 = room(nodeBytes);
  temperature = room(nodeBytes);
  source = room(nodeBytes);
  curve = room(CURVE * melts);
  stays = room(4 * EACH * melts);
  halfway = room(EACH * melts);
  wetted = room(EACH * wettings);
  wettedHalfway = room(EACH * wettings);
  wetting = room(2 * EACH * wettings);
  heater = room(3 * EACH * heaters);
  ambient = room(2 * EACH * ambients);
  loadFromHead = room(nodeBytes);
  head = room(EACH * headNumbers);
  inverse = room(nodeBytes);
  factor = room(placeBytes);
  solidusAt = room(EACH * melts);
  liquidusAt = room(EACH * melts);
  account = room(3 * EACH);
  slotKeys = room(8 * SLOTS * LANES);
  slots = room(8 * headNumbers * SLOTS * LANES);
  const missing = <i32>((top + 0xffff) >>> 16) - memory.size();
  if (missing > 0) memory.grow(missing);
}

export function addressOf(array: i32): usize {
  switch (array) {
    case 0:
      return columnAt;
    case 1:
      return twin;
    case 2:
      return row;
    case 3:
      return columnOf;
    case 4:
      return updateHead;
    case 5:
      return updateTail;
    case 6:
      return edge;
    case 7:
      return meltNode;
    case 8:
      return heaterNode;
    case 9:
      return waitsFor;
    case 10:
      return ambientNode;
    case 11:
      return fixedValues;
    case 12:
      return fixedConduction;
    case 13:
      return edgeSolid;
    case 14:
      return edgeLiquid;
    case 15:
      return slope;
    case 16:
      return temperature;
    case 17:
      return source;
    case 18:
      return curve;
    case 19:
      return wetting;
    case 20:
      return heater;
    case 21:
      return ambient;
    case 22:
      return solidusAt;
    case 23:
      return liquidusAt;
    case 24:
      return account;
    case 25:
      return factor;
    case 26:
      return reached;
    default:
      return enthalpy;
  }
}
