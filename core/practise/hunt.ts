import * as z from 'zod/mini';
import { numberIn, textOf } from '../units/schema';
import type { Design } from '../design/design';
import type { DesignRecord } from '../design/schema';
import { mover, position } from '../design/wishSchema';
import { id } from '../devices/fields';
import { BLOWS_WHEN, type BlowsWhen } from '../diagnosis/blows';
import type { Flaw } from '../diagnosis/flaws';
import type { Moved } from '../diagnosis/foresee';

/** What an owner says is wrong, what truly is, and how things stand when it shows. */
export interface Complaint {
  /** In the owner's words. */
  says: string;
  flaw: Flaw;
  moved: readonly Moved[];
  /** What it is about. */
  loadIds: readonly string[];
  /** Loads of these that nobody can see. */
  unseenIds?: readonly string[];
  /** In which other states somebody has seen what they do. */
  seenToo?: readonly (readonly Moved[])[];
  /** The fuse that goes by it, and when. */
  blows?: Blows;
}

export interface Blows {
  fuseId: string;
  when: BlowsWhen;
}

/** Something to be found on a board: a design as it was planned, and what of it is not so. */
export interface Hunt {
  id: string;
  title: string;
  /** 1: a first one; 2: with relays or two ways; 3: several circuits, several faults, or all of it works. */
  level: 1 | 2 | 3;
  story: string;
  complaints: readonly Complaint[];
  design: Design;
}

const terminal = z.strictObject({ deviceId: id, terminal: textOf(1, 20) });
const deviceFlaw = <K extends string>(kind: K) => z.strictObject({ kind: z.literal(kind), deviceId: id });

/** What may be wrong on a board, as it is kept in a file. */
export const flawSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('openWire'), wireId: id }),
  z.strictObject({ kind: z.literal('highJoint'), wireId: id, ohm: z.number().check(z.positive(), z.maximum(1e6)) }),
  z.strictObject({ kind: z.literal('blownFuse'), fuseId: id }),
  z.strictObject({ kind: z.literal('deadLoad'), loadId: id }),
  deviceFlaw('openContact'),
  deviceFlaw('stuckContact'),
  deviceFlaw('openCoil'),
  z.strictObject({ kind: z.literal('dudDimmer'), deviceId: id, gives: z.enum(['full', 'none']) }),
  z.strictObject({ kind: z.literal('swapped'), wireIds: z.tuple([id, id]) }),
  z.strictObject({ kind: z.literal('misplaced'), wireId: id, end: z.enum(['from', 'to']), on: terminal }),
  z.strictObject({ kind: z.literal('bridged'), from: terminal, to: terminal }),
  z.strictObject({ kind: z.literal('chafed'), wireId: id, end: z.enum(['from', 'to']) }),
]);

export const blowsSchema = z.strictObject({ fuseId: id, when: z.enum(BLOWS_WHEN) });

export const movedSchema = z.strictObject({ mover, position });

/** How well a person names a fault: what has to be mended, without how bad it is. */
export const NAMED_KINDS = [
  'joint',
  'misplaced',
  'bridged',
  'chafed',
  'blown',
  'dead',
  'openContact',
  'stuckContact',
  'openCoil',
  'dudDimmer',
] as const;
export type NamedKind = (typeof NAMED_KINDS)[number];
/** What is named: a wire, a fuse, a part. */
const named = z.strictObject({ kind: z.enum(NAMED_KINDS), subjectId: id });
export type Named = z.infer<typeof named>;

const wireEnd = { wireId: id, end: z.enum(['from', 'to']) };
/** The modes of a meter with two leads. */
export const LEAD_MODES = ['volts', 'ohms', 'continuity', 'diode'] as const;

