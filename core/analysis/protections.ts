import { areaMm2 } from '../catalog/conductorSizes';
import { breaksAt } from '../catalog/interrupting';
import { startOf } from '../devices/starts';
import type { Load, Protection } from '../design/schema';
import { behaviourOf } from '../devices/load';
import { pathTo } from '../network/ways';
import { terminalKey } from '../network/wiring';
import { clearingS, heatShare, selectiveToA } from '../sizing/coordination';
import { slot } from '../units/carried';
import { CIRCUITS } from './circuits';
import type { AnalysisContext } from './context';
import { wireToLoad } from './rows';
import { backOhm, greatestShortA, leastShortA, shortSource } from './shortCircuits';
import { shortPaths, warmOhmPerM } from './shortPaths';
import type { CircuitAnalysis, ProtectionAnalysis, ShortPaths } from './types';

const PROTECTIONS = slot<ProtectionAnalysis>('protections');

/**
 * Every protection that is fed, from the battery outwards, and the resistances it was found by. Those of circuits that were taken over are
 * too: nothing on their way to the battery, behind them or on the way back has changed.
 */
export function analyseProtections(
  context: AnalysisContext,
  circuits: ReadonlyMap<string, CircuitAnalysis>,
): { protections: Map<string, ProtectionAnalysis>; short: ShortPaths } {
  const { carried, index, wiring, hanging, supply, draws } = context;
  const found = new Map<string, ProtectionAnalysis>();
  const short = shortPaths(context);
  const { battery, settings, devices } = index;
  if (!battery) return { protections: found, short };
  const { nominalV } = settings;
  const { cold, warm } = short;
  const warmOhm = warmOhmPerM(settings);
  const source = shortSource(battery, nominalV);
  // A block's fuses of one rating stand alike behind the same fuse.
  const selective = new Map<string, number>();
  const selectiveBehind = (fuse: Protection, upstream: Protection, atA: number) => {
    const key = `${fuse.family} ${fuse.ratingA} ${upstream.id} ${atA}`;
    let known = selective.get(key);
    if (known === undefined) selective.set(key, (known = selectiveToA(fuse, upstream, atA)));
    return known;
  };
  const circuitOf = new Map(index.circuits.map((circuit) => [circuit.protectionId, circuit.id]));
  const nodes = wiring.supply.nodes;
  const mostA = (at: number) => greatestShortA(source, cold[at]!);
  const standing = new Set<string | null>([...circuits.keys()].filter((id) => carried.isTaken(CIRCUITS, id)));

  nodes.forEach(({ deviceId, terminal, parent, circuitId }, at) => {
    if (terminal !== 'out' || at >= wiring.fedCount) return;
    const fuse = devices.get(deviceId);
    if (fuse?.kind !== 'protection') return;
    const taken = circuitId === null ? null : carried.take(PROTECTIONS, deviceId, [circuits.get(circuitId)]);
    if (taken) {
      found.set(deviceId, taken.answer);
      return;
    }
    const feed = nodes[parent];
    const upstream = devices.get(feed?.protectionId ?? '');
    const atA = mostA(at);
    found.set(deviceId, {
      id: deviceId,
      fuse,
      circuitId: circuitOf.get(deviceId) ?? null,
      withinId: circuitId,
      peakA: supply.demand[at]!.peakA,
      continuousA: supply.demand[at]!.continuousA,
      upstreamId: upstream?.id ?? null,
      leadMm:
        upstream || nodes[at]!.feedId !== null
          ? null
          : pathTo(wiring.supply, at).reduce((sum, step) => sum + (nodes[step]!.wire?.lengthMm ?? 0), 0),
      atA,
      breaksA: breaksAt(fuse.family, nominalV),
      endA: null,
      endId: null,
      endClears: null,
      selectiveToA: upstream?.kind === 'protection' ? selectiveBehind(fuse, upstream, atA) : null,
      heat: null,
      start: null,
    });
  });

  // Least fault current at a node and beyond, filled from the leaves: what the wires on the way must be cleared for.
  const beyondA = new Float64Array(nodes.length).fill(Infinity);
  for (let at = nodes.length - 1; at >= 0; at--) {
    const { deviceId, terminal, parent, protectionId, circuitId, wire } = nodes[at]!;
    if (standing.has(circuitId)) continue;
    const device = devices.get(deviceId);
    const guard = found.get(protectionId ?? '');
    const isLoad = device?.kind === 'load' && terminal === 'plus';
    const rowWire = isLoad ? wireToLoad(wiring.supply, at) : null;
    if (guard && (isLoad || wire)) {
      const back = isLoad ? hanging.loads.get(deviceId)!.minus : undefined;
      const row = rowWire && isLoad ? rowOhm(device, warmOhm(rowWire.conductor)) : 0;
      const amps = leastShortA(source, warm[at]! + row, backOhm(short, at, back));
      beyondA[at] = Math.min(beyondA[at]!, amps);
      if (guard.endA === null || amps < guard.endA) {
        guard.endA = amps;
        guard.endId = deviceId;
      }
    }
    // A protection on the way ends what the one ahead must clear.
    const ownGuard = device?.kind === 'protection' && terminal === 'out';
    if (parent >= 0 && !ownGuard) beyondA[parent] = Math.min(beyondA[parent]!, beyondA[at]!);
    if (guard && wire && parent >= 0) {
      const share = heatShare(guard.fuse, areaMm2(wire.conductor), settings.insulationC, beyondA[at]!, mostA(parent));
      if (share > (guard.heat?.share ?? 0)) guard.heat = { wireId: wire.id, share };
    }
    if (guard && isLoad) {
      const { factor, seconds } = startOf(device, behaviourOf(device));
      const own = draws.get(device.id)!.amps;
      const amps = supply.demand[wiring.supply.at.get(terminalKey(guard.id, 'out'))!]!.peakA + own * (factor - 1);
      const { leastS } = clearingS(guard.fuse, amps);
      if (factor > 1 && (guard.start === null || leastS / seconds < guard.start.opensS / guard.start.seconds)) {
        guard.start = { loadId: device.id, amps, seconds, opensS: leastS };
      }
    }
  }
  for (const entry of found.values()) {
    if (standing.has(entry.withinId)) continue;
    if (entry.endA !== null) entry.endClears = clearingS(entry.fuse, entry.endA);
    if (entry.withinId !== null) carried.put(PROTECTIONS, entry.id, [circuits.get(entry.withinId)], entry);
  }
  return { protections: found, short };
}

/** Both conductors along a load's row of pieces, ohm, from the ohm of a metre. */
function rowOhm({ quantity, spacingMm }: Load, perMetre: number): number {
  return (2 * perMetre * (quantity - 1) * spacingMm) / 1000;
}
