import type { Analysis, CircuitAnalysis } from '../../analysis/types';
import type { Design } from '../../design/design';
import { Edit } from '../../design/edit';
import type { Wire } from '../../design/schema';
import { pathTo } from '../../network/ways';
import { terminalKey, type WiringTree } from '../../network/wiring';

/** A circuit's loads parted in two, the second part on a trunk of its own. */
export interface Parted {
  design: Design;
  /** The load the second trunk reaches first. */
  atLoadId: string;
}

/**
 * Every way to give one circuit two trunks: one wire between two loads is taken up, and what hung behind it is fed straight from where the
 * first trunk begins, its fuse or its switch, by a cable as long as the way there is now; its return goes home in the same manner. In a
 * vehicle the places give the lengths.
 */
export function partedInTwo({ wiring, index, design }: Analysis, { loadIds }: CircuitAnalysis): Parted[] {
  const isLoad = (deviceId: string) => index.devices.get(deviceId)?.kind === 'load';
  return loadIds.flatMap((loadId): Parted[] => {
    const out = straightened(wiring.supply, loadId, 'plus', isLoad);
    if (!out) return [];
    const edit = new Edit(design);
    edit.set(out.wireId, out.fields);
    const back = straightened(wiring.return, loadId, 'minus', isLoad);
    if (back) edit.set(back.wireId, back.fields);
    return [{ design: edit.design, atLoadId: loadId }];
  });
}

/**
 * The wire by which a load, and what is put into its run, hangs on another load, led to where the first load on its way hangs; null where
 * it hangs on no other.
 */
function straightened(
  tree: WiringTree,
  loadId: string,
  terminal: string,
  isLoad: (deviceId: string) => boolean,
): { wireId: string; fields: Partial<Wire> | { via: undefined } } | null {
  const { nodes } = tree;
  let at = tree.at.get(terminalKey(loadId, terminal)) ?? -1;
  while (at >= 0 && nodes[at]!.parent >= 0 && !isLoad(nodes[nodes[at]!.parent]!.deviceId)) at = nodes[at]!.parent;
  const node = nodes[at];
  if (!node?.wire || node.parent < 0) return null;
  const path = pathTo(tree, at);
  const own = path.slice(path.findIndex((step) => isLoad(nodes[step]!.deviceId)));
  const { deviceId, terminal: from } = nodes[nodes[own[0]!]!.parent]!;
  const near = node.wire.from.deviceId === node.deviceId ? 'to' : 'from';
  const lengthMm = own.reduce((sum, step) => sum + (nodes[step]!.wire?.lengthMm ?? 0), 0);
  return { wireId: node.wire.id, fields: { [near]: { deviceId, terminal: from }, lengthMm, lengthMeasured: false, via: undefined } };
}
