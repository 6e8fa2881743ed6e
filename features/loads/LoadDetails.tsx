'use client';

import { Checkbox, Drawer, Select } from 'antd';
import { Edit } from '@/core/design/edit';
import type { Load } from '@/core/design/schema';
import { behaviourOf, loadDraw, LOAD_BEHAVIOURS, type LoadBehaviour } from '@/core/devices/load';
import { formatAmps, formatPercent, formatWatts } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Field, Fields } from '@/ui/Fields';
import { QuantityField } from '@/ui/QuantityField';
import { TextField } from '@/ui/TextField';
import { FunctionFields } from './FunctionFields';
import { LevelFields } from './LevelFields';
import type { SetLoad } from './setLoad';
import { ThermostatFields } from './ThermostatFields';
import { UseFields } from './UseFields';
import drawer from '@/ui/Drawer.module.css';
import styles from './LoadDetails.module.css';

const BEHAVIOURS: Record<LoadBehaviour, string> = {
  resistive: 'heater or other resistor',
  filament: 'filament lamp',
  ledConstantCurrent: 'LED, constant current',
  ledConstantPower: 'LED behind a converter',
  ledStrip: 'LED strip with resistors',
  converter: 'electronics or charger',
  motor: 'motor',
};

/** Everything about one load that its line has no room for. */
export function LoadDetails({ loadId, onOpen, onClose }: { loadId: string; onOpen(loadId: string): void; onClose(): void }) {
  const store = useDesignStore();
  const load = useDesign(({ analysis }) => analysis.loads.get(loadId)?.load ?? null);
  if (!load) return null;
  const set: SetLoad = (fields) =>
    store.commit(`Change ${load.name}`, (design) => {
      const edit = new Edit(design);
      edit.set(load, fields);
      return edit.change;
    });
  return (
    <Drawer
      open
      title={load.name}
      placement="right"
      size={390}
      mask={false}
      autoFocus={false}
      onClose={onClose}
      rootClassName={drawer.root}
      classNames={{ body: styles.body }}
    >
      <DrawFields load={load} set={set} />
      <UseFields load={load} />
      <FunctionFields load={load} onOpen={onOpen} />
      <LevelFields load={load} set={set} />
      <ThermostatFields load={load} set={set} />
    </Drawer>
  );
}

function DrawFields({ load, set }: { load: Load; set: SetLoad }) {
  const { measured } = load;
  return (
    <section>
      <h3>Draw</h3>
      <p className={styles.said}>{drawWords(load)}</p>
      <Fields>
        {measured && (
          <Field label="Measured">
            <TextField
              label="Day it was measured"
              text={measured.on ?? ''}
              placeholder="2026-05-30"
              width={112}
              onCommit={(text) => {
                if (text.trim() !== '' && !isDay(text.trim())) return 'a day such as 2026-05-30';
                return set({ measured: { ...measured, on: text.trim() || null } });
              }}
            />
            <TextField
              label="Meter it was measured with"
              text={measured.meter ?? ''}
              placeholder="with which meter"
              width={140}
              onCommit={(text) =>
                text.length > 60 ? 'at most 60 characters' : set({ measured: { ...measured, meter: text.trim() || null } })
              }
            />
          </Field>
        )}
        <Field label="Behaves as">
          <Select<LoadBehaviour>
            size="small"
            aria-label="How its current follows the voltage"
            value={behaviourOf(load)}
            style={{ width: 220 }}
            onChange={(behaviour) => set({ behaviour })}
            options={LOAD_BEHAVIOURS.map((value) => ({ value, label: BEHAVIOURS[value] }))}
          />
        </Field>
        <Field label="Standing by">
          <QuantityField
            label="Draw while off"
            value={(load.standbyA ?? 0) * 1000}
            unit="mA"
            decimals={0}
            least={0}
            most={5000}
            onCommit={(milliamps) => set({ standbyA: milliamps > 0 ? milliamps / 1000 : undefined })}
          />
          <span className={styles.aside}>while off, pilot lamps too</span>
        </Field>
        <Field label="At its start">
          <QuantityField
            label="Start-up surge"
            value={load.startFactor ?? 1}
            unit="x"
            decimals={1}
            least={1}
            most={20}
            width={70}
            onCommit={(factor) =>
              set({ startFactor: factor > 1 ? factor : undefined, startMs: factor > 1 ? (load.startMs ?? 100) : undefined })
            }
          />
          {load.startFactor !== undefined && (
            <QuantityField
              label="Length of the surge"
              value={load.startMs ?? 100}
              unit="ms"
              decimals={0}
              least={1}
              most={5000}
              onCommit={(startMs) => set({ startMs })}
            />
          )}
          {load.startFactor === undefined && <span className={styles.aside}>of its draw: no surge</span>}
        </Field>
        <Field label="Stops under">
          <QuantityField
            label="Least voltage"
            value={load.cutOutV ?? 0}
            unit="V"
            decimals={1}
            least={0}
            most={60}
            onCommit={(cutOutV) => set(cutOutV >= 1 ? { cutOutV } : { cutOutV: undefined, restartV: undefined })}
          />
          {load.cutOutV !== undefined && (
            <>
              <span className={styles.aside}>again from</span>
              <QuantityField
                label="Voltage it starts again at"
                value={load.restartV ?? load.cutOutV}
                unit="V"
                decimals={1}
                least={load.cutOutV}
                most={60}
                onCommit={(restartV) => set({ restartV })}
              />
            </>
          )}
          {load.cutOutV === undefined && <span className={styles.aside}>no limit of its own</span>}
        </Field>
        <Field label="Largest fuse">
          <QuantityField
            label="Largest fuse its maker allows"
            value={load.maxFuseA ?? 0}
            unit="A"
            decimals={1}
            least={0}
            most={500}
            onCommit={(maxFuseA) => set({ maxFuseA: maxFuseA >= 0.5 ? maxFuseA : undefined })}
          />
          <span className={styles.aside}>{load.maxFuseA === undefined ? 'nothing said by its maker' : 'by its maker'}</span>
        </Field>
        <Field label="Must run">
          <Checkbox checked={load.critical ?? false} onChange={(event) => set({ critical: event.target.checked || undefined })}>
            cut after everything else
          </Checkbox>
        </Field>
        <Field label="Fed">
          <Checkbox checked={load.fedTwice ?? false} onChange={(event) => set({ fedTwice: event.target.checked || undefined })}>
            by two fuses, as meant
          </Checkbox>
        </Field>
      </Fields>
    </section>
  );
}

/** What the box says beside what the meter said. */
function drawWords(load: Load): string {
  const { basis, watts, amps, ratedWatts } = loadDraw(load);
  const now = `${formatWatts(watts)}, ${formatAmps(amps)}`;
  if (basis === 'rated') return `Rated ${now}; not measured yet.`;
  const off = ratedWatts > 0 ? (watts / ratedWatts - 1) * 100 : 0;
  const difference = Math.abs(off) < 0.5 ? 'as rated' : `${formatPercent(Math.abs(off))} ${off < 0 ? 'less' : 'more'} than rated`;
  return `Measured ${now}: ${difference}, ${formatWatts(ratedWatts)}.`;
}

function isDay(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text));
}
