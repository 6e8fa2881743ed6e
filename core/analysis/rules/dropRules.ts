import { voltsLeft } from '../leastVolts';
import type { Finding } from '../finding';
import type { Analysis } from '../types';
import { IDLE_LEAST_V } from '../../energy/idle';
import { isLamp } from '../../devices/load';
import { dropTargetOf, feedShareOf } from '../../sizing/dropTargets';
import { isOver } from '../../units/compare';

/** Any joint or ground should lose less than this, volts. Common practice. */
const JOINT_DROP_V = 0.1;
/** Drop, percent, past which equipment is likely to fail rather than merely run poorly. ABYC E-11's general limit, from memory. */
export const SEVERE_PERCENT = 10;

/** Voltage drop against each circuit's target, the flattery of a formula, and chassis joints. */
export function findDrop(analysis: Analysis): Finding[] {
  const { circuits, index } = analysis;
  const lightsPercent = dropTargetOf(index.settings, 'critical');
  const untargeted = new Set(index.circuits.flatMap(({ id, targetPercent }) => (targetPercent === null ? [id] : [])));
  const found: Finding[] = [...findMainFeeds(analysis), ...findIdle(analysis), ...findStarved(analysis)];
  for (const circuit of circuits) {
    const { id: circuitId, dropV, dropPercent, targetPercent, worstLoadId, sharedDropV, cableDropV, formulaDropV } = circuit;
    if (worstLoadId === null) continue;
    const numbers = { dropV, dropPercent, targetPercent, sharedDropV };
    if (isOver(dropPercent, targetPercent, 1)) {
      const severity = dropPercent > Math.max(SEVERE_PERCENT, targetPercent) ? 'fault' : 'caution';
      found.push({ rule: 'drop.overTarget', severity, subjects: [circuitId, worstLoadId], circuitId, numbers });
    } else if (formulaDropV !== null && isOver((cableDropV / index.settings.nominalV) * 100, targetPercent, 1)) {
      const real = { targetPercent, cableDropV, formulaDropV, cablePercent: (cableDropV / index.settings.nominalV) * 100 };
      found.push({ rule: 'drop.realCable', severity: 'caution', subjects: [circuitId, worstLoadId], circuitId, numbers: real });
    }
    // One that somebody gave a target of its own is as it is meant.
    if (targetPercent > lightsPercent && untargeted.has(circuitId) && feedsLights(analysis, circuit)) {
      found.push({
        rule: 'drop.lightsLoose',
        severity: 'note',
        subjects: [circuitId],
        circuitId,
        numbers: { targetPercent, lightsPercent },
      });
    }
    const joint = circuit.returnRun.reduce((sum, step) => (step.kind === 'joint' && !step.shared ? sum + step.dropV : sum), 0);
    if (isOver(joint, JOINT_DROP_V, 2)) {
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

function feedsLights({ loads }: Analysis, { loadIds }: Analysis['circuits'][number]): boolean {
  return loadIds.some((loadId) => isLamp(loads.get(loadId)!.load));
}

/**
 * Loads that need more volts than they get once the battery is down to its usable depth, or at idle for those of the road, with everything
 * on their way running.
 */
function findStarved(analysis: Analysis): Finding[] {
  const left = voltsLeft(analysis);
  const found: Finding[] = [];
  if (!left) return found;
  for (const entry of analysis.loads.values()) {
    const { id, circuitId, dropV } = entry;
    if (circuitId === null || entry.load.cutOutV === undefined) continue;
    const { lowV, idleV, needsV, engineOnly, starved } = left(entry);
    if (!starved) continue;
    const volts = engineOnly ? idleV : lowV;
    const numbers = { leastV: needsV, volts, dropV, when: engineOnly ? 'idle' : 'low' } as const;
    found.push({ rule: 'drop.starved', severity: 'caution', subjects: [id], circuitId, numbers });
  }
  return found;
}

/** The main cables taking more of the volts than their share. */
function findMainFeeds({ index, mainFeeds }: Analysis): Finding[] {
  const sharePercent = feedShareOf(index.settings);
  return mainFeeds.flatMap(({ blockId, dropV, dropPercent }): Finding[] => {
    if (!isOver(dropPercent, sharePercent, 1)) return [];
    const numbers = { dropV, dropPercent, sharePercent };
    return [{ rule: 'drop.feedShare', severity: 'caution', subjects: [blockId], circuitId: null, numbers }];
  });
}

/** A house side the engine does not hold up at idle. */
function findIdle({ index, idle, totals }: Analysis): Finding[] {
  const leastV = IDLE_LEAST_V * (index.settings.nominalV / 12);
  if (!idle || idle.volts >= leastV) return [];
  const numbers = { ...idle, leastV, scenario: totals.worstScenario };
  return [{ rule: 'idle.notHeld', severity: 'note', subjects: [index.battery!.id], circuitId: null, numbers }];
}
