import type { RuleFigures } from '../figures';
import { finding, type Finding, type Severity, type Rule } from '../finding';
import type { Analysis, SlotAnalysis } from '../types';
import { RATINGS_A } from '../../catalog/fuses';
import { hostOf } from '../../rig/designIndex';
import type { Device } from '../../design/schema';
import type { ConductorStandard } from '../../catalog/vocabulary';
import { CONTINUOUS_FACTOR } from '../../sizing/fuse';
import { terminalKey } from '../../network/wiring';
import { lastFuseBefore } from '../../sizing/fuseLimit';

const HAIR = 1e-6;

/**
 * Longest lead from a source, or from a larger conductor, to the protection of its own, mm: bare. Sources: ABYC E-11 7 in, ISO 10133 200
 * mm; from memory. NEC 551 has 18 in for where the supply joins; the shorter one is taken.
 */
export const BARE_LEAD_MM: Record<ConductorStandard, number> = {
  'us-small-craft': 178,
  'iso-small-craft': 200,
  'road-vehicle': 200,
  'us-recreational': 178,
};
/**
 * The same for a lead in a sheath or conduit straight on the battery terminal: ABYC E-11 72 in, and ISO 10133 wants a sheath where 200 mm
 * cannot be kept without saying how long; NEC 551 allows 18 in whatever the covering. From memory.
 */
const SHEATHED_LEAD_MM: Record<ConductorStandard, number> = {
  'us-small-craft': 1830,
  'iso-small-craft': 1830,
  'road-vehicle': 1830,
  'us-recreational': 457,
};

/** Fuses against their loads, slots and blocks, and the main protection. */
export function findProtection(analysis: Analysis): Finding[] {
  const main = mainFindings(analysis);
  return [
    ...fuseFindings(analysis),
    ...feederFindings(analysis),
    ...deviceFindings(analysis),
    ...blockFindings(analysis),
    ...main,
    ...leadFindings(
      analysis,
      main.some(({ rule }) => rule === 'main.missing'),
    ),
  ];
}

function fuseFindings({ circuits, index }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const circuit of circuits) {
    const { id: circuitId, protectionId, ratingA, peakA, continuousA } = circuit;
    const add = <R extends Rule>(rule: R, severity: Severity, numbers: RuleFigures[R]) =>
      found.push(finding(rule, severity, [protectionId, circuitId], numbers, circuitId));
    const protection = index.devices.get(protectionId);
    if (protection?.kind === 'protection' && !RATINGS_A[protection.family].includes(ratingA)) {
      add('fuse.notStandard', 'caution', { ratingA, family: protection.family });
    }
    if (circuit.loadIds.length + circuit.secondWayIds.length + circuit.partIds.length === 0) {
      found.push({ rule: 'circuit.empty', severity: 'note', subjects: [circuitId], circuitId, numbers: {} });
      continue;
    }
    if (!circuit.fed && index.battery)
      add('fuse.notFed', 'fault', { mounted: circuit.block !== null, tap: isTapOnNothing(protection, index) });
    if (peakA > ratingA + HAIR) add('fuse.belowLoad', 'fault', { ratingA, peakA });
    else if (continuousA * CONTINUOUS_FACTOR > ratingA + HAIR) {
      add('fuse.continuousLoad', 'caution', { ratingA, continuousA, leastA: continuousA * CONTINUOUS_FACTOR });
    }
  }
  return found;
}

/** Whether a tap is turned round in a slot whose own fuse is missing. */
function isTapOnNothing(device: Device | undefined, index: Analysis['index']): boolean {
  return device?.kind === 'protection' && device.mount?.tap === 'load' && hostOf(index, device) === null;
}

/** Fuses that are neither a circuit's own nor the main one: those of feeders and sub-blocks, and those a kit brings along. */
function feederFindings({ protections, main }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const { id, fuse, circuitId, withinId, peakA, continuousA } of protections.values()) {
    if (circuitId !== null || id === main?.protectionId) continue;
    const leastA = continuousA * CONTINUOUS_FACTOR;
    const numbers = { ratingA: fuse.ratingA, peakA, continuousA, leastA };
    if (Math.max(peakA, leastA) <= fuse.ratingA + HAIR) continue;
    const severity = peakA > fuse.ratingA + HAIR ? 'fault' : 'caution';
    found.push({ rule: 'fuse.feederBelow', severity, subjects: [id], circuitId: withinId, numbers });
  }
  return found;
}

/** Loads that say how large a fuse they stand, against the last one before them. */
function deviceFindings({ loads, wiring, protections }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const { id, load, circuitId } of loads.values()) {
    if (load.maxFuseA === undefined) continue;
    const last = protections.get(lastFuseBefore(wiring, id) ?? '');
    if (!last || last.fuse.ratingA <= load.maxFuseA) continue;
    const numbers = { ratingA: last.fuse.ratingA, mostA: load.maxFuseA };
    found.push({ rule: 'fuse.aboveDevice', severity: 'fault', subjects: [last.id, id], circuitId, numbers });
  }
  return found;
}

function blockFindings({ blocks }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const block of blocks) {
    for (const slot of block.slots) {
      if (slot.ratingA !== null && slot.ratingA > block.slotMaxA) {
        const numbers = { ratingA: slot.ratingA, mostA: block.slotMaxA, slot: slot.slot };
        found.push({
          rule: 'slot.overRating',
          severity: 'fault',
          subjects: [slot.protectionId!, block.id],
          circuitId: slot.circuitId,
          numbers,
        });
      }
    }
    for (const slot of block.slots) found.push(...tapFindings(slot, block.id, block.slotMaxA));
    if (block.peakA > block.blockMaxA + HAIR) {
      found.push({
        rule: 'block.overRating',
        severity: 'fault',
        subjects: [block.id],
        circuitId: null,
        numbers: { peakA: block.peakA, mostA: block.blockMaxA },
      });
    }
  }
  return found;
}

