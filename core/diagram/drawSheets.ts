import type { Design } from '../design/design';
import { harnessOf, type Harness } from '../harness/schedule';
import { traceWiring } from '../network/traceWiring';
import type { Wiring } from '../network/wiring';
import { indexDesign, type DesignIndex } from '../rig/designIndex';
import { sketch, type SheetOf } from './drawing';
import type { Drawing, Layouter } from './layout';
import { layOutSketch } from './layOutSketch';

/** A design with its wires as they are built. */
export interface Drawable {
  design: Design;
  index: DesignIndex;
  wiring: Wiring;
  harness: Harness;
}

/** The same from records alone. */
export function drawableOf(design: Design): Drawable {
  const index = indexDesign(design);
  const wiring = traceWiring(index);
  return { design, index, wiring, harness: harnessOf(index, wiring) };
}

/** Sheets laid out one after another. */
export async function drawSheets(
  { design, index, wiring, harness }: Drawable,
  sheets: readonly SheetOf[],
  layouter: Layouter,
): Promise<Drawing[]> {
  const drawings: Drawing[] = [];
  for (const sheet of sheets) drawings.push(await layOutSketch(sketch(design, index, wiring, harness, sheet), layouter));
  return drawings;
}
