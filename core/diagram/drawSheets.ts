import type { Design } from '../design/design';
import type { Harness } from '../harness/schedule';
import type { Wiring } from '../network/wiring';
import type { DesignIndex } from '../rig/designIndex';
import { sketch, type SheetOf } from './drawing';
import { layOutSketch, type Drawing, type Layouter } from './layout';

/** A design with its wires as they are built. */
export interface Drawable {
  design: Design;
  index: DesignIndex;
  wiring: Wiring;
  harness: Harness;
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
