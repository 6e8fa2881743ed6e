import { hunt as followed } from '../../testing/faultHunt';
import { classesOf, fewestMeasurements, type Suspected } from '../../testing/parSearch';
import { seeded } from '../../testing/random';
import { Finder } from '../diagnosis/diagnose';
import { probePoints, sameRepair, suspectsIn } from '../diagnosis/flaws';
import { doing, Foresight, type Foreseen } from '../diagnosis/foresee';
import { spreadOf } from '../diagnosis/outcomes';
import { traceWiring } from '../network/traceWiring';
import { indexDesign } from '../rig/designIndex';
import { BOARDS } from './boards';

test('by hand: four suspects, one measurement halves them twice; three that read alike need none', () => {
  const suspect = (repair: string, ...reads: number[]): Suspected => ({ share: 0.25, repair, reads });
  expect(fewestMeasurements([suspect('a', 0, 0), suspect('b', 0, 1), suspect('c', 1, 0), suspect('d', 1, 1)])).toBe(2);
  expect(fewestMeasurements([suspect('a', 0, 0), suspect('b', 0, 1), suspect('c', 0, 2), suspect('d', 0, 3)])).toBe(1);
  expect(fewestMeasurements([suspect('a', 3, 3), suspect('b', 3, 3), suspect('c', 3, 3)])).toBe(0);
  expect(classesOf([12.8, 0, 12.79, 6, 0.001], () => 0.02)).toEqual([2, 0, 2, 1, 0]);
});

/** A joint's resistances that are tried apart. */
const JOINTS = 2;

/** Everything that may be wrong on a board and shows as its complaint does, with what every measurement would read. */
function suspected(id: string) {
  const board = BOARDS.find((one) => one.id === id)!;
  const index = indexDesign(board.design);
  const { moved, loadIds } = board.complaints[0]!;
  const points = probePoints(index);
  const wireIds = index.wires.map((wire) => wire.id);
  const all = new Foresight(index, moved, points, wireIds).all(suspectsIn(index));
  const seenOf = ({ does }: Foreseen) => does.map(doing).join();
  const sound = seenOf(all.find(({ flaw }) => flaw.kind === 'none')!);
  const groups = new Map<string, Foreseen[]>();
  for (const one of all) if (seenOf(one) !== sound) groups.set(seenOf(one), [...(groups.get(seenOf(one)) ?? []), one]);
  return { index, moved, loadIds, groups: [...groups.values()].map(thinned) };
}

/** Of each joint a few resistances, its whole likelihood shared among them. */
function thinned(all: readonly Foreseen[]): Foreseen[] {
  const joints = new Map<string, Foreseen[]>();
  const others: Foreseen[] = [];
  for (const one of all) {
    if (one.flaw.kind !== 'highJoint') others.push(one);
    else joints.set(one.flaw.wireId, [...(joints.get(one.flaw.wireId) ?? []), one]);
  }
  return [
    ...others,
    ...[...joints.values()].flatMap((list) => {
      const whole = list.reduce((sum, { prior }) => sum + prior, 0);
      const some = list.filter((_, at) => at % Math.max(1, Math.ceil(list.length / JOINTS)) === 0);
      return some.map((one) => ({ ...one, prior: whole / some.length }));
    }),
  ];
}

test.each(['dim-lamp', 'dead-pump', 'door-light', 'click-no-light', 'two-places'])(
  '%s: who follows the finder needs in the mean one measurement more at most than the best of all ways; who measures at random does not',
  (id) => {
    const { index, moved, loadIds, groups } = suspected(id);
    const wiring = traceWiring(index);
    const finder = new Finder(index, wiring, loadIds, moved, { isWhole: true });
    const random = seeded(9);
    let [weight, best, finders, atRandom] = [0, 0, 0, 0];
    for (const group of groups) {
      const volts = group[0]!.volts.length;
      const columns = [
        ...Array.from({ length: volts }, (_, at) => classesOf(group.map((one) => one.volts[at]!), (value) => spreadOf(value, 'volts'))),
        ...Array.from({ length: group[0]!.amps.length }, (_, at) => classesOf(group.map((one) => Math.abs(one.amps[at]!)), (value) => spreadOf(value, 'amps'))),
      ]; // prettier-ignore
      const list = group.map((one, at): Suspected => ({
        share: one.prior,
        repair: sameRepair(one.flaw),
        reads: columns.map((column) => column[at]!),
      }));
      const share = list.reduce((sum, one) => sum + one.share, 0);
      weight += share;
      best += share * fewestMeasurements(list);
      for (const [at, one] of group.entries()) {
        const went = followed(index, finder, moved, one.flaw, () => 0);
        finders += one.prior * (went?.measured ?? 0);
        atRandom += one.prior * measuredAtRandom(list, at, random);
      }
    }
    const mean = { best: best / weight, finder: finders / weight, random: atRandom / weight };
    expect(mean.best).toBeGreaterThan(0.5);
    expect(mean.finder).toBeLessThanOrEqual(mean.best + 1);
    expect(mean.random).toBeGreaterThan(mean.best + 1);
  },
  120_000,
);

/** Measurements drawn one after another until one repair is left of those that read as the fault does. */
function measuredAtRandom(list: readonly Suspected[], fault: number, random: () => number): number {
  const count = list[0]!.reads.length;
  let left = list.map((_, at) => at);
  for (let taken = 0; ; taken++) {
    const differing = left.some((at) => list[at]!.repair !== list[fault]!.repair && list[at]!.reads.some((read, place) => read !== list[fault]!.reads[place])); // prettier-ignore
    if (!differing || taken > 200) return taken;
    const measure = Math.floor(random() * count);
    left = left.filter((at) => list[at]!.reads[measure] === list[fault]!.reads[measure]);
  }
}
