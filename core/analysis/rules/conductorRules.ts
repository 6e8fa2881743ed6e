import type { FindingOf } from '../finding';
import type { Analysis } from '../types';
import { areaMm2 } from '../../catalog/conductorSizes';
import { mechanicalMinimumMm2 } from '../../sizing/conductorChoice';
import type { Wire } from '../../design/schema';
import { BARE_LEAD_MM } from './protectionRules';

/** Slack on comparisons of computed amperes, so that a value equal on paper is equal here. */
const HAIR = 1e-6;

type WireRule = 'wire.overloaded' | 'wire.tooSmallForStandard' | 'wire.belowMinimum' | 'fuse.aboveConductor' | 'return.thinnerThanFuse';
/** What is found of a wire and what it carries. */
type OfWire = { [R in WireRule | 'reach.fusesTogether' | 'return.sharedThin' | 'lead.belowFuses']: FindingOf<R> }[
  WireRule | 'reach.fusesTogether' | 'return.sharedThin' | 'lead.belowFuses'];

/** Every wire against what flows in it, what guards it, and the smallest size allowed. */
export function findConductors({ wires, circuits, index }: Analysis): OfWire[] {
  const found: OfWire[] = [];
  const { cableForm, conductorStandard } = index.settings;
  for (const { wire, side, circuitId, amps, ampacity, protectionId, protectionA, sharedBy, fedBy } of wires.values()) {
    const numbers = { amps, ampacityA: ampacity.amps, conductor: wire.conductor, ratingA: protectionA };
    const about = (rule: WireRule, ...others: string[]): OfWire => ({
      rule,
      severity: 'fault',
      subjects: [wire.id, ...others],
      circuitId,
      numbers,
    });
    if (ampacity.amps === 0) found.push(about('wire.tooSmallForStandard'));
    else {
      if (amps > ampacity.amps + HAIR) found.push(about('wire.overloaded'));
      if (protectionA !== null && protectionA > ampacity.amps + HAIR && fedBy && fedBy.length > 1) {
        const numbers = { ampacityA: ampacity.amps, conductor: wire.conductor, passesA: protectionA };
        found.push({ rule: 'reach.fusesTogether', severity: 'fault', subjects: [wire.id, ...fedBy.slice(0, 2)], circuitId: null, numbers });
      } else if (protectionA !== null && protectionA > ampacity.amps + HAIR && sharedBy) {
        const numbers = { ampacityA: ampacity.amps, conductor: wire.conductor, passesA: protectionA, loads: sharedBy.length };
        const limits = protectionId === null ? [] : [protectionId];
        const rule = side === 'supply' ? 'lead.belowFuses' : 'return.sharedThin';
        // On a ring one circuit’s own return is shared too.
        const [owner, another] = circuits.filter(({ returnWireIds }) => returnWireIds.includes(wire.id));
        const of = owner && !another ? owner.id : null;
        found.push({ rule, severity: 'fault', subjects: [wire.id, ...limits], circuitId: of, numbers });
      } else if (protectionA !== null && protectionA > ampacity.amps + HAIR && !isShortTap(wire, index)) {
        found.push(
          about(side === 'supply' ? 'fuse.aboveConductor' : 'return.thinnerThanFuse', ...(protectionId === null ? [] : [protectionId])),
        );
      }
    }
    if (areaMm2(wire.conductor) < mechanicalMinimumMm2(conductorStandard, cableForm))
      found.push({ ...about('wire.belowMinimum'), severity: 'caution' });
  }
  return withoutEchoes(mergePerCircuit(found));
}

/**
 * A short lead from a larger conductor to a protection of its own may be smaller than the fuse ahead guards. Sources: ABYC E-11 7 in, ISO
 * 10133 200 mm, from memory.
 */
function isShortTap({ from, to, lengthMm }: Wire, { devices, settings }: Analysis['index']): boolean {
  if (lengthMm > BARE_LEAD_MM[settings.conductorStandard]) return false;
  return [from, to].some(({ deviceId, terminal }) => devices.get(deviceId)?.kind === 'protection' && terminal === 'in');
}

/** One finding a circuit and rule, naming all the wires it is about: six thin wires in one circuit are one thing to mend. */
function mergePerCircuit(found: readonly OfWire[]): OfWire[] {
  const merged = new Map<string, OfWire>();
  for (const finding of found) {
    const key = finding.circuitId === null ? `${finding.rule}/${finding.subjects[0]}` : `${finding.rule}/${finding.circuitId}`;
    const known = merged.get(key);
    if (!known) merged.set(key, finding);
    else {
      known.subjects.push(...finding.subjects.filter((id) => !known.subjects.includes(id)));
      if (finding.numbers.ampacityA < known.numbers.ampacityA)
        merged.set(key, { ...finding, severity: known.severity, subjects: known.subjects });
    }
  }
  return Array.from(merged.values());
}

/** A return no thinner than its feed behind the same fuse is the feed's mistake again, not a second one. */
function withoutEchoes(found: readonly OfWire[]): OfWire[] {
  const feeds = new Map(found.filter(({ rule }) => rule === 'fuse.aboveConductor').map((finding) => [finding.circuitId, finding]));
  return found.filter((finding) => {
    const feed = finding.rule === 'return.thinnerThanFuse' ? feeds.get(finding.circuitId) : undefined;
    return !feed || finding.numbers.ampacityA < feed.numbers.ampacityA;
  });
}
