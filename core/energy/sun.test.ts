import * as SunCalc from 'suncalc';
import { betweenMonths, clearSky, haurwitz } from './clearSky';
import { cosIncidence, declination, equationOfTimeMin, extraterrestrialDaily, halfDayHours, solarHour, sunPosition, sunTimes } from './sun';
import { MID_MONTH } from './weather';

const DEG = 180 / Math.PI;

describe('the sun’s place', () => {
  // Worked examples of Duffie and Beckman, Solar Engineering of Thermal Processes, chapter 1; from memory.
  it('has the declination of the worked example: -14° on 13 February', () => {
    expect(declination(44) * DEG).toBeCloseTo(-14, 0);
  });
  it('meets a plane at 35°: 43° N, 13 February, 10:30, tilted 45°, facing 15° west of south', () => {
    const cosine = cosIncidence(sunPosition(44, 10.5, 43), 45, 195);
    expect(Math.acos(cosine) * DEG).toBeCloseTo(35, 0);
  });
  it.each([
    ['13 February 9:30', 44, 9.5, 66.5, -40],
    ['1 July 18:30', 182, 18.5, 79.6, 112],
  ])('stands at the zenith angle and azimuth of the worked example at 43° N, %s', (_, day, hour, zenith, fromSouth) => {
    const { altitude, azimuth } = sunPosition(day, hour, 43);
    expect(90 - altitude * DEG).toBeCloseTo(zenith, 0);
    expect(Math.abs(azimuth * DEG - 180 - fromSouth)).toBeLessThan(0.6);
  });
  it('keeps the clock of the worked example: 10:30 central time on 3 February at 89.4° W is 10:19 by the sun', () => {
    expect(solarHour(10.5, 34, -89.4)).toBeCloseTo(10 + 19 / 60, 1);
  });
  // Yearly almanac values of the equation of time, minutes; from memory.
  it.each([
    ['11 February', 42, -14.2],
    ['15 April', 105, 0],
    ['14 May', 134, 3.7],
    ['26 July', 207, -6.5],
    ['3 November', 307, 16.4],
    ['25 December', 359, 0],
  ])('is ahead of the clock on %s by the almanac', (_, day, minutes) => {
    expect(Math.abs(equationOfTimeMin(day) - minutes)).toBeLessThan(0.6);
  });

  // Reference: the sun-position library suncalc (astronomical almanac formulas).
  const moments = [35, 50, -33, 64].flatMap((latitude) =>
    ['2025-01-15T10:00:00Z', '2025-04-10T07:30:00Z', '2025-06-21T15:00:00Z', '2025-09-05T12:00:00Z', '2025-11-20T13:45:00Z'].map(
      (time) => [latitude, time] as const,
    ),
  );
  it.each(moments)('agrees with the reference library at %d° on %s', (latitude, time) => {
    const when = new Date(time);
    const day = Math.floor((when.getTime() - Date.UTC(2025, 0, 1)) / 86_400_000) + 1;
    const clock = when.getUTCHours() + when.getUTCMinutes() / 60;
    const own = sunPosition(day, solarHour(clock, day, 5), latitude);
    const reference = SunCalc.getPosition(when, latitude, 5) as { altitude: number; azimuth: number };
    // The library gives degrees from north since its second version.
    const [altitude, azimuth] = [reference.altitude, reference.azimuth];
    expect(Math.abs(own.altitude * DEG - altitude)).toBeLessThan(1);
    if (altitude > 0) expect(Math.abs(((own.azimuth * DEG - azimuth + 540) % 360) - 180)).toBeLessThan(1.6);
  });
  it('rises in the east and stands in the north at noon south of the equator', () => {
    expect(sunPosition(80, 7, 40).azimuth * DEG).toBeGreaterThan(90);
    expect(sunPosition(80, 7, 40).azimuth * DEG).toBeLessThan(110);
    const noon = sunPosition(355, 12, -40);
    expect(Math.min(noon.azimuth, 2 * Math.PI - noon.azimuth) * DEG).toBeLessThan(1);
  });
});

