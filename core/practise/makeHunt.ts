import type { Design } from '../design/design';
import { nameOf } from '../design/names';
import type { Flaw } from '../diagnosis/flaws';
import { movesFor } from '../diagnosis/moves';
import { NetworkError } from '../network/networkError';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { namesOffered, type Complaint, type Hunt, type Named, type NamedKind } from './hunt';
import { HuntBench } from './huntBench';
import { blowsOf } from './shorts';

/** What somebody wants others to find on a design of their own. */
export interface Wanted {
  named: Named;
  /** Of a bad joint, ohm; null: it is broken. */
  ohm: number | null;
  /** What the complaint is about. */
  loadId: string;
  says: string;
  story: string;
}

/** Faults that are made by naming a part; where a wire should not be takes a second place to name. */
export const MADE_KINDS: readonly NamedKind[] = [
  'joint',
  'chafed',
  'blown',
  'dead',
  'openContact',
  'stuckContact',
  'openCoil',
  'dudDimmer',
];

/** What a part or wire of a design can be made to have. */
export const kindsFor = (design: Design, id: string): NamedKind[] =>
  namesOffered(design.records.get(id)).filter((kind) => MADE_KINDS.includes(kind));

/**
 * A hunt with that fault in a copy of the design, and whether the load then does other than it should; null where the load can never be
 * lit, the network has no answer, or a short would meet no fuse.
 */
export function madeHunt(design: Design, { named, ohm, loadId, says, story }: Wanted): { hunt: Hunt; shows: boolean } | null {
  const index = indexDesign(design);
  const flaw = flawOf(named, ohm);
  const moved = index.battery && movesFor(index, traceWiring(index), [loadId]);
  if (!flaw || !moved) return null;
  const complaint: Complaint = { says, flaw, moved, loadIds: [loadId] };
  const hunt: Hunt = { id: `made-${named.kind}-${named.subjectId}`, title: `${nameOf(design, 'settings')}: ${nameOf(design, loadId)}`, level: 3, story, design, complaints: [complaint] }; // prettier-ignore
  try {
    const sound = new HuntBench({ ...hunt, complaints: [{ ...complaint, flaw: { kind: 'none' } }] });
    const blows = flaw.kind === 'chafed' ? blowsOf(hunt) : null;
    const told = blows ? { ...hunt, complaints: [{ ...complaint, blows }] } : hunt;
    const shows = new HuntBench(hunt).does(loadId) !== sound.does(loadId);
    // What no fuse guards burns: that is no hunt.
    return flaw.kind === 'chafed' && shows && !blows ? null : { hunt: told, shows };
  } catch (error) {
    if (error instanceof NetworkError) return null;
    throw error;
  }
}

function flawOf({ kind, subjectId }: Named, ohm: number | null): Flaw | null {
  switch (kind) {
    case 'joint':
      return ohm === null ? { kind: 'openWire', wireId: subjectId } : { kind: 'highJoint', wireId: subjectId, ohm };
    case 'blown':
      return { kind: 'blownFuse', fuseId: subjectId };
    case 'dead':
      return { kind: 'deadLoad', loadId: subjectId };
    case 'dudDimmer':
      return { kind: 'dudDimmer', deviceId: subjectId, gives: 'full' };
    case 'openContact':
    case 'stuckContact':
    case 'openCoil':
      return { kind, deviceId: subjectId };
    case 'chafed':
      return { kind: 'chafed', wireId: subjectId, end: 'from' };
    case 'misplaced':
    case 'bridged':
      return null;
  }
}
