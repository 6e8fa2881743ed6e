import { rig } from '../../testing/rig';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { applyChange } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { AT_REST, withControl } from '../network/controlState';
import { indexDesign } from '../rig/designIndex';
import { LiveDesign } from '../network/settle';
import { addMainPart, MAIN_PARTS, removeMainPart } from './mainParts';

/** A design with a main fuse, no isolator, and one lamp. */
function bare(): Design {
  const build = rig();
  build.battery('agm', 100);
  build.add({ id: 'main', kind: 'protection', family: 'classT', ratingA: 110, mount: null });
  build.add({ id: 'block', kind: 'fuseBlock', slots: 6, slotMaxA: 30, blockMaxA: 100 });
  build.add({ id: 'bar', kind: 'busBar', ratingA: 150 });
  build.wire('battery.plus', 'main.in', 150, 'mm2:25');
  build.wire('main.out', 'block.in', 1000, 'mm2:25');
  build.wire('bar.bar', 'battery.minus', 1000, 'mm2:25', 'return');
  build.slot('fuse', 1, 5);
  build.lampBehind('fuse', 1, 24);
  return build.design();
}
const rules = (design: Design) => analyse(design).findings.map(({ rule }) => rule);
const serious = (design: Design) =>
  analyse(design)
    .findings.filter(({ severity }) => severity !== 'note')
    .map(({ rule }) => rule);

test('without an isolator there is no way to work on it; one click puts one in, and it is all that was missing', () => {
  const design = bare();
  expect(rules(design)).toContain('main.noIsolator');
  const isolated = applyChange(design, addMainPart(design, 'isolator', 60)!);
  expect(rules(isolated)).not.toContain('main.noIsolator');
  // An isolator that is drawn and stands in nobody’s way isolates nothing.
  const [part] = recordsOf(isolated, 'device').filter(({ kind }) => kind === 'isolator');
  const aside = { records: new Map(Array.from(design.records).concat([[part!.id, part!]])) };
  expect(rules(aside)).toContain('main.noIsolator');
});

test.each(MAIN_PARTS)('a %s is put in and taken out with the cables healed, and nothing is lost on the way', (kind) => {
  for (const start of [bare(), pip()]) {
    const before = serious(start).filter((rule) => rule !== 'main.noIsolator');
    const put = applyChange(start, addMainPart(start, kind, 60)!);
    const analysis = analyse(put);
    expect(analysis.circuits.every(({ fed }) => fed)).toBe(true);
    expect(Array.from(analysis.loads.values()).every(({ returned, circuitId }) => returned || circuitId === null)).toBe(true);
    expect(serious(put).filter((rule) => rule !== 'main.noIsolator')).toEqual(before);
    const known = new Set(start.records.keys());
    const part = recordsOf(put, 'device').find(({ id, kind: of }) => of === kind && !known.has(id))!;
    const out = applyChange(put, removeMainPart(put, part.id)!);
    expect(new Set(out.records.keys())).toEqual(known);
    for (const wire of recordsOf(start, 'wire')) expect(out.records.get(wire.id)).toMatchObject({ from: wire.from, to: wire.to });
  }
});

test('the isolator takes everything off, the cut-off lets go of a low battery and comes back from a full one (common practice: 11.6 and 12.7 V)', () => {
  const design = bare();
  const both = applyChange(design, addMainPart(design, 'cutOut', 60)!);
  const whole = applyChange(both, addMainPart(both, 'isolator', 60)!);
  const isolator = recordsOf(whole, 'device').find(({ kind }) => kind === 'isolator')!;
  const live = new LiveDesign(indexDesign(whole), AT_REST);
  const lamp = (position: string, chargePercent: number, from = AT_REST) => {
    const on = withControl(
      withControl(withControl(from, 'fuse_lamp', 'on', true), isolator.id, 'position', position),
      'battery',
      'chargePercent',
      chargePercent,
    );
    const outcome = live.settle(on);
    return { volts: live.voltage({ deviceId: 'fuse_lamp', terminal: 'plus' })!, state: outcome.state };
  };
  expect(lamp('on', 100).volts).toBeGreaterThan(12);
  expect(lamp('off', 100).volts).toBeLessThan(1);
  // Glass-mat rests at 11.8 V empty; a lamp of 2 A through 4 milliohm does not pull it under 11.6, so it holds.
  expect(lamp('on', 0).volts).toBeGreaterThan(11);
});
