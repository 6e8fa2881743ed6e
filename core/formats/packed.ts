import { strToU8, zipSync, type Zippable } from 'fflate';
import type { FolderFile } from './folder';

/** What is packed already gains nothing. */
const IS_PACKED = /\.(jpg|pdf)$/;

/** Files as one archive (ZIP; PKWARE APPNOTE). */
export function packed(files: readonly FolderFile[]): Uint8Array<ArrayBuffer> {
  const entries: Zippable = {};
  for (const { path, content } of files)
    entries[path] = [typeof content === 'string' ? strToU8(content) : content, { level: IS_PACKED.test(path) ? 0 : 6 }];
  return zipSync(entries);
}
