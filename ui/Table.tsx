import { memo, type Key, type ReactNode } from 'react';
import styles from './Table.module.css';

/** A column of a table: what heads it and what stands in it. */
export interface Column<Row> {
  /** What stands over it; absent: nothing to read, and `label` says what it is for. */
  head?: ReactNode;
  label?: string;
  /** Said where one points at its head. */
  title?: string;
  /** Columns its head stands over, itself and those that follow, which have no head then. 1 when absent. */
  spans?: number;
  /** Where rows can be put in order by it: whether they are. */
  sorted?: 'ascending' | 'descending' | 'none';
  /** Figures stand to the right in the type of readings; a name is its row's; absent: words. */
  as?: 'figure' | 'name';
  /** A look of its own, for all its cells or by row; for its head. */
  look?: string | ((row: Row) => string | undefined);
  headLook?: string;
  /** Of the whole, as CSS has it; columns of a table where one has it are as wide as they say and no wider. */
  width?: string;
  cell(row: Row, at: number): ReactNode;
  /** What stands under it all. */
  foot?: ReactNode;
}

/** What a row tells beside its cells: an address to go to, what it is about, what its look hangs on. */
export type RowMarks = { id?: string } & Readonly<Record<`data-${string}`, string | boolean | undefined>>;

interface RowTraits<Row> {
  /** A row's look, and whether it is the one that stands now. */
  lookOf?(row: Row): string | undefined;
  isCurrent?(row: Row): boolean;
  marksOf?(row: Row): RowMarks;
  /** What is said across the whole width beneath a row. */
  beneath?(row: Row): ReactNode;
  beneathLook?: string;
}

/** Rows that belong together, under a heading of their own. */
export interface RowGroup<Row> {
  key: Key;
  rows: readonly Row[];
  head?: ReactNode;
  label?: string;
  /** How high it is, where it is drawn only once one comes near. */
  heightPx?: number;
}

type TableProps<Row> = RowTraits<Row> & {
  /** What it is called where nothing beside it says so. */
  label?: string;
  /** The same, to be read. */
  caption?: ReactNode;
  columns: readonly Column<Row>[];
  keyOf(row: Row, at: number): Key;
  /**
   * Where rows are made anew each time: whether two say the same. While the columns and all that is said of rows are the same, a row that
   * is not another is not drawn again.
   */
  isSame?(a: Row, b: Row): boolean;
  groupLook?: string;
  /** As wide as what is in it; otherwise as what it stands in. */
  isNarrow?: boolean;
  className?: string;
} & ({ rows: readonly Row[]; groups?: undefined } | { rows?: undefined; groups: readonly RowGroup<Row>[] });

/** A table to be read: heads over what they head, figures in line. What is worked in cell by cell is the grid's. */
export function Table<Row>({
  label,
  caption,
  columns,
  rows,
  groups,
  keyOf,
  isSame,
  groupLook,
  isNarrow,
  className,
  ...traits
}: TableProps<Row>) {
  const hasHead = columns.some((column) => column.head !== undefined || column.label !== undefined);
  const parts: readonly RowGroup<Row>[] = groups ?? [{ key: 'all', rows }];
  const hasWidths = columns.some(({ width }) => width !== undefined);
  return (
    <table className={classes(styles.table, isNarrow && styles.narrow, hasWidths && styles.fixed, className)} aria-label={label}>
      {caption !== undefined && <caption>{caption}</caption>}
      {hasWidths && (
        <colgroup>
          {columns.map(({ width }, at) => (
            <col key={at} style={{ width }} />
          ))}
        </colgroup>
      )}
      {hasHead && (
        <thead>
          <tr>{columns.map((column, at) => (isUnderAnother(columns, at) ? null : <Head key={at} {...column} />))}</tr>
        </thead>
      )}
      {parts.map((group) => (
        <tbody
          key={group.key}
          aria-label={group.label}
          style={group.heightPx === undefined ? undefined : { contentVisibility: 'auto', containIntrinsicSize: `auto ${group.heightPx}px` }}
        >
          {group.head !== undefined && (
            <tr className={classes(styles.group, groupLook)}>
              <th scope="rowgroup" colSpan={columns.length}>
                {group.head}
              </th>
            </tr>
          )}
          {group.rows.map((row, at) => (
            <Line key={keyOf(row, at)} columns={columns} row={row} at={at} isSame={isSame} {...traits} />
          ))}
        </tbody>
      ))}
      {columns.some(({ foot }) => foot !== undefined) && (
        <tfoot>
          <tr>
            {columns.map((column, at) => (
              <Cell key={at} column={column} look={undefined}>
                {column.foot}
              </Cell>
            ))}
          </tr>
        </tfoot>
      )}
    </table>
  );
}

/** Whether a head before it stands over this column too. */
const isUnderAnother = (columns: readonly Column<never>[], at: number) =>
  columns.some(({ spans = 1 }, from) => from < at && at < from + spans);

function Head<Row>({ head, label, title, spans, sorted, as, headLook }: Column<Row>) {
  return (
    <th
      scope="col"
      colSpan={spans}
      aria-label={head === undefined ? label : undefined}
      aria-sort={sorted}
      title={title}
      className={classes(as === 'figure' && styles.figure, headLook)}
    >
      {head}
    </th>
  );
}

interface CellProps<Row> {
  column: Column<Row>;
  look: string | undefined;
  children: ReactNode;
}

function Cell<Row>({ column: { as }, look, children }: CellProps<Row>) {
  if (as === 'name')
    return (
      <th scope="row" className={classes(look)}>
        {children}
      </th>
    );
  return <td className={classes(as === 'figure' && `reading ${styles.figure}`, look)}>{children}</td>;
}

interface LineProps<Row> extends RowTraits<Row> {
  columns: readonly Column<Row>[];
  row: Row;
  at: number;
  isSame: ((a: Row, b: Row) => boolean) | undefined;
}

function LineOf<Row>({ columns, row, at, lookOf, isCurrent, marksOf, beneath, beneathLook }: LineProps<Row>) {
  const said = beneath?.(row);
  return (
    <>
      <tr aria-current={isCurrent?.(row) || undefined} className={classes(lookOf?.(row))} {...marksOf?.(row)}>
        {columns.map((column, place) => (
          <Cell key={place} column={column} look={typeof column.look === 'function' ? column.look(row) : column.look}>
            {column.cell(row, at)}
          </Cell>
        ))}
      </tr>
      {said !== undefined && said !== null && said !== false && (
        <tr>
          <td colSpan={columns.length} className={classes(styles.beneath, beneathLook)}>
            {said}
          </td>
        </tr>
      )}
    </>
  );
}

const Line = memo(LineOf, (before, now) =>
  (Object.keys(now) as (keyof typeof now)[]).every((name) =>
    name === 'row' ? (now.isSame ?? Object.is)(before.row, now.row) : Object.is(before[name], now[name]),
  ),
) as typeof LineOf;

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
