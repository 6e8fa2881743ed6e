'use client';

import { DndContext, DragOverlay, PointerSensor, pointerWithin, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { nameOf } from '@/core/design/names';
import { recordOf } from '@/core/design/design';
import type { TerminalRef } from '@/core/design/schema';
import { sensibleEnds, type WireEnd } from '@/core/switching/drawWire';
import { terminalName } from '@/core/wording/terminalNames';
import { useDesign } from '@/features/design/DesignProvider';
import { DrawWireDialog } from './DrawWireDialog';
import styles from './WireDrawing.module.css';

const keyOf = ({ deviceId, terminal }: TerminalRef) => `${deviceId}/${terminal}`;

interface Drawing {
  /** Where the wire in the hand may go, by terminal; null while none is in the hand. */
  sensible: ReadonlySet<string> | null;
  draw(from: TerminalRef): void;
}

const WireInHand = createContext<Drawing | null>(null);

/**
 * Lets wires be drawn from terminal to terminal: by pulling one onto another, or from a list. While one is pulled, ends it may go to are marked, and those that are
 * not among these rows stand beside them.
 * @param shown the devices whose terminals are in the rows
 */
export function WireDrawing({ shown, children }: { shown: readonly string[]; children: ReactNode }) {
  const design = useDesign((state) => state.design);
  const [pulled, setPulled] = useState<TerminalRef | null>(null);
  const [drawn, setDrawn] = useState<{ from: TerminalRef; to?: TerminalRef } | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const ends = useMemo(() => (pulled ? sensibleEnds(design, pulled) : []), [design, pulled]);
  const drawing = useMemo(
    () => ({ sensible: pulled && new Set(ends.map(keyOf)), draw: (from: TerminalRef) => setDrawn({ from }) }),
    [pulled, ends],
  );
  const aside = ends.filter(({ deviceId }) => !shown.includes(deviceId));
  return (
    <WireInHand.Provider value={drawing}>
      <DndContext
        id="wires"
        sensors={sensors}
        collisionDetection={pointerWithin}
        onDragStart={({ active }) => setPulled(active.data.current as TerminalRef)}
        onDragCancel={() => setPulled(null)}
        onDragEnd={({ over }) => {
          if (pulled && over) setDrawn({ from: pulled, to: over.data.current as TerminalRef });
          setPulled(null);
        }}
      >
        {children}
        {pulled && (
          <aside className={styles.aside} aria-label="Where the wire may go">
            {ends.length === 0 && <p>Nothing can sensibly be joined to it.</p>}
            {aside.map((end) => (
              <AsideEnd key={keyOf(end)} end={end} />
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

function wordOf(design: Parameters<typeof recordOf>[0], { deviceId, terminal }: TerminalRef): string {
  const device = recordOf(design, deviceId, 'device');
  return device ? terminalName(device, terminal) : terminal;
}

function AsideEnd({ end: { deviceId, terminal, device } }: { end: WireEnd }) {
  const { setNodeRef, isOver } = useDroppable({ id: `aside ${deviceId}/${terminal}`, data: { deviceId, terminal } });
  return (
    <div ref={setNodeRef} className={isOver ? styles.over : undefined}>
      {device.name}, <b>{terminalName(device, terminal)}</b>
    </div>
  );
}

/** A terminal’s name: pulled onto another it draws a wire, and another may be pulled onto it. */
export function Terminal({ at, children }: { at: TerminalRef; children: ReactNode }) {
  const sensible = useContext(WireInHand)?.sensible ?? null;
  const key = keyOf(at);
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
