import { LEAD_METALS } from '~/core/materials/leads';
import { FAMILY_TRAITS } from './families';
import type { ThroughHolePackage } from './throughHole';

/** Pitch over diameter of the tightest rows of leads (assumed). */
const LEAST_REACH = 1.5;

/** The way of heat from a through-hole joint into the part's body along one lead. */
export interface LeadPath {
  readonly section_m2: number;
  readonly conductivity_W_mK: number;
  readonly volumetricHeat_J_m3K: number;
  /** From the board's face to the body. */
  readonly standoff_m: number;
  /** Inside the body. */
  readonly inBody_m: number;
  /**
   * From the lead inside the body to the body's bulk, W/K: a cylinder of the moulding about it, out to midway to its
   * neighbour (Incropera ch. 3, radial conduction). Null where the lead is joined to metal inside, as in a wound
   * capacitor or a power tab.
   */
  readonly intoMoulding_W_K: number | null;
  /** The moulding itself: what it conducts and holds, and how far it goes to midway to the next lead. */
  readonly moulding: {
    readonly conductivity_W_mK: number;
    readonly volumetricHeat_J_m3K: number;
    readonly reach_m: number;
  } | null;
}

export function leadPath(part: ThroughHolePackage): LeadPath {
  const traits = FAMILY_TRAITS[part.family];
  const metal = LEAD_METALS[traits.leadMetal];
  const { leadDiameter_m, pitch_m } = part;
  const inBody_m = traits.leadInBody.value;
  const reach = Math.max(LEAST_REACH, pitch_m / leadDiameter_m);
  return {
    section_m2: (Math.PI / 4) * leadDiameter_m ** 2,
    conductivity_W_mK: metal.conductivity.value,
    volumetricHeat_J_m3K: metal.volumetricHeat.value,
    standoff_m: traits.standoff.value,
    inBody_m,
    intoMoulding_W_K:
      traits.moulding === null ? null : (2 * Math.PI * traits.moulding.value * inBody_m) / Math.log(reach),
    moulding: traits.moulding && {
      conductivity_W_mK: traits.moulding.value,
      volumetricHeat_J_m3K: traits.bodyHeat.value,
      reach_m: (reach * leadDiameter_m) / 2,
    },
  };
}

/** Joint to bulk of the body once heat flows steadily, W/K. A moulded lead gives its heat off along its length. */
export function leadConductance_W_K(part: ThroughHolePackage): number {
  const { section_m2, conductivity_W_mK, standoff_m, inBody_m, intoMoulding_W_K } = leadPath(part);
  const along_m = standoff_m + (intoMoulding_W_K === null ? inBody_m : inBody_m / 2);
  const along_W_K = (conductivity_W_mK * section_m2) / along_m;
  return intoMoulding_W_K === null ? along_W_K : 1 / (1 / along_W_K + 1 / intoMoulding_W_K);
}
