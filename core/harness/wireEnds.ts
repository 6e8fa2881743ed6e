import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { leastStud, terminalFor } from '../catalog/terminals';
import type { StudSize, WireEnd } from '../catalog/vocabulary';
import type { Device, TerminalRef, Wire } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';

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

/** What lands on a terminal, kind by kind. Common practice: rings on studs, receptacles on relays, switches and blocks' slots, sleeves under screws, butt joints on leads. */
const LANDS: Record<Device['kind'], WireEnd | ((device: Device, terminal: string) => WireEnd)> = {
  battery: 'ring',
  isolator: 'ring',
  busBar: 'ring',
  groundPoint: 'ring',
  shunt: 'ring',
  alternator: 'ring',
  splitRelay: 'ring',
  dcDcCharger: 'ring',
  protection: (device) => (device.kind === 'protection' ? fuseEnd(device) : 'ring'),
  fuseBlock: 'ring',
  relay: 'receptacle',
  switch: 'receptacle',
  microSwitch: 'receptacle',
  cutOut: 'receptacle',
  dimmer: 'ferrule',
  receiver: 'ferrule',
  ruleHub: 'ferrule',
  charger: 'ferrule',
  solarController: 'ferrule',
  motionSwitch: 'butt',
  doorSwitch: 'receptacle',
  diode: 'butt',
  load: 'butt',
  solarPanel: 'pin',
  plug: 'pin',
  splice: 'butt',
  signalSource: 'butt',
  vehicleFeed: (device, terminal) =>
    terminal === 'minus' ? 'ring' : device.kind === 'vehicleFeed' && device.from === 'slot' ? 'tap' : 'butt',
};

function fuseEnd({ mount, family }: Extract<Device, { kind: 'protection' }>): WireEnd {
  if (mount) return 'ring';
  return family === 'blade' || family === 'glass' ? 'butt' : 'ring';
}

/** Stud of a block's slots and other small screws. Common practice: M4. */
const SLOT_STUD: StudSize = 'M4';
/** From this size on a relay's or switch's main contact is 9.5 mm wide, mm². Source: IEC 61210 ranges, from memory. */
const WIDE_BLADE_MM2 = 6.1;

/** Kinds with studs or bolts: nothing but a ring is held there. */
const STUDS: ReadonlySet<Device['kind']> = new Set(['battery', 'isolator', 'busBar', 'groundPoint', 'shunt', 'alternator', 'splitRelay']);
/** Kinds with blades of their own: another blade does not mate. */
const BLADES: ReadonlySet<Device['kind']> = new Set(['relay', 'switch', 'microSwitch', 'cutOut', 'doorSwitch']);
/** Ends made for something else than a blade, and for a fuse alone. */
const NEVER_ON_BLADES: ReadonlySet<WireEnd> = new Set(['blade', 'tap']);
/** Where bare strands lie under a fuse's leg or in its holder. */
const FUSED: ReadonlySet<Device['kind']> = new Set(['protection', 'fuseBlock', 'vehicleFeed']);

/** What is wrong with an end somebody chose where it lands: it is not held there, or strands are left bare, under a fuse’s leg perhaps. Common practice. */
export function endFault(device: Device | undefined, { kind, isChosen }: Ending): 'misfit' | 'bareAtFuse' | 'bare' | null {
  if (!device || !isChosen) return null;
  if (kind === 'bare') return FUSED.has(device.kind) ? 'bareAtFuse' : 'bare';
  if (STUDS.has(device.kind)) return kind === 'ring' ? null : 'misfit';
  return BLADES.has(device.kind) && NEVER_ON_BLADES.has(kind) ? 'misfit' : null;
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
  const lands = LANDS[device.kind];
  return typeof lands === 'function' ? lands(device, terminal) : lands;
}

function studOf(device: Device | undefined): StudSize | null {
  return device && 'stud' in device && device.stud ? device.stud : null;
}

function usualStud(device: Device | undefined, conductor: ConductorSize): StudSize {
  return device?.kind === 'protection' && device.mount ? SLOT_STUD : leastStud(conductor);
}
