import type { Device, Load } from '../../design/schema';
import { hubOverlaps } from '../../bench/hubOverlaps';
import { kindOf } from '../../devices';
import { isLamp, landingOf } from '../../devices/load';
import { pathTo } from '../../network/ways';
import { terminalKey, type WiringTree } from '../../network/wiring';
import { Joined } from '../../rig/joined';
import { finding, type Finding, type Severity, type SwitchingRule } from '../finding';
import type { Analysis } from '../types';

type Relay = Extract<Device, { kind: 'relay' }>;

/** Parts that a design without any of them has nothing to be wrong about. */
const CONCERNED: ReadonlySet<Device['kind']> = new Set(['relay', 'dimmer', 'microSwitch', 'ruleHub', 'receiver']);
/** What else than a contact decides whether a coil is fed. */
const FEEDING: ReadonlySet<Device['kind']> = new Set(['dimmer', 'signalSource', 'vehicleFeed', 'cutOut', 'splitRelay']);

/**
 * What switches the wrong way though every wire is guarded: coils turned round or always fed, dimmers one after another or bridged, the
 * wrong contact of a roller.
 */
export function findSwitching(analysis: Analysis): Finding[] {
  const devices = Array.from(analysis.index.devices.values());
  if (!devices.some(({ kind }) => CONCERNED.has(kind))) return [];
  const relays = devices.filter((device) => device.kind === 'relay');
  return [
    ...relays.flatMap((relay) => [...turnedRound(analysis, relay), ...pulsed(analysis, relay), ...alwaysFed(analysis, relay)]),
    ...analysis.index.loads.flatMap((load) => twoDimmers(analysis, load)),
    ...bridgedDimmers(analysis),
    ...litWhileShut(analysis),
    ...undecidedHubs(devices),
    ...modesToSet(devices),
  ];
}

type Bare = Exclude<SwitchingRule, 'switching.hubUndecided' | 'switching.modeToSet'>;

function found(rule: Bare, severity: Severity, subjects: string[], circuitId: string | null = null): Finding {
  return finding(rule, severity, subjects, {}, circuitId);
}

/** A receiver that comes in another mode than it is to work in, and nobody said it was set. */
function modesToSet(devices: readonly Device[]): Finding[] {
  return devices.flatMap((device) => {
    if (device.kind !== 'receiver' || !device.remembers || device.remembers.comesAs === device.mode) return [];
    const numbers = { comesAs: device.remembers.comesAs, holds: device.remembers.holds };
    return [{ rule: 'switching.modeToSet', severity: 'caution', subjects: [device.id], circuitId: null, numbers } satisfies Finding];
  });
}

/** Two rules of a hub ask different things of an output, may both hold, and nobody said which wins. */
function undecidedHubs(devices: readonly Device[]): Finding[] {
  return devices.flatMap((hub) =>
    hub.kind === 'ruleHub'
      ? hubOverlaps(hub).map(({ output, one, other }): Finding => {
          const [first, second] = [hub.rules[one]!, hub.rules[other]!];
          const numbers = { output, one: one + 1, other: other + 1, first: first.does ?? 'steady', second: second.does ?? 'steady' };
          return { rule: 'switching.hubUndecided', severity: 'caution', subjects: [hub.id], circuitId: null, numbers };
        })
      : [],
  );
}

/** A coil with a diode across it whose minus side is on the supply: the diode is a short as soon as it is fed. */
function turnedRound({ wiring }: Analysis, relay: Relay): Finding[] {
  if (relay.suppression !== 'diode') return [];
  const fed = wiring.supply.at.get(terminalKey(relay.id, '85'));
  const home = wiring.return.at.get(terminalKey(relay.id, '86'));
  if (fed === undefined || fed >= wiring.fedCount || home === undefined) return [];
  return [found('switching.coilTurned', 'fault', [relay.id], wiring.supply.nodes[fed]!.circuitId)];
}

/** Devices from a source to a terminal, as a tree has them, the nearest to it last. */
function onTheWay({ index }: Analysis, tree: WiringTree, deviceId: string, terminal: string): Device[] {
  const at = tree.at.get(terminalKey(deviceId, terminal));
  if (at === undefined) return [];
  return pathTo(tree, at).flatMap((step) => {
    const device = index.devices.get(tree.nodes[step]!.deviceId);
    return device && device.id !== deviceId ? [device] : [];
  });
}

/** What lies between the battery and a coil, on the way there and home. */
function aroundCoil(analysis: Analysis, { id }: Relay): Device[] {
  const { supply, return: home } = analysis.wiring;
  return [supply, home].flatMap((tree) => ['86', '85'].flatMap((terminal) => onTheWay(analysis, tree, id, terminal)));
}

