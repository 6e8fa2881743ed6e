import type { Condition, Wish } from '../design/schema';
import type { ControlValue } from '../devices/kind';
import { dimmedTo } from './bench';
import { driven, vehicleWires } from './handles';
import { inputsOf, isSameMover, withMoved, withNamed, type Input, type Standing } from './inputs';
import { devicesAmong, moversIn, wishedOf, type Wished } from './wished';
import type { DesignIndex } from '../rig/designIndex';
import { Reach, isLit } from '../network/reach';
import { AT_REST } from '../network/controlState';
import { LiveDesign } from '../network/settle';
import type { Wiring } from '../network/wiring';
import { PARKED } from './vehicleSide';

/** What a load does in one way things may stand. */
export interface Does {
  /** Null where relays never come to rest. */
  on: boolean | null;
  /** Share of the time it is lit behind a dimmer, 0 to 1. */
  level: number;
  /** What is wished of it then. */
  wished: Wished;
}

/** One way the inputs may stand, each moved there from rest: their positions in their order, and what the load then does. */
export interface TruthRow extends Does {
  positions: ControlValue[];
}

/** The same of several loads, in their order. */
export interface GroupRow {
  positions: ControlValue[];
  does: Does[];
}

interface Table<Row> {
  inputs: Input[];
  rows: Row[];
  doesNotMatter: Input[];
}

/** A load's truth table. What does not matter in any row is named, and left out of the rows. */
export type Truth = Table<TruthRow>;
/** One table of several loads: what matters to any of them is varied. */
export type GroupTruth = Table<GroupRow>;

/** Ways tried: twelve inputs of two positions. */
export const MOST_ROWS = 4096;

/** A load's truth table, see `groupTruthOf`. */
export function truthOf(index: DesignIndex, wiring: Wiring, loadId: string, wishes: readonly Wish[] = []): Truth | { tooMany: number } {
  const truth = groupTruthOf(index, wiring, [loadId], wishes);
  if ('tooMany' in truth) return truth;
  return { ...truth, rows: truth.rows.map(({ positions, does }) => ({ positions, ...does[0]! })) };
}

/**
 * What loads do in every way that what influences any of them may stand, and nothing else is varied. Each way is begun from rest, so that a
 * latching channel counts as pressed once; what comes late has come. What a wish of them names is among the inputs too.
 * @returns the number of ways where they are too many to try
 * @throws NetworkError where the wiring has no answer
 */
export function groupTruthOf(
  index: DesignIndex,
  wiring: Wiring,
  loadIds: readonly string[],
  wishes: readonly Wish[] = [],
): GroupTruth | { tooMany: number } {
  const saidOf = loadIds.map((id) => wishes.filter((wish) => wish.loadId === id).map(({ says }) => says));
  const named = saidOf
    .flat()
    .filter(({ kind }) => kind === 'on' || kind === 'off')
    .flatMap(moversIn);
  const { index: part, handles } = new Reach(index, wiring).influenceNaming(loadIds, devicesAmong(named));
  const all = vehicleWires(part);
  const inputs = withNamed(inputsOf(all, handles), part, named);
  const ways = inputs.reduce((product, { positions }) => product * positions.length, 1);
  if (ways > MOST_ROWS) return { tooMany: ways };
  const rest = driven(AT_REST, all, PARKED);
  const live = new LiveDesign(part, rest);
  const begun = live.settle(rest).state;
  const rows = combinations(inputs).map((positions): GroupRow => {
    const { state } = inputs.reduce<Standing>((now, input, at) => withMoved(now, input, positions[at]!, all), {
      state: begun,
      side: PARKED,
    });
    const outcome = live.settle(state);
    const stands = ({ mover, position }: Condition) => {
      const at = inputs.findIndex((input) => isSameMover(input, mover));
      return at >= 0 && positions[at] === position;
    };
    const does = loadIds.map((loadId, of): Does => {
      const wished = wishedOf(saidOf[of]!, stands);
      if (outcome.kind === 'oscillating') return { on: null, level: 0, wished };
      const on = isLit(live, loadId, part.settings.nominalV);
      return { on, level: on ? dimmedTo(live, loadId, outcome.state) : 0, wished };
    });
    return { positions, does };
  });
  return withoutIdle(inputs, rows);
}

/** Every way the inputs may stand, the last one moving fastest, at rest first. */
function combinations(inputs: readonly Input[]): ControlValue[][] {
  return inputs.reduce<ControlValue[][]>(
    (ways, { positions }) => ways.flatMap((way) => positions.map((position) => [...way, position])),
    [[]],
  );
}

/** Leaves out inputs that change nothing in any row, neither what is so nor what is wished. */
function withoutIdle(inputs: Input[], rows: GroupRow[]): GroupTruth {
  const strides = inputs.map((_, at) => inputs.slice(at + 1).reduce((product, { positions }) => product * positions.length, 1));
  const matters = inputs.map(({ positions }, at) => {
    const stride = strides[at]!;
    return rows.some((row, here) => {
      const place = Math.floor(here / stride) % positions.length;
      const atRest = rows[here - place * stride]!;
      return place > 0 && row.does.some(({ on, wished }, of) => atRest.does[of]!.on !== on || atRest.does[of]!.wished !== wished);
    });
  });
  const kept = rows.filter((row) => row.positions.every((position, at) => matters[at] === true || position === inputs[at]!.positions[0]));
  return {
    inputs: inputs.filter((_, at) => matters[at]),
    rows: kept.map((row) => ({ ...row, positions: row.positions.filter((_, at) => matters[at]) })),
    doesNotMatter: inputs.filter((_, at) => !matters[at]),
  };
}
