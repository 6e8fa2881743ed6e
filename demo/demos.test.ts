import { existsSync, readFileSync } from 'node:fs';
import { analyse } from '../core/analysis/analyse';
import { findReadings } from '../core/analysis/rules/readingRules';
import { recordsOf, type Design } from '../core/design/design';
import { doneForNow } from '../core/design/forNow';
import { Finder } from '../core/diagnosis/diagnose';
import { sameRepair, type Flaw } from '../core/diagnosis/flaws';
import { lastReadings } from '../core/diagnosis/readings';
import { plainJpeg } from '../core/formats/jpeg';
import { harnessOfDesign } from '../core/harness/schedule';
import { planWork } from '../core/plan/schedule';
import { trialResults } from '../core/plan/trialResults';
import { tasksOf } from '../core/plan/tasks';
import { heronAtWork } from './heronAtWork';
import { picturesOf } from './photos';
import { pipInUse } from './pipInUse';

const [HERON, PIP] = [heronAtWork(), pipInUse()];
const open = (design: Design) => {
  const tasks = tasksOf(design, analyse(design).index, harnessOfDesign(design), { isCold: false });
  return { left: planWork(tasks, 1).planned.map(({ task }) => task), of: tasks.length };
};
const circuitCalled = (design: Design, name: string) => recordsOf(design, 'circuit').find((circuit) => circuit.name === name)!.id;

test('Pip is finished: nothing is left to do, nothing is for now, every circuit was read twice and no reading is out', () => {
  expect(open(PIP).left).toEqual([]);
  expect(doneForNow(PIP)).toEqual([]);
  expect([...trialResults(PIP).values()]).toEqual(expect.arrayContaining(['passed']));
  expect([...trialResults(PIP).values()]).not.toContain('failed');
  const analysis = analyse(PIP);
  expect(findReadings(analysis)).toEqual([]);
  expect(analysis.findings.filter(({ rule }) => rule.startsWith('build.') || rule.startsWith('work.'))).toEqual([]);
  const days = new Set(recordsOf(PIP, 'reading').map(({ on }) => on));
  expect([...days].sort()).toEqual(['2025-10-11', '2026-04-12']);
  expect(lastReadings(PIP).length * 2).toBe(recordsOf(PIP, 'reading').length);
});

test('Heron is half built: what is left is what is not in, with one joint for now', () => {
  const { left, of } = open(HERON);
  expect(left.length).toBeGreaterThan(of / 4);
  expect(left.length).toBeLessThan(of * 0.75);
  const isOpen = (kind: string, name: string) => left.some((task) => task.kind === kind && task.subjectId === circuitCalled(HERON, name));
  expect([isOpen('land', 'Galley lights'), isOpen('test', 'Galley lights')]).toEqual([false, false]);
  expect([isOpen('land', 'Cab radio'), isOpen('power', 'Cab radio')]).toEqual([false, true]);
  expect([isOpen('make', 'Driving lamps'), isOpen('pull', 'Driving lamps')]).toEqual([false, true]);
  expect(isOpen('make', 'Hide computer')).toBe(true);
  expect(doneForNow(HERON)).toMatchObject([{ made: 'twist', due: '2026-12-05' }]);
});

// The two faults that are in it, by the readings that are in it alone: the finder names them.
test.each<[string, string, 'off' | 'on', Flaw['kind'], string]>([
  ['Hide bench lights', 'Bench puck', 'off', 'dudDimmer', 'Bench dimmer'],
  ['Galley lights', 'Galley light strip', 'on', 'highJoint', 'Galley light strip'],
])('Heron’s readings of %s are out, and lead to what is wrong', (name, load, does, kind, about) => {
  const { index, wiring, ...analysis } = analyse(HERON);
  const circuitId = circuitCalled(HERON, name);
  expect(findReadings({ index, wiring, ...analysis }).map((finding) => finding.circuitId)).toContain(circuitId);
  const loadId = index.loads.find((one) => one.name === load)!.id;
  const readings = lastReadings(HERON).filter(({ what }) => analysis.loads.get(loadId)!.circuitId === circuitId && (what.kind === 'volts' ? [loadId, index.circuits.find(({ id }) => id === circuitId)!.protectionId].includes(what.at.deviceId) : analysis.wires.get(what.wireId)?.circuitId === circuitId)); // prettier-ignore
  expect(readings).toHaveLength(3);
  const finder = new Finder(index, wiring, [loadId], readings[0]!.moved);
  const { ranked } = finder.diagnose({ batteryV: readings[0]!.batteryV, seen: [{ loadId, does }], readings: readings.map(({ what, value }) => ({ ...what, value })) }); // prettier-ignore
  const subject = recordsOf(HERON, 'device').find((device) => device.name === about)!.id;
  const isIt = (flaw: Flaw) =>
    flaw.kind === kind &&
    (flaw.kind === 'highJoint' ? index.wires.some(({ id, from, to }) => id === flaw.wireId && [from, to].some(({ deviceId }) => deviceId === subject)) : sameRepair(flaw).includes(subject)); // prettier-ignore
  expect(ranked.slice(0, 6).some(({ flaw }) => isIt(flaw))).toBe(true);
});

test.each(['heron', 'pip'] as const)('the photos of %s have pictures of the size they say, without where they were made', (demo) => {
  const design = demo === 'heron' ? HERON : PIP;
  const pictures = picturesOf(demo);
  expect(recordsOf(design, 'photo').map(({ id }) => id).sort()).toEqual(pictures.map(({ id }) => id).sort()); // prettier-ignore
  for (const { id, file } of pictures) {
    expect(existsSync(file)).toBe(true);
    const bytes = readFileSync(file);
    const plain = plainJpeg(bytes)!;
    const { widthPx, heightPx } = recordsOf(design, 'photo').find((photo) => photo.id === id)!;
    expect([plain.widthPx, plain.heightPx]).toEqual([widthPx, heightPx]);
    expect(bytes.length).toBeLessThan(60_000);
  }
});
