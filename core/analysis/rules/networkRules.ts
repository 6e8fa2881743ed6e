import { finding, type Finding } from '../finding';
import type { Analysis } from '../types';
import { lightingStates, worstDrops } from '../lighting';
import type { WiredDrop } from '../wiredDrops';
import type { DesignIndex } from '../../rig/designIndex';
import type { Device, Switch, TerminalRef } from '../../design/schema';
import { kindOf } from '../../devices';
import { withControl, type ControlState } from '../../network/controlState';
import { NetworkError, ownersOf } from '../../network/networkError';
import { stateFor } from '../../network/namedStates';
import { LiveDesign } from '../../network/settle';
import { terminalKey, type WiringTree } from '../../network/wiring';
import { isOver } from '../../units/compare';
import { SEVERE_PERCENT } from './dropRules';

/** Currents under this are leakage, A. */
const LEAKAGE_A = 0.005;
/** Share of its draw from which a load counts as running. */
const RUNNING_SHARE = 0.1;
/** What a solved current may be over a rating before it is over: the digits of a meter. */
const OVER_SHARE = 0.005;
/** Parts that a finding names at the most. */
const MOST_NAMED = 8;
/** Volts from which a meter surprises its reader. */
const PRESENT_V = 3;

/**
 * What only the solved network shows: currents that go the wrong way, loads that live without their own fuse, switch or
 * return, sources that feed each other, vehicle wires asked for too much, and relays that never come to rest. Looks at
 * everything on, then at each circuit with its fuse out and each switch off.
 */
export function findInNetwork(analysis: Analysis): Finding[] {
  const { index, loads } = analysis;
  const allOn = stateFor({ kind: 'allOn' }, index, (id) => loads.get(id)?.circuitId ?? null);
  try {
    const live = new LiveDesign(index, allOn);
    const outcome = live.settle(allOn);
    if (outcome.kind === 'oscillating') return [finding('network.oscillates', 'caution', outcome.devices, {})];
    const { states, ways, neverLit } = lightingStates(analysis, live, outcome.state);
    const lit = states.flatMap((state) => {
      if (states.length > 1) live.settle(state);
      return [
        ...reversedCurrents(analysis, live),
        ...joinedSources(analysis, live),
        ...overdrawnSignals(analysis, live),
        ...overdrawnFuses(analysis, live),
        ...missingReturns(analysis, live),
      ];
    });
    return [
      ...onceEach(lit),
      ...unlit(analysis, neverLit),
      ...dropsAsWired(analysis, worstDrops(analysis, live, [...states, ...ways])),
      ...onceEach(states.flatMap((state) => [...besideFuses(analysis, live, state), ...besideSwitches(analysis, live, state)])),
    ];
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    return [finding('network.noAnswer', 'fault', ownersOf(error.problem).slice(0, MOST_NAMED), { problem: error.problem.code })];
  }
}

/** Wires of the tree whose current runs against the way it was grown. Rings have no one way, and are findings already. */
function reversedCurrents({ index, wiring }: Analysis, live: LiveDesign): Finding[] {
  if (wiring.faults.length > 0) return [];
  const found: Finding[] = [];
  for (const [side, outward] of [
    ['supply', true],
    ['return', false],
  ] as const) {
    if (wiring.rings.some((ring) => ring.side === side)) continue;
    const tree = wiring[side];
    const lent = lentBelow(index, tree, live);
    for (const [at, { wire, deviceId, terminal, circuitId, parent }] of tree.nodes.entries()) {
      if (!wire || parent < 0 || !live.compiled.wireElement.has(wire.id)) continue;
      const towardNode = wire.to.deviceId === deviceId && wire.to.terminal === terminal;
      const along = live.wireAmps(wire.id) * (towardNode === outward ? 1 : -1);
      // What the vehicle lends comes by its own wires and goes home to its own battery.
      if (along + lent[at]! < -LEAKAGE_A) {
        const path = live.upstream({ deviceId, terminal });
        found.push(finding('network.reversed', 'caution', [wire.id], { amps: -along, path }, circuitId));
      }
    }
  }
  return found;
}

/**
 * What the vehicle's own wires give at each node of a tree or beyond: on the supply side what comes out of them, on the return side what
 * goes home to their battery, A.
 */
function lentBelow({ devices }: DesignIndex, { nodes }: WiringTree, live: LiveDesign): Float64Array {
  const lent = new Float64Array(nodes.length);
  for (let at = nodes.length - 1; at >= 0; at--) {
    const { deviceId, terminal, parent } = nodes[at]!;
    if (devices.get(deviceId)?.kind === 'signalSource') lent[at]! += givenAt(live, deviceId, terminal);
    if (parent >= 0) lent[parent]! += lent[at]!;
  }
  return lent;
}

