import { pip } from '../../demo/pip';
import { indexDesign } from '../rig/designIndex';
import { recordsOf, type Design } from '../design/design';
import { applyChange, invertChange } from '../design/change';
import { Edit } from '../design/edit';
import { checkReferences } from '../design/references';
import type { LogEvent, Photo, ReadingRecord } from '../design/schema';
import { recordSchema } from '../design/schema';
import { stillLive } from '../plan/stillLive';
import { traceWiring } from '../network/traceWiring';
import { heron } from '../../demo/heron';
import { agedReadings } from './ageing';
import { eventsOf, inspectionsDue, inUseSince } from './inspections';
import { linesByPlace } from './whereLines';

const bare = (): Design => {
  const edit = new Edit(pip());
  for (const { id } of recordsOf(edit.design, 'event')) edit.remove(id);
  return edit.design;
};

let count = 0;
const line = (on: string, more: Partial<LogEvent> = {}): LogEvent => ({
  id: `event_t${++count}`,
  type: 'event',
  kind: 'note',
  on,
  text: 'x',
  ...more,
});
const with_ = (design: Design, ...records: (LogEvent | ReadingRecord | Photo)[]): Design =>
  applyChange(design, { added: records, updated: [], removed: [] });
const due = (design: Design, today: string, which = 'bolts') =>
  inspectionsDue(design, today).find(({ inspection }) => inspection === which)!;

test('the newest line stands first, and of one day the one written last', () => {
  const design = with_(
    bare(),
    line('2026-02-01', { text: 'a' }),
    line('2026-03-01', { text: 'b' }),
    line('2026-03-01', { text: 'c' }),
    line('2026-01-01', { text: 'd' }),
  );
  expect(eventsOf(design).map(({ text }) => text)).toEqual(['c', 'b', 'a', 'd']);
  expect(inUseSince(design)).toBe('2026-01-01');
});

// Common practice: bolts are tightened after the first 100 km, then once a year; batteries looked at twice a year.
test('an inspection is due by the calendar from the day of first power, or by the first 100 km', () => {
  expect(due(bare(), '2026-01-01')).toMatchObject({ lastOn: null, dueOn: null, isOver: false });
  const started = with_(bare(), line('2025-06-01', { odometerKm: 1000 }));
  expect(due(started, '2026-06-01')).toMatchObject({ dueOn: '2026-06-01', dueKm: 1100, isOver: false });
  expect(due(started, '2026-06-02').isOver).toBe(true);
  expect(due(with_(started, line('2025-06-20', { odometerKm: 1099 })), '2025-07-01').isOver).toBe(false);
  expect(due(with_(started, line('2025-06-20', { odometerKm: 1100 })), '2025-07-01').isOver).toBe(true);
  // Tightened once, the calendar alone counts.
  const tightened = with_(started, line('2025-06-21', { kind: 'inspection', odometerKm: 1200, inspected: ['bolts'] }));
  expect(due(tightened, '2025-07-01')).toMatchObject({ lastOn: '2025-06-21', dueOn: '2026-06-21', dueKm: null, isOver: false });
  expect(due(started, '2025-12-01', 'battery')).toMatchObject({ dueOn: '2025-11-30', isOver: true });
  // The day the battery was connected says more than the first line written.
  const connected = applyChange(started, {
    added: [{ id: 'done_c', type: 'doneTask', task: 'connect', on: '2025-09-01' }],
    updated: [],
    removed: [],
  });
  expect(due(connected, '2026-06-02').isOver).toBe(false);
});

test('alarms are tested where there are any', () => {
  expect(inspectionsDue(heron(), '2026-12-01').some(({ inspection }) => inspection === 'alarms')).toBe(true);
  expect(inspectionsDue(pip(), '2026-12-01').some(({ inspection }) => inspection === 'alarms')).toBe(false);
});

