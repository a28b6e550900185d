import type { KeyboardEvent } from 'react';

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** Moves the focus among the parts of one picture, which are a single stop for Tab: to the next, and round again. */
export function onArrows(event: KeyboardEvent<SVGSVGElement>): void {
  const by = STEPS[event.key];
  const stops = [...event.currentTarget.querySelectorAll<SVGElement>('[data-stop]')];
  const at = stops.findIndex((stop) => stop === document.activeElement);
  if (by === undefined || at < 0) return;
  event.preventDefault();
  event.stopPropagation();
  stops[(at + by + stops.length) % stops.length]!.focus();
}
