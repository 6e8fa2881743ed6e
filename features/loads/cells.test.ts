import fc from 'fast-check';
import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../../core/analysis/analyse';
import { applyChange, isEmpty, updateRecords } from '../../core/design/change';
import { deviceOf, recordsOf, type Design } from '../../core/design/design';
import { Edit } from '../../core/design/edit';
import { checkReferences } from '../../core/design/references';
import { loadDraw } from '../../core/devices/load';
import { dutyOf } from '../../core/design/duties';
import { NO_CIRCUIT, OWN_CIRCUIT, setCell, type LoadField } from './cells';
import { loadColumns } from './columns';
import { makeRows } from './useLoadRows';

const TODAY = '2026-05-01';
const inUnits = (design: Design, units: 'metric' | 'us') =>
  applyChange(design, updateRecords(design, [{ id: 'settings', set: { units } }]));
const start = inUnits(pip(), 'metric');
const inUs = inUnits(start, 'us');
const lamp = recordsOf(start, 'device').find((device) => device.kind === 'load' && device.quantity === 1)!.id;

/** Types a text into a cell. */
function typed(design: Design, field: LoadField, text: string, loadId = lamp) {
  const edit = new Edit(design);
  const why = setCell(edit, loadId, field, text, TODAY);
  const after = applyChange(design, edit.change);
  return { why, after, load: deviceOf(after, loadId, 'load')!, duty: dutyOf(after, loadId), change: edit.change };
}
const with_ = (fields: object) => applyChange(start, updateRecords(start, [{ id: lamp, set: fields }]));

describe('what is typed into a cell', () => {
  // Amperes by Ohm's law, W = V × A; a foot is 0.3048 m and an inch 25.4 mm exactly (international yard and pound agreement, 1959).
  it.each<[field: LoadField, text: string, expected: object]>([
    ['name', '  Reading lamp ', { name: 'Reading lamp' }],
    ['quantity', '4', { quantity: 4 }],
    ['quantity', '', { quantity: 1 }],
    ['spacing', '0,75', { spacingMm: 750 }],
    ['spacing', '75 cm', { spacingMm: 750 }],
    ['spacing', '2\' 6"', { spacingMm: 762 }],
    ['rated', '24', { rated: { kind: 'watts', watts: 24, atV: 12 } }],
    ['rated', '24 W at 13.8 V', { rated: { kind: 'watts', watts: 24, atV: 13.8 } }],
    ['rated', '350 mA', { rated: { kind: 'amps', amps: 0.35, atV: 12 } }],
    ['rated', '2 A @ 13.5', { rated: { kind: 'amps', amps: 2, atV: 13.5 } }],
    ['rated', '9.6 W/m x 1.6 m', { rated: { kind: 'strip', wattsPerM: 9.6, lengthMm: 1600, pieces: 1, join: 'endToEnd', atV: 12 } }],
    [
      'rated',
      '4.8 W/m × 2 m × 3 parallel',
      { rated: { kind: 'strip', wattsPerM: 4.8, lengthMm: 2000, pieces: 3, join: 'parallel', atV: 12 } },
    ],
    ['measured', '1.7 A', { measured: { draw: { kind: 'amps', amps: 1.7, atV: 12 }, forSize: 1, on: TODAY } }],
    ['lasting', 'Yes', { continuous: true }],
    ['lasting', 'briefly', { continuous: false }],
    ['group', 'white or amber', { exclusiveGroup: 'white or amber' }],
    ['group', '–', { exclusiveGroup: null }],
    ['zone', '', { zoneId: null }],
  ])('%s: “%s”', (field, text, expected) => {
    const { why, load } = typed(start, field, text);
    expect(why).toBeNull();
    expect(load).toMatchObject(expected);
  });

  it('a strip given by the foot draws what its metres do', () => {
    const { load } = typed(inUs, 'rated', '3 W/ft x 10 ft');
    expect(loadDraw(load).watts).toBeCloseTo(30, 9);
    expect(loadDraw(load).amps).toBeCloseTo(2.5, 9);
  });

  it.each<[field: LoadField, text: string, reason: RegExp]>([
    ['name', '', /needs a name/],
    ['name', 'x'.repeat(81), /at most 80/],
    ['zone', 'Attic', /no zone called “Attic”/],
    ['circuit', '99', /no circuit “99”/],
    ['quantity', '0', /between 1 and/],
    ['quantity', '2.5', /whole number/],
    ['quantity', 'two', /“two” is not a number/],
    ['spacing', '5 3', /two ways/],
    ['spacing', '300', /longer than any vehicle/],
    ['spacing', '-1', /from 0\.00 m to 100\.00 m/],
    ['rated', '-5 W', /negative/],
    ['rated', 'bright', /not a number/],
    ['rated', '24 W at 230 V', /outside 1 to 60 V/],
    ['rated', '1,500 W', /two ways/],
    ['rated', '9.6 W/m', /9\.6 W\/m x 1\.6 m/],
    ['measured', '9.6 W/m x 1 m', /of the whole load/],
    ['lasting', 'perhaps', /yes or no/],
    ['when', 'sometimes', /./],
    ['hours', '25', /between 0 and 24/],
    ['share', '101 %', /between 0 and 100/],
    ['group', 'x'.repeat(41), /at most 40/],
  ])('%s: “%s” is refused with the reason, and nothing changes', (field, text, reason) => {
    const { why, change } = typed(start, field, text);
    expect(why).toMatch(reason);
    expect(isEmpty(change)).toBe(true);
  });

  it('into a load that is gone says so', () => {
    expect(setCell(new Edit(start), 'load_nobody', 'name', 'x', TODAY)).toBe('this load is gone');
  });
});

