import { pip } from '../../../demo/pip';
import { applyChange } from '../../design/change';
import type { Design } from '../../design/design';
import type { DesignRecord, ReadingRecord } from '../../design/schema';
import { expectedReadings, mayBeOut, pointsOf, readAll } from '../../diagnosis/expect';
import { verdictOf } from '../../diagnosis/verdict';
import { seeded } from '../../../testing/random';
import { wordFinding } from '../../wording/wording';
import { analyse } from '../analyse';
import { withSlowFindings } from './slowFindings';

const PIP = pip();
const { index, circuits } = analyse(PIP);
const pump = circuits.find(({ name }) => name === 'Water pump')!;
const withAll = (...added: DesignRecord[]): Design => applyChange(PIP, { added, updated: [], removed: [] });
const done = (task: string): DesignRecord => ({
  id: `done_${task.replaceAll(' ', '_')}`.slice(0, 40),
  type: 'doneTask',
  task,
  on: '2026-06-01',
});
const built = (design: Design) =>
  withSlowFindings(analyse(design)).findings.filter(({ rule }) => rule.startsWith('build.')).map(({ rule, severity, circuitId }) => `${rule} ${severity} ${circuitId}`); // prettier-ignore

const moved = [{ mover: { kind: 'device' as const, deviceId: [...index.devices.values()].find(({ name }) => name === 'Water pump switch')!.id, control: 'position' }, position: 'on' }]; // prettier-ignore
const across = pointsOf(index).find((what) => what.kind === 'volts' && what.at.deviceId === pump.loadIds[0])!;
const [planned] = readAll(index, moved, 12.7, [across]);
const read = (value: number): ReadingRecord => ({
  id: 'read_1',
  type: 'reading',
  what: across,
  value,
  batteryV: 12.7,
  moved,
  on: '2026-06-02',
});

// Common practice: ohms before power, and after it what the circuit does is read.
test('power before its check is a caution, power with nothing read after it a note; in order neither is said', () => {
  expect(built(PIP)).toEqual([]);
  expect(built(withAll(done(`power ${pump.id}`)))).toEqual([`build.poweredUnchecked caution ${pump.id}`, `build.untested note ${pump.id}`]);
  expect(built(withAll(done(`ohms ${pump.id}`), done(`power ${pump.id}`)))).toEqual([`build.untested note ${pump.id}`]);
  expect(built(withAll(done(`ohms ${pump.id}`), done(`power ${pump.id}`), done(`test ${pump.id}`)))).toEqual([]);
  // A reading says as much as a tick.
  expect(built(withAll(done(`ohms ${pump.id}`), done(`power ${pump.id}`), read(planned!)))).toEqual([]);
});

test('a reading that is plainly out is a caution with its range; as planned, or a little off, it is none', () => {
  expect(built(withAll(read(planned!)))).toEqual([]);
  expect(built(withAll(read(planned! - 0.05)))).toEqual([]);
  expect(built(withAll(read(planned! - 2)))).toEqual([`build.readingOut caution ${pump.id}`]);
  const out = withSlowFindings(analyse(withAll(read(10)))).findings.find(({ rule }) => rule === 'build.readingOut')!;
  expect(wordFinding(out, withAll(read(10)), 'us').message).toMatch(
    /^Water pump read 10\.00 V where 12\.\d\d V to 12\.\d\d V was to be expected\.$/,
  );
});

test('what is near the plan is never plainly out, whatever is drawn', () => {
  const points = pointsOf(index);
  const all = readAll(index, moved, 12.7, points);
  const expected = expectedReadings(index, moved, 12.7, points, seeded(4));
  let near = 0;
  points.forEach((_what, at) => {
    for (let share = -20; share <= 20; share++) {
      const value = all[at]! * (1 + share / 100);
      if (mayBeOut(value, all[at]!)) continue;
      near += 1;
      expect([at, share, verdictOf(value, expected[at]!)]).not.toEqual([at, share, 'fail']);
    }
  });
  expect(near).toBeGreaterThan(100);
});
