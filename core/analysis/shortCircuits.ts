import { batteryOhmRange, restV } from '../catalog/chemistries';
import type { Battery, TerminalRef } from '../design/schema';
import { terminalKey } from '../network/wiring';
import type { Analysis, ShortPaths } from './types';

/** Prospective short-circuit currents: what a dead short between a terminal and the battery's minus would carry, A. */
export interface ShortCircuits {
  /** The greatest, which a fuse there must break: a new, full battery, cold wires, no contact and no return counted. */
  greatestA: number;
  /** The least, which the fuse ahead must end: a worn battery near its end, warm wires, every contact, and a way back. */
  leastA: number;
}

/** What drives a short, by the battery's state: volts and ohms at the system's own voltage. */
export interface ShortSource {
  fullV: number;
  lowV: number;
  leastOhm: number;
  mostOhm: number;
}

/** A battery near the end of its charge still gives about its nominal volts (common practice). */
export function shortSource(battery: Battery, nominalV: number): ShortSource {
  const inSeries = nominalV / 12;
  const { least, most } = batteryOhmRange(battery);
  return { fullV: restV(battery.chemistry, 100) * inSeries, lowV: nominalV, leastOhm: least * inSeries, mostOhm: most * inSeries };
}

export function greatestShortA({ fullV, leastOhm }: ShortSource, coldOhm: number): number {
  return fullV / (leastOhm + coldOhm);
}

export function leastShortA({ lowV, mostOhm }: ShortSource, outOhm: number, backOhm: number): number {
  return lowV / (mostOhm + outOhm + backOhm);
}

/**
 * The same at any terminal on the supply side, in the very figures fuses are judged by; null on the return side and where nothing feeds.
 */
export function shortCircuitsOf({
  index,
  wiring,
  short,
}: Pick<Analysis, 'index' | 'wiring' | 'short'>): (at: TerminalRef) => ShortCircuits | null {
  const { battery, settings } = index;
  if (!battery) return () => null;
  const source = shortSource(battery, settings.nominalV);
  return ({ deviceId, terminal }) => {
    const at = wiring.supply.at.get(terminalKey(deviceId, terminal));
    if (at === undefined || at >= wiring.fedCount) return null;
    const back = wiring.return.at.get(terminalKey(deviceId, 'minus'));
    return {
      greatestA: greatestShortA(source, short.cold[at]!),
      leastA: leastShortA(source, short.warm[at]!, backOhm(short, at, back)),
    };
  };
}

/** The way back from a load's own minus, or where none is known as much wire as out; fuses and contacts stand on the way out alone. */
export function backOhm({ warmBack, warmWires }: ShortPaths, at: number, back: number | undefined): number {
  return back === undefined ? warmWires[at]! : warmBack[back]!;
}