describe('the length of the day', () => {
  it.each([
    ['twelve hours everywhere at the equinox', 81, 52, 12],
    // The almanac counts the sun's upper edge and refraction, about a quarter of an hour; from memory.
    ['about 16 h 45 at midsummer at 52° N by the almanac', 172, 52, 16.75],
    ['about 7 h 50 at midwinter at 52° N by the almanac', 355, 52, 7.83],
    ['none in the polar night', 355, 70, 0],
    ['all of it in the midnight sun', 172, 70, 24],
  ])('is %s', (_, day, latitude, hours) => {
    expect(Math.abs(2 * halfDayHours(day, latitude) - hours)).toBeLessThan(0.35);
  });
  it('has its noon half way between sunrise and sunset', () => {
    const { rise, set } = sunTimes(100, 48, 11);
    expect(solarHour((rise + set) / 2, 100, 11)).toBeCloseTo(12, 1);
  });
});

describe('sun above the air', () => {
  it('gives 33.8 MJ/m² on 15 April at 43° N (Duffie and Beckman, worked example)', () => {
    expect(extraterrestrialDaily(105, 43) * 3.6).toBeCloseTo(33.8, 1);
  });
  // kWh/m² a day at 50° N on the mean days, computed from the book's formulas.
  const at50 = [2.52, 4.06, 6.24, 8.74, 10.69, 11.55, 11.11, 9.49, 7.14, 4.7, 2.88, 2.13];
  it.each(at50.map((kwh, month) => [month + 1, MID_MONTH[month]!, kwh]))('month %d: day %d at 50° N has %d kWh/m²', (_, day, kwh) => {
    expect(Math.abs(extraterrestrialDaily(day, 50) - kwh)).toBeLessThan(0.03);
  });
});

describe('a clear sky', () => {
  // ASHRAE's tables of direct normal irradiation at solar noon, 40° N, Btu/(h ft²): 279 in June, 307 in March, 285 in December; from
  // memory.
  it.each([
    ['21 June', 172, 279],
    ['21 March', 80, 307],
    ['21 December', 355, 285],
  ])('has the direct sun of the table at noon on %s', (_, day, btu) => {
    const { beamNormal } = clearSky(day, sunPosition(day, 12, 40).altitude);
    expect(Math.abs(beamNormal - btu * 3.1546)).toBeLessThan(12);
  });
  it.each([20, 35, 50, 70])('agrees with Haurwitz on the horizontal within 12 %% with the sun at %d°', (degrees) => {
    const altitude = degrees / DEG;
    const { beamNormal, diffuseHorizontal } = clearSky(80, altitude);
    expect(Math.abs((beamNormal * Math.sin(altitude) + diffuseHorizontal) / haurwitz(altitude) - 1)).toBeLessThan(0.12);
  });
  it('is dark at night, and half a year on in the south', () => {
    expect(clearSky(80, -0.1)).toEqual({ beamNormal: 0, diffuseHorizontal: 0 });
    expect(clearSky(21, 0.8, true).beamNormal).toBeCloseTo(clearSky(203, 0.8).beamNormal, 6);
  });

  test('a monthly table goes through its days and on straight lines between them, over the turn of the year too', () => {
    const table = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
    [21, 52, 80, 111, 141, 172, 202, 233, 264, 294, 325, 355].forEach((day, month) =>
      expect(betweenMonths(table, day)).toBeCloseTo(month + 1, 9),
    );
    // From 12 on day 355 down to 1 on day 386, which is the 21st of January.
    for (let day = 356; day <= 386; day++)
      expect(betweenMonths(table, day > 365 ? day - 365 : day)).toBeCloseTo(12 - (11 * (day - 355)) / 31, 9);
  });
});
