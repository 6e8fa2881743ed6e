'use client';

import { Select } from 'antd';
import { updateRecords } from '@/core/design/change';
import type { Scenario } from '@/core/design/schema';
import { LIMITS } from '@/core/catalog/vocabulary';
import { settingOf } from '@/core/energy/setting';
import { formatSpans, parseSpans } from '@/core/formats/useText';
import { unreadWords } from '@/core/wording/unreadWords';
import { useDesignStore } from '@/features/design/DesignProvider';
import { Field, Fields } from '@/ui/Fields';
import { QuantityField } from '@/ui/QuantityField';
import { TextField } from '@/ui/TextField';
import { dateOf, dayOfDate } from './dates';
import { WeatherField } from './WeatherField';
import styles from './Energy.module.css';

/** Where, when and how a scenario is lived. What it leaves open shows the careful default. */
export function SettingCard({ scenario }: { scenario: Scenario }) {
  const store = useDesignStore();
  const setting = settingOf(scenario);
  const set = (fields: Partial<Scenario>) =>
    store.commit(`Change ${scenario.name}`, (design) => updateRecords(design, [{ id: scenario.id, set: fields }]));
  const spans = (field: 'occupied' | 'driving' | 'shore') => (text: string) => {
    const read = parseSpans(text);
    return read.ok ? set({ [field]: read.value }) : unreadWords(read.why);
  };
  const number = (
    label: string,
    value: number,
    unit: string,
    decimals: number,
    least: number,
    most: number,
    fields: (value: number) => Partial<Scenario>,
  ) => (
    <QuantityField
      label={label}
      value={value}
      unit={unit}
      decimals={decimals}
      least={least}
      most={most}
      onCommit={(next) => void set(fields(next))}
    />
  );
  return (
    <section className={styles.card} aria-label="Where and when">
      <h3>Where and when</h3>
      <Fields>
        <Field label="From">
          <TextField
            label="First day"
            text={dateOf(setting.startDay)}
            width={92}
            onCommit={(text) => {
              const startDay = dayOfDate(text);
              return startDay === null ? 'a date such as 24 Jan' : set({ startDay });
            }}
          />
          {number('Days', setting.days, 'days', 0, 1, LIMITS.days, (days) => ({ days: Math.round(days) }))}
        </Field>
        <Field label="Latitude">{number('Latitude', setting.latitudeDeg, '°N', 1, -66, 66, (latitudeDeg) => ({ latitudeDeg }))}</Field>
        <Field label="Longitude">
          {number('Longitude', setting.longitudeDeg, '°E', 1, -180, 180, (longitudeDeg) => ({ longitudeDeg }))}
        </Field>
        <Field label="Front points">{number('Heading', setting.headingDeg, '° from N', 0, 0, 360, (headingDeg) => ({ headingDeg }))}</Field>
        <Field label="Weather">
          <WeatherField scenario={scenario} onSet={set} />
        </Field>
        <Field label="People">
          {number('People', setting.people, '', 0, 1, LIMITS.people, (people) => ({ people: Math.round(people) }))}
        </Field>
        <Field label="Somebody in">
          <TextField label="Hours somebody is in" text={formatSpans(setting.occupied)} placeholder="nobody" onCommit={spans('occupied')} />
        </Field>
        <Field label="Driving">
          <TextField label="Hours of driving" text={formatSpans(setting.driving)} placeholder="none" onCommit={spans('driving')} />
          {number('Every so many days', setting.drivingEveryDays, 'd apart', 0, 0, 60, (days) => ({ drivingEveryDays: Math.round(days) }))}
        </Field>
        <Field label="On hookup">
          <TextField label="Hours on hookup" text={formatSpans(setting.shore)} placeholder="none" onCommit={spans('shore')} />
          {number('Hookup every so many days', setting.shoreEveryDays, 'd apart', 0, 0, 60, (days) => ({
            shoreEveryDays: Math.round(days),
          }))}
        </Field>
        <Field label="Shade">
          <ShadeField scenario={scenario} onSet={(shadePercent) => void set({ shadePercent })} />
        </Field>
      </Fields>
    </section>
  );
}

const SHADES: { value: string; label: string; at(hour: number): number }[] = [
  { value: 'open', label: 'Open sky', at: () => 0 },
  { value: 'edges', label: 'Trees east and west', at: (hour) => (hour < 8 || hour >= 17 ? 70 : hour < 10 || hour >= 15 ? 30 : 0) },
  { value: 'morning', label: 'Shade until noon', at: (hour) => (hour < 12 ? 80 : 0) },
  { value: 'afternoon', label: 'Shade from noon', at: (hour) => (hour >= 12 ? 80 : 0) },
  { value: 'wood', label: 'Under trees', at: () => 75 },
  { value: 'indoors', label: 'Indoors, no light', at: () => 100 },
];

/** Shade over the day, from a few usual ones; another stays as it is until one is chosen. */
function ShadeField({ scenario, onSet }: { scenario: Scenario; onSet(shade: number[]): void }) {
  const hours = (at: (hour: number) => number) => Array.from({ length: 24 }, (_, hour) => at(hour));
  const now = scenario.shadePercent ?? hours(() => 0);
  const known = SHADES.find(({ at }) => hours(at).every((percent, hour) => percent === now[hour]));
  return (
    <Select
      size="small"
      aria-label="Shade"
      value={known?.value ?? 'own'}
      style={{ width: '100%' }}
      onChange={(value) => {
        const chosen = SHADES.find((shade) => shade.value === value);
        if (chosen) onSet(hours(chosen.at));
      }}
      options={[...SHADES.map(({ value, label }) => ({ value, label })), ...(known ? [] : [{ value: 'own', label: 'By the hour, own' }])]}
    />
  );
}
