import { heron } from '../../../demo/heron';
import { pip } from '../../../demo/pip';
import { rig } from '../../../testing/rig';
import { analyse } from '../../analysis/analyse';
import type { Analysis } from '../../analysis/types';
import { areaMm2, type ConductorSize } from '../../catalog/conductorSizes';
import { applyChange, applyUnchecked, updateRecords } from '../../design/change';
import type { Design } from '../../design/design';
import { findingKey } from '../../analysis/finding';
import { candidateSizes } from '../../sizing/conductorChoice';
import { propose } from '../propose';
import { USUAL_PRICES } from '../prices';
import { compareWays, leastWay, worthOf, type Way, type WayKind } from './compareWays';
import { usualTrunkMm } from './subBlock';

const ways = (design: Design, circuitIds: readonly string[], measure: 'cost' | 'weight' | 'drop' = 'cost', trunkMm: number | null = null) =>
  compareWays(analyse(design), { circuitIds, measure, prices: USUAL_PRICES, trunkMm });
const kind = (list: readonly Way[], wanted: WayKind) => list.find((way) => way.kind === wanted);
const open = ({ findings }: Analysis) => findings.filter(({ severity }) => severity !== 'note').map(findingKey);
const metresCost = (metres: number, mm2: number) => metres * (USUAL_PRICES.perM + USUAL_PRICES.perMm2M * mm2);

interface Far {
  circuits?: number;
  wayMm?: number;
  watts?: number;
  lampsEach?: number;
}

/** Circuits of one lamp each on a block, all a long way off, with no vehicle laid out. */
function far({ circuits = 4, wayMm = 8000, watts = 24, lampsEach = 1 }: Far = {}): Design {
  const build = rig();
  build.supply({ outMm: 500 });
  for (let at = 1; at <= circuits; at++) {
    build.slot(`fuse${at}`, at, 5);
    for (let lamp = 1; lamp <= lampsEach; lamp++) {
      const id = `lamp${at}_${lamp}`;
      build.load(watts / lampsEach, 'ledConstantPower', 0, { id });
      const before = `lamp${at}_${lamp - 1}`;
      build.wire(lamp === 1 ? `fuse${at}.out` : `${before}.plus`, `${id}.plus`, lamp === 1 ? wayMm : 2000, 'mm2:2.5');
      build.wire(`${id}.minus`, lamp === 1 ? 'bar.bar' : `${before}.minus`, lamp === 1 ? wayMm : 2000, 'mm2:2.5', 'return');
    }
    build.circuit(String(at), at, `fuse${at}`);
  }
  return build.design();
}

const scopes = (design: Design) => {
  const { zones, circuits } = analyse(design);
  // Those that differ most: one with a mistake, the longest, a hot one, and the smaller demo whole.
  const tried = ['Galley', 'Engine bay', 'Rear door and step lights', 'Cabin'];
  const byZone = zones.map(({ name, id }) => [name, circuits.filter(({ zoneId }) => zoneId === id).map((circuit) => circuit.id)] as const);
  const rows = circuits.filter(({ loadIds }) => loadIds.length > 1).map(({ name, id }) => [name, [id]] as const);
  return [...byZone, ...rows].filter(([name, ids]) => ids.length > 0 && tried.includes(name));
};

