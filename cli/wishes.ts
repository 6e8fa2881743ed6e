import { parseArgs } from 'node:util';
import type { Act } from '../core/bench/explore';
import { judgeWishes, type Judged } from '../core/bench/judge';
import { allWishes, isGiven } from '../core/bench/usualWishes';
import { recordsOf, type Design } from '../core/design/design';
import { nameOf } from '../core/design/names';
import { traceWiring } from '../core/network/traceWiring';
import { indexDesign } from '../core/rig/designIndex';
import { functionWord } from '../core/switching/lampFunctions';
import { movedWord, moverName, seriesWords, verdictWords, wishWords } from '../core/wording/wishWords';
import { deviceOf } from '../core/design/design';
import { loadDesign } from './designFile';
import { BadInput } from './input';

/** `vine-knot wishes`: holds every wish, and what is given for safety, against the wiring. Status 1 when one is broken. */
export function wishes(argv: string[]): number {
  const { values, positionals } = parseArgs({ args: argv, options: { json: { type: 'boolean' } }, allowPositionals: true });
  const [file, ...more] = positionals;
  if (!file || more.length > 0) throw new BadInput('wishes takes one file');
  const design = loadDesign(file);
  const index = indexDesign(design);
  const judged = judgeWishes(index, traceWiring(index), allWishes(index, recordsOf(design, 'wish')));
  process.stdout.write(values.json ? `${JSON.stringify(plain(design, judged), null, 1)}\n` : inWords(design, judged));
  return judged.some(({ verdict }) => verdict === 'broken') ? 1 : 0;
}

function plain(design: Design, judged: readonly Judged[]) {
  const stepOf = (act: Act) =>
    act.kind === 'wait' ? { waitS: act.seconds } : { set: `${moverName(design, act.mover)}=${movedWord(design, act.mover, act.position)}` };
  return {
    wishes: judged.map(({ wish, verdict, why, series, withinS, tried }) => {
      const lampId = deviceOf(design, wish.loadId, 'load')?.partOf?.loadId;
      const name = nameOf(design, wish.loadId);
      return {
        load: name,
        function: lampId === undefined ? null : functionWord(name, nameOf(design, lampId)),
        ...{ says: wishWords(design, wish.says), given: isGiven(wish), verdict, why, withinS, tried },
        series: series.map(stepOf),
      };
    }),
  };
}

function inWords(design: Design, judged: readonly Judged[]): string {
  const lines = judged.map((one) => {
    const how = one.series.length > 0 ? `\n    ${seriesWords(design, one.series)}` : '';
    const given = isGiven(one.wish) ? ' (for safety)' : '';
    return `${verdictWords(one).padEnd(10)} ${nameOf(design, one.wish.loadId)}: ${wishWords(design, one.wish.says)}${given}${how}`;
  });
  return `${lines.length > 0 ? lines.join('\n') : 'Nothing is wished and nothing is given.'}\n`;
}
