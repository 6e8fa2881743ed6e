import * as z from 'zod/mini';
import { listOf, listUpTo, textOf, textUpTo } from '../units/schema';
import { SCHEMA_VERSION } from '../catalog/vocabulary';
import { makeDesign } from '../design/design';
import { recordKindOf } from '../design/recordKinds';
import type { TerminalRef } from '../design/schema';
import { kindOf } from '../devices';
import { NetworkError } from '../network/networkError';
import { indexDesign } from '../rig/designIndex';
import { DESIGN_FORMAT, DesignFileError, readDesignFile, type DesignFileFault } from '../formats/designFile';
import { subjectsOf } from '../diagnosis/flaws';
import { id } from '../devices/fields';
import { blowsSchema, flawSchema, movedSchema, type Complaint, type Hunt } from './hunt';
import { HuntBench } from './huntBench';

/**
 * A hunt as a file, to be given to somebody: the design as planned, the story, and what is wrong wrapped up so that nobody reads it at a
 * glance.
 */
export const HUNT_FORMAT = 'vine-knot-hunt';
const HUNT_VERSION = 1;

const wrapped = z.array(
  z.strictObject({
    says: textOf(1, 600),
    flaw: flawSchema,
    moved: listUpTo(movedSchema, 60),
    loadIds: listOf(id, 1, 60),
    unseenIds: z.optional(listUpTo(id, 60)),
    seenToo: z.optional(listUpTo(listUpTo(movedSchema, 60), 10)),
    blows: z.optional(blowsSchema),
  }),
);

const huntFile = z.strictObject({
  format: z.literal(HUNT_FORMAT),
  version: z.literal(HUNT_VERSION),
  title: textOf(1, 120),
  level: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  story: textUpTo(1200),
  schemaVersion: z.int().check(z.minimum(1)),
  records: z.array(z.unknown()),
  /** Base64 of the complaints with what is wrong, as JSON. */
  wrapped: textUpTo(100_000),
});

/** What is wrong with the file of a hunt; `huntFileWords.ts` says it. */
export type HuntFileFault =
  | { code: 'noJson' | 'unreadable' | 'notOnBoard' }
  | { code: 'noHunt'; field: string; message: string }
  | { code: 'design'; fault: DesignFileFault };

/** A file that is no hunt. */
export class HuntFileError extends Error {
  constructor(readonly faults: readonly HuntFileFault[]) {
    super(`the file of a hunt with faults: ${faults.map(({ code }) => code).join(', ')}`);
    this.name = 'HuntFileError';
  }
}

/** What of a design tells of its owner or its past is nobody else's: it is left out. */
export function writeHuntFile(hunt: Hunt): string {
  const records = Array.from(hunt.design.records.values()).filter((record) => recordKindOf(record).of === 'design');
  const { title, level, story } = hunt;
  const file: z.infer<typeof huntFile> = {
    ...{ format: HUNT_FORMAT, version: HUNT_VERSION, title, level, story, schemaVersion: SCHEMA_VERSION, records },
    wrapped: btoa(String.fromCharCode(...new TextEncoder().encode(JSON.stringify(hunt.complaints)))),
  };
  return `${JSON.stringify(file, null, 1)}\n`;
}

/** @throws HuntFileError with what is wrong with the file */
export function readHuntFile(text: string): Hunt {
  const read = huntFile.safeParse(parsed(text));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new HuntFileError([{ code: 'noHunt', field: issue!.path.join('.'), message: issue!.message }]);
  }
  const { title, level, story, schemaVersion, records } = read.data;
  const design = designIn(JSON.stringify({ format: DESIGN_FORMAT, schemaVersion, records }));
  const complaints = wrapped.safeParse(unwrapped(read.data.wrapped));
  if (!complaints.success || complaints.data.length === 0) throw new HuntFileError([{ code: 'unreadable' }]);
  const hunt: Hunt = { id: `file-${markOf(text)}`, title, level, story, design, complaints: complaints.data };
  if (!canBePlayed(hunt)) throw new HuntFileError([{ code: 'notOnBoard' }]);
  return hunt;
}

/** Whether the board has a battery and everything its faults are about, and the network as it is then an answer. */
function canBePlayed(hunt: Hunt): boolean {
  const index = indexDesign(hunt.design);
  const isTerminal = ({ deviceId, terminal }: TerminalRef) => {
    const device = index.devices.get(deviceId);
    return device !== undefined && kindOf(device).terminals(device).includes(terminal);
  };
  const isThere = ({ flaw, loadIds, blows }: Complaint) =>
    [...subjectsOf(flaw), ...loadIds].every((one) => hunt.design.records.has(one)) &&
    (!blows || index.devices.get(blows.fuseId)?.kind === 'protection') &&
    (flaw.kind !== 'misplaced' || isTerminal(flaw.on)) &&
    (flaw.kind !== 'bridged' || [flaw.from, flaw.to].every(isTerminal));
  if (!index.battery || !hunt.complaints.every(isThere)) return false;
  try {
    new HuntBench(hunt);
    return true;
  } catch (error) {
    if (error instanceof NetworkError) return false;
    throw error;
  }
}

/** A short mark of a text, so that what was begun on one file is not taken for another's: FNV-1a. */
function markOf(text: string): string {
  let mark = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) mark = Math.imul(mark ^ text.charCodeAt(at), 0x01000193) >>> 0;
  return mark.toString(36);
}

function designIn(text: string): Hunt['design'] {
  try {
    return makeDesign(Array.from(readDesignFile(text).records.values()));
  } catch (error) {
    if (error instanceof DesignFileError) throw new HuntFileError(error.faults.map((fault) => ({ code: 'design', fault })));
    throw error;
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new HuntFileError([{ code: 'noJson' }]);
  }
}

function unwrapped(text: string): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0))));
  } catch {
    return null;
  }
}
