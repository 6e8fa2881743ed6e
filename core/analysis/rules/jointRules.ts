import { studsOf } from '../studs';
import type { Finding } from '../finding';
import type { Analysis } from '../types';
import { areaMm2, type ConductorSize } from '../../catalog/conductorSizes';
import { terminalFor } from '../../catalog/terminals';

/** Rings on one bolt. Source: ABYC E-11, from memory: no more than four conductors on a stud. */
const MOST_ON_BOLT = 4;

/** Ends and joints: rings against their studs, bolts that hold too many, and splices where two sizes meet. */
export function findJoints(analysis: Analysis): Finding[] {
  return [...studFindings(analysis), ...spliceFindings(analysis)];
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
