import type { z } from 'zod';
import type { BoardEntryBody } from '~/core/record/boardEntries';
import type { PadStateId } from '~/core/record/padStates';
import type { newBoard } from '~/schema/records/board/board';
import type { FaceState, PlaceKind } from '~/core/record/faceStates';
import type { NewSite } from '~/schema/records/site/site';

/**
 * The invented workshop: it keeps the electronics of a hill railway, a lighthouse and a planetarium
 * running. People are initials; boards, faults and dates are made up.
 */
export interface DemoBoard {
  readonly id: string;
  readonly daysAgo: number;
  readonly board: z.input<typeof newBoard>;
  readonly sites: readonly DemoSite[];
  readonly findings: readonly DemoFinding[];
  readonly places?: readonly DemoPlace[];
  readonly readings?: readonly DemoReading[];
  readonly groups?: readonly { readonly name: string; readonly refs: readonly string[] }[];
  readonly photo?: 'top';
  /** What was written of the board as a whole, in order. */
  readonly entries?: readonly DemoEntry[];
}

export interface DemoSite extends Omit<NewSite, 'value' | 'rotation_deg' | 'polarity'> {
  readonly polarity?: NewSite['polarity'];
  readonly value: string;
  readonly rotation_deg: number;
}

interface DemoFinding {
  readonly site: string;
  readonly pad: string;
  readonly state: PadStateId;
  readonly other?: string;
  readonly note: string;
  readonly daysAgo: number;
  readonly by: string;
  /** Left out: it was so when the board came. */
  readonly here?: boolean;
}

/** An entry of a board; a part is named by its reference, a time it is due by days from now. */
export interface DemoEntry {
  readonly by: string;
  readonly daysAgo: number;
  readonly body:
    | Exclude<BoardEntryBody, { kind: 'part' | 'parked' }>
    | (Omit<Extract<BoardEntryBody, { kind: 'part' }>, 'siteId'> & { readonly site: string })
    | (Omit<Extract<BoardEntryBody, { kind: 'parked' }>, 'due_ms'> & { readonly dueInDays: number });
}

/** Something found on a face beside its pads; `then` is what became of it. */
interface DemoPlace {
  readonly side: 'top' | 'bottom';
  readonly kind: PlaceKind;
  readonly points: readonly (readonly [x_mm: number, y_mm: number])[];
  readonly state: FaceState;
  readonly note: string;
  readonly daysAgo: number;
  readonly by: string;
  readonly then?: { readonly state: FaceState; readonly note: string; readonly daysAgo: number };
}

/** Readings of one site's checklist in its order; null is an open display. */
interface DemoReading {
  readonly site: string;
  readonly values_Ohm: readonly (number | null)[];
  readonly daysAgo: number;
  readonly by: string;
}
