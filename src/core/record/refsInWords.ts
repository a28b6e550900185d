/** So many references are told by name before they are counted. */
const NAMED = 8;

/** "C1, C2 and C5"; many are told by the first ones and a count. */
export function refsInWords(refs: readonly string[]): string {
  if (refs.length > NAMED)
    return `${refs.slice(0, NAMED - 1).join(', ')} and ${refs.length - NAMED + 1} more`;
  return refs.length < 2 ? (refs[0] ?? 'none') : `${refs.slice(0, -1).join(', ')} and ${refs.at(-1)}`;
}
