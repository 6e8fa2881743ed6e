import { bench } from '../../../testing/bench';
import { rig } from '../../../testing/rig';
import { analyse } from '../analyse';
import { applyChange, updateRecords } from '../../design/change';
import { checkReferences } from '../../design/references';
import type { TapLeg } from '../../catalog/vocabulary';
import { mountFuse } from '../../switching/schemes';
import { firstFreeSlot } from '../../switching/usualScheme';
import { remediesFor } from '../../advice/remedies';
import { wordFinding } from '../../wording/wording';

interface Tapped {
  leg: TapLeg;
  hostW?: number;
  tapW?: number;
  hostA?: number;
  tapA?: number;
  slotMaxA?: number;
}

/** Two circuits of one lamp each in one slot, the second in a tap. */
function wireUp(build: ReturnType<typeof rig>, { leg, hostW = 60, tapW = 36, hostA = 10, tapA = 5, slotMaxA = 30 }: Tapped): void {
  build.supply({ slotMaxA });
  build.slot('host', 2, hostA);
  build.slot('tap', 2, tapA, leg);
  build.lampBehind('host', 1, hostW);
  build.lampBehind('tap', 2, tapW);
}

const tapped = (what: Tapped) => {
  const build = rig();
  wireUp(build, what);
  return build.design();
};
const found = (what: Tapped, rule: string) => analyse(tapped(what)).findings.find((one) => one.rule === rule);

// Common practice throughout: the common leg of a tap belongs in the clip that is live with the fuse out.
describe('a fuse tap with its common leg in the live clip', () => {
  it('gives each circuit its own fuse, straight from the block', () => {
    const { blocks, protections, findings } = analyse(tapped({ leg: 'supply' }));
    expect(blocks[0]!.slots[1]).toMatchObject({ protectionId: 'host', peakA: 5, tap: { protectionId: 'tap', peakA: 3, leg: 'supply' } });
    expect(protections.get('tap')!.upstreamId).toBe('main');
    // That the live clip was found is not taken for granted until somebody says so.
    expect(findings.filter(({ severity }) => severity !== 'note').map(({ rule }) => rule)).toEqual(['fuse.tapUnproved']);
    expect(blocks[0]!.spare).toBe(5);
  });

  it('passes both currents through one pair of clips: past what the slot takes it is a fault, fuses for more are a caution', () => {
    expect(found({ leg: 'supply', hostW: 120, tapW: 84, hostA: 15, tapA: 10, slotMaxA: 15 }, 'slot.doubledUp')).toMatchObject({
      severity: 'fault',
      numbers: { amps: 17, mostA: 15, ratingA: 25 },
    });
    const snug = { leg: 'supply' as const, hostA: 15, tapA: 10, slotMaxA: 20 };
    const caution = found(snug, 'slot.doubledUp')!;
    expect(caution).toMatchObject({ severity: 'caution', circuitId: 'circuit_tap', numbers: { amps: 8, ratingA: 25, mostA: 20 } });
    expect(wordFinding(caution, tapped(snug), 'metric').message).toBe(
      'tap taps slot 2 of block: 8.00 A at once and fuses for 25 A together, through clips made for 20 A.',
    );
    const [remedy] = remediesFor(analyse(tapped(snug)), caution);
    expect(remedy!.label).toBe('Fit a 4 A fuse');
    expect(analyse(applyChange(tapped(snug), remedy!.change)).findings.some(({ rule }) => rule === 'slot.doubledUp')).toBe(false);
  });
});

describe('one turned round', () => {
  it('hangs the second circuit behind the first fuse, which then carries both', () => {
    const analysis = analyse(tapped({ leg: 'load' }));
    expect(analysis.protections.get('tap')!.upstreamId).toBe('host');
    expect(analysis.blocks[0]!.slots[1]).toMatchObject({ peakA: 8, tap: { peakA: 3, leg: 'load' } });
    expect(found({ leg: 'load' }, 'fuse.tapReversed')).toMatchObject({ severity: 'caution', numbers: { amps: 8, ratingA: 10 } });
    expect(found({ leg: 'load', tapW: 84, tapA: 10 }, 'fuse.tapReversed')).toMatchObject({ severity: 'fault', numbers: { amps: 12 } });
  });

  it('is turned by a click', () => {
    const design = tapped({ leg: 'load' });
    const analysis = analyse(design);
    const finding = analysis.findings.find(({ rule }) => rule === 'fuse.tapReversed')!;
    const turned = applyChange(design, remediesFor(analysis, finding)[0]!.change);
    expect(analyse(turned).protections.get('tap')!.upstreamId).toBe('main');
  });

  it('is dead in a slot without a fuse of its own', () => {
    const design = applyChange(tapped({ leg: 'load' }), mountFuse(tapped({ leg: 'load' }), 'host', { blockId: 'block', slot: 3 }));
    const finding = analyse(design).findings.find(({ rule, subjects }) => rule === 'fuse.notFed' && subjects[0] === 'tap')!;
    expect(wordFinding(finding, design, 'metric').message).toContain('turned round in a slot without a fuse');
  });
});

describe('in the network', () => {
  it.each([
    ['supply', 5, 3],
    ['load', 8, 3],
  ] as const)('the %s leg: about %d A in the first fuse, %d A in the tap’s', (leg, hostA, tapA) => {
    const { live, settle, isLit } = bench((build) => wireUp(build, { leg }));
    settle({});
    expect(live.partAmps('host', 'link')).toBeGreaterThan(hostA * 0.97);
    expect(live.partAmps('host', 'link')).toBeLessThan(hostA * 1.08);
    expect(live.partAmps('tap', 'link')).toBeCloseTo(tapA, 0);
    expect(isLit('tap_lamp')).toBe(true);
  });

  it('with the first fuse out the second lamp burns on only if its tap is the right way round', () => {
    for (const leg of ['supply', 'load'] as const) {
      const { settle, isLit } = bench((build) => wireUp(build, { leg }));
      settle({ host: { fitted: false } });
      expect([isLit('host_lamp'), isLit('tap_lamp')]).toEqual([false, leg === 'supply']);
    }
  });
});

test('a slot holds one fuse and one tap, no more; a free slot is one with neither', () => {
  const design = tapped({ leg: 'supply' });
  expect(checkReferences(design)).toEqual([]);
  const second = applyChange(design, {
    ...{ updated: [], removed: [] },
    added: [{ id: 'third', type: 'device', kind: 'protection', name: 'Third', zoneId: null, family: 'blade', ratingA: 3, mount: null }],
  });
  const twice = updateRecords(second, [{ id: 'third', set: { mount: { blockId: 'block', slot: 2, tap: 'load' } } }]);
  expect(() => applyChange(second, twice)).toThrow(/^slotTaken/);
  // Put there through the slots it changes places with the one in the tap.
  const moved = applyChange(second, mountFuse(second, 'third', { blockId: 'block', slot: 2, tap: 'supply' }));
  expect(moved.records.get('tap')).toMatchObject({ mount: null });
  expect(firstFreeSlot(applyChange(second, mountFuse(second, 'tap', { blockId: 'block', slot: 1, tap: 'supply' })))).toEqual({
    blockId: 'block',
    slot: 3,
  });
});
