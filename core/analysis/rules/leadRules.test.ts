import { rig } from '../../../testing/rig';
import { analyse } from '../analyse';
import { wordFinding } from '../../wording/wording';

type Build = ReturnType<typeof rig>;

/** A design whose lamp is fed as it should be, with something else on the battery's positive besides. */
function beside(wireUp: (build: Build) => void) {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 5);
  build.load(24, 'ledConstantPower', 0, { id: 'lamp' });
  build.wire('fuse.out', 'lamp.plus', 1000, 'mm2:2.5');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  build.circuit('lamp', 1, 'fuse');
  wireUp(build);
  const design = build.design();
  const found = analyse(design).findings.filter(({ rule }) => rule.startsWith('main.'));
  return found.map((finding) => ({ ...finding, message: wordFinding(finding, design, 'metric').message }));
}

// Every positive has protection at its source: within 200 mm bare (ISO 10133), 1.83 m in a sheath (ABYC E-11); from memory.
describe('a second way off the battery, beside the main fuse', () => {
  it('is in order with a fuse of its own close by', () => {
    const found = beside((build) => {
      build.add({ id: 'second', kind: 'protection', family: 'terminalMount', ratingA: 100, mount: null });
      build.load(600, 'converter', 0, { id: 'inverter' });
      build.wire('battery.plus', 'second.in', 200, 'mm2:35');
      build.wire('second.out', 'inverter.plus', 2000, 'mm2:35');
      build.wire('inverter.minus', 'battery.minus', 2000, 'mm2:35', 'return');
    });
    expect(found).toEqual([]);
  });

  it.each([
    [201, 'caution'],
    [1900, 'fault'],
  ])('whose fuse sits %d mm off is a %s', (leadMm, severity) => {
    const found = beside((build) => {
      build.add({ id: 'second', kind: 'protection', family: 'terminalMount', ratingA: 100, mount: null });
      build.wire('battery.plus', 'second.in', leadMm, 'mm2:35');
    });
    expect(found).toMatchObject([{ rule: 'main.farFromBattery', severity, subjects: ['second'], numbers: { leadMm, mostMm: 200 } }]);
  });

  it('with no fuse at all before a load is a fault', () => {
    const found = beside((build) => {
      build.load(48, 'motor', 0, { id: 'pump' });
      build.wire('battery.plus', 'pump.plus', 400, 'mm2:2.5');
      build.wire('pump.minus', 'battery.minus', 400, 'mm2:2.5', 'return');
    });
    expect(found).toMatchObject([{ rule: 'main.bare', severity: 'fault', subjects: ['pump'] }]);
    expect(found[0]!.message).toBe('pump (4.00 A) hangs on the battery’s positive with no fuse or breaker on the way.');
  });

  it('to a block is told of once, not fuse by fuse', () => {
    const found = beside((build) => {
      build.add({ id: 'bare', kind: 'fuseBlock', slots: 6, slotMaxA: 30, blockMaxA: 100 });
      build.add({ id: 'a', kind: 'protection', family: 'blade', ratingA: 5, mount: { blockId: 'bare', slot: 1 } });
      build.add({ id: 'b', kind: 'protection', family: 'blade', ratingA: 5, mount: { blockId: 'bare', slot: 2 } });
      build.wire('battery.plus', 'bare.in', 900, 'mm2:6');
    });
    expect(found).toMatchObject([{ rule: 'main.farFromBattery', subjects: ['bare'], numbers: { leadMm: 900 } }]);
  });

  it('to a charger fused at its own end alone leaves the battery’s end bare', () => {
    const found = beside((build) => {
      build.add({ id: 'far', kind: 'protection', family: 'terminalMount', ratingA: 60, mount: null });
      build.add({ id: 'charger', kind: 'charger', outputV: 14.4, maxA: 30 });
      build.wire('battery.plus', 'far.in', 3000, 'mm2:16');
      build.wire('far.out', 'charger.plus', 100, 'mm2:16');
    });
    expect(found).toMatchObject([{ rule: 'main.farFromBattery', severity: 'fault', subjects: ['far'] }]);
  });
});

test('where the main protection is missing as such, that is said once', () => {
  const build = rig();
  build.battery('agm', 100);
  build.add({ id: 'block', kind: 'fuseBlock', slots: 6, slotMaxA: 30, blockMaxA: 100 });
  build.slot('fuse', 1, 5);
  build.load(24, 'ledConstantPower', 0, { id: 'lamp' });
  build.wire('battery.plus', 'block.in', 1000, 'mm2:16');
  build.wire('fuse.out', 'lamp.plus', 1000, 'mm2:2.5');
  build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:2.5', 'return');
  build.circuit('lamp', 1, 'fuse');
  const found = analyse(build.design()).findings.filter(({ rule }) => rule.startsWith('main.'));
  expect(found.map(({ rule }) => rule)).toEqual(['main.missing']);
});
