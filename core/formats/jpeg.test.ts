import { plainJpeg } from './jpeg';

const segment = (marker: number, ...data: number[]) => [0xff, marker, (data.length + 2) >> 8, (data.length + 2) & 0xff, ...data];
const text = (words: string) => [...words].map((letter) => letter.charCodeAt(0));
const FRAME = segment(0xc0, 8, 0, 48, 0, 64, 1, 1, 0x11, 0);
const SCAN = [...segment(0xda, 1, 1, 0, 0, 63, 0), 0x12, 0x34, 0xff, 0x00, 0x56, 0xff, 0xd9];
const jpeg = (...between: number[][]) => Uint8Array.from([0xff, 0xd8, ...between.flat(), ...SCAN]);
const holds = (bytes: Uint8Array, words: string) => Buffer.from(bytes).toString('latin1').includes(words);

// ITU-T T.81: Exif is in APP1, colour notes of some programs in APP14, JFIF in APP0, comments in COM.
test('where and with what a photo was taken is left out, its picture is not touched', () => {
  const exif = segment(0xe1, ...text('Exif\0\0GPS 52.8 N'));
  const whole = jpeg(
    segment(0xe0, ...text('JFIF\0')),
    exif,
    segment(0xfe, ...text('by somebody')),
    segment(0xee, ...text('Adobe')),
    segment(0xdb, 0, 1, 2),
    FRAME,
  );
  const plain = plainJpeg(whole)!;
  expect([plain.widthPx, plain.heightPx]).toEqual([64, 48]);
  expect(['GPS', 'somebody', 'JFIF', 'Adobe'].map((words) => holds(plain.bytes, words))).toEqual([false, false, true, true]);
  expect(Buffer.from(plain.bytes.slice(-SCAN.length))).toEqual(Buffer.from(SCAN));
  // What is plain stays as it is, and what is appended behind the picture goes.
  expect(plainJpeg(plain.bytes)!.bytes).toEqual(plain.bytes);
  expect(holds(plainJpeg(Uint8Array.from([...whole, ...text('appended')]))!.bytes, 'appended')).toBe(false);
  // Cameras append a second, smaller picture with its own place in it; and a segment may stand between two scans.
  expect(holds(plainJpeg(Uint8Array.from([...plain.bytes, ...whole]))!.bytes, 'GPS')).toBe(false);
  const twice = Uint8Array.from([0xff, 0xd8, ...FRAME, ...SCAN.slice(0, -2), ...exif, ...SCAN]);
  expect([holds(plainJpeg(twice)!.bytes, 'GPS'), plainJpeg(twice)!.bytes.length]).toEqual([false, twice.length - exif.length]);
  // Stuffed bytes and restarts are coded data, not its end.
  const restarts = Uint8Array.from([0xff, 0xd8, ...FRAME, ...SCAN.slice(0, -2), 0xff, 0xd0, 0x11, 0xff, 0x00, 0x22, 0xff, 0xd9]);
  expect(plainJpeg(restarts)!.bytes).toEqual(restarts);
});

test('what is no whole picture is none', () => {
  const whole = jpeg(FRAME);
  const bad = [
    new Uint8Array(),
    Uint8Array.from(text('<svg onload=alert(1)>')),
    Uint8Array.from([0x89, 0x50, 0x4e, 0x47]),
    whole.slice(0, -2),
    whole.slice(0, 12),
    jpeg(),
    jpeg([0xff, 0xe1, 0xff, 0xff]),
    jpeg([0xff, 0xe1, 0, 1]),
  ];
  for (const bytes of bad) expect(plainJpeg(bytes)).toBeNull();
  // However it is cut or altered, it is read to an end.
  for (let at = 0; at < whole.length; at++)
    for (const value of [0, 0xff]) plainJpeg(Uint8Array.from(whole, (byte, place) => (place === at ? value : byte)));
});
