import { RATINGS_A } from '../catalog/fuses';
import type { ColourSchool } from '../catalog/vocabulary';
import { isLamp, loadDraw } from '../devices/load';
import { kindOf } from '../devices';
import type { Device, Lead } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';
import type { HarnessWire } from './harnessWire';
import type { Harness } from './schedule';
import { SCHOOLS } from './schools';

/** A lead of a device with what is known of it, and what of ours it meets. */
export interface LeadUse {
  lead: Lead;
  /** The terminal it is taken for: as proved, else as all say who say anything. Null: not used; undefined: not known. */
  terminal: string | null | undefined;
  standing: LeadStanding;
  /** Wires that land on that terminal. */
  meets: HarnessWire[];
  /** Whether its part has terminals that are live while it works. */
  hasPoles: boolean;
  /** What its own colour, or its sleeve, says against what it is. */
  misleads: 'live' | 'return' | null;
}

/** Whether a lead was metered, is only said to be something, or is said to be two things. */
export type LeadStanding = 'proved' | 'said' | 'disputed' | 'unknown';

/** All leads by device, in the order of the design. */
export function leadsOf(leads: readonly Lead[], { devices, settings }: DesignIndex, { wires }: Harness): Map<string, LeadUse[]> {
  const uses = new Map<string, LeadUse[]>();
  for (const lead of leads) {
    const device = devices.get(lead.deviceId);
    if (!device) continue;
    const { terminal, standing } = standingOf(lead);
    const meets = terminal
      ? wires.filter(({ from, to }) => [from, to].some((end) => end.deviceId === device.id && end.terminal === terminal))
      : [];
    const says = terminal ? leadMisleads(settings.colourSchool ?? 'pole', device, terminal, lead) : null;
    uses.set(device.id, [
      ...(uses.get(device.id) ?? []),
      { lead, terminal, standing, meets, hasPoles: HAS_POLES.has(device.kind), misleads: says },
    ]);
  }
  return uses;
}

/** What a lead is taken for. A meter counts before whatever anybody says. */
export function standingOf({ proved, says }: Lead): Pick<LeadUse, 'terminal' | 'standing'> {
  if (proved !== undefined) return { terminal: proved, standing: 'proved' };
  const said = new Set(says.map(({ terminal }) => terminal));
  if (said.size > 1) return { terminal: undefined, standing: 'disputed' };
  return said.size === 1 ? { terminal: [...said][0]!, standing: 'said' } : { terminal: undefined, standing: 'unknown' };
}

/** Terminals that come home, by their name: minus, and one side of a panel or pilot lamp. */
const isHome = (terminal: string) => /minus$/i.test(terminal);

/**
 * Whether what a lead is taken for is live while its part works, or comes home. Null where that is not known, or a matter of how it is
 * wired.
 */
export function poleOfLead({ terminal, hasPoles }: LeadUse): 'live' | 'home' | null {
  if (typeof terminal !== 'string') return null;
  return isHome(terminal) ? 'home' : hasPoles ? 'live' : null;
}

/** A lead in a colour that is the other pole by the school chosen; its sleeve counts before its own colour. */
function leadMisleads(school: ColourSchool, device: Device, terminal: string, { colour, sleeve }: Lead): 'live' | 'return' | null {
  if (!HAS_POLES.has(device.kind) && !isHome(terminal)) return null;
  const said = sleeve ?? colour;
  const { live, keyed, returns } = SCHOOLS[school];
  if (isHome(terminal)) return [...live, ...keyed].includes(said) ? 'live' : null;
  return returns.includes(said) ? 'return' : null;
}
/** Kinds whose other terminals are live while they work. */
const HAS_POLES: ReadonlySet<Device['kind']> = new Set(['load', 'dimmer', 'receiver', 'motionSwitch', 'ruleHub', 'dcDcCharger', 'charger', 'solarController']); // prettier-ignore

/**
 * How a meter or a fused lead proves what a lead is, as plain facts; `core/wording` says it. The leads are told by the terminals they are
 * thought to be.
 */
