import type { StepKind } from './step';

/** A change to a list of steps: a workshop's habit, or one technician's on one job. */
export type StepEdit =
  | { readonly op: 'hide'; readonly id: string }
  | {
      readonly op: 'reword';
      readonly id: string;
      readonly title: string;
      readonly detail: string;
    }
  | {
      readonly op: 'add';
      readonly id: string;
      /** The step it comes after; an empty string puts it first. */
      readonly after: string;
      readonly kind: Exclude<StepKind, 'heat'>;
      readonly title: string;
      readonly detail: string;
      readonly why: string;
      readonly wait_s: number | null;
    }
  | { readonly op: 'move'; readonly id: string; readonly after: string };

interface Line {
  readonly id: string;
  readonly kind: StepKind;
  readonly title: string;
  readonly detail: string;
}

/**
 * A list of steps with edits applied in their order. An edit that names a step which is not there does nothing:
 * a workshop's habits are kept for many plans. Gates and heat are never hidden; `make` builds a step that is added.
 */
export function edited<L extends Line>(
  steps: readonly L[],
  edits: readonly StepEdit[],
  make: (edit: Extract<StepEdit, { op: 'add' }>) => L,
): L[] {
  return edits.reduce<L[]>((list, edit) => apply(list, edit, make), [...steps]);
}

export const mayHide = ({ kind }: Pick<Line, 'kind'>): boolean => kind !== 'gate' && kind !== 'heat';

function apply<L extends Line>(
  list: L[],
  edit: StepEdit,
  make: (edit: Extract<StepEdit, { op: 'add' }>) => L,
): L[] {
  switch (edit.op) {
    case 'hide':
      return list.filter((s) => s.id !== edit.id || !mayHide(s));
    case 'reword':
      return list.map((s) => (s.id === edit.id ? { ...s, title: edit.title, detail: edit.detail } : s));
    case 'add': {
      if (list.some((s) => s.id === edit.id)) return list;
      const at = list.findIndex((s) => s.id === edit.after);
      return list.toSpliced(edit.after === '' ? 0 : at < 0 ? list.length : at + 1, 0, make(edit));
    }
    case 'move': {
      const from = list.findIndex((s) => s.id === edit.id);
      if (from < 0 || edit.after === edit.id) return list;
      const moved = list[from]!;
      const rest = list.toSpliced(from, 1);
      const at = rest.findIndex((s) => s.id === edit.after);
      if (edit.after !== '' && at < 0) return list;
      return rest.toSpliced(edit.after === '' ? 0 : at + 1, 0, moved);
    }
  }
}