/** One thing done on a board. */
export const huntAct = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('flick'), mover, position }),
  z.strictObject({ kind: z.literal('wait'), seconds: numberIn(1, 3600) }),
  /** The battery's minus lead off, or on again. */
  z.strictObject({ kind: z.literal('isolate'), off: z.boolean() }),
  z.strictObject({ kind: z.literal('pullFuse'), fuseId: id }),
  /** A new fuse of so many amperes. */
  z.strictObject({ kind: z.literal('fitFuse'), fuseId: id, ratingA: numberIn(0.5, 1000) }),
  z.strictObject({ kind: z.literal('lift'), ...wireEnd }),
  z.strictObject({ kind: z.literal('land'), ...wireEnd }),
  /** A lead with a fuse in it from one terminal to another; null: taken away. */
  z.strictObject({ kind: z.literal('bridge'), lead: z.nullable(z.strictObject({ from: terminal, to: terminal })) }),
  z.strictObject({ kind: z.literal('meter'), mode: z.enum(LEAD_MODES), red: terminal, black: terminal }),
  z.strictObject({ kind: z.literal('clamp'), wireId: id }),
  /** At a part: what it does, and which wires land where. */
  z.strictObject({ kind: z.literal('look'), deviceId: id }),
  /** A hand on a wire's ends, or on a part. */
  z.strictObject({ kind: z.literal('touch'), subjectId: id }),
  /** A nose close to a part or wire. */
  z.strictObject({ kind: z.literal('smell'), subjectId: id }),
  /** A lamp in a fuse's place; null: taken out again. */
  z.strictObject({ kind: z.literal('lamp'), fuseId: z.nullable(id) }),
  /** Says what is wrong and mends it. */
  z.strictObject({ kind: z.literal('mend'), named }),
  /** Everything tried once more. */
  z.strictObject({ kind: z.literal('prove') }),
]);
export type HuntAct = z.infer<typeof huntAct>;
export type LeadMode = (typeof LEAD_MODES)[number];
/** An end of a wire. */
export type WireEnd = Pick<Extract<HuntAct, { kind: 'lift' }>, 'wireId' | 'end'>;

/** Acts that only look: nothing moves by them. */
export const LOOKS: ReadonlySet<HuntAct['kind']> = new Set(['meter', 'clamp', 'look', 'touch', 'smell']);

/** The most acts of one hunt. */
export const MOST_HUNT_ACTS = 400;

/** Which names are right for a fault. */
export function namesFor(flaw: Flaw): Named[] {
  switch (flaw.kind) {
    case 'none':
      return [];
    case 'openWire':
    case 'highJoint':
      return [{ kind: 'joint', subjectId: flaw.wireId }];
    case 'blownFuse':
      return [{ kind: 'blown', subjectId: flaw.fuseId }];
    case 'deadLoad':
      return [{ kind: 'dead', subjectId: flaw.loadId }];
    case 'swapped':
      return flaw.wireIds.map((subjectId) => ({ kind: 'misplaced', subjectId }));
    case 'misplaced':
    case 'chafed':
      return [{ kind: flaw.kind, subjectId: flaw.wireId }];
    case 'bridged':
      return [flaw.from, flaw.to].map(({ deviceId }) => ({ kind: 'bridged', subjectId: deviceId }));
    default:
      return [{ kind: flaw.kind, subjectId: flaw.deviceId }];
  }
}

export const isSameName = (one: Named, other: Named) => one.kind === other.kind && one.subjectId === other.subjectId;

/** What may be said to be wrong with something, by what it is. */
export function namesOffered(record: DesignRecord | undefined): NamedKind[] {
  if (record?.type === 'wire') return ['joint', 'misplaced', 'chafed'];
  if (record?.type !== 'device') return [];
  switch (record.kind) {
    case 'protection':
      return ['blown'];
    case 'load':
      return ['dead', 'bridged'];
    case 'relay':
      return ['openContact', 'stuckContact', 'openCoil', 'bridged'];
    case 'dimmer':
      return ['dudDimmer', 'bridged'];
    case 'switch':
    case 'doorSwitch':
    case 'microSwitch':
    case 'isolator':
      return ['openContact', 'stuckContact', 'bridged'];
    default:
      return ['bridged'];
  }
}
