/**
 * A sheet of labels: their size, how many across and down, and how far from one to the next, mm. The margins follow: the grid is in the
 * middle of the sheet.
 */
export interface LabelSheet {
  word: string;
  paper: 'A4' | 'LETTER';
  widthMm: number;
  heightMm: number;
  columns: number;
  rows: number;
  pitchMm: readonly [across: number, down: number];
}

const IN = 25.4;

/**
 * Common sheets, by how many labels they have. Source: what is sold widely, from memory; lay a printed sheet on the labels before using one
 * up.
 */
export const LABEL_SHEETS = {
  a4x189: { word: 'A4, 189 of 25.4 × 10 mm', paper: 'A4', widthMm: 25.4, heightMm: 10, columns: 7, rows: 27, pitchMm: [27.9, 10] },
  a4x80: { word: 'A4, 80 of 35.6 × 16.9 mm', paper: 'A4', widthMm: 35.6, heightMm: 16.9, columns: 5, rows: 16, pitchMm: [38.1, 16.9] },
  a4x48: { word: 'A4, 48 of 45.7 × 21.2 mm', paper: 'A4', widthMm: 45.7, heightMm: 21.2, columns: 4, rows: 12, pitchMm: [48.3, 21.2] },
  a4x24: { word: 'A4, 24 of 63.5 × 33.9 mm', paper: 'A4', widthMm: 63.5, heightMm: 33.9, columns: 3, rows: 8, pitchMm: [66, 33.9] },
  letter80: { word: 'Letter, 80 of 1 3/4 × 1/2 in', paper: 'LETTER', widthMm: 1.75 * IN, heightMm: 0.5 * IN, columns: 4, rows: 20, pitchMm: [2.0625 * IN, 0.5 * IN] }, // prettier-ignore
  letter20: {
    word: 'Letter, 20 of 4 × 1 in',
    paper: 'LETTER',
    widthMm: 4 * IN,
    heightMm: IN,
    columns: 2,
    rows: 10,
    pitchMm: [4.1875 * IN, IN],
  },
} as const satisfies Record<string, LabelSheet>;

export type LabelSheetId = keyof typeof LABEL_SHEETS;
export const LABEL_SHEET_IDS = Object.keys(LABEL_SHEETS) as [LabelSheetId, ...LabelSheetId[]];
