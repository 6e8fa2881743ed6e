'use client';

import { Button, Select } from 'antd';
import { Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { RATINGS_A } from '@/core/catalog/fuses';
import { NO_CHANGE, updateRecords, type RecordFields } from '@/core/design/change';
import { nameOf } from '@/core/design/names';
import type { Device, Wire } from '@/core/design/schema';
import { kindOf } from '@/core/devices';
import type { PartSetting } from '@/core/devices/settings';
import { removeWire } from '@/core/switching/drawWire';
import { hasTwoEnds, moveAlongRun, placeInRun, removePart, turnRound, whyNotRemoved } from '@/core/switching/partsByHand';
import { formatLength } from '@/core/units/quantity';
import { terminalName } from '@/core/wording/terminalNames';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { NameField } from '@/ui/NameField';
import { FigureField } from '@/ui/FigureField';
import { TextField } from '@/ui/TextField';
import { QuantityField } from '@/ui/QuantityField';
import { AlongField } from './AlongField';
import styles from './Parts.module.css';
import { Terminal, useDrawWire } from './WireDrawing';

/** A part: its name, where in its run it stands, what can be set, what lands on each terminal, and taking it out. */
export function PartRow({ device }: { device: Device }) {
  const store = useDesignStore();
  const units = useUnits();
  const design = useDesign((state) => state.design);
  const { commit, refusal } = useRefusal();
  const analysis = useDesign((state) => state.analysis);
  const stands = useMemo(() => placeInRun(analysis, device.id), [analysis, device.id]);
  const why = useMemo(() => whyNotRemoved(analysis, device), [analysis, device]);
  return (
    <li className={styles.row} id={device.id} aria-label={device.name}>
      <span className={styles.name}>
        <NameField
          label={`Name of ${device.name}`}
          name={device.name}
          onCommit={(name) => commit(`Rename ${device.name}`, (now) => updateRecords(now, [{ id: device.id, set: { name } }]))}
        />
        <small>{kindOf(device).label}</small>
      </span>
      <span className={styles.settings}>
        {stands && (
          <label>
            <span>stands</span>
            <AlongField
              label={`How far along ${device.name} stands`}
              mm={stands.beforeMm}
              mostMm={stands.wholeMm}
              onPreview={(mm) => store.preview((now) => moveAlongRun(now, device.id, mm) ?? NO_CHANGE)}
              onCommit={(mm) => commit(`Move ${device.name}`, (now) => moveAlongRun(now, device.id, mm) ?? NO_CHANGE)}
              onCancel={store.cancel}
            />
            <span className={styles.soft}>
              of {formatLength(stands.wholeMm, units)} from {nameOf(design, stands.fromId)}
            </span>
          </label>
        )}
        {stands && hasTwoEnds(device) && (
          <Button
            size="small"
            title="What lands on the one terminal of its run lands on the other"
            aria-label={`Turn ${device.name} round`}
            onClick={() => commit(`Turn ${device.name} round`, (now) => turnRound(now, device.id) ?? NO_CHANGE)}
          >
            Turn round
          </Button>
        )}
        {(kindOf(device).settings?.(device) ?? []).map((setting) => (
          <Setting key={setting.field} device={device} setting={setting} onCommit={commit} />
        ))}
      </span>
      <Terminals device={device} onCommit={commit} />
      <Button
        size="small"
        type="text"
        danger
        aria-label={`Take ${device.name} out`}
        disabled={why !== null}
        title={why ?? 'Take it out; the run is joined again'}
        icon={<Trash2 size={14} />}
        onClick={() => commit(`Take ${device.name} out`, (now) => removePart(now, device.id) ?? NO_CHANGE)}
      />
      {refusal && <div className={styles.problem}>{refusal}</div>}
    </li>
  );
}

type Commit = ReturnType<typeof useRefusal>['commit'];

function Setting({ device, setting, onCommit }: { device: Device; setting: PartSetting; onCommit: Commit }) {
  const store = useDesignStore();
  const { field, label } = setting;
  const value = (device as unknown as Record<string, unknown>)[field];
  const fields = (next: unknown): RecordFields => ({
    [field]: isCount(setting) ? Math.round(Number(next)) : next,
    ...alongWith(device, field, next),
  });
  const make = (next: unknown) => (now: Parameters<typeof updateRecords>[0]) => updateRecords(now, [{ id: device.id, set: fields(next) }]);
  const name = `${label} of ${device.name}`;
  const change = (next: unknown) => onCommit(`Change ${device.name}`, make(next));
  return (
    <label>
      <span>{label}</span>
      {setting.kind === 'quantity' ? (
        <QuantityField
          label={name}
          value={Number(value)}
          unit={setting.unit}
          decimals={setting.decimals}
          least={setting.least}
          most={setting.most}
          width={74}
          onPreview={(next) => store.preview(make(next))}
          onCommit={change}
          onCancel={store.cancel}
        />
      ) : setting.kind === 'figure' ? (
        <FigureField
          label={name}
          unit={setting.unit}
          value={value as number | undefined}
          least={setting.least}
          most={setting.most}
          onCommit={change}
        />
      ) : setting.kind === 'words' ? (
        <TextField
          label={name}
          text={String(value ?? '')}
          placeholder="what else hangs on it"
          width={190}
          onCommit={(text) => (text.length > setting.most ? `at most ${setting.most} characters` : change(text.trim()))}
        />
      ) : setting.kind === 'choice' ? (
        <Select<number>
          size="small"
          aria-label={name}
          // By its place in the list: some are yes and no, and not known. What is absent is the first.
          value={Math.max(
            0,
            setting.options.findIndex((option) => option.value === value),
          )}
          popupMatchSelectWidth={false}
          onChange={(at) => change(setting.options[at]!.value)}
          options={setting.options.map(({ label: text }, at) => ({ value: at, label: text }))}
        />
      ) : (
        <Select<string[]>
          size="small"
          mode="multiple"
          aria-label={name}
          value={value as string[]}
          style={{ minWidth: 200 }}
          popupMatchSelectWidth={false}
          onChange={(next) => next.length > 0 && change(next)}
          options={setting.options.map((option) => ({ ...option }))}
        />
      )}
    </label>
  );
}

/** Pins, channels and inputs come whole. */
function isCount(setting: PartSetting): boolean {
  return setting.kind === 'quantity' && setting.unit === '';
}

/** What else a setting changes: another family of fuse is made in other ratings. */
function alongWith(device: Device, field: string, next: unknown): RecordFields {
  if (device.kind !== 'protection' || field !== 'family') return {};
  const ratings = RATINGS_A[next as keyof typeof RATINGS_A];
  return { ratingA: ratings.find((rating) => rating >= device.ratingA) ?? ratings.at(-1)! };
}

/** What lands on each terminal, and a wire drawn from one. */
function Terminals({ device, onCommit }: { device: Device; onCommit: Commit }) {
  const design = useDesign((state) => state.design);
  const wires = useDesign(({ analysis }) => analysis.index.wires);
  const draw = useDrawWire();
  return (
    <ul className={styles.terminals}>
      {kindOf(device)
        .terminals(device)
        .map((terminal) => {
          const landing = wires.filter((wire) => endAt(wire, device.id, terminal) !== null);
          const name = terminalName(device, terminal);
          return (
            <li key={terminal} className={landing.length === 0 ? styles.free : undefined}>
              <Terminal at={{ deviceId: device.id, terminal }}>{name}</Terminal>
              {landing.length === 0 && <span>free</span>}
              {landing.map((wire) => {
                const far = endAt(wire, device.id, terminal) === 'from' ? wire.to : wire.from;
                const words = nameOf(design, far.deviceId);
                return (
                  <span key={wire.id} className={styles.landing}>
                    {words}
                    <Button
                      size="small"
                      type="text"
                      aria-label={`Take the wire from ${device.name} ${name} to ${words} out`}
                      title="Take this wire out"
                      icon={<Trash2 size={12} />}
                      onClick={() => onCommit(`Take out the wire to ${words}`, (now) => removeWire(now, wire.id) ?? NO_CHANGE)}
                    />
                  </span>
                );
              })}
              <Button
                size="small"
                type="link"
                aria-label={`Draw a wire from ${device.name} ${name}`}
                onClick={() => draw({ deviceId: device.id, terminal })}
              >
                Wire…
              </Button>
            </li>
          );
        })}
    </ul>
  );
}

function endAt(wire: Wire, deviceId: string, terminal: string): 'from' | 'to' | null {
  for (const side of ['from', 'to'] as const) if (wire[side].deviceId === deviceId && wire[side].terminal === terminal) return side;
  return null;
}