/** A coil that a dimmer pulses chatters. */
function pulsed(analysis: Analysis, relay: Relay): Finding[] {
  const dimmer = aroundCoil(analysis, relay).find(({ kind }) => kind === 'dimmer');
  return dimmer ? [found('switching.coilPulsed', 'caution', [relay.id, dimmer.id])] : [];
}

/** A relay that is always pulled in while a switch carries what its contact should switch: pins exchanged that still seem to work. */
function alwaysFed(analysis: Analysis, relay: Relay): Finding[] {
  const { index, wiring } = analysis;
  const isOn = (tree: WiringTree, most: number) => ['86', '85'].some((pin) => (tree.at.get(terminalKey(relay.id, pin)) ?? Infinity) < most);
  const isFed = isOn(wiring.supply, wiring.fedCount) && isOn(wiring.return, Infinity);
  if (relay.latching || !isFed || aroundCoil(analysis, relay).some((device) => kindOf(device).isContact || FEEDING.has(device.kind)))
    return [];
  const behind = index.loads.find((load) => {
    const { deviceId, terminal } = landingOf(load, 'plus');
    const way = onTheWay(analysis, wiring.supply, deviceId, terminal);
    return way.some(({ id }) => id === relay.id) && way.some(({ kind }) => kind === 'switch');
  });
  if (!behind) return [];
  const { deviceId, terminal } = landingOf(behind, 'plus');
  const sw = onTheWay(analysis, wiring.supply, deviceId, terminal).find(({ kind }) => kind === 'switch')!;
  return [found('switching.coilAlwaysFed', 'caution', [relay.id, sw.id], analysis.loads.get(behind.id)?.circuitId)];
}

function twoDimmers(analysis: Analysis, load: Load): Finding[] {
  const { supply, return: home } = analysis.wiring;
  const plus = landingOf(load, 'plus');
  const minus = landingOf(load, 'minus');
  const way = [...onTheWay(analysis, supply, plus.deviceId, plus.terminal), ...onTheWay(analysis, home, minus.deviceId, minus.terminal)];
  const [first, second] = [...new Map(way.filter(({ kind }) => kind === 'dimmer').map((device) => [device.id, device])).values()];
  return first && second
    ? [found('switching.twoDimmers', 'caution', [load.id, first.id, second.id], analysis.loads.get(load.id)?.circuitId)]
    : [];
}

/** A lamp dimmed in its return that has another way home: it is on at full. */
function bridgedDimmers({ index, loads }: Analysis): Finding[] {
  const dimmers = Array.from(index.devices.values()).filter((device) => device.kind === 'dimmer' && device.side === 'return');
  if (dimmers.length === 0 || !index.battery) return [];
  const joined = new Joined(index.devices, index.wires);
  const home = `${index.battery.id}/minus`;
  return dimmers.flatMap((dimmer) => {
    // What is on its lamp side, without going through it; and whether the battery's minus is among it.
    const beside = joined.reachedFrom([terminalKey(dimmer.id, 'dimmed')], { deviceId: dimmer.id });
    if (!beside.has(home)) return [];
    const load = index.loads.find((one) => {
      const { deviceId, terminal } = landingOf(one, 'minus');
      return beside.has(terminalKey(deviceId, terminal));
    });
    return load ? [found('switching.dimmerBridged', 'fault', [dimmer.id, load.id], loads.get(load.id)?.circuitId)] : [];
  });
}

/** A lamp on the contact of a roller or plunger that is made while it is pressed: while a lid is shut, as a rule. */
function litWhileShut({ index, wiring, loads }: Analysis): Finding[] {
  return Array.from(index.devices.values()).flatMap((device) => {
    if (device.kind !== 'microSwitch') return [];
    const lamp = index.loads.find((load) => {
      if (!isLamp(load)) return false;
      return (['plus', 'minus'] as const).some((pole) => {
        const tree = pole === 'plus' ? wiring.supply : wiring.return;
        const { deviceId, terminal } = landingOf(load, pole);
        const at = tree.at.get(terminalKey(deviceId, terminal));
        const passed = at === undefined ? [] : pathTo(tree, at).map((step) => tree.nodes[step]!).filter((node) => node.deviceId === device.id); // prettier-ignore
        return passed.some((node) => node.terminal === 'normallyOpen') && !passed.some((node) => node.terminal === 'normallyClosed');
      });
    });
    return lamp ? [found('switching.litWhileShut', 'caution', [device.id, lamp.id], loads.get(lamp.id)?.circuitId)] : [];
  });
}
