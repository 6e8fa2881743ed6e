'use client';

import { Button, Checkbox } from 'antd';
import { setting, updateRecords } from '@/core/design/change';
import type { Zone } from '@/core/design/schema';
import { LIMITS, ZONE_TRAITS } from '@/core/catalog/vocabulary';
import { setZonePlan } from '@/core/rig/edits';
import { formatAmps, formatPercent } from '@/core/units/quantity';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { Field, Fields } from '@/ui/Fields';
import { MmField } from '@/ui/MmField';
import { NameField } from '@/ui/NameField';
import { TemperatureField } from '@/ui/TemperatureField';
import { ReturnChoice } from './ReturnChoice';
import { useRefusal } from '@/features/design/useRefusal';
import { TRAIT_WORDS } from './words';
import styles from './Cards.module.css';

type Ground = NonNullable<Zone['plan']>;
const SIDES: [keyof Ground, string][] = [
  ['xMm', 'From the front'],
  ['yMm', 'From the left'],
  ['lengthMm', 'Length'],
  ['widthMm', 'Width'],
  ['lowMm', 'From height'],
  ['highMm', 'Up to height'],
];

/** A zone: what it does to wiring, and its ground. */
export function ZoneCard({ zone }: { zone: Zone }) {
  const units = useUnits();
  const rig = useDesign(({ analysis }) => analysis.index.layout.rig);
  const facts = useDesign(({ analysis }) => analysis.zones.find(({ id }) => id === zone.id));
  const { refusal, commit } = useRefusal();
  const set = (fields: Partial<Zone>) => commit(`Change zone ${zone.name}`, (design) => updateRecords(design, [setting(zone, fields)]));
  const traits = zone.traits ?? [];
  const { plan } = zone;
  const draw = () =>
    commit(`Draw the ground of ${zone.name}`, (design) =>
      setZonePlan(design, zone.id, {
        ...{ xMm: Math.round(rig.lengthMm * 0.4), yMm: Math.round(rig.widthMm * 0.1) },
        ...{ lengthMm: Math.round(rig.lengthMm * 0.2), widthMm: Math.round(rig.widthMm * 0.8) },
        ...{ lowMm: Math.round(rig.heightMm * 0.2), highMm: Math.round(rig.heightMm * 0.9) },
      }),
    );
  return (
    <section className={styles.card} aria-label={`Zone ${zone.name}`}>
      <header>
        <NameField label="Name of the zone" name={zone.name} onCommit={(name) => set({ name })} />
      </header>
      {refusal}
      <Fields>
        <Field label="Used for">
          <NameField
            label={`What ${zone.name} is used for`}
            name={zone.purpose ?? ''}
            most={200}
            mayBeEmpty
            onCommit={(purpose) => set({ purpose })}
          />
        </Field>
        <Field label="Hottest air">
          <TemperatureField
            label={`Hottest air in ${zone.name}`}
            celsius={zone.ambientC}
            units={units}
            onCommit={(ambientC) => set({ ambientC })}
          />
          <span className={styles.soft}>wire is sized for this</span>
        </Field>
        <Field label="As a rule">
          <TemperatureField
            label={`Usual air in ${zone.name}`}
            celsius={zone.usualC ?? Math.min(20, zone.ambientC)}
            units={units}
            onCommit={(usualC) => set({ usualC })}
          />
        </Field>
      </Fields>
      <h4>What it does to wiring</h4>
      <div className={styles.traits}>
        <Checkbox checked={zone.engineSpace} onChange={(event) => set({ engineSpace: event.target.checked })}>
          engine space
        </Checkbox>
        {ZONE_TRAITS.map((trait) => (
          <Checkbox
            key={trait}
            checked={traits.includes(trait)}
            onChange={(event) => set({ traits: event.target.checked ? [...traits, trait] : traits.filter((other) => other !== trait) })}
          >
            {TRAIT_WORDS[trait]}
          </Checkbox>
        ))}
      </div>
      <h4>Its ground</h4>
      {plan ? (
        <Fields>
          {SIDES.map(([side, label]) => (
            <Field key={side} label={label}>
              <MmField
                label={`${label}, ${zone.name}`}
                mm={plan[side]}
                units={units}
                least={side === 'lengthMm' || side === 'widthMm' ? 100 : -2000}
                most={LIMITS.vehicleMm}
                onCommit={(mm) =>
                  commit(`Move the ground of ${zone.name}`, (design) => setZonePlan(design, zone.id, { ...plan, [side]: mm }))
                }
              />
            </Field>
          ))}
          <Field label="Tint">
            {[1, 2, 3, 4, 5, 6, 7, 8].map((tint) => (
              <Button
                key={tint}
                size="small"
                type={zone.tint === tint ? 'primary' : 'default'}
                aria-label={`Tint ${tint} for ${zone.name}`}
                onClick={() => set({ tint })}
              >
                {tint}
              </Button>
            ))}
          </Field>
        </Fields>
      ) : (
        <Button size="small" onClick={draw}>
          Draw its ground
        </Button>
      )}
      <h4>In it</h4>
      <p className={styles.soft}>
        {facts?.loadCount ?? 0} loads, {formatAmps(facts?.connectedA ?? 0)} connected, worst drop{' '}
        {formatPercent(facts?.worstDropPercent ?? null)}.
      </p>
      <ReturnChoice zone={zone} />
    </section>
  );
}
