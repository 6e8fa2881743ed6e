import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import type { TerminalRef } from '../design/schema';
import type { Measurement } from '../diagnosis/diagnose';
import type { Flaw } from '../diagnosis/flaws';
import { formatNumber } from '../units/quantity';
import { terminalName } from './terminalNames';

/** A fault in words: what it is, where, and what proves it mended. */
export interface FlawSaid {
  fault: string;
  where: string;
  cure: string;
  proof: string;
}

/** Numbers of wires by their ids, as their labels have them. */
export type WireNumbers = ReadonlyMap<string, string>;

/** What a wire is called where it is looked for: its number and its two ends. */
export function wireWords(design: Design, wireId: string, numbers: WireNumbers): string {
  const number = numbers.get(wireId);
  return `${number ? `${number}, ` : ''}${nameOf(design, wireId)}`;
}

export function flawWords(design: Design, flaw: Flaw, numbers: WireNumbers): FlawSaid {
  switch (flaw.kind) {
    case 'none':
      return {
        fault: 'nothing is wrong with the wiring',
        where: 'everywhere',
        cure: 'Look at what was asked of it: a switch, a battery, a setting.',
        proof: 'Every reading is as expected.',
      };
    case 'openWire':
      return {
        ...{ fault: 'wire broken or off its terminal', where: wireWords(design, flaw.wireId, numbers) },
        cure: 'Isolate, tug at both ends, crimp anew or replace the wire.',
        proof: 'Loaded, less than 0.1 V across the wire from end to end.',
      };
    case 'highJoint':
      return {
        ...{
          fault: `bad joint, about ${formatNumber(flaw.ohm, flaw.ohm < 1 ? 2 : 1)} Ω`,
          where: `an end of ${wireWords(design, flaw.wireId, numbers)}`,
        },
        cure: 'Isolate, open the warmer end first: clean, crimp anew, torque.',
        proof: 'Loaded, less than 0.05 V across each joint.',
      };
    case 'blownFuse':
      return {
        ...{ fault: 'fuse blown or out', where: nameOf(design, flaw.fuseId) },
        cure: 'Find why before it is replaced: unplug the loads, a lamp in the fuse’s place. Never a larger one.',
        proof: 'It holds with everything on for ten minutes.',
      };
    case 'deadLoad':
      return {
        ...{ fault: 'the part itself is dead', where: nameOf(design, flaw.loadId) },
        cure: 'Feed it through a fused lead straight from the battery: still dead, replace it.',
        proof: 'It draws what it should.',
      };
    case 'openContact':
      return {
        ...{ fault: 'contact does not make', where: nameOf(design, flaw.deviceId) },
        cure: 'Swap it for one that works, then replace it; look whether it carried more than it is made for.',
        proof: 'Closed and loaded, less than 0.2 V across it.',
      };
    case 'stuckContact':
      return {
        ...{ fault: 'contact does not open: stuck or welded', where: nameOf(design, flaw.deviceId) },
        cure: 'Isolate and replace it; look for what welded it: inrush, or no quenching on a coil.',
        proof: 'Open, nothing behind it.',
      };
    case 'openCoil':
      return {
        ...{ fault: 'coil open', where: nameOf(design, flaw.deviceId) },
        cure: 'Measure the coil unplugged; replace the relay.',
        proof: 'It clicks, and its contact reads less than 0.2 V loaded.',
      };
    case 'dudDimmer':
      return {
        ...{ fault: flaw.gives === 'full' ? 'dimmer gives all it gets' : 'dimmer gives nothing', where: nameOf(design, flaw.deviceId) },
        cure: 'Bridge it in to out with the power off, try again: full light, replace it.',
        proof: 'Its outlet follows its knob.',
      };
    case 'swapped':
      return {
        ...{ fault: 'two wires on each other’s terminals', where: flaw.wireIds.map((id) => wireWords(design, id, numbers)).join(' and ') },
        cure: 'Isolate, compare with the pin card, exchange them.',
        proof: 'Each position lights what it should.',
      };
    case 'misplaced':
      return {
        fault: `wire on the wrong terminal: on ${pointWords(design, flaw.on)}`,
        where: wireWords(design, flaw.wireId, numbers),
        cure: 'Isolate, compare with the pin card, land it where the plan has it.',
        proof: 'Every terminal of that part reads as expected, with it on and off.',
      };
    case 'bridged':
      return {
        fault: 'two terminals joined that the plan keeps apart',
        where: `${pointWords(design, flaw.from)} and ${pointWords(design, flaw.to)}`,
        cure: 'Isolate, look for a wire too many, a strand across, a bare place that touches; insulate or take it out.',
        proof: 'Power off and both leads lifted, no continuity between the two.',
      };
    case 'chafed':
      return {
        ...{ fault: 'wire worn through to the body', where: wireWords(design, flaw.wireId, numbers) },
        cure: 'Isolate, find where it rubs, put in a new piece behind a grommet or in a sleeve.',
        proof: 'Both its ends lifted, no continuity from it to the body; the fuse holds with everything on.',
      };
  }
}

export function pointWords(design: Design, { deviceId, terminal }: TerminalRef): string {
  const device = design.records.get(deviceId);
  return `${nameOf(design, deviceId)}, ${device?.type === 'device' ? terminalName(device, terminal) : terminal}`;
}

/** Where the leads go, or the clamp. */
export function measurementWords(design: Design, what: Measurement, numbers: WireNumbers): string {
  if (what.kind === 'amps') return `clamp round ${wireWords(design, what.wireId, numbers)}`;
  const black = what.to ? pointWords(design, what.to) : 'the battery’s minus';
  return `red on ${pointWords(design, what.at)}; black on ${black}`;
}

/** What a measurement or a look is worth, in words; a bit halves what is left. */
export function worthWords(bits: number): string {
  if (bits > 1.3) return 'tells more than half of what is open';
  if (bits > 0.7) return 'halves what is open';
  return bits > 0.25 ? 'tells something' : 'tells little';
}
