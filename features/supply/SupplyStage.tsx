'use client';

import { Button } from 'antd';
import { useCallback } from 'react';
import { Edit } from '@/core/design/edit';
import { newId } from '@/core/design/ids';
import type { FuseBlock } from '@/core/design/schema';
import { endOfMain } from '@/core/switching/mainPath';
import { addWire } from '@/core/switching/wires';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { useHashTarget } from '@/features/workspace/useHashTarget';
import { EmptyStage } from '@/ui/EmptyStage';
import { BatteryCard } from './BatteryCard';
import { ChargingCard } from './ChargingCard';
import { FuseBlocks } from './FuseBlocks';
import { MainCables } from './MainCables';
import { PracticeCard } from './PracticeCard';
import { StudsCard } from './StudsCard';
import { addSupply } from './edits';
import styles from './Supply.module.css';

/** Stage Supply: the battery, its protection and cables, the fuse blocks and who sits in which slot. */
export function SupplyStage() {
  const store = useDesignStore();
  const battery = useDesign(({ analysis }) => analysis.index.battery);
  const blockCount = useDesign(({ analysis }) => analysis.blocks.length);
  useHashTarget(
    useCallback((id: string) => {
      const target = document.getElementById(id);
      target?.scrollIntoView({ block: 'center' });
      target?.querySelector<HTMLElement>('input, button, [tabindex="0"]')?.focus();
    }, []),
  );
  const addBlock = () =>
    store.commit('Add a fuse block', (design) => {
      const edit = new Edit(design);
      const feed = endOfMain(design);
      const block = edit.add<FuseBlock>({
        ...{ id: newId('block'), type: 'device', kind: 'fuseBlock', name: `Fuse block ${blockCount + 1}`, zoneId: null },
        ...{ slots: 6, slotMaxA: 30, blockMaxA: 60 },
      });
      if (feed) addWire(edit, 'supply', feed, { deviceId: block.id, terminal: 'in' }, 1000, thickest(edit));
      return edit.change;
    });

  if (!battery && blockCount === 0) {
    return (
      <EmptyStage
        title="Where the power comes from"
        text="A battery, a fuse close to it, a fuse block, and a bus bar for the way back. Put in the usual set and change it to what is there."
      >
        <Button type="primary" onClick={() => store.commit('Add the usual supply', addSupply)}>
          Add a usual supply
        </Button>
      </EmptyStage>
    );
  }
  return (
    <div className={styles.stage}>
      <div className={styles.toolbar}>
        <h2>Supply</h2>
        <Button size="small" onClick={addBlock} className={styles.right}>
          Add fuse block
        </Button>
      </div>
      <div className={styles.cards}>
        <BatteryCard />
        <MainCables />
      </div>
      <StudsCard />
      <FuseBlocks />
      <ChargingCard />
      <PracticeCard />
    </div>
  );
}

function thickest(edit: Edit) {
  const wires = Array.from(edit.design.records.values()).filter((record) => record.type === 'wire');
  return wires[0]?.conductor ?? 'mm2:25';
}
