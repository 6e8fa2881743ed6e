import type { Chain } from './chains';
import type { Law } from '../devices/laws';
import type { NetElement } from './netlist';

/**
 * Everything that carries current, side by side in flat arrays, so that a pass over a network touches memory in order and
 * allocates nothing. Ends are unknowns, the fixed reference being the last; `lift` is what ideal sources put between them.
 */
export interface Branches {
  a: Int32Array;
  b: Int32Array;
  /** Nodes at the ends, to work out the lift. */
  nodeA: Int32Array;
  nodeB: Int32Array;
  lift: Float64Array;
  amps: Float64Array;
  /** Where the entry joining the two ends is in the matrix, -1 when there is none. */
  place: Int32Array;
}

/** Chains of resistances. */
export interface OhmBranches extends Branches {
  siemens: Float64Array;
  chains: readonly Chain[];
  /** Branch of each element, -1 for one in none; its ohms; and 1 where it runs the way its branch does. */
  branchOf: Int32Array;
  ohm: Float64Array;
  forward: Uint8Array;
}

export interface DutyBranches extends Branches {
  element: Int32Array;
  siemens: Float64Array;
  share: Float64Array;
  common: Int32Array;
}

export interface LawBranches extends Branches {
  element: Int32Array;
  law: Law[];
  slope: Float64Array;
}

interface Ends {
  a: number;
  b: number;
}

function branches(ends: readonly Ends[], unknown: Int32Array, placeOf: (a: number, b: number) => number): Branches {
  return {
    a: Int32Array.from(ends, ({ a }) => unknown[a]!),
    b: Int32Array.from(ends, ({ b }) => unknown[b]!),
    nodeA: Int32Array.from(ends, ({ a }) => a),
    nodeB: Int32Array.from(ends, ({ b }) => b),
    lift: new Float64Array(ends.length),
    amps: new Float64Array(ends.length),
    place: Int32Array.from(ends, ({ a, b }) => placeOf(unknown[a]!, unknown[b]!)),
  };
}

type Placing = [unknown: Int32Array, placeOf: (a: number, b: number) => number];

export function ohmBranches(chains: readonly Chain[], elements: readonly NetElement[], ...placing: Placing): OhmBranches {
  const ohm = new Float64Array(elements.length).fill(NaN);
  const branchOf = new Int32Array(elements.length).fill(-1);
  const forward = new Uint8Array(elements.length);
  chains.forEach(({ links }, branch) =>
    links.forEach(({ element, forward: along }) => {
      const link = elements[element]!;
      if (link.kind === 'switch') ohm[element] = link.openOhm;
      else if (link.kind === 'resistor') ohm[element] = link.ohm;
      forward[element] = along ? 1 : 0;
      branchOf[element] = branch;
    }),
  );
  const made: OhmBranches = { ...branches(chains, ...placing), siemens: new Float64Array(chains.length), chains, branchOf, ohm, forward };
  chains.forEach((_, branch) => sumChain(made, branch));
  return made;
}

/** Works out a chain's conductance from its links. */
export function sumChain({ chains, ohm, siemens }: OhmBranches, branch: number): void {
  let sum = 0;
  for (const { element } of chains[branch]!.links) sum += ohm[element]!;
  siemens[branch] = 1 / sum;
}

export function dutyBranches(elements: readonly NetElement[], ...placing: Placing): DutyBranches {
  const mine = elements.flatMap((element, index) => (element.kind === 'duty' ? [{ ...element, index }] : []));
  return {
    ...branches(mine, ...placing),
    element: Int32Array.from(mine, ({ index }) => index),
    siemens: Float64Array.from(mine, ({ ohm }) => 1 / ohm),
    share: Float64Array.from(mine, ({ duty }) => duty),
    common: Int32Array.from(mine, ({ common }) => common),
  };
}

export function lawBranches(elements: readonly NetElement[], ...placing: Placing): LawBranches {
  const mine = elements.flatMap((element, index) => (element.kind === 'law' ? [{ ...element, index }] : []));
  return {
    ...branches(mine, ...placing),
    element: Int32Array.from(mine, ({ index }) => index),
    law: mine.map(({ law }) => law),
    slope: new Float64Array(mine.length),
  };
}
