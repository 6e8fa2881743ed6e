import { recordOf, recordsOf, type Design } from '../../design/design';
import type { Edit } from '../../design/edit';
import type { Device, Load, TerminalRef } from '../../design/schema';
import { kindOf } from '../../devices';
import { pathTo } from '../../network/ways';
import { Reach } from '../../network/reach';
import { terminalKey, type Wiring } from '../../network/wiring';
import type { DesignIndex } from '../../rig/designIndex';
import { landingOf } from '../../devices/load';
import { trace } from '../partsByHand';
import { detachAll } from '../wires';

/**
 * Takes out whatever switches these loads and nothing else, so that they hang straight on their fuse again; a fuse, joints, plugs and
 * lengths stay. Returns what went.
 * @param inCommon only what switches each of them, and leaves what switches some
 */
export function straighten(edit: Edit, loads: readonly Load[], inCommon = false): Device[] {
  const own = ownSwitching(edit.design, loads);
  const mine = inCommon ? own.filter(switchesEach(edit.design, loads)) : own;
  const ids = new Set(mine.map(({ id }) => id));
  const { index, wiring } = trace(edit.design);
  const laidMm = new Map(index.wires.map(({ id, lengthMm }) => [id, lengthMm]));
  for (const { nodes } of [wiring.supply, wiring.return])
    for (const node of nodes) {
      if (!node.wire || ids.has(node.deviceId) || !ids.has(nodes[node.parent]?.deviceId ?? '')) continue;
      // What hung behind them hangs on what is ahead of them, the lengths added.
      let lengthMm = laidMm.get(node.wire.id)!;
      let ahead = nodes[node.parent];
      for (; ahead && ids.has(ahead.deviceId); ahead = nodes[ahead.parent]) lengthMm += ahead.wire ? laidMm.get(ahead.wire.id)! : 0;
      if (!ahead || !leadsToLoad(index, node.deviceId)) continue;
      const side = ids.has(node.wire.from.deviceId) ? 'from' : 'to';
      edit.set(node.wire.id, {
        [side]: { deviceId: ahead.deviceId, terminal: ahead.terminal },
        lengthMm,
        ...(node.wire.via && { via: null }),
      });
    }
  for (const { id } of mine) {
    detachAll(edit, id);
    edit.remove(id);
  }
  return mine;
}

/** Whether a device stands on the way of every one of some loads, or on the way to the coil of a relay that does. */
function switchesEach(design: Design, loads: readonly Load[]): (device: Device) => boolean {
  const { index, wiring } = trace(design);
  const ways = loads.map((load) => new Set((['plus', 'minus'] as const).flatMap((pole) => [...onTheWay(wiring, landingOf(load, pole))])));
  const common = Array.from(index.devices.values()).filter(({ id }) => ways.every((way) => way.has(id)));
  const coils = common.flatMap(({ id, kind }) => (kind === 'relay' ? ['85', '86'].map((terminal) => ({ deviceId: id, terminal })) : []));
  const ids = new Set([...common.map(({ id }) => id), ...coils.flatMap((coil) => [...onTheWay(wiring, coil)])]);
  return ({ id }) => ids.has(id);
}

/** Devices on the ways from the sources to a terminal, and home from it. */
function onTheWay({ supply, return: back }: Wiring, { deviceId, terminal }: TerminalRef): Set<string> {
  return new Set(
    [supply, back].flatMap((tree) => {
      const at = tree.at.get(terminalKey(deviceId, terminal));
      return at === undefined ? [] : pathTo(tree, at).map((node) => tree.nodes[node]!.deviceId);
    }),
  );
}

/**
 * Whether something is worth a wire of its own once what was ahead of it is gone: not a wire of the vehicle's, a pilot lamp's way home or a
 * bar.
 */
function leadsToLoad({ devices }: DesignIndex, deviceId: string): boolean {
  const kind = devices.get(deviceId)?.kind;
  return kind === 'load' || kind === 'splice' || kind === 'plug' || kind === 'protection';
}

/** What switches these loads and no other. */
export function ownSwitching(design: Design, loads: readonly Load[]): Device[] {
  const { index, wiring } = trace(design);
  const reach = new Reach(index, wiring);
  const ids = new Set(loads.map(({ id }) => id));
  const influencing = (from: Reach, loadId: string) => Array.from(from.influenceOn([loadId]).index.devices.values()).filter(isSwitching);
  // What stands between these and the loads that hang on them switches those alone, and stays.
  const upTo = new Reach(withoutWhatHangs(index, wiring, loads), wiring);
  const near = loads.flatMap(({ id }) => influencing(upTo, id));
  // Loads that hang on these lie behind the same switching, and are switched with them.
  const behind = new Set(loads.flatMap((load) => loadsBehind(index, wiring, load)));
  const others = index.loads.filter(({ id }) => !ids.has(id) && !behind.has(id));
  const theirs = new Set(others.flatMap(({ id }) => influencing(reach, id).map((device) => device.id)));
  return [...new Map(near.map((device) => [device.id, device])).values()].flatMap(({ id }) => {
    const device = recordOf(design, id, 'device');
    return device && (!theirs.has(id) || leadsToNoneBut(index, wiring, device, ids)) ? [device] : [];
  });
}

/** Whether a relay's contacts lead to these loads alone: its coil may hang on what works others too. */
function leadsToNoneBut({ loads }: DesignIndex, wiring: Wiring, { id, kind }: Device, ids: ReadonlySet<string>): boolean {
  if (kind !== 'relay') return false;
  const led = loads.filter((load) => (['plus', 'minus'] as const).some((pole) => onTheWay(wiring, landingOf(load, pole)).has(id)));
  return led.length > 0 && led.every((load) => ids.has(load.id));
}

/** The design without the wires that lead on from these loads, away from the battery: what is left of it leads to them. */
function withoutWhatHangs(index: DesignIndex, { supply, return: back }: Wiring, loads: readonly Load[]): DesignIndex {
  const onward = new Set<string>();
  for (const load of loads)
    for (const [tree, pole] of [[supply, 'plus'], [back, 'minus']] as const) {
      const { deviceId, terminal } = landingOf(load, pole);
      const at = tree.at.get(terminalKey(deviceId, terminal));
      for (const { parent, wire } of tree.nodes) if (wire && parent === at) onward.add(wire.id);
    } // prettier-ignore
  return { ...index, wires: index.wires.filter(({ id }) => !onward.has(id)) };
}

/** Loads whose plus hangs on another load's. */
export function loadsBehind(index: DesignIndex, { supply }: Wiring, load: Load): string[] {
  const { deviceId, terminal } = landingOf(load, 'plus');
  const at = supply.at.get(terminalKey(deviceId, terminal));
  if (at === undefined) return [];
  const reached = new Set([at]);
  supply.nodes.forEach(({ parent }, node) => reached.has(parent) && reached.add(node));
  return index.loads.filter(({ id }) => {
    const node = supply.at.get(terminalKey(id, 'plus'));
    return id !== load.id && node !== undefined && reached.has(node);
  }).map(({ id }) => id); // prettier-ignore
}

/** What switches or dims, or keeps currents of what switches apart. */
function isSwitching(device: Device): boolean {
  return kindOf(device).isContact === true || device.kind === 'dimmer' || device.kind === 'diode';
}

/** Names in use. */
export function namesOf(design: Design): Set<string> {
  return new Set(recordsOf(design, 'device').map(({ name }) => name));
}
