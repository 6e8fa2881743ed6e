'use client';

import { Button, Drawer, Segmented, Select } from 'antd';
import { ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { analyse } from '@/core/analysis/analyse';
import { fittingGroups, type FittingGroup } from '@/core/analysis/fittingGroups';
import { RATINGS_A } from '@/core/catalog/fuses';
import { countProgress, progressFields, progressOf, type DesignView, type Fitting, type Progress } from '@/core/design/asBuilt';
import { setting, updateRecords } from '@/core/design/change';
import { jointForNow } from '@/core/design/forNow';
import { nameOf } from '@/core/design/names';
import type { Protection } from '@/core/design/schema';
import { formatRating } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { TextField } from '@/ui/TextField';
import drawer from '@/ui/Drawer.module.css';
import styles from './FittedDrawer.module.css';

const STATES: { value: Progress; label: string }[] = [
  { value: 'planned', label: 'Planned' },
  { value: 'fitted', label: 'Fitted' },
  { value: 'temporary', label: 'For now' },
  { value: 'removed', label: 'Taken out' },
];

const VIEWS: { value: DesignView; label: string }[] = [
  { value: 'planned', label: 'As planned' },
  { value: 'now', label: 'As it is now' },
];

/** How far every device and wire has come, circuit by circuit, and which of the two the screens show. */
export function FittedDrawer({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const whole = useDesign((state) => state.whole);
  const view = useDesign((state) => state.view);
  const shown = useDesign((state) => state.analysis);
  const { commit, refusal } = useRefusal();
  // Where nothing is aside, that is what the screens show.
  const groups = useMemo(() => fittingGroups(shown.design === whole ? shown : analyse(whole)), [whole, shown]);
  const counts = useMemo(() => countProgress(whole), [whole]);
  const mark = (label: string, fittings: readonly Fitting[], progress: Progress) =>
    commit(label, (design) => updateRecords(design, fittings.map((fitting) => setting(fitting, progressFields(fitting, progress))))); // prettier-ignore
  const toCome = groups.flatMap(({ fittings }) => fittings.filter((fitting) => progressOf(fitting) === 'planned'));
  return (
    <Drawer open title="Fitted" placement="right" size={560} onClose={onClose} mask={false} rootClassName={drawer.root}>
      <Segmented block aria-label="What the screens show" options={VIEWS} value={view} onChange={(next) => store.look(next)} />
      <p className={styles.sum}>
        {counts.fitted} fitted, {counts.planned} planned
        {counts.temporary > 0 && `, ${counts.temporary} there for now`}
        {counts.removed > 0 && `, ${counts.removed} taken out`}.
        {toCome.length > 0 && (
          <Button size="small" onClick={() => mark('Everything is fitted', toCome, 'fitted')}>
            All of it is fitted
          </Button>
        )}
      </p>
      {refusal}
      {groups.map((group) => (
        <Group key={group.id} group={group} onMark={mark} onCommit={commit} />
      ))}
    </Drawer>
  );
}

type Commit = ReturnType<typeof useRefusal>['commit'];

interface Acts {
  onMark(label: string, fittings: readonly Fitting[], progress: Progress): void;
  onCommit: Commit;
}

function Group({ group: { id, name, fittings }, onMark, onCommit }: { group: FittingGroup } & Acts) {
  const isAside = id === 'temporary' || id === 'removed';
  const [open, setOpen] = useState(isAside);
  const fitted = fittings.filter((fitting) => progressOf(fitting) === 'fitted');
  return (
    <section className={styles.group} aria-label={name}>
      <div className={styles.head}>
        <button type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
          <ChevronRight size={16} aria-hidden /> {name}
        </button>
        <span>{isAside ? fittings.length : `${fitted.length} of ${fittings.length}`}</span>
        {!isAside &&
          (fitted.length < fittings.length ? (
            <Button size="small" aria-label={`${name} is fitted`} onClick={() => onMark(`${name} is fitted`, fittings, 'fitted')}>
              Fitted
            </Button>
          ) : (
            <Button
              size="small"
              type="text"
              aria-label={`${name} is only planned`}
              onClick={() => onMark(`${name} is only planned`, fittings, 'planned')}
            >
              Not yet
            </Button>
          ))}
      </div>
      {open && (
        <ul className={styles.list}>
          {fittings.map((fitting) => (
            <Row key={fitting.id} fitting={fitting} onMark={onMark} onCommit={onCommit} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Row({ fitting, onMark, onCommit }: { fitting: Fitting } & Acts) {
  const whole = useDesign((state) => state.whole);
  const name = nameOf(whole, fitting.id);
  const { work } = fitting;
  return (
    <li>
      <span className={styles.name}>{name}</span>
      {fitting.type === 'device' && fitting.kind === 'protection' && <Holder fuse={fitting} onCommit={onCommit} />}
      <Select
        size="small"
        className={styles.state}
        aria-label={`State of ${name}`}
        value={progressOf(fitting)}
        options={STATES}
        onChange={(next) => onMark(`${name}: ${STATES.find(({ value }) => value === next)!.label.toLowerCase()}`, [fitting], next)}
      />
      {work && (work.state !== 'fitted' || jointForNow(fitting) !== null) && <Reason fitting={fitting} work={work} onCommit={onCommit} />}
    </li>
  );
}

/** The fuse in a holder now, where it is not the planned one. */
function Holder({ fuse, onCommit }: { fuse: Protection; onCommit: Commit }) {
  const ratings = RATINGS_A[fuse.family].map((rating) => ({ value: rating, label: formatRating(rating) }));
  return (
    <Select
      size="small"
      className={styles.holder}
      aria-label={`In the holder of ${fuse.name}`}
      title="The fuse in the holder now"
      value={fuse.fittedA ?? fuse.ratingA}
      options={
        ratings.some(({ value }) => value === fuse.ratingA)
          ? ratings
          : [...ratings, { value: fuse.ratingA, label: formatRating(fuse.ratingA) }]
      }
      onChange={(amps: number) =>
        onCommit(`${fuse.name} holds ${formatRating(amps)}`, (design) =>
          updateRecords(design, [setting(fuse, { fittedA: amps === fuse.ratingA ? undefined : amps })]),
        )
      }
    />
  );
}

/** Why something is there for now, or was taken out, and when to come back to it. */
function Reason({ fitting, work, onCommit }: { fitting: Fitting; work: NonNullable<Fitting['work']>; onCommit: Commit }) {
  const name = useDesign((state) => nameOf(state.whole, fitting.id));
  const set = (label: string, { why = work.why, due = work.due }: { why?: string; due?: string }) => {
    const next = { state: work.state, ...(why && { why }), ...(due && { due }) };
    return onCommit(`${label} ${name}`, (design) => updateRecords(design, [setting(fitting, { work: next })]));
  };
  return (
    <span className={styles.reason}>
      <TextField label={`Why ${name}`} placeholder="Why" text={work.why ?? ''} onCommit={(why) => set('Reason of', { why: why.trim() })} />
      {work.state !== 'removed' && (
        <input
          key={work.due}
          type="date"
          aria-label={`Come back to ${name} by`}
          defaultValue={work.due ?? ''}
          onBlur={({ target }) => target.value !== (work.due ?? '') && set('Day to come back to', { due: target.value })}
        />
      )}
    </span>
  );
}
