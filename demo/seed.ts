import { readFileSync } from 'node:fs';
import { createDesign, eraseDesign, deleteDesign, listNames } from '../server/designs';
import { keepPhoto } from '../server/photos';
import { heronAtWork } from './heronAtWork';
import { picturesOf } from './photos';
import { pipInUse } from './pipInUse';

const DEMOS = { heron: heronAtWork, pip: pipInUse };

/** Puts the demo designs into the store once; with `--reset`, puts them in afresh in place of edited ones. */
async function seed(reset: boolean): Promise<void> {
  const kept = new Set([...(await listNames()), ...(await listNames(true))].map(({ id }) => id));
  const live = new Set((await listNames()).map(({ id }) => id));
  for (const id of ['heron', 'pip'] as const) {
    if (kept.has(id)) {
      if (!reset) continue;
      if (live.has(id)) await deleteDesign(id);
      await eraseDesign(id);
    }
    await createDesign(Array.from(DEMOS[id]().records.values()), id);
    for (const { id: photoId, file } of picturesOf(id)) await keepPhoto(id, photoId, readFileSync(file));
    console.log(`seeded ${id}`);
  }
}

await seed(process.argv.includes('--reset'));
