'use client';

import { Checkbox, Select } from 'antd';
import { CHEMISTRY_FACTS } from '@/core/catalog/chemistries';
import { setting, updateRecords } from '@/core/design/change';
import type { Battery } from '@/core/design/schema';
import { CHEMISTRIES, LIMITS, SETTINGS_ID } from '@/core/catalog/vocabulary';
import { formatAmpHours, formatNumber } from '@/core/units/quantity';
import { runtimeWords } from '@/core/wording/energyWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Prose } from '@/ui/Prose';
import { QuantityField } from '@/ui/QuantityField';
import { BatteryMore } from './BatteryMore';
import styles from './Supply.module.css';

/** The house battery and what may be used of it. */
export function BatteryCard() {
  const store = useDesignStore();
  const battery = useDesign(({ analysis }) => analysis.index.battery);
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const bank = useDesign(({ analysis }) => analysis.bank);
  const wantedRuntimeH = useDesign(({ analysis }) => analysis.index.settings.wantedRuntimeH);
  const runtimeH = useDesign(({ analysis }) => analysis.totals.runtimeH);
  const withoutHours = useDesign(({ analysis }) => analysis.totals.withoutHours);
  const scenario = useDesign(({ analysis }) => analysis.scenario?.name ?? 'no scenario');
  if (!battery || !bank) return null;

  const make = (fields: Partial<Battery>) => (design: Parameters<typeof updateRecords>[0]) =>
    updateRecords(design, [setting(battery, fields)]);
  const field = (fields: (value: number) => Partial<Battery>) => ({
    onPreview: (value: number) => store.preview(make(fields(value))),
    onCommit: (value: number) => void store.commit('Change the battery', make(fields(value))),
    onCancel: store.cancel,
  });
  const check = (label: string, name: 'heated' | 'vented' | 'heldDown', checked: boolean, said = true) => (
    <Checkbox
      checked={checked}
      indeterminate={!said}
      onChange={(event) => void store.commit('Change the battery', make({ [name]: event.target.checked }))}
    >
      {label}
      {!said && ', not said yet'}
    </Checkbox>
  );
  const facts = CHEMISTRY_FACTS[battery.chemistry];
  return (
    <section className={styles.card} id={battery.id} aria-label="House battery">
      <h3>{battery.name}</h3>
      <dl className={styles.fields}>
        <dt>Kind</dt>
        <dd>
          <Select
            size="small"
            aria-label="Battery chemistry"
            value={battery.chemistry}
            style={{ width: 180 }}
            onChange={(chemistry) =>
              store.commit('Change the battery', make({ chemistry, usableDepthPercent: null, peukertExponent: null }))
            }
            options={CHEMISTRIES.map((value) => ({ value, label: CHEMISTRY_FACTS[value].label }))}
          />
        </dd>
        <dt>Capacity, each</dt>
        <dd>
          <QuantityField
            label="Battery capacity"
            value={battery.capacityAh}
            decimals={0}
            unit="Ah"
            least={1}
            most={LIMITS.capacityAh}
            {...field((capacityAh) => ({ capacityAh }))}
          />
          <span className={styles.aside}>at the {formatNumber(battery.rateH, 0)} h rate</span>
        </dd>
        <dt>In parallel</dt>
        <dd>
          <QuantityField
            label="Batteries in parallel"
            value={battery.count}
            decimals={0}
            unit="pcs"
            least={1}
            most={20}
            {...field((count) => ({ count: Math.round(count) }))}
          />
        </dd>
        <dt>
          <Prose text="Usable depth" />
        </dt>
        <dd>
          <QuantityField
            label="Usable depth"
            value={bank.usableDepth * 100}
            decimals={0}
            unit="%"
            least={5}
            most={100}
            {...field((usableDepthPercent) => ({ usableDepthPercent }))}
          />
          <span className={styles.aside}>
            {battery.usableDepthPercent === null ? 'usual for this kind' : `usual ${facts.usableDepthPercent} %`}
          </span>
        </dd>
        <dt>
          <Prose text="Peukert exponent" />
        </dt>
        <dd>
          <QuantityField
            label="Peukert exponent"
            value={bank.peukertExponent}
            decimals={2}
            unit=""
            least={1}
            most={1.6}
            {...field((peukertExponent) => ({ peukertExponent }))}
          />
          <span className={styles.aside}>
            {battery.peukertExponent === null ? 'usual for this kind' : `usual ${facts.peukertExponent}`}
          </span>
        </dd>
        <dt>Stands in</dt>
        <dd>
          <Select
            size="small"
            aria-label="Zone of the battery"
            value={battery.zoneId ?? ''}
            style={{ width: 180 }}
            onChange={(zoneId) => store.commit('Change the battery', make({ zoneId: zoneId || null }))}
            options={[{ value: '', label: 'in no zone' }, ...zones.map(({ id, name }) => ({ value: id, label: name }))]}
          />
        </dd>
        <dt />
        <dd className={styles.checks}>
          {battery.chemistry === 'lithium' && check('heated for frost', 'heated', battery.heated ?? false)}
          {battery.chemistry === 'flooded' && check('vented outside', 'vented', battery.vented ?? false)}
          {check('held down', 'heldDown', battery.heldDown ?? false, battery.heldDown !== undefined)}
        </dd>
        <dt>Still there</dt>
        <dd>
          <QuantityField
            label="Capacity still there"
            value={battery.healthPercent ?? 100}
            decimals={0}
            unit="%"
            least={20}
            most={100}
            {...field((healthPercent) => ({ healthPercent }))}
          />
          <span className={styles.aside}>of the label</span>
        </dd>
        <dt>Should last</dt>
        <dd>
          <QuantityField
            label="Wanted runtime"
            value={wantedRuntimeH}
            decimals={0}
            unit="h"
            least={0}
            most={2000}
            onCommit={(hours) =>
              store.commit('Set the wanted runtime', (design) =>
                updateRecords(design, [{ id: SETTINGS_ID, set: { wantedRuntimeH: hours } }]),
              )
            }
          />
          <span className={styles.aside}>without charging</span>
        </dd>
      </dl>
      <BatteryMore battery={battery} onSet={(fields) => store.commit('Change the battery', make(fields))} />
      <p className={styles.result}>
        <b className="reading">{formatAmpHours(bank.usableAh)}</b> usable of {formatAmpHours(bank.capacityAh)}; {scenario} runs{' '}
        <b className="reading">{runtimeWords(runtimeH, withoutHours)}</b>.
      </p>
      {battery.chemistry === 'lithium' && (
        <p className={styles.caution}>
          Never charge lithium iron phosphate below 0 °C. Its short-circuit current is very high: use a main fuse that can break it.
        </p>
      )}
      {battery.chemistry === 'flooded' && (
        <p className={styles.caution}>A flooded battery gives off explosive gas as it charges: vent it outside and hold it down.</p>
      )}
      {(battery.chemistry === 'agm' || battery.chemistry === 'gel') && (
        <p className={styles.caution}>Keep a sealed battery out of a hot engine bay, where it dries out; hold it down.</p>
      )}
    </section>
  );
}
