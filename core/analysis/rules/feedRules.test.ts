import { heron } from '../../../demo/heron';
import { rig } from '../../../testing/rig';
import { analyse } from '../analyse';
import { applyChange, updateRecords } from '../../design/change';
import type { Design } from '../../design/design';
import type { Device } from '../../design/schema';
import { FEED_RULES } from '../../wording/feedWords';
import type { FeedRule } from '../finding';
import { wordFinding } from '../../wording/wording';

const set = (design: Design, id: string, fields: object) => applyChange(design, updateRecords(design, [{ id, set: fields }]));
const isFeed = (rule: string): rule is FeedRule => rule in FEED_RULES;
const feedRules = (design: Design) =>
  analyse(design)
    .findings.filter(({ rule }) => isFeed(rule))
    .map(({ rule, severity }) => `${rule} ${severity}`);

/** Heron with a relay straight from the starter battery in place of its charger. */
function related(cable: object | undefined): Design {
  const start = heron();
  const bare = { records: new Map(Array.from(start.records).filter(([id]) => id !== 'dcdc')) };
  const relay = { id: 'split', type: 'device', kind: 'splitRelay', name: 'Split relay', zoneId: 'zone_bunk', ratingA: 100 } as Device;
  return applyChange(bare, { added: [cable ? ({ ...relay, cable } as Device) : relay], updated: [], removed: [] });
}

const good = { conductor: 'mm2:35', lengthMm: 2000, batteryFuseA: 125, sourceFuseA: 125 };

// A cable that two sources feed is protected at both ends, a self-limited one that the cable carries at the battery's: ABYC E-11, from
// memory.
describe('a relay’s cable, with a battery at either end', () => {
  // 160 A x 75 % less the vehicle's 35 A is 85 A lasting; 35 mm² of 105 °C carries 210 A, in the engine space 0.86 of it (ISO 10133).
  test.each<[string, object, string[]]>([
    ['fused at both ends', good, []],
    ['bare at the starter’s end', { ...good, sourceFuseA: null }, ['feed.bareAtSource fault']],
    ['bare at the house battery', { ...good, batteryFuseA: null }, ['feed.bareAtBattery fault']],
    ['bare at both', { ...good, batteryFuseA: null, sourceFuseA: null }, ['feed.bareAtBattery fault', 'feed.bareAtSource fault']],
    ['a 200 A fuse at one end, where it carries 130', { ...good, sourceFuseA: 200 }, ['feed.fuseAbove fault']],
    ['a 100 A fuse for 85 A lasting', { ...good, batteryFuseA: 100 }, ['feed.fuseBelow caution']],
    ['8 m of it lose 0.75 V at 85 A', { ...good, lengthMm: 8000 }, ['feed.drop caution']],
    ['4 m of it lose 0.37 V, past the 0.3 V of road-vehicle practice', { ...good, lengthMm: 4000 }, ['feed.drop caution']],
    [
      '10 mm² for 85 A',
      { conductor: 'mm2:10', lengthMm: 500, batteryFuseA: 110, sourceFuseA: 110 },
      ['feed.cableSmall fault', 'feed.fuseAbove fault'],
    ],
  ])('%s', (_, cable, wanted) => {
    const design = related(cable);
    expect(feedRules(design)).toEqual(wanted);
    for (const finding of analyse(design).findings.filter(({ rule }) => isFeed(rule))) {
      const { message, why } = wordFinding(finding, design, 'metric');
      expect(message + why).not.toMatch(/NaN|undefined|null|Infinity/);
      expect(message).toContain('Split relay');
    }
  });

  it('of which nothing is known is a note', () => {
    expect(feedRules(related(undefined))).toEqual(['feed.unknown note']);
  });
});

describe('a charger, which limits itself', () => {
  it('needs a fuse at the battery alone while its cable carries all it gives', () => {
    const cable = { conductor: 'mm2:10', lengthMm: 1400, batteryFuseA: 40, sourceFuseA: null };
    expect(feedRules(set(heron(), 'dcdc', { cable }))).toEqual([]);
    expect(feedRules(set(heron(), 'dcdc', { cable: { ...cable, batteryFuseA: null } }))).toEqual(['feed.bareAtBattery fault']);
    // 1 mm² of 105 °C carries 20 A, the charger gives 30.
    const thin = { ...cable, conductor: 'mm2:1', lengthMm: 100, batteryFuseA: 20 };
    expect(feedRules(set(heron(), 'dcdc', { cable: thin }))).toEqual([
      'feed.cableSmall fault',
      'feed.bareAtSource fault',
      'feed.fuseBelow caution',
    ]);
  });
});

test('a relay with no alternator in the design is judged by all it carries', () => {
  const design = related(good);
  const alone = { records: new Map(Array.from(design.records).filter(([id]) => id !== 'alternator')) };
  // 100 A x 125 % is just what the two 125 A fuses are; 110 A would be too small.
  expect(feedRules(alone)).toEqual([]);
  expect(feedRules(set(alone, 'split', { cable: { ...good, sourceFuseA: 110 } }))).toEqual(['feed.fuseBelow caution']);
});

