import { property } from '~/core/materials/property';

/** What a whole-board job is reckoned with beyond its heat. */
export const RECAP = {
  /** Sites within this of each other are warmed together. */
  areaRadius: property(
    25e-3,
    'm',
    [15e-3, 40e-3],
    0.3,
    'assumed',
    'a hand preheater or a lens field covers about 50 mm: common practice',
  ),
  /** Leads and feet are bent to pitch by so much without a thought. */
  gives: property(0.5e-3, 'm', [0.2e-3, 1e-3], 0.4, 'assumed', 'common practice'),
  /** Moving lens, light and hands to another area. */
  move_s: property(20, 's', [8, 60], 0.4, 'assumed', 'common practice'),
  /** Opening another tray, reading it, putting the last one away. */
  tray_s: property(25, 's', [10, 60], 0.4, 'assumed', 'common practice'),
  /** Every reservoir discharged, measured, and measured again: once before a whole board's job. */
  discharge_s: property(120, 's', [60, 600], 0.5, 'assumed', 'common practice'),
  /** A station turned, its tip changed, its display read back. */
  station_s: property(60, 's', [30, 180], 0.4, 'assumed', 'common practice'),
  /** A part beside its heat: how it stands noted, lands dressed and looked at, marking read, seated, looked over. */
  handling_s: property(90, 's', [45, 240], 0.4, 'assumed', 'common practice'),
  /** Solvent and brush over a whole board, once at the end. */
  clean_s: property(180, 's', [90, 600], 0.4, 'assumed', 'common practice'),
  /** Supply read against the label before first power. */
  supply_s: property(60, 's', [30, 300], 0.4, 'assumed', 'common practice'),
  /** The bench stands as it was left for this long: discharged, set, warm. Later all of it is done again. */
  sitting_s: property(
    3600,
    's',
    [1800, 7200],
    0.5,
    'assumed',
    'reservoirs creep back, stations sleep: common practice',
  ),
  /** A wrong part taken from one open tray, against taking it among several that look alike. */
  slipOneTray: property(
    0.0005,
    '1',
    [0.0002, 0.003],
    1,
    'from-memory',
    'Swain & Guttmann, NUREG/CR-1278 (1983): selection errors, clearly delineated',
  ),
  slipManyTrays: property(
    0.003,
    '1',
    [0.001, 0.01],
    1,
    'from-memory',
    'Swain & Guttmann, NUREG/CR-1278 (1983): selection among similar items told apart by label only',
  ),
  /** A neighbour is worked once its land is cooler than this. */
  coolEnough: property(
    328.15,
    'K',
    [318, 353],
    0.03,
    'assumed',
    'flux does not boil off at once; ISO 13732-1 bare metal for ten seconds is about 55 °C, from memory',
  ),
} as const;