describe.each([
  ['Heron', heron()],
  ['Pip', pip()],
])('on %s', (_, design) => {
  const before = analyse(design);
  test.each(scopes(design))('%s: each way is what it says, breaks nothing, and own sizes are never worse than one', (_name, circuitIds) => {
    const list = ways(design, circuitIds);
    expect(kind(list, 'asItIs')!.change).toEqual({ added: [], updated: [], removed: [] });
    for (const way of list) {
      const after = analyse(applyChange(design, way.change));
      const added = open(after).filter((key) => !open(before).includes(key));
      expect(added).toEqual(way.breaks.map(findingKey));
      const drops = after.circuits.filter(({ id }) => circuitIds.includes(id)).map(({ dropPercent }) => dropPercent);
      expect(way.worstDropPercent).toBeCloseTo(Math.max(...drops), 9);
      if (way.kind !== 'subBlock') expect(way.breaks).toEqual([]);
    }
    expect(worthOf(kind(list, 'ownSizes')!, 'cost')).toBeLessThanOrEqual(worthOf(kind(list, 'oneSize')!, 'cost') + 1e-9);
    // What loses more than it may is the least of nothing, however little it costs.
    const target = (id: string) => before.circuits.find((circuit) => circuit.id === id)!;
    const isOver = circuitIds.some((id) => target(id).dropPercent > target(id).targetPercent);
    if (isOver) expect(kind(list, 'asItIs')!.leaves.map(({ rule }) => rule)).toContain('drop.overTarget');
    for (const measure of ['cost', 'weight', 'drop'] as const) {
      const least = leastWay(list, measure)!;
      expect([...least.breaks, ...least.leaves]).toEqual([]);
      for (const way of list)
        if (way.breaks.length + way.leaves.length === 0) expect(worthOf(least, measure)).toBeLessThanOrEqual(worthOf(way, measure) + 1e-9);
    }
  });

  test('where no way keeps every rule none is the least', () => {
    const [id] = before.circuits.map((circuit) => circuit.id);
    const [asItIs] = ways(design, [id!]);
    const broken = before.findings[0]!;
    expect(
      leastWay(
        [
          { ...asItIs!, leaves: [broken] },
          { ...asItIs!, breaks: [broken] },
        ],
        'cost',
      ),
    ).toBeNull();
    expect(leastWay([{ ...asItIs!, leaves: [broken] }, asItIs!], 'cost')).toBe(asItIs);
  });

  test('a proposal for one circuit costs none of its neighbours a rule: a thin wire counts as loaded sooner and warms their bundle', () => {
    for (const { id } of before.circuits.filter((_circuit, at) => at % 2 === 0)) {
      const proposal = propose(before, { circuitIds: [id], measure: 'cost', prices: USUAL_PRICES })!;
      const after = analyse(applyChange(design, proposal.change));
      expect(open(after).filter((key) => !open(before).includes(key))).toEqual([]);
    }
  });
});

describe('a fuse block nearer to the loads', () => {
  it('takes the circuits along: their wires are as much shorter as the trunk is long, both ways, their returns land on its bar', () => {
    const design = far();
    const near = kind(ways(design, analyse(design).circuits.map(({ id }) => id), 'cost', 6000), 'subBlock')!; // prettier-ignore
    expect(near.breaks).toEqual([]);
    expect(near.takes).toMatchObject({ kind: 'subBlock', moved: 4, slots: 6, trunkMm: 6000 });
    const after = analyse(applyChange(design, near.change));
    const block = after.blocks.find(({ id }) => id !== 'block')!;
    expect(block.slots.filter(({ circuitId }) => circuitId !== null)).toHaveLength(4);
    for (const circuit of after.circuits) {
      const lengths = [...circuit.supplyWireIds, ...circuit.returnWireIds].map((id) => after.wires.get(id)!.wire.lengthMm);
      expect(lengths).toEqual([2000, 2000]);
      expect(after.protections.get(circuit.protectionId)!.upstreamId).not.toBe('main');
      expect(circuit.fed).toBe(true);
    }
    const trunk = near.takes?.kind === 'subBlock' ? near.takes.conductor : null;
    const cable = 4 * metresCost(4, areaMm2(after.circuits[0]!.conductor!)) + metresCost(12, areaMm2(trunk!));
    expect(near.cableCost).toBeCloseTo(cable, 6);
    expect(near.partsCost).toBeCloseTo(USUAL_PRICES.perBlock + USUAL_PRICES.perFuse, 9);
  });

  it('needs less copper than four long circuits, and costs more than one short one', () => {
    const many = far({ circuits: 4, wayMm: 9000, watts: 60 });
    const list = ways(many, analyse(many).circuits.map(({ id }) => id), 'weight'); // prettier-ignore
    expect(worthOf(kind(list, 'subBlock')!, 'weight')).toBeLessThan(worthOf(kind(list, 'oneSize')!, 'weight'));
    const one = far({ circuits: 1, wayMm: 3000 });
    const short = ways(one, ['circuit_1']);
    expect(worthOf(kind(short, 'subBlock')!, 'cost')).toBeGreaterThan(worthOf(kind(short, 'oneSize')!, 'cost'));
  });

  it('stands no further off than the nearest circuit’s first wire reaches; none is offered where that is short', () => {
    expect(usualTrunkMm(analyse(far()), ['circuit_1', 'circuit_2'])).toBe(8000 - 300);
    expect(kind(ways(far({ wayMm: 500 }), ['circuit_1']), 'subBlock')).toBeUndefined();
  });

  it('is fed beside the block by a bolted fuse when no slot takes what it feeds', () => {
    // Four of 180 W are 60 A for hours: 75 A of fuse, more than a slot of 30 takes; the main fuse and cable are large enough.
    const heavy = applyUnchecked(
      far({ circuits: 4, watts: 180, wayMm: 5000 }),
      updateRecords(far({ circuits: 4, watts: 180, wayMm: 5000 }), [
        { id: 'main', set: { ratingA: 200 } },
        ...analyse(far()).circuits.map(({ protectionId }) => ({ id: protectionId, set: { ratingA: 20 } })),
        ...['w1', 'w2', 'w3'].map((id) => ({ id, set: { conductor: 'mm2:35' as const } })),
      ]),
    );
    const near = kind(ways(heavy, analyse(heavy).circuits.map(({ id }) => id), 'weight', 4000), 'subBlock')!; // prettier-ignore
    expect(near.takes).toMatchObject({ ratingA: 75, moved: 4 });
    const after = analyse(applyChange(heavy, near.change));
    const feeder = Array.from(after.protections.values()).find(({ fuse }) => fuse.family === 'terminalMount' && fuse.id !== 'main')!;
    expect(feeder).toMatchObject({ upstreamId: 'main', circuitId: null });
    expect(near.breaks).toEqual([]);
  });
});

