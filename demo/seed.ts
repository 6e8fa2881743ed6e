import { createDesign, eraseDesign, deleteDesign, listNames } from '../server/designs';
import { heron } from './heron';
import { pip } from './pip';

const DEMOS = { heron, pip };

/** Puts the demo designs into the store once; with `--reset`, puts them in afresh in place of edited ones. */
async function seed(reset: boolean): Promise<void> {
  const kept = new Set([...(await listNames()), ...(await listNames(true))].map(({ id }) => id));
  const live = new Set((await listNames()).map(({ id }) => id));
  for (const [id, make] of Object.entries(DEMOS)) {
    if (kept.has(id)) {
      if (!reset) continue;
      if (live.has(id)) await deleteDesign(id);
      await eraseDesign(id);
    }
    await createDesign(Array.from(make().records.values()), id);
    console.log(`seeded ${id}`);
  }
}

await seed(process.argv.includes('--reset'));
