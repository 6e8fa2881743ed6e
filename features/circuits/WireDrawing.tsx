'use client';

import { DndContext, DragOverlay, PointerSensor, pointerWithin, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { createContext, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { nameOf } from '@/core/design/names';
import { recordOf } from '@/core/design/design';
import type { TerminalRef } from '@/core/design/schema';
import { pointKey } from '@/core/diagnosis/foresee';
import { sensibleEnds, type WireEnd } from '@/core/switching/drawWire';
import { terminalName } from '@/core/wording/terminalNames';
import { useDesign } from '@/features/design/DesignProvider';
import { DrawWireDialog } from './DrawWireDialog';
import styles from './WireDrawing.module.css';

interface Drawing {
  /** Where the wire in the hand may go, by terminal; null while none is in the hand. */
  sensible: ReadonlySet<string> | null;
  draw(from: TerminalRef): void;
}

const WireInHand = createContext<Drawing | null>(null);

/**
 * Lets wires be drawn from terminal to terminal: by pulling one onto another, or from a list. While one is pulled, ends it may go to are
 * marked, and those that could not be seen as it was taken up stand beside the rows. The rows lie still meanwhile: terminals are small, and
 * none may run away from under the hand.
 */
export function WireDrawing({ children }: { children: ReactNode }) {
  const design = useDesign((state) => state.design);
  const [pulled, setPulled] = useState<TerminalRef | null>(null);
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set());
  const [drawn, setDrawn] = useState<{ from: TerminalRef; to?: TerminalRef } | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const ends = useMemo(() => (pulled ? sensibleEnds(design, pulled) : []), [design, pulled]);
  const drawing = useMemo(
    () => ({ sensible: pulled && new Set(ends.map(pointKey)), draw: (from: TerminalRef) => setDrawn({ from }) }),
    [pulled, ends],
  );
  const letGo = useLastPointerUp();
  const aside = ends.filter((end) => !seen.has(pointKey(end)));
  return (
    <WireInHand.Provider value={drawing}>
      <DndContext
        id="wires"
        sensors={sensors}
        collisionDetection={pointerWithin}
        autoScroll={false}
        onDragStart={({ active }) => {
          setSeen(terminalsInSight());
          setPulled(active.data.current as TerminalRef);
        }}
        onDragCancel={() => setPulled(null)}
        onDragEnd={() => {
          const key = letGo.current && terminalUnder(letGo.current);
          const to = ends.find((end) => pointKey(end) === key);
          if (pulled && to) setDrawn({ from: pulled, to: { deviceId: to.deviceId, terminal: to.terminal } });
          setPulled(null);
        }}
      >
        {children}
        {pulled && (
          <aside className={styles.aside} aria-label="Where the wire may go">
            {ends.length === 0 && <p>Nothing can sensibly be joined to it.</p>}
            {aside.map((end) => (
              <AsideEnd key={pointKey(end)} end={end} />
            ))}
          </aside>
        )}
        <DragOverlay dropAnimation={null}>
          {pulled && (
            <span className={styles.held}>
              {nameOf(design, pulled.deviceId)}, {wordOf(design, pulled)}
            </span>
          )}
        </DragOverlay>
      </DndContext>
      {drawn && <DrawWireDialog from={drawn.from} to={drawn.to} onClose={() => setDrawn(null)} />}
    </WireInHand.Provider>
  );
}

/** Where a pointer was last let go, in the window. */
function useLastPointerUp() {
  const last = useRef<{ x: number; y: number } | null>(null);
  useEffect(() => {
    const keep = ({ clientX, clientY }: PointerEvent) => (last.current = { x: clientX, y: clientY });
    window.addEventListener('pointerup', keep, true);
    return () => window.removeEventListener('pointerup', keep, true);
  }, []);
  return last;
}

/**
 * The terminal that is seen under a point. What was measured as the wire was pulled may have moved on since, in a list that is scrolled or
 * on a slow machine.
 */
function terminalUnder({ x, y }: { x: number; y: number }): string | undefined {
  const under = document.elementsFromPoint(x, y).map((element) => element.closest<HTMLElement>('[data-terminal]'));
  return under.find(Boolean)?.dataset.terminal;
}

function terminalsInSight(): Set<string> {
  const all = [...document.querySelectorAll<HTMLElement>('[data-terminal]')];
  const inSight = all.filter((element) => {
    const { left, top, width, height } = element.getBoundingClientRect();
    return document.elementsFromPoint(left + width / 2, top + height / 2).includes(element);
  });
  return new Set(inSight.map((element) => element.dataset.terminal!));
}

function wordOf(design: Parameters<typeof recordOf>[0], { deviceId, terminal }: TerminalRef): string {
  const device = recordOf(design, deviceId, 'device');
  return device ? terminalName(device, terminal) : terminal;
}

function AsideEnd({ end: { deviceId, terminal, device } }: { end: WireEnd }) {
  const { setNodeRef, isOver } = useDroppable({ id: `aside ${deviceId}/${terminal}`, data: { deviceId, terminal } });
  return (
    <div ref={setNodeRef} data-terminal={pointKey({ deviceId, terminal })} className={isOver ? styles.over : undefined}>
      {device.name}, <b>{terminalName(device, terminal)}</b>
    </div>
  );
}

/** A terminal’s name: pulled onto another it draws a wire, and another may be pulled onto it. */
export function Terminal({ at, children }: { at: TerminalRef; children: ReactNode }) {
  const sensible = useContext(WireInHand)?.sensible ?? null;
  const key = pointKey(at);
  const isEnd = sensible?.has(key) ?? false;
  const drag = useDraggable({ id: key, data: at });
  const drop = useDroppable({ id: `to ${key}`, data: at, disabled: !isEnd });
  return (
    <b
      ref={(node) => {
        drag.setNodeRef(node);
        drop.setNodeRef(node);
      }}
      title="Pull it onto another terminal to draw a wire"
      data-terminal={key}
      className={`${styles.terminal} ${isEnd ? styles.end : ''} ${drop.isOver ? styles.over : ''}`}
      onPointerDown={drag.listeners?.onPointerDown as React.PointerEventHandler | undefined}
    >
      {children}
    </b>
  );
}

/** Begins a wire from a terminal, to be finished from a list. */
export function useDrawWire(): (from: TerminalRef) => void {
  return useContext(WireInHand)!.draw;
}
