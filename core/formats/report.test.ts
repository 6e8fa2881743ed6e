import { withSlowFindings } from '../analysis/rules/slowFindings';
import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyChange, updateRecords } from '../design/change';
import { formatPercent } from '../units/quantity';
import { CAUTIONS } from './cautions';
import { checkOutput } from './checkOutput';
import { makeReport } from './report';

const analysis = withSlowFindings(analyse(heron()));

test('the report carries every circuit, load, slot, zone and finding, and every caution', () => {
  const report = makeReport(analysis);
  const rows = Object.fromEntries(report.sections.map(({ title, rows: list }) => [title, list.length]));
  const zonePages = report.sections.filter(({ title }) => title.startsWith('Zone: '));
  expect(zonePages.map(({ title }) => title.slice(6))).toEqual(analysis.index.zones.map(({ name }) => name));
  for (const place of analysis.index.places)
    expect(zonePages.flatMap(({ rows: list }) => list.map(([first]) => first))).toContain(place.name);
  expect(rows).toMatchObject({
    Stretches: analysis.index.routes.length,
    'What is open': analysis.findings.length,
    Circuits: analysis.circuits.length,
    'Fuse map': 24,
    'Battery, main protection and cables': 10,
    Loads: analysis.loads.size,
    Zones: 10,
    'Energy and runtime without charging': 3,
  });
  expect(report.cautions).toBe(CAUTIONS);
  for (const { columns, rows: list } of report.sections) for (const row of list) expect(row).toHaveLength(columns.length);
});

test('the cautions speak of every hazard a printout must name', () => {
  const text = CAUTIONS.join(' ').toLowerCase();
  for (const word of ['isolate', 'protected at its source', 'lithium', 'lead-acid', 'extinguisher', 'road', 'local codes', 'licensed'])
    expect(text).toContain(word);
});

test('the headless check says what the report says', () => {
  const output = checkOutput(analysis);
  const report = makeReport(analysis);
  const printed = report.sections.find(({ title }) => title === 'Circuits')!.rows;
  output.circuits.forEach((circuit, at) => {
    expect(printed[at]![1]).toBe(circuit.name);
    expect(printed[at]![9]).toContain(formatPercent(circuit.dropPercent));
  });
  expect(output.totals.usableAh).toBe(160);
  expect(output.findings).toHaveLength(analysis.findings.length);
});

test('a 24-volt design is not called a 12-volt one', () => {
  const design = heron();
  const at24 = applyChange(design, updateRecords(design, [{ id: 'settings', set: { nominalV: 24 } }]));
  expect([makeReport(analysis).subject, makeReport(withSlowFindings(analyse(at24))).subject]).toEqual([
    '12-volt house system, as designed',
    '24-volt house system, as designed',
  ]);
});
