'use client';

import { useRouter } from 'next/navigation';
import { useDesignStore } from '@/features/design/DesignProvider';
import { recordOf, type Design } from '@/core/design/design';
import type { Device } from '@/core/design/schema';
import { indexDesign } from '@/core/rig/designIndex';
import { traceWiring } from '@/core/network/traceWiring';
import { terminalKey } from '@/core/network/wiring';
import type { StageId } from './stages';
import { jumpWithin } from './useHashTarget';

/** Goes to the stage where a record is worked on, and to its place there. */
export function useJump(): (id: string, stage?: StageId) => void {
  const router = useRouter();
  const store = useDesignStore();
  return (id, stage) => {
    const { design, id: designId } = store.getState();
    const place = placeOf(design, id, stage);
    const href = `/d/${designId}/${place.stage}#${place.id}`;
    if (!jumpWithin(href)) router.push(href);
  };
}

/** Kinds that are worked on among the parts and nowhere else. */
const AMONG_PARTS: ReadonlySet<Device['kind']> = new Set([
  ...(['switch', 'relay', 'splice', 'plug', 'diode', 'dimmer', 'motionSwitch', 'microSwitch', 'doorSwitch'] as const),
  ...(['receiver', 'ruleHub', 'signalSource', 'vehicleFeed', 'busBar', 'groundPoint'] as const),
]);

/** The stage and the element that show a record best. */
function placeOf(design: Design, id: string, wanted: StageId | undefined): { stage: StageId; id: string } {
  const record = design.records.get(id);
  if (record?.type === 'place' || record?.type === 'route' || record?.type === 'keepClear' || record?.type === 'rig')
    return { stage: 'rig', id };
  if (wanted === 'harness') return { stage: 'harness', id };
  if (wanted === 'circuits' || record?.type === 'circuit') {
    const circuitId = record?.type === 'circuit' ? id : circuitOfDevice(design, id);
    if (circuitId) return { stage: 'circuits', id: circuitId };
  }
  if (record?.type === 'device' && record.kind === 'load') return { stage: wanted ?? 'loads', id };
  if (record?.type === 'device' && record.kind === 'switch') {
    const circuitId = circuitOfDevice(design, id);
    if (circuitId) return { stage: 'circuits', id: circuitId };
  }
  if (record?.type === 'device' && (wanted !== 'supply' || record.kind === 'splice') && AMONG_PARTS.has(record.kind))
    return { stage: 'circuits', id };
  if (record?.type === 'zone' || record?.type === 'scenario' || record?.type === 'duty') return { stage: 'loads', id };
  return { stage: wanted ?? 'supply', id };
}

function circuitOfDevice(design: Design, id: string): string | null {
  const wire = recordOf(design, id, 'wire');
  const { supply } = traceWiring(indexDesign(design));
  const ids = wire ? [wire.from.deviceId, wire.to.deviceId] : [id];
  for (const deviceId of ids) {
    for (const terminal of ['out', 'in', 'plus']) {
      const circuitId = supply.nodes[supply.at.get(terminalKey(deviceId, terminal)) ?? -1]?.circuitId;
      if (circuitId) return circuitId;
    }
  }
  return null;
}
