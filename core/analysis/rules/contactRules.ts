import { finding, type Finding } from '../finding';
import type { Analysis, CircuitAnalysis } from '../types';
import { startOf } from '../../devices/starts';
import { areaMm2 } from '../../catalog/conductorSizes';
import type { Device, Wire } from '../../design/schema';
import { behaviourOf, isLamp } from '../../devices/load';
import { kindOf } from '../../devices';
import { ownTerminals } from '../../devices/ownDraw';
import { landedTerminals, terminalKey } from '../../network/wiring';

const HAIR = 1e-6;
/**
 * How many times its rating a contact may make for a moment. Relays 1.5 (makes 30 to 40 A, breaks 20 to 30); small switches about 5. From
 * memory.
 */
const RELAY_MAKES = 1.5;
const SWITCH_MAKES = 5;
/** Lamps from which a relay is usual, A. Common practice. */
const RELAY_FROM_A = 5;

/** Switches, relays, plugs, hubs and bars against what flows in them; coils driven by electronics; returns beside their feeds. */
export function findContacts(analysis: Analysis): Finding[] {
  return [
    ...overRating(analysis),
    ...starts(analysis),
    ...coils(analysis),
    ...wantRelays(analysis),
    ...thinReturns(analysis),
    ...unworked(analysis),
  ];
}

/** What one of a device's terminals may carry; null where it carries no load current. */
function limitAt(device: Device, terminal: string): number | null {
  return kindOf(device).carriesA?.(device, terminal) ?? null;
}

function overRating({ index, wires }: Analysis): Finding[] {
  const worst = new Map<string, { amps: number; limitA: number; circuitId: string | null }>();
  for (const { wire, amps, circuitId } of wires.values()) {
    for (const { deviceId, terminal } of [wire.from, wire.to]) {
      const device = index.devices.get(deviceId);
      const limitA = device ? limitAt(device, terminal) : null;
      if (limitA === null || amps <= limitA + HAIR || amps <= (worst.get(deviceId)?.amps ?? 0)) continue;
      worst.set(deviceId, { amps, limitA, circuitId });
    }
  }
  return Array.from(worst, ([id, { amps, limitA, circuitId }]) => {
    const rule = index.devices.get(id)!.kind === 'switch' ? 'switch.overRating' : 'contact.overRating';
    return finding(rule, 'fault', [id], { amps, ratingA: limitA }, circuitId);
  });
}

/** A load's start through every contact on its way. */
function starts({ index, wiring, loads }: Analysis): Finding[] {
  const worst = new Map<string, { amps: number; limitA: number; loadId: string; circuitId: string | null }>();
  for (const { id, load, draw, circuitId } of loads.values()) {
    const { factor } = startOf(load, behaviourOf(load));
    if (factor <= 1) continue;
    const amps = draw.amps * factor;
    let at = wiring.supply.at.get(terminalKey(id, 'plus')) ?? -1;
    for (; at >= 0; at = wiring.supply.nodes[at]!.parent) {
      const { deviceId, terminal } = wiring.supply.nodes[at]!;
      const device = index.devices.get(deviceId);
      if (!device || ['busBar', 'shunt', 'plug', 'isolator'].includes(device.kind)) continue;
      const limitA = limitAt(device, terminal);
      if (limitA === null) continue;
      const mostA = limitA * (device.kind === 'relay' ? RELAY_MAKES : SWITCH_MAKES);
      if (amps > mostA + HAIR && amps > (worst.get(deviceId)?.amps ?? 0)) worst.set(deviceId, { amps, limitA, loadId: id, circuitId });
    }
  }
  return Array.from(worst, ([id, { amps, limitA, loadId, circuitId }]) => ({
    rule: 'contact.start',
    severity: 'caution',
    subjects: [id, loadId],
    circuitId,
    numbers: { amps, ratingA: limitA },
  }));
}

