'use client';

import { Button } from 'antd';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { CircuitAnalysis } from '@/core/analysis/types';
import { Edit } from '@/core/design/edit';
import { addCircuit } from '@/core/switching/schemes';
import { usualScheme } from '@/core/switching/usualScheme';
import { addVehicleCircuit, type VehicleSource } from '@/core/switching/vehicleCircuit';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { useHashTarget } from '@/features/workspace/useHashTarget';
import { EmptyStage } from '@/ui/EmptyStage';
import { CircuitsToolbar, type CircuitsShown, type Order } from './CircuitsToolbar';
import { CircuitStrip, StripDetail } from './CircuitStrip';
import { Term } from '@/ui/Prose';
import styles from './CircuitsStage.module.css';
import { useShortcut } from '@/ui/useShortcut';
import { later, laterOver } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';

const ReadingsDrawer = laterOver(() => import('./ReadingsDrawer').then(({ ReadingsDrawer: drawer }) => drawer));

const NewCircuit = laterOver(() => import('./NewCircuit').then(({ NewCircuit: dialog }) => dialog));
const ProtectionView = later(() => import('./ProtectionView').then(({ ProtectionView: view }) => view));
const ProposeDialog = laterOver(() => import('./ProposeDialog').then(({ ProposeDialog: dialog }) => dialog));
const PartsView = later(() => import('./PartsView').then(({ PartsView: view }) => view));
const ZonesView = later(() => import('./ZonesView').then(({ ZonesView: view }) => view));

const OPENED_LATER = [StripDetail, ReadingsDrawer, NewCircuit, ProtectionView, ProposeDialog, PartsView, ZonesView];

/** What is looked at in place of the runs. */
const VIEWS: Record<Exclude<CircuitsShown, 'runs'>, ReactNode> = {
  protection: <ProtectionView />,
  zones: <ZonesView />,
  parts: <PartsView />,
};

const CLOSED_HEIGHT = 76;
const RANK = { fault: 0, caution: 1, note: 2, ok: 3 };

/** The fuse of a new tap on the vehicle’s wiring, A: small beside the vehicle’s own. Common practice. */
const TAP_FUSE_A = 3;

