'use client';

import { Select } from 'antd';
import { useMemo } from 'react';
import { AMPACITY_TABLES } from '@/core/catalog/ampacity';
import { CONDUCTOR_SIZES } from '@/core/catalog/conductorSizes';
import { FAMILY_NAMES, RATINGS_A } from '@/core/catalog/fuses';
import type { WireAnalysis } from '@/core/analysis/types';
import { setting, updateRecords, type FieldsOf } from '@/core/design/change';
import type { Design } from '@/core/design/design';
import type { Protection } from '@/core/design/schema';
import { LIMITS, PROTECTION_FAMILIES } from '@/core/catalog/vocabulary';
import { nameOf } from '@/core/design/names';
import { isRouted, type LaidWire } from '@/core/rig/layout';
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
import { Table, type Column } from '@/ui/Table';
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
      <Table className={styles.table} columns={CABLE_COLUMNS} rows={shared} keyOf={({ wire }) => wire.id} marksOf={idOf} />
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

const idOf = ({ wire }: WireAnalysis) => ({ id: wire.id });

function Ends({ of: { wire, side } }: { of: WireAnalysis }) {
  const [from, to] = [wire.from, wire.to].map(({ deviceId }) => deviceId);
  const words = useDesign(({ design }) => `${nameOf(design, from!)} → ${nameOf(design, to!)}`);
  return <span className={side === 'supply' ? styles.supply : styles.return}>{words}</span>;
}

const made = (wire: LaidWire, fields: FieldsOf<LaidWire>) => (now: Design) => updateRecords(now, [setting(wire, fields)]);

function Length({ of: { wire } }: { of: WireAnalysis }) {
  const store = useDesignStore();
  const units = useUnits();
  const name = useDesign(({ design }) => nameOf(design, wire.id));
  const routed = useDesign(({ analysis }) => isRouted(analysis.index, wire.id));
  return (
    <LengthField
      label={`Length ${name}`}
      lengthMm={wire.lengthMm}
      measured={wire.lengthMeasured}
      routed={routed}
      mostMm={LIMITS.lengthMm}
      units={units}
      onPreview={(lengthMm) => store.preview(made(wire, { lengthMm, lengthMeasured: routed || wire.lengthMeasured }))}
      onCommit={(lengthMm) => store.commit('Set a cable length', made(wire, { lengthMm, lengthMeasured: routed || wire.lengthMeasured }))}
      onMeasured={(lengthMeasured) => store.commit('Mark a cable length', made(wire, { lengthMm: wire.lengthMm, lengthMeasured }))}
      onCancel={store.cancel}
    />
  );
}

function Size({ of: { wire } }: { of: WireAnalysis }) {
  const store = useDesignStore();
  const standard = useDesign(({ analysis }) => analysis.index.settings.conductorStandard);
  const name = useDesign(({ design }) => nameOf(design, wire.id));
  const tabulated: readonly string[] = AMPACITY_TABLES[standard].rows.map(([size]) => size);
  return (
    <ConductorSelect
      label={`Conductor ${name}`}
      value={wire.conductor}
      sizes={CONDUCTOR_SIZES.filter((size) => tabulated.includes(size) || size === wire.conductor)}
      width={98}
      onChange={(conductor) => store.commit('Change a cable', made(wire, { conductor }))}
    />
  );
}

function Guard({ of: entry }: { of: WireAnalysis }) {
  return useDesign(({ design }) => (entry.protectionA === null && entry.side === 'supply' ? 'nothing yet' : guardedBy(entry, design)));
}

/** Made once: a cable is drawn again only where it is another. */
const CABLE_COLUMNS: readonly Column<WireAnalysis>[] = [
  { head: 'Cable', as: 'name', look: styles.cable, cell: (entry) => <Ends of={entry} /> },
  { head: 'Length', cell: (entry) => <Length of={entry} /> },
  { head: 'Conductor', cell: (entry) => <Size of={entry} /> },
  { head: 'At once', as: 'figure', cell: ({ amps }) => formatAmps(amps) },
  {
    head: <Term of="Ampacity" text="Carries" />,
    as: 'figure',
    look: ({ amps, ampacity, protectionA }) => (amps > ampacity.amps || (protectionA ?? 0) > ampacity.amps ? styles.over : undefined),
    cell: ({ ampacity }) => formatAmps(ampacity.amps),
  },
  { head: 'Guarded by', look: styles.guarded, cell: (entry) => <Guard of={entry} /> },
  { head: <Term of="Voltage drop" text="Drop" />, as: 'figure', cell: ({ dropV }) => formatVolts(dropV) },
];