/** Panel switches that carry many amperes of lamps themselves. */
function wantRelays({ index, wiring, wires, loads }: Analysis): Finding[] {
  const lamps = new Map<string, { amps: number; circuitId: string | null }>();
  for (const { id, load, draw, circuitId } of loads.values()) {
    if (!isLamp(load)) continue;
    let at = wiring.supply.at.get(terminalKey(id, 'plus')) ?? -1;
    while (at >= 0 && index.devices.get(wiring.supply.nodes[at]!.deviceId)?.kind !== 'switch') at = wiring.supply.nodes[at]!.parent;
    if (at < 0) continue;
    const { deviceId } = wiring.supply.nodes[at]!;
    lamps.set(deviceId, { amps: (lamps.get(deviceId)?.amps ?? 0) + draw.amps, circuitId });
  }
  if (lamps.size === 0) return [];
  // Low and high beam never burn together: no more than its wires carry at once.
  const carried = new Map<string, number>();
  for (const { wire, amps } of wires.values()) {
    for (const { deviceId } of [wire.from, wire.to]) {
      if (lamps.has(deviceId) && amps > (carried.get(deviceId) ?? 0)) carried.set(deviceId, amps);
    }
  }
  return Array.from(lamps).flatMap(([id, { amps: lit, circuitId }]): Finding[] => {
    const amps = Math.min(lit, carried.get(id) ?? 0);
    if (amps <= RELAY_FROM_A) return [];
    return [{ rule: 'switch.wantsRelay', severity: 'note', subjects: [id], circuitId, numbers: { amps, mostA: RELAY_FROM_A } }];
  });
}

function coils({ index, wiring }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const device of index.devices.values()) {
    if (device.kind !== 'relay' || device.suppression !== 'none') continue;
    for (const terminal of ['86', '85']) {
      let at = wiring.supply.at.get(terminalKey(device.id, terminal)) ?? -1;
      for (at = wiring.supply.nodes[at]?.parent ?? -1; at >= 0; at = wiring.supply.nodes[at]!.parent) {
        const driver = index.devices.get(wiring.supply.nodes[at]!.deviceId);
        if (!driver || !kindOf(driver).isElectronic) continue;
        found.push({ rule: 'relay.bareCoil', severity: 'caution', subjects: [device.id, driver.id], circuitId: null, numbers: {} });
        break;
      }
    }
  }
  return found;
}

/** The terminals without which a contact never closes, or its electronics have no supply; none for what a hand works. */
function workedBy(device: Device): readonly string[] {
  const own = device.kind === 'switch' ? null : ownTerminals(device);
  return own ? [own.plus, own.minus] : [];
}

/**
 * What stands in a run and can never let its current through, because what works it is not wired: the formula takes it as closed, the
 * vehicle does not.
 */
function unworked({ index, wiring }: Analysis): Finding[] {
  const worked = Array.from(index.devices.values()).filter((device) => workedBy(device).length > 0);
  if (worked.length === 0) return [];
  const landed = landedTerminals(index.wires);
  const found: Finding[] = [];
  for (const device of worked) {
    const missing = workedBy(device).filter((terminal) => !landed.has(terminalKey(device.id, terminal)));
    if (missing.length === 0) continue;
    const onward = kindOf(device)
      .paths(device)
      .filter(({ to }) => landed.has(terminalKey(device.id, to)));
    if (onward.length === 0) continue;
    // At rest a relay joins 30 and 87a without its coil.
    const rests = device.kind === 'relay' && onward.every(({ to }) => to === '87a');
    const at = wiring.supply.nodes[wiring.supply.at.get(terminalKey(device.id, onward[0]!.to)) ?? -1];
    const numbers = { terminals: missing, rests };
    found.push({
      rule: 'contact.unworked',
      severity: rests ? 'caution' : 'fault',
      subjects: [device.id],
      circuitId: at?.circuitId ?? null,
      numbers,
    });
  }
  return found;
}

/** A return that carries all a circuit's current and is thinner than the feed that does. */
function thinReturns({ circuits, wires }: Analysis): Finding[] {
  return circuits.flatMap((circuit) => thinReturn(circuit, wires) ?? []);
}

function thinReturn({ id: circuitId, supplyWireIds, returnWireIds, peakA }: CircuitAnalysis, wires: Analysis['wires']): Finding | null {
  const thinnestWhole = (ids: readonly string[]) => {
    let thinnest: Wire | null = null;
    for (const id of ids) {
      const entry = wires.get(id);
      if (!entry || entry.amps < peakA - HAIR) continue;
      if (thinnest === null || areaMm2(entry.wire.conductor) < areaMm2(thinnest.conductor)) thinnest = entry.wire;
    }
    return thinnest;
  };
  const feed = thinnestWhole(supplyWireIds);
  const back = thinnestWhole(returnWireIds);
  if (!feed || !back || areaMm2(back.conductor) >= areaMm2(feed.conductor) - HAIR) return null;
  const numbers = { conductor: back.conductor, feed: feed.conductor };
  return { rule: 'return.thinnerThanFeed', severity: 'caution', subjects: [back.id, feed.id], circuitId, numbers };
}
