'use client';

import { Button, Progress, Segmented, Select } from 'antd';
import { useMemo, useState } from 'react';
import { isEmpty } from '@/core/design/change';
import { nameOf } from '@/core/design/names';
import { MEASURES, type Measure, type Proposal, type ProposalGovernor, type ProposedCircuit, type Sized } from '@/core/advice/proposal';
import { formatConductor, formatNumber, formatPercent, formatRating, MISSING } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Dialog } from '@/ui/Dialog';
import { Table } from '@/ui/Table';
import { PriceFields } from './PriceFields';
import { usePrices } from '@/features/design/usePrices';
import styles from './ProposeDialog.module.css';
import { useSizing } from './useSizing';
import { WaysTable } from './WaysTable';

const MEASURE_WORDS: Record<Measure, string> = { cost: 'least cost', weight: 'least copper', drop: 'least drop' };
const GOVERNORS: Record<ProposalGovernor, string> = {
  minimum: 'least size',
  ampacity: 'ampacity',
  fuse: 'fuse against wire',
  drop: 'drop',
  clearing: 'clearing a short',
  start: 'the load’s start',
  selectivity: 'the fuse ahead',
  asItIs: 'well as it is',
  smallest: 'smallest there is',
};

const SIZES_SAY =
  'One size a circuit, out and back; switches and lengths stay as they are, shared cables and the main fuse grow only where rules ask; loads without a circuit get one. Every rule is kept, and what keeps them all now is changed only for something better. The prices are yours to put in.';
const WAYS_SAY =
  'Each way is sized for the same end and keeps every rule. A nearer block stands where one of these circuits already has a place; where no vehicle is laid out, as far along as you say. Every wire its own size is thinned wire by wire, so near the least rather than surely it.';

/** Conductor and fuse for a circuit, a zone or the whole design, before and after, taken as one change. */
export function ProposeDialog({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const circuits = useDesign(({ analysis }) => analysis.circuits);
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const prices = usePrices();
  const [scope, setScope] = useState('all');
  const [measure, setMeasure] = useState<Measure>('cost');
  const circuitIds = useMemo(() => {
    if (scope === 'all') return null;
    return circuits.filter(({ id, zoneId }) => id === scope || zoneId === scope).map(({ id }) => id);
  }, [circuits, scope]);
  const [wanted, setWanted] = useState<'sizes' | 'ways'>('sizes');
  const compares = wanted === 'ways' && circuitIds !== null;
  const { done, answer } = useSizing(compares ? null : { ask: 'sizes', circuitIds, measure, prices });
  const proposal = answer && 'proposal' in answer ? answer.proposal : null;
  const take = () => {
    if (!proposal) return;
    const refused = store.commit(
      `Size ${proposal.circuits.length === 1 ? proposal.circuits[0]!.name : 'circuits'} for ${MEASURE_WORDS[measure]}`,
      () => proposal.change,
    );
    if (refused === null) onClose();
  };
  return (
    <Dialog
      open
      title="Propose conductors and fuses"
      width={980}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{proposal || compares ? 'Leave it as it is' : 'Cancel'}</Button>
          {!compares && (
            <Button type="primary" disabled={!proposal || isEmpty(proposal.change)} onClick={take}>
              Take it all
            </Button>
          )}
        </>
      }
    >
      <div className={styles.bar}>
        <Select
          size="small"
          aria-label="What to size"
          value={scope}
          onChange={setScope}
          style={{ width: 240 }}
          showSearch={{ optionFilterProp: 'label' }}
          options={[
            { value: 'all', label: 'The whole design' },
            { label: 'A zone', options: zones.map(({ id, name }) => ({ value: id, label: name })) },
            { label: 'A circuit', options: circuits.map(({ id }) => ({ value: id, label: nameOf(design, id) })) },
          ]}
        />
        <Segmented<'sizes' | 'ways'>
          aria-label="What is proposed"
          value={compares ? 'ways' : 'sizes'}
          onChange={setWanted}
          options={[
            { value: 'sizes', label: 'sizes' },
            {
              value: 'ways',
              label: 'ways side by side',
              disabled: circuitIds === null,
              title: circuitIds === null ? 'Choose a zone or a circuit first' : '',
            },
          ]}
        />
        <Segmented<Measure>
          aria-label="Made for"
          value={measure}
          onChange={setMeasure}
          options={MEASURES.map((value) => ({ value, label: MEASURE_WORDS[value] }))}
        />
        <PriceFields parts={compares} />
      </div>
      {compares ? (
        <WaysTable circuitIds={circuitIds!} measure={measure} onTaken={onClose} />
      ) : (
        <>
          {!proposal && <Progress percent={Math.round(done * 100)} aria-label="Sizes tried" />}
          {proposal && <Outcome proposal={proposal} measure={measure} />}
        </>
      )}
      <p className={styles.small}>{compares ? WAYS_SAY : SIZES_SAY}</p>
    </Dialog>
  );
}

