import { useEffect } from 'react';
import { isTyping } from './command';
import { $dialogOpen } from './useCommands';

/** Escape leaves a field that is typed or chosen in, on any page: the letters are commands again. */
export function useLeavingFields(): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape' || event.defaultPrevented || $dialogOpen.get()) return;
      if (isTyping(event.target)) (event.target as HTMLElement).blur();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
