/** What the command line says of itself. */

export const HELP = `Usage: ./ithermon COMMAND [FILE|-]
  simulate [FILE|-] [--csv FILE]
                      what happens if: JSON in, JSON out; --csv also writes the histories as a table
  plan [FILE|-]       choose for me: JSON in, JSON out
  dry [FILE|-]        when a wet board is dry, in the open and under a body: JSON in, JSON out
  swap [FILE|-]       whether a part may stand for another, rule by rule: JSON in, JSON out
  judge [FILE|-]      a part by what a meter read of it: JSON in, JSON out
  combine [FILE|-]    two or three from stock for one that is wanted: JSON in, JSON out
  discharge [FILE|-]  how long a capacitor takes to bleed, and through what: JSON in, JSON out
  jumper [FILE|-]     which wire for a lost track: JSON in, JSON out
  backup FILE [--force]
                      copy the database (ITHERMON_DB, default data/ithermon.db) while it is in use, check and
                      count the copy; --force replaces FILE. Restore it with ./start --db FILE
  export FILE [--board ID] [--force]
                      the whole record of the shop, or of one board, as a bundle (docs/bundle.md)
  import FILE [--look] [--keep mine|theirs]
                      a bundle into the record, all of it or nothing; --look only tells what it would bring
  people add INITIALS "NAME" [ROLE] | list | passphrase INITIALS
                      those who sign in: technician, lead or viewer; the passphrase is typed, or comes by a pipe
./ithermon COMMAND --help tells of one, with an example.
Exit 0 done, 2 bad input (one line a fault on standard error), 1 anything unexpected.`;

const BOARD = {
  board: {
    length_mm: 100,
    width_mm: 80,
    thickness_mm: 1.6,
    laminate: 'fr4-standard',
    copperLayers: [
      { weight_oz: 1, coverage: 0.3 },
      { weight_oz: 1, coverage: 0.8 },
    ],
  },
  site: {
    ref: 'C12',
    side: 'top',
    x_mm: 40,
    y_mm: 30,
    alloy: 'sn60pb40',
    package: {
      family: 'radial',
      pitch_mm: 5,
      bodyDiameter_mm: 10,
      leadDiameter_mm: 0.6,
      holeDiameter_mm: 0.9,
    },
    connections: {
      '1': [{ kind: 'track', width_mm: 0.4 }],
      '2': [{ kind: 'thermal-relief', layers: [2] }],
    },
  },
};

