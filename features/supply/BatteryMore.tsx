'use client';

import { useState } from 'react';
import { CHARGE_FACTS, chargeFromRest } from '@/core/catalog/chemistries';
import type { Battery } from '@/core/design/schema';
import { bankOf } from '@/core/energy/bank';
import { formatRates, parseRates } from '@/core/formats/ratesText';
import { formatNumber } from '@/core/units/quantity';
import { unreadWords } from '@/core/wording/unreadWords';
import { useDesign } from '@/features/design/DesignProvider';
import { QuantityField } from '@/ui/QuantityField';
import { TextField } from '@/ui/TextField';
import styles from './Supply.module.css';

/** What is usual until the battery's own sheet says otherwise, and its charge read from a rested voltage. */
export function BatteryMore({ battery, onSet }: { battery: Battery; onSet(fields: Partial<Battery>): string | null }) {
  const nominalV = useDesign(({ analysis }) => analysis.index.settings.nominalV);
  const bank = bankOf(battery, nominalV);
  const number = (
    label: string,
    field: 'internalMilliohm' | 'chargeLimitA' | 'absorptionV' | 'cutOutV' | 'restartV' | 'selfDischargePercent' | 'rateH',
    usual: number,
    unit: string,
    decimals: number,
    [least, most]: [number, number],
  ) => (
    <>
      <QuantityField
        label={label}
        value={battery[field] ?? usual}
        unit={unit}
        decimals={decimals}
        least={least}
        most={most}
        onCommit={(value) => void onSet({ [field]: value })}
      />
      {battery[field] === undefined && <span className={styles.aside}>usual</span>}
    </>
  );
  const inSeries = nominalV / 12;
  return (
    <details className={styles.more}>
      <summary>From its data sheet</summary>
      <dl className={styles.fields}>
        <dt>Rated over</dt>
        <dd>{number('Hours its capacity is rated over', 'rateH', 20, 'h', 0, [1, 100])}</dd>
        <dt>Capacities</dt>
        <dd>
          <TextField
            label="Capacity by hours of discharge"
            text={formatRates(battery.rates)}
            placeholder="5 h 85, 20 h 100"
            width={150}
            onCommit={(text) => {
              const read = parseRates(text);
              return read.ok ? onSet({ rates: read.value ?? undefined }) : unreadWords(read.why);
            }}
          />
          <span className={styles.aside}>Ah of one; in place of an exponent</span>
        </dd>
        <dt>Inside</dt>
        <dd>
          {number('Internal resistance of one', 'internalMilliohm', (bank.ohm / inSeries) * 1000 * battery.count, 'mΩ', 1, [0.1, 1000])}
        </dd>
        <dt>Charged with</dt>
        <dd>{number('Largest charging current of the bank', 'chargeLimitA', bank.acceptanceA, 'A', 0, [1, 1000])}</dd>
        <dt>Absorption</dt>
        <dd>{number('Absorption voltage', 'absorptionV', CHARGE_FACTS[battery.chemistry].absorptionV * inSeries, 'V', 1, [10, 60])}</dd>
        <dt>Cut out at</dt>
        <dd>
          {number('Voltage everything is cut at', 'cutOutV', bank.cutOutV, 'V', 1, [8, 60])}
          {number('Voltage everything comes back at', 'restartV', bank.restartV, 'V', 1, [8, 60])}
        </dd>
        <dt>Lost by itself</dt>
        <dd>{number('Self-discharge a month', 'selfDischargePercent', bank.selfDischargePerDay * 3000, '%/mo', 1, [0, 50])}</dd>
        <dt>Rested at</dt>
        <dd>
          <RestedCharge chemistry={battery.chemistry} inSeries={inSeries} />
        </dd>
      </dl>
    </details>
  );
}

/** A question asked with a meter: nothing of it is kept. */
function RestedCharge({ chemistry, inSeries }: { chemistry: Battery['chemistry']; inSeries: number }) {
  const [volts, setVolts] = useState<number | null>(null);
  const read = volts === null ? null : chargeFromRest(chemistry, volts / inSeries);
  return (
    <>
      <QuantityField
        label="Rested voltage"
        value={volts ?? 12.6 * inSeries}
        unit="V"
        decimals={2}
        least={9}
        most={60}
        onPreview={(value) => (setVolts(value), null)}
        onCommit={setVolts}
      />
      <span className={styles.aside} role="status">
        {read
          ? `about ${formatNumber(read.percent, 0)} %, from ${formatNumber(read.low, 0)} to ${formatNumber(read.high, 0)} %`
          : 'hours after charge or load: how full?'}
      </span>
    </>
  );
}
