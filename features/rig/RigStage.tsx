'use client';

import { Button } from 'antd';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { KeepClear } from '@/core/design/schema';
import { newId } from '@/core/design/ids';
import { addPlace, beginRig, removePlace, setPlace } from '@/core/rig/edits';
import { bodyOutline } from '@/core/rig/bodies';
import { isInside, type Point } from '@/core/rig/geometry';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { useHashTarget } from '@/features/workspace/useHashTarget';
import { Dialog } from '@/ui/Dialog';
import { EmptyStage } from '@/ui/EmptyStage';
import { later, laterOver } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';
import { HeldContext, type Held } from './held';
import { PlanView } from './PlanView';
import { RigToolbar } from './RigToolbar';
import { RunCard, wiresOf } from './RunCard';
import type { Layer, Mode, Selection, Shown, View } from './selection';
import { useRefusal } from '@/features/design/useRefusal';
import { VehicleCard } from './VehicleCard';
import styles from './RigStage.module.css';

const KeepClearCard = later(() => import('./KeepClearCard').then(({ KeepClearCard: card }) => card));
const PlaceCard = later(() => import('./PlaceCard').then(({ PlaceCard: card }) => card));
const RouteCard = later(() => import('./RouteCard').then(({ RouteCard: card }) => card));
const ZoneCard = later(() => import('./ZoneCard').then(({ ZoneCard: card }) => card));
const TraceDialog = laterOver(() => import('./TraceDialog').then(({ TraceDialog: dialog }) => dialog));
const CompareDialog = laterOver(() => import('./CompareDialog').then(({ CompareDialog: dialog }) => dialog));
const ImportRig = laterOver(() => import('./ImportRig').then(({ ImportRig: dialog }) => dialog));

const OPENED_LATER = [KeepClearCard, PlaceCard, RouteCard, ZoneCard, TraceDialog, CompareDialog, ImportRig];

/** How long the hand rests before everything is worked out for where it is, ms. */
const REST_MS = 120;
const VIEWS: readonly View[] = ['plan', 'side'];

