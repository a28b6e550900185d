/** A relief's spokes as layouts usually draw them (common practice). */
export const USUAL_SPOKES = { spokes: 4, spokeWidth_mm: 0.3, spokeLength_mm: 0.3 } as const;
