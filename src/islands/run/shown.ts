/** What was typed of a meter, V; nothing where that is no voltage. */
export function voltsIn(typed: string): number | undefined {
  const value = Number(typed.trim().replace(',', '.').replace('−', '-'));
  return typed.trim() !== '' && Number.isFinite(value) && Math.abs(value) <= 100_000 ? value : undefined;
}

/** What was typed of a display, °C; nothing where that is no temperature. */
export function degreesIn(typed: string): number | undefined {
  const value = Number(typed.trim().replace(',', '.'));
  return typed.trim() !== '' && Number.isFinite(value) && value >= 0 && value <= 600 ? value : undefined;
}