/** What comes out of a terminal of the vehicle's own wires, or goes home at its minus, A. */
function givenAt(live: LiveDesign, deviceId: string, terminal: string): number {
  return Math.abs(live.partAmps(deviceId, terminal === 'minus' ? 'vehicle' : terminal));
}

/** A battery or the vehicle's battery that takes current in while everything runs. */
function joinedSources({ index }: Analysis, live: LiveDesign): Finding[] {
  return Array.from(index.devices.values()).flatMap((device) => {
    const part = SOURCE_PART[device.kind];
    // An ideal source gives current out of its plus, so what it gives is negative from plus to minus.
    const taken = part ? live.partAmps(device.id, part) : 0;
    if (taken <= LEAKAGE_A) return [];
    const terminal = device.kind === 'battery' ? 'plus' : device.kind === 'vehicleFeed' ? 'out' : 'constant';
    return [
      finding('network.sourcesJoined', 'fault', [device.id], {
        amps: taken,
        path: live.upstream({ deviceId: device.id, terminal }),
      }),
    ];
  });
}

const SOURCE_PART: Partial<Record<Device['kind'], string>> = { battery: 'rest', signalSource: 'vehicle', vehicleFeed: 'vehicle' };

/** Vehicle wires are triggers: none may give more than its source's limit. All are tried live. */
function overdrawnSignals({ index }: Analysis, live: LiveDesign): Finding[] {
  return Array.from(index.devices.values()).flatMap((device) => {
    if (device.kind !== 'signalSource') return [];
    return [...new Set(device.signals)].flatMap((signal) => {
      const amps = Math.abs(live.partAmps(device.id, signal));
      return amps > device.maxA
        ? [finding('network.signalOverdrawn', 'fault', [device.id], { amps, maxA: device.maxA, terminal: signal })]
        : [];
    });
  });
}

/**
 * Fuses that more flows through than they are rated for, whichever way, where the sum of what hangs on them does not say so: what a second
 * way brings.
 */
function overdrawnFuses({ protections }: Analysis, live: LiveDesign): Finding[] {
  return Array.from(protections.values()).flatMap(({ id, fuse, peakA, circuitId }) => {
    const amps = Math.abs(live.partAmps(id, 'link'));
    if (amps <= fuse.ratingA * (1 + OVER_SHARE) || peakA > fuse.ratingA) return [];
    return [finding('reach.fuseOverdrawn', 'fault', [id], { amps, ratingA: fuse.ratingA, peakA }, circuitId)];
  });
}

/** Loads that no position of anything lights. Where a contact has nothing to work it, that is said already. */
function unlit({ loads, findings }: Analysis, loadIds: readonly string[]): Finding[] {
  const said = new Set(findings.flatMap(({ rule, circuitId }) => (rule === 'contact.unworked' ? [circuitId] : [])));
  return loadIds.flatMap((id) => {
    const { circuitId } = loads.get(id)!;
    return said.has(circuitId) ? [] : [finding('reach.neverLit', 'fault', [id], {}, circuitId)];
  });
}

/** Of findings of one rule about the same things only the first: the state in which it shows first. */
function onceEach(findings: readonly Finding[]): Finding[] {
  const seen = new Set<string>();
  return findings.filter(({ rule, subjects }) => {
    const key = `${rule} ${subjects.join(' ')}`;
    return !seen.has(key) && seen.add(key);
  });
}

/**
 * Circuits whose formula keeps the target and whose solved voltages do not: fuses, contacts and joints lose their share too, and what holds
 * its power draws more as its voltage falls.
 */
function dropsAsWired(analysis: Analysis, drops: ReadonlyMap<string, WiredDrop>): Finding[] {
  return analysis.circuits.flatMap(({ id: circuitId, dropPercent, targetPercent }): Finding[] => {
    const worst = drops.get(circuitId);
    if (!worst || isOver(dropPercent, targetPercent, 1) || !isOver(worst.dropPercent, targetPercent, 1)) return [];
    const severity = worst.dropPercent > Math.max(SEVERE_PERCENT, targetPercent) ? 'fault' : 'caution';
    const numbers = { dropV: worst.dropV, solvedPercent: worst.dropPercent, dropPercent, targetPercent };
    return [finding('drop.asWired', severity, [circuitId, worst.loadId], numbers, circuitId)];
  });
}

/** A load whose own return is missing and that runs all the same. */
function missingReturns({ loads }: Analysis, live: LiveDesign): Finding[] {
  return Array.from(loads.values()).flatMap(({ id, draw, returned, circuitId }) => {
    const amps = live.partAmps(id, 'draw');
    if (returned || amps <= RUNNING_SHARE * draw.amps || amps <= LEAKAGE_A) return [];
    return [finding('network.otherReturn', 'fault', [id], { amps, path: live.upstream({ deviceId: id, terminal: 'plus' }) }, circuitId)];
  });
}

