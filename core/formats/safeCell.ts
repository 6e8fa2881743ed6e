/** A cell that a spreadsheet would run as a formula is written as text. */
export function safeCell(text: string): string {
  return /^[=+\-@]/.test(text) ? `'${text}` : text;
}

/** A cell as it was before safeCell wrote it. */
export function plainCell(text: string): string {
  return /^'[=+\-@]/.test(text) ? text.slice(1) : text;
}
