import { isReturnJunction, pathTo, type TreeFlow } from '../network/flow';
import { terminalKey, type WiringTree } from '../network/wiring';
import type { AnalysisContext } from './analyse';
import type { MainFeed } from './types';

/**
 * What is lost with everything on before each fuse block that hangs on no other: from the battery's positive to its inlet, and from
 * where the circuits' returns come together to the battery's negative. A block whose fuse sits in another block has its own feed
 * judged with its circuits.
 */
export function analyseMainFeeds({ index, wiring, supply, returns }: AnalysisContext): MainFeed[] {
  const isBlock = (id: string) => index.devices.get(id)?.kind === 'fuseBlock';
  const back = returnFeed();
  const feeds: MainFeed[] = [];
  for (const { id, kind } of index.devices.values()) {
    const at = kind === 'fuseBlock' ? wiring.supply.at.get(terminalKey(id, 'in')) : undefined;
    if (at === undefined || at >= wiring.fedCount) continue;
    const path = pathTo(wiring.supply, at);
    if (path.some((step) => step !== at && isBlock(wiring.supply.nodes[step]!.deviceId))) continue;
    const dropV = supply.dropV[at]! + back.dropV;
    const wireIds = [...lossy(wiring.supply, supply, path), ...back.wireIds];
    feeds.push({ blockId: id, dropV, dropPercent: (dropV / index.settings.nominalV) * 100, wireIds });
  }
  return feeds;

  /** The worst way from where circuits come together to the battery's negative. */
  function returnFeed(): { dropV: number; wireIds: string[] } {
    const { nodes } = wiring.return;
    const passed = new Uint8Array(nodes.length);
    let worst = -1;
    nodes.forEach(({ deviceId, parent }, at) => {
      const first = isReturnJunction(deviceId, index.devices.get(deviceId)?.kind);
      passed[at] = first || (parent >= 0 && passed[parent] === 1) ? 1 : 0;
      if (first && (parent < 0 || passed[parent] === 0) && (worst < 0 || returns.dropV[at]! > returns.dropV[worst]!)) worst = at;
    });
    if (worst < 0) return { dropV: 0, wireIds: [] };
    return { dropV: returns.dropV[worst]!, wireIds: lossy(wiring.return, returns, pathTo(wiring.return, worst)) };
  }
}

function lossy({ nodes }: WiringTree, { demand }: TreeFlow, path: readonly number[]): string[] {
  return path.flatMap((at) => {
    const { wire } = nodes[at]!;
    return wire && wire.lengthMm > 0 && demand[at]!.peakA > 0 ? [wire.id] : [];
  });
}
