import type { Mover } from '../design/schema';
import type { Receiver } from '../devices/receiver';
import { terminalKey, type Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { Bench } from './bench';
import type { Act } from './explore';

/** One thing done to set a receiver's mode or to prove it, and whether the channel that is looked at is on after it. */
export interface ModeStep {
  act: Act;
  on: boolean;
}

/**
 * How a receiver that remembers its mode is brought from the one it comes in to the one it is to work in, all of it played on the bench.
 */
export interface ModeSheet {
  /** The fuse that takes its power away. */
  fuseId: string;
  /** The acts that turn the mode over; done once more they turn it back. */
  series: ModeStep[];
  /** A press and a release after them: what they show proves the mode. */
  check: ModeStep[];
  /** Acts that must leave the mode alone, each followed by the same check. */
  harmless: { acts: ModeStep[]; check: ModeStep[] }[];
  /** Whether all of it came out as it should: turned over by the series, back by doing it again, and left alone by what is harmless. */
  isProved: boolean;
}

/**
 * The sheet of one receiver; null where it remembers no mode, or no fuse takes its power away. @throws NetworkError where the wiring has no
 * answer
 */
export function modeSheet(index: DesignIndex, wiring: Wiring, receiver: Receiver): ModeSheet | null {
  const { remembers, id } = receiver;
  const node = wiring.supply.nodes[wiring.supply.at.get(terminalKey(id, 'plus')) ?? -1];
  if (!remembers || !node?.protectionId) return null;
  const fuseId = node.protectionId;
  const comes = { ...index, devices: new Map(index.devices).set(id, { ...receiver, mode: remembers.comesAs }) };
  const button = (channel: number, pressed: boolean): Act => moves({ kind: 'device', deviceId: id, control: `ch${channel}` }, pressed);
  const fuse = (fitted: boolean): Act => moves({ kind: 'device', deviceId: fuseId, control: 'fitted' }, fitted);
  const { holds } = remembers;
  const setting = [button(holds, true), fuse(false), fuse(true), button(holds, false)];
  const press = [button(holds, true), button(holds, false)];
  const play = (bench: Bench, acts: readonly Act[]): ModeStep[] =>
    acts.map((act) => ({ act, on: bench.do(act).standing.memory[id]?.[`ch${holds}`] === true }));
  // Held it is on in either mode; let go it tells which. One that is on to begin with is put off by a press.
  const isMomentary = (bench: Bench) => !play(bench, press)[1]!.on && !play(bench, press)[1]!.on;
  const wasMomentary = isMomentary(new Bench(comes));
  const bench = new Bench(comes);
  const series = play(bench, setting);
  const check = play(bench, press);
  const turned = isMomentary(bench);
  const back = isMomentary(replayed(bench, setting));
  const harmless = [press, [fuse(false), fuse(true)]].map((acts) => {
    const fresh = new Bench(comes);
    return { acts: play(fresh, acts), check: play(fresh, press), mode: isMomentary(fresh) };
  });
  const comesMomentary = remembers.comesAs === 'momentary';
  const isProved =
    wasMomentary === comesMomentary &&
    turned !== wasMomentary &&
    back === wasMomentary &&
    harmless.every(({ mode }) => mode === wasMomentary);
  return { fuseId, series, check, harmless: harmless.map(({ acts, check: shown }) => ({ acts, check: shown })), isProved };
}

function moves(mover: Mover, position: boolean): Act {
  return { kind: 'move', mover, position };
}

function replayed(bench: Bench, acts: readonly Act[]): Bench {
  for (const act of acts) bench.do(act);
  return bench;
}
