'use client';

import type { Load } from '@/core/design/schema';
import { giveLoadsCircuits } from '@/core/switching/ownCircuit';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { MenuButton } from '@/ui/MenuButton';

/** Loads without a circuit given one each at once: all of them, or those of a zone. Shown while there are any. */
export function GiveCircuits({ onLeft }: { onLeft(left: string[]): void }) {
  const store = useDesignStore();
  const zones = useDesign(({ analysis }) => analysis.index.zones);
  const loads = useDesign(({ analysis }) => analysis.loads);
  const bare = Array.from(loads.values()).flatMap(({ load, circuitId }) => (circuitId === null ? [load] : []));
  if (bare.length === 0) return null;
  const give = (to: Load[], whose: string) => {
    let left: string[] = [];
    const refused = store.commit(`Give ${whose} circuits`, (design) => {
      const given = giveLoadsCircuits(design, to);
      left = given.left.map(({ load, why }) => `${load.name}: ${why}`);
      return given.change;
    });
    onLeft(refused === null ? left : [refused]);
  };
  const ofZone = zones.flatMap(({ id, name }) => {
    const own = bare.filter(({ zoneId }) => zoneId === id);
    return own.length === 0 ? [] : [{ key: id, label: `Those of ${name} (${own.length})`, onClick: () => give(own, `loads of ${name}`) }];
  });
  const all = { key: 'all', label: `Every load without one (${bare.length})`, onClick: () => give(bare, 'loads') };
  return (
    <MenuButton size="small" type="primary" items={ofZone.length > 1 ? [all, ...ofZone] : [all]}>
      Give circuits
    </MenuButton>
  );
}
