import { settingsOf, type Design } from '@/core/design/design';
import type { Change } from '@/core/design/change';
import { newDesignRecords } from '@/core/switching/newDesign';
import type { DesignRecord } from '@/core/design/schema';

/** A battery, main fuse, block, bus bar and cables as a new design would have them. */
export function addSupply(design: Design): Change {
  const { name, vehicle, units, conductorStandard, defaultReturn } = settingsOf(design);
  const records = newDesignRecords({
    ...{ name, vehicle, units, standard: conductorStandard, defaultReturn, zones: [] },
    battery: { chemistry: 'lithium', capacityAh: 100, count: 1 },
  });
  const isSupply = (record: DesignRecord) => record.type === 'device' || record.type === 'wire';
  return { added: records.filter(isSupply), updated: [], removed: [] };
}
