import { marl } from '../demo/marl';
import { createDesign } from '../server/designs';

/** Puts the generated design into the store at each size given on the command line. */
for (const size of process.argv.slice(2).map(Number)) {
  await createDesign(Array.from(marl(size).records.values()), `marl-${size}`);
}
