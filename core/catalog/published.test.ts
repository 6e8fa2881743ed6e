import { AMPACITY_TABLES, BUNDLE_FACTORS } from './ampacity';
import { CONDUCTOR_SIZES, areaMm2, type ConductorSize } from './conductorSizes';
import { batteryOhmRange, capacityShare } from './chemistries';
import { ANY_RATING_A, BLADE_COLOURS, fuseOhm, RATINGS_A } from './fuses';
import { openingBandS } from './fuseTimes';
import { breaksAt, INTERRUPTING } from './interrupting';
import { pullN } from './terminals';
import { bundleFactor } from '../sizing/ampacity';
import { CLASS5_MILLIOHM_PER_M, ROAD_MILLIOHM_PER_M, SMALL_CRAFT_CIRCULAR_MILS } from './resistance';
import { goesByGauge, type Chemistry, type ConductorStandard, type ProtectionFamily } from './vocabulary';

/** The published tables written out once more, row by row, all from memory of them: the catalogue must say the same. */
const rows = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/));

const AMPERES: Record<Exclude<ConductorStandard, 'road-vehicle'>, string> = {
  // ABYC E-11, single conductors in free air at 30 °C, by insulation 60 75 80 90 105 125 200 °C.
  'us-small-craft': `
    18 10 10 15 20 20 25 25
    16 15 15 20 25 25 30 35
    14 20 20 25 30 35 40 45
    12 25 25 35 40 45 50 55
    10 40 40 50 55 60 70 70
    8 55 65 70 70 80 90 100
    6 80 95 100 100 120 125 135
    4 105 125 130 135 160 170 180
    2 140 170 175 180 210 225 240
    1 165 195 210 210 245 265 280
    1/0 195 230 245 245 285 305 325
    2/0 225 265 285 285 330 355 370
    3/0 260 310 330 330 385 410 430
    4/0 300 360 385 385 445 475 510`,
  // ISO 10133, by insulation 60 70 85-90 105 125 200 °C.
  'iso-small-craft': `
    0.75 8 10 12 16 20 25
    1 12 14 18 20 25 35
    1.5 16 18 21 25 30 40
    2.5 20 25 30 35 40 45
    4 30 35 40 45 50 55
    6 40 45 50 60 70 75
    10 60 65 70 90 100 120
    16 80 90 100 130 150 170
    25 110 120 140 170 185 200
    35 140 160 185 210 225 240
    50 180 210 230 270 300 325
    70 220 265 285 330 360 375
    95 260 310 330 390 410 430
    120 300 360 400 450 480 520`,
  // NEC 551 to 10 AWG whatever the insulation (60 75 80 90 105 125 °C), from memory less surely; NEC 310.16, copper at 60 °C, past it.
  'us-recreational': [
    ['18', 6],
    ['16', 8],
    ['14', 15],
    ['12', 20],
    ['10', 30],
    ['8', 40],
    ['6', 55],
    ['4', 70],
    ['2', 95],
    ['1', 110],
    ['1/0', 125],
    ['2/0', 145],
    ['3/0', 165],
    ['4/0', 195],
  ]
    .map(([size, amps]) => [size, ...new Array<unknown>(6).fill(amps)].join(' '))
    .join('\n'),
};

describe.each(Object.keys(AMPERES) as (keyof typeof AMPERES)[])('amperes by %s', (standard) => {
  const family = goesByGauge(standard) ? 'awg' : 'mm2';
  test.each(rows(AMPERES[standard]))('row %s', (size, ...amps) => {
    const row = AMPACITY_TABLES[standard].rows.find(([name]) => name === (`${family}:${size}` as ConductorSize));
    expect(row?.slice(1)).toEqual(amps.map(Number));
  });
});

test.each(rows('3 1\n4 0.8\n6 0.8\n7 0.7\n9 0.7\n10 0.5\n20 0.5\n21 0.45\n30 0.45\n31 0.4\n40 0.4\n41 0.35'))(
  '%s loaded together take %s of it (NEC 310.15(C)(1), from memory)',
  (loaded, factor) => {
    expect(bundleFactor('us-recreational', Number(loaded))).toBe(Number(factor));
  },
);

