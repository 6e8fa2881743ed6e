'use client';

import { Select } from 'antd';
import { memo, useMemo } from 'react';
import { AMPACITY_TABLES } from '@/core/catalog/ampacity';
import { CONDUCTOR_SIZES } from '@/core/catalog/conductorSizes';
import { FAMILY_NAMES, RATINGS_A } from '@/core/catalog/fuses';
import type { WireAnalysis } from '@/core/analysis/types';
import { setting, updateRecords, type FieldsOf } from '@/core/design/change';
import type { Protection } from '@/core/design/schema';
import { LIMITS, PROTECTION_FAMILIES } from '@/core/catalog/vocabulary';
import { nameOf } from '@/core/design/names';
import { isRouted } from '@/core/rig/layout';
import { feedShareOf } from '@/core/sizing/dropTargets';
import { stepRating } from '@/core/switching/schemes';
import { guardedBy } from '@/core/formats/guardedBy';
import { formatAmps, formatPercent, formatRating, formatVolts } from '@/core/units/quantity';
import { isOver } from '@/core/units/compare';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { ConductorSelect } from '@/ui/ConductorSelect';
import { LengthField } from '@/ui/LengthField';
import { MainParts } from './MainParts';
import { Stepper } from '@/ui/Stepper';
import { Term } from '@/ui/Prose';
import styles from './Supply.module.css';

/** The cables many circuits share, from the battery outward, with the fuses that guard them. */
export function MainCables() {
  const wires = useDesign(({ analysis }) => analysis.wires);
  const design = useDesign((state) => state.design);
  const shared = useMemo(() => Array.from(wires.values()).filter(({ circuitId }) => circuitId === null), [wires]);
  const protections = useDesign(({ analysis }) => analysis.protections);
  const fuses = useMemo(() => {
    const circuitFuses = new Set(Array.from(design.records.values(), (record) => (record.type === 'circuit' ? record.protectionId : '')));
    return Array.from(design.records.values()).filter(
      (record): record is Protection =>
        record.type === 'device' &&
        record.kind === 'protection' &&
        record.mount === null &&
        !circuitFuses.has(record.id) &&
        (protections.get(record.id)?.withinId ?? null) === null,
    );
  }, [design, protections]);
  return (
    <section className={`${styles.card} ${styles.wide}`} aria-label="Main protection and cables">
      <h3>Main protection and cables</h3>
      <div className={styles.fuses}>
        {fuses.map((fuse) => (
          <MainFuse key={fuse.id} fuse={fuse} />
        ))}
      </div>
      <MainParts />
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Cable</th>
            <th scope="col">Length</th>
            <th scope="col">Conductor</th>
            <th scope="col">At once</th>
            <th scope="col">
              <Term of="Ampacity" text="Carries" />
            </th>
            <th scope="col">Guarded by</th>
            <th scope="col">
              <Term of="Voltage drop" text="Drop" />
            </th>
          </tr>
        </thead>
        <tbody>
          {shared.map((entry) => (
            <CableRow key={entry.wire.id} entry={entry} />
          ))}
        </tbody>
      </table>
      <FeedShares />
    </section>
  );
}

/** What the cables everything shares take of the volts. */
function FeedShares() {
  const feeds = useDesign(({ analysis }) => analysis.mainFeeds);
  const settings = useDesign(({ analysis }) => analysis.index.settings);
  const design = useDesign((state) => state.design);
  const share = feedShareOf(settings);
  return feeds.map(({ blockId, dropV, dropPercent }) => (
    <p key={blockId} className={styles.share}>
      All on, <b className="reading">{formatVolts(dropV)}</b> ({formatPercent(dropPercent)}) is lost before {nameOf(design, blockId)}, out
      and back; <span className={isOver(dropPercent, share, 1) ? styles.over : undefined}>its share is {formatPercent(share)}</span>.
    </p>
  ));
}

