/** A relief's spokes and the ring they leave and enter. */
export interface ReliefShape {
  readonly spokes: number;
  readonly spokeWidth_m: number;
  readonly spokeLength_m: number;
  /** Radius that the spokes leave the land at. */
  readonly landRadius_m: number;
  /** Radius within which the land is one temperature: its barrel or lead. */
  readonly barrelRadius_m: number;
}

/** So many waves of the flow about a mouth die out before they reach the barrel. */
const WAVES = 8;

/**
 * Resistance from a land through its spokes into the field, K/W: each spoke straight, and at both ends the narrowing of a
 * full sheet's flow into its mouth, ln(1/sin(πε/2))/(nπkt) with ε the mouths' share of the circle (strip into a channel:
 * Yovanovich, Handbook of Heat Transfer, ch. 3, from memory); at the land less what its nearby barrel makes even, wave by
 * wave in log r. `sheet_W_K` are k·t of land, spokes and field. Within 2 % of an exact sheet (tests/reference/relief).
 */
export function reliefResistance_K_W(
  { spokes, spokeWidth_m, spokeLength_m, landRadius_m, barrelRadius_m }: ReliefShape,
  sheet_W_K: { readonly land: number; readonly spoke: number; readonly field: number },
): number {
  const mouth = (radius_m: number): number => Math.min(1, (spokes * spokeWidth_m) / (2 * Math.PI * radius_m));
  const straight = spokeLength_m / (spokes * spokeWidth_m * sheet_W_K.spoke);
  const inner = mouth(landRadius_m);
  const depth = spokes * Math.log(Math.max(1, landRadius_m / barrelRadius_m));
  return (
    straight +
    Math.max(0, narrowing(inner) - evened(inner, depth)) / (spokes * sheet_W_K.land) +
    narrowing(mouth(landRadius_m + spokeLength_m)) / (spokes * sheet_W_K.field)
  );
}

const narrowing = (share: number): number => Math.log(1 / Math.sin((Math.PI * share) / 2)) / Math.PI;

/** What an even temperature so deep behind the mouths takes off their narrowing. */
function evened(share: number, depth: number): number {
  let sum = 0;
  for (let wave = 1; wave <= WAVES; wave++) {
    const across = wave * Math.PI * share;
    const even = Math.sin(across) / across;
    sum += (even ** 2 * (1 - Math.tanh(wave * depth))) / (Math.PI * wave);
  }
  return sum;
}
