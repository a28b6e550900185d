/** Geometry and mesh choices of the joint model, each with its reason. */
export const JOINT = {
  /** Slices between the faces; from 6 to 12 the melt time moves by 2 % on a plane pin, else under 1 %. */
  slices: 6,
  /** Rings beyond the land: a thin one at its rim, the rest log-spaced out to the board's edge. */
  rings: 13,
  /** Outer radius of the first ring over the land's: what a land loses, it loses at its rim. */
  firstRing: 1.08,
  /** Laminate under a face is followed in steps from this on, each wider than the one above it. */
  faceSheet_m: 0.1e-3,
  /** Boards of up to so many gaps, middles counted, get three steps under a face. */
  gapsWithDepth: 4,
  /** Up to so many, one sheet under each face: the gaps themselves are thin. */
  gapsWithSkin: 9,
  /** Beyond this the sheets between copper layers are one with the nearest of them. */
  gradedWithin_m: 3e-3,
  /**
   * Beyond this a ring is one node through the thickness: a board of 1.6 mm evens out over it in the time
   * heat needs to get there. Melt times move by under 0.5 %.
   */
  wholeFrom_m: 12e-3,
  /** A solid tip stands on one side: land, near fillet and the slices under it are followed in thirds of a turn. */
  sectors: 3,
  /** So many slices from the iron's face are in sectors. */
  slicesInSectors: 2,
  /** A track is followed this far: five lengths over which it hands its heat to the laminate. */
  trackReach_m: 15e-3,
  /** Gap between an unconnected barrel and the copper around it (assumed, common design rule). */
  clearance_m: 0.25e-3,
  /** Lead standing proud of the solder side (common practice, 1 to 1.5 mm). */
  protrusion_m: 1.2e-3,
  /** Of a lead in a moulding, the piece that is hottest, next to the board, is followed apart (assumed). */
  collar_m: 1e-3,
  /** Plastic about it that has to hold for a pin to stand: its mean temperature is watched (assumed). */
  sleeve_m: 0.3e-3,
  /** Still air in an unplated hole, W/mK (Incropera table A.4, 350 K). */
  airConductivity_W_mK: 0.03,
  /** Liquidus by this much where suction starts: its air chills the wall at once (assumed). */
  suctionMargin_K: 5,
} as const;

/** Spreads that belong to the model's form and not to one material. */
export const UNCERTAIN = {
  /** Copper about a pin: foil thickness, holes in planes, what a drawing does not show (assumed). */
  copperSpread: 0.2,
} as const;
