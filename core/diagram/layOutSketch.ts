import type { Sketch } from './drawing';
import { layOutByItself, type Drawing, type Layouter } from './layout';
import { withPut } from './withPut';

/** Lays a sheet out, with what a hand put where it was put. */
export async function layOutSketch(sketch: Sketch, elk: Layouter): Promise<Drawing> {
  return withPut(await layOutByItself(sketch, elk), sketch.put);
}
