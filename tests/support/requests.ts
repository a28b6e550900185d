/** The simulate example of the command line's contract, and the same as a plan request. */
export const SIMULATE_EXAMPLE = {
  ambient_C: 23,
  board: {
    length_mm: 160,
    width_mm: 100,
    thickness_mm: 1.6,
    laminate: 'fr4-standard',
    copperLayers: [
      { weight_oz: 1, coverage: 0.3 },
      { weight_oz: 1, coverage: 0.9 },
      { weight_oz: 1, coverage: 0.9 },
      { weight_oz: 1, coverage: 0.3 },
    ],
  },
  site: {
    ref: 'C7',
    side: 'top',
    x_mm: 80,
    y_mm: 50,
    alloy: 'sn60pb40',
    package: {
      family: 'radial',
      pins: 2,
      pitch_mm: 5.0,
      bodyDiameter_mm: 10,
      leadDiameter_mm: 0.6,
      holeDiameter_mm: 0.9,
    },
    connections: {
      default: { kind: 'track', width_mm: 0.4, count: 1 },
      '2': { kind: 'solid-plane', layers: [2, 3] },
    },
  },
  neighbours: [
    {
      ref: 'R3',
      package: { family: 'chip', code: '0603' },
      x_mm: 86,
      y_mm: 50,
      side: 'top',
      alloy: 'sn60pb40',
    },
  ],
  load: {
    kind: 'iron',
    setpoint_C: 350,
    power_W: 65,
    tip: { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
    fluxed: true,
    freshSolder: true,
    pad: '1',
  },
  preheat: null,
  duration_s: 8,
};

const { load: _load, preheat: _preheat, duration_s: _duration, ...shared } = SIMULATE_EXAMPLE;

export const PLAN_EXAMPLE = {
  ...shared,
  goal: 'remove-keep-part',
  bench: [
    {
      kind: 'iron',
      power_W: 65,
      setpointRange_C: [200, 450],
      tips: [
        { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
        { shape: 'bevel', width_mm: 3, construction: 'cartridge' },
      ],
    },
    { kind: 'preheater', heat: 'convective', setpointRange_C: [60, 200] },
  ],
  history: { padDose: 0.02, laminateDose: 0.001, partCycles: 1 },
  seed: 7,
};

/** Hot air over a flat pack, warmed from below, as a simulate request. */
export const HOT_AIR_EXAMPLE = {
  ...SIMULATE_EXAMPLE,
  site: {
    ...SIMULATE_EXAMPLE.site,
    ref: 'U4',
    package: { family: 'qfp', pins: 100 },
    connections: {
      default: { kind: 'track', width_mm: 0.2, layers: [1] },
      '10': { kind: 'thermal-relief', layers: [2] },
    },
  },
  neighbours: [{ ...SIMULATE_EXAMPLE.neighbours[0]!, x_mm: 100 }],
  load: {
    kind: 'hot-air',
    air_C: 380,
    flow_L_min: 40,
    nozzle_mm: 12 as number | undefined,
    standoff_mm: 10,
    schedule: [{ at_s: 90, off: true }],
  },
  preheat: { kind: 'convective', setpoint_C: 180, soak_s: 120 },
  grid_mm: 4,
  duration_s: 150,
};

/** A copy with one place changed, by a path such as `board.copperLayers`. */
export function changed(source: object, path: string, value: unknown): unknown {
  const copy = structuredClone(source) as Record<string, unknown>;
  const keys = path.split('.');
  let at = copy;
  for (const key of keys.slice(0, -1)) at = at[key] as Record<string, unknown>;
  at[keys.at(-1)!] = value;
  return copy;
}
