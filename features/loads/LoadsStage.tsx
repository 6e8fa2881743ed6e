'use client';

import { Alert, Button } from 'antd';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Edit } from '@/core/design/edit';
import type { Design } from '@/core/design/design';
import { removeLoads } from '@/core/switching/loadWires';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { useHashTarget } from '@/features/workspace/useHashTarget';
import { EmptyStage } from '@/ui/EmptyStage';
import { Grid, type GridHandle } from '@/ui/grid/Grid';
import type { GridActions } from '@/ui/grid/types';
import { blockText } from '@/ui/grid/clipboard';
import { later, laterOver } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';
import { today } from '@/core/units/days';
import { AddLoad } from './AddLoad';
import { setCell, type LoadField } from './cells';
import { loadColumns, type LoadRow } from './columns';
import { isList, pasteBlock, pasteList } from './paste';
import { takeKeptList } from './keptList';
import { LoadsToolbar, type LoadsShown } from './LoadsToolbar';
import { useLoadRows, type Grouping } from './useLoadRows';
import styles from './LoadsStage.module.css';

const ImportLoads = laterOver(() => import('./ImportLoads').then(({ ImportLoads: dialog }) => dialog));
const LoadDetails = later(() => import('./LoadDetails').then(({ LoadDetails: drawer }) => drawer));
const BudgetView = later(() => import('./BudgetView').then(({ BudgetView: view }) => view));
const ZonesDialog = laterOver(() => import('./ZonesDialog').then(({ ZonesDialog: dialog }) => dialog));

const LoadsDay = later(() => import('./LoadsDay').then(({ LoadsDay: day }) => day));

const OPENED_LATER = [ImportLoads, LoadDetails, BudgetView, ZonesDialog, LoadsDay];
/** Lines of a list that leave half of a usual screen. */
const SHORT_LIST = 11;

/** Stage Loads: everything that draws current, rated and measured, and how long it runs. */
export function LoadsStage() {
  usePreload(OPENED_LATER);
  const { units, nominalV } = useDesign(({ analysis }) => analysis.index.settings);
  const zoneNames = useDesign(({ analysis }) => analysis.index.zones.map(({ name }) => name).join('\n'));
  const circuitNames = useDesign(({ analysis }) => analysis.circuits.map(circuitName).join('\n'));
  const [grouping, setGrouping] = useState<Grouping>('zone');
  const [dialog, setDialog] = useState<'import' | 'zones' | null>(null);
  const [pasted, setPasted] = useState('');
  const [left, setLeft] = useState<string[]>([]);
  const offer = useCallback((text: string) => {
    setPasted(text);
    setDialog('import');
  }, []);
  const [shown, setShown] = useState<LoadsShown>('list');
  const [openId, setOpen] = useState<string | null>(null);
  const groups = useLoadRows(grouping);
  const columns = useMemo(
    () => loadColumns({ units, nominalV, zones: lines(zoneNames), circuits: lines(circuitNames), grouping }),
    [units, nominalV, zoneNames, circuitNames, grouping],
  );
  const designId = useDesign((state) => state.id);
  useEffect(() => {
    const kept = takeKeptList(designId);
    if (kept !== null) queueMicrotask(() => offer(kept));
  }, [designId, offer]);
  const actions = useLoadActions(setOpen, offer);
  const addLoad = useMemo(() => <AddLoad onList={offer} />, [offer]);
  const grid = useRef<GridHandle>(null);

  useHashTarget(useCallback((loadId: string) => grid.current?.show(loadId), []));
  const isShort = groups.reduce((sum, { rows }) => sum + 1 + rows.length, 0) <= SHORT_LIST;
  const isEmpty = groups.every(({ rows }) => rows.length === 0);

  return (
    <div className={styles.stage} onPaste={isEmpty ? (event) => pasteList(event, offer) : undefined}>
      <LoadsToolbar shown={shown} onShown={setShown} grouping={grouping} onGrouping={setGrouping} onDialog={setDialog} onLeft={setLeft} />
      {left.length > 0 && <LeftOut left={left} onClose={() => setLeft([])} />}
      {isEmpty ? (
        <EmptyStage
          title="List what draws current"
          text="Every lamp, pump, fan and charger, with what its box says and how many hours a day it runs. From these come the wires, the fuses and how long the battery lasts. Paste a list from a spreadsheet, or begin with one."
        >
          {addLoad}
          <p>
            <Button type="link" onClick={() => setDialog('import')}>
              or take a list from a CSV file
            </Button>
          </p>
        </EmptyStage>
      ) : (
        <>
          {shown === 'list' && <Grid ref={grid} label="Loads" columns={columns} groups={groups} actions={actions} footer={addLoad} />}
          {shown === 'list' && isShort && <LoadsDay />}
          {shown === 'budget' && <BudgetView onOpen={setOpen} />}
        </>
      )}
      {openId && <LoadDetails key={openId} loadId={openId} onOpen={setOpen} onClose={() => setOpen(null)} />}
      {dialog === 'import' && <ImportLoads pasted={pasted} onClose={() => (setDialog(null), setPasted(''))} />}
      {dialog === 'zones' && <ZonesDialog onClose={() => setDialog(null)} />}
    </div>
  );
}

function LeftOut({ left, onClose }: { left: string[]; onClose(): void }) {
  return (
    <Alert
      type="warning"
      showIcon
      closable={{ onClose }}
      title={left.length === 1 ? 'One load got no circuit.' : `${left.length} loads got no circuit.`}
      description={
        <ul>
          {left.slice(0, 8).map((why) => (
            <li key={why}>{why}</li>
          ))}
          {left.length > 8 && <li>and {left.length - 8} more</li>}
        </ul>
      }
    />
  );
}

function circuitName({ number, name }: { number: number; name: string }): string {
  return `${String(number).padStart(2, '0')} ${name}`;
}

function useLoadActions(onOpen: (loadId: string) => void, onList: (text: string) => void): GridActions<LoadRow> {
  const store = useDesignStore();
  return useMemo(() => {
    const trial = (loadId: string, column: string, text: string) => {
      const edit = new Edit(store.getState().design);
      return setCell(edit, loadId, column as LoadField, text, today());
    };
    const make = (loadId: string, column: string, text: string) => (design: Design) => {
      const edit = new Edit(design);
      setCell(edit, loadId, column as LoadField, text, today());
      return edit.change;
    };
    return {
      preview(row, column, text) {
        return trial(row.id, column, text) ?? store.preview(make(row.id, column, text));
      },
      commit(row, column, text) {
        return trial(row.id, column, text) ?? store.commit(`Change ${row.load.name}`, make(row.id, column, text));
      },
      cancel: store.cancel,
      open: (row) => onOpen(row.id),
      paste(rows, keys, block) {
        if (!isList(store.getState().design, rows, keys, block)) return pasteBlock(store, rows, keys, block);
        onList(blockText(block));
        return [];
      },
      remove(rows) {
        const what = rows.length === 1 ? rows[0]!.load.name : `${rows.length} loads`;
        store.commit(`Remove ${what}`, (design) =>
          removeLoads(
            design,
            rows.map(({ id }) => id),
          ),
        );
      },
    };
  }, [store, onOpen, onList]);
}

function lines(text: string): string[] {
  return text === '' ? [] : text.split('\n');
}
