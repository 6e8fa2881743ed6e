import type { CircuitAnalysis, Analysis } from '../analysis/types';
import { NO_CHANGE, type Change } from '../design/change';
import { deviceOf, recordOf } from '../design/design';
import { Edit } from '../design/edit';
import { newId } from '../design/ids';
import type { Protection, Wire } from '../design/schema';
import { addWire } from '../switching/schemes';

/** How far before the load a kit's own fuse holder usually sits, mm. Common practice. */
const BEFORE_LOAD_MM = 300;

/** The fuse a kit's harness brings along: one within a circuit beside the circuit's own; null without one. */
export function kitFuseOf(
  { protections }: Pick<Analysis, 'protections'>,
  circuit: Pick<CircuitAnalysis, 'id' | 'protectionId'>,
): Protection | null {
  for (const { id, withinId, fuse } of protections.values()) if (withinId === circuit.id && id !== circuit.protectionId) return fuse;
  return null;
}

/** Puts a kit's own inline fuse into the wire that reaches a circuit's first load; with one there already it is given the rating. */
export function fitKitFuse(analysis: Analysis, circuit: CircuitAnalysis, ratingA: number): Change {
  const { design, wiring } = analysis;
  const edit = new Edit(design);
  const known = kitFuseOf(analysis, circuit);
  if (known) {
    edit.set(known.id, { ratingA });
    return edit.change;
  }
  const node = wiring.supply.nodes.find(
    ({ circuitId, terminal, wire }) => circuitId === circuit.id && terminal === 'plus' && wire !== null,
  );
  const wire = recordOf(design, node?.wire?.id ?? null, 'wire');
  const load = node && deviceOf(design, node.deviceId, 'load');
  if (!wire || !load) return NO_CHANGE;
  const fuse = edit.add<Protection>({
    ...{ id: newId('fuse'), type: 'device', kind: 'protection', name: `${load.name} kit fuse`, zoneId: load.zoneId },
    ...(load.placeId ? { placeId: load.placeId } : {}),
    ...{ family: 'blade', ratingA, mount: null },
  });
  const atLoad = wire.from.deviceId === load.id ? 'from' : 'to';
  const lastMm = Math.min(BEFORE_LOAD_MM, wire.lengthMm / 2);
  addWire(edit, 'supply', { deviceId: fuse.id, terminal: 'out' }, wire[atLoad], lastMm, wire.conductor);
  edit.set(wire.id, { [atLoad]: { deviceId: fuse.id, terminal: 'in' }, lengthMm: wire.lengthMm - lastMm });
  return edit.change;
}

/** Takes a circuit's kit fuse out and joins its two wires into the first of them again. */
export function removeKitFuse(analysis: Analysis, circuit: CircuitAnalysis): Change {
  const { design } = analysis;
  const fuse = kitFuseOf(analysis, circuit);
  if (!fuse) return NO_CHANGE;
  const edit = new Edit(design);
  const at = (terminal: string) => {
    const wires = Array.from(design.records.values()).filter((record): record is Wire => record.type === 'wire');
    return wires.filter(({ from, to }) => [from, to].some((end) => end.deviceId === fuse.id && end.terminal === terminal));
  };
  const [before] = at('in');
  const [first, ...others] = at('out');
  if (before && first) {
    const near = before.from.deviceId === fuse.id ? 'from' : 'to';
    const far = first.from.deviceId === fuse.id ? first.to : first.from;
    edit.set(before.id, { [near]: far, lengthMm: before.lengthMm + first.lengthMm });
    edit.remove(first.id);
    for (const wire of others) edit.set(wire.id, { [wire.from.deviceId === fuse.id ? 'from' : 'to']: far });
  }
  edit.remove(fuse.id);
  return edit.change;
}
