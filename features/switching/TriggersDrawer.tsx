'use client';

import { Button, Drawer, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import { readTrigger } from '@/core/bench/triggers';
import { METER_MOVES, METER_STATES, type MeterState } from '@/core/catalog/vocabulary';
import { setting, updateRecords } from '@/core/design/change';
import { devicesOfKind, recordsOf, type Design } from '@/core/design/design';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { Trigger } from '@/core/design/schema';
import { PARTS } from '@/core/devices/parts';
import type { VehicleSignal } from '@/core/devices/signalSource';
import { addLoosePart } from '@/core/switching/partsByHand';
import { MOVE_WORDS, STATE_WORDS, triggerWords } from '@/core/wording/triggerWords';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { FigureField } from '@/ui/FigureField';
import { NameField } from '@/ui/NameField';
import { Table } from '@/ui/Table';
import drawer from '@/ui/Drawer.module.css';
import styles from './Triggers.module.css';

/** Which wire is it? Candidate wires of the vehicle, metered one state after another, each judged for what it is good for. */
export function TriggersDrawer({ onClose }: { onClose(): void }) {
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const triggers = recordsOf(design, 'trigger');
  const add = () =>
    commit('A wire of the vehicle', (now) => {
      const edit = new Edit(now);
      const count = recordsOf(now, 'trigger').length + 1;
      edit.add({ id: newId('trig'), type: 'trigger', name: `Wire ${count}`, readings: [] });
      return edit.change;
    });
  return (
    <Drawer open title="Which wire is it?" placement="right" size={620} onClose={onClose} mask={false} rootClassName={drawer.root}>
      <p>
        Meter volts from the wire to the battery’s minus, one state of the vehicle after another. Probe from the back of a plug; nothing is
        cut and nothing tapped until it is known.
      </p>
      {refusal}
      {triggers.map((trigger) => (
        <Sheet key={trigger.id} trigger={trigger} onCommit={commit} />
      ))}
      <Button onClick={add}>Add a wire</Button>
    </Drawer>
  );
}

function Sheet({ trigger, onCommit }: { trigger: Trigger; onCommit: ReturnType<typeof useRefusal>['commit'] }) {
  const nominalV = useDesign(({ analysis }) => analysis.index.settings.nominalV);
  const known = useDesign(({ design }) =>
    devicesOfKind(design, 'signalSource')
      .flatMap(({ signals }) => signals)
      .join(),
  );
  const read = readTrigger(trigger, nominalV);
  const set = (label: string, fields: Partial<Trigger>) => onCommit(label, (now) => updateRecords(now, [setting(trigger, fields)]));
  const readingAt = (state: MeterState) => trigger.readings.find((one) => one.state === state);
  const put = (state: MeterState, reading: Partial<Trigger['readings'][number]> | null) => {
    const others = trigger.readings.filter((one) => one.state !== state);
    const before = readingAt(state) ?? { state, volts: 0, moves: 'steady' as const };
    return set(`${trigger.name}, ${STATE_WORDS[state]}`, { readings: reading === null ? others : [...others, { ...before, ...reading }] });
  };
  const [signal] = read.signals;
  const canTake = read.isFound && read.polarity === 'live' && signal !== undefined && !known.split(',').includes(signal);
  return (
    <section className={styles.sheet} aria-label={trigger.name}>
      <div className={styles.head}>
        <NameField label="Name of the wire" name={trigger.name} onCommit={(name) => set('Name a wire', { name })} />
        <Button
          size="small"
          aria-label={`Remove ${trigger.name}`}
          icon={<Trash2 size={14} />}
          onClick={() =>
            onCommit(`Remove ${trigger.name}`, (now) => {
              const edit = new Edit(now);
              edit.remove(trigger.id);
              return edit.change;
            })
          }
        />
      </div>
      <p className={`${styles.verdict} ${read.refused ? styles.refused : read.isFound ? styles.found : ''}`} role="status">
        {triggerWords(read)}
      </p>
      {canTake && (
        <Button
          size="small"
          type="primary"
          onClick={() => onCommit(`${trigger.name} is a trigger`, (now) => asSignal(now, signal, trigger))}
        >
          Take it as the vehicle’s wire
        </Button>
      )}
      <label className={styles.gives}>
        It may give
        <FigureField
          label={`What ${trigger.name} may give`}
          unit="A"
          value={trigger.mayDrawA}
          least={0}
          most={50}
          onCommit={(mayDrawA) => set(`What ${trigger.name} may give`, { mayDrawA })}
        />
      </label>
      <Table
        className={styles.table}
        columns={[
          { as: 'name', cell: (state) => STATE_WORDS[state] },
          {
            width: '120px',
            cell: (state) => (
              <FigureField
                label={`Volts, ${STATE_WORDS[state]}`}
                unit="V"
                value={readingAt(state)?.volts}
                least={-60}
                most={60}
                placeholder="not metered"
                width={110}
                onCommit={(volts) => put(state, volts === undefined ? null : { volts })}
              />
            ),
          },
          {
            width: '120px',
            cell: (state) => (
              <Select
                size="small"
                aria-label={`It is, ${STATE_WORDS[state]}`}
                disabled={!readingAt(state)}
                value={readingAt(state)?.moves ?? 'steady'}
                options={METER_MOVES.map((value) => ({ value, label: MOVE_WORDS[value] }))}
                onChange={(moves) => put(state, { moves })}
              />
            ),
          },
        ]}
        rows={METER_STATES}
        keyOf={(state) => state}
        lookOf={(state) => (read.next === state ? styles.next : undefined)}
      />
    </section>
  );
}

/** The wire among the vehicle's signals of the design: to those there are, or as the first. */
function asSignal(design: Design, signal: VehicleSignal, { mayDrawA }: Trigger) {
  const [there] = devicesOfKind(design, 'signalSource');
  if (there) return updateRecords(design, [setting(there, { signals: [...there.signals, signal] })]);
  const { make, ...part } = PARTS.find(({ id }) => id === 'signals')!;
  return addLoosePart(design, { ...part, make: (nominalV) => ({ ...make(nominalV), signals: [signal], ...(mayDrawA && { maxA: mayDrawA }) }) }, null).change; // prettier-ignore
}
