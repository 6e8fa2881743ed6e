import { rig } from '../../../testing/rig';
import { analyse } from '../analyse';
import { applyChange, updateRecords } from '../../design/change';
import type { Design } from '../../design/design';
import type { LoadBehaviour } from '../../devices/load';
import { propose } from '../../advice/propose';
import { USUAL_PRICES } from '../../advice/prices';
import { fitKitFuse } from '../../advice/kitFuse';
import { remediesFor } from '../../advice/remedies';
import { wordFinding } from '../../wording/wording';

interface Lit {
  watts?: number;
  behaviour?: LoadBehaviour;
  ratingA?: number;
  maxFuseA?: number;
  switched?: boolean;
}

/** One load behind a blade fuse, and where asked a switch of 20 A. */
function lit({ watts = 24, behaviour = 'ledConstantPower', ratingA = 10, maxFuseA, switched = false }: Lit): Design {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, ratingA);
  build.load(watts, behaviour, 0, { id: 'lamp', ...(maxFuseA === undefined ? {} : { maxFuseA }) });
  if (switched) build.add({ id: 'panel', kind: 'switch', ratingA: 20 });
  build.wire('fuse.out', switched ? 'panel.in' : 'lamp.plus', 1000, 'mm2:4');
  if (switched) build.wire('panel.out', 'lamp.plus', 1000, 'mm2:4');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:4', 'return');
  build.circuit('lamp', 1, 'fuse');
  return build.design();
}

const of = (design: Design, rule: string) => analyse(design).findings.filter((finding) => finding.rule === rule);

describe('a device that says how large a fuse it stands', () => {
  const strict = lit({ ratingA: 10, maxFuseA: 5 });

  it('is a fault behind a larger one, in words, and mended by a click or a proposal', () => {
    const [finding] = of(strict, 'fuse.aboveDevice');
    expect(finding).toMatchObject({ severity: 'fault', subjects: ['fuse', 'lamp'], numbers: { ratingA: 10, mostA: 5 } });
    expect(wordFinding(finding!, strict, 'metric').message).toBe('fuse is 10 A; lamp is to be fused at 5 A at most.');
    const analysis = analyse(strict);
    const mended = applyChange(strict, remediesFor(analysis, finding!)[0]!.change);
    expect(of(mended, 'fuse.aboveDevice')).toEqual([]);
    const proposed = propose(analysis, { circuitIds: null, measure: 'cost', prices: USUAL_PRICES })!;
    expect(proposed.circuits[0]!.after.ratingA).toBeLessThanOrEqual(5);
    expect(of(applyChange(strict, proposed.change), 'fuse.aboveDevice')).toEqual([]);
  });

  it('is content with a small fuse of its own just before it', () => {
    const analysis = analyse(strict);
    const kitted = applyChange(strict, fitKitFuse(analysis, analysis.circuits[0]!, 4));
    expect(of(kitted, 'fuse.aboveDevice')).toEqual([]);
  });

  it('that draws more than it may be fused for fits no fuse, and that is said', () => {
    const greedy = lit({ watts: 120, ratingA: 15, maxFuseA: 5 });
    expect(propose(analyse(greedy), { circuitIds: null, measure: 'cost', prices: USUAL_PRICES })!.circuits[0]).toMatchObject({
      stuck: true,
    });
  });

  it('is not asked where its maker says nothing', () => {
    expect(of(lit({ ratingA: 30 }), 'fuse.aboveDevice')).toEqual([]);
  });
});

test('a fuse larger than its slot takes is a fault, mended by one that the slot takes', () => {
  const design = lit({ ratingA: 40 });
  const [finding] = of(design, 'slot.overRating');
  expect(finding).toMatchObject({ severity: 'fault', numbers: { ratingA: 40, mostA: 30, slot: 1 } });
  const mended = analyse(applyChange(design, remediesFor(analyse(design), finding!)[0]!.change));
  expect(mended.findings.filter(({ rule }) => rule === 'slot.overRating')).toEqual([]);
  expect(mended.circuits[0]!.ratingA).toBeLessThanOrEqual(30);
});

// Common practice: a relay for lamps over about 5 A; small LED loads are switched directly. Within the switch's rating a choice, so a note.
test.each<[string, Lit, boolean]>([
  ['96 W of lamp on a panel switch', { watts: 96, behaviour: 'filament', switched: true, ratingA: 15 }, true],
  ['96 W of LED', { watts: 96, behaviour: 'ledConstantPower', switched: true, ratingA: 15 }, true],
  ['48 W of LED', { watts: 48, switched: true }, false],
  ['96 W of heater', { watts: 96, behaviour: 'resistive', switched: true, ratingA: 15 }, false],
  ['96 W of lamp with no switch', { watts: 96, behaviour: 'filament', ratingA: 15 }, false],
])('%s', (_, what, wanted) => {
  const found = of(lit(what), 'switch.wantsRelay');
  expect(found).toHaveLength(wanted ? 1 : 0);
  if (!wanted) return;
  expect(found[0]).toMatchObject({ severity: 'note', subjects: ['panel'], circuitId: 'circuit_lamp', numbers: { amps: 8, mostA: 5 } });
});

test('once a relay carries the lamps the switch carries its coil alone', () => {
  const build = rig();
  build.battery('agm', 100);
  build.add({ id: 'fuse', kind: 'protection', family: 'terminalMount', ratingA: 30, mount: null });
  build.add({ id: 'panel', kind: 'switch', ratingA: 5 });
  build.add({
    ...{ id: 'relay', kind: 'relay', pins: 4, coilOhm: 90, pullInV: 7.5, dropOutV: 2, suppression: 'resistor' },
    ...{ contactMilliohm: 4, ratingA: 30 },
  });
  build.load(96, 'filament', 0, { id: 'lamp' });
  build.wire('battery.plus', 'fuse.in', 150, 'mm2:16');
  build.wire('fuse.out', 'relay.30', 1000, 'mm2:4');
  build.wire('fuse.out', 'panel.in', 1000, 'mm2:1');
  build.wire('panel.out', 'relay.86', 1000, 'mm2:1');
  build.wire('relay.85', 'battery.minus', 1000, 'mm2:1', 'return');
  build.wire('relay.87', 'lamp.plus', 1000, 'mm2:4');
  build.wire('lamp.minus', 'battery.minus', 1000, 'mm2:4', 'return');
  build.circuit('lamps', 1, 'fuse');
  expect(of(build.design(), 'switch.wantsRelay')).toEqual([]);
});

test('a change of a load’s own limit is one change, and is undone whole', () => {
  const before = lit({});
  const change = updateRecords(before, [{ id: 'lamp', set: { maxFuseA: 3 } }]);
  expect(change.updated).toHaveLength(1);
  const after = applyChange(before, change);
  expect(of(after, 'fuse.aboveDevice')).toHaveLength(1);
  const back = applyChange(after, updateRecords(after, [{ id: 'lamp', set: { maxFuseA: undefined } }]));
  expect(back.records.get('lamp')).toEqual(before.records.get('lamp'));
});
