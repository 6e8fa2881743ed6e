'use client';

import { Button, Modal, Progress, Segmented, Select } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { isEmpty, updateRecords } from '@/core/design/change';
import { SETTINGS_ID } from '@/core/design/vocabulary';
import { nameOf } from '@/core/design/names';
import { MEASURES, USUAL_PRICES, type Measure, type Prices, type Proposal, type ProposalGovernor } from '@/core/sizing/propose';
import { formatConductor, formatNumber, formatPercent, formatRating, MISSING } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { QuantityField } from '@/ui/QuantityField';
import type { ProposalNews } from '@/workers/proposal';
import styles from './ProposeDialog.module.css';

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

/** Conductor and fuse for a circuit, a zone or the whole design, before and after, taken as one change. */
export function ProposeDialog({ onClose }: { onClose(): void }) {
  const store = useDesignStore();
  const design = useDesign((state) => state.design);
  const circuits = useDesign(({ analysis }) => analysis.circuits);
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const prices = useDesign(({ analysis }) => analysis.index.settings.prices) ?? USUAL_PRICES;
  const [scope, setScope] = useState('all');
  const [measure, setMeasure] = useState<Measure>('cost');
  const circuitIds = useMemo(() => {
    if (scope === 'all') return null;
    return circuits.filter(({ id, zoneId }) => id === scope || zoneId === scope).map(({ id }) => id);
  }, [circuits, scope]);
  const { done, proposal } = useProposal(circuitIds, measure, prices);
  const setPrice = (fields: Partial<Prices>) =>
    store.commit('Change the price of cable', (current) =>
      updateRecords(current, [{ id: SETTINGS_ID, set: { prices: { ...prices, ...fields } } }]),
    );
  const take = () => {
    if (!proposal) return;
    const refused = store.commit(
      `Size ${proposal.circuits.length === 1 ? proposal.circuits[0]!.name : 'circuits'} for ${MEASURE_WORDS[measure]}`,
      () => proposal.change,
    );
    if (refused === null) onClose();
  };
  return (
    <Modal
      open
      title="Propose conductors and fuses"
      width={980}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{proposal ? 'Leave it as it is' : 'Cancel'}</Button>
          <Button type="primary" disabled={!proposal || isEmpty(proposal.change)} onClick={take}>
            Take it all
          </Button>
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
        <Segmented<Measure>
          aria-label="Made for"
          value={measure}
          onChange={setMeasure}
          options={MEASURES.map((value) => ({ value, label: MEASURE_WORDS[value] }))}
        />
        <label>
          a metre costs
          <QuantityField
            label="Price of a metre of cable"
            value={prices.perM}
            unit=""
            decimals={2}
            least={0}
            most={1000}
            width={62}
            onCommit={(perM) => void setPrice({ perM })}
          />
        </label>
        <label>
          and for each mm²
          <QuantityField
            label="Price of a metre for each mm²"
            value={prices.perMm2M}
            unit=""
            decimals={2}
            least={0}
            most={1000}
            width={62}
            onCommit={(perMm2M) => void setPrice({ perMm2M })}
          />
        </label>
      </div>
      {!proposal && <Progress percent={Math.round(done * 100)} aria-label="Sizes tried" />}
      {proposal && <Outcome proposal={proposal} measure={measure} />}
      <p className={styles.small}>
        One size a circuit, out and back; switches and lengths stay as they are, shared cables and the main fuse grow only where rules ask;
        loads without a circuit get one. Every rule is kept, and what keeps them all now is changed only for something better. The prices
        are yours to put in.
      </p>
    </Modal>
  );
}

function Outcome({ proposal, measure }: { proposal: Proposal; measure: Measure }) {
  const { circuits } = proposal;
  if (circuits.length === 0) return <p>No circuit here has a load yet.</p>;
  const sum = (side: 'before' | 'after', of: 'cost' | 'weightKg') => circuits.reduce((total, entry) => total + entry[side][of], 0);
  const changed = circuits.filter(({ before, after }) => before.conductor !== after.conductor || before.ratingA !== after.ratingA);
  return (
    <>
      <p className={styles.said} role="status">
        {changed.length === 0
          ? `Nothing is better for ${MEASURE_WORDS[measure]}: every circuit stays.`
          : `${changed.length} of ${circuits.length} circuits change. Cable ${formatNumber(sum('before', 'cost'), 0)} to ${formatNumber(sum('after', 'cost'), 0)}, copper ${formatNumber(sum('before', 'weightKg'), 2)} to ${formatNumber(sum('after', 'weightKg'), 2)} kg.`}
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
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">Circuit</th>
              <th scope="col">Conductor</th>
              <th scope="col">Fuse</th>
              <th scope="col">Drop</th>
              <th scope="col">Cost</th>
              <th scope="col">Copper, g</th>
              <th scope="col">Governed by</th>
            </tr>
          </thead>
          <tbody>
            {circuits.map(({ circuitId, name, before, after, governedBy, stuck }) => (
              <tr key={circuitId} data-stuck={stuck || undefined}>
                <td>{name}</td>
                <td className="reading">{arrow(text(before.conductor), text(after.conductor))}</td>
                <td className="reading">{arrow(formatRating(before.ratingA), formatRating(after.ratingA))}</td>
                <td className="reading">{arrow(formatPercent(before.dropPercent), formatPercent(after.dropPercent))}</td>
                <td className="reading">{arrow(formatNumber(before.cost, 1), formatNumber(after.cost, 1))}</td>
                <td className="reading">{arrow(formatNumber(before.weightKg * 1000, 0), formatNumber(after.weightKg * 1000, 0))}</td>
                <td>{stuck ? 'nothing fits' : GOVERNORS[governedBy]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function text(conductor: Proposal['circuits'][number]['before']['conductor']): string {
  return conductor ? formatConductor(conductor) : MISSING;
}

function arrow(before: string, after: string): string {
  return before === after ? before : `${before} → ${after}`;
}

function useProposal(circuitIds: readonly string[] | null, measure: Measure, prices: Prices): { done: number; proposal: Proposal | null } {
  const design = useDesign((state) => state.design);
  const key = JSON.stringify({ circuitIds, measure, prices });
  const [state, setState] = useState<{ of: unknown; key: string; done: number; proposal: Proposal | null }>({
    of: null,
    key: '',
    done: 0,
    proposal: null,
  });
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/proposal.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ProposalNews>) => {
      setState({ of: design, key, done: 'done' in data ? data.done : 1, proposal: 'proposal' in data ? data.proposal : null });
    };
    worker.postMessage({ ...(JSON.parse(key) as object), records: Array.from(design.records.values()) });
    return () => worker.terminate();
  }, [design, key]);
  const fresh = state.of === design && state.key === key;
  return { done: fresh ? state.done : 0, proposal: fresh ? state.proposal : null };
}
