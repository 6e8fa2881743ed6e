/** A page of the handbook the findings lead to: why a family of rules exists, in a few words, with its sources. */
export interface HandbookPage {
  id: string;
  title: string;
  /** What the page answers, in a sentence. */
  about: string;
  paragraphs: readonly string[];
  /** Figures to keep at hand. */
  table?: { head: readonly string[]; rows: readonly (readonly string[])[] };
  sources: readonly string[];
  caution: string;
}
