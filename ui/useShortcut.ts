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
 * Whether a dialog or a menu lies over the page or is being fetched, even before it has the focus: nothing under it is worked by keys then.
 * A dialog that is fading out has been answered.
 */
function isCovered(): boolean {
  if (document.querySelector('[data-opening], [aria-haspopup="menu"][aria-expanded="true"]')) return true;
  return Array.from(document.querySelectorAll('.ant-modal-wrap:not(:has(.ant-zoom-leave))')).some(
    (dialog) => dialog.getClientRects().length > 0,
  );
}

/**
 * A shortcut of bare keys, the one way to make one: while anything that takes letters has the focus, or a dialog or a menu lies over the
 * page, it is not there. Escape leaves a table's cell. Keys are meant by what is printed on them, whatever the keyboard's layout.
 * @param keys as `f`, `shift+?` or in a row as `g>h`
 */
export function useShortcut(keys: string, act: () => void, { preventDefault = false }: { preventDefault?: boolean } = {}): void {
  // Asked here, since the package asks `ignoreEventWhen` of single keys only and never of keys in a row.
  const unlessText = (event: KeyboardEvent) => {
    if (takesLetters(event.target) || isCovered()) return;
    if (preventDefault) event.preventDefault();
    act();
  };
  useHotkeys(keys, unlessText, { useKey: true });
}
