'use client';

import { Segmented, Select } from 'antd';
import { updateRecords } from '@/core/design/change';
import type { Settings } from '@/core/design/schema';
import { CONDUCTOR_STANDARDS, INSULATION_RATINGS_C, SETTINGS_ID, type DropClass } from '@/core/catalog/vocabulary';
import { AMPACITY_TABLES } from '@/core/catalog/ampacity';
import { SOURCES } from '@/core/catalog/sources';
import { dropTargetOf, feedShareOf } from '@/core/sizing/dropTargets';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { QuantityField } from '@/ui/QuantityField';
import { PRACTICE_WORDS } from './practice';
import styles from './Supply.module.css';

/** The schools this design follows, each with the reason for its default. */
export function PracticeCard() {
  const store = useDesignStore();
  const settings = useDesign(({ analysis }) => analysis.index.settings);
  const set = (fields: Partial<Settings>) =>
    store.commit('Change the practice', (design) => updateRecords(design, [{ id: SETTINGS_ID, set: fields }]));
  const target = (kind: DropClass) => (value: number) => set({ dropTargetPercent: { ...settings.dropTargetPercent, [kind]: value } });
  const choice = <T extends string>(label: string, value: T, options: Record<T, string>, onChange: (value: T) => void) => (
    <Segmented<T>
      size="small"
      aria-label={label}
      value={value}
      onChange={onChange}
      options={(Object.entries(options) as [T, string][]).map(([key, text]) => ({ value: key, label: text }))}
    />
  );
  return (
    <section className={`${styles.card} ${styles.practice}`} id={SETTINGS_ID} aria-label="Practice followed">
      <h3>Practice this design follows</h3>
      <dl>
        <dt>Conductors by</dt>
        <dd>
          <Select
            size="small"
            aria-label="Conductor standard"
            value={settings.conductorStandard}
            style={{ width: 220 }}
            onChange={(conductorStandard) => set({ conductorStandard })}
            options={CONDUCTOR_STANDARDS.map((value) => ({ value, label: PRACTICE_WORDS.standard[value] }))}
          />
          <span>
            {AMPACITY_TABLES[settings.conductorStandard].source}. {SOURCES.fromMemory}
          </span>
        </dd>
        <dt>Insulation</dt>
        <dd>
          <Select
            size="small"
            aria-label="Insulation temperature"
            value={settings.insulationC}
            style={{ width: 110 }}
            onChange={(insulationC) => set({ insulationC })}
            options={INSULATION_RATINGS_C.map((value) => ({ value, label: `${value} °C` }))}
          />
          <span>as printed on the cable; when in doubt take the lower</span>
        </dd>
        <dt>Drop targets</dt>
        <dd>
          <QuantityField
            label="Drop target, critical"
            value={settings.dropTargetPercent.critical}
            decimals={1}
            unit="%"
            least={0.5}
            most={20}
            onCommit={target('critical')}
          />
          <span>critical, lighting</span>
          <QuantityField
            label="Drop target, general"
            value={settings.dropTargetPercent.general}
            decimals={1}
            unit="%"
            least={0.5}
            most={20}
            onCommit={target('general')}
          />
          <span>general</span>
          <QuantityField
            label="Drop target, not critical"
            value={dropTargetOf(settings, 'tolerant')}
            decimals={1}
            unit="%"
            least={0.5}
            most={20}
            onCommit={target('tolerant')}
          />
          <span>not critical. 3 and 5 % keep lamps even and pumps strong</span>
        </dd>
        <dt>Main feed’s share</dt>
        <dd>
          <QuantityField
            label="Main feed’s share of the drop"
            value={feedShareOf(settings)}
            decimals={1}
            unit="%"
            least={0.1}
            most={20}
            onCommit={(feedSharePercent) => void set({ feedSharePercent })}
          />
          <span>of it, all on, before the first block; half of what lighting may lose leaves each circuit the rest</span>
        </dd>
        <dt>Drop counted</dt>
        <dd>
          {choice('Drop counted from', settings.dropFrom, { battery: 'from the battery', fuseBlock: 'from the fuse' }, (dropFrom) =>
            set({ dropFrom }),
          )}
          <span>a load sees all of it, the main cable’s share too</span>
        </dd>
        <dt>Drop by</dt>
        <dd>
          {choice(
            'Drop basis',
            settings.dropBasis,
            { conservative: 'the larger of both', formula: 'the standard’s formula' },
            (dropBasis) => set({ dropBasis }),
          )}
          <span>a formula may flatter: real cable is thinner and warmer than it assumes</span>
        </dd>
        <dt>Joints</dt>
        <dd>
          <QuantityField
            label="Resistance allowed for each wire end"
            value={settings.endMilliohm ?? 0}
            decimals={1}
            unit="mΩ"
            least={0}
            most={20}
            onCommit={(endMilliohm) => void set({ endMilliohm })}
          />
          <span>at each end of a wire; a good crimp on a tight screw has 0.2 to 0.5, a poor one ten times as much</span>
        </dd>
        <dt>Cable as</dt>
        <dd>
          {choice('Cable form', settings.cableForm, { single: 'single cores', sheathed: 'in sheath or conduit' }, (cableForm) =>
            set({ cableForm }),
          )}
          <span>single cores need a larger least size, for strength</span>
        </dd>
        <dt>Bundles</dt>
        <dd>
          {choice(
            'Conductors laid together',
            settings.bundling ?? 'derate',
            { derate: 'carry less together', ignore: 'count as alone' },
            (bundling) => set({ bundling }),
          )}
          <span>loaded conductors in one loom or conduit warm each other; the standard’s factor by their number</span>
        </dd>
        <dt>New returns</dt>
        <dd>
          {choice(
            'Return of new circuits',
            settings.defaultReturn,
            { dedicated: 'by cable to the bus bar', chassis: 'through the chassis' },
            (defaultReturn) => set({ defaultReturn }),
          )}
          <span>a cable’s joints can be found and measured; chassis joints corrode out of sight</span>
        </dd>
      </dl>
    </section>
  );
}
