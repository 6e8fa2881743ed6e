'use client';

import { parsePlace } from '@/core/units/parse';
import { formatPlaceMm } from '@/core/units/quantity';
import type { UnitSystem } from '@/core/catalog/vocabulary';
import { ParsedField } from './QuantityField';

interface MmFieldProps {
  label: string;
  mm: number | null;
  units: UnitSystem;
  least?: number;
  most: number;
  measured?: boolean;
  width?: number;
  onPreview?(mm: number): string | null;
  onCommit(mm: number): void;
  onCancel?(): void;
}

/** A length in the vehicle, in millimetres or in feet and inches; negative ones are for what sticks out. */
export function MmField({ mm, units, least = 0, width, ...rest }: MmFieldProps) {
  const metric = units === 'metric';
  return (
    <ParsedField
      {...rest}
      text={mm === null ? '' : formatPlaceMm(mm, units)}
      unit={metric ? 'mm' : 'ft in'}
      write={(value) => (metric ? `${formatPlaceMm(value, units)} mm` : formatPlaceMm(value, units))}
      parse={(text) => {
        const minus = /^\s*[-\u2212]/.test(text);
        const parsed = parsePlace(text.replace(/^\s*[-\u2212]/, ''), units);
        return parsed.ok && minus ? { ok: true, value: -parsed.value } : parsed;
      }}
      least={least}
      width={width ?? (metric ? 92 : 112)}
    />
  );
}
