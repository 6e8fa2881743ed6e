'use client';

import { Select } from 'antd';
import type { ConductorSize } from '@/core/catalog/conductorSizes';
import { ANY_RATING_A } from '@/core/catalog/fuses';
import type { DcDcCharger } from '@/core/devices/dcDcCharger';
import type { FeedCable } from '@/core/devices/feedCable';
import { LIMITS } from '@/core/catalog/vocabulary';
import { candidateSizes } from '@/core/sizing/conductorChoice';
import { formatRating } from '@/core/units/quantity';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { ConductorSelect } from '@/ui/ConductorSelect';
import { Field } from '@/ui/Fields';
import { MmField } from '@/ui/MmField';

/** The cable from the starter battery to a DC-DC charger, and its fuse there. */
export function InputCable({ charger, onSet }: { charger: DcDcCharger; onSet(fields: Partial<DcDcCharger>): void }) {
  return (
    <>
      <ConductorField
        label="Input cable"
        of={charger.name}
        value={charger.inputConductor}
        onSet={(inputConductor) => onSet({ inputConductor })}
      />
      <LengthFieldOf
        of={`Input cable length of ${charger.name}`}
        mm={charger.inputLengthMm}
        onSet={(inputLengthMm) => onSet({ inputLengthMm })}
      />
      <FuseField label="Input fuse" of={charger.name} value={charger.inputFuseA} onSet={(inputFuseA) => onSet({ inputFuseA })} />
    </>
  );
}

interface Fed {
  name: string;
  kind: string;
  cable?: FeedCable | undefined;
}

/** What the cable to the house battery is before anything else is said of it. */
const USUAL_LENGTH_MM = 1500;

/** The cable between what charges and the house battery, and a fuse at either end of it. */
export function FeedCableFields({ source, onSet }: { source: Fed; onSet(fields: { cable: FeedCable | undefined }): void }) {
  const { name, kind, cable } = source;
  const set = (fields: Partial<FeedCable>) => cable && onSet({ cable: { ...cable, ...fields } });
  return (
    <>
      <ConductorField
        label="Battery cable"
        of={name}
        value={cable?.conductor ?? null}
        onSet={(conductor) =>
          onSet({
            cable:
              conductor === null ? undefined : { lengthMm: USUAL_LENGTH_MM, batteryFuseA: null, sourceFuseA: null, ...cable, conductor },
          })
        }
      />
      {cable && (
        <>
          <LengthFieldOf of={`Battery cable length of ${name}`} mm={cable.lengthMm} onSet={(lengthMm) => set({ lengthMm })} />
          <FuseField label="Fuse, battery end" of={name} value={cable.batteryFuseA} onSet={(batteryFuseA) => set({ batteryFuseA })} />
          <FuseField
            label={kind === 'splitRelay' ? 'Fuse, starter end' : 'Fuse, its own end'}
            of={name}
            value={cable.sourceFuseA}
            onSet={(sourceFuseA) => set({ sourceFuseA })}
          />
        </>
      )}
    </>
  );
}

interface ValueOf<T> {
  label: string;
  of: string;
  value: T | null;
  onSet(value: T | null): void;
}

function ConductorField({ label, of, value, onSet }: ValueOf<ConductorSize>) {
  const standard = useDesign(({ analysis }) => analysis.index.settings.conductorStandard);
  const sizes = candidateSizes(standard);
  return (
    <Field label={label}>
      <ConductorSelect
        label={`${label} of ${of}`}
        value={value}
        sizes={sizes}
        width={130}
        onChange={onSet}
        unknown={{ label: 'not known', onChoose: () => onSet(null) }}
      />
    </Field>
  );
}

function FuseField({ label, of, value, onSet }: ValueOf<number>) {
  const ratings = value === null || ANY_RATING_A.includes(value) ? ANY_RATING_A : [value, ...ANY_RATING_A];
  return (
    <Field label={label}>
      <Select<number>
        size="small"
        aria-label={`${label} of ${of}`}
        showSearch={{ optionFilterProp: 'label' }}
        value={value ?? 0}
        style={{ width: 130 }}
        onChange={(ratingA) => onSet(ratingA || null)}
        options={[{ value: 0, label: 'none' }, ...ratings.map((ratingA) => ({ value: ratingA, label: formatRating(ratingA) }))]}
      />
    </Field>
  );
}

function LengthFieldOf({ of, mm, onSet }: { of: string; mm: number; onSet(mm: number): void }) {
  const units = useUnits();
  return (
    <Field label="Its length">
      <MmField
        label={of}
        mm={mm}
        units={units}
        least={0}
        most={LIMITS.lengthMm}
        onPreview={() => null}
        onCommit={onSet}
        onCancel={() => undefined}
      />
    </Field>
  );
}
