'use client';

import { Button } from 'antd';
import { Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { NO_CHANGE, setting, updateRecords, type FieldsOf } from '@/core/design/change';
import type { Device } from '@/core/design/schema';
import { addMainPart, MAIN_PARTS, removeMainPart, type MainPart } from '@/core/switching/mainParts';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { NameField } from '@/ui/NameField';
import { QuantityField } from '@/ui/QuantityField';
import { MenuButton } from '@/ui/MenuButton';
import styles from './Supply.module.css';

const LABELS: Record<MainPart, string> = {
  isolator: 'Battery isolator',
  cutOut: 'Low-voltage cut-off',
  shunt: 'Shunt in the minus',
};

/** The least and most each may carry, A. */
const CARRIES: Record<MainPart, [number, number]> = { isolator: [10, 2000], cutOut: [5, 1000], shunt: [1, 2000] };

type Part = Extract<Device, { kind: MainPart }>;

/** What stands in the main path besides its fuse: isolator, low-voltage cut-off, shunt; put in and taken out with the cables healed. */
export function MainParts() {
  const store = useDesignStore();
  const devices = useDesign(({ analysis }) => analysis.index.devices);
  const mostA = useDesign(({ analysis }) => analysis.main?.ratingA ?? 0);
  const parts = useMemo(() => Array.from(devices.values()).filter(isPart), [devices]);
  const add = (part: MainPart) => {
    store.commit(`Put a ${LABELS[part].toLowerCase()} in`, (design) => addMainPart(design, part, mostA) ?? NO_CHANGE);
  };
  return (
    <div className={styles.mainParts} role="group" aria-label="In the main path">
      {parts.map((part) => (
        <MainPartChip key={part.id} part={part} />
      ))}
      <MenuButton
        size="small"
        disabled={mostA === 0}
        title={mostA === 0 ? 'There is no main fuse to put it behind' : undefined}
        items={MAIN_PARTS.map((part) => ({ key: part, label: LABELS[part], onClick: () => add(part) }))}
      >
        Add to the main path
      </MenuButton>
    </div>
  );
}

function MainPartChip({ part }: { part: Part }) {
  const store = useDesignStore();
  const make = (fields: FieldsOf<typeof part>) => (design: Parameters<typeof updateRecords>[0]) =>
    updateRecords(design, [setting(part, fields)]);
  const field = (label: string, name: string, value: number, unit: string, decimals: number, least: number, most: number) => (
    <label>
      {label}
      <QuantityField
        label={`${label} of ${part.name}`}
        value={value}
        unit={unit}
        decimals={decimals}
        least={least}
        most={most}
        onPreview={(next) => store.preview(make({ [name]: next }))}
        onCommit={(next) => void store.commit(`Change ${part.name}`, make({ [name]: next }))}
        onCancel={store.cancel}
      />
    </label>
  );
  return (
    <span className={styles.mainPart} id={part.id}>
      <NameField
        label={`Name of ${part.name}`}
        name={part.name}
        onCommit={(name) => void store.commit(`Rename ${part.name}`, make({ name }))}
      />
      {field('carries', 'ratingA', part.ratingA, 'A', 0, ...CARRIES[part.kind])}
      {part.kind === 'cutOut' && field('off under', 'offV', part.offV, 'V', 1, 1, 60)}
      {part.kind === 'cutOut' && field('on again from', 'onV', part.onV, 'V', 1, 1, 60)}
      {part.kind === 'shunt' && field('has', 'milliohm', part.milliohm, 'mΩ', 3, 0.001, 100)}
      <Button
        size="small"
        type="text"
        danger
        aria-label={`Remove ${part.name}`}
        icon={<Trash2 size={14} />}
        onClick={() => store.commit(`Remove ${part.name}`, (design) => removeMainPart(design, part.id) ?? NO_CHANGE)}
      />
    </span>
  );
}

function isPart(device: Device): device is Part {
  return MAIN_PARTS.includes(device.kind as MainPart);
}
