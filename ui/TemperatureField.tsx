'use client';

import type { UnitSystem } from '@/core/catalog/vocabulary';
import { parseNumber } from '@/core/units/parse';
import { formatNumber } from '@/core/units/quantity';
import { ParsedField } from './QuantityField';

interface TemperatureFieldProps {
  label: string;
  celsius: number;
  units: UnitSystem;
  onCommit(celsius: number): void;
}

/** A temperature of air in the person's units. */
export function TemperatureField({ label, celsius, units, onCommit }: TemperatureFieldProps) {
  const metric = units === 'metric';
  const toShown = (value: number) => (metric ? value : value * 1.8 + 32);
  const toCelsius = (shown: number) => (metric ? shown : (shown - 32) / 1.8);
  return (
    <ParsedField
      label={label}
      text={formatNumber(toShown(celsius), 0)}
      unit={metric ? '°C' : '°F'}
      parse={(text) => parseNumber(text, metric ? ['°C', 'C'] : ['°F', 'F'])}
      least={toShown(-40)}
      most={toShown(120)}
      onCommit={(shown) => onCommit(toCelsius(shown))}
    />
  );
}