function Outcome({ proposal, measure }: { proposal: Proposal; measure: Measure }) {
  const { currency } = usePrices();
  const { circuits } = proposal;
  if (circuits.length === 0) return <p>No circuit here has a load yet.</p>;
  const sum = (side: 'before' | 'after', of: 'cost' | 'weightKg') => circuits.reduce((total, entry) => total + entry[side][of], 0);
  const changed = circuits.filter(({ before, after }) => before.conductor !== after.conductor || before.ratingA !== after.ratingA);
  return (
    <>
      <p className={styles.said} role="status">
        {changed.length === 0
          ? `Nothing is better for ${MEASURE_WORDS[measure]}: every circuit stays.`
          : `${changed.length} of ${circuits.length} circuits change. Cable ${formatNumber(sum('before', 'cost'), 0)} to ${formatNumber(sum('after', 'cost'), 0)} ${currency}, copper ${formatNumber(sum('before', 'weightKg'), 2)} to ${formatNumber(sum('after', 'weightKg'), 2)} kg.`}
      </p>
      {proposal.first.length > 0 && (
        <ul className={styles.first} aria-label="Done first">
          {proposal.first.map(({ name, did }, at) => (
            <li key={at}>
              {name}: {did}
            </li>
          ))}
        </ul>
      )}
      <div className={styles.scroller} role="region" aria-label="Proposed sizes" tabIndex={0}>
        <Table
          columns={[
            { head: 'Circuit', cell: ({ name }) => name },
            { head: 'Conductor', as: 'figure', cell: ({ before, after }) => arrow(text(before.conductor), text(after.conductor)) },
            { head: 'Fuse', as: 'figure', cell: ({ before, after }) => arrow(formatRating(before.ratingA), formatRating(after.ratingA)) },
            {
              head: 'Drop',
              as: 'figure',
              cell: ({ before, after }) => arrow(formatPercent(before.dropPercent), formatPercent(after.dropPercent)),
            },
            {
              head: `Cost, ${currency}`,
              as: 'figure',
              cell: ({ before, after }) => arrow(formatNumber(before.cost, 1), formatNumber(after.cost, 1)),
            },
            { head: 'Copper, g', as: 'figure', cell: ({ before, after }) => arrow(grams(before), grams(after)) },
            { head: 'Governed by', cell: governedWords },
          ]}
          rows={circuits}
          keyOf={({ circuitId }) => circuitId}
          lookOf={({ stuck }) => (stuck ? styles.stuck : undefined)}
          className={styles.table}
        />
      </div>
    </>
  );
}

function text(conductor: Proposal['circuits'][number]['before']['conductor']): string {
  return conductor ? formatConductor(conductor) : MISSING;
}

const grams = ({ weightKg }: Sized) => formatNumber(weightKg * 1000, 0);

function governedWords({ before, after, governedBy, stuck }: ProposedCircuit): string {
  if (!stuck) return GOVERNORS[governedBy];
  return before.conductor === after.conductor && before.ratingA === after.ratingA ? 'no size keeps every rule' : 'safe; drop still over';
}

function arrow(before: string, after: string): string {
  return before === after ? before : `${before} → ${after}`;
}
