import type { TermName } from '@/core/handbook/glossary';

/** One column of an editable grid. */
export interface GridColumn<Row> {
  key: string;
  title: string;
  /** Share of the table's width, as CSS: 12fr. */
  width: string;
  align?: 'left' | 'right';
  /** Holds nothing longer than a figure or a word, which always fits: such cells need no cutting off, which is dear to paint. */
  short?: boolean;
  /** What the cell shows, and what a copy takes. */
  text(row: Row): string;
  /** What it shows in place of that, where what stands above says the rest. */
  shown?(row: Row): string | null;
  /** A mark on the cell: measured values look different, doubtful ones too. */
  tone?(row: Row): 'measured' | 'soft' | 'bad' | 'within' | undefined;
  /** A patch of colour before the text, as CSS for its ground. */
  swatch?(row: Row): string | null;
  /** What the editor starts with, where it differs from the shown text. */
  editText?(row: Row): string;
  /** Fixed answers to choose from instead of typing. */
  options?(row: Row): { value: string; label: string }[];
  /** Absent for a computed column. */
  edit?: boolean;
  hint?: string;
  /** The term of the glossary its title stands for. */
  term?: TermName;
}

export interface GridRow {
  id: string;
}

/** Rows under one heading. */
export interface GridGroup<Row extends GridRow> {
  id: string;
  title: string;
  /** Figures of the group, shown in its heading by column key. */
  sums?: Record<string, string>;
  rows: Row[];
}

/** Outcome of one pasted or typed cell. */
export type CellResult = string | null;

export interface GridActions<Row extends GridRow> {
  /** The result so far of typing in a cell. Returns why the text cannot be taken, or null. */
  preview(row: Row, column: string, text: string): CellResult;
  commit(row: Row, column: string, text: string): CellResult;
  cancel(): void;
  /**
   * A block of cells from the clipboard, to go into these rows one after another and then into new ones. Returns what could not be taken.
   */
  paste(rows: Row[], columnKeys: string[], block: string[][]): string[];
  remove(rows: Row[]): void;
  /** Shows everything about a row: Alt Enter, or a double click on what is computed. */
  open?(row: Row): void;
}
