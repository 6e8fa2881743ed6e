'use client';

import { DndContext, KeyboardSensor, PointerSensor, pointerWithin, rectIntersection, useDraggable, useDroppable, useSensor, useSensors, type CollisionDetection, type DragEndEvent } from '@dnd-kit/core'; // prettier-ignore
import { Button, Drawer, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { PANEL_USES } from '@/core/catalog/vocabulary';
import { setting, updateRecords } from '@/core/design/change';
import { recordOf, recordsOf, type Design } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { nameOf } from '@/core/design/names';
import type { Panel, PanelPart } from '@/core/design/schema';
import { addPanel, movePanel, panelsOffered, positionsOf, reshapePanel, seat, unseat, unseated, type Seatable } from '@/core/switching/panels'; // prettier-ignore
import { handleName } from '@/core/wording/benchWords';
import { PANEL_USE_WORDS } from '@/core/wording/panelWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { NameField } from '@/ui/NameField';
import { nextByArrow } from '@/ui/nextByArrow';
import { QuantityField } from '@/ui/QuantityField';
import drawer from '@/ui/Drawer.module.css';
import styles from './PanelsDrawer.module.css';

type Commit = ReturnType<typeof useRefusal>['commit'];

/** The panels, dashes, housings and fobs: their positions, and what sits where. */
export function PanelsDrawer({ onClose }: { onClose(): void }) {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const panels = recordsOf(design, 'panel');
  const offers = panelsOffered(design);
  // Escape leaves what is carried where it was, and no more.
  const [isCarrying, setCarrying] = useState(false);
  return (
    <Drawer
      open
      title="Panels"
      placement="right"
      size={640}
      onClose={onClose}
      mask={false}
      keyboard={!isCarrying}
      rootClassName={drawer.root}
    >
      <p>
        What sits where, seen from the front. A thing is put in a position by dragging it there, with Space and the arrows, or by choosing
        it in the list beneath its panel. It takes its panel’s place in the vehicle.
      </p>
      {refusal}
      {panels.map((panel) => (
        <PanelSheet key={panel.id} panel={panel} onCarry={setCarrying} onCommit={commit} />
      ))}
      <div className={styles.offers}>
        {offers.map((offer) => (
          <Button
            key={`${offer.use} ${offer.name}`}
            onClick={() => commit(`A ${PANEL_USE_WORDS[offer.use]}: ${offer.name}`, (now) => addPanel(now, offer).change)}
          >
            {`${offer.name}: ${PANEL_USE_WORDS[offer.use]} with ${offer.things.length} on it`}
          </Button>
        ))}
        <Button
          type={panels.length === 0 && offers.length === 0 ? 'primary' : 'default'}
          onClick={() =>
            commit('A panel', (now) => {
              const name = `Panel ${recordsOf(now, 'panel').length + 1}`;
              const { change, panelId } = addPanel(now, { use: 'panel', name, place: null, things: [] });
              const [panel] = change.added.filter((record) => record.id === panelId);
              return { ...change, added: panel ? [{ ...panel, columns: 5, rows: 1 } as Panel] : [] };
            })
          }
        >
          An empty panel
        </Button>
      </div>
    </Drawer>
  );
}

interface PanelSheetProps {
  panel: Panel;
  /** Whether something is being carried. */
  onCarry(isCarrying: boolean): void;
  onCommit: Commit;
}

function PanelSheet({ panel, onCarry, onCommit }: PanelSheetProps) {
  const design = useDesign((state) => state.design);
  const places = useDesign(({ analysis }) => analysis.index.places);
  const [chosen, choose] = useState<number | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: nextByArrow,
      keyboardCodes: { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] },
    }),
  );
  const positions = positionsOf(design, panel);
  const loose = unseated(design, panel.use);
  const put = (position: number, thing: Seatable) =>
    onCommit(`${thingName(thing)} in position ${position} of ${panel.name}`, (now) => seat(now, panel.id, position, thing));
  const takeOut = (part: PanelPart) =>
    onCommit(`Take ${nameOf(design, part.deviceId)} out of ${panel.name}`, (now) => unseat(now, part.id));
  const nameAt = (key: string) => {
    const thing = thingOf(design, key);
    return thing ? thingName(thing) : key;
  };
  // After the key that ends it has been heard by all.
  const letGo = () => setTimeout(() => onCarry(false));
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over) return;
    const thing = thingOf(design, String(active.id));
    const part = positions.find((one) => one && keyOfPart(one) === active.id);
    if (over.id !== 'tray') {
      if (thing) put(Number(over.id), thing);
    } else if (part) takeOut(part);
  };
  const set = (label: string, fields: Partial<Panel>) => onCommit(label, (now) => updateRecords(now, [setting(panel, fields)]));
  const shape = (columns: number, rows: number) =>
    onCommit(`${panel.name}: ${columns} by ${rows}`, (now) => reshapePanel(now, panel.id, Math.round(columns), Math.round(rows)));
  const seen = chosen !== null && chosen <= positions.length ? chosen : null;
  return (
    <section className={styles.sheet} aria-label={panel.name}>
      <div className={styles.head}>
        <NameField label="Name of the panel" name={panel.name} onCommit={(name) => set('Name a panel', { name })} />
        <Select
          size="small"
          aria-label={`What ${panel.name} is`}
          value={panel.use}
          disabled={positions.some((part) => part !== null)}
          options={PANEL_USES.map((value) => ({ value, label: PANEL_USE_WORDS[value] }))}
          onChange={(use) => set('What a panel is', { use })}
        />
        <Button
          size="small"
          aria-label={`Remove ${panel.name}`}
          icon={<Trash2 size={14} />}
          onClick={() =>
            onCommit(`Remove ${panel.name}`, (now) => {
              const edit = new Edit(now);
              edit.remove(panel.id);
              return edit.change;
            })
          }
        />
      </div>
      <div className={styles.shape}>
        <QuantityField
          {...{ label: `Columns of ${panel.name}`, value: panel.columns, decimals: 0, unit: 'across', least: 1, most: 12, width: 92 }}
          onCommit={(columns) => shape(columns, panel.rows)}
        />
        <QuantityField
          {...{ label: `Rows of ${panel.name}`, value: panel.rows, decimals: 0, unit: 'down', least: 1, most: 12, width: 84 }}
          onCommit={(rows) => shape(panel.columns, rows)}
        />
        {panel.use !== 'fob' && (
          <Select
            size="small"
            showSearch
            allowClear
            optionFilterProp="label"
            aria-label={`Place of ${panel.name}`}
            placeholder="place in the vehicle"
            style={{ minWidth: 200 }}
            value={panel.placeId}
            options={places.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(placeId: string | undefined) =>
              onCommit(`Place of ${panel.name}`, (now) => movePanel(now, panel.id, placeId ?? null))
            }
          />
        )}
      </div>
      <DndContext
        id={`panel-${panel.id}`}
        sensors={sensors}
        collisionDetection={seatUnder}
        onDragStart={() => onCarry(true)}
        onDragCancel={letGo}
        onDragEnd={(event) => {
          letGo();
          onDragEnd(event);
        }}
        accessibility={{
          screenReaderInstructions: {
            draggable: 'Press Space to pick it up, arrows to move it over a position, Space to put it down, Escape to leave it.',
          },
          announcements: {
            onDragStart: ({ active }) => `Picked up ${nameAt(String(active.id))}`,
            onDragOver: ({ over }) =>
              over ? (over.id === 'tray' ? 'Over what is on no panel' : `Over position ${over.id}`) : 'Over nothing',
            onDragEnd: ({ over }) => (over ? 'Put down' : 'Left where it was'),
            onDragCancel: () => 'Left where it was',
          },
        }}
      >
        <ol className={styles.face} style={{ gridTemplateColumns: `repeat(${panel.columns}, minmax(74px, 1fr))` }}>
          {positions.map((part, at) => (
            <Position key={at} number={at + 1} part={part} isChosen={seen === at + 1} onChoose={() => choose(at + 1)} />
          ))}
        </ol>
        {seen !== null && (
          <Chosen
            key={`${seen} ${positions[seen - 1]?.id ?? ''}`}
            number={seen}
            part={positions[seen - 1] ?? null}
            loose={loose}
            onPut={(thing) => put(seen, thing)}
            onTakeOut={takeOut}
            onCommit={onCommit}
          />
        )}
        <Tray loose={loose} />
      </DndContext>
    </section>
  );
}