describe('a second trunk', () => {
  it('feeds the lamps behind it straight from the fuse, so each trunk carries its own', () => {
    const design = far({ circuits: 1, wayMm: 6000, lampsEach: 4, watts: 96 });
    const two = kind(ways(design, ['circuit_1'], 'drop'), 'twoTrunks')!;
    expect(two.breaks).toEqual([]);
    const after = analyse(applyChange(design, two.change));
    const fromFuse = after.index.wires.filter(({ from, to }) => [from, to].some(({ deviceId }) => deviceId === 'fuse1'));
    expect(fromFuse).toHaveLength(2);
    // The second is as long as the way there was: 6 m and 2 m a lamp.
    expect(fromFuse.map(({ lengthMm }) => (lengthMm - 6000) % 2000)).toEqual([0, 0]);
    expect(after.circuits[0]!.loadIds).toHaveLength(4);
    expect(two.meanDropPercent).toBeLessThan(kind(ways(design, ['circuit_1'], 'drop'), 'oneSize')!.meanDropPercent);
  });

  it('is not offered to a zone, or to a circuit of one load', () => {
    const design = far({ circuits: 2, lampsEach: 2 });
    expect(kind(ways(design, ['circuit_1', 'circuit_2']), 'twoTrunks')).toBeUndefined();
    expect(kind(ways(far(), ['circuit_1']), 'twoTrunks')).toBeUndefined();
  });
});

test('every wire its own size is within a twentieth of the least there is, all sizes of all wires tried, for a run of three lamps', () => {
  const design = far({ circuits: 1, wayMm: 7000, lampsEach: 3, watts: 72 });
  const own = kind(ways(design, ['circuit_1']), 'ownSizes')!;
  const analysis = analyse(design);
  const [circuit] = analysis.circuits;
  const sizes = candidateSizes('iso-small-craft', 'mm2').filter((size) => areaMm2(size) <= 10);
  // Out and back alike, hop by hop.
  const pairs = circuit!.supplyWireIds.map((id, at) => [id, circuit!.returnWireIds[circuit!.returnWireIds.length - 1 - at]!, circuit!.returnWireIds[at]!]); // prettier-ignore
  const hop = (id: string) => analysis.wires.get(id)!.wire.lengthMm;
  const matched = pairs.map(([out, a, b]) => [out!, hop(a!) === hop(out!) ? a! : b!]);
  const ratings = [5, 7.5, 10];
  let least = Infinity;
  const pick = (place: number, chosen: ConductorSize[]): void => {
    if (place < matched.length) {
      for (const size of sizes) pick(place + 1, [...chosen, size]);
      return;
    }
    const cost = matched.reduce((sum, ids, at) => sum + metresCost(ids.reduce((mm, id) => mm + hop(id), 0) / 1000, areaMm2(chosen[at]!)), 0); // prettier-ignore
    if (cost >= least) return;
    for (const ratingA of ratings) {
      const sets = matched.flatMap((ids, at) => ids.map((id) => ({ id, set: { conductor: chosen[at]! } })));
      const tried = analyse(applyUnchecked(design, updateRecords(design, [...sets, { id: 'fuse1', set: { ratingA } }])), analysis);
      if (tried.findings.some(({ circuitId, severity }) => circuitId === 'circuit_1' && severity !== 'note')) continue;
      least = cost;
      return;
    }
  };
  pick(0, []);
  expect(worthOf(own, 'cost')).toBeGreaterThan(0);
  expect(worthOf(own, 'cost') / least).toBeLessThan(1.05);
});

test('says how far it is, never backwards', () => {
  const analysis = analyse(heron());
  const question = { circuitIds: [analysis.circuits[0]!.id], measure: 'cost' as const, prices: USUAL_PRICES, trunkMm: null };
  const shares: number[] = [];
  compareWays(analysis, question, (done) => void shares.push(done));
  expect(shares.length).toBeGreaterThan(5);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
  expect(shares.every((share) => share >= 0 && share < 1)).toBe(true);
});
