'use client';

import { parseLength } from '@/core/units/parse';
import { formatLength, formatLengthNumber } from '@/core/units/quantity';
import { useUnits } from '@/features/design/DesignProvider';
import { ParsedField } from '@/ui/QuantityField';

interface AlongFieldProps {
  label: string;
  mm: number;
  mostMm: number;
  onPreview?(mm: number): string | null;
  onCommit(mm: number): void;
  onCancel?(): void;
}

/** A distance along a wire. */
export function AlongField({ mm, mostMm, ...rest }: AlongFieldProps) {
  const units = useUnits();
  return (
    <ParsedField
      {...rest}
      text={formatLengthNumber(mm, units)}
      unit={units === 'metric' ? 'm' : 'ft'}
      parse={(text) => parseLength(text, units)}
      write={(value) => formatLength(value, units)}
      least={0}
      most={mostMm}
      width={76}
    />
  );
}
