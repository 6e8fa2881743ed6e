import { fieldsOfKind, kindsNamed, type LoadKind } from '../devices/loadKinds';
import { newId } from '../design/ids';
import type { Load } from '../design/schema';
import type { DropClass } from '../catalog/vocabulary';
import { isLamp } from '../devices/load';

/** A load with nothing said about it yet but its name: no draw known, which its finding asks for; one of it, running for hours. */
export function newLoad(name: string, zoneId: string | null): Load {
  return {
    ...{ id: newId('load'), type: 'device', kind: 'load', name, zoneId, quantity: 1, spacingMm: 500 },
    ...{ rated: { kind: 'watts', watts: 0, atV: 12 }, measured: null, continuous: true, exclusiveGroup: null },
  };
}

/** A load of a kind, or of the first its name may mean: how it behaves, starts and runs, and its usual draw where there is one. */
export function namedLoad(name: string, zoneId: string | null, kind: LoadKind | null = kindsNamed(name)[0] ?? null): Load {
  const plain = newLoad(name, zoneId);
  return kind ? { ...plain, ...fieldsOfKind(kind), rated: kind.usual ?? plain.rated } : plain;
}

/** How a load's circuit is judged for drop: lights, and what its name says must not fail, closely. */
export function dropClassOf(load: Load): DropClass {
  return isLamp(load) ? 'critical' : (kindsNamed(load.name)[0]?.dropClass ?? 'general');
}
