'use client';

import { Select } from 'antd';
import { useState } from 'react';
import { areaMm2, type ConductorSize } from '@/core/catalog/conductorSizes';
import { readTradeSize } from '@/core/units/tradeSizes';
import { formatConductor, formatNumber } from '@/core/units/quantity';

interface ConductorSelectProps {
  label: string;
  value: ConductorSize | null;
  sizes: readonly ConductorSize[];
  width: number;
  onChange(size: ConductorSize): void;
  /** Offered besides the sizes, to say that it is not known. */
  unknown?: { label: string; onChoose(): void };
}

const UNKNOWN = '';

/**
 * A conductor's size, chosen from the list or typed as its reel or its seller names it. What can be read several ways is never taken by
 * itself: each reading is offered with what it means and how much more the thinner one drops, and one is chosen.
 */
export function ConductorSelect({ label, value, sizes, width, onChange, unknown }: ConductorSelectProps) {
  const [typed, setTyped] = useState('');
  const readings = readTradeSize(typed);
  const most = Math.max(...readings.map(({ mm2 }) => mm2));
  const asked = readings.map(({ conductor, mm2, meaning }) => {
    const really = Math.abs(mm2 - areaMm2(conductor)) > 0.01 ? `, really ${formatNumber(mm2, 1)} mm²` : '';
    const drops = mm2 < most * 0.99 ? `; drops ${formatNumber(most / mm2, 1)} times as much` : '';
    return { value: conductor as string, label: `${formatConductor(conductor)}: ${meaning}${really}${drops}` };
  });
  const known = value === null || sizes.includes(value) ? sizes : [value, ...sizes];
  const listed = [
    ...(unknown ? [{ value: UNKNOWN, label: unknown.label }] : []),
    ...known.map((size) => ({ value: size as string, label: formatConductor(size) })),
  ];
  return (
    <Select<string>
      size="small"
      aria-label={label}
      value={value ?? UNKNOWN}
      style={{ width }}
      popupMatchSelectWidth={false}
      showSearch={{ filterOption: false, searchValue: typed, onSearch: setTyped }}
      notFoundContent="a size such as 2.5 mm², 14 AWG or 14-2"
      onChange={(size) => {
        setTyped('');
        if (size === UNKNOWN) unknown?.onChoose();
        else onChange(size as ConductorSize);
      }}
      options={typed.trim() === '' ? listed : asked}
    />
  );
}
