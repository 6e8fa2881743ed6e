const key = (designId: string) => `vine-knot-list:${designId}`;

/**
 * Keeps a list of loads given with the first questions until the new design's loads are open. A forbidden store only costs a second paste.
 */
export function keepList(designId: string, text: string): void {
  try {
    window.sessionStorage.setItem(key(designId), text);
  } catch {
    return;
  }
}

/** The list kept for a design, once. */
export function takeKeptList(designId: string): string | null {
  try {
    const text = window.sessionStorage.getItem(key(designId));
    window.sessionStorage.removeItem(key(designId));
    return text;
  } catch {
    return null;
  }
}
