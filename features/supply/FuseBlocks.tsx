'use client';

import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  rectIntersection,
  useDroppable,
  useSensor,
  useSensors,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core';
import { useState } from 'react';
import type { BlockAnalysis, CircuitAnalysis } from '@/core/analysis/types';
import { updateRecords } from '@/core/design/change';
import type { Design } from '@/core/design/design';
import type { FuseBlock, Protection } from '@/core/design/schema';
import { LIMITS } from '@/core/catalog/vocabulary';
import { nameOf } from '@/core/design/names';
import { mountFuse } from '@/core/switching/schemes';
import { firstFreeSlot } from '@/core/switching/usualScheme';
import { formatAmps, formatRating } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { nextByArrow } from '@/ui/nextByArrow';
import { QuantityField } from '@/ui/QuantityField';
import { Button, Select } from 'antd';
import { Fuse, Slot } from './Slot';
import { BlockSettings } from './BlockSettings';
import styles from './FuseBlocks.module.css';

type Mount = Protection['mount'];

/** The fuse blocks, each slot with its fuse and circuit. A fuse is moved by dragging it, or with Space and the arrows. */
export function FuseBlocks() {
  const store = useDesignStore();
  const blocks = useDesign(({ analysis }) => analysis.blocks);
  const circuits = useDesign(({ analysis }) => analysis.circuits);
  const design = useDesign((state) => state.design);
  const [dragged, setDragged] = useState<string | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: nextByArrow,
      keyboardCodes: { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] },
    }),
  );
  const unplaced = circuits.filter(({ block }) => block === null);

  const place = (protectionId: string, mount: Mount) =>
    store.commit(
      mount
        ? `Put ${nameOf(design, protectionId)} in ${mount.tap ? 'a tap on ' : ''}slot ${mount.slot}`
        : `Take ${nameOf(design, protectionId)} out`,
      (now) => mountFuse(now, protectionId, mount),
    );
  const onDragEnd = ({ active, over: under }: DragEndEvent) => {
    setDragged(null);
    if (!under) return;
    const [blockId, slot] = String(under.id).split('/');
    place(String(active.id), blockId === 'tray' ? null : { blockId: blockId!, slot: Number(slot) });
  };
  return (
    <DndContext
      id="slots"
      sensors={sensors}
      collisionDetection={slotUnder}
      autoScroll={SCROLL_AT_EDGE}
      onDragStart={({ active }) => setDragged(String(active.id))}
      onDragOver={({ over: under }) => setOver(under && String(under.id))}
      onDragEnd={onDragEnd}
      onDragCancel={() => setDragged(null)}
      accessibility={{
        screenReaderInstructions: {
          draggable: 'Press Space to pick the fuse up, arrows to move it from slot to slot, Space to put it down, Escape to leave it.',
        },
        announcements: {
          onDragStart: ({ active }) => `Picked up ${nameOf(design, String(active.id))}`,
          onDragOver: ({ active, over }) => (over ? placeWords(design, String(active.id), String(over.id)) : 'Over nothing'),
          onDragEnd: ({ over }) => (over ? 'Put down' : 'Left where it was'),
          onDragCancel: () => 'Left where it was',
        },
      }}
    >
      {blocks.map((block) => (
        <Block key={block.id} block={block} />
      ))}
      <Tray unplaced={unplaced} onPlace={place} />
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <span className={styles.lifted}>
            {nameOf(design, dragged)}
            {over && <small aria-hidden>{placeWords(design, dragged, over)}</small>}
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}

