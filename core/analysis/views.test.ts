import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { applyChange, updateRecords } from '../design/change';
import { marginsOf } from './margins';
import { otherSchools } from './otherSchools';
import { chainDamageS, chainOf, gateBand, protectionTree } from './protectionChain';
import { zoneDrops } from './zoneDrops';
import { analyse } from './analyse';

const analysis = analyse(heron());
const circuit = (name: string) => analysis.circuits.find((one) => one.name === name)!;

describe('the margins of a circuit', () => {
  it('are past one exactly where a rule finds fault, the tightest first', () => {
    for (const one of analysis.circuits) {
      const margins = marginsOf(analysis, one);
      expect(margins.map(({ share }) => share)).toEqual(margins.map(({ share }) => share).sort((a, b) => b - a));
      const past = margins.filter(({ share }) => share > 1 + 1e-9).map(({ limit }) => limit);
      const bad = analysis.findings.some(({ circuitId, severity }) => circuitId === one.id && severity !== 'note');
      expect(past.length > 0).toBe(bad);
    }
  });
  it('say what is used and what there is: the fridge drops 7.7 % of 5', () => {
    const [worst] = marginsOf(analysis, circuit('Fridge'));
    expect(worst).toMatchObject({ limit: 'drop', of: 5, unit: '%' });
    expect(worst!.used).toBeCloseTo(7.7, 1);
  });
});

describe('drop zone by zone', () => {
  const zones = zoneDrops(analysis);
  it('agrees with what the analysis says of each zone, worst and mean', () => {
    for (const { id, loads, worstPercent, meanPercent } of zones) {
      const zone = analysis.zones.find((one) => one.id === id)!;
      expect(worstPercent).toBeCloseTo(zone.worstDropPercent!, 9);
      expect(meanPercent).toBeLessThanOrEqual(worstPercent + 1e-9);
      expect(loads[0]!.id).toBe(zone.worstLoadId);
    }
  });
  it('tells how unlike the lamps of a zone burn, and nothing of zones with fewer than two', () => {
    const of = (name: string) => zones.find(({ id }) => analysis.index.zones.find((zone) => zone.id === id)?.name === name)!;
    expect(of('Cab').lampSpreadV).toBeNull();
    const { loads, lampSpreadV } = of('Flanks');
    const drops = loads.map(({ dropV }) => dropV);
    expect(lampSpreadV).toBeLessThanOrEqual(Math.max(...drops) - Math.min(...drops) + 1e-9);
    expect(lampSpreadV).toBeGreaterThanOrEqual(0);
  });
});

describe('the chain of a fuse', () => {
  it('goes out to the battery, and the tree holds every fuse once, feeders before what they feed', () => {
    const bench = chainOf(analysis, circuit('Hide bench lights').protectionId)!;
    expect(bench.links.map(({ fuse }) => fuse.ratingA)).toEqual([5, 60, 125]);
    const tree = protectionTree(analysis);
    expect(tree).toHaveLength(analysis.protections.size);
    const at = new Map(tree.map(({ entry }, place) => [entry.id, place]));
    for (const { entry, depth } of tree) {
      if (entry.upstreamId === null) expect(depth).toBe(0);
      else expect(at.get(entry.upstreamId)!).toBeLessThan(at.get(entry.id)!);
    }
  });
  it('draws gates that only fall, soonest before latest, and a wire that stands less the more flows', () => {
    const chain = chainOf(analysis, circuit('Water pump').protectionId)!;
    const band = gateBand(chain.links[0]!.fuse, chain.fromA, chain.toA);
    band.forEach(({ leastS, longestS }, at) => {
      expect(leastS).toBeLessThanOrEqual(longestS);
      if (at > 0) expect(longestS).toBeLessThanOrEqual(band[at - 1]!.longestS + 1e-9);
    });
    expect(chainDamageS(chain, 1000)!).toBeCloseTo(chainDamageS(chain, 500)! / 4, 9);
  });
  it('is nothing for what is not fed', () => {
    expect(chainOf(analysis, 'nobody')).toBeNull();
  });
});

describe('short circuits of a whole design', () => {
  it('are greatest at the battery and fall outwards; the least is never more than the greatest', () => {
    for (const { entry } of protectionTree(analysis)) {
      const ahead = analysis.protections.get(entry.upstreamId ?? '');
      if (ahead) expect(entry.atA).toBeLessThanOrEqual(ahead.atA);
      expect(entry.endA!).toBeLessThan(entry.atA);
    }
  });
  it('are by hand those of Heron’s main fuse: 13.5 V over 2 mΩ and 180 mm of 35 mm² (IEC 60228: 0.554 mΩ/m)', () => {
    expect(analysis.main && analysis.protections.get(analysis.main.protectionId)!.atA).toBeCloseTo(13.5 / (0.002 + 0.554e-3 * 0.18), 0);
  });
  it('fall at the far end as a run grows longer', () => {
    const design = pip();
    const before = analyse(design);
    const fan = before.circuits.find(({ name }) => name === 'Roof fan')!;
    const longer = updateRecords(
      design,
      [...fan.supplyWireIds, ...fan.returnWireIds].map((id) => ({ id, set: { lengthMm: 9000, lengthMeasured: true } })),
    );
    const after = analyse(applyChange(design, longer));
    expect(after.protections.get(fan.protectionId)!.endA!).toBeLessThan(before.protections.get(fan.protectionId)!.endA!);
  });
});

test('every school is asked, the design’s own first, and a school without a formula says so', () => {
  const schools = otherSchools(analysis, circuit('Fridge').id);
  expect(schools.map(({ standard }) => standard)).toEqual(['iso-small-craft', 'us-small-craft', 'road-vehicle', 'us-recreational']);
  expect(schools[0]).toMatchObject({ dropPercent: circuit('Fridge').dropPercent });
  expect(schools[2]!.formulaDropV).toBeNull();
  // Road-vehicle cable (ISO 6722, 12.7 mΩ/m) drops less than class 5 (IEC 60228, 13.3).
  expect(schools[2]!.cableDropV).toBeLessThan(schools[0]!.cableDropV);
});
