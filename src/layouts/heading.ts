/** What a sheet is about, as its heading says it at every width: an act, a part, a board. */
export interface Heading {
  /** What is done here: "Plan", "Run", "Photos"; empty on a board's own sheet. */
  readonly act?: string | undefined;
  readonly board?: { readonly id: string; readonly name: string } | undefined;
  readonly part?: { readonly id: string; readonly ref: string; readonly value: string } | undefined;
}

/** One thing that the heading names, and where it leads back to; null where that is this very sheet. */
export interface HeadingWord {
  readonly kind: 'act' | 'part' | 'board';
  readonly text: string;
  readonly href: string | null;
}

/** The heading's words in their order: "Plan", "C7", "Beacon driver 4". Part and board lead back to the board. */
export function headingWords({ act, part, board }: Heading): HeadingWord[] {
  const home = board ? `/boards/${board.id}` : null;
  return [
    ...(act ? [{ kind: 'act', text: act, href: null } as const] : []),
    ...(part && home ? [{ kind: 'part', text: part.ref, href: `${home}?site=${part.id}` } as const] : []),
    ...(board ? [{ kind: 'board', text: board.name, href: act ? home : null } as const] : []),
  ];
}

/** The same for the browser's tab: the part first, as tabs cut the end off. */
export const titleOf = (heading: Heading): string =>
  [heading.part?.ref, heading.act, heading.board?.name].filter(Boolean).join(' · ');
