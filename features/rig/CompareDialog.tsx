'use client';

import { Button, Modal, Progress } from 'antd';
import { useEffect, useState } from 'react';
import { recordOf } from '@/core/design/design';
import { putDevices } from '@/core/rig/edits';
import type { PlaceTrial, PlacingNews } from '@/core/advice/placing';
import { formatLength, formatNumber, formatPercent, formatTemperature } from '@/core/units/quantity';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import styles from './Cards.module.css';

const AGAINST: Record<PlaceTrial['against'][number], string> = {
  tooShallow: 'too shallow behind',
  inTheWay: 'something swings here',
  inSight: 'in a line of sight: hides or dazzles',
  noWay: 'no route leads there',
};

/** A device tried at every place: cable, copper, drop, heat and what would be found, against where it is now. */
export function CompareDialog({ deviceId, onClose }: { deviceId: string; onClose(): void }) {
  const store = useDesignStore();
  const units = useUnits();
  const design = useDesign((state) => state.design);
  const { done, trials } = useTrials(deviceId);
  const device = recordOf(design, deviceId, 'device');
  const placeId = device?.placeId ?? null;
  const now = trials?.find((trial) => trial.placeId === placeId);
  const put = (to: string) => {
    store.commit(`Put ${device?.name ?? 'it'} elsewhere`, (current) => putDevices(current, [deviceId], to));
    onClose();
  };
  return (
    <Modal
      open
      title={`Where best for ${device?.name ?? ''}?`}
      width={980}
      onCancel={onClose}
      footer={<Button onClick={onClose}>{trials ? 'Leave it where it is' : 'Cancel'}</Button>}
    >
      {!trials && <Progress percent={Math.round(done * 100)} aria-label="Places tried" />}
      {trials && (
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">Place</th>
              <th scope="col" className={styles.number}>
                Conductor in all
              </th>
              <th scope="col" className={styles.number}>
                Copper
              </th>
              <th scope="col" className={styles.number}>
                Worst drop
              </th>
              <th scope="col" className={styles.number}>
                Hottest
              </th>
              <th scope="col" className={styles.number}>
                Loaded beside
              </th>
              <th scope="col">Findings</th>
              <th scope="col">Against it</th>
              <th scope="col" aria-label="Choose" />
            </tr>
          </thead>
          <tbody>
            {trials.map((trial) => (
              <tr key={trial.placeId} aria-current={trial.placeId === placeId}>
                <td>{trial.placeId === placeId ? <b>{placeName(design, trial.placeId)}, now</b> : placeName(design, trial.placeId)}</td>
                <td className="reading">{formatLength(trial.cableMm, units)}</td>
                <td className="reading">
                  {now && trial !== now ? signed(trial.copperG - now.copperG) : `${formatNumber(trial.copperG / 1000, 2)} kg`}
                </td>
                <td className="reading">{formatPercent(trial.dropPercent)}</td>
                <td className="reading">{formatTemperature(trial.ambientC, units)}</td>
                <td className="reading">{trial.loaded}</td>
                <td>
                  {[trial.worse > 0 && `${trial.worse} more`, trial.better > 0 && `${trial.better} fewer`].filter(Boolean).join(', ') ||
                    'as now'}
                </td>
                <td>{trial.against.map((why) => AGAINST[why]).join(', ')}</td>
                <td>
                  {trial.placeId !== placeId && (
                    <Button size="small" onClick={() => put(trial.placeId)} aria-label={`Put it at ${placeName(design, trial.placeId)}`}>
                      Put it here
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Modal>
  );
}

function placeName(design: Parameters<typeof recordOf>[0], id: string): string {
  return recordOf(design, id, 'place')?.name ?? '';
}

function signed(grams: number): string {
  const text = formatNumber(Math.abs(grams), 0);
  return `${grams < -0.5 ? '\u2212' : grams > 0.5 ? '+' : ''}${text} g`;
}

function useTrials(deviceId: string): { done: number; trials: PlaceTrial[] | null } {
  const store = useDesignStore();
  const [done, setDone] = useState(0);
  const [trials, setTrials] = useState<PlaceTrial[] | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/placing.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<PlacingNews>) => ('trials' in data ? setTrials(data.trials) : setDone(data.done));
    worker.onerror = () => {
      worker.terminate();
      store.report('The places could not be compared: nothing was changed. Close it and ask again.');
    };
    worker.postMessage({ records: Array.from(store.getState().design.records.values()), deviceId });
    return () => worker.terminate();
  }, [deviceId, store]);
  return { done, trials };
}
