import { property } from './property';

/** How a board's faces, its preheaters and its shields exchange heat with what is around them. */
export const SURFACE = {
  maskEmissivity: property(
    0.9,
    '1',
    [0.8, 0.95],
    0.04,
    'from-memory',
    'painted and organic surfaces, Incropera table A.11',
  ),
  emitterEmissivity: property(
    0.9,
    '1',
    [0.8, 0.96],
    0.05,
    'from-memory',
    'glazed ceramic emitters; Incropera table A.11 has alumina 0.69 at 600 K as the nearest',
  ),
  emitterView: property(
    0.8,
    '1',
    [0.5, 0.95],
    0.12,
    'assumed',
    'board a few centimetres above a larger emitter',
  ),
  warmAirFilm: property(
    45,
    'W/m²K',
    [25, 80],
    0.25,
    'assumed',
    'slow forced air on a plate, Incropera ch. 7',
  ),
  plateGap: property(
    0.5e-3,
    'm',
    [0.2e-3, 1.2e-3],
    0.35,
    'assumed',
    'a board with trimmed leads does not lie flat on a plate',
  ),
  jetFilm: property(1, '1', [0.6, 1.6], 0.2, 'from-memory', 'Martin 1977 states about 15 to 20 % scatter'),
  /** The same where a jet leaves the ranges that scatter was stated for. */
  jetFilmBeyond: property(
    1,
    '1',
    [0.4, 2.5],
    0.4,
    'assumed',
    'outside Martin’s ranges nobody states a scatter: taken as twice that within',
  ),
  /** Film on a body’s sides over the film on its top. */
  sideFilm: property(
    0.4,
    '1',
    [0.3, 0.5],
    0.2,
    'assumed',
    'air turns outward over the top and passes the sides in its wake: a third to a half of the top’s film',
  ),
  /** What a jet’s axis keeps of its excess temperature past its core: this (ρ₀/ρₐ)^½ D/x. */
  axisDecay: property(
    5,
    '1',
    [4, 6],
    0.1,
    'from-memory',
    'temperature along the axis of a round free jet, core of four to five widths (Hinze, Turbulence)',
  ),
  /** Core of a slot’s jet, in its widths: past it the axis keeps the root of this (ρ₀/ρₐ)^½ W/x. */
  slotCore: property(
    6,
    '1',
    [5, 7],
    0.1,
    'from-memory',
    'temperature along the axis of a plane free jet (Rajaratnam, Turbulent Jets; Hinze)',
  ),
  /** Way along the wall over way in free air, for what mixing leaves of a jet’s excess: it spreads in a ring. */
  wallSpread: property(
    2,
    '1',
    [1.5, 3],
    0.15,
    'from-memory',
    'Goldstein, Sobolik & Seol, ASME J. Heat Transfer 112 (1990): effectiveness 0.75 at two widths from the axis, 0.5 at four, 0.38 at six',
  ),
  nozzleEmissivity: property(
    0.6,
    '1',
    [0.3, 0.85],
    0.2,
    'from-memory',
    'oxidised steel, Incropera table A.11; its mouth is a hollow and no less',
  ),
  /** Excess of the nozzle’s own metal over ambient, as a share of its air’s. */
  nozzleWarmth: property(
    0.8,
    '1',
    [0.6, 0.95],
    0.1,
    'assumed',
    'the outlet’s face of a station at 350 °C stands near 280 °C: common practice',
  ),
  stillAirFilm: property(
    1,
    '1',
    [0.6, 1.6],
    0.15,
    'from-memory',
    'plate correlations 10 to 20 % (Incropera ch. 9) and emissivity',
  ),
} as const;

/** What is left of the film and of its warmth under a cover. */
export const SHIELDS = {
  foil: {
    name: 'Foil on tape',
    film: property(
      0.1,
      '1',
      [0.05, 0.25],
      0.3,
      'assumed',
      'metal foil that stands off its part turns the jet aside; laid on it without a gap it shields little',
    ),
    emissivity: property(0.06, '1', [0.03, 0.15], 0.3, 'from-memory', 'aluminium foil, Incropera table A.11'),
  },
  tape: {
    name: 'Polyimide tape',
    film: property(
      0.75,
      '1',
      [0.45, 0.95],
      0.15,
      'assumed',
      '120 µm of film at 0.15 W/mK and up to 0.1 mm of trapped air let 0.95 to 0.57 through under 60 to 200 W/m²K',
    ),
    emissivity: property(0.8, '1', [0.6, 0.9], 0.1, 'assumed', 'organic film'),
  },
} as const;

export type ShieldId = keyof typeof SHIELDS;
export const SHIELD_IDS = Object.keys(SHIELDS) as [ShieldId, ...ShieldId[]];
