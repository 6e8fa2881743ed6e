import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { mistakesIn, spoil } from '../../testing/mistakes';
import { analyse } from '../analysis/analyse';
import { withSlowFindings } from '../analysis/rules/slowFindings';
import { applyChange, sameRecord, updateRecords } from '../design/change';
import { makeDesign, settingsOf, type Design } from '../design/design';
import { writeBudgetCsv } from './budgetCsv';
import { checkOutput } from './checkOutput';
import { readDesignFile, writeDesignFile } from './designFile';
import { readLoadsCsv, writeLoadsCsv } from './loadsCsv';
import { writePlanDxf } from './planDxf';
import { writePlanSvg } from './planSvg';
import { makeReport } from './report';
import { readRigCsv, writePlacesCsv, writeRoutesCsv } from './rigCsv';
import { runs, seedOf } from '../../testing/runs';

const start = heron();
/** What a figure that was never worked out looks like in print. */
const NOT_WORDS = /undefined|NaN|\[object|Infinity|\bnull\b/;
const plain = (design: Design) => Object.fromEntries(design.records);

/** Of designs a person may make of Heron, however wrong, in either units. */
function forAll(check: (design: Design) => void, numRuns: number): void {
  fc.assert(
    fc.property(mistakesIn(start), fc.constantFrom('metric', 'us'), (list, units) => {
      const design = spoil(start, list);
      check(applyChange(design, updateRecords(design, [{ id: 'settings', set: { units } }])));
    }),
    { numRuns: runs(numRuns), seed: seedOf(44) },
  );
}

describe('of a design however wrong', () => {
  test('the report says everything in words and figures, a cell for every column', () => {
    forAll((design) => {
      const report = makeReport(withSlowFindings(analyse(design)));
      expect(JSON.stringify(report)).not.toMatch(/undefined|NaN|\[object|Infinity/);
      for (const { columns, rows } of report.sections) for (const row of rows) expect(row).toHaveLength(columns.length);
      expect(report.cautions.length).toBeGreaterThan(5);
    }, 4);
  });

  test('the check is plain JSON whose figures are the analysis’ own', () => {
    forAll((design) => {
      const analysis = analyse(design);
      const said = JSON.parse(JSON.stringify(checkOutput(analysis))) as ReturnType<typeof checkOutput>;
      expect(said).toEqual(checkOutput(analysis));
      expect(said.circuits.map(({ id }) => id)).toEqual(analysis.circuits.map(({ id }) => id));
      said.circuits.forEach(({ dropPercent, peakA, conductor }, at) => {
        const circuit = analysis.circuits[at]!;
        // Six significant digits.
        expect(Math.abs(dropPercent - circuit.dropPercent)).toBeLessThanOrEqual(5e-6 * circuit.dropPercent);
        expect(Math.abs(peakA - circuit.peakA)).toBeLessThanOrEqual(5e-6 * circuit.peakA);
        expect(conductor.mm2 === null || conductor.awg === null).toBe(true);
      });
      for (const { message } of said.findings) expect(message).not.toMatch(NOT_WORDS);
    }, 40);
  });

  test('the file gives the design back record for record, and the same analysis', () => {
    forAll((design) => {
      const again = readDesignFile(writeDesignFile(design));
      expect(sameRecord(plain(again), plain(design))).toBe(true);
      expect(analyse(again).totals).toEqual(analyse(design).totals);
    }, 15);
  });

  test('loads, places and routes come back from their tables as they went', () => {
    forAll((design) => {
      const loads = readLoadsCsv(writeLoadsCsv(analyse(design)), design);
      expect(loads.faults).toEqual([]);
      expect(loads.rows.filter(({ action }) => action !== 'change')).toEqual([]);
      expect(loads.change!.added).toEqual([]);
      for (const text of [writePlacesCsv(design), writeRoutesCsv(design)]) {
        const { change, faults } = readRigCsv(text, design);
        expect(faults).toEqual([]);
        expect(change!.added).toEqual([]);
      }
      expect(writeBudgetCsv(analyse(design))).not.toMatch(NOT_WORDS);
    }, 15);
  });

  // SVG 1.1 and the DXF reference, group codes in pairs; from memory.
  test('the plan is a well-formed drawing in both forms', () => {
    forAll((design) => {
      const analysis = analyse(design);
      const svg = writePlanSvg(analysis);
      expect(svg).toMatch(/^<\?xml[^>]*>\s*<svg |^<svg /);
      expect(svg).not.toMatch(NOT_WORDS);
      expect(unclosed(svg)).toEqual([]);
      const lines = writePlanDxf(analysis).trimEnd().split(/\r?\n/);
      expect(lines.length % 2).toBe(0);
      lines.forEach((line, at) => at % 2 === 0 && expect(line.trim()).toMatch(/^\d{1,4}$/));
      expect(lines.slice(-2).map((line) => line.trim())).toEqual(['0', 'EOF']);
      const sections = lines.filter((line) => line.trim() === 'SECTION').length;
      expect(lines.filter((line) => line.trim() === 'ENDSEC')).toHaveLength(sections);
    }, 15);
  });
});

test('of a design with nothing in it but its settings everything can be asked too', () => {
  const bare = makeDesign([{ ...settingsOf(start), scenarioId: null }]);
  const analysis = withSlowFindings(analyse(bare));
  expect(JSON.stringify(makeReport(withSlowFindings(analysis)))).not.toMatch(/undefined|NaN|\[object|Infinity/);
  expect(checkOutput(analysis)).toMatchObject({
    circuits: [],
    zones: [],
    totals: { connectedA: 0, dailyWh: 0, usableAh: null, runtimeH: null },
  });
  expect(unclosed(writePlanSvg(analysis))).toEqual([]);
  expect(plain(readDesignFile(writeDesignFile(bare)))).toEqual(plain(bare));
});

/** Tags opened and not closed, or closed and not opened, in their order. */
function unclosed(xml: string): string[] {
  const open: string[] = [];
  for (const [, closing, name, ending] of xml.matchAll(/<(\/?)([a-zA-Z][\w:-]*)(?:"[^"]*"|'[^']*'|[^>"'])*?(\/?)>/g)) {
    if (ending === '/') continue;
    if (!closing) open.push(name!);
    else if (open.pop() !== name) return [`</${name}>`];
  }
  return open;
}
