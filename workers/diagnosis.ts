import { deviceOf, makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import { BlownCircuit, type BlowsObserved, type CircuitSaid } from '@/core/diagnosis/blows';
import { drainOf, type Drain, type FuseReading } from '@/core/diagnosis/drain';
import { afterLooking, Finder, type Diagnosis, type Measurement, type Observed } from '@/core/diagnosis/diagnose';
import { expectedReadings, type Expected } from '@/core/diagnosis/expect';
import { fitToReadings, type Fitted } from '@/core/diagnosis/fit';
import { lastReadings } from '@/core/diagnosis/readings';
import type { Moved } from '@/core/diagnosis/foresee';
import { seeded } from '@/core/energy/weather';
import { NetworkError } from '@/core/network/networkError';
import { networkWords } from '@/core/wording/networkWords';
import { traceWiring } from '@/core/network/traceWiring';
import { indexDesign } from '@/core/rig/designIndex';

/** What is asked of the worker, and what each question is answered with. */
export type DiagnosisQuestion =
  | { ask: 'find'; loadIds: readonly string[]; moved: readonly Moved[]; observed: Observed; sound: readonly string[] }
  | { ask: 'expect'; moved: readonly Moved[]; batteryV: number | null; points: readonly Measurement[] }
  /** Why a fuse blows in a state, and what to do next with a lamp in its place. */
  | { ask: 'blows'; fuseId: string; moved: readonly Moved[]; said: CircuitSaid; observed: BlowsObserved }
  /** Where the current goes while everything is off. */
  | { ask: 'drain'; readings: readonly FuseReading[]; batteryA: number | null }
  /** How the plan would have to be for all that was read. */
  | { ask: 'fit' };
export type DiagnosisAnswer =
  { diagnosis: Diagnosis } | { blown: Blown } | { drain: Drain } | { expected: Expected[] } | { fitted: Fitted } | { problem: string };

/** Why a fuse blows, and the lamp's volts while nothing is wrong. */
export type Blown = ReturnType<BlownCircuit['diagnose']> & { soundV: number };

/** The vehicles drawn are the same each time: what is expected must not flicker. */
const SEED = 1;

/** Ranks what may be wrong, or works out what every point should read, off the page's own thread. Ended by terminating it. */
self.onmessage = ({ data }: MessageEvent<DiagnosisQuestion & { records: DesignRecord[] }>) => {
  const post = (news: DiagnosisAnswer) => self.postMessage(news);
  const design = makeDesign(data.records);
  const index = indexDesign(design);
  try {
    if (data.ask === 'find') {
      const finder = new Finder(index, traceWiring(index), data.loadIds, data.moved, { weight: afterLooking(data.sound) });
      post({ diagnosis: finder.diagnose(data.observed) });
    } else if (data.ask === 'blows') {
      const fuse = deviceOf(design, data.fuseId, 'protection');
      if (!fuse) return post({ problem: 'That fuse is not in the design any more.' });
      const circuit = new BlownCircuit(index, traceWiring(index), fuse, data.moved, data.said);
      post({ blown: { ...circuit.diagnose(data.observed), soundV: circuit.soundV } });
    } else if (data.ask === 'drain') post({ drain: drainOf(index, data.readings, data.batteryA) });
    else if (data.ask === 'fit') post({ fitted: fitToReadings(index, traceWiring(index), lastReadings(design)) });
    else post({ expected: expectedReadings(index, data.moved, data.batteryV, data.points, seeded(SEED)) });
  } catch (error) {
    if (!(error instanceof NetworkError)) throw error;
    post({ problem: networkWords(error.problem, design) });
  }
};
