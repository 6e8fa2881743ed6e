'use client';

import { useHotkeys } from 'react-hotkeys-hook';

/** Whatever takes letters for itself: fields, cells, lists one types into. */
const TAKES_LETTERS =
  'input:not([type="radio"], [type="checkbox"], [type="button"]), textarea, select, [contenteditable="true"], [role="grid"], [role="gridcell"], [role="listbox"], [role="combobox"], [role="textbox"], [role="spinbutton"], [role="menu"]';

/** Whether a key pressed there is text, or a choice in a list, and never a command. */
export function takesLetters(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest(TAKES_LETTERS) !== null;
}

/**
 * A shortcut of bare keys, the one way to make one: while anything that takes letters has the focus it is not there. Escape leaves a table's cell.
 * @param keys as `f`, `shift+slash` or in a row as `g>h`
 */
export function useShortcut(
  keys: string,
  act: () => void,
  { useKey, preventDefault = false }: { useKey?: boolean; preventDefault?: boolean } = {},
): void {
  // Asked here, since the package asks `ignoreEventWhen` of single keys only and never of keys in a row.
  const unlessText = (event: KeyboardEvent) => {
    if (takesLetters(event.target)) return;
    if (preventDefault) event.preventDefault();
    act();
  };
  useHotkeys(keys, unlessText, { useKey });
}
