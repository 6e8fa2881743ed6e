import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { SETTINGS_ID } from '../catalog/vocabulary';
import { applyChange, isEmpty, updateRecords } from '../design/change';
import { recordsOf } from '../design/design';
import { dutyOf } from '../design/duties';
import { Edit } from '../design/edit';
import { nameOf } from '../design/names';
import type { DesignRecord, Load } from '../design/schema';
import { namedLoad } from '../switching/newLoad';
import { faultWords } from './faultWords';
import { readLoadsCsv, writeLoadsCsv } from './loadsCsv';

const design = heron();
const take = (text: string) => {
  const reading = readLoadsCsv(text, design);
  return { reading, after: analyse(applyChange(design, reading.change!)) };
};
const loadNamed = (records: Iterable<DesignRecord>, name: string) =>
  Array.from(records).find((record) => record.type === 'device' && record.kind === 'load' && record.name === name);

test('loads written out and taken in again change nothing but measuring dates', () => {
  const { reading } = take(writeLoadsCsv(analyse(design)));
  expect(reading.faults).toEqual([]);
  expect(reading.rows.every(({ action, problems }) => action === 'change' && problems.length === 0)).toBe(true);
  const dates = reading.change!.updated.filter(({ from }) => from.type === 'device' && from.kind === 'load' && from.measured);
  expect(isEmpty({ ...reading.change!, updated: reading.change!.updated.filter((update) => !dates.includes(update)) })).toBe(true);
});

test('headings in other words, another order and a semicolon list are understood', () => {
  const { reading, after } = take('Location;Qty;Appliance;Watts;Hrs/day;Colour\nGalley;3;Cupboard puck;2,5;4;warm\n');
  expect(reading.ignored).toEqual(['Colour']);
  const load = loadNamed(after.design.records.values(), 'Cupboard puck');
  expect(load).toMatchObject({ quantity: 3, rated: { kind: 'watts', watts: 2.5 }, zoneId: 'zone_galley' });
  expect(after.loads.get(load!.id)!.dailyWh).toBeCloseTo(30, 9);
});

test('functions of a lamp are written with their lamp and what they have in common, and read so into another design', () => {
  const text =
    'name,zone,rated,function of,common\nScene light,Galley,24 W,,\nScene light amber,Galley,12 W,Scene light,return\nLow beam,Galley,5 W,Nothing known,\n';
  const { reading, after } = take(text);
  expect(reading.rows.map(({ problems }) => problems)).toEqual([
    [],
    [],
    [expect.objectContaining({ column: 'functionOf', code: 'noSuch', what: 'lamp' })],
  ]);
  const lamp = loadNamed(after.design.records.values(), 'Scene light')!;
  expect(loadNamed(after.design.records.values(), 'Scene light amber')).toMatchObject({ partOf: { loadId: lamp.id, shares: 'minus' } });
  const written = writeLoadsCsv(after);
  expect(written).toMatch(/Scene light amber,.*,Scene light,return\r\n/);
  const again = readLoadsCsv(written, after.design);
  expect(again.rows.flatMap(({ problems }) => problems)).toEqual([]);
  expect(again.change!.updated.filter(({ to }) => 'partOf' in to)).toEqual([]);
});

test('a column of amperes is read as amperes', () => {
  const { after } = take('load,amps\nWinch control,1.5\n');
  expect(loadNamed(after.design.records.values(), 'Winch control')).toMatchObject({ rated: { kind: 'amps', amps: 1.5 } });
});

test('a load taken out, or there for now alone, is none that a list means: the line adds one', () => {
  const fridge = loadNamed(design.records.values(), 'Compressor fridge')!;
  for (const state of ['removed', 'temporary'] as const) {
    const without = applyChange(design, updateRecords(design, [{ id: fridge.id, set: { work: { state } } }]));
    const { rows, change } = readLoadsCsv('name,zone,rated\nCompressor fridge,Galley,30 W\n', without);
    expect(rows.map(({ action }) => action)).toEqual(['add']);
    expect(change!.updated.some(({ from }) => from.id === fridge.id)).toBe(false);
  }
  expect(readLoadsCsv('name,zone,rated\nCompressor fridge,Galley,30 W\n', design).rows.map(({ action }) => action)).toEqual(['change']);
});

