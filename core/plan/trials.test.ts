import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { analyse } from '../analysis/analyse';
import { Edit } from '../design/edit';
import { movesFor } from '../diagnosis/moves';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { trialWords } from '../wording/planWords';
import { wordFinding } from '../wording/wording';
import { setTrial, trialOf, trialResults } from './trialResults';
import { trialsOf, trialsOfAll } from './trials';

const HERON = heron();
const analysis = analyse(HERON);
const of = (name: string) => {
  const circuit = analysis.circuits.find((one) => one.name === name)!;
  const { index, wiring } = analysis;
  return trialsOf(index, wiring, circuit, movesFor(index, wiring, circuit.loadIds)!);
};
const said = (name: string) => of(name).map((trial) => Object.values(trialWords(HERON, trial)).join(': '));

// Common practice: what a meter does not show is tried by hand.
test.each<[string, RegExp[]]>([
  ['Hide bench lights', [/^Bench dimmer: through every level/, /^Bench puck: in the dark, all of it on/]],
  ['Rear door and step lights', [/goes off \d+ s after the last time/, /shut, a clamp .*: \d\.\d\d A/]],
  ['Fridge', []],
])('%s is tried by what there is in it', (name, expected) => {
  const words = said(name).join('\n');
  for (const each of expected) expect(words).toMatch(new RegExp(each.source, 'm'));
  if (expected.length === 0) expect(words).toBe('');
  expect(words).not.toMatch(/undefined|NaN/);
});

test('a sensor that works in the dark alone is tried by day too, and what gives no light is no matter of evenness', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 5);
  build.add({ id: 'motion', kind: 'motionSwitch', holdS: 90, ratingA: 5, standbyA: 0.01, darkOnly: true });
  build.load(12, 'resistive', 0, { id: 'heater', quantity: 3 });
  build.load(12, 'ledStrip', 0, { id: 'lamps', quantity: 3 });
  build.load(12, 'ledStrip', 0, { id: 'lamp' });
  build.wire('fuse.out', 'motion.in');
  build.wire('motion.minus', 'bar.bar', 500, 'mm2:1', 'return');
  for (const id of ['heater', 'lamps', 'lamp']) {
    build.wire('motion.out', `${id}.plus`);
    build.wire(`${id}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
  }
  const design = build.design();
  const index = indexDesign(design);
  const trials = trialsOf(index, traceWiring(index), { id: 'c', protectionId: 'fuse', loadIds: ['heater', 'lamps', 'lamp'] }, []);
  expect(trials.map(({ key }) => key)).toEqual(['c hold motion', 'c even lamps']);
  expect(trialWords(design, trials[0]!)).toEqual({
    act: 'motion: set it off and look at the clock; once in the dark and once by day',
    should: 'goes off 90 s after the last time; by day nothing comes on',
  });
});

test('with the door shut no more flows than what stands by', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 5);
  build.add({ id: 'door', kind: 'doorSwitch', ratingA: 5 });
  build.load(12, 'resistive', 0, { id: 'lamp' });
  build.load(6, 'resistive', 0, { id: 'always' });
  build.wire('lamp.minus', 'door.lead', 1000, 'mm2:2.5', 'return');
  build.wire('door.body', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.add({ id: 'switch', kind: 'switch', ratingA: 5 });
  build.wire('fuse.out', 'lamp.plus');
  build.wire('fuse.out', 'switch.in');
  build.wire('switch.out', 'always.plus');
  build.wire('always.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  const index = indexDesign(build.design());
  const wiring = traceWiring(index);
  const moved = movesFor(index, wiring, ['lamp', 'always'])!;
  const [shut] = trialsOf(index, wiring, { id: 'c', protectionId: 'fuse', loadIds: ['lamp', 'always'] }, moved);
  // Six watts at some 12.7 V.
  expect(shut).toMatchObject({ kind: 'shut', deviceId: 'door', key: 'c shut door' });
  expect(shut!.kind === 'shut' && shut!.amps).toBeCloseTo(0.53, 1);
});

test('how it went is kept, one way at a time; what went wrong is found until it is tried again', () => {
  const trial = of('Hide bench lights').find(({ kind }) => kind === 'levels');
  const after = (...results: ('passed' | 'failed' | null)[]) => {
    const edit = new Edit(HERON);
    for (const result of results) setTrial(edit, trial!.key, result, '2026-11-29');
    return edit.design;
  };
  const found = (design: typeof HERON) => analyse(design).findings.filter(({ rule }) => rule === 'build.trialFailed');
  expect(trialResults(after('passed')).get(trial!.key)).toBe('passed');
  expect(trialResults(after('failed', 'passed')).get(trial!.key)).toBe('passed');
  expect(trialResults(after('failed', null)).size).toBe(0);
  expect(found(after('passed'))).toEqual([]);
  const failed = after('failed');
  expect(found(failed)).toMatchObject([{ severity: 'caution', subjects: [trial!.deviceId, expect.any(String)] }]);
  expect(wordFinding(found(failed)[0]!, failed, 'metric').message).toBe(
    '11 Hide bench lights: dimming was tried at Bench dimmer and is not as it should be.',
  );
  const edit = new Edit(failed);
  setTrial(edit, trial!.key, 'passed', '2026-11-30');
  expect(found(edit.design)).toEqual([]);
});

test('with everything on the engine is tried at idle, where one charges; that it does not hold is found', () => {
  const [trial, ...more] = trialsOfAll(analysis.index);
  expect([trial!.kind, more]).toEqual(['idle', []]);
  expect(trialWords(HERON, trial!).act).toMatch(/everything on, the engine at idle for five minutes$/);
  const edit = new Edit(HERON);
  setTrial(edit, trial!.key, 'failed', '2026-11-29');
  const found = analyse(edit.design).findings.filter(({ rule }) => rule === 'build.trialFailed');
  expect(found).toMatchObject([{ subjects: [trial!.deviceId], circuitId: null }]);
  expect(wordFinding(found[0]!, edit.design, 'metric').message).toMatch(
    /: holding everything at idle was tried and is not as it should be\.$/,
  );
  const build = rig();
  build.supply();
  expect(trialsOfAll(indexDesign(build.design()))).toEqual([]);
});

test('what is in a file and is no trial’s, or of what is gone, is passed over', () => {
  const [trial] = of('Hide bench lights');
  const { circuitId, deviceId } = trialOf(trial!.key)!;
  for (const key of [
    `${circuitId} nonsense ${deviceId}`,
    `${circuitId} levels`,
    `${circuitId} levels ${deviceId} more`,
    `gone levels ${deviceId}`,
    `${circuitId} levels gone`,
    '',
  ]) {
    const edit = new Edit(HERON);
    setTrial(edit, key, 'failed', '2026-11-29');
    expect(analyse(edit.design).findings.filter(({ rule }) => rule === 'build.trialFailed')).toEqual([]);
  }
});
