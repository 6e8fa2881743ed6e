'use client';

import { Ruler, Spline } from 'lucide-react';
import type { UnitSystem } from '@/core/catalog/vocabulary';
import { parseLength } from '@/core/units/parse';
import { formatLength, formatLengthNumber } from '@/core/units/quantity';
import { ParsedField } from './QuantityField';
import styles from './LengthField.module.css';

interface LengthFieldProps {
  label: string;
  lengthMm: number;
  measured: boolean;
  /** Whether the length, while not measured, comes from the wire's way through the vehicle. */
  routed?: boolean;
  mostMm: number;
  units: UnitSystem;
  onPreview(lengthMm: number): string | null;
  onCommit(lengthMm: number): void;
  /** The shortest it may be, mm; absent: a wire may be no more than a contact. */
  leastMm?: number;
  onMeasured(measured: boolean): void;
  onCancel(): void;
}

/** A length in the person's units, with a mark for whether it was measured in the vehicle or is an estimate. */
export function LengthField({ label, lengthMm, measured, routed = false, leastMm = 0, ...field }: LengthFieldProps) {
  const { mostMm, units, onPreview, onCommit, onMeasured, onCancel } = field;
  const estimate = routed
    ? 'By its way through the vehicle; press when the wire itself has been measured'
    : 'An estimate; press when it has been measured';
  return (
    <span className={styles.length}>
      <ParsedField
        label={label}
        text={formatLengthNumber(lengthMm, units)}
        unit={units === 'metric' ? 'm' : 'ft'}
        parse={(text) => parseLength(text, units)}
        write={(mm) => formatLength(mm, units)}
        least={leastMm}
        most={mostMm}
        measured={measured}
        width={76}
        onPreview={onPreview}
        onCommit={onCommit}
        onCancel={onCancel}
      />
      <button
        type="button"
        className={styles.mark}
        aria-pressed={measured}
        aria-label={`${label}: measured`}
        title={measured ? 'Measured in the vehicle' : estimate}
        onClick={() => onMeasured(!measured)}
      >
        {routed && !measured ? <Spline size={13} /> : <Ruler size={13} />}
      </button>
    </span>
  );
}
