'use client';

import { useCallback, useMemo, useRef, useState, type ClipboardEvent, type CSSProperties, type KeyboardEvent, type ReactNode } from 'react';
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
}

interface Cell {
  row: number;
  column: number;
}

/**
 * A table worked like a spreadsheet: arrows move, typing or Enter edits, Shift selects a block, copy and paste speak the
 * clipboard of any spreadsheet. One cell at a time can be reached by Tab; the rest by the arrows.
 */
export function Grid<Row extends GridRow>({ label, columns, groups, actions, footer }: GridProps<Row>) {
  const rows = useMemo(() => groups.flatMap((group) => group.rows), [groups]);
  const [active, setActive] = useState<Cell>({ row: 0, column: 0 });
  const [anchor, setAnchor] = useState<Cell | null>(null);
  const [editing, setEditing] = useState<{ start: string } | null>(null);
  const [refused, setRefused] = useState<string[]>([]);
  const table = useRef<HTMLTableElement>(null);
  const at: Cell = { row: Math.min(active.row, Math.max(0, rows.length - 1)), column: active.column };
  const block = blockOf(at, anchor);

  const focusCell = useCallback((cell: Cell) => {
    setActive(cell);
    setEditing(null);
    const target = table.current?.querySelector<HTMLElement>(`[data-cell="${cell.row}:${cell.column}"]`);
    target?.focus({ preventScroll: true });
    target?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, []);

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
    else if ((event.key === 'Enter' || event.key === 'F2') && column.edit) setEditing({ start: startText(rows[at.row]!, column) });
    else if (event.key === 'Delete' && (event.ctrlKey || event.metaKey)) actions.remove(rows.slice(block.top, block.bottom + 1));
    else if (event.key === 'Delete' || event.key === 'Backspace') clearBlock();
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && column.edit && !column.options)
      setEditing({ start: event.key });
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
    setRefused(actions.paste(rows[block.top]?.id ?? null, keys, pasted));
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
    },
    [active, columns, rows],
  );

  const focusArrived = useCallback((row: number, column: number) => setActive({ row, column }), []);

  let position = 0;
  return (
    <div className={styles.frame}>
      {refused.length > 0 && (
        <div role="alert" className={styles.refused}>
          <b>{refused.length === 1 ? 'One cell was not taken.' : `${refused.length} cells were not taken.`}</b> The rest is in.
          <ul>
            {refused.slice(0, 8).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
            {refused.length > 8 && <li>and {refused.length - 8} more</li>}
          </ul>
          <button type="button" onClick={() => setRefused([])}>
            Dismiss
          </button>
        </div>
      )}
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
            {columns.map(({ key, title, align, hint }) => (
              <th key={key} role="columnheader" title={hint} className={align === 'right' ? styles.right : undefined}>
                {title}
              </th>
            ))}
          </tr>
        </thead>
        {groups.map((group) => (
          <tbody key={group.id} role="rowgroup">
            {group.title && (
              <tr role="row" className={`${styles.row} ${styles.groupHead}`} id={group.id}>
                {columns.map(({ key, align }, column) => (
                  <th key={key} role={column === 0 ? 'rowheader' : 'gridcell'} className={align === 'right' ? styles.right : undefined}>
                    {column === 0 ? group.title : <span className="reading">{group.sums?.[key] ?? ''}</span>}
                  </th>
                ))}
              </tr>
            )}
            {group.rows.map((row) => {
              const index = position++;
              const inBlock = index >= block.top && index <= block.bottom;
              return (
                <GridRowView
                  key={row.id}
                  row={row}
                  index={index}
                  columns={columns as GridColumn<GridRow>[]}
                  activeColumn={index === at.row ? at.column : -1}
                  editStart={index === at.row ? (editing?.start ?? null) : null}
                  selectedFrom={inBlock && anchor ? block.left : -1}
                  selectedTo={inBlock && anchor ? block.right : -1}
                  onPick={pick}
                  onFocusArrived={focusArrived}
                  onPreview={actions.preview as GridActions<GridRow>['preview']}
                  onFinish={finishEdit as never}
                  onLeave={leaveEdit}
                />
              );
            })}
          </tbody>
        ))}
      </table>
      {footer && <div className={styles.footer}>{footer}</div>}
    </div>
  );
}

export type CellOutcome = string | null;

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
