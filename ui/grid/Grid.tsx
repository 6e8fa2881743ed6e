'use client';

import { useVirtualizer, type Range, defaultRangeExtractor } from '@tanstack/react-virtual';
import {
  useCallback,
  useImperativeHandle,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ClipboardEvent,
  type CSSProperties,
  type KeyboardEvent,
  type ReactNode,
  type Ref,
} from 'react';
import { flushSync } from 'react-dom';
import { Term } from '@/ui/Prose';
import { GridRowView } from './GridRowView';
import { blockText, parseBlock } from './clipboard';
import type { GridActions, GridColumn, GridGroup, GridRow } from './types';
import styles from './Grid.module.css';

interface GridProps<Row extends GridRow> {
  label: string;
  columns: GridColumn<Row>[];
  groups: GridGroup<Row>[];
  actions: GridActions<Row>;
  /** Shown under the rows: how to add one. */
  footer?: ReactNode;
  ref?: Ref<GridHandle>;
}

export interface GridHandle {
  /** Brings a row into sight and puts the cursor in its first cell. */
  show(rowId: string): void;
}

interface Cell {
  row: number;
  column: number;
}

/** Heights of the lines, pixels; the style sheet sets the same. */
const ROW_PX = 28;
const GROUP_PX = 34;
const HEADINGS_PX = 28;

/** What is drawn under the headings: a group's title, or a row of it. */
interface Line<Row extends GridRow> {
  group: GridGroup<Row>;
  row: Row | null;
  /** Number of the row through all groups, -1 for a title. */
  index: number;
}

/**
 * A table worked like a spreadsheet: arrows move, typing or Enter edits, Shift selects a block, copy and paste speak the
 * clipboard of any spreadsheet. One cell at a time can be reached by Tab; the rest by the arrows. Only the lines in sight and
 * the one with the cursor are in the page.
 */
