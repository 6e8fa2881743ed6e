'use client';

import { memo, useLayoutEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Analysis } from '@/core/analysis/types';
import type { Point } from '@/core/rig/geometry';
import { useDesign } from '@/features/design/DesignProvider';
import { BendMarks } from './BendMarks';
import { Body } from './Body';
import { ClearRoom } from './ClearRoom';
import { HeldLayer } from './HeldLayer';
import { guessedWidth, measuredWidth, placeLabels, type Box } from './labels';
import { routeTone } from './look';
import { PlaceMark } from './PlaceMark';
import { project, type Projection } from './projection';
import { countAt, RouteVine } from './RouteVine';
import type { Layer, Mode, Selection, View } from './selection';
import { usePan } from './usePan';
import { ZoneGrounds, ZoneNames } from './ZoneGrounds';
import { zoneNames } from './zoneNames';
import styles from './Plan.module.css';

interface PlanViewProps {
  view: View;
  layer: Layer;
  /** Routes and places of the circuit shown. */
  onRun: ReadonlySet<string>;
  selection: Selection;
  mode: Mode;
  /** The place in the hand. */
  heldId: string | null;
  onSelect(selection: Selection): void;
  onPress(at: Point): void;
  onMove(id: string, to: Point, done: boolean): void;
  onRemove(id: string): void;
  onCancel(): void;
}

/** The vehicle from above or from the side, to scale: zones, routes as thick as what lies in them, and places to grab. */
export const PlanView = memo(function PlanView({ view, layer, onRun, selection, mode, heldId, ...hands }: PlanViewProps) {
  const { onSelect, onPress, onMove, onRemove, onCancel } = hands;
  const analysis = useDesign((state) => state.analysis);
  const { layout, places, keepClear, zones } = analysis.index;
  const { rig } = layout;
  const svg = useRef<SVGSVGElement>(null);
  const { width, height } = useSize(svg);
  const widthOf = useSyncExternalStore(
    never,
    () => measuredWidth,
    () => guessedWidth,
  );
  const { pan, zoomBy, fit } = usePan(svg);
  const projection = useMemo(() => project(rig, view, width, height, pan), [rig, view, width, height, pan]);
  const inUse = useMemo(() => usedPlaces(analysis), [analysis]);
  const tones = useMemo(
    () => new Map(analysis.index.routes.map((route) => [route.id, routeTone(route, layer, analysis, onRun)])),
    [analysis, layer, onRun],
  );
  const names = useMemo(
    () => zoneNames(zones, projection, layer, { width, height }, widthOf),
    [zones, projection, layer, width, height, widthOf],
  );
  const labels = useMemo(() => {
    const rank = (id: string) => (selection?.id === id || onRun.has(id) ? 2 : inUse.has(id) ? 1 : 0);
    const wanted = places.map((place) => ({ id: place.id, text: place.name, ...projection.at(place), rank: rank(place.id) }));
    const kept = [...Array.from(names.values(), ({ box }) => box), ...countBoxes(analysis, projection, layer), ...furniture(width, height)];
    return placeLabels(wanted, { width, height }, kept, widthOf);
  }, [places, projection, selection, onRun, inUse, width, height, names, analysis, layer, widthOf]);
  const pointAt = (event: { clientX: number; clientY: number }) => {
    const box = svg.current!.getBoundingClientRect();
    return projection.back(event.clientX - box.left, event.clientY - box.top, { xMm: 0, yMm: rig.widthMm / 2, zMm: 900 });
  };
  const chosenRoute = selection?.kind === 'route' ? layout.routes.get(selection.id)?.route : undefined;
  const pressed = useRef<{ x: number; y: number } | null>(null);

  return (
    <div className={styles.frame}>
      <svg
        ref={svg}
        className={`${styles.plan} ${mode === 'look' ? '' : styles.aiming}`}
        role="group"
        aria-label={view === 'plan' ? 'Plan of the vehicle' : 'The vehicle from the side'}
        onPointerDownCapture={(event) => (pressed.current = { x: event.clientX, y: event.clientY })}
        onClick={(event) => {
          const from = pressed.current;
          const dragged = from && Math.hypot(event.clientX - from.x, event.clientY - from.y) > 4;
          if (dragged || (event.target as Element).closest('[data-grab]')) return;
          if (mode === 'look') onSelect(null);
          else onPress(pointAt(event));
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onCancel();
          if (event.key === '+' || event.key === '=') zoomBy(1.25);
          if (event.key === '-') zoomBy(0.8);
          if (event.key === '0') fit();
        }}
      >
        <Body rig={rig} projection={projection} />
        <ZoneGrounds layer={layer} projection={projection} selectedId={selection?.kind === 'zone' ? selection.id : null} />
        {view === 'plan' &&
          keepClear.map((room) => (
            <ClearRoom key={room.id} room={room} projection={projection} selected={selection?.id === room.id} onSelect={onSelect} />
          ))}
        {Array.from(layout.routes.values(), ({ route, from, to }) => (
          <RouteVine
            key={route.id}
            route={route}
            from={from}
            to={to}
            diameterMm={analysis.bundles.get(route.id)!.diameterMm}
            count={analysis.bundles.get(route.id)!.wires.length}
            counted={layer === 'bundles'}
            tone={tones.get(route.id)!}
            projection={projection}
            selected={selection?.id === route.id}
            carried={heldId !== null && (route.fromId === heldId || route.toId === heldId)}
            onSelect={onSelect}
          />
        ))}
        <ZoneNames layer={layer} names={names} />
        {places.map((place) => (
          <PlaceMark
            key={place.id}
            place={place}
            label={labels.get(place.id)}
            devices={inUse.get(place.id) ?? 0}
            faded={layer === 'circuit' && !onRun.has(place.id)}
            projection={projection}
            selected={selection?.id === place.id}
            carried={heldId === place.id}
            onSelect={onSelect}
            onMove={onMove}
            onRemove={onRemove}
            onCancel={onCancel}
          />
        ))}
        {chosenRoute && <BendMarks route={chosenRoute} projection={projection} />}
        <ScaleBar projection={projection} width={width} height={height} />
      </svg>
      {heldId && <HeldLayer analysis={analysis} projection={projection} labels={labels} />}
      <div className={styles.zoom} role="group" aria-label="Zoom">
        <button type="button" aria-label="Zoom in" onClick={() => zoomBy(1.4)}>
          +
        </button>
        <button type="button" aria-label="Zoom out" onClick={() => zoomBy(0.7)}>
          −
        </button>
        <button type="button" aria-label="Show all of the vehicle" onClick={fit}>
          all
        </button>
      </div>
      <span className={styles.front}>◂ front</span>
    </div>
  );
});