test('factors in an engine space (ABYC E-11; ISO 10133, where 60 °C insulation is not allowed)', () => {
  expect(AMPACITY_TABLES['us-small-craft'].engineSpace).toEqual([0.58, 0.75, 0.78, 0.82, 0.85, 0.89, 1]);
  expect(AMPACITY_TABLES['iso-small-craft'].engineSpace).toEqual([null, 0.75, 0.82, 0.86, 0.89, 1]);
});

test.each([
  // American table, published for 50 V and above.
  ['us-small-craft', 2, 1],
  ['us-small-craft', 3, 0.7],
  ['us-small-craft', 6, 0.6],
  ['us-small-craft', 24, 0.5],
  ['us-small-craft', 25, 0.4],
  // ISO 10133.
  ['iso-small-craft', 3, 1],
  ['iso-small-craft', 6, 0.7],
  ['iso-small-craft', 24, 0.6],
  ['iso-small-craft', 25, 0.5],
] as const)('%s, %d loaded together: %d', (standard, loaded, factor) => {
  expect(BUNDLE_FACTORS[standard].findLast(([from]) => loaded >= from)?.[1] ?? 1).toBe(factor);
});

// IEC 60228 class 5, plain, and ISO 6722 / 19642, milliohm per metre at 20 °C.
test.each(
  rows(`
  0.5 39.0 37.1
  0.75 26.0 24.7
  1 19.5 18.5
  1.5 13.3 12.7
  2.5 7.98 7.60
  4 4.95 4.71
  6 3.30 3.14
  10 1.91 1.82
  16 1.21 1.16
  25 .780 .743
  35 .554 .527
  50 .386 .368
  70 .272 .259
  95 .206 .196
  120 .161 .153`).map((row) => row.map(Number)),
)('%f mm²: %f by IEC 60228, %f by ISO 6722', (mm2, class5, road) => {
  expect(CLASS5_MILLIOHM_PER_M[mm2 as 1]).toBe(class5);
  expect(ROAD_MILLIOHM_PER_M[mm2 as 1]).toBe(road);
});

// ABYC E-11: least circular mils of American small-craft cable.
test.each(
  rows(
    '18 1537\n16 2336\n14 3702\n12 5833\n10 9343\n8 14810\n6 25910\n4 37360\n2 62450\n1 77790\n1/0 98980\n2/0 125100\n3/0 158600\n4/0 205500',
  ),
)('%s AWG has at least %s circular mils', (awg, mils) => expect(SMALL_CRAFT_CIRCULAR_MILS[awg as '18']).toBe(Number(mils)));

// ASTM B258, mm².
test.each(
  rows(
    '20 0.518\n18 0.823\n16 1.309\n14 2.081\n12 3.309\n10 5.261\n8 8.366\n6 13.30\n4 21.15\n2 33.63\n1 42.41\n1/0 53.48\n2/0 67.43\n3/0 85.03\n4/0 107.2',
  ),
)('%s AWG is %s mm²', (awg, mm2) => expect(Math.abs(areaMm2(`awg:${awg}` as ConductorSize) / Number(mm2) - 1)).toBeLessThan(0.0008));

// Opening times, s, soonest and latest: ISO 8820-3 for blades as remembered; makers' ranges for the others, from memory.
test.each(
  rows(`
  blade 1.1 360000 -
  blade 1.35 .75 600
  blade 1.6 .25 50
  blade 2 .15 5
  blade 3.5 .04 .5
  blade 6 .02 .1
  largeBlade 1.35 60 900
  largeBlade 2 2 60
  largeBlade 3.5 .2 7
  largeBlade 6 .04 1
  mega 1.35 120 1800
  mega 2 1 15
  mega 3.5 .3 5
  mega 6 .1 1`),
)('%s at %s times its rating: %s to %s s', (family, multiple, soonest, latest) => {
  const [least, longest] = openingBandS(family as ProtectionFamily, Number(multiple));
  expect(least).toBeCloseTo(Number(soonest), 6);
  if (latest !== '-') expect(longest).toBeCloseTo(Number(latest), 6);
});

// Blade colours by ISO 8820-3.
test.each(
  rows('1 black\n2 grey\n3 violet\n4 pink\n5 tan\n7.5 brown\n10 red\n15 blue\n20 yellow\n25 clear\n30 green\n35 blue-green\n40 orange'),
)('a %s A blade is %s', (rating, colour) => expect(BLADE_COLOURS[Number(rating)]).toBe(colour));

