import type { KeyboardEvent } from 'react';

/** Escape leaves what is being typed and nothing more: the drawer or dialog around the field stays. A second one closes it. */
export function leavesOnly(event: KeyboardEvent, isTyped: boolean): void {
  if (isTyped) event.stopPropagation();
}
