import { faultWords } from '../formats/faultWords';
import { readMonitorLog } from '../formats/monitorLog';
import { measureDays } from './measuredDay';

const steady = (loadId: string, amps: number) => ({ loadId, ampsAt: () => amps });
const draws = [steady('fridge', 4.3), steady('lamp', 1.4), steady('twinA', 9), steady('twinB', 9.2)];
const stamp = (minute: number) => {
  const day = 1 + Math.floor(minute / 1440);
  const clock = `${String(Math.floor((minute % 1440) / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}:00`;
  return `2025-06-0${day} ${clock}`;
};

/** Two made-up days, a reading a minute: a fridge 15 minutes of every hour, a lamp from 20:20 to 23:20, 0.1 A always, sun at noon. */
function twoDays(sign: 1 | -1, extra: (minute: number) => number = () => 0): string {
  const rows = Array.from({ length: 2 * 1440 }, (_, minute) => {
    const hour = (minute % 1440) / 60;
    const amps =
      0.1 +
      (minute % 60 < 15 ? 4.3 : 0) +
      (hour >= 20 + 1 / 3 && hour < 23 + 1 / 3 ? 1.4 : 0) +
      extra(minute) -
      (hour >= 10.5 && hour < 14.5 ? 6 : 0);
    return `${stamp(minute)},12.8,${(sign * amps).toFixed(2)}`;
  });
  return ['Timestamp,Voltage (V),Current (A)', ...rows].join('\n');
}

const never = () => {
  throw new Error('the log was refused');
};

describe('a monitor’s log', () => {
  it.each([1, -1] as const)('finds hours of use and energy, whichever way the file counts (%d)', (sign) => {
    const read = readMonitorLog(twoDays(sign));
    if (!read.ok) throw new Error(read.problems.map(faultWords).join());
    expect(read.mapping.outIsNegative).toBe(sign < 0);
    const days = measureDays(read.log, draws);
    expect(days.days).toBeCloseTo(2, 2);
    // By hand: 4.3 A x 6 h + 1.4 A x 3 h + 0.1 A x 24 h = 32.4 Ah, 415 Wh at 12.8 V, less 24 Ah of sun.
    expect(days.usedWh - days.chargedWh).toBeCloseTo((32.4 - 24) * 12.8, 0);
    const of = (loadId: string) => days.loads.find((load) => load.loadId === loadId);
    expect(of('lamp')).toMatchObject({ hours: expect.closeTo(3, 2) as number, times: expect.closeTo(1, 2) as number });
    // The one already running when the log begins is not counted.
    expect(of('fridge')!.hours).toBeCloseTo(6, 0);
    expect(days.hourlyW[21]).toBeCloseTo((0.1 + 4.3 / 4 + 1.4) * 12.8, 0);
    expect(days.lowestV).toBe(12.8);
  });
  it('counts each hour of each day where the clock has it', () => {
    const read = readMonitorLog(twoDays(1, (minute) => (minute >= 1440 + 300 && minute < 1440 + 360 ? 10 : 0)));
    const { hourlyW } = measureDays(read.ok ? read.log : never(), draws);
    const alone = (0.1 + 4.3 / 4) * 12.8;
    expect([4, 5, 6].map((hour) => hourlyW[hour])).toEqual(
      [alone, alone + 5 * 12.8, alone].map((watts) => expect.closeTo(watts, 6) as number),
    );
  });
  it('does not guess between two loads that draw alike', () => {
    const read = readMonitorLog(twoDays(1, (minute) => (minute % 1440 >= 100 && minute % 1440 < 130 ? 9.1 : 0)));
    const days = read.ok ? measureDays(read.log, draws) : null;
    expect(days!.loads.some(({ loadId }) => loadId.startsWith('twin'))).toBe(false);
    expect(days!.unknownSteps).toBeGreaterThanOrEqual(4);
  });
  it.each([
    ['no current', 'time,volts\n2025-01-01 00:00:00,12\n2025-01-01 00:01:00,12', 'no column is headed “amps”'],
    ['a time that goes back', 'time,v,a\n2025-01-01 00:05:00,12,1\n2025-01-01 00:01:00,12,1', 'row 3: is not later'],
    ['no time', 'time,v,a\nyesterday,12,1\n2025-01-01 00:01:00,12,1', 'row 2: “yesterday” is no date'],
    ['900 volts', 'time,v,a\n2025-01-01 00:00:00,900,1\n2025-01-01 00:01:00,12,1', 'row 2: 900 volts'],
    ['words', 'time,v,a\n2025-01-01 00:00:00,12,lots\n2025-01-01 00:01:00,12,1', 'row 2: no number of amperes'],
    ['one reading', 'time,v,a\n2025-01-01 00:00:00,12,1', 'at least two'],
    ['a formula', 'time,v,a\n=1+1,12,1\n2025-01-01 00:01:00,12,1', 'row 2: “=1+1” is no date'],
  ])('refuses %s, by its row', (_, text, why) => {
    const read = readMonitorLog(text);
    expect(!read.ok && read.problems.map(faultWords).join('; ')).toContain(why);
  });
  it('takes columns as told, and decimal commas with units', () => {
    const read = readMonitorLog('x;y;z\n2025-01-01 00:00:00;"12,80 V";"1,5 A"\n2025-01-01 00:01:00;12,7;1,5', {
      time: 0,
      volts: 1,
      amps: 2,
      outIsNegative: false,
    });
    expect(read.ok && [read.log.volts[0], read.log.amps[0]]).toEqual([12.8, 1.5]);
  });
});
