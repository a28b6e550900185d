/** Conversions between bench units (°C, mm, oz) and the SI units the core computes in. */

const ZERO_CELSIUS_K = 273.15;

export const kelvin = (temperature_C: number): number => temperature_C + ZERO_CELSIUS_K;
export const celsius = (temperature_K: number): number => temperature_K - ZERO_CELSIUS_K;

/** Whole degrees, as a station shows them. */
export const wholeCelsius = (temperature_K: number): string => celsius(temperature_K).toFixed(0);

export const metres = (length_mm: number): number => length_mm * 1e-3;
export const millimetres = (length_m: number): number => length_m * 1e3;

/**
 * Thickness of copper foil sold by weight per area.
 * One ounce per square foot is 34.8 µm at 8.96 g/cm³ (IPC-4562 nominal 34.3 µm, from memory).
 */
export const foilThickness_m = (weight_oz: number): number => weight_oz * 34.8e-6;

const SECONDS_A_MINUTE = 60;
const LITRES_A_CUBIC_METRE = 1000;

export const cubicMetresPerSecond = (flow_L_min: number): number =>
  flow_L_min / (SECONDS_A_MINUTE * LITRES_A_CUBIC_METRE);
export const litresPerMinute = (flow_m3_s: number): number =>
  flow_m3_s * SECONDS_A_MINUTE * LITRES_A_CUBIC_METRE;

export const radians = (angle_deg: number): number => (angle_deg * Math.PI) / 180;
