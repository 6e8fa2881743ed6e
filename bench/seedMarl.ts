import { laidMarl, marl } from '../demo/marl';
import { createDesign } from '../server/designs';

/** Puts the generated design, plain and laid out, into the store at each size given on the command line. */
for (const size of process.argv.slice(2).map(Number)) {
  await createDesign(Array.from(marl(size).records.values()), `marl-${size}`);
  await createDesign(Array.from(laidMarl(size, 6).records.values()), `laid-${size}`);
}
