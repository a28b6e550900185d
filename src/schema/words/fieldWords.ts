import { DIMENSION_WORDS } from './dimensionWords';

/** Fields by what the screen calls them; their names in a record are nobody's words. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  ...DIMENSION_WORDS,
  pinPlaces_mm: 'Places of its pins',
  ref: 'Reference',
  value: 'Value',
  side: 'Part sits on the',
  x_mm: 'x',
  y_mm: 'y',
  rotation_deg: 'Turned',
  alloy: 'Solder',
  family: 'Family',
  code: 'Size',
  net: 'Net',
  clinched: 'Leads on the solder side',
  plusPad: 'Plus at',
  mark: 'Printed on the board',
  pad: 'Printed at',
  name: 'Name',
  owner: 'Owner, by initials',
  by: 'Initials at the bench',
  initials: 'Initials',
  role: 'Works here as',
  passphrase: 'Passphrase',
  current: 'Passphrase now',
  fault: 'What is wrong with it',
  triedBefore: 'What was tried before',
  hazards: 'Hazards',
  finish: 'Pad finish',
  madeIn: 'Year it was made',
  asks_V: 'What its label asks',
  because: 'Why it is held or rejected',
  supplier: 'Ordered from',
  expected_ms: 'Expected in, days',
  count: 'There are',
  rating_V: 'Rating, V',
  rating_A: 'Rating, A',
  rating_W: 'Rating, W',
  esr_Ohm: 'ESR, Ω',
  leakage_A: 'Leakage, A',
  drop_V: 'Drop, V',
  voltage_V: 'It holds, V',
  gives_V: 'What the plug gives',
  limit_A: 'Current limit',
  socket: 'Socket',
  size_bytes: 'Size',
  blocks: 'Block of the board’s own',
  checks: 'Check sum',
  drawer: 'Drawer',
  batch: 'Batch',
  marking: 'Marking',
  gain: 'Gain',
  tanDelta: 'tan δ',
  frequency_Hz: 'Frequency',
  left_V: 'Left over the reservoirs, V',
  again_V: 'Again a minute later, V',
  fixtures: 'What must go back as it was',
  length_mm: 'Length',
  width_mm: 'Width',
  height_mm: 'Height',
  thickness_mm: 'Thickness',
  laminate: 'Laminate',
  weight_oz: 'Weight',
  coverage: 'Coverage',
  pourShare: 'Copper about the pad',
  copperLayers: 'Copper layers',
  layers: 'Layers',
  diameter_mm: 'Diameter',
  inner_mm: 'Bore',
  outer_mm: 'Outer diameter',
  power_W: 'Power',
  setpoint_C: 'Set temperature',
  setpointRange_C: 'Lowest and highest set temperature',
  airRange_C: 'Lowest and highest air temperature',
  flowRange_L_min: 'Least and most flow',
  tips: 'Tips',
  nozzles: 'Nozzles',
  shape: 'Shape',
  construction: 'Kind of tip',
  heat: 'Heat',
  left: 'There is',
  low: 'Buy under',
  amount: 'Amount',
  reason: 'What happened',
  kind: 'Kind',
  note: 'Note',
  text: 'Note',
  cause: 'Root cause',
  outcome: 'Outcome',
  awaits: 'Parked for',
  what: 'What',
  where: 'Where it lies',
  how: 'How',
  items: 'Points of the check',
  toolId: 'Tool',
  siteIds: 'Sites',
  elapsed_s: 'Time',
};

/** Lists by what one of them is called. */
const ONE_OF: Readonly<Record<string, string>> = {
  pads: 'Pin',
  copperLayers: 'Copper layer',
  tips: 'Tip',
  nozzles: 'Nozzle',
  connections: 'copper',
  sites: 'Site',
  siteIds: 'Site',
  calibration: 'Point of its calibration',
  points: 'Corner',
  pinPlaces_mm: 'Place of pin',
  choices: 'Setting',
  mates: 'Part',
};

/** Containers whose name says nothing to who fills in a form. */
const SILENT: ReadonlySet<string> = new Set([
  'package',
  'spec',
  'polarity',
  'board',
  'input',
  'event',
  'body',
]);

/** `$.pads[1].connections[0].width_mm` as the screen would say it: "Pin 2, Width". Empty for the whole of an input. */
export function fieldInWords(path: string): string {
  const words: string[] = [];
  const parts = [...path.matchAll(/\.([A-Za-z_]\w*)|\[(\d+)\]/g)];
  parts.forEach(([, name, index], i) => {
    if (name !== undefined) {
      const listed = parts[i + 1]?.[2] !== undefined && name in ONE_OF;
      const isContainer = i < parts.length - 1 && (SILENT.has(name) || name === 'construction');
      if (!listed && !isContainer) words.push(unitless(FIELD_WORDS[name] ?? plain(name)));
      return;
    }
    const list = parts[i - 1]?.[1] ?? '';
    // Of a pin's several pieces of copper the first is the usual one and needs no number.
    if (list === 'connections') return;
    if (list in ONE_OF) words.push(`${ONE_OF[list]!} ${Number(index) + 1}`);
  });
  return words.join(', ');
}

/** A message with the names of a record's fields replaced by the screen's. */
export const messageInWords = (message: string): string =>
  message.replace(/\b[a-z]+(?:[A-Z]\w*|_(?:mm|C|s|W|K|oz|deg|min)\b)/g, (name) =>
    unitless(FIELD_WORDS[name] ?? plain(name)).toLowerCase(),
  );

const unitless = (words: string): string => words.replace(/, mm$/, '');

/** A name that no screen has: its parts as words, its unit left out. */
const plain = (name: string): string => {
  const words = name
    .replace(/_(mm|C|s|W|K|oz|deg|min|L_min)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
};
