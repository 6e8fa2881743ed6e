import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { leastStud, terminalFor } from '../catalog/terminals';
import type { StudSize, WireEnd } from '../catalog/vocabulary';
import type { Device, TerminalRef, Wire } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';
import { kindOf } from '../devices';

/** What a wire's end gets. */
export interface Ending {
  kind: WireEnd;
  /** Whether somebody chose it. */
  isChosen: boolean;
  /** What of its size: an insulated terminal's colour, a lug, or nothing that fits. */
  fits: ReturnType<typeof terminalFor>;
  /** Of a ring: the stud it goes on, and whether the device says so. */
  stud: StudSize | null;
  isStudKnown: boolean;
  /** Of a receptacle or blade: its width, mm. */
  bladeMm: number | null;
}

/** Stud of a block's slots and other small screws. Common practice: M4. */
const SLOT_STUD: StudSize = 'M4';
/** From this size on a relay's or switch's main contact is 9.5 mm wide, mm². Source: IEC 61210 ranges, from memory. */
const WIDE_BLADE_MM2 = 6.1;

/** Ends made for something else than a blade, and for a fuse alone. */
const NEVER_ON_BLADES: ReadonlySet<WireEnd> = new Set(['blade', 'tap']);
/**
 * What is wrong with an end somebody chose where it lands: it is not held there, or strands are left bare, under a fuse’s leg perhaps.
 * Common practice.
 */
export function endFault(device: Device | undefined, { kind, isChosen }: Ending): 'misfit' | 'bareAtFuse' | 'bare' | null {
  if (!device || !isChosen) return null;
  const { holds } = kindOf(device);
  if (kind === 'bare') return holds === 'fuse' ? 'bareAtFuse' : 'bare';
  if (holds === 'studs') return kind === 'ring' ? null : 'misfit';
  return holds === 'blades' && NEVER_ON_BLADES.has(kind) ? 'misfit' : null;
}

/** What an end of a wire gets. */
export function endingOf({ devices }: DesignIndex, wire: Wire, side: 'from' | 'to'): Ending {
  const at = wire[side];
  const device = devices.get(at.deviceId);
  const chosen = side === 'from' ? wire.fromEnd : wire.toEnd;
  const kind = chosen ?? usualEnd(device, at);
  const stud = kind === 'ring' ? studOf(device) : null;
  return {
    ...{ kind, isChosen: chosen !== undefined, fits: terminalFor(wire.conductor) },
    ...{ stud: kind === 'ring' ? (stud ?? usualStud(device, wire.conductor)) : null, isStudKnown: stud !== null },
    bladeMm: kind === 'receptacle' || kind === 'blade' ? (areaMm2(wire.conductor) > WIDE_BLADE_MM2 ? 9.5 : 6.3) : null,
  };
}

/** What a terminal takes as a rule. */
export function usualEnd(device: Device | undefined, { terminal }: TerminalRef): WireEnd {
  if (!device) return 'bare';
  const { lands } = kindOf(device);
  return typeof lands === 'function' ? lands(device, terminal) : lands;
}

function studOf(device: Device | undefined): StudSize | null {
  return device && 'stud' in device && device.stud ? device.stud : null;
}

function usualStud(device: Device | undefined, conductor: ConductorSize): StudSize {
  return device?.kind === 'protection' && device.mount ? SLOT_STUD : leastStud(conductor);
}
