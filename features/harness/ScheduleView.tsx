'use client';

import { useMemo } from 'react';
import { NO_CHANGE } from '@/core/design/change';
import type { Design } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { setWireField, type WireField } from '@/core/harness/editWires';
import type { Harness } from '@/core/harness/schedule';
import { MISSING } from '@/core/units/quantity';
import { readEnd, refusalWords } from '@/core/wording/harnessWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Grid } from '@/ui/grid/Grid';
import type { GridActions } from '@/ui/grid/types';
import { scheduleColumns, scheduleGroups, USUAL_END, type WireGrouping, type WireRow } from './scheduleColumns';
import { useMakingDays } from './useMakingDays';

interface ScheduleViewProps {
  harness: Harness;
  grouping: WireGrouping;
  find: string;
}

/** The wire schedule: every wire with its number, colour, size, ends and length, worked like a spreadsheet. */
export function ScheduleView({ harness, grouping, find }: ScheduleViewProps) {
  const analysis = useDesign((state) => state.analysis);
  const { settings } = analysis.index;
  const columns = useMemo(() => scheduleColumns(settings.units, settings), [settings]);
  const days = useMakingDays(harness, grouping);
  const groups = useMemo(() => scheduleGroups(analysis, harness, grouping, find, days), [analysis, harness, grouping, find, days]);
  const actions = useScheduleActions();
  return <Grid label="Wire schedule" columns={columns} groups={groups} actions={actions} />;
}

function useScheduleActions(): GridActions<WireRow> {
  const store = useDesignStore();
  return useMemo(() => {
    const set = (edit: Edit, wireId: string, column: string, text: string): string | null => {
      const { units } = store.getState().analysis.index.settings;
      const refusal = setWireField(edit, wireId, column as WireField, plain(column, text), units);
      return refusal && refusalWords(refusal);
    };
    const trial = (wireId: string, column: string, text: string) => set(new Edit(store.getState().design), wireId, column, text);
    const make = (wireId: string, column: string, text: string) => (design: Design) => {
      const edit = new Edit(design);
      return set(edit, wireId, column, text) === null ? edit.change : NO_CHANGE;
    };
    return {
      preview: (row, column, text) => trial(row.id, column, text),
      commit: (row, column, text) => trial(row.id, column, text) ?? store.commit(`Wire ${row.line.number}`, make(row.id, column, text)),
      cancel: store.cancel,
      paste(rows, keys, block) {
        const problems: string[] = [];
        store.commit(block.length === 1 ? 'Paste' : `Paste ${block.length} lines`, (design) => {
          const edit = new Edit(design);
          block.forEach((cells, at) => {
            const row = rows[at];
            if (!row) return problems.push(`line ${at + 1}: there is no wire for it; wires are drawn in Circuits`);
            cells.slice(0, keys.length).forEach((text, column) => {
              const key = keys[column]!;
              const why = EDITED.has(key) ? set(edit, row.id, key, text) : null;
              if (why) problems.push(`${row.line.number}: ${why}`);
            });
          });
          return edit.change;
        });
        return problems;
      },
      remove: () => undefined,
    };
  }, [store]);
}

const EDITED: ReadonlySet<string> = new Set<WireField>(['number', 'colour', 'conductor', 'length', 'fromEnd', 'toEnd']);

/** What a cell says as the design has it: an end by its word, nothing where it shows that there is nothing. */
function plain(column: string, text: string): string {
  const typed = text.trim();
  if (typed === MISSING) return '';
  if (column !== 'fromEnd' && column !== 'toEnd') return typed;
  if (typed === USUAL_END) return '';
  return readEnd(typed) ?? typed;
}