test('a new zone is named before it is made, and a named circuit gets the load', () => {
  const { reading, after } = take('load,zone,circuit,rated\nStern lamp,Stern,01 Galley lights,4 W\n');
  expect(reading.newZones).toEqual(['Stern']);
  expect(after.circuits.find(({ name }) => name === 'Galley lights')!.loadIds).toHaveLength(2);
});

test('bad rows are told line by line, the good ones can still be taken', () => {
  const reading = readLoadsCsv(
    'name,rated,hours,quantity\nGood,5 W,2,1\n,5 W,2,1\nBad watts,many,2,1\nToo long,5 W,25,1\nHalf,5 W,1,1.5\n',
    design,
  );
  expect(reading.rows.map(({ line, action }) => [line, action])).toEqual([
    [2, 'add'],
    [3, 'refuse'],
    [4, 'refuse'],
    [5, 'refuse'],
    [6, 'refuse'],
  ]);
  expect(reading.rows.slice(1).map(({ problems }) => problems.map(faultWords))).toEqual([
    ['name: a load needs a name'],
    ['rated: “many” is not a number'],
    ['hours: between 0 and 24'],
    ['quantity: a whole number'],
  ]);
  expect(reading.change!.added.filter(({ type }) => type === 'device')).toHaveLength(1);
});

test.each([
  ['no heading for a name', 'watts,hours\n5,2\n', /name/],
  ['two columns of one kind', 'name,watts,amps\nLamp,5,1\n', /two columns/],
  ['nothing but a heading', 'name,watts\n', /heading line alone/],
  ['an open quote', 'name,watts\n"Lamp,5\n', /quoted cell/],
  ['too many rows', `name,watts\n${'Lamp,5\n'.repeat(1001)}`, /1000 are allowed/],
])('a file with %s is refused whole', (_, text, fault) => {
  const reading = readLoadsCsv(text, design);
  expect(reading.change).toBeNull();
  expect(reading.faults.map(faultWords).join()).toMatch(fault);
});

test('a name a spreadsheet would run as a formula is written as text and comes back as it was', () => {
  const { after } = take('name,zone,rated\n"=HYPERLINK(""http://x"")",-18 °C box,5 W\n');
  expect(after.index.zones.map(({ name }) => name)).toContain('-18 °C box');
  const csv = writeLoadsCsv(after);
  expect(csv).toContain(`"'=HYPERLINK`);
  const again = readLoadsCsv(csv, after.design);
  expect(again.rows.some(({ name }) => name.startsWith('=HYPERLINK'))).toBe(true);
  expect(again.change!.added).toEqual([]);
  expect(again.newZones).toEqual([]);
});

