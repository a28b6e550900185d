/** Nets that feed or drain a board, by the names that people give them (common practice). */
export function isGround(net: string): boolean {
  return /^(?:[ADPS]?GND|GND[ADPS]?\d*|VSS[A-Z]?|0V|EARTH|COM)$/i.test(net.trim());
}

export function isSupply(net: string): boolean {
  return (
    isGround(net) ||
    /^(?:V(?:CC|DD|EE|BAT|BUS|IN|REF)[A-Z\d]*|[+-]?\d+V\d*[A-Z]?|V\+|V-|\+V|V\d+)$/i.test(net.trim())
  );
}
