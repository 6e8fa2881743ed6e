import { type Bench } from '../core/bench/bench';
import type { BenchAct } from '../core/design/schema';
import { judgeWishes, type Judged } from '../core/bench/judge';
import type { Design } from '../core/design/design';
import type { Condition, Mover, Wish, WishSays } from '../core/design/schema';
import type { ControlValue } from '../core/devices/kind';
import { traceWiring } from '../core/network/traceWiring';
import { indexDesign } from '../core/rig/designIndex';

/** Wishes made in a test, held against a wiring and played. */

export const device = (deviceId: string, control = 'position'): Mover => ({ kind: 'device', deviceId, control });
export const key: Mover = { kind: 'vehicle', control: 'key' };
export const so = (mover: Mover, position: ControlValue): Condition => ({ mover, position });

let count = 0;
export const wish = (loadId: string, says: WishSays): Wish => ({ id: `wish${++count}`, type: 'wish', loadId, says });

export function judge(design: Design, ...wishes: Wish[]): Judged[] {
  const index = indexDesign(design);
  return judgeWishes(index, traceWiring(index), wishes);
}

/** What became of each: the verdict, or why nothing can be said. */
export const verdicts = (judged: readonly Judged[]) => judged.map(({ verdict, why }) => why ?? verdict);

export function play(bench: Bench, acts: readonly BenchAct[]): Bench {
  for (const act of acts) bench.do(act);
  return bench;
}
