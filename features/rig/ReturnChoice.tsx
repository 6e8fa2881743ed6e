'use client';

import { useMemo } from 'react';
import type { Zone } from '@/core/design/schema';
import { returnOptions, type ReturnOption } from '@/core/rig/returnChoice';
import { cableOhmPerM } from '@/core/catalog/cable';
import { formatLength, formatNumber } from '@/core/units/quantity';
import { useDesign, useUnits } from '@/features/design/DesignProvider';
import { Table } from '@/ui/Table';
import styles from './Cards.module.css';

const KIND_WORDS: Record<ReturnOption['kind'], string> = { busBar: 'bus bar', chassis: 'chassis joint', battery: 'battery minus' };

/** The ways back for what a zone holds: how far, and what 2.5 mm² and its joint would lose at 5 A. */
export function ReturnChoice({ zone }: { zone: Zone }) {
  const units = useUnits();
  const index = useDesign(({ analysis }) => analysis.index);
  const place = index.places.find(({ zoneId }) => zoneId === zone.id);
  const positive = useDesign(({ analysis }) => analysis.wiring.supply.at);
  const options = useMemo(
    () =>
      place
        ? returnOptions(index, place.id)
            .filter(({ deviceId }) => !positive.has(`${deviceId}/bar`))
            .slice(0, 4)
        : [],
    [index, place, positive],
  );
  if (!place || options.length === 0) return null;
  const { conductorStandard, conductorTemperatureC } = index.settings;
  const ohmPerM = cableOhmPerM('mm2:2.5', conductorStandard, conductorTemperatureC);
  return (
    <>
      <h4>Ways back from {place.name}</h4>
      <Table
        columns={[
          {
            head: 'Return to',
            cell: ({ name, kind }) => (
              <>
                {name} <span className={styles.soft}>{KIND_WORDS[kind]}</span>
              </>
            ),
          },
          { head: 'Way', as: 'figure', cell: ({ lengthMm }) => (lengthMm === null ? 'no route' : formatLength(lengthMm, units)) },
          {
            head: 'Lost at 5 A',
            as: 'figure',
            cell: ({ lengthMm, jointMilliohm }) =>
              lengthMm === null ? '–' : `${formatNumber(5 * ((ohmPerM * lengthMm) / 1000 + jointMilliohm / 1000), 2)} V`,
          },
        ]}
        rows={options}
        keyOf={({ deviceId }) => deviceId}
      />
      <p className={styles.soft}>On 2.5 mm². A chassis joint also corrodes; a bar can be found and measured.</p>
    </>
  );
}
