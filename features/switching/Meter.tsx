'use client';

import { Select } from 'antd';
import { memo, useMemo, useState } from 'react';
import type { Bench } from '@/core/bench/bench';
import { nameOf } from '@/core/design/names';
import type { TerminalRef } from '@/core/design/schema';
import { kindOf } from '@/core/devices';
import { formatAmps, formatVolts } from '@/core/units/quantity';
import { terminalName } from '@/core/wording/terminalNames';
import { useDesign } from '@/features/design/DesignProvider';
import styles from './Switching.module.css';

/** Two leads and a clamp, to be put anywhere: what they read follows every act. */
export function Meter({ bench }: { bench: Bench }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const design = useDesign((state) => state.design);
  const [red, setRed] = useState<string | null>(null);
  const [black, setBlack] = useState<string | null>(() =>
    index.battery ? keyOf({ deviceId: index.battery.id, terminal: 'minus' }) : null,
  );
  const [wireId, setWire] = useState<string | null>(null);
  const terminals = useMemo(
    () =>
      Array.from(index.devices.values()).flatMap((device) =>
        kindOf(device)
          .terminals(device)
          .map((terminal) => ({
            value: keyOf({ deviceId: device.id, terminal }),
            label: `${device.name}, ${terminalName(device, terminal)}`,
          })),
      ),
    [index],
  );
  const wires = useMemo(() => index.wires.map(({ id }) => ({ value: id, label: nameOf(design, id) })), [index, design]);
  const volts = red && black ? bench.volts(refOf(red), refOf(black)) : null;
  const amps = wireId ? bench.clamp(wireId) : null;
  return (
    <section aria-label="Meter" className={styles.meter}>
      <h3>Meter</h3>
      <Lead label="Red lead" value={red} options={terminals} onChange={setRed} />
      <Lead label="Black lead" value={black} options={terminals} onChange={setBlack} />
      <output aria-label="Volts between the leads" className="reading">
        {volts === null ? '– V' : formatVolts(volts)}
      </output>
      <Lead label="Clamp round" value={wireId} options={wires} onChange={setWire} />
      <output aria-label="Amperes in the clamp" className="reading">
        {amps === null ? '– A' : formatAmps(amps)}
      </output>
    </section>
  );
}

const keyOf = ({ deviceId, terminal }: TerminalRef) => JSON.stringify([deviceId, terminal]);

function refOf(key: string): TerminalRef {
  const [deviceId, terminal] = JSON.parse(key) as [string, string];
  return { deviceId, terminal };
}

interface LeadProps {
  label: string;
  value: string | null;
  options: { value: string; label: string }[];
  onChange(value: string | null): void;
}

const Lead = memo(function Lead({ label, value, options, onChange }: LeadProps) {
  return (
    <label>
      <span>{label}</span>
      <Select<string>
        size="small"
        aria-label={label}
        placeholder="put it on"
        value={options.some((one) => one.value === value) ? value : null}
        options={options}
        showSearch={{ optionFilterProp: 'label' }}
        allowClear
        popupMatchSelectWidth={340}
        onChange={(next) => onChange(next ?? null)}
      />
    </label>
  );
});
