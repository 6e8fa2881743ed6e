import type { Analysis } from '../analysis/types';
import { restV } from '../catalog/chemistries';
import type { Finding } from './types';

const HAIR = 1e-6;
/** Any joint or ground should lose less than this, volts. Common practice. */
const JOINT_DROP_V = 0.1;
/** Drop, percent, past which equipment is likely to fail rather than merely run poorly. ABYC E-11's general limit, from memory. */
const SEVERE_PERCENT = 10;

/** Voltage drop against each circuit's target, the flattery of a formula, and chassis joints. */
export function findDrop(analysis: Analysis): Finding[] {
  const { circuits, index } = analysis;
  const found: Finding[] = findStarved(analysis);
  for (const circuit of circuits) {
    const { id: circuitId, dropV, dropPercent, targetPercent, worstLoadId, sharedDropV, cableDropV, formulaDropV } = circuit;
    if (worstLoadId === null) continue;
    const numbers = { dropV, dropPercent, targetPercent, sharedDropV, loopMm: circuit.loopMm, conductor: circuit.conductor };
    if (dropPercent > targetPercent + HAIR) {
      const severity = dropPercent > Math.max(SEVERE_PERCENT, targetPercent) + HAIR ? 'fault' : 'caution';
      found.push({ rule: 'drop.overTarget', severity, subjects: [circuitId, worstLoadId], circuitId, numbers });
    } else if (formulaDropV !== null && (cableDropV / index.settings.nominalV) * 100 > targetPercent + HAIR) {
      const real = { ...numbers, cableDropV, formulaDropV, cablePercent: (cableDropV / index.settings.nominalV) * 100 };
      found.push({ rule: 'drop.realCable', severity: 'caution', subjects: [circuitId, worstLoadId], circuitId, numbers: real });
    }
    const joint = circuit.returnRun.reduce((sum, step) => (step.kind === 'joint' && !step.shared ? sum + step.dropV : sum), 0);
    if (joint > JOINT_DROP_V) {
      found.push({
        rule: 'ground.jointDrop',
        severity: 'caution',
        subjects: [worstLoadId],
        circuitId,
        numbers: { jointV: joint, mostV: JOINT_DROP_V },
      });
    }
  }
  return found;
}

/** Loads that need more volts than they get once the battery is down to its usable depth, with everything on their way running. */
function findStarved({ loads, index, bank }: Analysis): Finding[] {
  const { battery, settings } = index;
  if (!battery || !bank) return [];
  const lowV = restV(battery.chemistry, 100 * (1 - bank.usableDepth)) * (settings.nominalV / 12);
  const found: Finding[] = [];
  for (const { id, load, circuitId, dropV } of loads.values()) {
    if (load.cutOutV === undefined || circuitId === null || lowV - dropV >= load.cutOutV) continue;
    const numbers = { leastV: load.cutOutV, volts: lowV - dropV, dropV };
    found.push({ rule: 'drop.starved', severity: 'caution', subjects: [id], circuitId, numbers });
  }
  return found;
}