describe('a measurement', () => {
  it('is of the load as large as it was that day, and scales when pieces are added', () => {
    const two = typed(with_({ quantity: 2 }), 'measured', '3 A').after;
    expect(loadDraw(deviceOf(two, lamp, 'load')!).amps).toBeCloseTo(3, 9);
    const three = typed(two, 'quantity', '3').load;
    expect(loadDraw(three).amps).toBeCloseTo(4.5, 9);
  });

  it('keeps its day when the cell is left as it was', () => {
    const { after } = typed(start, 'measured', '1.7 A');
    const edit = new Edit(after);
    expect(setCell(edit, lamp, 'measured', '1.7 A', '2027-01-01')).toBeNull();
    expect(isEmpty(edit.change)).toBe(true);
    expect(typed(after, 'measured', '–').load.measured).toBeNull();
  });
});

describe('hours and times', () => {
  it('hours typed over times replace them; the hours those times come to do not', () => {
    const timed = typed(start, 'when', '18-22').after;
    expect(dutyOf(timed, lamp)!.use).toEqual({ rule: 'hours', spans: [{ fromMin: 1080, toMin: 1320 }] });
    expect(isEmpty(typed(timed, 'hours', '4').change)).toBe(true);
    expect(typed(timed, 'hours', '3').duty).toMatchObject({ hoursPerDay: 3, use: null });
  });

  it('energy a day is watts times hours times the share of them it runs', () => {
    const rated = typed(start, 'rated', '36 W').after;
    const used = typed(typed(typed(rated, 'when', '').after, 'hours', '5').after, 'share', '40').after;
    const entry = analyse(used).loads.get(lamp)!;
    expect(entry.dailyWh).toBeCloseTo(36 * 5 * 0.4 * entry.load.quantity, 6);
  });

  it('without a scenario there is nowhere to write them', () => {
    const bare = applyChange(start, {
      added: [],
      updated: updateRecords(start, [{ id: 'settings', set: { scenarioId: null } }]).updated,
      removed: [...recordsOf(start, 'duty'), ...recordsOf(start, 'scenario')],
    });
    expect(typed(bare, 'hours', '3').why).toBe('add a scenario first');
  });
});

