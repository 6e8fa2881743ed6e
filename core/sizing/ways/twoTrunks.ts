import type { Analysis, CircuitAnalysis } from '../../analysis/types';
import type { Design } from '../../design/design';
import { Edit } from '../../design/edit';
import { pathTo } from '../../network/flow';
import { terminalKey } from '../../network/wiring';

/** A circuit's loads parted in two, the second part on a trunk of its own. */
export interface Parted {
  design: Design;
  /** The load the second trunk reaches first. */
  atLoadId: string;
}

/**
 * Every way to give one circuit two trunks: one wire between two loads is taken up, and what hung behind it is fed straight from where the first trunk
 * begins, its fuse or its switch, by a cable as long as the way there is now; its return goes home in the same manner. In a vehicle the places give the
 * lengths.
 */
export function partedInTwo(analysis: Analysis, circuit: CircuitAnalysis): Parted[] {
  const { wiring, index, design } = analysis;
  const { nodes } = wiring.supply;
  const isLoad = (at: number) => index.devices.get(nodes[at]!.deviceId)?.kind === 'load';
  return circuit.loadIds.flatMap((loadId): Parted[] => {
    const at = wiring.supply.at.get(terminalKey(loadId, 'plus'));
    const node = at === undefined ? undefined : nodes[at];
    if (!node?.wire || node.parent < 0 || !isLoad(node.parent)) return [];
    const path = pathTo(wiring.supply, at!);
    const firstLoad = path.find(isLoad)!;
    const start = nodes[nodes[firstLoad]!.parent]!;
    const wayMm = path.slice(path.indexOf(firstLoad)).reduce((sum, step) => sum + (nodes[step]!.wire?.lengthMm ?? 0), 0);
    const edit = new Edit(design);
    const near = node.wire.from.deviceId === loadId ? 'to' : 'from';
    edit.set(node.wire.id, { [near]: { deviceId: start.deviceId, terminal: start.terminal }, ...asLong(wayMm) });
    returnHome(analysis, edit, loadId);
    return [{ design: edit.design, atLoadId: loadId }];
  });
}

function returnHome({ wiring, index }: Analysis, edit: Edit, loadId: string): void {
  const { nodes, at } = wiring.return;
  const place = at.get(terminalKey(loadId, 'minus'));
  const node = place === undefined ? undefined : nodes[place];
  if (!node?.wire || node.parent < 0) return;
  const isLoad = (step: number) => index.devices.get(nodes[step]!.deviceId)?.kind === 'load';
  const path = pathTo(wiring.return, place!);
  const firstLoad = path.find(isLoad)!;
  if (firstLoad === place) return;
  const home = nodes[nodes[firstLoad]!.parent]!;
  const wayMm = path.slice(path.indexOf(firstLoad)).reduce((sum, step) => sum + (nodes[step]!.wire?.lengthMm ?? 0), 0);
  const near = node.wire.from.deviceId === loadId ? 'to' : 'from';
  edit.set(node.wire.id, { [near]: { deviceId: home.deviceId, terminal: home.terminal }, ...asLong(wayMm) });
}

function asLong(lengthMm: number): object {
  return { lengthMm, lengthMeasured: false, via: undefined };
}