export type LeadProof =
  /** Resistance with nothing connected: between these two, so much; none of the others reads that. */
  | { how: 'ohms'; between: [string, string]; lowOhm: number; highOhm: number }
  /** Closed in this position of its lever and open in the others; null: whatever its lever does. */
  | { how: 'contact'; between: [string, string]; position: string | null }
  /** The meter's diode test: forward with red on the first, nothing the other way. */
  | { how: 'diode'; between: [string, string] }
  /** From a battery through a small fuse; what then happens shows it. */
  | { how: 'feed'; plus: string; minus: string; fuseA: number; shows: 'lights' | 'runs' | 'wakes' | 'volts'; at: string };

/** A coil is wound to a tenth of what is printed, and cold copper reads less. Common practice. */
const COIL_SPREAD = 0.2;
/** A cold filament reads about a tenth of its hot resistance. Common practice. */
const COLD_SHARE = 0.07;
/** A test fuse stays under what leads of parts are made for. Common practice: 1 A for electronics. */
const ELECTRONICS_FUSE_A = 1;

/** How to prove that a lead is this terminal of its device. Null where no meter tells. */
export function proofOf(device: Device, terminal: string): LeadProof | null {
  switch (device.kind) {
    case 'relay':
      if (terminal !== '85' && terminal !== '86') return { how: 'contact', between: ['30', terminal === '30' ? '87' : terminal], position: terminal === '87a' ? 'rest' : 'pulledIn' }; // prettier-ignore
      if (device.suppression === 'diode') return { how: 'diode', between: ['85', '86'] };
      return {
        how: 'ohms',
        between: ['85', '86'],
        lowOhm: device.coilOhm * (1 - COIL_SPREAD),
        highOhm: device.coilOhm * (1 + COIL_SPREAD),
      };
    case 'switch': {
      if (terminal.startsWith('lamp')) return { how: 'diode', between: ['lampPlus', 'lampMinus'] };
      const path = kindOf(device).paths(device).find(({ from, to }) => from === terminal || to === terminal); // prettier-ignore
      return path ? { how: 'contact', between: [path.from, path.to], position: positionOf(path.to) } : null;
    }
    case 'load': {
      const { watts, amps } = loadDraw(device);
      const { atV } = device.rated;
      if (device.behaviour === 'filament' && watts > 0) {
        const hotOhm = atV ** 2 / watts;
        return { how: 'ohms', between: ['plus', 'minus'], lowOhm: hotOhm * COLD_SHARE, highOhm: hotOhm };
      }
      if ((device.behaviour ?? 'resistive') === 'resistive' && device.rated.kind !== 'strip' && watts > 0) {
        const ohm = atV ** 2 / watts;
        return { how: 'ohms', between: ['plus', 'minus'], lowOhm: ohm * (1 - COIL_SPREAD), highOhm: ohm * (1 + COIL_SPREAD) };
      }
      return { how: 'feed', plus: 'plus', minus: 'minus', fuseA: testFuse(amps), shows: isLamp(device) ? 'lights' : 'runs', at: terminal };
    }
    case 'protection':
    case 'isolator':
    case 'shunt': {
      const [path] = kindOf(device).paths(device);
      return path ? { how: 'contact', between: [path.from, path.to], position: null } : null;
    }
    case 'diode': {
      const [path] = kindOf(device).paths(device);
      return path ? { how: 'diode', between: [path.from, path.to] } : null;
    }
    default: {
      const terminals = kindOf(device).terminals(device);
      const plus = terminals.find((one) => one === 'plus' || one === 'in');
      if (plus === undefined || !terminals.includes('minus')) return null;
      return {
        how: 'feed',
        plus,
        minus: 'minus',
        fuseA: ELECTRONICS_FUSE_A,
        shows: terminal === plus || terminal === 'minus' ? 'wakes' : 'volts',
        at: terminal,
      };
    }
  }
}

/** The lever's position in which a throw is made, as the switch has it. */
function positionOf(throwTerminal: string): string {
  const [, name = 'out'] = /^([a-z]+)\d*$/i.exec(throwTerminal) ?? [];
  return name === 'out' ? 'on' : name;
}

/** The least blade fuse that carries what is tried, a quarter over it. */
function testFuse(amps: number): number {
  return RATINGS_A.blade.find((ratingA) => ratingA >= amps * 1.25) ?? RATINGS_A.blade.at(-1)!;
}
