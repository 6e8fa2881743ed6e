import { parseArgs } from 'node:util';
import { existsSync } from 'node:fs';
import { listUpTo } from '@/core/units/schema';
import { harnessOfDesign, wireNumbersOf } from '../core/harness/schedule';
import { NetworkError } from '../core/network/networkError';
import { bestWay } from '../core/practise/bestWay';
import { BOARDS } from '../core/practise/boards';
import { huntAct, MOST_HUNT_ACTS, type Hunt } from '../core/practise/hunt';
import { HuntBench } from '../core/practise/huntBench';
import { HUNT_FORMAT, HuntFileError, readHuntFile } from '../core/practise/huntFile';
import { huntFileWords } from '../core/practise/huntFileWords';
import { actWords, placeWords, toldWords, UNSAFE_WORDS, type Labelled } from '../core/practise/huntWords';
import { randomHunt } from '../core/practise/randomHunt';
import { scoreOf } from '../core/practise/score';
import { networkWords } from '../core/wording/networkWords';
import { loadDesign, readBounded } from './designFile';
import { BadInput } from './input';

/**
 * `vine-knot hunt`: a board with a fault in it, the complaint and par; with acts, what they gave and the score. Status 1 where the acts did
 * not end in a proof.
 */
export function huntFaults(argv: string[]): number {
  const { values, positionals } = parseArgs({
    args: argv,
    options: { seed: { type: 'string' }, play: { type: 'string' }, json: { type: 'boolean' } },
    allowPositionals: true,
  });
  const [board, ...more] = positionals;
  if (!board || more.length > 0) throw new BadInput(`hunt takes one board: ${BOARDS.map(({ id }) => id).join(', ')}, or a file`);
  const hunt = huntOn(board, values.seed);
  const labelled: Labelled = { design: hunt.design, numbers: wireNumbersOf(harnessOfDesign(hunt.design)) };
  try {
    return values.play ? played(hunt, labelled, actsIn(values.play), values.json === true) : told(hunt, labelled, values.json === true);
  } catch (error) {
    if (error instanceof NetworkError) throw new BadInput(`the board as it is has no answer: ${networkWords(error.problem, hunt.design)}`);
    throw error;
  }
}

/** A ready board as it comes or with a fault drawn from a seed; a hunt's file; a design's, with a fault drawn. */
function huntOn(board: string, seedText: string | undefined): Hunt {
  const seed = seedText === undefined ? null : Number(seedText);
  if (seed !== null && !(Number.isInteger(seed) && seed >= 0)) throw new BadInput('--seed: a whole number from 0');
  const ready = BOARDS.find(({ id }) => id === board);
  if (ready && seed === null) return ready;
  if (!ready && !existsSync(board)) throw new BadInput(`there is no board "${board}"; there are ${BOARDS.map(({ id }) => id).join(', ')}`);
  if (!ready && readBounded(board).includes(`"${HUNT_FORMAT}"`)) return ofFile(board);
  const hunt = randomHunt(ready ? ready.design : loadDesign(board), seed ?? 1);
  if (!hunt) throw new BadInput(`${board}: nothing of it can be lit, so nothing can be hunted`);
  return hunt;
}

function ofFile(file: string): Hunt {
  try {
    return readHuntFile(readBounded(file));
  } catch (error) {
    if (error instanceof HuntFileError) throw new BadInput(error.faults.map((fault) => `${file}: ${huntFileWords(fault)}`).join('\n'));
    throw error;
  }
}

function actsIn(file: string) {
  let said: unknown;
  try {
    said = JSON.parse(readBounded(file));
  } catch (error) {
    if (error instanceof SyntaxError) throw new BadInput(`--play: ${file} is no JSON`);
    throw error;
  }
  const read = listUpTo(huntAct, MOST_HUNT_ACTS).safeParse(said);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new BadInput(`--play: act ${issue!.path.join('.') || '?'}: ${issue!.message}`);
}

function told(hunt: Hunt, board: Labelled, isJson: boolean): number {
  const way = bestWay(hunt);
  const bench = new HuntBench(hunt);
  const complaints = hunt.complaints.map(({ says }) => says);
  const terminals = bench.reachable().map((at) => ({ ...at, name: placeWords(board, at) }));
  const wires = Array.from(board.numbers, ([wireId, number]) => ({ wireId, number }));
  const par = { acts: way.steps.length, minutes: round(way.minutes) };
  if (isJson) {
    const { id, title, level, story } = hunt;
    process.stdout.write(`${JSON.stringify({ board: id, title, level, story, complaints, par, terminals, wires }, null, 1)}\n`);
  } else {
    process.stdout.write(
      [hunt.title, hunt.story, ...complaints.map((says) => `“${says}”`), `Par: ${par.acts} acts, ${par.minutes} min.`, ''].join('\n'),
    );
  }
  return 0;
}

function played(hunt: Hunt, board: Labelled, acts: ReturnType<typeof actsIn>, isJson: boolean): number {
  const bench = new HuntBench(hunt);
  for (const act of acts) bench.do(act);
  const { points, ...score } = scoreOf(bench.entries, bestWay(hunt));
  const entries = bench.entries.map((entry) => ({
    ...{ act: entry.act, says: actWords(board, entry.act), minutes: entry.minutes, told: entry.told },
    words: entry.told.map((one) => toldWords(board, 'deviceId' in entry.act ? entry.act.deviceId : null, one)),
    ...{ clicks: entry.clicks, blown: entry.blown, unsafe: entry.unsafe },
  }));
  if (isJson) {
    process.stdout.write(`${JSON.stringify({ entries, solved: bench.isDone, score: { points, ...score } }, null, 1)}\n`);
  } else {
    const lines = entries.map(({ says, words, unsafe }) => [
      says,
      ...words.map((word) => `  ${word}`),
      ...unsafe.map((what) => `  ! ${UNSAFE_WORDS[what]}`),
    ]);
    const end = `${bench.isDone ? 'Solved' : 'Not solved'}: ${points} of 100, ${score.acts} acts (par ${score.parActs}), ${round(score.minutes)} min (par ${round(score.parMinutes)}).`;
    process.stdout.write(`${[...lines.flat(), end].join('\n')}\n`);
  }
  return bench.isDone ? 0 : 1;
}

const round = (value: number) => Number(value.toFixed(1));