/** Stage Rig: the vehicle laid out, and what every wire meets in it. */
export function RigStage() {
  usePreload(OPENED_LATER);
  const store = useDesignStore();
  const analysis = useDesign((state) => state.analysis);
  const { index } = analysis;
  const [shown, setShown] = useState<Shown>('both');
  const [layer, setLayer] = useState<Layer>('bundles');
  const [selection, setSelection] = useState<Selection>(null);
  const [large, setLarge] = useState(false);
  const [mode, setMode] = useState<Mode>('look');
  /** Pressed outside the vehicle and not yet confirmed. */
  const [outside, setOutside] = useState<Point | null>(null);
  const [circuitId, setCircuitId] = useState<string | null>(null);
  const [dialog, setDialog] = useState<'trace' | 'import' | { compare: string } | null>(null);
  const { refusal, commit } = useRefusal();
  const shownCircuit = layer === 'circuit' ? (circuitId ?? analysis.circuits[0]?.id ?? null) : null;
  const onRun = useMemo(() => {
    const ids = new Set<string>();
    for (const { id } of wiresOf(analysis, shownCircuit)) {
      const run = index.layout.runs.get(id);
      if (!run) continue;
      ids.add(run.fromPlaceId).add(run.toPlaceId);
      for (const routeId of run.routeIds ?? []) ids.add(routeId);
    }
    return ids;
  }, [analysis, index, shownCircuit]);

  useHashTarget(
    useCallback(
      (id: string) => {
        const record = store.getState().design.records.get(id);
        if (record?.type === 'place' || record?.type === 'route' || record?.type === 'zone' || record?.type === 'keepClear') {
          setSelection({ kind: record.type, id });
        }
      },
      [store],
    ),
  );
  const [held, setHeld] = useState<Held | null>(null);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(resting.current), []);
  const cancel = useCallback(() => {
    clearTimeout(resting.current);
    setHeld(null);
    store.cancel();
    setMode('look');
  }, [store]);
  const move = useCallback(
    (id: string, to: Point, done: boolean) => {
      const make = (design: Parameters<typeof setPlace>[0]) => setPlace(design, id, { xMm: to.xMm, yMm: to.yMm, zMm: to.zMm });
      clearTimeout(resting.current);
      setHeld(done ? null : { id, to });
      if (done) commit('Move a place', make);
      else resting.current = setTimeout(() => store.preview(make), REST_MS);
    },
    [commit, store],
  );
  const remove = useCallback(
    (id: string) => {
      commit('Remove a place', (design) => removePlace(design, id));
      setSelection(null);
    },
    [commit],
  );
  // A mode is left by Escape wherever the focus is, and by choosing something.
  useEffect(() => {
    if (mode === 'look') return;
    const leave = (event: KeyboardEvent) => event.key === 'Escape' && setMode('look');
    window.addEventListener('keydown', leave);
    return () => window.removeEventListener('keydown', leave);
  }, [mode]);
  const select = useCallback((chosen: Selection) => {
    setMode('look');
    setSelection(chosen);
  }, []);
  const addAt = useCallback(
    (at: Point) => {
      let id: string | null = null;
      const refused = commit('Add a place', (design) => {
        const added = addPlace(design, at);
        id = added.id;
        return added.change;
      });
      setMode('look');
      if (!refused && id) setSelection({ kind: 'place', id });
    },
    [commit],
  );
  const press = useCallback(
    (at: Point) => {
      const { layout } = store.getState().analysis.index;
      const { rig } = layout;
      if (isInside(at, bodyOutline(rig)) && at.zMm >= 0 && at.zMm <= rig.heightMm) addAt(at);
      else setOutside(at);
    },
    [addAt, store],
  );
  const keepClear = useCallback(() => {
    const { lengthMm, widthMm, heightMm } = store.getState().analysis.index.layout.rig;
    const room: KeepClear = {
      ...{ id: newId('clear'), type: 'keepClear', name: 'Door', kind: 'sweep', xMm: lengthMm, yMm: widthMm, reachMm: 800 },
      ...{ fromDeg: -90, toDeg: 0, lowMm: 300, highMm: heightMm },
    };
    commit('Add room to keep clear', () => ({ added: [room], updated: [], removed: [] }));
    setSelection({ kind: 'keepClear', id: room.id });
  }, [commit, store]);
  const trace = useCallback(() => setDialog('trace'), []);
  const takeIn = useCallback(() => setDialog('import'), []);
  const compare = useCallback((deviceId: string) => setDialog({ compare: deviceId }), []);

  if (!index.rig && index.places.length === 0) {
    const { vehicle } = index.settings;
    return (
      <EmptyStage
        title="The vehicle, laid out once"
        text="Put down where things are fixed and the stretches cable can take between them, and measure those. Every wire then finds its own way: its length, the bundle it lies in, the heat and the holes it meets, for every later change."
      >
        <Button type="primary" onClick={() => store.commit('Lay out the vehicle', (design) => beginRig(design, vehicle))}>
          Begin with a place in each zone
        </Button>
      </EmptyStage>
    );
  }
  const record = selection && store.getState().design.records.get(selection.id);
  return (
    <div className={styles.stage}>
      <RigToolbar
        shown={shown}
        layer={layer}
        mode={mode}
        onShown={setShown}
        onLayer={setLayer}
        onMode={setMode}
        large={large}
        onLarge={setLarge}
        onKeepClear={keepClear}
        onTrace={trace}
        onImport={takeIn}
      />
      {outside && (
        <Dialog
          open
          title="That is outside the vehicle"
          okText="Put a place there"
          onOk={() => (addAt(outside), setOutside(null))}
          onCancel={() => setOutside(null)}
          width={400}
        >
          Racks, awnings and drawbars stick out; a slip of the hand does too. Put the place there all the same?
        </Dialog>
      )}
      {dialog === 'trace' && <TraceDialog onClose={() => setDialog(null)} />}
      {dialog === 'import' && <ImportRig onClose={() => setDialog(null)} />}
      {dialog !== null && typeof dialog === 'object' && <CompareDialog deviceId={dialog.compare} onClose={() => setDialog(null)} />}
      <div className={`${styles.body} ${large ? styles.large : ''}`}>
        <div className={styles.plans}>
          <HeldContext value={held}>
            {VIEWS.filter((view) => shown === 'both' || shown === view).map((view) => (
              <PlanView
                key={view}
                view={view}
                layer={layer}
                onRun={onRun}
                selection={selection}
                mode={mode}
                heldId={held?.id ?? null}
                onSelect={select}
                onPress={press}
                onMove={move}
                onRemove={remove}
                onCancel={cancel}
              />
            ))}
          </HeldContext>
          {mode === 'addPlace' && <span className={styles.hint}>Press where it is; Escape leaves it.</span>}
        </div>
        <aside hidden={large} className={styles.side} aria-label="What is chosen">
          <div className={styles.sheet}>
            {refusal}
            {layer === 'circuit' && !record && <RunCard circuitId={shownCircuit} onCircuit={setCircuitId} onSelect={setSelection} />}
            {record?.type === 'place' && (
              <PlaceCard key={record.id} place={record} held={held} onSelect={setSelection} onCompare={compare} />
            )}
            {record?.type === 'route' && <RouteCard key={record.id} route={record} onSelect={setSelection} />}
            {record?.type === 'zone' && <ZoneCard key={record.id} zone={record} />}
            {record?.type === 'keepClear' && <KeepClearCard key={record.id} room={record} onSelect={setSelection} />}
            {!record && layer !== 'circuit' && <VehicleCard onSelect={setSelection} />}
          </div>
        </aside>
      </div>
    </div>
  );
}
