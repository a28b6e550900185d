/** A tool as a site wants it: which, and at what. */
export interface ToolWanted {
  readonly toolId: string;
  /** Everything that is set on it, as one text to compare. */
  readonly at: string;
  /** A touch in between turns it to something else: it does not stand there afterwards. */
  readonly turned: boolean;
}

/** What taking up a site wants of the bench. */
export interface SiteWants {
  readonly area: number;
  readonly value: string;
  /** In the order of its phases. */
  readonly tools: readonly ToolWanted[];
  /** How the board is to be warmed; null: cold. */
  readonly warmth: string | null;
}

/** What stands ready at the bench while a whole board's job goes from part to part. */
export interface Ready {
  readonly discharged: boolean;
  readonly tools: ReadonlyMap<string, string>;
  readonly area: number | null;
  readonly warmth: string | null;
  readonly tray: string | null;
}

/** The start of a sitting. */
export const NOTHING_READY: Ready = {
  discharged: false,
  tools: new Map(),
  area: null,
  warmth: null,
  tray: null,
};

/** What is still to be done before a site's own work. */
export interface Preparation {
  readonly discharge: boolean;
  readonly move: boolean;
  readonly tray: boolean;
  readonly warm: boolean;
  /** For each tool wanted, in order: whether it has to be set. */
  readonly set: readonly boolean[];
}

/** What a site needs beyond what stands ready, and what stands ready after it. */
export function takenUp(
  ready: Ready,
  wants: SiteWants,
): { readonly todo: Preparation; readonly after: Ready } {
  const tools = new Map(ready.tools);
  const set = wants.tools.map(({ toolId, at, turned }) => {
    const stands = tools.get(toolId) === at;
    if (turned) tools.delete(toolId);
    else tools.set(toolId, at);
    return !stands;
  });
  const move = ready.area !== wants.area;
  return {
    todo: {
      discharge: !ready.discharged,
      move,
      tray: ready.tray !== wants.value,
      warm: wants.warmth !== null && (move || ready.warmth !== wants.warmth),
      set,
    },
    after: {
      discharged: true,
      tools,
      area: wants.area,
      // A site that is worked cold leaves the warmth of its area as it was; another area starts cold.
      warmth: wants.warmth ?? (move ? null : ready.warmth),
      tray: wants.value,
    },
  };
}
