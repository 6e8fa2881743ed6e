import { endsOhmOf } from '../catalog/cable';
import type { Load, Wire } from '../design/schema';
import { demandOf } from '../network/demand';
import { rowAmpereMetres, rowEndAmperes } from '../network/flow';
import type { WiringTree } from '../network/wiring';
import type { AnalysisContext } from './context';

/** One conductor along a row of like pieces, as amperes times metres of it and amperes through its ends. */
export interface RowPole {
  side: Wire['role'];
  /** What the row is wired in: the wire that leads to it. */
  wire: Wire;
  ampereMetres: number;
  endAmperes: number;
}

const NO_ROW: RowPole[] = [];

/**
 * The conductors along a load's row, out and back, where they are wired; none for one piece alone. What a lamp's functions have in common
 * carries all that can be on at once; what is a function's own carries its current alone.
 */
export function rowPoles(context: Pick<AnalysisContext, 'wiring' | 'hanging' | 'index' | 'draws' | 'exclusions'>, load: Load): RowPole[] {
  if (load.quantity === 1) return NO_ROW;
  const { wiring, hanging } = context;
  const { plus, minus } = hanging.loads.get(load.id)!;
  const poles: RowPole[] = [];
  const add = (side: Wire['role'], pole: 'plus' | 'minus', tree: WiringTree, at: number | undefined) => {
    const wire = at === undefined ? null : wireToLoad(tree, at);
    if (!wire) return;
    const amps = rowAmps(context, load, pole);
    const { quantity, spacingMm } = load;
    poles.push({
      side,
      wire,
      ampereMetres: rowAmpereMetres(amps, quantity, spacingMm),
      endAmperes: rowEndAmperes(amps, quantity, spacingMm),
    });
  };
  add('supply', 'plus', wiring.supply, plus);
  add('return', 'minus', wiring.return, minus);
  return poles;
}

/** What is lost along one conductor of a row, V: the cable and the ends between the pieces. */
export function rowDropV({ ohmPerM, index }: AnalysisContext, { wire, ampereMetres, endAmperes }: RowPole): number {
  return ampereMetres * ohmPerM(wire) + endAmperes * endsOhmOf(index.settings);
}

/** The wire that leads to a load's terminal: for one it shares, the wire to the lamp it is part of. */
export function wireToLoad({ nodes }: WiringTree, at: number): Wire | null {
  const { wire, parent } = nodes[at]!;
  return wire ?? nodes[parent]?.wire ?? null;
}

function rowAmps(
  { index, draws, exclusions }: Pick<AnalysisContext, 'index' | 'draws' | 'exclusions'>,
  load: Load,
  pole: 'plus' | 'minus',
): number {
  const lamp = load.partOf?.shares === pole ? index.devices.get(load.partOf.loadId) : load;
  const others = (index.functions.get(lamp?.id ?? '') ?? []).filter(({ partOf }) => partOf!.shares === pole);
  if (lamp?.kind !== 'load' || others.length === 0) return draws.get(load.id)!.amps;
  const all = [lamp, ...others].map(({ id, continuous }) => ({
    amps: draws.get(id)!.amps,
    continuous,
    side: exclusions.sides.get(id) ?? null,
  }));
  return demandOf(all).peakA;
}
