/** How the board comes down after the air, and what that leaves in it. */
export interface CoolDown {
  readonly how:
    | 'off at once'
    | 'nozzle drawn away, then off'
    | 'preheater held, then off'
    | 'preheater brought down slowly';
  /** Air stays on from farther off this long, s. */
  readonly airAway_s: number;
  /** From the air off until every joint and body is cool to the touch, s. */
  readonly clock_s: number;
  /** Preheater stays on this long after the air, s. */
  readonly heldPreheat_s: number;
  /** Largest bow while hot, and what stays; shares of the span. */
  readonly bowHot: number;
  readonly bowLeft: number;
  readonly bowLimit: number;
  /** Mean fall of the body from the air's end to the liquidus, as J-STD-020 reads its ramp-down (from memory). */
  readonly fall_K_s: number;
  /** Whether bow and cooling rate keep their limits. */
  readonly ok: boolean;
}
