import { heron } from '../../../demo/heron';
import { pip } from '../../../demo/pip';
import { analyse } from '../analyse';
import { applyChange, updateRecords } from '../../design/change';
import type { Design } from '../../design/design';
import { SOURCE_RULES } from '../../wording/sourceWords';
import type { Rule, SourceRule } from '../finding';
import { wordFinding } from '../../wording/wording';

const set = (from: Design, id: string, fields: object) => applyChange(from, updateRecords(from, [{ id, set: fields }]));
const isSource = (rule: Rule): rule is SourceRule => rule in SOURCE_RULES;
const sourceRules = (from: Design) => analyse(from).findings.filter(({ rule }) => isSource(rule));

test('the demos’ sources are in order', () => {
  expect(sourceRules(heron())).toEqual([]);
  expect(sourceRules(pip())).toEqual([]);
});

// What sources and batteries want: common practice, NEC 690.8 for the controller's current; from memory.
describe('what is wrong with a source', () => {
  test.each<[string, Record<string, object>, SourceRule | null, string | null]>([
    ['a bare panel', { sun_roof: { controllerId: null } }, 'solar.bare', 'fault'],
    ['a panel with its own controller, through another', { sun_roof: { regulated: true } }, 'solar.twoControllers', 'caution'],
    ['two of 22.6 V in series on 75 V, at -20 °C about 52 V', { sun_roof: { wired: 'series' } }, null, null],
    ['three of 22.6 V in series on 75 V, at -20 °C about 77 V', { sun_roof: { wired: 'series', count: 3 } }, 'solar.coldVoltage', 'fault'],
    ['panels of 12 V best', { sun_roof: { bestV: 12 } }, 'solar.lowVoltage', 'caution'],
    ['600 W on a tracking controller of 30 A', { sun_roof: { watts: 300 } }, 'solar.controllerClips', 'note'],
    ['19.8 A short-circuit x 1.25 on a simple one of 30 A', { sun_controller: { method: 'simple' } }, null, null],
    [
      '19.8 A short-circuit x 1.25 on a simple one of 20 A',
      { sun_controller: { method: 'simple', maxA: 20 } },
      'solar.controllerOver',
      'fault',
    ],
    ['an alternator of 110 A at idle', { alternator: { ratedA: 110 } }, 'alternator.idle', 'caution'],
    ['33 A over 4.2 m of 2.5 mm²', { dcdc: { inputConductor: 'mm2:2.5', inputFuseA: 25 } }, 'charger.inputDrop', 'caution'],
    [
      '33 A x 1.25 through 4 mm² in an engine space',
      { dcdc: { inputConductor: 'mm2:4', inputLengthMm: 500 } },
      'charger.inputCable',
      'fault',
    ],
    ['an input without a fuse', { dcdc: { inputFuseA: null } }, 'charger.inputBare', 'fault'],
    ['a 150 A fuse on 16 mm²', { dcdc: { inputFuseA: 150 } }, 'charger.inputFuse', 'fault'],
    ['a 35 A fuse for 33 A lasting', { dcdc: { inputFuseA: 35 } }, 'charger.inputFuseSmall', 'caution'],
    ['glass-mat in the engine bay', { bat_house: { chemistry: 'agm', zoneId: 'zone_engine' } }, 'battery.hot', 'caution'],
    ['flooded in the bunk', { bat_house: { chemistry: 'flooded' } }, 'battery.unvented', 'fault'],
    ['flooded in the bunk, vented outside', { bat_house: { chemistry: 'flooded', vented: true } }, null, null],
    ['a battery that is loose', { bat_house: { heldDown: false } }, 'battery.loose', 'fault'],
    ['a charge limit of 20 A under a 30 A charger', { bat_house: { chargeLimitA: 20 } }, 'battery.chargedTooFast', 'fault'],
    [
      'lithium in the locker in a northern winter',
      { bat_house: { zoneId: 'zone_locker' }, scn_winter: { climate: 'northern' } },
      'battery.coldCharge',
      'caution',
    ],
  ])('%s', (_, edits, rule, severity) => {
    const design = Object.entries(edits).reduce((from, [id, fields]) => set(from, id, fields), heron());
    const found = sourceRules(design);
    if (rule === null) return expect(found).toEqual([]);
    const own = found.find((finding) => finding.rule === rule)!;
    expect(own?.severity).toBe(severity);
    const { message, why } = wordFinding(own, design, 'metric');
    expect(message).not.toMatch(/NaN|undefined|null|–/);
    expect(why.length).toBeGreaterThan(30);
  });
});

test('an alternator with no link charges nothing; through a relay too small for it, it is a fault', () => {
  const unlinked = { records: new Map(Array.from(heron().records).filter(([id]) => id !== 'dcdc')) };
  expect(sourceRules(unlinked).map(({ rule }) => rule)).toEqual(['alternator.noLink']);
  const relay = (ratingA: number) =>
    applyChange(unlinked, {
      ...{ added: [{ id: 'split', type: 'device', kind: 'splitRelay', name: 'Relay', zoneId: null, ratingA }], updated: [], removed: [] },
    });
  // 160 A x 75 % less the vehicle's 35 A leaves 85 A; 200 Ah of lithium takes 80 of them.
  expect(sourceRules(relay(70)).map(({ rule }) => rule)).toEqual(['relay.chargeOver']);
  expect(sourceRules(relay(100))).toEqual([]);
});
