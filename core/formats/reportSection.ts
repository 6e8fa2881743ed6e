/** A design's report as plain words and tables, for the page, the printer and the PDF alike. */
export interface Report {
  title: string;
  /** What kind of thing it is about. */
  subject: string;
  facts: { name: string; value: string }[];
  sections: ReportSection[];
  cautions: readonly string[];
  sources: string[];
}

export interface ReportSection {
  title: string;
  text?: string;
  columns: { title: string; align: 'left' | 'right' }[];
  rows: string[][];
  /** Each scenario's day is drawn under it, where drawings can be. */
  drawsDays?: boolean;
  /** Begins a page of its own when printed, to be taken to that part of the vehicle. */
  ownPage?: boolean;
}

/** Columns of words. */
export function left(...titles: string[]) {
  return titles.map((title) => ({ title, align: 'left' as const }));
}

/** Columns of figures. */
export function right(...titles: string[]) {
  return titles.map((title) => ({ title, align: 'right' as const }));
}
