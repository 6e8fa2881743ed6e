'use client';

import { Button, Checkbox, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { setting, updateRecords, type FieldsOf } from '@/core/design/change';
import type { Device } from '@/core/design/schema';
import { Edit } from '@/core/design/edit';
import { vehicleChargeA } from '@/core/energy/chargeSources';
import { formatAmps } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Field, Fields } from '@/ui/Fields';
import { NameField } from '@/ui/NameField';
import { QuantityField } from '@/ui/QuantityField';
import { MenuButton } from '@/ui/MenuButton';
import { FeedCableFields, InputCable } from './SourceCables';
import { addSource, SOURCE_KINDS, type Source } from './sources';
import styles from './Supply.module.css';

/** What charges the battery: sun, engine and hookup, each with the limits that matter. */
export function ChargingCard() {
  const store = useDesignStore();
  const index = useDesign(({ analysis }) => analysis.index);
  const sources = Array.from(index.devices.values()).filter(isSource);
  const drivingA = vehicleChargeA(index);
  return (
    <section className={styles.charging} aria-label="Charging">
      <div className={styles.toolbar}>
        <h2>Charging</h2>
        {drivingA > 0 && (
          <span className={styles.aside}>
            driving brings <b className="reading">{formatAmps(drivingA)}</b>
          </span>
        )}
        <span className={styles.right}>
          <MenuButton
            size="small"
            items={SOURCE_KINDS.map(({ key, label }) => ({
              key,
              label,
              onClick: () => store.commit(`Add ${label.toLowerCase()}`, (design) => addSource(design, key)),
            }))}
          >
            Add a source
          </MenuButton>
        </span>
      </div>
      {sources.length === 0 ? (
        <p className={styles.nothing}>
          Nothing charges the battery yet: add panels, the alternator’s link or a hookup charger, and Energy shows what they bring.
        </p>
      ) : (
        <div className={styles.sources}>
          {sources.map((source) => (
            <SourceCard key={source.id} source={source} />
          ))}
        </div>
      )}
    </section>
  );
}

const KINDS: readonly Device['kind'][] = ['solarPanel', 'solarController', 'alternator', 'dcDcCharger', 'splitRelay', 'charger'];

function isSource(device: Device): device is Source {
  return KINDS.includes(device.kind);
}

function SourceCard({ source }: { source: Source }) {
  const store = useDesignStore();
  const make = (fields: FieldsOf<Source>) => (design: Parameters<typeof updateRecords>[0]) =>
    updateRecords(design, [setting(source, fields)]);
  const set = (fields: FieldsOf<Source>) => void store.commit(`Change ${source.name}`, make(fields));
  const number: NumberField = (label, field, value, unit, decimals, least, most) => (
    <Field key={field} label={label}>
      <QuantityField
        label={`${label} of ${source.name}`}
        value={value}
        unit={unit}
        decimals={decimals}
        least={least}
        most={most}
        onPreview={(next) => store.preview(make({ [field]: next }))}
        onCommit={(next) => set({ [field]: next })}
        onCancel={store.cancel}
      />
    </Field>
  );
  return (
    <section className={styles.card} id={source.id} aria-label={source.name}>
      <header className={styles.sourceHead}>
        <NameField label={`Name of ${source.name}`} name={source.name} onCommit={(name) => set({ name })} />
        <Button
          size="small"
          type="text"
          danger
          aria-label={`Remove ${source.name}`}
          icon={<Trash2 size={15} />}
          onClick={() => store.commit(`Remove ${source.name}`, (design) => removeSource(new Edit(design), source))}
        />
      </header>
      <Fields>{fieldsOf(source, number, set)}</Fields>
    </section>
  );
}

type NumberField = (label: string, field: string, value: number, unit: string, decimals: number, least: number, most: number) => ReactNode;

function removeSource(edit: Edit, source: Source) {
  for (const record of edit.design.records.values()) {
    if (record.type === 'wire' && (record.from.deviceId === source.id || record.to.deviceId === source.id)) edit.remove(record.id);
    if (record.type === 'device' && record.kind === 'solarPanel' && record.controllerId === source.id)
      edit.set(record.id, { controllerId: null });
  }
  edit.remove(source.id);
  return edit.change;
}

