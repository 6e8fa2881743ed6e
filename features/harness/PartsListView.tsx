'use client';

import { useMemo } from 'react';
import { recordsOf, type Design } from '@/core/design/design';
import { NO_CHANGE } from '@/core/design/change';
import { Edit } from '@/core/design/edit';
import { boughtIn, PART_GROUPS, partsList } from '@/core/harness/partsList';
import type { Harness } from '@/core/harness/schedule';
import { partNeeds, setStockField, totalOf, type PartNeed, type StockField } from '@/core/harness/stock';
import { formatNumber, MISSING } from '@/core/units/quantity';
import { PART_GROUP_WORDS, partWords, STOCK_REFUSALS } from '@/core/wording/harnessWords';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { usePrices } from '@/features/design/usePrices';
import { Grid } from '@/ui/grid/Grid';
import type { GridActions } from '@/ui/grid/types';
import { partsColumns, STOCK_CELLS } from './partsColumns';
import { useCutLots } from './useHarness';
import styles from './Harness.module.css';

/** Everything to have before the work begins, counted from the design; what is at hand of it, and what the rest costs. */
export function PartsListView({ harness, find }: { harness: Harness; find: string }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const design = useDesign((state) => state.design);
  const units = useUnits();
  const { currency } = usePrices();
  const { lots } = useCutLots(harness);
  const needs = useMemo(() => {
    const lines = partsList(index, harness, lots, boughtIn(design));
    return partNeeds(lines, recordsOf(design, 'stock'));
  }, [index, harness, lots, design]);
  const columns = useMemo(() => partsColumns(units, currency), [units, currency]);
  const groups = useMemo(() => {
    const words = find.toLowerCase().split(/\s+/).filter(Boolean);
    const isFound = ({ line, stock }: PartNeed) => {
      const text = [partWords(line, units).what, stock?.supplier ?? '', 'names' in line ? line.names.join(' ') : '']
        .join(' ')
        .toLowerCase();
      return words.every((word) => text.includes(word));
    };
    const found = needs.filter(isFound);
    return PART_GROUPS.map((group) => ({
      ...{ id: group, title: PART_GROUP_WORDS[group], rows: found.filter(({ line }) => line.group === group) },
    })).filter(({ rows }) => rows.length > 0);
  }, [needs, find, units]);
  const { cost, open } = totalOf(needs);
  return (
    <>
      <p className={styles.total} role="status">
        Still to get: {(cost > 0 || open === 0) && <b className="reading">{`${formatNumber(cost, 2)} ${currency}`}</b>}
        {open > 0 && `${cost > 0 ? ', and ' : ''}${open === 1 ? 'one line' : `${open} lines`} without a price`}
      </p>
      <Grid label="Parts to have" columns={columns} groups={groups} actions={useStockActions()} />
    </>
  );
}

function useStockActions(): GridActions<PartNeed> {
  const store = useDesignStore();
  return useMemo(() => {
    const set = (edit: Edit, { line }: PartNeed, column: string, text: string): string | null => {
      const { units } = store.getState().analysis.index.settings;
      const refusal = setStockField(edit, line, column as StockField, text.trim() === MISSING ? '' : text, units);
      return refusal && STOCK_REFUSALS[refusal.why];
    };
    const trial = (row: PartNeed, column: string, text: string) => set(new Edit(store.getState().design), row, column, text);
    const make = (row: PartNeed, column: string, text: string) => (design: Design) => {
      const edit = new Edit(design);
      return set(edit, row, column, text) === null ? edit.change : NO_CHANGE;
    };
    return {
      preview: trial,
      commit: (row, column, text) => trial(row, column, text) ?? store.commit('Parts at hand', make(row, column, text)),
      cancel: store.cancel,
      paste(rows, keys, block) {
        const problems: string[] = [];
        store.commit(block.length === 1 ? 'Paste' : `Paste ${block.length} lines`, (design) => {
          const edit = new Edit(design);
          const { units } = store.getState().analysis.index.settings;
          block.forEach((cells, at) => {
            const row = rows[at];
            if (!row) return problems.push(`line ${at + 1}: there is no part for it`);
            cells.slice(0, keys.length).forEach((text, column) => {
              const key = keys[column]!;
              const why = STOCK_CELLS.has(key) ? set(edit, row, key, text) : null;
              if (why) problems.push(`${partWords(row.line, units).what}: ${why}`);
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
