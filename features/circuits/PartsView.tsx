'use client';

import { Select } from 'antd';
import { useMemo, useState } from 'react';
import { nameOf } from '@/core/design/names';
import { PARTS, type Part } from '@/core/devices/parts';
import { addLoosePart } from '@/core/switching/partsByHand';
import { useDesign } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { PartChoice } from '@/ui/PartChoice';
import { PartRow } from './PartRow';
import { allParts, type PartShown } from './partsShown';
import styles from './Parts.module.css';
import { WireDrawing } from './WireDrawing';

const NO_ZONE = '';

/**
 * Every switch, relay, joint, plug, bar and sensor of the design with what lands on its terminals, and new ones put in to be wired by hand.
 */
export function PartsView() {
  const { commit, refusal } = useRefusal();
  const analysis = useDesign((state) => state.analysis);
  const zones = useDesign(({ analysis: { index } }) => index.zones);
  const [zoneId, setZoneId] = useState(NO_ZONE);
  const parts = useMemo(() => allParts(analysis), [analysis]);
  const add = (part: Part) => commit(`Add a ${part.label.toLowerCase()}`, (now) => addLoosePart(now, part, zoneId || null).change);
  const groups = useMemo(() => byCircuit(parts), [parts]);
  return (
    <div className={styles.view} role="region" aria-label="Parts and their wires" tabIndex={0}>
      <div className={styles.put}>
        <span>Add</span>
        <PartChoice label="Part to add" parts={PARTS} onChoose={add} />
        <span>in</span>
        <Select<string>
          size="small"
          aria-label="Zone of the part"
          value={zoneId}
          style={{ width: 160 }}
          popupMatchSelectWidth={false}
          onChange={setZoneId}
          options={[{ value: NO_ZONE, label: 'no zone' }, ...zones.map(({ id, name }) => ({ value: id, label: name }))]}
        />
        <span className={styles.soft}>to be wired by hand; into a run it goes from the opened strip</span>
        {refusal}
      </div>
      {parts.length === 0 && (
        <p className={styles.soft}>No parts yet: switches, relays, joints and the like stand here once they are put in.</p>
      )}
      <WireDrawing>
        {Array.from(groups, ([circuitId, list]) => (
          <section key={circuitId}>
            <h3>{circuitId === '' ? 'Shared and loose' : nameOf(analysis.design, circuitId)}</h3>
            <ul className={styles.rows}>
              {list.map(({ device }) => (
                <PartRow key={device.id} device={device} />
              ))}
            </ul>
          </section>
        ))}
      </WireDrawing>
    </div>
  );
}

function byCircuit(parts: readonly PartShown[]): Map<string, PartShown[]> {
  const groups = new Map<string, PartShown[]>();
  for (const part of parts) {
    const key = part.circuitId ?? '';
    groups.set(key, [...(groups.get(key) ?? []), part]);
  }
  return groups;
}
