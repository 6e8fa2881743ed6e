import { rig } from '../../../testing/rig';
import { analyse } from '../analyse';
import { applyUnchecked } from '../../design/change';
import { vehicleChargeA } from '../../energy/chargeSources';
import { soundRemedies } from '../../advice/soundRemedies';

type Build = ReturnType<typeof rig>;

function house(more: (build: Build) => void) {
  const build = rig();
  build.supply();
  more(build);
  return analyse(build.design());
}
const charger = (build: Build) =>
  build.add({
    ...{ id: 'dcdc', kind: 'dcDcCharger', outputV: 14.4, maxA: 20, efficiencyPercent: 90 },
    ...{ inputConductor: null, inputLengthMm: 0, inputFuseA: null },
  });
const relay = (build: Build) => build.add({ id: 'split', kind: 'splitRelay', ratingA: 100 });
const engineRules = (analysis: ReturnType<typeof house>) =>
  analysis.findings.filter(({ rule }) => rule.startsWith('alternator.')).map(({ rule }) => rule);

// Common practice: a charger or relay passes on what an alternator gives and makes nothing itself.
test.each([
  ['a DC-DC charger', charger],
  ['a split-charge relay', relay],
])('%s with no alternator is told, and one click describes the engine', (_, add) => {
  const analysis = house(add);
  const [finding] = analysis.findings.filter(({ rule }) => rule === 'alternator.missing');
  expect(finding!.severity).toBe('caution');
  expect(vehicleChargeA(analysis.index)).toBe(0);
  const [remedy] = soundRemedies(analysis, finding!);
  const after = analyse(applyUnchecked(analysis.design, remedy!.change));
  expect(engineRules(after)).not.toContain('alternator.missing');
  expect(vehicleChargeA(after.index)).toBeGreaterThan(10);
});

test('a vehicle with one battery needs no link: its alternator charges it, and its idle is checked', () => {
  const alternator = {
    id: 'engine',
    kind: 'alternator',
    ratedA: 60,
    outputV: 14.2,
    idlePercent: 45,
    hotPercent: 75,
    vehicleA: 10,
  } as const;
  expect(engineRules(house((build) => build.add(alternator)))).toEqual(['alternator.noLink']);
  const only = house((build) => {
    build.add({ ...alternator, direct: true });
    build.slot('fuse', 1, 30);
    build.lampBehind('fuse', 1, 280);
  });
  expect(engineRules(only)).toEqual([]);
  expect(only.idle).not.toBeNull();
  // 60 A at 45 % less 10 A is 17 A, asked for 23.3: not held up.
  expect(only.findings.map(({ rule }) => rule)).toContain('idle.notHeld');
});
