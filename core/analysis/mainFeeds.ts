import { isReturnJunction, pathTo, type TreeFlow } from '../network/flow';
import type { WiringTree } from '../network/wiring';
import type { AnalysisContext } from './analyse';
import type { MainFeed } from './types';

/**
 * What is lost with everything on before each fuse block that hangs on no other: from the battery's positive to its inlet, and from
 * where the circuits' returns come together, by the worst way, to the battery's negative. A block whose fuse sits in another block has its own
 * feed judged with its circuits.
 */
export function analyseMainFeeds({ index, wiring, supply, returns }: AnalysisContext): MainFeed[] {
  const kindOf = (deviceId: string) => index.devices.get(deviceId)?.kind;
  const backs = firstOnTheirWay(wiring.return, (deviceId) => isReturnJunction(deviceId, kindOf(deviceId)));
  const back = backs.sort((a, b) => returns.dropV[b.at]! - returns.dropV[a.at]!)[0] ?? null;
  const blocks = firstOnTheirWay(wiring.supply, (deviceId) => kindOf(deviceId) === 'fuseBlock').filter(({ at }) => at < wiring.fedCount);
  return blocks.map(({ at, path }) => {
    const dropV = supply.dropV[at]! + (back ? returns.dropV[back.at]! : 0);
    const wireIds = [...lossy(wiring.supply, supply, path), ...lossy(wiring.return, returns, back?.path ?? [])];
    return { blockId: wiring.supply.nodes[at]!.deviceId, dropV, dropPercent: (dropV / index.settings.nominalV) * 100, wireIds };
  });
}

/** Nodes of devices of a sort with none of that sort ahead of them, each with its way from the root. */
function firstOnTheirWay(tree: WiringTree, isOne: (deviceId: string) => boolean): { at: number; path: number[] }[] {
  return tree.nodes.flatMap(({ deviceId }, at) => {
    if (!isOne(deviceId)) return [];
    const path = pathTo(tree, at);
    return path.some((step) => step !== at && isOne(tree.nodes[step]!.deviceId)) ? [] : [{ at, path }];
  });
}

function lossy({ nodes }: WiringTree, { demand }: TreeFlow, path: readonly number[]): string[] {
  return path.flatMap((at) => {
    const { wire } = nodes[at]!;
    return wire && wire.lengthMm > 0 && demand[at]!.peakA > 0 ? [wire.id] : [];
  });
}
