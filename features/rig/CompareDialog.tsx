'use client';

import { Button, Progress } from 'antd';
import { useEffect, useState } from 'react';
import { recordOf } from '@/core/design/design';
import { putDevices } from '@/core/rig/edits';
import type { PlaceTrial, PlacingNews } from '@/core/advice/placing';
import { formatLength, formatNumber, formatPercent, formatTemperature } from '@/core/units/quantity';
import { useDesign, useDesignStore, useUnits } from '@/features/design/DesignProvider';
import { Dialog } from '@/ui/Dialog';
import { Table } from '@/ui/Table';

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
    <Dialog
      open
      title={`Where best for ${device?.name ?? ''}?`}
      width={980}
      onCancel={onClose}
      footer={<Button onClick={onClose}>{trials ? 'Leave it where it is' : 'Cancel'}</Button>}
    >
      {!trials && <Progress percent={Math.round(done * 100)} aria-label="Places tried" />}
      {trials && (
        <Table
          columns={[
            {
              head: 'Place',
              cell: (trial) =>
                trial.placeId === placeId ? <b>{placeName(design, trial.placeId)}, now</b> : placeName(design, trial.placeId),
            },
            { head: 'Conductor in all', as: 'figure', cell: ({ cableMm }) => formatLength(cableMm, units) },
            {
              head: 'Copper',
              as: 'figure',
              cell: (trial) => (now && trial !== now ? signed(trial.copperG - now.copperG) : `${formatNumber(trial.copperG / 1000, 2)} kg`),
            },
            { head: 'Worst drop', as: 'figure', cell: ({ dropPercent }) => formatPercent(dropPercent) },
            { head: 'Hottest', as: 'figure', cell: ({ ambientC }) => formatTemperature(ambientC, units) },
            { head: 'Loaded beside', as: 'figure', cell: ({ loaded }) => loaded },
            {
              head: 'Findings',
              cell: ({ worse, better }) =>
                [worse > 0 && `${worse} more`, better > 0 && `${better} fewer`].filter(Boolean).join(', ') || 'as now',
            },
            { head: 'Against it', cell: ({ against }) => against.map((why) => AGAINST[why]).join(', ') },
            {
              label: 'Choose',
              cell: (trial) =>
                trial.placeId !== placeId && (
                  <Button size="small" onClick={() => put(trial.placeId)} aria-label={`Put it at ${placeName(design, trial.placeId)}`}>
                    Put it here
                  </Button>
                ),
            },
          ]}
          rows={trials}
          keyOf={(trial) => trial.placeId}
          isCurrent={(trial) => trial.placeId === placeId}
        />
      )}
    </Dialog>
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