const never = () => () => undefined;

/** Where the numbers of conductors are written, to be left free. */
function countBoxes({ index, bundles }: Analysis, projection: Projection, layer: Layer): Box[] {
  if (layer !== 'bundles') return [];
  return Array.from(index.layout.routes.values()).flatMap(({ route, from, to }) => {
    const { wires, diameterMm } = bundles.get(route.id)!;
    const at = countAt(route, from, to, diameterMm, projection);
    return wires.length > 1 && at ? [{ left: at.x - 5, right: at.x + 5, top: at.y - 9, bottom: at.y + 1 }] : [];
  });
}

/** What stands on the drawing itself: the word at its front, the zoom, the scale. */
function furniture(width: number, height: number): Box[] {
  return [
    { left: 0, right: 60, top: 0, bottom: 26 },
    { left: 0, right: 110, top: height - 42, bottom: height },
    { left: width - 130, right: width, top: height - 30, bottom: height },
  ];
}

/** A metre, or three feet, at the drawing's scale. */
function ScaleBar({ projection, width, height }: { projection: ReturnType<typeof project>; width: number; height: number }) {
  const units = useDesign(({ analysis }) => analysis.index.settings.units);
  const [mm, words] = units === 'metric' ? [1000, '1 m'] : [914.4, '3 ft'];
  const length = projection.px(mm);
  return (
    <g className={styles.scale} transform={`translate(${width - length - 16} ${height - 14})`} aria-hidden>
      <path d={`M0 -4 V0 H${length} V-4`} />
      <text x={length / 2} y={-5}>
        {words}
      </text>
    </g>
  );
}

function usedPlaces({ index }: Analysis): Map<string, number> {
  const used = new Map<string, number>();
  for (const { placeId } of index.devices.values()) if (placeId) used.set(placeId, (used.get(placeId) ?? 0) + 1);
  return used;
}

function useSize(ref: { current: SVGSVGElement | null }): { width: number; height: number } {
  const [size, setSize] = useState({ width: 780, height: 520 });
  useLayoutEffect(() => {
    if (!ref.current) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width: Math.round(width), height: Math.round(height) });
    });
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, [ref]);
  return size;
}
