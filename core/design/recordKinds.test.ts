import { heron } from '../../demo/heron';
import { rig } from '../../testing/rig';
import { makeDesign, type Design } from './design';
import { nameOf } from './names';
import { isPart, recordKindOf } from './recordKinds';
import { checkAround, checkReferences, referencesOf } from './references';
import { recordSchema, type DesignRecord } from './schema';

/** A battery, a block with a fuse and its tap, a lamp with a second function, and one record of every other type. */
function whole(): DesignRecord[] {
  const build = rig();
  build.supply();
  build.slot('fuse', 1, 5);
  build.slot('tapped', 1, 3, 'supply');
  build.load(10, 'ledConstantPower', 0, { id: 'lamp' });
  build.load(5, 'ledConstantPower', 0, { id: 'amber', partOf: { loadId: 'lamp', shares: 'minus' } });
  build.add({ id: 'switch', kind: 'switch', ratingA: 10 });
  build.circuit('light', 1, 'fuse');
  build.wire('fuse.out', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  const others: unknown[] = [
    { id: 'cab', type: 'zone', name: 'Cab', order: 0, ambientC: 25, engineSpace: false },
    { id: 'day', type: 'scenario', name: 'A day', order: 0 },
    { id: 'duty', type: 'duty', scenarioId: 'day', loadId: 'lamp', hoursPerDay: 2, sharePercent: 100 },
    { id: 'here', type: 'place', name: 'Here', zoneId: null, xMm: 0, yMm: 0, zMm: 0, depthMm: null, behind: '' },
    { id: 'there', type: 'place', name: 'There', zoneId: null, xMm: 900, yMm: 0, zMm: 0, depthMm: null, behind: '' },
    {
      ...{
        id: 'way',
        type: 'route',
        name: 'Way',
        fromId: 'here',
        toId: 'there',
        kind: 'loom',
        bends: [],
        measuredMm: null,
        measuredOn: null,
      },
      ...{ insideMm: null, feed: 'open', closed: false, passes: [], note: '' },
    },
    { id: 'panel', type: 'panel', name: 'Panel', use: 'panel', placeId: null, columns: 2, rows: 1 },
    { id: 'seat', type: 'panelPart', panelId: 'panel', position: 1, deviceId: 'switch' },
    {
      id: 'cable',
      type: 'cable',
      name: 'Cable',
      cores: [
        { conductor: 'mm2:1', colour: 'RD' },
        { conductor: 'mm2:1', colour: 'BK' },
      ],
    },
    { id: 'lead', type: 'lead', deviceId: 'lamp', colour: 'RD', says: [{ by: 'print', terminal: 'plus' }] },
    { id: 'stock', type: 'stock', part: 'wire x', have: 1 },
    { id: 'done', type: 'doneTask', task: 'fit lamp', on: '2026-05-01' },
    { id: 'hand', type: 'handTask', task: 'fit lamp', minutes: 20 },
    { id: 'drawn', type: 'drawn', circuitId: 'circuit_light', deviceId: 'lamp', x: 1, y: 1 },
    { id: 'wish', type: 'wish', loadId: 'lamp', says: { kind: 'neverWith', otherId: 'amber' } },
  ];
  return [...build.design().records.values(), ...others.map((record) => record as DesignRecord)];
}

const design = (records: readonly DesignRecord[] = whole()): Design => makeDesign(records);
const changed = (id: string, fields: object): Design =>
  design(whole().map((record) => (record.id === id ? ({ ...record, ...fields } as DesignRecord) : record)));
const added = (of: string, fields: object = {}): Design => {
  const record = whole().find(({ id }) => id === of)!;
  return design([...whole(), { ...record, id: 'second', ...fields } as DesignRecord]);
};

test('what these tests begin with is whole, with a record of a type to every schema but those without rules', () => {
  expect(
    whole().flatMap((record) => recordSchema.safeParse(record).error?.issues.map(({ path, message }) => [record.id, path, message]) ?? []),
  ).toEqual([]);
  expect(checkReferences(design())).toEqual([]);
});

/** Each rule of a record with the smallest thing that breaks it. */
const BROKEN: [string, Design, string, string, string?][] = [
  ['a wire to its own terminal', changed('w_isolator', { to: { deviceId: 'main', terminal: 'out' } }), 'wireToItself', 'w_isolator'],
  [
    'a terminal there is not',
    changed('w_isolator', { from: { deviceId: 'main', terminal: '87' } }),
    'unknownTerminal',
    'w_isolator',
    'from.terminal',
  ],
  [
    'the other end’s terminal',
    changed('w_isolator', { to: { deviceId: 'isolator', terminal: '87' } }),
    'unknownTerminal',
    'w_isolator',
    'to.terminal',
  ],
  ['a core past its cable’s last', changed('w_isolator', { core: { cableId: 'cable', at: 3 } }), 'noSuchCore', 'w_isolator', 'core.at'],
  ['a slot its block has not', changed('fuse', { mount: { blockId: 'block', slot: 7 } }), 'noSuchSlot', 'fuse', 'mount.slot'],
  ['two fuses in one slot', changed('tapped', { mount: { blockId: 'block', slot: 1 } }), 'slotTaken', 'tapped', 'mount.slot'],
  ['a second tap on a fuse', added('tapped'), 'slotTaken', 'second', 'mount.slot'],
  ['a second battery', added('battery'), 'secondBattery', 'second'],
  [
    'a function of itself',
    changed('amber', { partOf: { loadId: 'amber', shares: 'minus' } }),
    'functionOfFunction',
    'amber',
    'partOf.loadId',
  ],
  [
    'a function of a function',
    added('amber', { partOf: { loadId: 'amber', shares: 'minus' } }),
    'functionOfFunction',
    'second',
    'partOf.loadId',
  ],
  ['a route to where it begins', changed('way', { toId: 'here' }), 'routeToItself', 'way'],
  ['a position past the last', changed('seat', { position: 3 }), 'noSuchPosition', 'seat', 'position'],
  ['a control the part has not', changed('seat', { control: 'door' }), 'noSuchControl', 'seat', 'control'],
  ['a position taken', added('seat', { deviceId: 'isolator' }), 'positionTaken', 'second', 'position'],
  ['a thing in two places', added('seat', { position: 2 }), 'onTwoPanels', 'second', 'deviceId'],
  ['a lead of no terminal', changed('lead', { says: [{ by: 'print', terminal: '87' }] }), 'unknownTerminal', 'lead', 'says.0.terminal'],
  ['a lead proved as no terminal', changed('lead', { proved: '87' }), 'unknownTerminal', 'lead', 'proved'],
  ['one fuse for two circuits', added('circuit_light', { number: 9 }), 'protectionShared', 'second', 'protectionId'],
  ['one duty twice', added('duty'), 'dutyRepeated', 'second', 'loadId'],
  ['a part at hand twice', added('stock'), 'saidTwice', 'second', 'part'],
  ['a task done twice', added('done'), 'saidTwice', 'second', 'task'],
  ['a task by hand twice', added('hand'), 'saidTwice', 'second', 'task'],
  ['a part drawn twice', added('drawn'), 'saidTwice', 'second', 'deviceId'],
  ['a fuse that is a lamp', changed('circuit_light', { protectionId: 'lamp' }), 'danglingReference', 'circuit_light', 'protectionId'],
  ['a zone there is not', changed('lamp', { zoneId: 'nowhere' }), 'danglingReference', 'lamp', 'zoneId'],
  [
    'a wish with a switch',
    changed('wish', { says: { kind: 'neverWith', otherId: 'switch' } }),
    'danglingReference',
    'wish',
    'says.otherId',
  ],
  [
    'a panel through what is no controller',
    added('switch', {
      ...{ kind: 'solarPanel', controllerId: 'lamp', ratingA: undefined },
    }),
    'danglingReference',
    'second',
    'controllerId',
  ],
];

test.each(BROKEN.map(([what, ...told]) => [what, told] as const))(
  '%s is found, where it is, and by looking around it alone',
  (_, [broken, code, id, field]) => {
    const problem = expect.objectContaining({ code, id, ...(field && { field }) });
    expect(checkReferences(broken)).toEqual([problem]);
    expect(checkAround(broken, [broken.records.get(id)!], new Set())).toEqual([problem]);
  },
);

test('what may be twice is no error: a duty at another level, a fuse and its tap, a core and the next', () => {
  for (const fine of [
    added('duty', { level: 'low' }),
    added('seat', { position: 2, deviceId: 'lamp' }),
    added('drawn', { circuitId: null }),
  ]) {
    expect(checkReferences(fine)).toEqual([]);
  }
  const cored = design(
    whole().map((record, at) =>
      record.type === 'wire' && record.id !== 'w_isolator' ? { ...record, core: { cableId: 'cable', at: (at % 2) + 1 } } : record,
    ),
  );
  expect(checkReferences(cored).map(({ code }) => code)).toEqual(expect.arrayContaining(['coreTaken']));
});

test('every reference a record makes is missed when what it refers to is gone', () => {
  const { records } = heron();
  let gone = 0;
  for (const record of records.values())
    for (const { id, field } of referencesOf(record)) {
      const without = makeDesign([...records.values()].filter((other) => other.id !== id));
      if (gone++ % 40 !== 0) continue;
      expect(checkReferences(without)).toContainEqual(
        expect.objectContaining({ code: 'danglingReference', id: record.id, field, other: id }),
      );
    }
  expect(gone).toBeGreaterThan(400);
});

test('a record is called as people call it', () => {
  const of = design();
  expect(['circuit_light', 'duty', 'seat', 'lead', 'wish', 'done', 'drawn', 'stock', 'w_isolator'].map((id) => nameOf(of, id))).toEqual([
    ...['01 light', 'lamp', 'Panel, position 1', 'lamp, red lead', 'lamp', 'fit lamp', 'lamp', 'wire x', 'main to isolator'],
  ]);
  expect([nameOf(of, 'nowhere'), nameOf(of, undefined)]).toEqual(['nowhere', '']);
});

test('what is designed has options; what is seen in one vehicle goes nowhere else', () => {
  const kinds = new Map([...heron().records.values(), ...whole()].map((record) => [record.type, record]));
  const others = [...kinds.values()].filter((record) => !isPart(record)).map(({ type }) => type);
  expect(others.sort()).toEqual(
    ['choice', 'doneTask', 'drawn', 'event', 'handTask', 'keepClear', 'log', 'option', 'reel', 'rig', 'stock', 'trigger'].filter((type) =>
      kinds.has(type as DesignRecord['type']),
    ),
  );
  expect(others.length).toBeGreaterThan(8);
  expect(
    [...kinds.values()]
      .filter((record) => recordKindOf(record).of === 'vehicle')
      .map(({ type }) => type)
      .sort(),
  ).toEqual(['doneTask', 'event', 'handTask']);
});
