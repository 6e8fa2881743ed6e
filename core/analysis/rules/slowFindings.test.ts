import { heron } from '../../../demo/heron';
import { rig } from '../../../testing/rig';
import { analyse } from '../analyse';
import { solveDesign, type SolvedDesign } from '../solved';
import { applyChange, updateRecords } from '../../design/change';
import { settingsOf } from '../../design/design';
import { forecast } from '../../energy/forecast';
import { prepareTrip } from '../../energy/trip';
import { FORECAST_DRAWS, FORECAST_SEED } from '../../energy/usualQuestions';
import { pricesOf } from '../../advice/prices';
import { findingsOf, propose } from '../../advice/propose';
import { MEASURES } from '../../advice/proposal';
import { findInDays } from './dayRules';
import { findInNetwork } from './networkRules';
import { soundRemedies } from '../../advice/soundRemedies';
import { figuresOf } from '../../../testing/figuresOf';
import { wordFinding } from '../../wording/wording';

/** One lamp behind a fuse of so many amperes and so much wire, whose formula and whose solved drop differ. */
function behind(lengthMm: number, behaviour: 'resistive' | 'converter', ratingA: number) {
  const build = rig();
  build.supply({ outMm: 500 });
  build.slot('fuse', 1, ratingA);
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.load(36, behaviour, 0, { id: 'lamp' });
  build.wire('fuse.out', 'sw.in', 500, 'mm2:2.5');
  build.wire('sw.out', 'lamp.plus', lengthMm, 'mm2:2.5');
  build.wire('lamp.minus', 'bar.bar', lengthMm + 500, 'mm2:2.5', 'return');
  build.circuit('lamp', 1, 'fuse');
  return analyse(build.design());
}
const asWired = (analysis: ReturnType<typeof behind>) => findInNetwork(analysis).filter(({ rule }) => rule === 'drop.asWired');

test('a circuit that keeps its target by formula and not as wired is told, in both figures; the larger counts', () => {
  // 3 A over 2 x 12 m of 2.5 mm² (7.98 mΩ/m, IEC 60228) is 0.57 V; a 5 A blade (17.9 mΩ) and a switch (10 mΩ) take 0.08 V more: over 5 % of
  // 12 V.
  const analysis = behind(11_600, 'resistive', 5);
  const [circuit] = analysis.circuits;
  expect(circuit!.dropPercent).toBeLessThanOrEqual(5.05);
  const [finding] = asWired(analysis);
  expect(finding).toMatchObject({ severity: 'caution', circuitId: circuit!.id, subjects: [circuit!.id, 'lamp'] });
  const { drops } = solveDesign(analysis, { kind: 'allOn' }) as SolvedDesign;
  expect(figuresOf(finding, 'drop.asWired').dropV).toBeCloseTo(drops.get(circuit!.id)!.dropV, 9);
  const { message } = wordFinding(finding!, analysis.design, 'metric');
  expect(message).toMatch(/target 5\.0 %; the cables alone, by formula, lose/);
  // The same with half the wire keeps both, and one that breaks its target by formula is not told twice.
  expect(asWired(behind(5000, 'resistive', 5))).toEqual([]);
  const over = behind(16_000, 'resistive', 5);
  expect(over.findings.map(({ rule }) => rule)).toContain('drop.overTarget');
  expect(asWired(over)).toEqual([]);
});

describe('days that run out', () => {
  const analysis = analyse(heron());
  it('are a finding with the chance that Energy shows, scenario by scenario', () => {
    const found = findInDays(analysis);
    expect(found.length).toBeGreaterThan(0);
    for (const one of found) {
      const { severity, subjects } = one;
      const numbers = figuresOf(one, 'energy.runsOut');
      expect(severity).toBe('caution');
      const scenario = analysis.index.scenarios.find(({ id }) => id === subjects[0])!;
      if (numbers.draws !== FORECAST_DRAWS) continue;
      const trip = prepareTrip(analysis.index, analysis.index.battery!, scenario);
      const { chanceOfRunningOut } = forecast(trip, { draws: FORECAST_DRAWS, seed: FORECAST_SEED, startShare: 1 });
      expect(numbers.chancePercent).toBe(chanceOfRunningOut * 100);
    }
  });
  it('are none where as much is accepted, without a battery, or where nothing is used', () => {
    const accepts = applyChange(
      analysis.design,
      updateRecords(analysis.design, [{ id: 'settings', set: { wishes: { chancePercent: 100, pricePer100Ah: 1, pricePer100W: 1 } } }]),
    );
    expect(settingsOf(accepts).wishes?.chancePercent).toBe(100);
    expect(findInDays(analyse(accepts))).toEqual([]);
    const build = rig();
    build.supply();
    expect(findInDays(analyse(build.design()))).toEqual([]);
  });
});

test('what loses too much as wired is mended by its remedy, and not left by a proposal', () => {
  const before = behind(11_600, 'resistive', 5);
  const [remedy] = soundRemedies(before, asWired(before)[0]!);
  expect(remedy!.label).toMatch(/^Use /);
  expect(asWired(analyse(applyChange(before.design, remedy!.change)))).toEqual([]);
  const proposal = propose(before, { circuitIds: null, measure: 'cost', prices: pricesOf(before.index.settings) })!;
  expect(asWired(analyse(applyChange(before.design, proposal.change)))).toEqual([]);
  expect(proposal.circuits[0]).toMatchObject({ governedBy: 'drop', stuck: false });
});

test('a circuit that keeps its rules and that no wire of its own can bring under its target as wired stays as it is, never thinner', () => {
  const build = rig();
  // 3 A over 2 x 11.4 m of 2.5 mm² in the main cables (7.98 mΩ/m, IEC 60228) is 0.55 V of the 0.6; a 3 A blade (about 40 mΩ) takes the
  // rest.
  build.supply({ mainA: 30, cable: 'mm2:2.5', outMm: 11_400 });
  build.slot('fuse', 1, 5);
  build.add({ id: 'sw', kind: 'switch', ratingA: 10 });
  build.load(36, 'resistive', 0, { id: 'lamp' });
  build.wire('fuse.out', 'sw.in', 300, 'mm2:6');
  build.wire('sw.out', 'lamp.plus', 300, 'mm2:6');
  build.wire('lamp.minus', 'bar.bar', 600, 'mm2:6', 'return');
  build.circuit('lamp', 1, 'fuse');
  const before = analyse(build.design());
  expect(findingsOf(before, 'circuit_lamp')).toEqual([]);
  expect(asWired(before)).toHaveLength(1);
  for (const measure of MEASURES) {
    const { circuits } = propose(before, { circuitIds: ['circuit_lamp'], measure, prices: pricesOf(before.index.settings) })!;
    expect(circuits).toMatchObject([{ after: { conductor: 'mm2:6', ratingA: 5 }, stuck: true }]);
  }
});
