import { useEffect } from 'react';

/**
 * When what has the focus is taken out of the page, the focus goes to what holds it, so that the next key still lands somewhere: to the
 * nearest thing around it that still stands and can have it, else to the stage.
 */
export function useKeptFocus(): void {
  useEffect(() => {
    let around: HTMLElement[] = [];
    const note = (event: FocusEvent) => {
      around = [];
      for (let at = event.target as HTMLElement | null; at; at = at.parentElement) around.push(at);
    };
    const mend = () => {
      const { activeElement } = document;
      if ((activeElement !== null && activeElement !== document.body) || around.length === 0 || around[0]!.isConnected) return;
      const standing = around.find((element) => element.isConnected && element.tabIndex >= -1 && element.hasAttribute('tabindex'));
      around = [];
      (standing ?? document.querySelector('main'))?.focus({ preventScroll: true });
    };
    const watch = new MutationObserver(mend);
    document.addEventListener('focusin', note);
    watch.observe(document.body, { childList: true, subtree: true });
    return () => {
      document.removeEventListener('focusin', note);
      watch.disconnect();
    };
  }, []);
}

/** Where the work of a stage begins: a cell of its table, its first strip, its first place on the plan, else its first field or control. */
const BEGINNINGS = [
  '[role="grid"] [tabindex="0"]',
  '[data-strip-toggle]',
  'svg [data-grab][tabindex="0"]',
  'section input, section button:not(:disabled)',
  'button:not(:disabled), a[href], input',
];

/** Puts the focus where the work of the stage begins. */
export function focusStage(): void {
  const stage = document.querySelector('main');
  for (const beginning of BEGINNINGS) {
    const target = stage?.querySelector<HTMLElement>(beginning);
    if (!target) continue;
    target.focus();
    target.scrollIntoView({ block: 'nearest' });
    return;
  }
  stage?.focus();
}
