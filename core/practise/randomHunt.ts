import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import { partDeciding } from '../diagnosis/diagnose';
import { suspectsIn, type Flaw, type Suspect } from '../diagnosis/flaws';
import type { Moved, Seen } from '../diagnosis/foresee';
import { movesFor } from '../diagnosis/moves';
import { seeded } from '../energy/weather';
import { NetworkError } from '../network/networkError';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import type { Hunt } from './hunt';
import { HuntBench } from './huntBench';
import { blowsOf } from './shorts';

/** Faults drawn before a design is given up: most of one that is wired show in the load they are drawn for. */
const MOST_DRAWS = 60;
/** A joint is drawn so bad that its load dims or stops: its share of the voltage at the load's current. */
const JOINT_FROM = 0.3;
const JOINT_TO = 3;
const LEAST_A = 0.2;
const STORY = 'A copy of this design, with one thing wrong in it.';
/** How often a wire is drawn that is worn through. From memory of the trade. */
const SHORT_SHARE = 0.15;

/**
 * A fault drawn from a seed into a copy of any design, as often as each is found, with the complaint an owner would have.
 * @returns null where nothing of the design can be lit, or nothing drawn shows
 */
export function randomHunt(design: Design, seed: number): Hunt | null {
  const random = seeded(seed);
  const index = indexDesign(design);
  if (!index.battery) return null;
  const wiring = traceWiring(index);
  const loads = index.loads.filter(({ partOf }) => !partOf);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  for (let draw = 0; draw < MOST_DRAWS && loads.length > 0; draw++) {
    const load = pick(loads);
    const moved = movesFor(index, wiring, [load.id]);
    if (!moved) continue;
    const part = partDeciding(index, wiring, [load.id]);
    const wire = random() < SHORT_SHARE ? pick(part.wires) : null;
    const flaw: Flaw | null = wire
      ? { kind: 'chafed', wireId: wire.id, end: pick(['from', 'to'] as const) }
      : drawn(suspectsIn(part), random, index.settings.nominalV);
    const hunt = flaw && shown(design, flaw, moved, load.id);
    if (hunt) return { ...hunt, id: `seed-${seed}`, title: `${nameOf(design, 'settings')}: ${load.name}` };
  }
  return null;
}

/** One of what may be wrong, as often as it is found. */
function drawn(suspects: readonly Suspect[], random: () => number, nominalV: number): Flaw | null {
  let left = random() * suspects.reduce((sum, { prior }) => sum + prior, 0);
  const found = suspects.find(({ prior }) => (left -= prior) <= 0);
  if (!found || found.flaw.kind === 'none') return null;
  if (found.flaw.kind !== 'highJoint') return found.flaw;
  return { ...found.flaw, ohm: nominalV * (JOINT_FROM + (JOINT_TO - JOINT_FROM) * random()) };
}

/** The hunt of a fault that shows in a load; null where it does not. */
function shown(design: Design, flaw: Flaw, moved: readonly Moved[], loadId: string): Omit<Hunt, 'id' | 'title'> | null {
  const complaint = { says: '', flaw, moved, loadIds: [loadId] };
  const frame = { id: '', title: '', level: 3 as const, story: '', design };
  try {
    const good = new HuntBench({ ...frame, complaints: [{ ...complaint, flaw: { kind: 'none' } }] });
    const sound = good.does(loadId);
    // A joint is as bad as its load's current makes it.
    const scaled: Flaw =
      flaw.kind === 'highJoint'
        ? { ...flaw, ohm: flaw.ohm / Math.max(LEAST_A, good.state.loads.find(({ id }) => id === loadId)?.amps ?? 0) }
        : flaw;
    const does = new HuntBench({ ...frame, complaints: [{ ...complaint, flaw: scaled }] }).does(loadId);
    if (does === sound) return null;
    if (flaw.kind === 'chafed') return shorted({ ...frame, complaints: [complaint] }, loadId);
    const says = complaintOf(nameOf(design, loadId), does, sound);
    return { ...frame, story: STORY, complaints: [{ ...complaint, flaw: scaled, says }] };
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}

/** The hunt of a short, if one fuse goes by it. */
function shorted(hunt: Hunt, loadId: string): ReturnType<typeof shown> {
  const blows = blowsOf(hunt);
  if (!blows) return null;
  const { design, complaints } = hunt;
  const fuse = nameOf(design, blows.fuseId);
  const goes = blows.when === 'atOnce' ? 'A new one goes the moment it is put in.' : 'A new one goes as soon as it is switched on.';
  const says = `${nameOf(design, loadId)} does nothing: ${fuse} has gone. ${goes}`;
  return { ...hunt, story: STORY, complaints: [{ ...complaints[0]!, says, blows }] };
}

/** As an owner would say it. */
function complaintOf(name: string, does: Seen['does'], sound: Seen['does']): string {
  if (does === 'off') return `${name} does nothing.`;
  if (does === 'dim') return sound === 'off' ? `${name} glows though it is off.` : `${name} is weak.`;
  return sound === 'off' ? `${name} does not go off.` : `${name} is stronger than it should be.`;
}
