'use client';

import { Select } from 'antd';
import { useMemo } from 'react';
import { studName, studsOf } from '@/core/analysis/studs';
import { studWords } from '@/core/catalog/terminals';
import { updateRecords } from '@/core/design/change';
import { nameOf } from '@/core/design/names';
import { STUD_SIZES, type StudSize } from '@/core/catalog/vocabulary';
import { formatConductor } from '@/core/units/quantity';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Table } from '@/ui/Table';
import styles from './Supply.module.css';

/** What is bolted where: every stud, its size, and the rings that land on it. */
export function StudsCard() {
  const store = useDesignStore();
  const analysis = useDesign((state) => state.analysis);
  const studs = useMemo(() => studsOf(analysis), [analysis]);
  if (studs.length === 0) return null;
  const unknown = studs.filter(({ stud }) => stud === null).length;
  return (
    <details className={`${styles.card} ${styles.studs}`} aria-label="Studs and rings">
      <summary>
        <b>Studs and rings</b>
        <span className={styles.aside}>
          {studs.length} studs, {unknown === 0 ? 'all sizes known' : `${unknown} of unknown size`}
        </span>
      </summary>
      <Table
        columns={[
          { head: 'Stud', as: 'name', cell: ({ deviceId, terminal }) => studName(nameOf(analysis.design, deviceId), terminal) },
          {
            head: 'Its size',
            cell: ({ deviceId, terminal, stud, rings }) => {
              const name = nameOf(analysis.design, deviceId);
              return (
                <Select<StudSize | ''>
                  size="small"
                  aria-label={`Stud of ${name} ${terminal}`}
                  value={stud ?? ''}
                  style={{ width: 118 }}
                  status={rings.some(({ fits }) => !fits) ? 'error' : undefined}
                  onChange={(size) =>
                    store.commit(`Set the studs of ${name}`, (design) =>
                      updateRecords(design, [{ id: deviceId, set: { stud: size || undefined } }]),
                    )
                  }
                  options={[{ value: '', label: 'not known' }, ...STUD_SIZES.map((size) => ({ value: size, label: studWords(size) }))]}
                />
              );
            },
          },
          {
            head: 'Rings that land on it',
            look: styles.rings,
            cell: ({ rings }) => rings.map(({ conductor, count }) => `${count} × ${formatConductor(conductor)}`).join(', '),
          },
          { head: 'Least stud for them', cell: ({ least }) => studWords(least) },
        ]}
        rows={studs}
        keyOf={({ deviceId, terminal }) => `${deviceId}/${terminal}`}
      />
    </details>
  );
}
