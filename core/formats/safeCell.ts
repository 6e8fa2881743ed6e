/** A cell that a spreadsheet would run as a formula is written as text. */
export function safeCell(text: string): string {
  return /^[=+\-@]/.test(text) ? `'${text}` : text;
}