function Block({ block }: { block: BlockAnalysis }) {
  const store = useDesignStore();
  const record = useDesign(({ design }) => design.records.get(block.id)) as FuseBlock;
  const zone = useDesign(({ design }) => nameOf(design, record.zoneId ?? undefined));
  const set = (fields: Partial<FuseBlock>) => (design: Parameters<typeof updateRecords>[0]) =>
    updateRecords(design, [{ id: block.id, set: fields }]);
  const most = Math.max(1, ...block.slots.filter(({ protectionId, tap }) => protectionId ?? tap).map(({ slot }) => slot));
  const half = Math.ceil(block.slots.length / 2);
  return (
    <section className={styles.block} id={block.id} aria-label={record.name}>
      <header className={styles.head}>
        <h3>{record.name}</h3>
        <span className={styles.soft}>{zone}</span>
        <BlockSettings block={record} />
        <span className={styles.figure}>
          <span className="reading">{formatAmps(block.peakA)}</span> at once of
        </span>
        <QuantityField
          label={`Most for ${record.name}`}
          value={block.blockMaxA}
          decimals={0}
          unit="A"
          least={1}
          most={500}
          width={78}
          onCommit={(blockMaxA) => store.commit(`Change ${record.name}`, set({ blockMaxA }))}
        />
        <span className={styles.soft}>each slot up to</span>
        <QuantityField
          label={`Most per slot of ${record.name}`}
          value={block.slotMaxA}
          decimals={0}
          unit="A"
          least={1}
          most={100}
          width={70}
          onCommit={(slotMaxA) => store.commit(`Change ${record.name}`, set({ slotMaxA }))}
        />
        <QuantityField
          label={`Slots of ${record.name}`}
          value={block.slots.length}
          decimals={0}
          unit="slots"
          least={most}
          most={LIMITS.slots}
          width={86}
          onCommit={(slots) => store.commit(`Change ${record.name}`, set({ slots: Math.round(slots) }))}
        />
        <span className={styles.soft}>{block.spare} spare</span>
        {!block.fed && <span className={styles.dead}>not wired to the battery</span>}
      </header>
      <div className={styles.columns}>
        {[block.slots.slice(0, half), block.slots.slice(half)].map((slots, at) => (
          <ol key={at} className={styles.slots} start={at * half + 1}>
            {slots.map((slot) => (
              <Slot key={slot.slot} blockId={block.id} slot={slot} />
            ))}
          </ol>
        ))}
      </div>
    </section>
  );
}

function Tray({ unplaced, onPlace }: { unplaced: CircuitAnalysis[]; onPlace(protectionId: string, mount: Mount): void }) {
  const store = useDesignStore();
  const blocks = useDesign(({ analysis }) => analysis.blocks);
  const names = useDesign(({ design }) => design);
  const tappable = blocks.flatMap(({ id: blockId, slots }) =>
    slots
      .filter(({ protectionId, tap }) => protectionId !== null && tap === null)
      .map(({ slot, circuitId, protectionId }) => ({
        value: `${blockId}/${slot}`,
        label: `${nameOf(names, blockId)} ${slot}, ${nameOf(names, circuitId ?? protectionId ?? undefined)}`,
      })),
  );
  const { setNodeRef, isOver } = useDroppable({ id: 'tray' });
  return (
    <section ref={setNodeRef} className={`${styles.tray} ${isOver ? styles.over : ''}`} aria-label="Circuits without a slot">
      <b>Without a slot</b>
      {unplaced.length === 0 && <span className={styles.soft}>every circuit has one; drag a fuse here to take it out</span>}
      {unplaced.map((circuit) => (
        <span key={circuit.id} className={styles.waiting}>
          <Fuse id={circuit.protectionId} ratingA={circuit.ratingA} label={`${circuit.name}, ${formatRating(circuit.ratingA)}, no slot`} />
          {circuit.name}
          <Button
            size="small"
            onClick={() => {
              const mount = firstFreeSlot(store.getState().design);
              if (mount) onPlace(circuit.protectionId, mount);
            }}
          >
            Next free slot
          </Button>
          {tappable.length > 0 && (
            <Select<string>
              size="small"
              aria-label={`Tap a slot for ${circuit.name}`}
              placeholder="or a tap on …"
              value={null}
              style={{ width: 190 }}
              popupMatchSelectWidth={false}
              showSearch={{ optionFilterProp: 'label' }}
              onChange={(key) => {
                const [blockId, slot] = key.split('/');
                onPlace(circuit.protectionId, { blockId: blockId!, slot: Number(slot), tap: 'supply' });
              }}
              options={tappable}
            />
          )}
        </span>
      ))}
    </section>
  );
}

/** Only close to the edge, so that the tray low on the page does not slip away from under a fuse. */
const SCROLL_AT_EDGE = { threshold: { x: 0, y: 0.05 } };

/** What putting a fuse down would do. */
function placeWords(design: Design, protectionId: string, over: string): string {
  if (over === 'tray') return 'Over the circuits without a slot: it would be taken out';
  const [blockId, slot] = over.split('/');
  const there = Array.from(design.records.values()).find(
    (record) =>
      record.type === 'device' && record.kind === 'protection' && record.mount?.blockId === blockId && record.mount!.slot === Number(slot),
  );
  const where = `Over slot ${slot} of ${nameOf(design, blockId)}`;
  if (!there) return `${where}, which is free`;
  return there.id === protectionId ? `${where}, where it was` : `${where}: it would change places with ${nameOf(design, there.id)}`;
}

/** The slot under the pointer; for the keyboard, which has none, the one the carried fuse lies over most. */
const slotUnder: CollisionDetection = (drag) => {
  const pointed = pointerWithin(drag);
  return pointed.length > 0 ? pointed : rectIntersection(drag);
};