/** Each circuit with its fuse out: its loads should be dead, its wires too, and no other fuse asked for more. */
function besideFuses(analysis: Analysis, live: LiveDesign, state: ControlState): Finding[] {
  const { circuits, loads } = analysis;
  return circuits.flatMap(({ id: circuitId, protectionId, loadIds }) => {
    const outcome = live.settle(withControl(state, protectionId, 'fitted', false));
    const asked = overdrawnFuses(analysis, live);
    const alive = loadIds.flatMap((loadId) => {
      // What is meant to be fed twice lives on through the other fuse, and is said to.
      if (outcome.state.controls[loadId]?.on !== true || loads.get(loadId)!.load.fedTwice) return [];
      const amps = live.partAmps(loadId, 'draw');
      const volts = live.across(loadId);
      const path = () => live.upstream({ deviceId: loadId, terminal: 'plus' });
      if (amps > RUNNING_SHARE * loads.get(loadId)!.draw.amps && amps > LEAKAGE_A)
        return [finding('network.besideFuse', 'fault', [loadId, protectionId], { amps, path: path() }, circuitId)];
      if (volts > PRESENT_V) return [finding('network.leak', 'note', [loadId, protectionId], { volts, path: path() }, circuitId)];
      return [];
    });
    return [...asked, ...alive];
  });
}

/** Each switch off by itself: the loads behind it should be dead. */
function besideSwitches({ index, wiring, loads }: Analysis, live: LiveDesign, state: ControlState): Finding[] {
  const behind = new Map<string, Set<string>>();
  const add = (switchId: string, loadId: string) => behind.set(switchId, (behind.get(switchId) ?? new Set()).add(loadId));
  for (const { id } of loads.values()) {
    for (let at = wiring.supply.at.get(terminalKey(id, 'plus')) ?? -1; at >= 0; at = wiring.supply.nodes[at]!.parent) {
      const device = index.devices.get(wiring.supply.nodes[at]!.deviceId);
      if (device?.kind === 'switch' && !isChangeover(device)) add(device.id, id);
    }
  }
  // Another way round a switch may have been found first, so what its outlet is wired to counts too.
  for (const device of index.devices.values()) {
    if (device.kind !== 'switch' || isChangeover(device)) continue;
    for (const { to } of kindOf(device).paths(device))
      for (const loadId of wiredLoads(index, { deviceId: device.id, terminal: to })) add(device.id, loadId);
  }
  return Array.from(behind, ([switchId, loadIds]) => [switchId, Array.from(loadIds)] as const).flatMap(([switchId, loadIds]) => {
    const outcome = live.settle(withControl(state, switchId, 'position', 'off'));
    return loadIds.flatMap((loadId) => {
      const { draw, circuitId, load } = loads.get(loadId)!;
      const amps = live.partAmps(loadId, 'draw');
      if (load.fedTwice || outcome.state.controls[loadId]?.on !== true || amps <= RUNNING_SHARE * draw.amps || amps <= LEAKAGE_A) return [];
      const path = live.upstream({ deviceId: loadId, terminal: 'plus' });
      // Another contact behind the same fuse feeds it: as it is meant where two stand side by side.
      const own = index.circuits.find(({ id }) => id === circuitId)?.protectionId;
      const isBeside =
        path.some(({ deviceId }) => deviceId === own) && path.some(({ deviceId }) => kindOf(index.devices.get(deviceId)!).isContact);
      const severity = isBeside ? 'note' : 'caution';
      return [finding('network.besideSwitch', severity, [loadId, switchId], { amps, path }, circuitId)];
    });
  });
}

/** A switch that only chooses between two ways, and so has no position that is off. */
function isChangeover({ form }: Switch): boolean {
  return form === 'changeover' || form === 'doublePoleChangeover';
}

/** Loads whose plus is joined to a terminal by wires alone. */
function wiredLoads({ wires, devices }: DesignIndex, start: TerminalRef): string[] {
  const seen = new Set([terminalKey(start.deviceId, start.terminal)]);
  const queue = [start];
  const found: string[] = [];
  for (const at of queue) {
    if (at.terminal === 'plus' && devices.get(at.deviceId)?.kind === 'load') found.push(at.deviceId);
    for (const { from, to } of wires) {
      for (const [near, far] of [
        [from, to],
        [to, from],
      ] as const) {
        if (near.deviceId !== at.deviceId || near.terminal !== at.terminal || seen.has(terminalKey(far.deviceId, far.terminal))) continue;
        seen.add(terminalKey(far.deviceId, far.terminal));
        queue.push(far);
      }
    }
  }
  return found;
}
