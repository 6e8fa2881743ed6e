'use client';

import { memo } from 'react';
import { ChoiceEditor } from './ChoiceEditor';
import { CellEditor } from './CellEditor';
import type { CellResult, GridColumn, GridRow } from './types';
import styles from './Grid.module.css';

interface GridRowViewProps {
  row: GridRow;
  index: number;
  /** Place under the headings, pixels. */
  top: number;
  columns: GridColumn<GridRow>[];
  activeColumn: number;
  /** Text the open editor starts with; null while no cell of this row is edited. */
  editStart: string | null;
  selectedFrom: number;
  selectedTo: number;
  onPick(row: number, column: number, extend: boolean, edit: boolean): void;
  /** Focus came to a cell by other means than a click. */
  onFocusArrived(row: number, column: number): void;
  onPreview(row: GridRow, column: string, text: string): CellResult;
  onFinish(row: GridRow, column: GridColumn<GridRow>, text: string, then: [number, number] | null): CellResult;
  onLeave(): void;
}

/** One row; drawn again only when its own values, or the cursor in it, change. */
export const GridRowView = memo(function GridRowView({
  row,
  index,
  top,
  columns,
  activeColumn,
  editStart,
  selectedFrom,
  selectedTo,
  onPick,
  onFocusArrived,
  onPreview,
  onFinish,
  onLeave,
}: GridRowViewProps) {
  return (
    <tr role="row" id={row.id} aria-rowindex={index + 1} className={styles.row} style={{ top }}>
      {columns.map((column, at) => {
        const active = at === activeColumn;
        const editing = active && editStart !== null;
        const tone = column.tone?.(row);
        const classes = [
          column.align === 'right' && styles.right,
          column.short && styles.short,
          !column.edit && styles.computed,
          active && styles.active,
        ];
        if (at >= selectedFrom && at <= selectedTo) classes.push(styles.selected);
        const text = column.text(row);
        const shown = column.shown?.(row) ?? null;
        const swatch = column.swatch?.(row);
        return (
          <td
            key={column.key}
            role="gridcell"
            data-cell={`${index}:${at}`}
            tabIndex={active || (index === 0 && at === 0 && activeColumn === -1) ? 0 : -1}
            aria-selected={active || (at >= selectedFrom && at <= selectedTo)}
            aria-readonly={!column.edit}
            className={classes.filter(Boolean).join(' ')}
            title={text.length > 14 || shown ? text : undefined}
            aria-label={shown === null ? undefined : text}
            onMouseDown={(event) => !editing && onPick(index, at, event.shiftKey, false)}
            onDoubleClick={() => onPick(index, at, false, true)}
            onFocus={() => !active && onFocusArrived(index, at)}
          >
            {editing && column.options ? (
              <ChoiceEditor
                label={column.title}
                start={editStart}
                options={column.options(row)}
                onFinish={(typed, then) => onFinish(row, column, typed, then)}
                onLeave={onLeave}
              />
            ) : editing ? (
              <CellEditor
                label={column.title}
                start={editStart}
                align={column.align}
                onPreview={(typed) => onPreview(row, column.key, typed)}
                onFinish={(typed, then) => onFinish(row, column, typed, then)}
                onLeave={onLeave}
              />
            ) : (
              <span className={`${column.align === 'right' ? 'reading' : ''} ${tone ? styles[tone] : ''}`}>
                {swatch && <i aria-hidden className={styles.swatch} style={{ background: swatch }} />}
                {shown ?? text}
              </span>
            )}
          </td>
        );
      })}
    </tr>
  );
});
