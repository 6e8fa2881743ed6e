import { analyse } from '../analysis/analyse';
import { circuitSaid } from '../analysis/circuitSaid';
import type { Protection } from '../design/schema';
import { BlownCircuit, partedAt, type BlowCause, type LampTest, type Parting, type Shine } from '../diagnosis/blows';
import { isSameTerminal } from '../design/terminals';
import { traceWiring } from '../network/traceWiring';
import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import type { Complaint, Hunt, HuntAct, Named, WireEnd } from './hunt';

/** How sure one has to be before something is taken apart. */
export const SURE = 0.9;
const MOST_LOOKS = 16;

/**
 * Goes the finder's way to what blows a fuse: a lamp in its place, and one wire after another lifted where it tells most.
 * @param take does an act and says what the lamp does then
 */
export function followedByLamp(
  { design }: Hunt,
  index: DesignIndex,
  { moved, blows }: Complaint,
  take: (act: HuntAct) => Shine | null,
): Named | undefined {
  const fuse = blows && (index.devices.get(blows.fuseId) as Protection);
  if (!fuse) return undefined;
  const wiring = traceWiring(index);
  const circuit = new BlownCircuit(index, wiring, fuse, moved, circuitSaid(analyse(design), fuse));
  const tests: LampTest[] = [];
  // The lamp comes out before a wire is lifted or landed: behind it what is loose is live.
  for (let lifted: WireEnd | null = null, parting: Parting | null = null; ;) {
    tests.push({ parting, bright: take({ kind: 'lamp', fuseId: fuse.id }) === 'bright' });
    take({ kind: 'lamp', fuseId: null });
    if (lifted) take({ kind: 'land', ...lifted });
    const { ranked, next } = circuit.diagnose({ when: blows.when, tests });
    const [first] = ranked;
    parting = next.find((one) => one.parting)?.parting ?? null;
    if (!first || first.probability > SURE || !parting || tests.length > MOST_LOOKS) return first && nameFor(first.cause);
    lifted = endOf(index, wiring, parting);
    take({ kind: 'lift', ...lifted });
  }
}

/** Where a wire is lifted, as one of its ends. */
function endOf({ wires }: DesignIndex, wiring: Wiring, { wireId, end }: Parting): WireEnd {
  const wire = wires.find(({ id }) => id === wireId)!;
  return { wireId, end: isSameTerminal(partedAt(wiring, wire, end), wire.from) ? 'from' : 'to' };
}

/** What a cause is called; of too much drawn there is nothing to mend. */
function nameFor(cause: BlowCause): Named | undefined {
  if (cause.kind === 'wire') return { kind: 'chafed', subjectId: cause.wireId };
  return cause.kind === 'part' ? { kind: 'bridged', subjectId: cause.deviceId } : undefined;
}