function MainFuse({ fuse }: { fuse: Protection }) {
  const store = useDesignStore();
  const ratings = RATINGS_A[fuse.family];
  const set = (fields: Partial<Protection>) =>
    store.commit(`Change ${fuse.name}`, (design) => updateRecords(design, [{ id: fuse.id, set: fields }]));
  const setFamily = (family: Protection['family']) => {
    const rating = RATINGS_A[family].find((candidate) => candidate >= fuse.ratingA) ?? RATINGS_A[family].at(-1)!;
    set({ family, ratingA: rating });
  };
  return (
    <span className={styles.mainFuse} id={fuse.id}>
      <b>{fuse.name}</b>
      <Stepper
        label={`Rating of ${fuse.name}`}
        tone="copper"
        text={formatRating(fuse.ratingA)}
        at={Math.max(0, ratings.indexOf(fuse.ratingA))}
        count={ratings.length}
        onStep={(by) => set({ ratingA: stepRating(fuse, by) })}
      />
      <Select
        size="small"
        aria-label={`Kind of ${fuse.name}`}
        value={fuse.family}
        onChange={setFamily}
        style={{ width: 176 }}
        options={PROTECTION_FAMILIES.map((value) => ({ value, label: FAMILY_NAMES[value] }))}
      />
    </span>
  );
}

const CableRow = memo(function CableRow({ entry }: { entry: WireAnalysis }) {
  const store = useDesignStore();
  const units = useUnits();
  const design = store.getState().design;
  const standard = useDesign(({ analysis }) => analysis.index.settings.conductorStandard);
  const { wire, side, amps, ampacity, protectionA, dropV } = entry;
  const make = (fields: FieldsOf<typeof wire>) => (now: Parameters<typeof updateRecords>[0]) => updateRecords(now, [setting(wire, fields)]);
  const routed = useDesign(({ analysis }) => isRouted(analysis.index, wire.id));
  const tabulated: readonly string[] = AMPACITY_TABLES[standard].rows.map(([size]) => size);
  const sizes = CONDUCTOR_SIZES.filter((size) => tabulated.includes(size) || size === wire.conductor);
  const over = amps > ampacity.amps || (protectionA ?? 0) > ampacity.amps;
  return (
    <tr id={wire.id}>
      <th scope="row">
        <span className={side === 'supply' ? styles.supply : styles.return}>
          {nameOf(design, wire.from.deviceId)} → {nameOf(design, wire.to.deviceId)}
        </span>
      </th>
      <td>
        <LengthField
          label={`Length ${nameOf(design, wire.id)}`}
          lengthMm={wire.lengthMm}
          measured={wire.lengthMeasured}
          routed={routed}
          mostMm={LIMITS.lengthMm}
          units={units}
          onPreview={(lengthMm) => store.preview(make({ lengthMm, lengthMeasured: routed || wire.lengthMeasured }))}
          onCommit={(lengthMm) => store.commit('Set a cable length', make({ lengthMm, lengthMeasured: routed || wire.lengthMeasured }))}
          onMeasured={(lengthMeasured) => store.commit('Mark a cable length', make({ lengthMm: wire.lengthMm, lengthMeasured }))}
          onCancel={store.cancel}
        />
      </td>
      <td>
        <ConductorSelect
          label={`Conductor ${nameOf(design, wire.id)}`}
          value={wire.conductor}
          sizes={sizes}
          width={98}
          onChange={(conductor) => store.commit('Change a cable', make({ conductor }))}
        />
      </td>
      <td className="reading">{formatAmps(amps)}</td>
      <td className={`reading ${over ? styles.over : ''}`}>{formatAmps(ampacity.amps)}</td>
      <td className={styles.guarded}>{protectionA === null && side === 'supply' ? 'nothing yet' : guardedBy(entry, design)}</td>
      <td className="reading">{formatVolts(dropV)}</td>
    </tr>
  );
});