describe('as wired', () => {
  const wired = (kind: 'charger' | 'splitRelay', { conductor = 'mm2:16', farFuse = false, leadMm = 150 } = {}) => {
    const build = rig();
    build.battery('agm', 100);
    build.add({ id: 'main', kind: 'protection', family: 'terminalMount', ratingA: 80, mount: null });
    build.add({ id: 'bar', kind: 'busBar', ratingA: 150 });
    if (kind === 'charger') build.add({ id: 'source', kind, outputV: 14.4, maxA: 30 });
    else build.add({ id: 'source', kind, ratingA: 60 });
    build.wire('battery.plus', 'main.in', 150, 'mm2:16');
    build.wire('main.out', 'bar.bar', 500, 'mm2:16');
    const end = kind === 'charger' ? 'source.plus' : 'source.house';
    const size = conductor as 'mm2:16';
    if (farFuse) {
      build.add({ id: 'far', kind: 'protection', family: 'terminalMount', ratingA: 80, mount: null });
      build.wire('bar.bar', 'far.in', 1000, size);
      build.wire('far.out', end, leadMm, size);
    } else build.wire('bar.bar', end, 1000, size);
    return build.design();
  };

  it('a charger behind the main fuse is in order; on a cable thinner than what it gives it is not', () => {
    expect(feedRules(wired('charger'))).toEqual([]);
    // 1 mm² carries 20 A at 105 °C (ISO 10133), and 30 come.
    const thin = ['feed.cableSmall fault', 'feed.bareAtSource fault', 'feed.drop caution'];
    expect(feedRules(wired('charger', { conductor: 'mm2:1' }))).toEqual(thin);
  });

  it('a relay with a battery behind it wants a fuse of its own close by: 200 mm (ISO 10133, from memory)', () => {
    expect(feedRules(wired('splitRelay'))).toEqual(['feed.bareAtSource fault']);
    expect(feedRules(wired('splitRelay', { farFuse: true }))).toEqual([]);
    expect(feedRules(wired('splitRelay', { farFuse: true, leadMm: 900 }))).toEqual(['feed.bareAtSource fault', 'feed.drop caution']);
  });
});

test('a field set to nothing is gone from the record, as it would be from a file', () => {
  const design = set(heron(), 'dcdc', { cable: undefined });
  expect(Object.keys(design.records.get('dcdc')!)).not.toContain('cable');
  expect(feedRules(design)).toEqual(['feed.unknown note']);
});

describe('sun wired like anything else', () => {
  /** A controller of 20 A, wired through a fuse at the block's feed. */
  const sunThrough = (ratingA: number, lengthMm: number) => {
    const build = rig();
    build.supply();
    build.add({ id: 'sun', kind: 'solarController', method: 'tracking', maxA: 20, maxPanelV: 75, outputV: 14.4 });
    build.add({ id: 'sunFuse', kind: 'protection', family: 'blade', ratingA, mount: { blockId: 'block', slot: 6 } });
    build.wire('sunFuse.out', 'sun.plus', lengthMm, 'mm2:6');
    build.wire('sun.minus', 'bar.bar', lengthMm, 'mm2:6', 'return');
    return feedRules(build.design());
  };
  // 125 % of 20 A is 25 A (origin NEC). 6 mm² class 5 has 3.30 mΩ/m (IEC 60228): 2 m out and back lose 0.26 V with the main cables, 4 m
  // 0.53; 0.3 V is the most (road-vehicle practice).
  test.each([
    [25, 1500, []],
    [20, 1500, ['feed.fuseBelow caution']],
    [25, 4000, ['feed.drop caution']],
  ])('behind %d A and %d mm of 6 mm²: %j', (ratingA, lengthMm, wanted) => expect(sunThrough(ratingA, lengthMm)).toEqual(wanted));

  it('a folding panel has a cable and a fuse, for a sun brighter than the standard one', () => {
    const folding = (cable: object | undefined, array: object = {}): Device =>
      ({
        ...{
          id: 'fold',
          type: 'device',
          kind: 'solarPanel',
          name: 'Folding panel',
          zoneId: null,
          watts: 100,
          bestV: 18,
          openV: 22,
          shortA: 6,
        },
        ...{
          count: 1,
          wired: 'parallel',
          tiltDeg: 35,
          facesDeg: 0,
          regulated: true,
          controllerId: null,
          ...array,
          ...(cable && { cable }),
        },
      }) as Device;
    const withIt = (cable?: object, array?: object) => {
      const build = rig();
      build.supply();
      return feedRules(applyChange(build.design(), { added: [folding(cable, array)], updated: [], removed: [] }));
    };
    const good = { conductor: 'mm2:4', lengthMm: 3000, batteryFuseA: 10, sourceFuseA: null };
    expect(withIt()).toEqual(['feed.unknown note']);
    // 6 A x 1.25 x 1.25 = 9.4 A (NEC 690.8): 10 A does, 7.5 A does not.
    expect(withIt(good)).toEqual([]);
    expect(withIt({ ...good, batteryFuseA: 7.5 })).toEqual(['feed.fuseBelow caution']);
    // Two side by side give twice that, in a row no more than one.
    const short = { ...good, lengthMm: 1500 };
    expect(withIt({ ...short, batteryFuseA: 15 }, { count: 2 })).toEqual(['feed.fuseBelow caution']);
    expect(withIt({ ...short, batteryFuseA: 20 }, { count: 2 })).toEqual([]);
    expect(withIt(good, { count: 2, wired: 'series' })).toEqual([]);
    expect(withIt({ ...good, batteryFuseA: null })).toEqual(['feed.bareAtBattery fault']);
    expect(withIt({ ...good, lengthMm: 8000 })).toEqual(['feed.drop caution']);
  });
});
