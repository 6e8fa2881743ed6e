import type { Key, ReactNode } from 'react';
import styles from './Table.module.css';

/** A column of a table: what heads it and what stands in it. */
export interface Column<Row> {
  /** What stands over it; absent: nothing to read, and `label` says what it is for. */
  head?: ReactNode;
  label?: string;
  /** Said where one points at its head. */
  title?: string;
  /** Figures stand to the right in the type of readings; a name is its row's; absent: words. */
  as?: 'figure' | 'name';
  /** A look of its own, for all its cells or by row. */
  look?: string | ((row: Row) => string | undefined);
  cell(row: Row, at: number): ReactNode;
}

interface TableProps<Row> {
  /** What it is called where nothing beside it says so. */
  label?: string;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  keyOf(row: Row, at: number): Key;
  /** A row's look, and whether it is the one that stands now. */
  lookOf?(row: Row): string | undefined;
  isCurrent?(row: Row): boolean;
  /** As wide as what is in it; otherwise as what it stands in. */
  isNarrow?: boolean;
  className?: string;
}

/** A table to be read: heads over what they head, figures in line. What is worked in cell by cell is the grid's. */
export function Table<Row>({ label, columns, rows, keyOf, lookOf, isCurrent, isNarrow, className }: TableProps<Row>) {
  const hasHead = columns.some((column) => column.head !== undefined || column.label !== undefined);
  return (
    <table className={classes(styles.table, isNarrow && styles.narrow, className)} aria-label={label}>
      {hasHead && (
        <thead>
          <tr>
            {columns.map(({ head, label: says, title, as }, at) => (
              <th
                key={at}
                scope="col"
                aria-label={head === undefined ? says : undefined}
                title={title}
                className={classes(as === 'figure' && styles.figure)}
              >
                {head}
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {rows.map((row, place) => (
          <tr key={keyOf(row, place)} aria-current={isCurrent?.(row) || undefined} className={classes(lookOf?.(row))}>
            {columns.map((column, at) => {
              const look = typeof column.look === 'function' ? column.look(row) : column.look;
              if (column.as === 'name')
                return (
                  <th key={at} scope="row" className={classes(look)}>
                    {column.cell(row, place)}
                  </th>
                );
              return (
                <td key={at} className={classes(column.as === 'figure' && `reading ${styles.figure}`, look)}>
                  {column.cell(row, place)}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface TextTableProps {
  head: readonly string[];
  rows: readonly (readonly (string | number)[])[];
  /** The first column of figures; absent: all are words. */
  figuresFrom?: number;
}

/** Written rows under written heads, as wide as what is in them. */
export function TextTable({ head, rows, figuresFrom = Infinity }: TextTableProps) {
  return (
    <Table
      columns={head.map((text, at) => ({
        head: text,
        as: at >= figuresFrom ? ('figure' as const) : undefined,
        cell: (row: readonly (string | number)[]) => row[at],
      }))}
      rows={rows}
      keyOf={(_, at) => at}
      isNarrow
    />
  );
}

function classes(...names: readonly (string | false | undefined)[]): string | undefined {
  return names.filter(Boolean).join(' ') || undefined;
}
