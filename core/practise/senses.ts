import type { Bench } from '../bench/bench';
import type { Device, Wire } from '../design/schema';
import { landsOn } from '../design/terminals';
import { kindOf } from '../devices';
import { chafeId, type Flaw } from '../diagnosis/flaws';
import type { DesignIndex } from '../rig/designIndex';
import type { Smell, Told, Warmth } from './told';

/** Watts in a joint or part from which a hand tells. From memory of the trade: a loose blade hot to the touch wastes a few watts. */
const WARM_W = 0.3;
const HOT_W = 2;

/** What hand and nose tell of a board as it stands. */
export interface Felt {
  plan: DesignIndex;
  bench: Bench;
  flaws: readonly Flaw[];
}

/** Which wires an eye finds on each terminal of a part. Where a wire is worn is found by following it, not at its terminals. */
export function landedAt(flaws: readonly Flaw[], wires: readonly Wire[], device: Device): Told[] {
  const worn = new Set(flaws.map((flaw) => (flaw.kind === 'chafed' ? chafeId(flaw.wireId) : null)));
  return kindOf(device)
    .terminals(device)
    .map((terminal) => {
      const landed = wires.filter((wire) => landsOn(wire, { deviceId: device.id, terminal }) && !worn.has(wire.id));
      return { kind: 'lands', terminal, wireIds: landed.map(({ id }) => id) };
    });
}

/** How warm a part or a wire's ends are. */
export function warmthAt(felt: Felt, subjectId: string): Warmth {
  const device = felt.plan.devices.get(subjectId);
  const watts = device ? wastedIn(felt, device) : wastedInJoint(felt, subjectId);
  return watts >= HOT_W ? 'hot' : watts >= WARM_W ? 'warm' : 'cold';
}

/** What a nose finds at a part or wire and at all that is joined to it: it tells the place, not which of them. */
export function smellAt(felt: Felt, subjectId: string): Smell {
  const { wires } = felt.plan;
  const near = wires.flatMap(({ id, from, to }) => {
    const three = [id, from.deviceId, to.deviceId];
    return three.includes(subjectId) ? three : [];
  });
  const around = new Set([subjectId, ...near]);
  if (felt.flaws.some((flaw) => isScorched(flaw, around))) return 'burnt';
  return wires.some(({ id }) => around.has(id) && wastedInJoint(felt, id) >= HOT_W) ? 'hot' : 'nothing';
}

/** A coil that burnt through and a wire that shorted smell for days; a joint that is merely bad only while it is hot. Common practice. */
function isScorched(flaw: Flaw, around: ReadonlySet<string>): boolean {
  return (flaw.kind === 'openCoil' && around.has(flaw.deviceId)) || (flaw.kind === 'chafed' && around.has(flaw.wireId));
}

/** Watts in a bad joint of a wire. */
function wastedInJoint({ bench, flaws }: Felt, wireId: string): number {
  return flaws.reduce((sum, flaw) => {
    if (flaw.kind !== 'highJoint' || flaw.wireId !== wireId) return sum;
    const amps = bench.clamp(wireId) ?? 0;
    return sum + amps * amps * flaw.ohm;
  }, 0);
}

/** Watts that a part turns into heat: a coil's, a load's. */
function wastedIn({ bench }: Felt, device: Device): number {
  if (device.kind === 'load') {
    const { volts = 0, amps = 0 } = bench.answer.loads.find(({ id }) => id === device.id) ?? {};
    return volts * amps;
  }
  if (device.kind !== 'relay') return 0;
  const coil = bench.volts({ deviceId: device.id, terminal: '86' }, { deviceId: device.id, terminal: '85' }) ?? 0;
  return (coil * coil) / device.coilOhm;
}
