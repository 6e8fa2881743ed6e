import { CUT_OUTS, type CutOut } from '../catalog/cutOuts';
import type { StudSize } from '../catalog/vocabulary';
import { recordOf, type Design } from '../design/design';
import type { HarnessWire } from '../harness/harnessWire';
import { cutPanel } from '../harness/panelFace';
import type { Harness } from '../harness/schedule';
import type { Ending } from '../harness/wireEnds';
import type { DesignIndex } from '../rig/designIndex';
import type { Task } from './tasks';

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
      return [...(isHeavy ? [{ kind: 'helper' as const, why: 'heavy' as const }] : []), ...(isStuck ? [{ kind: 'dry' as const }] : [])];
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
      return studs.length > 0
        ? [{ kind: 'wrench', studs: [...new Set(studs)].sort((a, b) => Number(a.slice(1)) - Number(b.slice(1))) }]
        : [];
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

/** The dies that some wires' ends are pressed with, the smallest first. */
function dies(lines: readonly HarnessWire[]): Need[] {
  const used = new Set(lines.flatMap(({ from, to }) => [from, to].flatMap(({ ending }) => (ending.kind === 'ferrule' || ending.kind === 'bare' || ending.fits === 'none' ? [] : [ending.fits])))); // prettier-ignore
  const inOrder = (['red', 'blue', 'yellow', 'lug'] as const).filter((die) => used.has(die));
  return inOrder.length > 0 ? [{ kind: 'die', dies: inOrder }] : [];
}
