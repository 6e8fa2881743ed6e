import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { marl } from '../../demo/marl';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import type { Analysis } from '../analysis/types';
import { areaMm2, type ConductorSize } from '../catalog/conductorSizes';
import { RATINGS_A } from '../catalog/fuses';
import { applyChange, applyUnchecked, updateRecords } from '../design/change';
import { makeDesign, type Design } from '../design/design';
import { newDesignRecords } from '../switching/newDesign';
import { findingKey } from '../analysis/finding';
import { newLoad } from '../switching/newLoad';
import { candidateSizes } from '../sizing/conductorChoice';
import { propose } from './propose';
import { MEASURES, type Measure, type Proposal } from './proposal';
import { USUAL_PRICES } from './prices';
import { runs, seedOf } from '../../testing/runs';

const ask = (design: Design, measure: Measure, circuitIds: readonly string[] | null = null) =>
  propose(analyse(design), { circuitIds, measure, prices: USUAL_PRICES })!;
const after = (design: Design, { change }: Proposal): Analysis => analyse(applyChange(design, change));
const open = ({ findings }: Analysis) => findings.filter(({ severity }) => severity !== 'note').map(findingKey);

describe.each(MEASURES)('a proposal for least %s', (measure) => {
  test.each([
    ['Heron', heron],
    ['Pip', pip],
    ['Marl with 24 circuits', () => marl(24)],
  ])('on %s breaks no rule, mends what sizes can mend, and undoes nothing else', (_, make) => {
    const design = make();
    const proposal = ask(design, measure);
    expect(proposal.circuits.some(({ stuck }) => stuck)).toBe(false);
    expect(open(after(design, proposal))).toEqual([]);
    for (const { before, after: next, governedBy } of proposal.circuits) {
      if (governedBy === 'asItIs') expect(next.conductor).toBe(before.conductor);
      if (measure === 'drop' && governedBy !== 'asItIs') expect(next.dropPercent).toBeLessThanOrEqual(before.dropPercent + 1e-9);
    }
  });
  test('is never worse than a design that keeps every rule, and finds nothing more to do the second time', () => {
    const design = pip();
    const first = ask(design, measure);
    expect(first.after).toBeLessThanOrEqual(first.before + 1e-9);
    const again = ask(applyChange(design, first.change), measure);
    expect(again.after).toBeCloseTo(first.after, 9);
    expect(again.change.updated).toEqual([]);
  });
});

/** Every pair of every circuit tried in turn with the rest as they are, by the design's own rules: the least that breaks none. */
function exhaustive(design: Design, circuitId: string, measure: Measure): number {
  const analysis = analyse(design);
  const circuit = analysis.circuits.find(({ id }) => id === circuitId)!;
  const wireIds = [...circuit.supplyWireIds, ...circuit.returnWireIds];
  const metres = wireIds.reduce((sum, id) => sum + analysis.wires.get(id)!.wire.lengthMm / 1000, 0);
  const worth = (size: ConductorSize) =>
    metres * (measure === 'weight' ? areaMm2(size) * 8.96e-3 : USUAL_PRICES.perM + USUAL_PRICES.perMm2M * areaMm2(size));
  const family = circuit.conductor!.startsWith('awg') ? 'awg' : 'mm2';
  let least = Infinity;
  for (const conductor of candidateSizes(analysis.index.settings.conductorStandard, family)) {
    for (const ratingA of RATINGS_A.blade) {
      if (ratingA < circuit.peakA * 1.1 || worth(conductor) >= least) continue;
      const sets = [{ id: circuit.protectionId, set: { ratingA } }, ...wireIds.map((id) => ({ id, set: { conductor } }))];
      const tried = analyse(applyUnchecked(design, updateRecords(design, sets)));
      const broken = tried.findings.filter((finding) => finding.circuitId === circuitId && finding.severity !== 'note');
      if (broken.length === 0) least = worth(conductor);
    }
  }
  return least;
}

test.each(['cost', 'weight'] as const)('on Pip every circuit is the least in %s of all pairs there are (tried one by one)', (measure) => {
  const design = pip();
  const proposal = ask(design, measure);
  const sized = applyChange(design, proposal.change);
  for (const { circuitId, after: next } of proposal.circuits) {
    const value = measure === 'cost' ? next.cost : next.weightKg;
    expect(value).toBeCloseTo(exhaustive(sized, circuitId, measure), 6);
  }
});

test('on a large design every circuit looked at is the least there is, the others as proposed: all of its pairs tried one by one', () => {
  const design = marl(60);
  const proposal = ask(design, 'cost');
  const sized = applyChange(design, proposal.change);
  for (const { circuitId, after: next } of proposal.circuits.filter((_, at) => at % 10 === 3)) {
    expect(next.cost).toBeCloseTo(exhaustive(sized, circuitId, 'cost'), 6);
  }
});