interface PositionProps {
  number: number;
  part: PanelPart | null;
  isChosen: boolean;
  onChoose(): void;
}

function Position({ number, part, isChosen, onChoose }: PositionProps) {
  const { setNodeRef, isOver } = useDroppable({ id: number });
  return (
    <li ref={setNodeRef} className={`${styles.seat} ${isOver ? styles.over : ''} ${isChosen ? styles.chosen : ''}`}>
      <button type="button" className={styles.pick} aria-pressed={isChosen} aria-label={`Position ${number}`} onClick={onChoose}>
        <span className="reading">{number}</span>
      </button>
      {part ? <Thing id={keyOfPart(part)} part={part} /> : <span className={styles.empty}>free</span>}
    </li>
  );
}

function Thing({ id, part }: { id: string; part?: PanelPart }) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id });
  const name = useDesign(({ design }) => {
    const thing = thingOf(design, id);
    return thing ? thingName(thing) : id;
  });
  return (
    <button
      ref={setNodeRef}
      type="button"
      className={`${styles.thing} ${isDragging ? styles.lifted : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      {...attributes}
      {...listeners}
      title={`${name}: drag it, or press Space`}
    >
      {part?.legend ?? name}
    </button>
  );
}

function Tray({ loose }: { loose: readonly Seatable[] }) {
  const { setNodeRef, isOver } = useDroppable({ id: 'tray' });
  return (
    <div ref={setNodeRef} className={`${styles.tray} ${isOver ? styles.over : ''}`} role="group" aria-label="On no panel">
      <span>On no panel:</span>
      {loose.length === 0 && <span className={styles.empty}>nothing</span>}
      {loose.map((thing) => (
        <Thing key={keyOf(thing)} id={keyOf(thing)} />
      ))}
    </div>
  );
}

interface ChosenProps {
  number: number;
  part: PanelPart | null;
  loose: readonly Seatable[];
  onPut(thing: Seatable): void;
  onTakeOut(part: PanelPart): void;
  onCommit: Commit;
}

/** The position that was clicked: what sits in it and what is written beside it. */
function Chosen({ number, part, loose, onPut, onTakeOut, onCommit }: ChosenProps) {
  const design = useDesign((state) => state.design);
  const there = part && thingOf(design, keyOfPart(part));
  const things = there ? [there, ...loose] : loose;
  return (
    <div className={styles.chosenRow} role="group" aria-label={`Position ${number}, what is in it`}>
      <span className="reading">{number}</span>
      <Select
        size="small"
        showSearch
        optionFilterProp="label"
        aria-label={`In position ${number}`}
        placeholder="put something here"
        style={{ minWidth: 220 }}
        value={part ? keyOfPart(part) : null}
        options={things.map((thing) => ({ value: keyOf(thing), label: thingName(thing) }))}
        onChange={(key: string) => {
          const thing = thingOf(design, key);
          if (thing) onPut(thing);
        }}
      />
      {part && (
        <>
          <NameField
            label={`Legend of position ${number}`}
            name={part.legend ?? ''}
            placeholder={there ? thingName(there) : 'legend'}
            mayBeEmpty
            onCommit={(legend) =>
              onCommit(`Legend of position ${number}`, (now) =>
                updateRecords(now, [setting(part, { legend: legend === '' ? undefined : legend })]),
              )
            }
          />
          <Button size="small" onClick={() => onTakeOut(part)}>
            Take it out
          </Button>
        </>
      )}
    </div>
  );
}

const keyOf = ({ device, control }: Seatable) => `${device.id}/${control ?? ''}`;
const keyOfPart = ({ deviceId, control }: PanelPart) => `${deviceId}/${control ?? ''}`;

function thingOf(design: Design, key: string): Seatable | null {
  const [deviceId = '', control] = key.split('/');
  const device = recordOf(design, deviceId, 'device');
  return device && { device, ...(control && { control }) };
}

const thingName = ({ device, control }: Seatable) => (control === undefined ? device.name : handleName(device, control));

/** What the pointer is in; what the lifted one overlaps most when it is moved by key. */
const seatUnder: CollisionDetection = (args) => (args.pointerCoordinates ? pointerWithin(args) : rectIntersection(args));
