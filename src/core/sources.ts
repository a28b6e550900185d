import {
  ALUMINIUM_LOSS,
  CAPACITOR_LIMITS,
  GAIN,
  METER_LEADS,
  OTHER_LOSS,
  OVERLOAD,
  REGULATOR_CHAINS,
  REGULATOR_LIMITS,
  WORKED_AT,
} from '~/core/electrical/partData';
import { LAID } from '~/core/electrical/benchWire';
import { METER } from '~/core/electrical/meterLimits';
import { WIRE_EMISSIVITY } from '~/core/electrical/wireRise';
import { JUMPER } from '~/core/electrical/jumperData';
import { FILLETS, LAND_RULES } from '~/core/packages/fillets';
import { BOARD_WEIGHT } from '~/core/thermal/boardWeight';
import { FAMILY_TRAITS, HOLE_CLEARANCE, THROUGH_HOLE_RAMP } from '~/core/packages/families';
import { SURFACE_TRAITS, UNDER_BODY } from '~/core/packages/surfaceFamilies';
import { STILL_AIR } from '~/core/materials/air';
import { SOAKED } from '~/core/materials/absorbed';
import { ALLOYS } from '~/core/materials/alloys';
import { CELL } from '~/core/materials/cells';
import { DRYING } from '~/core/materials/drying';
import { BRAID, FLOOD, FLUX, PASTE, COVER, SOLVENT, WIRE } from '~/core/materials/consumables';
import { HANDS } from '~/core/method/hands';
import { RECAP } from '~/core/method/recap/data';
import { GUN, SWEEP, TIGHT_HOLE } from '~/core/method/ways/data';
import { COPPER } from '~/core/materials/copper';
import { LIQUIDS } from '~/core/materials/solvents';
import { EUTECTICS, LIQUIDUS_SLOPE, MIXTURE } from '~/core/materials/mixtures';
import { LAMINATES, PAD_BOND } from '~/core/materials/laminates';
import { LEAD_METALS } from '~/core/materials/leads';
import type { Property } from '~/core/materials/property';
import { SHIELDS, SURFACE } from '~/core/materials/surfaces';
import { TIP_CONSTRUCTIONS, TIP_CONTACT, TIP_SHAPES, TIP_WEAR } from '~/core/materials/tips';

/** One value of the model's data and where it stands. */
interface RegisteredProperty {
  readonly name: string;
  readonly of: Property;
}

export interface Subject {
  readonly title: string;
  readonly values: readonly RegisteredProperty[];
}

/** Every material and tool value that the heat model reads, by subject. */
export function registeredData(): Subject[] {
  const subjects: [string, object][] = [
    ['Solder alloys', ALLOYS],
    ['Liquidus of tin with what it dissolves', LIQUIDUS_SLOPE],
    ['Eutectics', Object.fromEntries(EUTECTICS.map((e) => [e.name, e]))],
    ['Mixed solders', MIXTURE],
    ['Laminates', LAMINATES],
    ['Copper–resin bond under a pad', PAD_BOND],
    ['Copper', COPPER],
    ['Lead metals', LEAD_METALS],
    ['Irons, guns and their tips', TIP_CONSTRUCTIONS],
    ['Tip shapes', TIP_SHAPES],
    ['Contact between tip and joint', TIP_CONTACT],
    ['Wear of tips', TIP_WEAR],
    ['Still air at joint scale', STILL_AIR],
    ['Faces, jets and preheaters at board scale', SURFACE],
    ['Shields', SHIELDS],
    ['Lithium cells', CELL],
    ['Wire', WIRE],
    ['Braid', BRAID],
    ['Flux', FLUX],
    ['Solvent', SOLVENT],
    ['What boards are washed with', LIQUIDS],
    ['Water that soaked in', SOAKED],
    [
      'Loss of aluminium electrolytics',
      Object.fromEntries(
        ALUMINIUM_LOSS.map(([upTo_V, loss]) => [
          `up to ${Number.isFinite(upTo_V) ? `${upTo_V} V` : 'any voltage'}`,
          loss,
        ]),
      ),
    ],
    ['Loss of other capacitors', OTHER_LOSS],
    ['What of its rating a capacitor is worked at', WORKED_AT],
    ['What capacitors are judged by', CAPACITOR_LIMITS],
    ['Gain of transistors', GAIN],
    ['Meter leads', METER_LEADS],
    ['Regulators: thermal resistance of packages', REGULATOR_CHAINS],
    ['Regulators: what a junction stands', REGULATOR_LIMITS],
    ['What a resistor stands for a while', OVERLOAD],
    ['How a jumper lies', LAID],
    ['Drying', DRYING],
    ['Flooding', FLOOD],
    ['Foil and tape', COVER],
    ['Guns on leads', GUN],
    ['Tight holes', TIGHT_HOLE],
    ['Swept tips', SWEEP],
    ['Whole-board jobs', RECAP],
    ['How long hands take', HANDS],
    ['Through-hole families', FAMILY_TRAITS],
    ['Surface families', SURFACE_TRAITS],
    ['Solder on pads', PASTE],
    ['Lands of surface parts', FILLETS],
    ['Meters on fitted boards', METER],
    ['Wires in air', { emissivity: WIRE_EMISSIVITY }],
    ['Jumpers', JUMPER],
    ['Rules of pads', LAND_RULES],
    ['Weight of a board', BOARD_WEIGHT],
    ['Joints under their body', UNDER_BODY],
    ['Ramp of through-hole bodies', { ramp: THROUGH_HOLE_RAMP }],
    ['Holes over their leads', { clearance: HOLE_CLEARANCE }],
  ];
  return subjects.map(([title, data]) => ({ title, values: collect(data, '') }));
}

function collect(data: object, prefix: string): RegisteredProperty[] {
  if (isProperty(data)) return [{ name: prefix, of: data }];
  const heading = 'name' in data && typeof data.name === 'string' ? data.name : null;
  return Object.entries(data).flatMap(([key, value]: [string, unknown]) => {
    if (typeof value !== 'object' || value === null) return [];
    const label = isProperty(value) ? inWords(key) : heading === null && 'name' in value ? '' : inWords(key);
    const own = 'name' in value && typeof value.name === 'string' ? value.name : label;
    return collect(value, [prefix, own].filter(Boolean).join(': '));
  });
}

const isProperty = (value: object): value is Property => 'standing' in value && 'uncertainty' in value;

/** `bodyHeat` → `body heat`. */
const inWords = (key: string): string =>
  key.replace(/([a-z0-9])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
