import type { JointSpot } from '../figures';
import { studsOf } from '../studs';
import { finding, type Finding, type Severity } from '../finding';
import type { Analysis } from '../types';
import { areaMm2, type ConductorSize } from '../../catalog/conductorSizes';
import { terminalFor } from '../../catalog/terminals';
import type { JointWay } from '../../catalog/vocabulary';
import { jointForNow } from '../../design/forNow';
import type { Wire, Zone } from '../../design/schema';

/** Rings on one bolt. Source: ABYC E-11, from memory: no more than four conductors on a stud. */
const MOST_ON_BOLT = 4;

/** The most a tap through the insulation carries for long, A. Common practice. */
const TAP_MOST_A = 3;

/**
 * Ends and joints: rings against their studs, bolts that hold too many, splices where two sizes meet, and joints made otherwise than their
 * place allows.
 */
export function findJoints(analysis: Analysis): Finding[] {
  return [...studFindings(analysis), ...spliceFindings(analysis), ...jointsWhereTheyAre(analysis)];
}

function studFindings(analysis: Analysis): Finding[] {
  const found: Finding[] = [];
  const told = new Set<string>();
  const isNew = (key: string) => !told.has(key) && told.add(key);
  for (const { deviceId, terminal, stud, rings, count, oneBolt } of studsOf(analysis)) {
    const thick = rings.find(({ fits }) => !fits);
    if (thick && stud !== null && isNew(`ring ${deviceId}`)) {
      const numbers = { conductor: thick.conductor, stud, least: thick.least };
      found.push({ rule: 'joint.ring', severity: 'caution', subjects: [deviceId], circuitId: null, numbers });
    }
    if (!oneBolt || count <= MOST_ON_BOLT || !isNew(`crowd ${deviceId}`)) continue;
    const amps = analysis.index.wires.reduce((sum, { id, from, to }) => {
      const lands = [from, to].some((end) => end.deviceId === deviceId && end.terminal === terminal);
      return lands ? sum + (analysis.wires.get(id)?.amps ?? 0) : sum;
    }, 0);
    const numbers = { count, most: MOST_ON_BOLT, amps };
    found.push({ rule: 'ground.crowded', severity: 'caution', subjects: [deviceId], circuitId: null, numbers });
  }
  return found;
}

/** A splice whose wires no one terminal holds. */
function spliceFindings({ index, wires }: Analysis): Finding[] {
  const meeting = new Map<string, Map<ConductorSize, string>>();
  for (const { id, from, to, conductor } of index.wires) {
    for (const { deviceId } of [from, to]) {
      if (index.devices.get(deviceId)?.kind !== 'splice') continue;
      const sizes = meeting.get(deviceId) ?? new Map<ConductorSize, string>();
      meeting.set(deviceId, sizes.set(conductor, id));
    }
  }
  const found: Finding[] = [];
  for (const [deviceId, sizes] of meeting) {
    const sorted = Array.from(sizes.keys()).sort((a, b) => areaMm2(a) - areaMm2(b));
    const [thin, thick] = [sorted[0]!, sorted.at(-1)!];
    if (terminalFor(thin) === terminalFor(thick)) continue;
    const circuitId = wires.get(sizes.get(thin)!)?.circuitId ?? null;
    const numbers = { conductor: thin, thick, thinTerminal: terminalFor(thin), thickTerminal: terminalFor(thick) };
    found.push({ rule: 'joint.twoSizes', severity: 'note', subjects: [deviceId], circuitId, numbers });
  }
  return found;
}

/** Joints by how and where they are made. */
function jointsWhereTheyAre({ index, wires }: Analysis): Finding[] {
  const joints = Array.from(index.devices.values()).filter((device) => device.kind === 'splice');
  if (joints.length === 0) return [];
  const zones = new Map(index.zones.map((zone) => [zone.id, zone]));
  const landing = new Map<string, Wire[]>(joints.map(({ id }) => [id, []]));
  for (const wire of index.wires) for (const { deviceId } of [wire.from, wire.to]) landing.get(deviceId)?.push(wire);
  const inLine = (id: string) => landing.get(id)?.length === 2;
  return joints.flatMap((joint): Finding[] => {
    const { id, made = 'crimp', placeId, zoneId } = joint;
    const lands = landing.get(id)!;
    const zone = zones.get(index.layout.places.get(placeId ?? '')?.zoneId ?? zoneId ?? '');
    const used = lands.map((wire) => wires.get(wire.id));
    const circuitId = used.find((wire) => wire?.circuitId)?.circuitId ?? null;
    const amps = Math.max(0, ...used.map((wire) => wire?.amps ?? 0));
    const unfit = unfitIn(made, zone, amps);
    // One that is in place is told of as work to come back to, unless it burns where it is.
    const isToldOf = unfit?.severity === 'caution' && jointForNow(joint) !== null;
    const isAhead = used.some((wire) => wire?.side === 'supply' && wire.sharedBy !== null);
    const beside = new Set(lands.map(({ from, to }) => (from.deviceId === id ? to : from).deviceId));
    const next = inLine(id) ? [...beside].filter(inLine) : [];
    return [
      ...(unfit && !isToldOf ? [finding('joint.unfit', unfit.severity, [id], { made, where: unfit.where, amps }, circuitId)] : []),
      ...(zone?.traits?.includes('moving') ? [finding('joint.flexing', 'caution', [id, zone.id], {}, circuitId)] : []),
      ...(isAhead ? [finding('joint.beforeFuse', 'caution', [id], {}, circuitId)] : []),
      // Each two of a row once.
      ...next.filter((other) => id < other).map((other) => finding('joint.row', 'note', [id, other], {}, circuitId)),
    ];
  });
}

/** Where a joint so made does not last. Common practice; ABYC E-11, from memory, that solder alone holds no joint. */
function unfitIn(made: JointWay, zone: Zone | undefined, amps: number): { where: JointSpot; severity: Severity } | null {
  const isDamp = zone?.traits?.some((trait) => trait === 'wet' || trait === 'splashed') ?? false;
  const isShaken = zone?.engineSpace === true || (zone?.traits?.some((trait) => trait === 'vibration' || trait === 'moving') ?? false);
  const where = isDamp && made !== 'solder' ? 'damp' : isShaken ? 'shaken' : 'anywhere';
  switch (made) {
    case 'crimp':
      return null;
    case 'twist':
      return { where, severity: where === 'anywhere' ? 'caution' : 'fault' };
    case 'lever':
    case 'solder':
      return where === 'anywhere' ? null : { where, severity: 'caution' };
    case 'tap':
      return where === 'damp' || amps > TAP_MOST_A ? { where: where === 'damp' ? where : 'anywhere', severity: 'caution' } : null;
  }
}
