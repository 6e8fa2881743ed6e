import { readFileSync, statSync } from 'node:fs';
import { seenAs, type DesignView } from '../core/design/asBuilt';
import type { Design } from '../core/design/design';
import { LIMITS } from '../core/catalog/vocabulary';
import { DesignFileError, readDesignFile } from '../core/formats/designFile';
import { designFileWords } from '../core/formats/designFileWords';
import { BadInput } from './input';

/** Reads a text file of bounded size. @throws BadInput */
export function readBounded(file: string): string {
  try {
    if (statSync(file).size > LIMITS.importBytes) throw new BadInput(`${file}: larger than ${LIMITS.importBytes / 1_000_000} MB`);
    return readFileSync(file, 'utf8');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code) throw new BadInput(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code})`);
    throw error;
  }
}

/** Reads a design file, of it what is planned or what is there now. @throws BadInput with every reason it is not one. */
export function loadDesign(file: string, view: DesignView = 'planned'): Design {
  const text = readBounded(file);
  try {
    return seenAs(readDesignFile(text), view);
  } catch (error) {
    if (error instanceof DesignFileError) throw new BadInput(error.faults.map((fault) => `${file}: ${designFileWords(fault)}`).join('\n'));
    throw error;
  }
}