describe('a list without headings', () => {
  const added = (text: string) => {
    const { change, guessed } = readLoadsCsv(text, design);
    const loads = change!.added.filter((record) => record.type === 'device' && record.kind === 'load');
    return { guessed, loads: loads.map((load) => ('rated' in load ? [load.name, load.quantity, load.rated] : [])), change: change! };
  };

  it('of names with their draws behind them is read line by line', () => {
    const { loads } = added('Reading light 3 W\nWater pump, 6 A\nChart 2 lamp 4,5 W');
    expect(loads).toMatchObject([
      ['Reading light', 1, { kind: 'watts', watts: 3 }],
      ['Water pump', 1, { kind: 'amps', amps: 6 }],
      ['Chart 2 lamp', 1, { kind: 'watts', watts: 4.5 }],
    ]);
  });

  it('finds its columns by what stands in them: how many, the draw, the hours, the zone', () => {
    const { loads, guessed, change } = added('Roof\tCeiling light\t4\t5\t3\nCab\tHeater fan\t1\t60\t90 min');
    expect(guessed).toBe('zone from column 1, name from column 2, hours from column 5, rated from column 4, quantity from column 3');
    expect(loads).toMatchObject([
      ['Ceiling light', 4, { watts: 5 }],
      ['Heater fan', 1, { watts: 60 }],
    ]);
    const hours = change.added.flatMap((record) => (record.type === 'duty' ? [record.hoursPerDay] : []));
    expect(hours).toEqual([3, 1.5]);
  });

  it('takes how many and how long from a line, and no usual draw in place of one that is said and not read', () => {
    const { rows, change } = readLoadsCsv(
      'Heated grips 2x 20 W 3 h\nCabin heater 200 W 30 % 12 h\nFridge 45 W pure sine\nPump 5 A 10 min a day',
      pip(),
    );
    expect(rows.map(({ name, quantity, rated, hours, kind }) => [name, quantity, rated, hours, kind])).toEqual([
      ['Heated grips', '2', '20 W', '3', 'electric heater'],
      ['Cabin heater', '1', '200 W', '12', 'electric heater'],
      ['Fridge 45 W pure sine', '1', '', '', 'compressor fridge, draw not understood'],
      ['Pump', '1', '5 A', '10 min', 'pump'],
    ]);
    const design = applyChange(pip(), change!);
    const of = (name: string) => {
      const load = recordsOf(design, 'device').find((device): device is Load => device.kind === 'load' && device.name === name)!;
      return { load, duty: recordsOf(design, 'duty').find(({ loadId }) => loadId === load.id) };
    };
    // 200 W for 30 % of 12 h are 720 Wh a day.
    expect(of('Cabin heater').duty).toMatchObject({ hoursPerDay: 12, sharePercent: 30 });
    expect(of('Pump').duty!.hoursPerDay).toBeCloseTo(1 / 6, 9);
    expect(of('Heated grips')).toMatchObject({ load: { quantity: 2 }, duty: { hoursPerDay: 3, sharePercent: 100 } });
    expect(of('Fridge 45 W pure sine').load.rated).toMatchObject({ watts: 0 });
  });

  it('leaves a load that is there already as it is in what a line does not say', () => {
    const fridge = loadNamed(design.records.values(), 'Compressor fridge') as Load;
    const puck = loadNamed(design.records.values(), 'Bench puck') as Load;
    expect([fridge.rated, puck.quantity > 1]).not.toEqual([namedLoad('Compressor fridge', null).rated, false]);
    const zoneOf = ({ zoneId }: Load) => nameOf(design, zoneId ?? undefined);
    const { rows, change } = readLoadsCsv(
      `name,zone,hours\n${fridge.name},${zoneOf(fridge)},20\n${puck.name},${zoneOf(puck)},\nHeater 300 W new,,\nHeater 300 W new,,`,
      design,
    );
    expect(rows.map(({ action, kind }) => [action, /stays|understood/.exec(kind)?.[0]])).toEqual([
      ['change', 'stays'],
      ['change', 'stays'],
      ['add', 'understood'],
      ['change', 'understood'],
    ]);
    const after = applyChange(design, change!);
    expect(loadNamed(after.records.values(), fridge.name)).toEqual(fridge);
    expect(loadNamed(after.records.values(), puck.name)).toEqual(puck);
    // Of its hours the same share as before.
    expect(dutyOf(after, fridge.id)).toMatchObject({ hoursPerDay: 20, sharePercent: dutyOf(design, fridge.id)!.sharePercent });
    expect(dutyOf(design, fridge.id)!.sharePercent).not.toBe(100);
  });

  it('says so where there is no scenario to keep hours in', () => {
    const scenarios = recordsOf(design, 'scenario').map(({ id }) => id);
    const edit = new Edit(design);
    for (const { id, scenarioId } of recordsOf(design, 'duty')) if (scenarios.includes(scenarioId)) edit.remove(id);
    edit.set(SETTINGS_ID, { scenarioId: null });
    for (const id of scenarios) edit.remove(id);
    const { rows, change } = readLoadsCsv('Lamp 3 W 2 h\nLamp two 3 W', edit.design);
    expect(rows.map(({ kind }) => kind.includes('need a scenario'))).toEqual([true, false]);
    expect(change!.added.filter(({ type }) => type === 'duty')).toEqual([]);
  });

  it('gives a kind its usual draw and says so, and leaves what nobody knows unknown', () => {
    const { rows } = readLoadsCsv('Compressor fridge\nWhatsit', design);
    expect(rows.map(({ kind }) => kind)).toEqual([
      expect.stringContaining('its usual draw'),
      expect.stringContaining('draw not known yet'),
    ]);
    expect(rows[0]!.rated).toMatch(/\d/);
  });

  it('with one column of words takes that for the names, though they are called as zones are', () => {
    const { loads, guessed } = added('Cab\t5 W\t2\nRoof\t3 W\t1');
    expect(guessed).toContain('name from column 1');
    expect(guessed).not.toContain('zone');
    expect(loads.map(([name]) => name)).toEqual(['Cab', 'Roof']);
  });

  it('of one line a spreadsheet copied is a load, not a heading', () => {
    expect(added('Lamp\t3 W').loads).toMatchObject([['Lamp', 1, { watts: 3 }]]);
  });
});
