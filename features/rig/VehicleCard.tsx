'use client';

import { Select } from 'antd';
import { useMemo } from 'react';
import type { Rig } from '@/core/design/schema';
import { isFixedByItself } from '@/core/rig/layout';
import { LIMITS, VEHICLES } from '@/core/catalog/vocabulary';
import { BODIES } from '@/core/rig/bodies';
import { setRig } from '@/core/rig/edits';
import { formatLength } from '@/core/units/quantity';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { VEHICLE_WORDS } from '@/features/home/words';
import { Field, Fields } from '@/ui/Fields';
import { MmField } from '@/ui/MmField';
import { QuantityField } from '@/ui/QuantityField';
import { Table } from '@/ui/Table';
import type { Selection } from './selection';
import { useRefusal } from '@/features/design/useRefusal';
import styles from './Cards.module.css';

/** The vehicle itself while nothing on it is chosen: its size, how cable is counted, what is placed and what is not. */
export function VehicleCard({ onSelect }: { onSelect(selection: Selection): void }) {
  const store = useDesignStore();
  const units = useUnits();
  const index = useDesign(({ analysis }) => analysis.index);
  const { rig } = index.layout;
  const { refusal, commit } = useRefusal();
  const set = (fields: Partial<Rig>) => commit('Change the vehicle', (design) => setRig(design, fields));
  const size = (axis: 'lengthMm' | 'widthMm' | 'heightMm', label: string) => (
    <Field label={label}>
      <MmField
        label={`${label} of the vehicle`}
        mm={rig[axis]}
        units={units}
        least={100}
        most={LIMITS.vehicleMm}
        onPreview={(mm) => store.preview((design) => setRig(design, { [axis]: mm }))}
        onCommit={(mm) => set({ [axis]: mm })}
        onCancel={store.cancel}
      />
    </Field>
  );
  const counts = useMemo(() => {
    const routes = Array.from(index.layout.routes.values());
    const devices = Array.from(index.devices.values()).filter(isFixedByItself);
    const routed = index.wires.filter(({ id }) => index.layout.runs.get(id)?.routeIds);
    return {
      measured: routes.filter(({ length }) => length.measured).length,
      routes: routes.length,
      unplaced: devices.filter(({ placeId }) => !placeId),
      placed: devices.filter(({ placeId }) => placeId).length,
      wires: index.wires.length,
      routed: routed.length,
      cableMm: routed.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    };
  }, [index]);
  return (
    <section className={styles.card} aria-label="The vehicle">
      <header>
        <h3>The vehicle</h3>
      </header>
      {refusal}
      <Fields>
        <Field label="Body">
          <Select<Rig['body'] | 'traced'>
            size="small"
            aria-label="Body of the vehicle"
            value={rig.outline ? 'traced' : rig.body}
            style={{ width: 180 }}
            onChange={(body) => body !== 'traced' && set({ body, outline: null })}
            options={[
              ...VEHICLES.map((value) => ({ value, label: VEHICLE_WORDS[value] })),
              ...(rig.outline ? [{ value: 'traced' as const, label: 'traced by hand' }] : []),
            ]}
          />
        </Field>
        {size('lengthMm', 'Length')}
        {size('widthMm', 'Width')}
        {size('heightMm', 'Height')}
        <Field label="Slack an end">
          <MmField
            label="Slack at each end of a wire"
            mm={rig.slackMm}
            units={units}
            most={2000}
            onCommit={(slackMm) => set({ slackMm })}
          />
          <span className={styles.soft}>to make a joint once more</span>
        </Field>
        <Field label="Allowance">
          <QuantityField
            label="Allowance for bends and sagging"
            value={rig.allowancePercent}
            decimals={0}
            unit="%"
            least={0}
            most={100}
            onCommit={(allowancePercent) => set({ allowancePercent })}
          />
          <span className={styles.soft}>on what the plan says</span>
        </Field>
      </Fields>
      {!index.rig && (
        <p className={styles.soft}>
          Nobody has laid this vehicle out yet; it is drawn as a {VEHICLE_WORDS[rig.body].toLowerCase()} of usual size,{' '}
          {formatLength(BODIES[rig.body].usualMm.lengthMm, units)} long.
        </p>
      )}

      <h4>So far</h4>
      <Table
        columns={[{ cell: ([name]) => name }, { as: 'figure', cell: ([, value]) => value }]}
        rows={[
          ['Stretches measured', `${counts.measured} of ${counts.routes}`],
          ['Wires that found their way', `${counts.routed} of ${counts.wires}`],
          ['Conductor in them', formatLength(counts.cableMm, units)],
          ['Devices placed', `${counts.placed} of ${counts.placed + counts.unplaced.length}`],
        ]}
        keyOf={([name]) => name!}
      />
      {counts.unplaced.length > 0 && (
        <>
          <h4>Not placed yet</h4>
          <ul className={styles.list}>
            {counts.unplaced.slice(0, 12).map((device) => (
              <li key={device.id}>{device.name}</li>
            ))}
          </ul>
          {counts.unplaced.length > 12 && <p className={styles.soft}>and {counts.unplaced.length - 12} more</p>}
        </>
      )}

      <h4>Zones</h4>
      <ul className={styles.list}>
        {index.zones.map((zone) => (
          <li key={zone.id}>
            <button type="button" className={styles.plain} onClick={() => onSelect({ kind: 'zone', id: zone.id })}>
              {zone.name}
            </button>
            {!zone.plan && <span className={styles.soft}>no ground drawn</span>}
          </li>
        ))}
      </ul>
      <h4>Keep clear</h4>
      <ul className={styles.list}>
        {index.keepClear.map((room) => (
          <li key={room.id}>
            <button type="button" className={styles.plain} onClick={() => onSelect({ kind: 'keepClear', id: room.id })}>
              {room.name}
            </button>
          </li>
        ))}
        {index.keepClear.length === 0 && <li className={styles.soft}>no doors, hoods or lines of sight noted</li>}
      </ul>
    </section>
  );
}
