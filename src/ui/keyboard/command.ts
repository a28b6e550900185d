/** One thing a screen can do. Buttons, keys and the help sheet all read the table it stands in. */
export interface Command<Id extends string = string> {
  readonly id: Id;
  readonly label: string;
  /** Keys as `event.key` names them; letters match either case. Empty: no key. */
  readonly keys: readonly string[];
  readonly group: string;
}

/** The first key of a command, for its cap beside a link or a word. */
export const keyOf = <Id extends string>(commands: readonly Command<Id>[], id: Id): string =>
  commands.find((command) => command.id === id)?.keys[0] ?? '';

/** How a key is written on a cap. */
export function keyCap(key: string): string {
  const caps: Readonly<Record<string, string>> = {
    ' ': 'Space',
    ArrowUp: '↑',
    ArrowDown: '↓',
    ArrowLeft: '←',
    ArrowRight: '→',
    Escape: 'Esc',
    Backspace: 'Bksp',
  };
  return caps[key] ?? (key.length === 1 ? key.toUpperCase() : key);
}

export interface KeyPress {
  readonly key: string;
  readonly ctrlKey: boolean;
  readonly altKey: boolean;
  readonly metaKey: boolean;
}

/** The command a key press means, if any. Chords belong to the browser. */
export function commandFor<Id extends string>(
  commands: readonly Command<Id>[],
  press: KeyPress,
): Command<Id> | null {
  if (press.ctrlKey || press.altKey || press.metaKey) return null;
  const key = press.key.length === 1 ? press.key.toLowerCase() : press.key;
  return (
    commands.find((command) => command.keys.some((k) => (k.length === 1 ? k.toLowerCase() : k) === key)) ??
    null
  );
}

/** Keys that two commands of one screen both claim; empty when all is well. */
export function keyConflicts(commands: readonly Command[]): string[] {
  const owner = new Map<string, string>();
  const conflicts: string[] = [];
  for (const command of commands) {
    for (const key of command.keys.map((k) => (k.length === 1 ? k.toLowerCase() : k))) {
      const taken = owner.get(key);
      if (taken !== undefined && taken !== command.id)
        conflicts.push(`${keyCap(key)}: ${taken} and ${command.id}`);
      owner.set(key, command.id);
    }
  }
  return conflicts;
}

/** Whether a key press belongs to a field that is being typed in, or to a dialog. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  return target.isContentEditable || target.closest('[role="dialog"]') !== null || isTextField(target);
}

/** Whether letters that are pressed there are typed or choose there. */
export function isTextField(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement)
    return !['checkbox', 'radio', 'range', 'button'].includes(target.type);
  return target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement;
}

/** Whether the focused control takes this key for itself: Space on a button, arrows on a slider. */
export function isClaimed(target: EventTarget | null, key: string): boolean {
  if (!(target instanceof HTMLElement)) return false;
  const arrows = key.startsWith('Arrow') || key === 'Home' || key === 'End';
  if (target instanceof HTMLInputElement) return arrows || key === ' ';
  const presses = key === ' ' || key === 'Enter';
  return presses && target.closest('button, a, summary, [role="option"]') !== null;
}
