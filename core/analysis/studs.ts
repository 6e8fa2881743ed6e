import type { ConductorSize } from '../catalog/conductorSizes';
import { leastStud } from '../catalog/terminals';
import type { Device } from '../design/schema';
import { kindOf } from '../devices';
import { STUD_SIZES, type StudSize } from '../catalog/vocabulary';
import type { Analysis } from './types';

/** A stud with the rings that land on it. */
export interface StudLanding {
  deviceId: string;
  terminal: string;
  /** Its size, where it is known. */
  stud: StudSize | null;
  /** Rings by conductor. */
  rings: { conductor: ConductorSize; count: number; least: StudSize; fits: boolean }[];
  count: number;
  /** The smallest stud that rings of its thickest cable come for. */
  least: StudSize;
  /** All its rings share one bolt, as on a battery's post; a bar has a screw for each. */
  oneBolt: boolean;
}

const TERMINAL_WORDS: Record<string, string> = { bar: '', stud: '', in: ' inlet', out: ' outlet', return: ' return bar' };

/** A stud by its device's name. */
export function studName(deviceName: string, terminal: string): string {
  return `${deviceName}${TERMINAL_WORDS[terminal] ?? ` ${terminal}`}`;
}

type Bolted = Extract<Device, { kind: 'battery' | 'busBar' | 'groundPoint' | 'fuseBlock' | 'protection' }>;

/** Studs that cables are bolted to, with what lands on each. Fuses in slots and circuits' own blade holders have none. */
export function studsOf({ index }: Pick<Analysis, 'index'>): StudLanding[] {
  const landings = new Map<string, { device: Bolted; terminal: string; rings: Map<ConductorSize, number> }>();
  for (const { from, to, conductor } of index.wires) {
    for (const { deviceId, terminal } of [from, to]) {
      const device = index.devices.get(deviceId);
      if (!device || !isBolted(device)) continue;
      const key = `${deviceId}/${terminal}`;
      const landing = landings.get(key) ?? { device, terminal, rings: new Map<ConductorSize, number>() };
      landing.rings.set(conductor, (landing.rings.get(conductor) ?? 0) + 1);
      landings.set(key, landing);
    }
  }
  return Array.from(landings.values(), ({ device, terminal, rings }) => {
    const isBar = device.kind === 'busBar' || terminal === 'return';
    // A block's stud is its inlet's; its return bar has screws.
    const stud = terminal === 'return' ? null : (device.stud ?? null);
    const list = Array.from(rings, ([conductor, count]) => {
      const least = leastStud(conductor);
      return { conductor, count, least, fits: stud === null || STUD_SIZES.indexOf(stud) >= STUD_SIZES.indexOf(least) };
    });
    const count = list.reduce((sum, ring) => sum + ring.count, 0);
    const least = list
      .map((ring) => ring.least)
      .reduce((most, next) => (STUD_SIZES.indexOf(next) > STUD_SIZES.indexOf(most) ? next : most));
    return { deviceId: device.id, terminal, stud, rings: list, count, least, oneBolt: !isBar };
  });
}

function isBolted(device: Device): device is Bolted {
  return kindOf(device).isBolted?.(device) ?? false;
}
