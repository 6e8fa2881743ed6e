'use client';

import { Select } from 'antd';
import type { ConductorSize } from '@/core/catalog/conductorSizes';
import { candidateSizes } from '@/core/sizing/conductorChoice';
import { formatConductor } from '@/core/units/quantity';
import type { DcDcCharger } from '@/core/devices/dcDcCharger';
import { LIMITS } from '@/core/design/vocabulary';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { Field } from '@/ui/Fields';
import { MmField } from '@/ui/MmField';

/** The cable from the starter battery to a DC-DC charger. */
export function InputCable({ charger, onSet }: { charger: DcDcCharger; onSet(fields: Partial<DcDcCharger>): void }) {
  const units = useUnits();
  const standard = useDesign(({ analysis }) => analysis.index.settings.conductorStandard);
  const sizes = candidateSizes(standard);
  const known = charger.inputConductor === null || sizes.includes(charger.inputConductor) ? sizes : [charger.inputConductor, ...sizes];
  return (
    <>
      <Field label="Input cable">
        <Select<ConductorSize | ''>
          size="small"
          aria-label={`Input cable of ${charger.name}`}
          value={charger.inputConductor ?? ''}
          style={{ width: 130 }}
          onChange={(size) => onSet({ inputConductor: size || null })}
          options={[{ value: '', label: 'not known' }, ...known.map((size) => ({ value: size, label: formatConductor(size) }))]}
        />
      </Field>
      <Field label="Its length">
        <MmField
          label={`Input cable length of ${charger.name}`}
          mm={charger.inputLengthMm}
          units={units}
          least={0}
          most={LIMITS.lengthMm}
          onPreview={() => null}
          onCommit={(inputLengthMm) => onSet({ inputLengthMm })}
          onCancel={() => undefined}
        />
      </Field>
    </>
  );
}
