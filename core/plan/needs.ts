import { CUT_OUTS, type CutOut } from '../catalog/cutOuts';
import type { StudSize } from '../catalog/vocabulary';
import { recordOf, recordsOf, type Design } from '../design/design';
import type { Device, Load } from '../design/schema';
import { isLamp } from '../devices/load';
import type { HarnessWire } from '../harness/harnessWire';
import { cutPanel } from '../harness/panelFace';
import { partKey } from '../harness/partsList';
import type { Harness } from '../harness/schedule';
import type { Ending } from '../harness/wireEnds';
import type { DesignIndex } from '../rig/designIndex';
import type { Task } from './task';

/** What has to be at hand, or to be so, before a task is begun; `core/wording` says it. */
export type Need =
  | { kind: 'hole'; diameterMm: number }
  | { kind: 'saw'; holes: readonly CutOut['hole'][] }
  | { kind: 'die'; dies: readonly Exclude<Ending['fits'], 'none'>[] }
  | { kind: 'wrench'; studs: readonly StudSize[] }
  | { kind: 'drawWire' }
  /** A second pair of hands: a cable fed from the other side, or something heavy held. */
  | { kind: 'helper'; why: 'feeds' | 'heavy' }
  | { kind: 'meter' }
  /** Its part, of which it is known that it is not at hand. */
  | { kind: 'part'; isOrdered: boolean }
  /** Held up and lit in the dark before anything is drilled for it. */
  | { kind: 'mockUp' }
  /** A wire of the vehicle’s own, proved in every state before it is tapped. */
  | { kind: 'proved' }
  | { kind: 'testFuse'; ratingA: number }
  | { kind: 'dry' }
  | { kind: 'dark' }
  | { kind: 'heat' }
  | { kind: 'extinguisher' };

/** From here two people lift it, kg. Common practice. */
const HEAVY_KG = 20;
/** A battery of so much is as heavy, Ah of lead-acid. Common practice: some 3.3 Ah to the kilogram. */
const HEAVY_AH = 66;

/** What a task needs. Common practice. */
export function needsOf(design: Design, index: DesignIndex, { wires }: Harness, task: Task): Need[] {
  const { kind, subjectId, id, testFuseA } = task;
  const lines = wires.filter(({ role }) => role.circuitId === subjectId);
  const passage = index.routes.find((route) => route.id === subjectId)?.passes[Number(id.split(' ')[2])];
  switch (kind) {
    case 'drill':
      return passage?.holeMm ? [{ kind: 'hole', diameterMm: passage.holeMm }] : [];
    case 'prime':
    case 'seal':
      return [{ kind: 'dry' }];
    case 'cutPanel': {
      const panel = recordOf(design, subjectId, 'panel');
      const ids = panel ? new Set(cutPanel(design, panel).holes.map(({ cutOutId }) => cutOutId)) : [];
      return [{ kind: 'saw', holes: Array.from(ids, (cutOutId) => CUT_OUTS[cutOutId].hole) }];
    }
    case 'fit': {
      const device = index.devices.get(subjectId!);
      const isHeavy = (device?.weightKg ?? 0) >= HEAVY_KG || (device?.kind === 'battery' && device.weightKg === undefined && device.chemistry !== 'lithium' && device.capacityAh >= HEAVY_AH); // prettier-ignore
      const isStuck = device?.kind === 'load' && device.rated.kind === 'strip';
      return [
        ...(device ? awaited(design, device) : []),
        ...(isHeavy ? [{ kind: 'helper' as const, why: 'heavy' as const }] : []),
        ...(isStuck ? [{ kind: 'dry' as const }] : []),
        ...(device?.kind === 'load' && isAimed(index, device) ? [{ kind: 'mockUp' as const }] : []),
      ];
    }
    case 'make':
    case 'crimpInside':
      return [...dies(lines.filter(({ wire }) => !wire.kitId)), { kind: 'heat' }];
    case 'pull': {
      const feeds = new Set(lines.flatMap(({ routeIds }) => routeIds.map((one) => index.layout.routes.get(one)?.route.feed)));
      return [...(feeds.has('drawWire') ? [{ kind: 'drawWire' as const }] : []), ...(feeds.has('helper') ? [{ kind: 'helper' as const, why: 'feeds' as const }] : [])]; // prettier-ignore
    }
    case 'land': {
      const studs = lines.flatMap(({ from, to }) => [from, to].flatMap(({ ending }) => (ending.kind === 'ring' && ending.stud ? [ending.stud] : []))); // prettier-ignore
      const isTapped = lines.some(({ from, to }) => [from, to].some(({ deviceId }) => VEHICLE.has(index.devices.get(deviceId)?.kind)));
      const inOrder = [...new Set(studs)].sort((a, b) => Number(a.slice(1)) - Number(b.slice(1)));
      return [...(inOrder.length > 0 ? [{ kind: 'wrench' as const, studs: inOrder }] : []), ...(isTapped ? [{ kind: 'proved' as const }] : [])]; // prettier-ignore
    }
    case 'ohms':
    case 'test':
      return [{ kind: 'meter' }];
    case 'connect':
      return [{ kind: 'extinguisher' }];
    case 'power':
      return [{ kind: 'meter' }, ...(testFuseA === undefined ? [] : [{ kind: 'testFuse' as const, ratingA: testFuseA }]), { kind: 'extinguisher' }]; // prettier-ignore
    case 'aim':
      return [{ kind: 'dark' }];
    case 'isolate':
    case 'grommet':
    case 'refit':
    case 'own':
      return [];
  }
}

/** Where wires of the vehicle’s own begin. */
const VEHICLE: ReadonlySet<Device['kind'] | undefined> = new Set(['vehicleFeed', 'signalSource']);

/** That a part is not at hand, where somebody said how many are. */
function awaited(design: Design, device: Device): Need[] {
  const key = partKey({ group: 'parts', like: device, count: 1, names: [] });
  const known = recordsOf(design, 'stock').find(({ part }) => part === key);
  const isOrdered = (known?.ordered ?? 0) > 0;
  return known && (known.have ?? 0) < 1 && (known.have === 0 || isOrdered) ? [{ kind: 'part', isOrdered }] : [];
}

/** Whether a lamp lights what is outside: it is held up in the dark before it is drilled for, aimed, and looked at in the dark. */
export function isAimed({ zones }: DesignIndex, load: Load): boolean {
  const traits = zones.find(({ id }) => id === load.zoneId)?.traits ?? [];
  return isLamp(load) && load.rated.kind !== 'strip' && (traits.includes('splashed') || traits.includes('wet') || traits.includes('sun'));
}

/** The dies that some wires' ends are pressed with, the smallest first. */
function dies(lines: readonly HarnessWire[]): Need[] {
  const used = new Set(lines.flatMap(({ from, to }) => [from, to].flatMap(({ ending }) => (ending.kind === 'ferrule' || ending.kind === 'bare' || ending.fits === 'none' ? [] : [ending.fits])))); // prettier-ignore
  const inOrder = (['red', 'blue', 'yellow', 'lug'] as const).filter((die) => used.has(die));
  return inOrder.length > 0 ? [{ kind: 'die', dies: inOrder }] : [];
}
