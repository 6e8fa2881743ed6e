import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { MONITOR_GREETING, parseMonitorLine, writeMonitorLine } from '../formats/monitorLine';
import type { MonitorReading } from './monitored';
import { keepLog, logOfReadings, openLog } from './keptLog';
import { ampsAt } from './loadLines';
import { measureDays } from './measuredDay';
import { monitorFeed } from './monitorFeed';

const MIDNIGHT = Date.UTC(2025, 5, 1) / 60_000;

/** The first readings of a design's first scenario. */
function readings(make: typeof pip, count: number, from = MIDNIGHT, seed = 1): MonitorReading[] {
  const { index } = analyse(make());
  const feed = monitorFeed(index, index.battery!, index.scenarios[0]!, from, seed);
  return Array.from({ length: count }, () => feed.next().value as MonitorReading);
}

describe('a simulated battery monitor', () => {
  it('reads once a minute from where its clock stands, the same for the same seed', () => {
    const list = readings(pip, 100, MIDNIGHT + 1400);
    expect(list.map(({ atMin }) => atMin)).toEqual(Array.from({ length: 100 }, (_, at) => MIDNIGHT + 1400 + at));
    expect(readings(pip, 50)).toEqual(readings(pip, 50));
    expect(readings(pip, 50)).not.toEqual(readings(pip, 50, MIDNIGHT, 2));
  });
  it('uses in a day what the scenario plans, while nothing is cut, less what charging covers', () => {
    const { scenarios, index } = analyse(pip());
    const bare = { ...index, devices: new Map(Array.from(index.devices).filter(([, { kind }]) => !['solarPanel', 'dcDcCharger'].includes(kind))) }; // prettier-ignore
    const feed = monitorFeed(bare, index.battery!, index.scenarios[0]!, MIDNIGHT, 3);
    const used = Array.from({ length: 1440 }, () => feed.next().value as MonitorReading).reduce((sum, { volts, amps }) => sum + (volts * amps) / 60, 0); // prettier-ignore
    expect(Math.abs(used / scenarios[0]!.dailyWh - 1)).toBeLessThan(0.08);
  });
  it('cuts what the battery can no longer carry and never draws it below nothing', () => {
    const list = readings(heron, 4 * 1440);
    expect(Math.min(...list.map(({ volts }) => volts))).toBeGreaterThan(10);
  });
  it('shows a switched load to the one who compares: what ran by the plan is found within a fifth of its hours', () => {
    const { loads } = analyse(pip());
    const log = logOfReadings(readings(pip, 1440));
    const switched = Array.from(loads.values(), ({ id, load }) => ({ loadId: id, ampsAt: (volts: number) => ampsAt(load, volts) }));
    const found = measureDays(log, switched);
    const strip = found.loads.find(({ loadId }) => loads.get(loadId)!.load.name === 'Galley strip')!;
    expect(Math.abs(strip.hours - 2)).toBeLessThan(0.4);
    const puck = found.loads.find(({ loadId }) => loads.get(loadId)!.load.name === 'Cabin puck')!;
    expect(Math.abs(puck.hours - 3)).toBeLessThan(0.6);
  });
});

describe('the line protocol', () => {
  it('writes and reads back a reading; out of the battery is negative on the line', () => {
    const line = writeMonitorLine({ atMin: MIDNIGHT + 1110.5, volts: 12.84, amps: 3.2 });
    expect(line).toBe('2025-06-01T18:30:30 12.84 V -3.20 A');
    expect(parseMonitorLine(line)).toEqual({ atMin: MIDNIGHT + 1110.5, volts: 12.84, amps: 3.2 });
    expect(parseMonitorLine('2025-06-01T18:30:30 12.84 V 0.00 A\r')).toMatchObject({ amps: 0 });
  });
  it.each([
    MONITOR_GREETING,
    '',
    '2025-13-01T18:30:30 12.84 V -3.20 A',
    '2025-06-01T24:30:30 12.84 V -3.20 A',
    '2025-06-01T18:30:30 -2 V -3.20 A',
    '2025-06-01T18:30:30 12.84 V 5000 A',
    '2025-06-01T18:30:30 12.84 V',
    '2025-06-01 18:30:30 12.84 V 1 A; DROP',
  ])('refuses “%s”', (line) => expect(parseMonitorLine(line)).toBeNull());
});

describe('a kept log', () => {
  it('keeps every minute of a week, and the last reading of a coarser step for longer ones', () => {
    const week = logOfReadings(readings(pip, 7 * 1440 - 1));
    const kept = keepLog(week);
    expect(kept).toMatchObject({ stepMin: 1, fromDay: '2025-06-01' });
    const opened = openLog(kept);
    expect(opened.atMin).toEqual(week.atMin);
    expect(Math.max(...opened.amps.map((amps, at) => Math.abs(amps - week.amps[at]!)))).toBeLessThan(0.001);
    expect(keepLog(logOfReadings(readings(pip, 9 * 1440))).stepMin).toBe(2);
  });
  it('leaves gaps as gaps and drops readings out of order', () => {
    const list = readings(pip, 60).filter((_, at) => at < 10 || at > 40);
    const opened = openLog(keepLog(logOfReadings([...list, list[3]!])));
    expect(opened.atMin.length).toBe(list.length);
    expect(opened.atMin[10]! - opened.atMin[9]!).toBe(32);
  });
});