/** Stage Circuits: one run strip per circuit. */
export function CircuitsStage() {
  usePreload(OPENED_LATER);
  const store = useDesignStore();
  // The names of the circuits alone: a strip looks after its own figures, so a key press draws that one again and not the stage.
  const circuitIds = useDesign(({ analysis }) => analysis.circuits.map(({ id }) => id).join(' '));
  const loadCount = useDesign(({ analysis }) => analysis.loads.size);
  const [shown, setShown] = useState<CircuitsShown>('runs');
  const [order, setOrder] = useState<Order>('number');
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const [adding, setAdding] = useState(false);
  const [reading, setReading] = useState(false);
  const [proposing, setProposing] = useState(false);
  const shownIds = useFrozenOrder(circuitIds, order);
  const scroller = useRef<HTMLDivElement>(null);
  const width = useWidth(scroller, shown);
  // eslint-disable-next-line react-hooks/incompatible-library -- its functions are called here and handed to nothing memoised
  const rows = useVirtualizer({
    count: shownIds.length,
    getScrollElement: () => scroller.current,
    estimateSize: (at) => (open.has(shownIds[at]!) ? 330 : CLOSED_HEIGHT),
    getItemKey: (at) => shownIds[at]!,
    overscan: 4,
    initialRect: { width: 1080, height: 640 },
  });

  const show = useCallback(
    (id: string) => {
      const at = shownIds.indexOf(id);
      if (at < 0) {
        // Of no circuit by itself: it stands among the parts, if anywhere here.
        if (!store.getState().design.records.has(id)) return;
        setShown('parts');
        void whenThere(id).then((row) => {
          // Who has begun to write elsewhere meanwhile is left there.
          if (!row || document.activeElement?.matches('input, textarea')) return;
          row.scrollIntoView({ block: 'center' });
          row.querySelector('input')?.focus();
        });
        return;
      }
      setShown('runs');
      setOpen((now) => new Set(now).add(id));
      rows.scrollToIndex(at, { align: 'start' });
      requestAnimationFrame(() =>
        requestAnimationFrame(() => document.getElementById(id)?.querySelector<HTMLElement>('[data-strip-toggle]')?.focus()),
      );
    },
    [shownIds, rows, store],
  );
  useHashTarget(show);

  const toggle = useCallback((id: string) => {
    setOpen((now) => {
      const next = new Set(now);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }, []);
  const move = (by: 1 | -1) => {
    const current = (document.activeElement?.closest('[data-strip]') as HTMLElement | null)?.id;
    const at = Math.min(shownIds.length - 1, Math.max(0, shownIds.indexOf(current ?? '') + by));
    const next = shownIds[at];
    if (next === undefined) return;
    rows.scrollToIndex(at, { align: 'auto' });
    requestAnimationFrame(() => document.getElementById(next)?.querySelector<HTMLElement>('[data-strip-toggle]')?.focus());
  };
  useShortcut('j', () => move(1));
  useShortcut('k', () => move(-1));
  useShortcut('o', () => {
    const current = (document.activeElement?.closest('[data-strip]') as HTMLElement | null)?.id;
    if (current) toggle(current);
  });

  const openAll = useCallback(
    (all: boolean) => setOpen(all ? new Set(store.getState().analysis.circuits.map(({ id }) => id)) : new Set()),
    [store],
  );
  const startAdding = useCallback(() => setAdding(true), []);
  const read = useCallback(() => setReading(true), []);
  const startProposing = useCallback(() => setProposing(true), []);
  const add = (name: string, zoneId: string | null, source: VehicleSource | null) => {
    setAdding(false);
    store.commit(`Add circuit ${name}`, (design) => {
      if (source) return addVehicleCircuit(design, name, zoneId, source, TAP_FUSE_A).change;
      const edit = new Edit(design);
      addCircuit(edit, usualScheme(design, name, zoneId));
      return edit.change;
    });
  };

  return (
    <div className={styles.stage}>
      <CircuitsToolbar
        shown={shown}
        onShown={setShown}
        order={order}
        anyOpen={open.size > 0}
        onOrder={setOrder}
        onOpenAll={openAll}
        onAdd={startAdding}
        onReadings={read}
        onPropose={startProposing}
      />
      {proposing && <ProposeDialog onClose={() => setProposing(false)} />}
      {reading && <ReadingsDrawer onClose={() => setReading(false)} />}
      {adding && <NewCircuit onAdd={add} onClose={() => setAdding(false)} />}
      {shownIds.length === 0 ? (
        <EmptyStage
          title="No circuits yet"
          text={
            loadCount > 0
              ? 'A circuit is one fuse and everything it feeds. The loads you listed can each have one: open the findings and give them a circuit, or add one here and hang loads on it in Loads.'
              : 'A circuit is one fuse and everything it feeds, drawn here as a run to length with its voltage beneath. List the loads first, then give them circuits.'
          }
        >
          <Button type="primary" onClick={() => setAdding(true)}>
            Add the first circuit
          </Button>
        </EmptyStage>
      ) : shown !== 'runs' ? (
        VIEWS[shown]
      ) : (
        <>
          <div className={styles.head}>
            <span>No</span>
            <span>
              <Term of="Circuit" text="Circuit" />
            </span>
            <span>At once of fuse</span>
            <span>Conductor</span>
            <span>
              <Term of="Voltage drop" text="Drop of target" />
            </span>
            <span>Governed by</span>
            <span />
          </div>
          <div className={styles.scroller} ref={scroller} tabIndex={-1}>
            <div className={styles.list} role="list" aria-label="Circuits" style={{ height: rows.getTotalSize() }}>
              {rows.getVirtualItems().map((row) => (
                <div
                  key={row.key}
                  role="listitem"
                  data-index={row.index}
                  ref={rows.measureElement}
                  className={styles.row}
                  style={{ top: row.start }}
                >
                  <CircuitStrip id={shownIds[row.index]!} open={open.has(shownIds[row.index]!)} width={width} onToggle={toggle} />
                </div>
              ))}
            </div>
          </div>
        </>
      )}
    </div>
  );
}

/** The circuits in the chosen order. It stays put while values change, so that a strip being edited does not run away. */
function useFrozenOrder(circuitIds: string, order: Order): string[] {
  const store = useDesignStore();
  return useMemo(() => {
    const { circuits, index } = store.getState().analysis;
    const place = new Map(index.zones.map(({ id }, at) => [id, at]));
    const zoneOf = ({ zoneId }: CircuitAnalysis) => place.get(zoneId ?? '') ?? index.zones.length;
    const standing = new Set(circuitIds.split(' '));
    const sorted = circuits.filter(({ id }) => standing.has(id));
    if (order === 'worst')
      sorted.sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || b.dropPercent / b.targetPercent - a.dropPercent / a.targetPercent);
    if (order === 'zone') sorted.sort((a, b) => zoneOf(a) - zoneOf(b));
    return sorted.map(({ id }) => id);
  }, [store, circuitIds, order]);
}

/** An element once it has been drawn, looked for over some seconds: a view may have to be fetched first. */
async function whenThere(id: string): Promise<HTMLElement | null> {
  for (let tries = 0; tries < 160; tries++) {
    const found = document.getElementById(id);
    if (found) return found;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return null;
}

/** The width of an element that is there in one view and not in another. */
function useWidth(ref: { current: HTMLElement | null }, view: CircuitsShown): number {
  const [width, setWidth] = useState(1040);
  useLayoutEffect(() => {
    if (ref.current) setWidth(ref.current.clientWidth);
  }, [ref, view]);
  useEffect(() => {
    if (!ref.current) return;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, [ref, view]);
  return width;
}
