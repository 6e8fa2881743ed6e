import { readdir } from 'node:fs/promises';
import path from 'node:path';

let listed: Promise<string[]> | null = null;

/**
 * The addresses of everything the pages are made of and that never changes under its address: scripts, styles, fonts. None in development.
 */
export function madeOf(): Promise<string[]> {
  return (listed ??= list(path.join(process.cwd(), '.next', 'static')));
}

async function list(folder: string): Promise<string[]> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true }).catch(() => []);
  return entries.flatMap((entry) => {
    if (!entry.isFile() || !/\.(js|css|woff2)$/.test(entry.name)) return [];
    const way = path.relative(folder, path.join(entry.parentPath, entry.name)).split(path.sep);
    return [`/_next/static/${way.map(encodeURIComponent).join('/')}`];
  });
}
