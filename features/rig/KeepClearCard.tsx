'use client';

import { Button, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import type { KeepClear } from '@/core/design/schema';
import { LIMITS, SWEEP_AXES, type SweepAxis } from '@/core/catalog/vocabulary';
import { setKeepClear } from '@/core/rig/edits';
import { useUnits } from '@/features/design/DesignProvider';
import { Field, Fields } from '@/ui/Fields';
import { MmField } from '@/ui/MmField';
import { NameField } from '@/ui/NameField';
import { QuantityField } from '@/ui/QuantityField';
import type { Selection } from './selection';
import { useRefusal } from '@/features/design/useRefusal';
import styles from './Cards.module.css';

const SIDES: ['xMm' | 'yMm' | 'reachMm' | 'lowMm' | 'highMm', string][] = [
  ['xMm', 'From the front'],
  ['yMm', 'From the left'],
  ['reachMm', 'Reach'],
  ['lowMm', 'From height'],
  ['highMm', 'Up to height'],
];

type Side = (typeof SIDES)[number][0];

/** How each axis is spoken of: what its ends are called, what of it does not matter, and how its angles run. */
const AXES: Record<SweepAxis, { label: string; names: Partial<Record<Side, string>>; hides: readonly Side[]; angles: string }> = {
  upright: {
    ...{ label: 'an upright axis: a door', names: {}, hides: [] },
    angles: 'Angles run clockwise, seen from above; 0° is straight back, 90° to the right.',
  },
  crosswise: {
    ...{ label: 'one across: hood, tailgate', names: { lowMm: 'Left end', highMm: 'Right end' }, hides: ['yMm'] },
    angles: 'Angles run upwards, seen from the left; 0° is straight back, 90° straight up, 180° forward.',
  },
  lengthwise: {
    ...{ label: 'one along: canopy side door', names: { lowMm: 'Front end', highMm: 'Rear end' }, hides: ['xMm'] },
    angles: 'Angles run upwards, seen from behind; 0° is to the right, 90° straight up, 180° to the left.',
  },
};

/** Room that a door, hood or arm needs, or a line of sight. */
export function KeepClearCard({ room, onSelect }: { room: KeepClear; onSelect(selection: Selection): void }) {
  const units = useUnits();
  const axis = room.axis ?? 'upright';
  const { refusal, commit } = useRefusal();
  const set = (fields: Partial<KeepClear>) => commit(`Change ${room.name}`, (design) => setKeepClear(design, room.id, fields));
  const angle = (key: 'fromDeg' | 'toDeg', label: string) => (
    <Field label={label}>
      <QuantityField
        label={`${label}, ${room.name}`}
        value={room[key]}
        decimals={0}
        unit="°"
        least={-360}
        most={360}
        onCommit={(deg) => set({ [key]: deg })}
      />
    </Field>
  );
  return (
    <section className={styles.card} aria-label={`Keep clear: ${room.name}`}>
      <header>
        <NameField label="Name of what must stay clear" name={room.name} onCommit={(name) => set({ name })} />
        <Button
          size="small"
          type="text"
          danger
          aria-label={`Remove ${room.name}`}
          icon={<Trash2 size={15} />}
          onClick={() => {
            commit(`Remove ${room.name}`, () => ({ added: [], updated: [], removed: [room] }));
            onSelect(null);
          }}
        />
      </header>
      {refusal}
      <Fields>
        <Field label="Kind">
          <Select
            size="small"
            aria-label="Kind of room to keep clear"
            value={room.kind}
            style={{ width: 190 }}
            onChange={(kind) => set({ kind })}
            options={[
              { value: 'sweep', label: 'swept by a door or arm' },
              { value: 'sight', label: 'a line of sight' },
            ]}
          />
        </Field>
        <Field label="Turns about">
          <Select
            size="small"
            aria-label="Axis it turns about"
            value={axis}
            style={{ width: 190 }}
            onChange={(chosen) =>
              set({ axis: chosen === 'upright' ? undefined : chosen, zMm: chosen === 'upright' ? undefined : (room.zMm ?? 1000) })
            }
            options={SWEEP_AXES.map((value) => ({ value, label: AXES[value].label }))}
          />
        </Field>
        {axis !== 'upright' && (
          <Field label="Axis at height">
            <MmField
              label={`Axis at height, ${room.name}`}
              mm={room.zMm ?? 0}
              units={units}
              least={-2000}
              most={LIMITS.vehicleMm}
              onCommit={(zMm) => set({ zMm })}
            />
          </Field>
        )}
        {SIDES.filter(([side]) => !AXES[axis].hides.includes(side))
          .map(([side, plain]) => [side, AXES[axis].names[side] ?? plain] as const)
          .map(([side, label]) => (
            <Field key={side} label={label}>
              <MmField
                label={`${label}, ${room.name}`}
                mm={room[side]}
                units={units}
                least={side === 'reachMm' ? 10 : -2000}
                most={LIMITS.vehicleMm}
                onCommit={(mm) => set({ [side]: mm })}
              />
            </Field>
          ))}
        {angle('fromDeg', 'From angle')}
        {angle('toDeg', 'To angle')}
      </Fields>
      <p className={styles.soft}>{AXES[axis].angles}</p>
    </section>
  );
}