// Cold resistance of blades, milliohm, from makers' tables as remembered.
test.each(rows('5 17.9\n7.5 10.9\n10 7.7\n15 4.8\n20 3.4\n25 2.5\n30 2.0\n40 1.4'))(
  'a cold %s A blade has %s milliohm',
  (rating, milliohm) => expect(fuseOhm('blade', Number(rating)) * 1000).toBeCloseTo(Number(milliohm), 6),
);

// What families break, A, in 12, 24 and 48 V systems, and their highest volts: trade data, from memory; the careful end where there is a
// range.
test.each(
  rows(`
  blade 1000 1000 0 32
  boltDown 1000 1000 0 32
  mega 2000 2000 0 32
  terminalMount 10000 5000 2000 58
  classT 20000 20000 20000 125
  glass 1000 1000 0 32`),
)('a %s fuse breaks %s A at 12 V, %s at 24, %s at 48, and is made for %s V', (family, at12, at24, at48, volts) => {
  const found = [12, 24, 48].map((nominalV) => breaksAt(family as ProtectionFamily, nominalV));
  expect(found).toEqual([at12, at24, at48].map(Number));
  expect(INTERRUPTING[family as ProtectionFamily].maxV).toBe(Number(volts));
});

// ABYC E-11: pull of a crimp for a minute, pounds, from memory.
test.each(rows('18 10\n16 15\n14 30\n12 35\n10 40\n8 45\n6 50\n4 70\n2 90\n1 100\n1/0 125\n2/0 150\n3/0 175\n4/0 225'))(
  'a crimp on %s AWG stands %s lbf',
  (awg, lbf) => expect(pullN(`awg:${awg}` as ConductorSize)! / 4.44822).toBeCloseTo(Number(lbf), 6),
);

// Lithium iron phosphate in frost, the middle of what is said of it: 0.80 to 0.90, 0.65 to 0.80, 0.50 to 0.70; lead-acid by trade tables.
// From memory.
test.each(
  rows('lithium 25 1\nlithium 0 .85\nlithium -10 .725\nlithium -20 .6\nagm 0 .83\nagm -20 .58\nflooded 40 1.06').map(
    ([kind, c, share]) => [kind, Number(c), Number(share)] as const,
  ),
)('%s at %d °C gives %d of its capacity', (chemistry, celsius, share) =>
  expect(capacityShare(chemistry as Chemistry, celsius)).toBeCloseTo(share, 9),
);

// Internal resistance of 100 Ah, milliohm: the low ends are starter (flooded 3 to 6) and thin-plate (glass-mat 2 to 2.5) batteries. From
// memory.
test.each(rows('flooded 3 7.5\nagm 2 4\ngel 3 5\nlithium 4 8'))('%s: %s mΩ at least, %s usually', (chemistry, least, usual) => {
  const range = batteryOhmRange({ chemistry: chemistry as Chemistry, capacityAh: 100, count: 1 });
  expect([range.least * 1000, range.usual * 1000]).toEqual([expect.closeTo(Number(least), 9), expect.closeTo(Number(usual), 9)]);
});

test('a question that names no family knows every standard rating', () => {
  for (const ratings of Object.values(RATINGS_A)) for (const rating of ratings) expect(ANY_RATING_A).toContain(rating);
  expect(ANY_RATING_A).toEqual([...ANY_RATING_A].sort((a, b) => a - b));
  // Large blades and glass, strip and class T ratings; from memory.
  for (const rating of [70, 75, 110]) expect(ANY_RATING_A).toContain(rating);
  expect(RATINGS_A.glass).toEqual(expect.arrayContaining([35, 40, 60]));
});

test('families come in the ranges the trade knows (from memory)', () => {
  const range = (family: ProtectionFamily) => [RATINGS_A[family][0], RATINGS_A[family].at(-1)];
  expect(range('largeBlade')).toEqual([20, 100]);
  expect(range('boltDown')).toEqual([30, 200]);
  expect(range('mega')).toEqual([60, 500]);
  expect(range('terminalMount')).toEqual([30, 300]);
});

test('sizes of one family ascend in area, so the next one is always thicker', () => {
  for (const family of ['mm2', 'awg']) {
    const areas = CONDUCTOR_SIZES.filter((size) => size.startsWith(family)).map(areaMm2);
    expect(areas).toEqual([...areas].sort((a, b) => a - b));
  }
});
