import type { WireLook } from '../catalog/wireColours';
import type { TerminalRef, Wire } from '../design/schema';
import type { Ending } from './wireEnds';
import type { WireRole } from './wireRoles';

/** One end of a wire: where it lands, and with what. */
export interface HarnessEnd extends TerminalRef {
  ending: Ending;
}

/** A line of the wire schedule. */
export interface HarnessWire {
  wire: Wire;
  number: string;
  isNumbered: boolean;
  look: WireLook | null;
  role: WireRole;
  from: HarnessEnd;
  to: HarnessEnd;
  /** Length it is cut to, its slack at both ends in it, mm. */
  lengthMm: number;
  /** Routes it takes, in order. */
  routeIds: readonly string[];
}
