import type { TreeFlow } from '../network/flow';
import type { WiringTree } from '../network/wiring';
import type { AnalysisContext } from './context';
import type { MainFeed } from './types';

/**
 * What is lost with everything on before each fuse block that hangs on no other: from the battery's positive to its inlet, and from where
 * the circuits' returns come together, by the worst way, to the battery's negative. A block whose fuse sits in another block has its own
 * feed judged with its circuits.
 */
export function analyseMainFeeds({ index, wiring, hanging, supply, returns }: AnalysisContext): MainFeed[] {
  const back = [...hanging.firstReturns].sort((a, b) => returns.dropV[b.at]! - returns.dropV[a.at]!)[0] ?? null;
  return hanging.firstBlocks.map(({ at, path }) => {
    const dropV = supply.dropV[at]! + (back ? returns.dropV[back.at]! : 0);
    const wireIds = [...lossy(wiring.supply, supply, path), ...lossy(wiring.return, returns, back?.path ?? [])];
    return { blockId: wiring.supply.nodes[at]!.deviceId, dropV, dropPercent: (dropV / index.settings.nominalV) * 100, wireIds };
  });
}

function lossy({ nodes }: WiringTree, { demand }: TreeFlow, path: readonly number[]): string[] {
  return path.flatMap((at) => {
    const { wire } = nodes[at]!;
    return wire && wire.lengthMm > 0 && demand[at]!.peakA > 0 ? [wire.id] : [];
  });
}