const TIP = { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' };

/** Requests that run as they stand; a test runs them. */
export const EXAMPLES = {
  simulate: {
    ...BOARD,
    load: { kind: 'iron', setpoint_C: 350, power_W: 65, tip: TIP, fluxed: true, freshSolder: true, pad: '2' },
    duration_s: 8,
  },
  plan: {
    ...BOARD,
    goal: 'remove-keep-part',
    bench: [{ kind: 'iron', power_W: 65, setpointRange_C: [200, 450], tips: [TIP] }],
  },
  dry: {
    liquid: '2-propanol',
    film_um: 50,
    air_C: 23,
    board_C: 40,
    airflow_m_s: 1,
    humidity_pct: 40,
    body: { length_mm: 14, width_mm: 14, gap_mm: 0.1 },
  },
  swap: {
    original: { kind: 'capacitor', technology: 'aluminium', value: '330µ 35 V', temperature_C: 105 },
    candidate: { kind: 'capacitor', technology: 'aluminium', value: '470µ 50 V', temperature_C: 105 },
    circuit: { use: 'filter', voltage_V: 24 },
  },
  judge: {
    part: { kind: 'capacitor', technology: 'aluminium', value: '330µ 35 V' },
    reading: { capacitance: '310µ', esr_Ohm: 0.4, frequency_Hz: 120 },
  },
  combine: {
    wanted: { kind: 'resistor', value: '9k4', rating_W: 0.5 },
    stock: [{ kind: 'resistor', value: '4k7', rating_W: 0.25, tolerance_pct: 1, count: 20 }],
    most: 2,
  },
  discharge: { capacitance: '150µ', voltage_V: 340, resistor: '47k', to_V: 60 },
  jumper: { current_A: 1.5, length_mm: 45, lostCopper: { width_mm: 1.2, weight_oz: 1 }, laid: 'on-laminate' },
} as const;

const ABOUT: Readonly<Record<keyof typeof EXAMPLES | Recording, string>> = {
  simulate: `Usage: ./ithermon simulate [FILE|-] [--csv FILE]
What happens if this tool stands on that pin, or that air on this part, for so long: one JSON request in,
one JSON answer out. Units stand in the key names; a key nobody knows is refused. Loads: iron, gun,
tweezers, hot-air. Shape: docs/schemas/simulate-input.schema.json.`,
  plan: `Usage: ./ithermon plan [FILE|-]
Which way, which tool, how hot, how long, in which steps: one JSON request in, one JSON answer out. Goals:
remove-keep-part, remove-sacrifice-part, reflow, fit, fit-socket, replace, read-and-refit. Shapes:
docs/schemas/plan-input.schema.json and plan-answer-found.schema.json.`,
  dry: `Usage: ./ithermon dry [FILE|-]
How long a film of 2-propanol or water takes to leave a board in the open, and what fills the gap under a
body to leave it by its edges: one JSON request in, one JSON answer out. board_C is what the board is kept
at, air_C where left out. Null: it stays wet in that air. Shape: docs/schemas/dry-input.schema.json.`,
  swap: `Usage: ./ithermon swap [FILE|-]
Whether a candidate may stand where an original stood: each rule with its numbers and reason, and the worst of
them as the whole. Values are numbers in their unit or as people write them. Shape:
docs/schemas/swap-input.schema.json.`,
  judge: `Usage: ./ithermon judge [FILE|-]
A part by what was read of it, in circuit or out: good, doubtful or dead, and the figure that decided. Shape:
docs/schemas/judge-input.schema.json.`,
  combine: `Usage: ./ithermon combine [FILE|-]
Ones, pairs and triples from stock that may stand for a part, best first. \`parts\` are places in \`stock\`,
from 0. Shape: docs/schemas/combine-input.schema.json.`,
  discharge: `Usage: ./ithermon discharge [FILE|-]
How long a capacitor takes to bleed through a resistor, what that takes at once, and a resistor that a bench
would take. Shape: docs/schemas/discharge-input.schema.json.`,
  jumper: `Usage: ./ithermon jumper [FILE|-]
Which wire a bench would take for a current, a length and the copper that was lost. Shape:
docs/schemas/jumper-input.schema.json.`,
  backup: `Usage: ./ithermon backup FILE
Copies the database named by ITHERMON_DB (default data/ithermon.db) while it is in use. To go on from the
copy: ./start --db FILE.`,
  export: `Usage: ./ithermon export FILE [--board ID] [--force]
Writes the whole record of the database named by ITHERMON_DB (default data/ithermon.db) as one zip bundle: rows as
lines of JSON by docs/schemas/bundle, photos, copper, memories, and a digest of each. --board takes one board alone.
The same record always gives the same bytes. People and passphrases stay at home.`,
  import: `Usage: ./ithermon import FILE [--look] [--keep mine|theirs]
Reads a bundle into the database named by ITHERMON_DB, all of it or nothing. Rows that are here already are
recognised; where one says something else nothing is written before --keep says whose holds, and what happened
(entries, findings, readings) is never written over. --look only tells what it would bring.`,
  people: `Usage: ./ithermon people add INITIALS "NAME" [technician|lead|viewer]
       ./ithermon people list
       ./ithermon people passphrase INITIALS
Those who sign in to the database named by ITHERMON_DB (default data/ithermon.db). An address that others
reach needs a lead; the application lets a lead add the others. The passphrase is asked for, or read from
standard input. A new one signs that person out everywhere.`,
};

/** Commands that work on the record and take no request. */
type Recording = 'backup' | 'export' | 'import' | 'people';
const isRecording = (command: Command): command is Recording => !(command in EXAMPLES);

export type Command = keyof typeof ABOUT;
export const isCommand = (name: string | undefined): name is Command => name !== undefined && name in ABOUT;

/** What one command does, and a request it takes. */
export const helpOf = (command: Command): string =>
  isRecording(command)
    ? ABOUT[command]
    : `${ABOUT[command]}\n\nAn example:\n${JSON.stringify(EXAMPLES[command], null, 2)}`;
