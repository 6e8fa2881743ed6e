import type { OhmsExpected } from './ohms';

/** What is done in one go, in one place, with one tool. */
export interface Task {
  id: string;
  kind: TaskKind;
  /** What it is about: a device, a panel, a stretch, a circuit; null where it is about all of it. */
  subjectId: string | null;
  /** Where one stands; null at the bench, or anywhere. */
  placeId: string | null;
  minutes: number;
  /** What must be done before, and how long after its end: paint dries, glue cures, a battery rests. */
  after: readonly { id: string; holdMinutes: number }[];
  isDone: boolean;
  /** At first power: the fuse that is put in before the circuit's own, A; none where no smaller one would hold. */
  testFuseA?: number | undefined;
  /** At a check with ohms of one circuit: what its fuse's outgoing side should read to the return. */
  ohms?: OhmsExpected;
  /** Of one that is done in several sittings: which it is. */
  sitting?: { at: number; of: number };
}

export type TaskKind =
  | 'isolate'
  | 'drill'
  | 'prime'
  | 'grommet'
  | 'cutPanel'
  | 'fit'
  | 'make'
  | 'pull'
  | 'crimpInside'
  | 'land'
  | 'ohms'
  | 'connect'
  | 'power'
  | 'test'
  /** Sealed where water stands, once its cable is through. */
  | 'seal'
  /** A lamp that lights the road or the ground, aimed in the dark. */
  | 'aim'
  /** Covers and trim back, once everything is read. */
  | 'refit'
  /** Of the person's own. */
  | 'own';
