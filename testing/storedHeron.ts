import { readFileSync, rmSync, writeFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeDesign, type Design } from '../core/design/design';
import type { DesignRecord } from '../core/design/schema';

/** Where Heron is kept while unit tests run: to wire it takes longer than most tests that begin with it. */
const FILE = 'STORED_HERON';

/** Heron as `storeHeron` kept it, each time anew. */
export function heron(): Design {
  return makeDesign(JSON.parse(readFileSync(process.env[FILE]!, 'utf8')) as DesignRecord[]);
}

export function storeHeron(design: Design): void {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'vine-knot-heron-')), 'records.json');
  writeFileSync(file, JSON.stringify(Array.from(design.records.values())));
  process.env[FILE] = file;
}

export function dropHeron(): void {
  rmSync(path.dirname(process.env[FILE]!), { recursive: true });
}