export function Grid<Row extends GridRow>({ label, columns, groups, actions, footer, ref }: GridProps<Row>) {
  const rows = useMemo(() => groups.flatMap((group) => group.rows), [groups]);
  const lines = useMemo(() => linesOf(groups), [groups]);
  const [active, setActive] = useState<Cell>({ row: 0, column: 0 });
  const [anchor, setAnchor] = useState<Cell | null>(null);
  const [editing, setEditing] = useState<{ start: string } | null>(null);
  const [refused, setRefused] = useState<string[]>([]);
  const scroller = useRef<HTMLDivElement>(null);
  const table = useRef<HTMLTableElement>(null);
  /** The cell the focus goes to as soon as it is in the page. */
  const arriving = useRef<Cell | null>(null);
  const at: Cell = { row: Math.min(active.row, Math.max(0, rows.length - 1)), column: active.column };
  const block = blockOf(at, anchor);

  const activeLine = lines.findIndex(({ index }) => index === at.row);
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions are called here and handed to nothing memoised
  const seen = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (line) => (lines[line]!.row ? ROW_PX : GROUP_PX),
    getItemKey: (line) => lines[line]!.row?.id ?? lines[line]!.group.id,
    rangeExtractor: useCallback((range: Range) => withLine(defaultRangeExtractor(range), activeLine), [activeLine]),
    overscan: 6,
    scrollPaddingStart: HEADINGS_PX,
    scrollPaddingEnd: HEADINGS_PX,
    initialRect: { width: 1080, height: 640 },
  });

  const arrive = useCallback(() => {
    if (!arriving.current) return;
    const { row, column } = arriving.current;
    const cell = table.current?.querySelector<HTMLElement>(`[data-cell="${row}:${column}"]`);
    if (!cell) return;
    arriving.current = null;
    cell.focus({ preventScroll: true });
    cell.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, []);
  useLayoutEffect(arrive);

  const focusCell = useCallback(
    (cell: Cell) => {
      setActive(cell);
      setEditing(null);
      arriving.current = cell;
      arrive();
    },
    [arrive],
  );

  useImperativeHandle(ref, () => ({
    show(rowId) {
      const line = lines.findIndex(({ row }) => row?.id === rowId);
      const wanted = lines[line];
      if (!wanted?.row) return;
      seen.scrollToIndex(line, { align: 'center' });
      focusCell({ row: wanted.index, column: 0 });
    },
  }));

  const move = (byRow: number, byColumn: number, extend: boolean) => {
    setAnchor(extend ? (anchor ?? at) : null);
    focusCell({ row: clamp(at.row + byRow, rows.length), column: clamp(at.column + byColumn, columns.length) });
  };

  const onKeyDown = (event: KeyboardEvent) => {
    if (editing || rows.length === 0) return;
    const column = columns[at.column]!;
    const arrows: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
      PageUp: [-15, 0],
      PageDown: [15, 0],
    };
    const arrow = arrows[event.key];
    if (arrow) move(...arrow, event.shiftKey);
    else if (event.key === 'Home') move(event.ctrlKey ? -rows.length : 0, -columns.length, event.shiftKey);
    else if (event.key === 'End') move(event.ctrlKey ? rows.length : 0, columns.length, event.shiftKey);
    else if (event.key === 'Enter' && event.altKey) actions.open?.(rows[at.row]!);
    else if ((event.key === 'Enter' || event.key === 'F2') && column.edit) setEditing({ start: startText(rows[at.row]!, column) });
    else if (event.key === 'Delete' && (event.ctrlKey || event.metaKey)) actions.remove(rows.slice(block.top, block.bottom + 1));
    else if (event.key === 'Delete' || event.key === 'Backspace') clearBlock();
    else if (event.key === 'Escape' && !anchor) table.current?.closest('main')?.focus();
    else if (event.key === 'Escape') setAnchor(null);
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && column.edit)
      // At once: the next letter must find the field there, however fast it comes.
      flushSync(() => setEditing({ start: event.key }));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const clearBlock = () => {
    const problems: string[] = [];
    for (const row of rows.slice(block.top, block.bottom + 1)) {
      for (const column of columns.slice(block.left, block.right + 1)) {
        const problem = column.edit ? actions.commit(row, column.key, '') : null;
        if (problem) problems.push(`${column.title}: ${problem}`);
      }
    }
    setRefused(problems);
  };

  const onCopy = (event: ClipboardEvent) => {
    if (editing) return;
    const chosen = rows
      .slice(block.top, block.bottom + 1)
      .map((row) => columns.slice(block.left, block.right + 1).map((column) => column.text(row)));
    event.clipboardData.setData('text/plain', blockText(chosen));
    event.preventDefault();
  };

  const onPaste = (event: ClipboardEvent) => {
    if (editing) return;
    const pasted = parseBlock(event.clipboardData.getData('text/plain'));
    event.preventDefault();
    if (pasted.length === 0) return;
    const keys = columns.slice(block.left).map(({ key }) => key);
    setRefused(actions.paste(rows.slice(block.top), keys, pasted));
  };

  const finishEdit = useCallback(
    (row: Row, column: GridColumn<Row>, text: string, then: [number, number] | null): CellOutcome => {
      const problem = actions.commit(row, column.key, text);
      if (problem) return problem;
      setEditing(null);
      setRefused([]);
      if (then) focusCell({ row: clamp(at.row + then[0], rows.length), column: clamp(at.column + then[1], columns.length) });
      return null;
    },
    [actions, at.row, at.column, columns.length, focusCell, rows.length],
  );
  const leaveEdit = useCallback(() => {
    actions.cancel();
    setEditing(null);
    focusCell(at);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the active cell is read at the moment of leaving
  }, [actions, focusCell, at.row, at.column]);

  const pick = useCallback(
    (row: number, column: number, extend: boolean, edit: boolean) => {
      setAnchor((now) => (extend ? (now ?? active) : null));
      setActive({ row, column });
      const wanted = columns[column]!;
      setEditing(edit && wanted.edit ? { start: startText(rows[row]!, wanted) } : null);
      if (edit && !wanted.edit) actions.open?.(rows[row]!);
    },
    [actions, active, columns, rows],
  );

  const focusArrived = useCallback((row: number, column: number) => setActive({ row, column }), []);

  return (
    <div className={styles.frame}>
      {refused.length > 0 && <Refused problems={refused} onDismiss={() => setRefused([])} />}
      <div className={styles.scroller} ref={scroller}>
        <table
          ref={table}
          role="grid"
          aria-label={label}
          aria-rowcount={rows.length}
          className={styles.grid}
          style={{ '--columns': columns.map(({ width }) => `minmax(0, ${width})`).join(' ') } as CSSProperties}
          onKeyDown={onKeyDown}
          onCopy={onCopy}
          onPaste={onPaste}
        >
          <thead role="rowgroup">
            <tr role="row" className={styles.row}>
              {columns.map(({ key, title, align, hint, term }) => (
                <th key={key} role="columnheader" title={hint} className={align === 'right' ? styles.right : undefined}>
                  {term ? <Term of={term} text={title} /> : title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody role="rowgroup" style={{ height: seen.getTotalSize() }}>
            {seen.getVirtualItems().map(({ key, index: place, start }) => {
              const line = lines[place]!;
              if (!line.row) return <GroupHead key={key} group={line.group} columns={columns} top={start} />;
              const { index } = line;
              const inBlock = anchor !== null && index >= block.top && index <= block.bottom;
              return (
                <GridRowView
                  key={key}
                  row={line.row}
                  index={index}
                  top={start}
                  columns={columns as GridColumn<GridRow>[]}
                  activeColumn={index === at.row ? at.column : -1}
                  editStart={index === at.row ? (editing?.start ?? null) : null}
                  selectedFrom={inBlock ? block.left : -1}
                  selectedTo={inBlock ? block.right : -1}
                  onPick={pick}
                  onFocusArrived={focusArrived}
                  onPreview={actions.preview as GridActions<GridRow>['preview']}
                  onFinish={finishEdit as never}
                  onLeave={leaveEdit}
                />
              );
            })}
          </tbody>
        </table>
        {footer && <div className={styles.footer}>{footer}</div>}
      </div>
    </div>
  );
}

interface GroupHeadProps<Row extends GridRow> {
  group: GridGroup<Row>;
  columns: GridColumn<Row>[];
  top: number;
}

function GroupHead<Row extends GridRow>({ group, columns, top }: GroupHeadProps<Row>) {
  return (
    <tr role="row" className={`${styles.row} ${styles.groupHead}`} id={group.id} style={{ top }}>
      {columns.map(({ key, align }, column) => (
        <th key={key} role={column === 0 ? 'rowheader' : 'gridcell'} className={align === 'right' ? styles.right : undefined}>
          {column === 0 ? group.title : <span className="reading">{group.sums?.[key] ?? ''}</span>}
        </th>
      ))}
    </tr>
  );
}

const SHOWN_PROBLEMS = 8;

function Refused({ problems, onDismiss }: { problems: string[]; onDismiss(): void }) {
  return (
    <div role="alert" className={styles.refused}>
      <b>{problems.length === 1 ? 'One cell was not taken.' : `${problems.length} cells were not taken.`}</b> The rest is in.
      <ul>
        {problems.slice(0, SHOWN_PROBLEMS).map((problem) => (
          <li key={problem}>{problem}</li>
        ))}
        {problems.length > SHOWN_PROBLEMS && <li>and {problems.length - SHOWN_PROBLEMS} more</li>}
      </ul>
      <button type="button" onClick={onDismiss}>
        Dismiss
      </button>
    </div>
  );
}

export type CellOutcome = string | null;

function linesOf<Row extends GridRow>(groups: GridGroup<Row>[]): Line<Row>[] {
  let index = 0;
  return groups.flatMap((group) => [
    ...(group.title ? [{ group, row: null, index: -1 }] : []),
    ...group.rows.map((row) => ({ group, row, index: index++ })),
  ]);
}

/** The lines in sight, and the one with the cursor wherever it is, so that the keyboard never loses its place. */
function withLine(inSight: number[], line: number): number[] {
  if (line < 0 || inSight.includes(line)) return inSight;
  return [...inSight, line].sort((a, b) => a - b);
}

function startText<Row>(row: Row, column: GridColumn<Row>): string {
  return (column.editText ?? column.text)(row);
}

function blockOf(active: Cell, anchor: Cell | null) {
  const other = anchor ?? active;
  return {
    top: Math.min(active.row, other.row),
    bottom: Math.max(active.row, other.row),
    left: Math.min(active.column, other.column),
    right: Math.max(active.column, other.column),
  };
}

function clamp(value: number, count: number): number {
  return Math.min(Math.max(0, count - 1), Math.max(0, value));
}
