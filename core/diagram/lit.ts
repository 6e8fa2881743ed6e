import type { Bench } from '../bench/bench';
import type { DesignIndex } from '../rig/designIndex';

/** A wire that is alive on the bench: the amperes in it; nought where it has volts though none flow. */
export interface LitWire {
  amps: number;
}

/** What of a diagram is alive at the moment. */
export interface LitDiagram {
  /** By wire; those that are dead are left out. */
  wires: ReadonlyMap<string, LitWire>;
  /** Loads that are on, relays that are pulled in. */
  working: ReadonlySet<string>;
}

/** Amperes from which a wire counts as carrying: leaks through a meter’s or a driver’s megohms lie below. */
const CARRIES_A = 0.001;
/** Volts over the battery’s minus from which a wire is live, per volt of the system. Common practice: what a test lamp still shows. */
const LIVE_SHARE = 0.2;

/** Which wires carry, which are live without carrying, and which loads and relays work, as the bench stands. */
export function litDiagram({ wires, battery, settings }: DesignIndex, bench: Bench): LitDiagram {
  const { loads, memory } = bench.answer;
  const working = new Set(loads.flatMap(({ id, state }) => (state === 'off' ? [] : [id])));
  for (const [id, remembered] of Object.entries(memory)) if (remembered.pulledIn === true) working.add(id);
  const amps = bench.clamps(wires.map(({ id }) => id));
  const ends = wires.map(({ from }) => from);
  const read = battery && bench.everywhere(ends, { deviceId: battery.id, terminal: 'minus' });
  const lit = new Map<string, LitWire>();
  wires.forEach(({ id }, at) => {
    const carried = Math.abs(amps[at]!);
    const isLive = read !== null && read.floats[at] === 0 && Math.abs(read.volts[at]!) >= LIVE_SHARE * settings.nominalV;
    if (carried >= CARRIES_A) lit.set(id, { amps: carried });
    else if (isLive) lit.set(id, { amps: 0 });
  });
  return { wires: lit, working };
}
