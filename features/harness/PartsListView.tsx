'use client';

import { useMemo } from 'react';
import { PART_GROUPS, partsList, type PartLine } from '@/core/harness/partsList';
import type { Harness } from '@/core/harness/schedule';
import { PART_GROUP_WORDS, partWords } from '@/core/wording/harnessWords';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { useCutLots } from './useHarness';
import { swatchOf } from './scheduleColumns';
import styles from './Harness.module.css';

/** Everything to have before the work begins, counted from the design. */
export function PartsListView({ harness }: { harness: Harness }) {
  const index = useDesign(({ analysis }) => analysis.index);
  const units = useUnits();
  const { lots } = useCutLots(harness);
  const lines = useMemo(() => partsList(index, harness, lots), [index, harness, lots]);
  return (
    <div className={styles.view} role="region" aria-label="Parts to have" tabIndex={0}>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Needed</th>
            <th scope="col">To spare</th>
            <th scope="col">For</th>
          </tr>
        </thead>
        {PART_GROUPS.map((group) => {
          const mine = lines.filter((line) => line.group === group);
          return (
            mine.length > 0 && (
              <tbody key={group}>
                <tr className={styles.group}>
                  <th scope="rowgroup" colSpan={4}>
                    {PART_GROUP_WORDS[group]}
                  </th>
                </tr>
                {mine.map((line) => (
                  <Line key={partWords(line, units).what} line={line} />
                ))}
              </tbody>
            )
          );
        })}
      </table>
    </div>
  );
}

function Line({ line }: { line: PartLine }) {
  const units = useUnits();
  const { what, count, spare } = partWords(line, units);
  return (
    <tr>
      <th scope="row">
        {line.group === 'wire' && line.look && <i aria-hidden className={styles.swatch} style={{ background: swatchOf(line.look) }} />}
        {what}
      </th>
      <td className="reading">{count}</td>
      <td className="reading">{spare || '–'}</td>
      <td className={styles.for}>{'names' in line ? line.names.join(', ') : ''}</td>
    </tr>
  );
}
