'use client';

import { Drawer } from 'antd';
import { useMemo } from 'react';
import { MOST_ROWS, truthOf, type Truth } from '@/core/bench/truth';
import { nameOf } from '@/core/design/names';
import { isLamp } from '@/core/devices/load';
import { NetworkError } from '@/core/network/networkError';
import { inputWords } from '@/core/wording/benchWords';
import { useDesign } from '@/features/design/DesignProvider';
import styles from './TruthDrawer.module.css';

/** When a load is lit: every way that what influences it may stand. */
export function TruthDrawer({ loadId, onClose }: { loadId: string; onClose(): void }) {
  const { index, wiring, design } = useDesign((state) => state.analysis);
  const lamp = index.loads.some((load) => load.id === loadId && isLamp(load));
  const found = useMemo(() => {
    try {
      return truthOf(index, wiring, loadId);
    } catch (error) {
      if (error instanceof NetworkError) return error;
      throw error;
    }
  }, [index, wiring, loadId]);
  return (
    <Drawer
      open
      title={`${lamp ? 'When is it lit?' : 'When has it power?'} ${nameOf(design, loadId)}`}
      placement="right"
      size={560}
      onClose={onClose}
      mask={false}
      rootClassName={styles.root}
    >
      {found instanceof NetworkError ? (
        <p>{found.message}</p>
      ) : 'tooMany' in found ? (
        <p>
          Its controls may stand in {found.tooMany} ways; {MOST_ROWS} are the most that are tried.
        </p>
      ) : (
        <Table truth={found} does={lamp ? 'Lit' : 'Power'} />
      )}
    </Drawer>
  );
}

function Table({ truth: { inputs, rows, doesNotMatter }, does }: { truth: Truth; does: 'Lit' | 'Power' }) {
  const design = useDesign((state) => state.design);
  const words = inputs.map((input) => inputWords(design, input));
  const idle = doesNotMatter.map((input) => inputWords(design, input).name);
  const lit = rows.filter(({ on }) => on).length;
  return (
    <>
      <p>
        {inputs.length === 0
          ? rows[0]?.on
            ? 'It always has power: nothing one moves in use switches it.'
            : 'Nothing one moves in use gives it power.'
          : `${does} in ${lit} of ${rows.length} ways. Each is reached from rest.`}
      </p>
      {inputs.length > 0 && (
        <table className={styles.table}>
          <thead>
            <tr>
              {words.map(({ name }) => (
                <th key={name} scope="col">
                  {name}
                </th>
              ))}
              <th scope="col">{does}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ positions, on }) => (
              <tr key={positions.join()} className={on ? styles.lit : undefined}>
                {positions.map((position, at) => (
                  <td key={words[at]!.name}>{words[at]!.positions[inputs[at]!.positions.indexOf(position)]}</td>
                ))}
                <td>{on === null ? 'never at rest' : on ? 'yes' : 'no'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {idle.length > 0 && <p className={styles.idle}>Does not matter: {idle.join(', ')}.</p>}
    </>
  );
}