test('sizes one circuit and leaves every other as it is', () => {
  const design = heron();
  const fridge = analyse(design).circuits.find(({ name }) => name === 'Fridge')!;
  const { circuits, change } = ask(design, 'weight', [fridge.id]);
  expect(circuits).toHaveLength(1);
  // The fridge on a thin, long wire: 7.7 % of 5 needs 2.5 mm² by IEC 60228's resistances, and 4 mm² with what its fuse and contacts lose.
  expect(circuits[0]).toMatchObject({ governedBy: 'drop', after: { conductor: 'mm2:4' } });
  const touched = new Set([fridge.protectionId, ...fridge.supplyWireIds, ...fridge.returnWireIds]);
  for (const { from } of change.updated) expect(touched.has(from.id)).toBe(true);
});

test('says what nothing fits, and leaves it', () => {
  const design = pip();
  const pump = analyse(design).circuits.find(({ name }) => name === 'Water pump')!;
  // Forty amperes and no slot takes more than thirty.
  const far = applyChange(design, updateRecords(design, pump.loadIds.map((id) => ({ id, set: { quantity: 10 } })))); // prettier-ignore
  const [proposed] = ask(far, 'cost', [pump.id]).circuits;
  expect(proposed).toMatchObject({ stuck: true });
  expect(proposed!.after.conductor).toBe(proposed!.before.conductor);
});

test('gives a fuse without a slot one, and can be stopped', () => {
  const design = pip();
  const light = analyse(design).circuits[0]!;
  const loose = applyChange(design, updateRecords(design, [{ id: light.protectionId, set: { mount: null } }]));
  expect(ask(loose, 'cost').first).toEqual([{ name: '01 Cabin lights', did: 'its fuse in slot 1 of Fuse block' }]);
  expect(after(loose, ask(loose, 'cost')).circuits.every(({ fed }) => fed)).toBe(true);
  expect(propose(analyse(design), { circuitIds: null, measure: 'cost', prices: USUAL_PRICES }, () => false)).toBeNull();
});

test('whatever the lengths and loads, what is proposed breaks no rule of its own', () => {
  const design = pip();
  const { circuits } = analyse(design);
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 300, max: 12_000 }), { minLength: circuits.length, maxLength: circuits.length }),
      fc.array(fc.integer({ min: 1, max: 4 }), { minLength: circuits.length, maxLength: circuits.length }),
      fc.constantFrom(...MEASURES),
      (lengths, quantities, measure) => {
        const sets = circuits.flatMap(({ supplyWireIds, returnWireIds, loadIds }, at) => [
          ...[...supplyWireIds, ...returnWireIds].map((id) => ({ id, set: { lengthMm: lengths[at]!, lengthMeasured: true } })),
          ...loadIds.map((id) => ({ id, set: { quantity: quantities[at]! } })),
        ]);
        const spoiled = applyChange(design, updateRecords(design, sets));
        const proposal = ask(spoiled, measure);
        const result = after(spoiled, proposal);
        for (const { circuitId, stuck } of proposal.circuits) {
          if (stuck) continue;
          const broken = result.findings.filter(
            (finding) => finding.circuitId === circuitId && finding.severity !== 'note' && /^(wire|fuse|drop|return)\./.test(finding.rule),
          );
          expect(broken).toEqual([]);
        }
      },
    ),
    { numRuns: runs(25), seed: seedOf(5) },
  );
});

test('sizes a whole design from its loads alone: circuits, slots, fuses, cables and the main fuse', () => {
  const records = newDesignRecords({
    ...{ name: 'New', vehicle: 'panelVan', units: 'metric', standard: 'iso-small-craft', defaultReturn: 'dedicated' },
    zones: ['Galley', 'Bunk'],
    battery: { chemistry: 'lithium', capacityAh: 100, count: 1 },
  });
  const zoneId = records.find(({ type }) => type === 'zone')!.id;
  const draws = [24, 60, 110, 10, 480];
  const design = makeDesign([...records, ...draws.map((watts, at) => ({ ...newLoad(`Load ${at}`, zoneId), rated: { kind: 'watts' as const, watts, atV: 12 } }))]); // prettier-ignore
  const proposal = ask(design, 'cost');
  expect(proposal.circuits).toHaveLength(draws.length);
  expect(proposal.first.filter(({ did }) => did.startsWith('a circuit of its own'))).toHaveLength(draws.length);
  expect(proposal.circuits.map(({ name }) => name)).toEqual(draws.map((_, at) => `0${at + 1} Load ${at}`));
  const result = after(design, proposal);
  expect(result.circuits.filter(({ fed }) => fed)).toHaveLength(draws.length);
  // 480 W at 12 V is 40 A: no blade in a 30 A slot takes it, so it has a bolted fuse of its own behind the main one; every rule is kept.
  expect(proposal.circuits.filter(({ stuck }) => stuck)).toEqual([]);
  const heavy = result.circuits.find(({ peakA }) => peakA > 30)!;
  expect(heavy).toMatchObject({ block: null, fed: true });
  expect(heavy.ratingA).toBeGreaterThanOrEqual(50);
  // What nobody has said of the battery stays open.
  expect(result.findings.filter(({ severity }) => severity !== 'note').map(({ rule }) => rule)).toEqual(['battery.holdUnknown']);
});
