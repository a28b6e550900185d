/** `1–6, 8–14`: runs of numbers where the pads are numbers. */
export function padsWords(pads: readonly string[]): string {
  if (pads.length === 1) return `Pin ${pads[0]}`;
  const numbers = pads.map(Number);
  if (numbers.some((n) => !Number.isInteger(n))) {
    return pads.length <= 4 ? `Pads ${pads.join(', ')}` : `${pads.length} pads, ${pads[0]} to ${pads.at(-1)}`;
  }
  const sorted = [...numbers].sort((a, b) => a - b);
  const runs: [number, number][] = [];
  for (const n of sorted) {
    const last = runs.at(-1);
    if (last && n === last[1] + 1) last[1] = n;
    else runs.push([n, n]);
  }
  const words = runs.map(([a, b]) => (a === b ? `${a}` : b === a + 1 ? `${a}, ${b}` : `${a}–${b}`));
  return words.length <= 5 ? `Pins ${words.join(', ')}` : `${pads.length} pins`;
}