describe('the circuit of a load', () => {
  const circuitOf = (design: Design) => analyse(design).loads.get(lamp)!.circuitId;

  it('is left with its wires: nothing hangs loose, and no current flows in what is gone', () => {
    const { after } = typed(start, 'circuit', NO_CIRCUIT);
    expect(circuitOf(after)).toBeNull();
    expect(checkReferences(after)).toEqual([]);
    expect(recordsOf(after, 'wire').some(({ from, to }) => from.deviceId === lamp || to.deviceId === lamp)).toBe(false);
  });

  it('is found by its number, by its name and by both, whatever the case', () => {
    const off = typed(start, 'circuit', NO_CIRCUIT).after;
    const circuit = recordsOf(start, 'circuit').find(({ id }) => id !== circuitOf(start))!;
    for (const text of [String(circuit.number), `0${circuit.number}`, circuit.name.toUpperCase(), `0${circuit.number} ${circuit.name}`]) {
      const { why, after } = typed(off, 'circuit', text);
      expect(why).toBeNull();
      expect(circuitOf(after)).toBe(circuit.id);
      expect(analyse(after).loads.get(lamp)!.returned).toBe(true);
    }
  });

  it('of its own is a whole one: fed, returned, fused for what it draws and no more than its wire carries', () => {
    const { after } = typed(start, 'circuit', OWN_CIRCUIT);
    const analysis = analyse(after);
    const circuit = analysis.circuits.find(({ id }) => id === circuitOf(after))!;
    expect(circuit.loadIds).toEqual([lamp]);
    expect(circuit.fed).toBe(true);
    expect(analysis.loads.get(lamp)!.returned).toBe(true);
    expect(circuit.ratingA).toBeGreaterThanOrEqual(circuit.peakA);
    expect(circuit.ratingA).toBeLessThanOrEqual(circuit.ampacity!.amps);
    expect(analysis.findings.filter(({ circuitId, severity }) => circuitId === circuit.id && severity !== 'note')).toEqual([]);
  });
});

describe('what the table shows', () => {
  const editable = (design: Design) => {
    const { units, nominalV } = analyse(design).index.settings;
    const names = { zones: [], circuits: [] };
    return loadColumns({ units, nominalV, ...names, grouping: 'none' }).filter(({ edit }) => edit);
  };

  it.each([
    ['Heron', heron()],
    ['Pip', start],
    ['Pip in feet', inUs],
  ])('of %s, put back as it stands, changes nothing but what rounding hides', (_, design) => {
    const columns = editable(design).filter(({ key }) => key !== 'circuit');
    for (const row of makeRows(analyse(design))) {
      const shown = columns.map((column) => column.text(row));
      // As the editor starts with it, and as a copied cell is pasted.
      for (const textOf of [(at: number) => (columns[at]!.editText ?? columns[at]!.text)(row), (at: number) => shown[at]!]) {
        const edit = new Edit(design);
        columns.forEach(({ key }, at) => {
          const why = setCell(edit, row.id, key as LoadField, textOf(at), TODAY);
          expect({ load: row.load.name, key, why }).toEqual({ load: row.load.name, key, why: null });
        });
        const after = makeRows(analyse(applyChange(design, edit.change))).find(({ id }) => id === row.id)!;
        expect(columns.map((column) => column.text(after))).toEqual(shown);
      }
    }
  });

  it('is what was typed, for any draw', () => {
    const number = (most: number, digits: number) => fc.integer({ min: 1, max: most * 10 ** digits }).map((n) => n / 10 ** digits);
    const draws = fc.oneof(
      number(9000, 1).map((watts) => `${watts} W`),
      number(900, 3).map((amps) => `${amps} A`),
      fc.tuple(number(90, 1), number(40, 2), fc.integer({ min: 2, max: 9 })).map(([w, m, n]) => `${w} W/m × ${m.toFixed(2)} m × ${n}`),
    );
    const column = editable(start).find(({ key }) => key === 'rated')!;
    fc.assert(
      fc.property(draws, (text) => {
        const { why, after } = typed(start, 'rated', text);
        expect(why).toBeNull();
        expect(column.text(makeRows(analyse(after)).find(({ id }) => id === lamp)!)).toBe(text);
      }),
      { numRuns: 60, seed: 12 },
    );
  });
});