/**
 * Two fuses in one slot. With the tap's common leg in the live clip both currents pass that clip; turned round, the second circuit hangs
 * behind the first fuse as well, which then carries both.
 */
function tapFindings({ slot, protectionId, ratingA, peakA, tap }: SlotAnalysis, blockId: string, slotMaxA: number): Finding[] {
  if (!tap) return [];
  const { circuitId } = tap;
  if (tap.leg === 'load') {
    if (protectionId === null || ratingA === null) return [];
    const numbers = { ratingA, amps: peakA };
    const severity = peakA > ratingA + HAIR ? 'fault' : 'caution';
    return [{ rule: 'fuse.tapReversed', severity, subjects: [tap.protectionId, protectionId], circuitId, numbers }];
  }
  const unproved: Finding[] = tap.metered
    ? []
    : [{ rule: 'fuse.tapUnproved', severity: 'caution', subjects: [tap.protectionId], circuitId, numbers: {} }];
  const amps = peakA + tap.peakA;
  const ratings = (ratingA ?? 0) + tap.ratingA;
  if (Math.max(amps, ratings) <= slotMaxA + HAIR) return unproved;
  const numbers = { slot, amps, ratingA: ratings, mostA: slotMaxA };
  const severity = amps > slotMaxA + HAIR ? 'fault' : 'caution';
  return [{ rule: 'slot.doubledUp', severity, subjects: [tap.protectionId, blockId], circuitId, numbers }, ...unproved];
}

/**
 * Whether one switch takes everything fused behind the main protection off the battery: it stands on the way to every circuit that is fed.
 */
function isIsolated({ supply: { nodes }, fedCount }: Analysis['wiring'], devices: Analysis['index']['devices']): boolean {
  const passed = new Uint8Array(fedCount);
  for (let at = 0; at < fedCount; at++) {
    const { parent, deviceId, circuitId, feedId } = nodes[at]!;
    // The vehicle's own battery is no part of what the house's isolator takes off.
    if (feedId !== null) continue;
    passed[at] = (parent >= 0 ? passed[parent]! : 0) || Number(devices.get(deviceId)?.kind === 'isolator');
    if (circuitId !== null && passed[at] === 0) return false;
  }
  return true;
}

function mainFindings({ index, main, circuits, blocks, wiring }: Analysis): Finding[] {
  const { battery, settings, devices } = index;
  if (!battery) {
    const wanted = index.loads.length > 0;
    return wanted ? [{ rule: 'supply.noBattery', severity: 'caution', subjects: [settings.id], circuitId: null, numbers: {} }] : [];
  }
  const isMain =
    main &&
    devices.get(main.protectionId)?.kind === 'protection' &&
    !circuits.some((circuit) => circuit.protectionId === main.protectionId);
  const mounted = main && blocks.some((block) => block.slots.some((slot) => slot.protectionId === main.protectionId));
  if (!main || !isMain || mounted) {
    const anythingFed = circuits.some((circuit) => circuit.fed);
    return anythingFed ? [{ rule: 'main.missing', severity: 'fault', subjects: [battery.id], circuitId: null, numbers: {} }] : [];
  }
  const found: Finding[] = [];
  if (!isIsolated(wiring, devices))
    found.push({ rule: 'main.noIsolator', severity: 'caution', subjects: [battery.id], circuitId: null, numbers: {} });
  const subjects = [main.protectionId];
  if (main.peakA > main.ratingA + HAIR) {
    found.push({
      rule: 'main.belowDemand',
      severity: 'fault',
      subjects,
      circuitId: null,
      numbers: { ratingA: main.ratingA, peakA: main.peakA },
    });
  } else if (main.continuousA * CONTINUOUS_FACTOR > main.ratingA + HAIR) {
    const numbers = { ratingA: main.ratingA, peakA: main.continuousA * CONTINUOUS_FACTOR };
    found.push({ rule: 'main.belowDemand', severity: 'caution', subjects, circuitId: null, numbers });
  }
  return found;
}

/**
 * Every way off the battery's positive: the first protection on it close by, and none that reaches a load bare. A block's fuses are told of
 * together, and not again where the main protection as such is missing.
 */
function leadFindings({ protections, loads, wiring, index }: Analysis, mainMissing: boolean): Finding[] {
  const { settings } = index;
  const longestMm = SHEATHED_LEAD_MM[settings.conductorStandard];
  const mostMm = settings.cableForm === 'sheathed' ? longestMm : BARE_LEAD_MM[settings.conductorStandard];
  const far = new Map<string, Finding>();
  for (const { id, fuse, leadMm, withinId } of protections.values()) {
    if (leadMm === null || leadMm <= mostMm || (mainMissing && (fuse.mount || withinId !== null))) continue;
    const severity = leadMm > longestMm ? 'fault' : 'caution';
    const place = fuse.mount?.blockId ?? id;
    far.set(place, { rule: 'main.farFromBattery', severity, subjects: [place], circuitId: null, numbers: { leadMm, mostMm } });
  }
  const found = Array.from(far.values());
  for (const { id, draw } of loads.values()) {
    const at = wiring.supply.at.get(terminalKey(id, 'plus')) ?? Infinity;
    if (at >= wiring.fedCount || wiring.supply.nodes[at]!.protectionId !== null || wiring.supply.nodes[at]!.feedId !== null) continue;
    found.push({ rule: 'main.bare', severity: 'fault', subjects: [id], circuitId: null, numbers: { amps: draw.amps } });
  }
  return found;
}