test('a line keeps the name of what it is about when that is gone; its photos go with it and come back with undo', () => {
  const pump = recordsOf(bare(), 'device').find(({ name }) => name === 'Water pump')!;
  const event = line('2026-01-01', { about: [{ id: pump.id, name: pump.name }] });
  const photo: Photo = { id: 'photo_1', type: 'photo', on: '2026-01-01', caption: '', widthPx: 10, heightPx: 10, eventId: event.id };
  const design = with_(bare(), event, photo);
  const gone = new Edit(design);
  gone.remove(pump.id);
  expect(gone.design.records.get(event.id)).toEqual(event);
  const edit = new Edit(design);
  edit.remove(event.id);
  expect(edit.design.records.has(photo.id)).toBe(false);
  expect(checkReferences(edit.design)).toEqual([]);
  expect(applyChange(edit.design, invertChange(edit.change)).records.has(photo.id)).toBe(true);
  expect(recordSchema.safeParse({ ...event, on: 'yesterday' }).success).toBe(false);
});

// Common practice: what a joint loses grows as it corrodes. 0.2 V lost once and 0.5 V now is a joint; 0.2 and 0.25 is the meter.
test('a load that gets fewer volts than it once did has a joint that ages', () => {
  const design = bare();
  const fan = recordsOf(design, 'device').find(({ name }) => name === 'Roof fan')!;
  const read = (on: string, value: number, batteryV: number | null = 12.8): ReadingRecord => ({
    ...{ id: `read_${++count}`, type: 'reading', value, batteryV, moved: [], on },
    what: { kind: 'volts', at: { deviceId: fan.id, terminal: 'plus' }, to: { deviceId: fan.id, terminal: 'minus' } },
  });
  expect(agedReadings(with_(design, read('2025-05-01', 12.6), read('2026-05-01', 12.3)))).toMatchObject([
    { lostV: [expect.closeTo(0.2, 9), expect.closeTo(0.5, 9)] },
  ]);
  expect(agedReadings(with_(design, read('2025-05-01', 12.6), read('2026-05-01', 12.55)))).toEqual([]);
  // By another voltage of the battery, or on the same afternoon, it is no age.
  expect(agedReadings(with_(design, read('2025-05-01', 12.6), read('2026-05-01', 12.3, 12.5)))).toEqual([]);
  expect(agedReadings(with_(design, read('2026-05-01', 12.6), read('2026-05-02', 12.3)))).toEqual([]);
});

// Common practice: panels give their open-circuit volts in any light; a charger from the starter battery is live on that side.
test('what is ahead of the isolator or has a source of its own is not dead when it is off', () => {
  const index = indexDesign(heron());
  const live = new Map(stillLive(index, traceWiring(index)).map(({ deviceId, by }) => [index.devices.get(deviceId)!.name, by]));
  expect(Object.fromEntries(live)).toEqual({
    ...{ 'House battery': 'ahead', 'Main fuse': 'ahead', 'Battery isolator': 'ahead' },
    ...{ 'Roof panels': 'sun', 'Solar controller': 'sun', 'DC-DC charger': 'vehicle', Alternator: 'engine', 'Vehicle signals': 'vehicle' },
  });
});

test('lines are at the place of what they are about, a circuit’s at its fuse, each once a place, with their photos; what has no place is nowhere', () => {
  const start = bare();
  const device = (name: string) => recordsOf(start, 'device').find((one) => one.name === name)!;
  const circuit = recordsOf(start, 'circuit').find(({ name }) => name === 'Water pump')!;
  const pump = device('Water pump');
  const block = recordsOf(start, 'device').find(({ kind }) => kind === 'fuseBlock')!;
  const about = (...ids: string[]) => ({ about: ids.map((id) => ({ id, name: id })) });
  const old = line('2026-01-01', about(pump.id));
  const newer = line('2026-02-01', about(pump.id, pump.placeId!));
  const atFuse = line('2026-03-01', about(circuit.id));
  const gone = line('2026-04-01', about('no_longer_there'));
  const photo = { id: 'photo_p', type: 'photo' as const, on: '2026-02-01', caption: '', widthPx: 1, heightPx: 1, eventId: newer.id };
  const design = with_(start, old, newer, atFuse, gone, line('2026-05-01'), photo);
  expect(linesByPlace(design, indexDesign(design))).toEqual([
    { placeId: block.placeId, eventIds: [atFuse.id], photos: 0 },
    { placeId: pump.placeId, eventIds: [newer.id, old.id], photos: 1 },
  ]);
});
