import { crc32, inflateRawSync } from 'node:zlib';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { Edit } from '../design/edit';
import { recordsOf, type Design } from '../design/design';
import { bookView } from './book';
import { CAUTIONS } from './cautions';
import { readDesignFile } from './designFile';
import { plainName } from '../units/text';
import { folderFiles, type FolderFile } from './folder';
import { packed } from './packed';
import { writeWiresCsv } from './wiresCsv';

const filesOf = (whole: Design, more: FolderFile[] = []) => folderFiles(analyse(whole), bookView(whole), whole, [], more);
const textOf = (files: readonly FolderFile[], path: string) => String(files.find((file) => file.path === path)?.content ?? '');

/**
 * What an archive holds, read by its central directory and checked by its sums. Source: PKWARE APPNOTE 6.3, sections 4.3.7, 4.3.12 and
 * 4.3.16, from memory.
 */
function unpacked(bytes: Buffer): Map<string, Buffer> {
  const end = bytes.lastIndexOf(Buffer.from([0x50, 0x4b, 5, 6]));
  const count = bytes.readUInt16LE(end + 10);
  let at = bytes.readUInt32LE(end + 16);
  const found = new Map<string, Buffer>();
  for (let entry = 0; entry < count; entry++) {
    expect(bytes.readUInt32LE(at)).toBe(0x02014b50);
    const [method, sum, size, full] = [bytes.readUInt16LE(at + 10), bytes.readUInt32LE(at + 16), bytes.readUInt32LE(at + 20), bytes.readUInt32LE(at + 24)]; // prettier-ignore
    const [nameLength, extra, comment] = [bytes.readUInt16LE(at + 28), bytes.readUInt16LE(at + 30), bytes.readUInt16LE(at + 32)];
    const name = bytes.toString('utf8', at + 46, at + 46 + nameLength);
    const local = bytes.readUInt32LE(at + 42);
    const begins = local + 30 + bytes.readUInt16LE(local + 26) + bytes.readUInt16LE(local + 28);
    const held = bytes.subarray(begins, begins + size);
    const content = method === 0 ? held : inflateRawSync(held);
    expect([content.length, crc32(content)]).toEqual([full, sum]);
    found.set(name, content);
    at += 46 + nameLength + extra + comment;
  }
  return found;
}

test('the archive is one that others read: every file whole, pictures as they are', () => {
  const picture = new Uint8Array([0xff, 0xd8, 1, 2, 3, 0xff, 0xd9]);
  const files = filesOf(heron(), [{ path: 'photos/one.jpg', about: 'the panel', content: picture }]);
  const read = unpacked(Buffer.from(packed(files)));
  expect([...read.keys()]).toEqual(files.map(({ path }) => path));
  expect(read.get('photos/one.jpg')).toEqual(Buffer.from(picture));
  expect(read.get('wires.csv')!.toString('utf8')).toBe(writeWiresCsv(analyse(heron())));
});

test('the first page says how to isolate, what to mind, and names every other file once', () => {
  const files = filesOf(heron());
  const [first, ...others] = files;
  const text = String(first!.content);
  expect(first!.path).toBe('README.txt');
  expect(text).toContain('then take the battery’s minus off its post.');
  for (const caution of CAUTIONS) expect(text).toContain(caution);
  for (const { path } of others) expect([path, text.split('\r\n').filter((line) => line.startsWith(`${path} `)).length]).toEqual([path, 1]);
  expect(others.map(({ path }) => path)).toEqual(expect.arrayContaining(['fuse-map.csv', 'plan.svg', 'places.csv', 'parts.csv', 'panels/1-galley-panel.svg'])); // prettier-ignore
});

test('the design is in it whole, with what is marked in it, and is opened again as it was', () => {
  const edit = new Edit(pip());
  const [wire] = recordsOf(edit.design, 'wire');
  edit.set(wire!, { work: { state: 'removed' } });
  const files = filesOf(edit.design);
  expect(readDesignFile(textOf(files, 'design.vine-knot.json')).records).toEqual(edit.design.records);
});

test('the fuse map has every fuse of the design once, with its rating', () => {
  const design = heron();
  const lines = textOf(filesOf(design), 'fuse-map.csv').split('\r\n').slice(1).filter(Boolean);
  const fused = lines.filter((line) => !line.includes(',free,'));
  expect(fused.length).toBe(recordsOf(design, 'device').filter(({ kind }) => kind === 'protection').length);
  expect(fused.find((line) => line.includes('02 Fridge'))).toMatch(/,10 A,red,02 Fridge,Compressor fridge$/);
});

test('what somebody wrote runs in no spreadsheet and leaves no folder', () => {
  const edit = new Edit(pip());
  edit.add({ id: 'event_x', type: 'event', kind: 'note', on: '2026-11-29', text: '=HYPERLINK("x")' });
  expect(textOf(filesOf(edit.design), 'logbook.csv')).toContain(`"'=HYPERLINK(""x"")"`);
  expect([plainName('../../etc/passwd'), plainName('Über dem Bett'), plainName('☃'), plainName('')]).toEqual(['etc-passwd', 'uber-dem-bett', 'unnamed', 'unnamed']); // prettier-ignore
});

test('what has nothing to say is left out: no readings, no logbook, no plan of places', () => {
  const empty = filesOf(pip()).map(({ path }) => path);
  expect(empty).not.toContain('readings.csv');
  const bare: Design = { records: new Map(Array.from(pip().records).filter(([, { type }]) => type === 'settings')) };
  const files = filesOf(bare).map(({ path }) => path);
  expect(files).not.toContain('plan.svg');
  expect(files).not.toContain('logbook.csv');
  expect(files).toContain('design.vine-knot.json');
});
