import { readdirSync } from 'node:fs';
import path from 'node:path';

/**
 * Many test files in one context, so that what they share is loaded, and made quick by the engine, once: a fifth less work than each in a
 * context of its own. A part of a run takes one file in so many (`jest.together.mjs`); a file by itself runs as ever.
 */

declare const part: { number: number; of: number; folders: readonly string[] };

const root = path.resolve(__dirname, '..');
const files = part.folders
  .flatMap((folder) => readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' }).map((file) => path.join(folder, file)))
  .filter((file) => file.endsWith('.test.ts'))
  .sort()
  .filter((_, at) => at % part.of === part.number);

for (const file of files)
  describe(file, () => {
    jest.requireActual(path.join(root, file));
  });
