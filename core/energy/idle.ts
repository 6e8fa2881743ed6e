import { batteryOhmRange } from '../catalog/chemistries';
import type { DesignIndex } from '../rig/designIndex';
import { lowRestV } from './battery';
import { engineBrings, spareA } from './chargeSources';

/** What the house side stands at with the engine idling and as much on as any scenario has on at once. */
export interface IdleSupply {
  /** At the battery's terminals, V. */
  volts: number;
  /** What the alternator passes on to the house side at idle, A, and what is asked for. */
  passedA: number;
  wantedA: number;
}

/** Volts a 12 V house side should hold at idle with everything lit; under it batteries go flat on the road. Common practice. */
export const IDLE_LEAST_V = 13.5;

/**
 * The house side at idle: at the charging voltage while the alternator passes on what is asked for, else the battery, down to its usable
 * depth, gives the rest through its own resistance. Null without an alternator, a way from it to the battery, or a battery.
 */
export function idleSupply(index: DesignIndex, wantedA: number): IdleSupply | null {
  const { battery, settings } = index;
  const { amps: passedA, heldV } = engineBrings(index, (alternator) => spareA(alternator, alternator.idlePercent));
  if (!battery || heldV === null) return null;
  if (passedA >= wantedA) return { volts: heldV, passedA, wantedA };
  const sag = (wantedA - passedA) * batteryOhmRange(battery).most * (settings.nominalV / 12);
  return { volts: lowRestV(battery, settings.nominalV) - sag, passedA, wantedA };
}
