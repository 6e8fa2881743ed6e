import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { applyChange, isEmpty } from '../design/change';
import { recordsOf } from '../design/design';
import { layPairs, pairsOf } from '../harness/editCables';
import { colourAll, fixNumbers } from '../harness/editWires';
import { harnessOf, harnessOfDesign } from '../harness/schedule';
import { indexDesign } from '../rig/designIndex';
import { faultWords } from './faultWords';
import { takeHarnessCsv } from './harnessCsvIn';
import { writePartsCsv, writeWiresCsv } from './wiresCsv';

const designs = [pip(), heron()].map((design) => {
  const laid = applyChange(design, layPairs(design, pairsOf(indexDesign(design), harnessOfDesign(design)).slice(0, 3), 'twin'));
  const numbered = applyChange(laid, fixNumbers(laid));
  return applyChange(numbered, colourAll(numbered, false));
});

/** The CSV with some cells of one line put in place. */
function withCells(csv: string, is: (cells: string[]) => boolean, put: Record<string, string>): string {
  const [head = '', ...lines] = csv.trimEnd().split('\r\n');
  const heads = head.split(',');
  const changed = lines.map((line) => {
    const cells = line.match(/("([^"]|"")*"|[^,]*)(,|$)/g)!.map((cell) => cell.replace(/,$/, ''));
    if (!is(cells)) return line;
    for (const [heading, said] of Object.entries(put)) cells[heads.indexOf(heading)] = said;
    return cells.slice(0, heads.length).join(',');
  });
  return [head, ...changed].join('\r\n');
}

test('what was saved and not changed changes nothing, in either units', () => {
  for (const design of designs) {
    const analysis = analyse(design);
    for (const csv of [writeWiresCsv(analysis), writePartsCsv(analysis)]) {
      const { rows, faults, same, change } = takeHarnessCsv(analysis, `\uFEFF${csv}`);
      expect([rows, faults]).toEqual([[], []]);
      expect(isEmpty(change!)).toBe(true);
      expect(same).toBeGreaterThan(10);
    }
  }
});

test('wires changed in a spreadsheet are taken: colour, size, measured length, end; what cannot be is said by its line', () => {
  const [design] = designs;
  const analysis = analyse(design!);
  const line = harnessOf(analysis.index, analysis.wiring).wires.find(({ wire }) => !wire.core)!;
  const csv = withCells(writeWiresCsv(analysis), ([number]) => number === line.number, {
    colour: 'GNWH',
    size: '10 AWG',
    'length mm': '1234',
    'to end': 'ferrule',
  });
  const { rows, change } = takeHarnessCsv(analysis, csv);
  expect(rows).toEqual([{ line: expect.any(Number), action: 'change', name: line.number, sets: 'GNWH, 10 AWG, 1234 mm, ferrule', problems: [] }]); // prettier-ignore
  const wire = recordsOf(applyChange(design!, change!), 'wire').find(({ id }) => id === line.wire.id)!;
  expect(wire).toMatchObject({ colour: 'GN', stripe: 'WH', conductor: 'awg:10', lengthMm: 1234, lengthMeasured: true, toEnd: 'ferrule' });
  const bad = takeHarnessCsv(analysis, `number,colour,length mm\r\n${line.number},crimson,1000\r\n99z,RD,1000\r\n`);
  expect(bad.rows.map(({ line: at, action, problems }) => [at, action, problems.map(faultWords).join()])).toEqual([
    [2, 'change', expect.stringContaining('write a colour as red')],
    [3, 'refuse', 'no wire is numbered 99z'],
  ]);
  expect(takeHarnessCsv(analysis, 'name,watts\r\nlamp,5\r\n')).toMatchObject({
    change: null,
    faults: [{ code: 'noHarness' }],
  });
  expect(takeHarnessCsv(analysis, '')).toMatchObject({ change: null });
});

test('prices and what is at hand come back as they were saved, cable by its length', () => {
  for (const design of designs) {
    const analysis = analyse(design);
    const parts = writePartsCsv(analysis);
    const key = /"?(cable [^",]+)"?/.exec(parts)![1]!;
    const priced = takeHarnessCsv(analysis, `part,have,price,supplier\r\n${key},3 m,0.9,corner shop\r\nno such,1,,\r\n`);
    expect(priced.rows.map(({ action }) => action)).toEqual(['change', 'refuse']);
    const after = applyChange(design, priced.change!);
    expect(recordsOf(after, 'stock')).toEqual([expect.objectContaining({ part: key, have: 3000, supplier: 'corner shop' })]);
    const saved = writePartsCsv(analyse(after));
    expect(saved).toContain('3000 mm');
    expect(takeHarnessCsv(analyse(after), saved).rows).toEqual([]);
    const emptied = takeHarnessCsv(analyse(after), `part,have,price,supplier\r\n${key},,,\r\n`);
    expect(recordsOf(applyChange(after, emptied.change!), 'stock')).toEqual([]);
  }
});
