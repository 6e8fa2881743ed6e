import type { Flaw } from '../diagnosis/flaws';
import type { DesignIndex } from '../rig/designIndex';
import type { Complaint } from './hunt';
import type { LeftOver } from './told';
import type { Tampered } from './world';

/** How a board is left. */
export interface Left extends Tampered {
  plan: DesignIndex;
  out: ReadonlySet<string>;
  /** Plugs that are pulled apart. */
  apart: readonly string[];
  isWhole(fuseId: string): boolean;
}

/** What still keeps a hunt from being done: what is wrong, and what somebody has left open. */
export function leftOver(
  complaints: readonly Complaint[],
  { plan, flaws, lifted, fittedA, bridge, lampAt, isIsolated, out, apart, isWhole }: Left,
): LeftOver[] {
  const fuses = Array.from(plan.devices.values()).filter((device) => device.kind === 'protection');
  const isWrong = (flaw: Flaw) => flaws.includes(flaw);
  return [
    ...complaints.filter(({ flaw }) => isWrong(flaw)).map(({ loadIds }): LeftOver => ({ kind: 'wrong', loadIds })),
    ...(isIsolated ? [{ kind: 'isolated' as const }] : []),
    ...lifted.map((end): LeftOver => ({ kind: 'lifted', end })),
    ...fuses.filter(({ id }) => out.has(id) || !isWhole(id)).map(({ id }): LeftOver => ({ kind: 'fuseOut', fuseId: id })),
    ...Array.from(fittedA, ([fuseId, ratingA]): LeftOver => ({ kind: 'otherFuse', fuseId, ratingA })),
    ...apart.map((plugId): LeftOver => ({ kind: 'apart', plugId })),
    ...(bridge ? [{ kind: 'bridge' as const }] : []),
    ...(lampAt === null ? [] : [{ kind: 'lamp' as const }]),
  ];
}
