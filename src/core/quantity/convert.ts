/** Conversions between bench units (°C, mm, oz) and the SI units the core computes in. */

const ZERO_CELSIUS_K = 273.15;

export const kelvin = (temperature_C: number): number => temperature_C + ZERO_CELSIUS_K;
export const celsius = (temperature_K: number): number => temperature_K - ZERO_CELSIUS_K;

export const metres = (length_mm: number): number => length_mm * 1e-3;
export const millimetres = (length_m: number): number => length_m * 1e3;

/**
 * Thickness of copper foil sold by weight per area.
 * One ounce per square foot is 34.8 µm at 8.96 g/cm³ (IPC-4562 nominal 34.3 µm, from memory).
 */
export const foilThickness_m = (weight_oz: number): number => weight_oz * 34.8e-6;
