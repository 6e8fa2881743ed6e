import { areaMm2 } from '../catalog/conductorSizes';
import type { WireLook } from '../catalog/wireColours';
import type { Cable, CableCore, Wire } from '../design/schema';
import type { DesignIndex } from '../rig/designIndex';
import type { ColourSchool } from '../catalog/vocabulary';
import { poleOf } from './schools';
import type { RowLink } from './rowLinks';
import type { HarnessWire } from './harnessWire';

/** A cable with what its cores are. */
export interface CableRun {
  cable: Cable;
  cores: CoreUse[];
  /** Length it is cut to, that of its longest core, mm; nought while no wire is laid in it. */
  lengthMm: number;
  /** What of it goes on from piece to piece of a row, mm. */
  linkMm: number;
  /** What tells this cable from others in a shop. */
  make: string;
}

/** One core: the wire it is, none while it is free. */
export interface CoreUse {
  at: number;
  core: CableCore;
  line: HarnessWire | null;
  /** Why both its ends need a sleeve of another colour: its own says the other pole. Null where it does not, or has one. */
  misleads: 'live' | 'return' | null;
}

/** Every cable with its cores. */
export function cableRuns({ cables, settings }: DesignIndex, wires: readonly HarnessWire[], links: readonly RowLink[]): CableRun[] {
  const byCore = new Map(wires.flatMap((line) => (line.wire.core ? [[coreKey(line.wire.core), line] as const] : [])));
  return Array.from(cables.values(), (cable): CableRun => {
    const cores = cable.cores.map((core, position): CoreUse => {
      const at = position + 1;
      const line = byCore.get(coreKey({ cableId: cable.id, at })) ?? null;
      return { at, core, line, misleads: line && misleads(settings.colourSchool ?? 'pole', line) };
    });
    const lengthMm = Math.max(0, ...cores.map(({ line }) => line?.lengthMm ?? 0));
    // Out and home lie in the same piece of it.
    const rows = links.filter(({ cableId }) => cableId === cable.id).map((link) => [link.load.id, link.lengthMm * link.count] as const); // prettier-ignore
    const linkMm = Array.from(new Map(rows).values()).reduce((sum, mm) => sum + mm, 0);
    return { cable, cores, lengthMm, linkMm, make: makeKey(cable) };
  });
}

const coreKey = ({ cableId, at }: NonNullable<Wire['core']>) => `${cableId}/${at}`;

const makeKey = ({ cores }: Cable) => cores.map(({ conductor, colour, stripe = '' }) => `${conductor} ${colour}${stripe}`).join(', ');

/** What a wire's colour says against what it does, its sleeve counting before its insulation. Null where they agree or it has none. */
export function misleads(
  school: ColourSchool,
  { look, role, wire }: Pick<HarnessWire, 'look' | 'role' | 'wire'>,
): 'live' | 'return' | null {
  const said = wire.sleeve ?? look?.colour;
  return said === undefined ? null : poleOf(school, said, role);
}

/** The colour a wire has: that of its core, or its own. Null while it has none. */
export function lookOf({ core, colour, stripe }: Wire, cables: DesignIndex['cables']): WireLook | null {
  const inside = core && cables.get(core.cableId)?.cores[core.at - 1];
  if (inside) return { colour: inside.colour, ...(inside.stripe && { stripe: inside.stripe }) };
  return colour ? { colour, ...(stripe && { stripe }) } : null;
}

/** Whether a core is thinner than the wire that it is was sized. */
export function isTooThin({ core, line }: CoreUse): boolean {
  return line !== null && areaMm2(core.conductor) < areaMm2(line.wire.conductor) - 1e-9;
}
