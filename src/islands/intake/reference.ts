/** The reference after one that was placed: C7 becomes C8, or the next that is free. */
export function nextReference(ref: string, taken: readonly string[]): string {
  const [, letters, digits] = /^(.*?)(\d+)$/.exec(ref) ?? [];
  if (letters === undefined || digits === undefined) return '';
  let number = Number(digits) + 1;
  while (taken.includes(`${letters}${number}`)) number++;
  return `${letters}${number}`;
}
