import { problems, takenWay, truthTable } from '../../../testing/gallery';
import { rig } from '../../../testing/rig';
import { truthOf } from '../../bench/truth';
import { recordsOf, type Design } from '../../design/design';
import { traceWiring } from '../../network/traceWiring';
import { indexDesign } from '../../rig/designIndex';
import { wayCalled, WAYS, type WayId } from './ways';
import { sparePoles, THERE } from './spare';
import { wayTo } from './wayTo';

const LAMP = 'one';
const OTHER = 'two';

describe('a whole circuit', () => {
  /** Two lamps on one fuse, the second behind a switch of its own. */
  function pair(): Design {
    const build = rig();
    build.supply();
    build.slot('first', 1, 10);
    build.add({ id: 'joint', kind: 'splice' });
    build.add({ id: 'own', kind: 'switch', ratingA: 10 });
    for (const id of [LAMP, OTHER]) build.load(12, 'resistive', 0, { id });
    build.wire('first.out', 'joint.joint', 2000);
    build.wire('joint.joint', `${LAMP}.plus`);
    build.wire('joint.joint', 'own.in');
    build.wire('own.out', `${OTHER}.plus`);
    for (const id of [LAMP, OTHER]) build.wire(`${id}.minus`, 'bar.bar', 1000, 'mm2:2.5', 'return');
    build.circuit('first', 1, 'first');
    return build.design();
  }
  const taken = (design: Design, id: WayId, loadId: string) =>
    takenWay(design, id, loadId, { signal: wayCalled(id).signals?.[0] ?? 'ignition', otherId: null, whole: true });
  const lit = (design: Design, id: string) => {
    const index = indexDesign(design);
    const found = truthOf(index, traceWiring(index), id);
    return 'rows' in found ? found.rows.filter(({ on }) => on).length : null;
  };

  // By hand: the new switch is ahead of both, the other's own stays behind it.
  test('is switched at its fuse, what switches a part of it stays, and gives way to another way', () => {
    const first = taken(pair(), 'switch', LAMP);
    expect(first.dropped).toEqual([]);
    expect(truthTable(first.design, LAMP)).toEqual({ 'first switch off': false, 'first switch on': true });
    expect([lit(first.design, LAMP), lit(first.design, OTHER)]).toEqual([1, 1]);
    expect(problems(first.design)).toEqual(problems(pair()));
    const metres = (design: Design) => recordsOf(design, 'wire').reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    expect(metres(first.design)).toBe(metres(pair()));
    const second = taken(first.design, 'signal', OTHER);
    expect(second.dropped.map(({ name }) => name)).toEqual(['first switch']);
    expect(truthTable(second.design, LAMP)).toEqual({ 'key off': false, 'key accessory': false, 'key on': true, 'key start': true });
    expect(recordsOf(second.design, 'device').some(({ id }) => id === 'own')).toBe(true);
    const parts = (design: Design) => recordsOf(design, 'device').filter(({ kind }) => kind !== 'signalSource').map(({ id }) => id).sort(); // prettier-ignore
    expect(parts(taken(second.design, 'direct', LAMP).design)).toEqual(parts(pair()));
  });

  test.each(WAYS.filter(({ atLoad, asks }) => !atLoad && !THERE.some((what) => what === asks)).map(({ id }) => id))(
    '%s brings nothing that is wrong',
    (id) => {
      const { design } = taken(pair(), id, LAMP);
      expect(problems(design)).toEqual(problems(pair()));
    },
  );

  test('what is wired at a load cannot be for a whole circuit', () => {
    for (const id of ['door', 'returnDimmer', 'oneOfTwo'] as const)
      expect(wayTo(pair(), LAMP, wayCalled(id), { signal: 'ignition', otherId: OTHER, whole: true })).toBeNull();
  });
});

test('a pole nothing is on is told, one of which both are used or none is is not', () => {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 10);
  for (const id of ['half', 'full', 'none']) build.add({ id, kind: 'switch', ratingA: 10, form: 'doublePoleChangeover' });
  build.wire('fuse.out', 'half.common1');
  for (const pole of [1, 2]) build.wire('fuse.out', `full.common${pole}`);
  expect(sparePoles(build.design())).toEqual(['half']);
});
