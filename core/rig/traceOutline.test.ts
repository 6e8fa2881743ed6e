import { LIMITS } from '../catalog/vocabulary';
import { noOutlineWords, noPictureWords } from '../wording/traceWords';
import { refusePicture, traceOutline } from './traceOutline';

const scale = [
  { x: 100, y: 50 },
  { x: 300, y: 50 },
] as const;
const corners = [
  { x: 110, y: 60 },
  { x: 710, y: 60 },
  { x: 710, y: 260 },
  { x: 110, y: 260 },
];

test('two points and a length give the scale: 200 pixels of 2 m make 10 mm a pixel', () => {
  expect(traceOutline(corners, scale, 2000)).toEqual({
    ok: true,
    lengthMm: 6000,
    widthMm: 2000,
    outline: [
      { xMm: 0, yMm: 0 },
      { xMm: 6000, yMm: 0 },
      { xMm: 6000, yMm: 2000 },
      { xMm: 0, yMm: 2000 },
    ],
  });
});

test.each([
  ['one spot', corners, [scale[0], scale[0]] as const, 2000],
  ['more than nothing', corners, scale, 0],
  ['three corners', corners.slice(0, 2), scale, 2000],
  ['at most 200', Array.from({ length: 201 }, (_, at) => ({ x: at, y: at * 2 })), scale, 2000],
  ['check the length', corners, scale, 2],
  ['check the length', corners, scale, 2_000_000],
])('refused: %s', (why, over, points, knownMm) => {
  const traced = traceOutline(over, points, knownMm);
  expect(traced.ok ? '' : noOutlineWords(traced.why)).toContain(why);
});

test('a 40 MB picture, another kind of file, and an SVG that would run or fetch something are refused with the reason', () => {
  const large = { type: 'image/png', size: 40_000_000 };
  expect(noPictureWords(refusePicture(large, null)!, large.size)).toContain('40.0 MB; 4 MB are allowed');
  expect(refusePicture({ type: 'application/pdf', size: 10 }, null)).toBe('type');
  expect(refusePicture({ type: 'image/png', size: LIMITS.pictureBytes }, null)).toBeNull();
  const svg = (inside: string) =>
    refusePicture({ type: 'image/svg+xml', size: 100 }, `<svg xmlns="http://www.w3.org/2000/svg">${inside}</svg>`);
  expect(svg('<rect width="10" height="4" fill="url(#p)"/>')).toBeNull();
  expect(svg('<script>alert(1)</script>')).toBe('script');
  expect(svg('<rect onload = "x()"/>')).toBe('script');
  expect(svg('<a href="javascript:x()">a</a>')).toBe('script');
  expect(svg('<foreignObject/>')).toBe('script');
  expect(svg('<image href="https://example.org/a.png"/>')).toBe('reachesOut');
  expect(svg('<rect style="fill:url(http://example.org)"/>')).toBe('reachesOut');
  expect(refusePicture({ type: 'image/svg+xml', size: 10 }, 'hello')).toBe('noSvg');
});