function fieldsOf(source: Source, number: NumberField, set: (fields: FieldsOf<Source>) => void): ReactNode {
  switch (source.kind) {
    case 'solarPanel':
      return (
        <>
          {number('Each', 'watts', source.watts, 'W', 0, 1, 2000)}
          {number('Panels', 'count', source.count, 'pcs', 0, 1, 20)}
          <Choice
            label="Wired"
            source={source}
            value={source.wired}
            onSet={(wired) => set({ wired })}
            options={[
              ['parallel', 'side by side'],
              ['series', 'in series'],
            ]}
          />
          {number('Voltage at full power', 'bestV', source.bestV, 'V', 1, 1, 60)}
          {number('Open-circuit voltage', 'openV', source.openV, 'V', 1, 1, 200)}
          {number('Short-circuit current', 'shortA', source.shortA, 'A', 1, 0, 100)}
          {number('Tilt', 'tiltDeg', source.tiltDeg, '°', 0, 0, 90)}
          {source.tiltDeg > 0 && !source.turned && number('Faces', 'facesDeg', source.facesDeg, '° from front', 0, 0, 360)}
          <ControllerChoice panel={source} onSet={set} />
          <Field label="">
            <Checkbox checked={source.turned ?? false} onChange={(event) => set({ turned: event.target.checked })}>
              turned to the sun by hand
            </Checkbox>
          </Field>
          <Field label="">
            <Checkbox checked={source.aired ?? false} onChange={(event) => set({ aired: event.target.checked })}>
              air passes beneath
            </Checkbox>
          </Field>
          {source.regulated && <FeedCableFields source={source} onSet={set} />}
        </>
      );
    case 'solarController':
      return (
        <>
          <Choice
            label="Method"
            source={source}
            value={source.method}
            onSet={(method) => set({ method })}
            options={[
              ['simple', 'simple'],
              ['tracking', 'MPPT'],
            ]}
          />
          {number('At most', 'maxA', source.maxA, 'A', 0, 1, 500)}
          {number('Panel volts', 'maxPanelV', source.maxPanelV, 'V', 0, 1, 500)}
          {number('Charges at', 'outputV', source.outputV, 'V', 1, 1, 60)}
          <FeedCableFields source={source} onSet={set} />
        </>
      );
    case 'alternator':
      return (
        <>
          {number('Rated', 'ratedA', source.ratedA, 'A', 0, 5, 600)}
          {number('At idle', 'idlePercent', source.idlePercent, '% of rated', 0, 0, 100)}
          {number('Hot, at speed', 'hotPercent', source.hotPercent, '% of rated', 0, 0, 100)}
          {number('Vehicle takes', 'vehicleA', source.vehicleA, 'A', 0, 0, 500)}
          {number('Idling', 'idlingPercent', source.idlingPercent ?? 10, '% of time', 0, 0, 100)}
          {number('Holds', 'outputV', source.outputV, 'V', 1, 1, 60)}
          <Choice
            label="Charges"
            source={source}
            value={source.direct ? 'only' : 'starter'}
            onSet={(charges) => set({ direct: charges === 'only' ? true : undefined })}
            options={[
              ['starter', 'starter battery'],
              ['only', 'the only battery'],
            ]}
          />
        </>
      );
    case 'dcDcCharger':
      return (
        <>
          {number('Gives', 'maxA', source.maxA, 'A', 0, 1, 300)}
          {number('At', 'outputV', source.outputV, 'V', 1, 1, 60)}
          {number('Efficiency', 'efficiencyPercent', source.efficiencyPercent, '%', 0, 50, 100)}
          <InputCable charger={source} onSet={set} />
          <FeedCableFields source={source} onSet={set} />
        </>
      );
    case 'splitRelay':
      return (
        <>
          {number('Carries', 'ratingA', source.ratingA, 'A', 0, 10, 500)}
          <FeedCableFields source={source} onSet={set} />
        </>
      );
    case 'charger':
      return (
        <>
          {number('Gives', 'maxA', source.maxA, 'A', 0, 0.1, 500)}
          {number('At', 'outputV', source.outputV, 'V', 1, 1, 60)}
          <FeedCableFields source={source} onSet={set} />
        </>
      );
  }
}

interface ChoiceProps<T extends string> {
  label: string;
  source: Source;
  value: T;
  options: readonly (readonly [T, string])[];
  onSet(value: T): void;
}

function Choice<T extends string>({ label, source, value, options, onSet }: ChoiceProps<T>) {
  return (
    <Field label={label}>
      <Select<T>
        size="small"
        aria-label={`${label} of ${source.name}`}
        value={value}
        style={{ width: 130 }}
        onChange={onSet}
        options={options.map(([key, text]) => ({ value: key, label: text }))}
      />
    </Field>
  );
}

/** Where a panel's current goes: through a controller, through its own, or nowhere safe. */
function ControllerChoice({ panel, onSet }: { panel: Extract<Source, { kind: 'solarPanel' }>; onSet(fields: FieldsOf<Source>): void }) {
  const devices = useDesign(({ analysis }) => analysis.index.devices);
  const controllers = Array.from(devices.values()).filter(({ kind }) => kind === 'solarController');
  const value = panel.regulated ? 'own' : (panel.controllerId ?? 'none');
  return (
    <Field label="Goes through">
      <Select
        size="small"
        aria-label={`Controller of ${panel.name}`}
        value={value}
        style={{ width: 132 }}
        status={value === 'none' ? 'error' : undefined}
        onChange={(chosen) =>
          onSet(
            chosen === 'own'
              ? { regulated: true, controllerId: null }
              : { regulated: false, controllerId: chosen === 'none' ? null : chosen },
          )
        }
        options={[
          ...controllers.map(({ id, name }) => ({ value: id, label: name })),
          { value: 'own', label: 'its own' },
          { value: 'none', label: 'nothing yet' },
        ]}
      />
    </Field>
  );
}
