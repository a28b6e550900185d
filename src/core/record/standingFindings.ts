interface Finding {
  readonly id: string;
  readonly takesBackId: string | null;
}

/** The findings that still hold: without those that were taken back, and without the entries that took them back. */
export function standingFindings<F extends Finding>(findings: readonly F[]): readonly F[] {
  const back = new Set(findings.flatMap((f) => f.takesBackId ?? []));
  return back.size === 0 ? findings : findings.filter((f) => f.takesBackId === null && !back.has(f.id));
}
