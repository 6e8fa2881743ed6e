import Ajv from 'ajv';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { LIMITS, SCHEMA_VERSION } from '../catalog/vocabulary';
import { designFileWords } from './designFileWords';
import { designFileJsonSchema, DesignFileError, readDesignFile, splitDesignsFile, writeDesignFile } from './designFile';

const file = () => JSON.parse(writeDesignFile(pip())) as { format: string; schemaVersion: number; records: Record<string, unknown>[] };

function reasonsFor(text: string): readonly string[] {
  try {
    readDesignFile(text);
    return [];
  } catch (error) {
    if (!(error instanceof DesignFileError)) throw error;
    return error.faults.map(designFileWords);
  }
}

test.each([
  ['Heron', heron()],
  ['Pip', pip()],
])('%s written and read again is the same design, and from then on the same file', (_, design) => {
  const text = writeDesignFile(design);
  const back = readDesignFile(text);
  expect(back.records).toEqual(design.records);
  expect(writeDesignFile(readDesignFile(writeDesignFile(back)))).toBe(writeDesignFile(back));
});

test('a mark at the start of the file, as some editors add, does no harm', () => {
  expect(readDesignFile(`\ufeff${writeDesignFile(pip())}`).records.size).toBe(pip().records.size);
});

describe('the published JSON Schema (draft 7, checked with Ajv)', () => {
  const validate = new Ajv({ strict: false, allErrors: true, formats: { date: true } }).compile(designFileJsonSchema());

  test('takes the demos', () => {
    for (const design of [heron(), pip()]) expect(validate(JSON.parse(writeDesignFile(design)))).toBe(true);
  });

  test('refuses what the reader refuses', () => {
    const broken = file();
    broken.records[0]!.nominalV = 13;
    expect(validate(broken)).toBe(false);
    expect(reasonsFor(JSON.stringify(broken))).not.toEqual([]);
  });
});

describe('a file is refused with what is wrong and where when it', () => {
  const changed = (alter: (records: Record<string, unknown>[]) => void) => {
    const broken = file();
    alter(broken.records);
    return JSON.stringify(broken);
  };
  const load = (records: Record<string, unknown>[]) => records.find(({ kind }) => kind === 'load')!;

  test.each<[string, string, RegExp]>([
    ['is no JSON', '{"format": ', /not readable JSON/],
    ['is something else', '{"name":"van"}', /not a Vine Knot design/],
    ['is a list', '[]', /not a Vine Knot design/],
    ['comes from a newer version', JSON.stringify({ ...file(), schemaVersion: SCHEMA_VERSION + 1 }), /newer/],
    ['names no version', JSON.stringify({ ...file(), schemaVersion: 'one' }), /schemaVersion/],
    ['is larger than allowed', ' '.repeat(LIMITS.importBytes + 1), /larger than 8 MB/],
    ['holds too many records', JSON.stringify({ ...file(), records: Array(LIMITS.recordsPerDesign + 1).fill({}) }), /8000 are allowed/],
    ['nests too deep to read', `{"format":"vine-knot-design","schemaVersion":1,"records":${'['.repeat(50_000)}${']'.repeat(50_000)}}`, /./],
    [
      'has a negative draw',
      changed((records) => (load(records).rated = { kind: 'watts', watts: -1, atV: 12 })),
      /record \d+ \(load_\w+\), rated.watts/,
    ],
    ['has a number too large', changed((records) => (load(records).quantity = 1e9)), /quantity/],
    ['has an unknown field', changed((records) => (load(records).script = '<script>')), /script/],
    ['has a record of no known type', changed((records) => records.push({ id: 'x', type: 'macro' })), /record \d+ \(x\)/],
    [
      'reaches for the prototype',
      changed((records) => records.push(JSON.parse('{"__proto__":{"admin":true},"id":"p","type":"zone"}'))),
      /record \d+ \(p\)/,
    ],
    ['uses an id twice', changed((records) => records.push({ ...load(records) })), /used twice/],
    ['refers to what is not there', changed((records) => (load(records).zoneId = 'nowhere')), /nowhere/],
    [
      'has no settings',
      changed((records) =>
        records.splice(
          records.findIndex(({ type }) => type === 'settings'),
          1,
        ),
      ),
      /settings/,
    ],
    ['has an id that is a path', changed((records) => (load(records).id = '../../etc/passwd')), /id/],
  ])('%s', (_, text, reason) => {
    const reasons = reasonsFor(text);
    expect(reasons.join('\n')).toMatch(reason);
    expect(reasons.length).toBeLessThanOrEqual(42);
  });
});

test('a file of several designs comes apart into files of one, each whole; any other file does not', () => {
  const designs = [heron(), pip()].map((design) => ({ records: Array.from(design.records.values()) }));
  const files = splitDesignsFile(JSON.stringify({ format: 'vine-knot-designs', schemaVersion: SCHEMA_VERSION, designs }))!;
  expect(files.map((file) => readDesignFile(file).records.size)).toEqual([heron().records.size, pip().records.size]);
  expect(splitDesignsFile(writeDesignFile(pip()))).toBeNull();
  expect(splitDesignsFile('{')).toBeNull();
});
