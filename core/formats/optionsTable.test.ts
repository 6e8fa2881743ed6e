import { heron } from '../../demo/heron';
import { compareOptions, type OptionCompared } from '../advice/compareOptions';
import { analyse } from '../analysis/analyse';
import { withSlowFindings } from '../analysis/rules/slowFindings';
import { applyChange, updateRecords } from '../design/change';
import { makeDesign, recordsOf, type Design } from '../design/design';
import { Edit } from '../design/edit';
import { beginOption, designWith, keepApart, optionsOf, takeOption } from '../design/options';
import { partKey } from '../harness/partsList';
import { misfitWords, optionsTable, rowsThatDiffer } from './optionsTable';
import { makeReport } from './report';

const compare = (design: Design, isWhole = false) => compareOptions(analyse(design), recordsOf(design, 'choice')[0]!, isWhole);
const table = (compared: readonly OptionCompared[]) => optionsTable(compared, 'metric', '€');
const rowOf = (compared: readonly OptionCompared[], name: string) =>
  table(compared)
    .flatMap(({ rows }) => rows)
    .find((row) => row.name.startsWith(name))?.cells;

/** Heron with a choice of its fridge's wire: as it is, and two sizes thicker. */
function thicker(): Design {
  const before = heron();
  const edit = new Edit(before);
  for (const { id } of recordsOf(before, 'choice')) edit.remove(id);
  let design = applyChange(before, edit.change);
  const step = (make: (edit: Edit) => void) => {
    const next = new Edit(design);
    make(next);
    design = applyChange(design, next.change);
  };
  const choiceId = 'choice_wire';
  step((next) => {
    next.add({ id: 'option_thin', type: 'option', choiceId, name: 'Thin' });
    next.add({ id: choiceId, type: 'choice', name: 'Which wire', standingId: 'option_thin' });
    beginOption(next, choiceId, 'Thick');
  });
  const fridge = analyse(design).circuits.find(({ name }) => name === 'Fridge')!;
  const wires = [...fridge.supplyWireIds, ...fridge.returnWireIds];
  design = applyChange(design, updateRecords(design, wires.map((id) => ({ id, set: { conductor: 'mm2:4' } as const })))); // prettier-ignore
  step((next) => keepApart(next, choiceId));
  return design;
}

test('an option has the figures its design has by itself, whichever stands', () => {
  const thick = thicker();
  const thin = applyChange(thick, takeOption(thick, 'option_thin'));
  for (const design of [thick, thin]) {
    const compared = compare(design);
    expect(compared.map(({ isStanding }) => isStanding)).toEqual([true, false]);
    for (const { option, figures } of compared) {
      const alone = analyse(designWith(design, option));
      expect(figures!.dailyWh).toBeCloseTo(alone.totals.dailyWh, 9);
      expect(figures!.runtimeH).toBe(alone.totals.runtimeH);
      for (const { id, dropPercent } of alone.circuits)
        expect(figures!.circuits.find((one) => one.id === id)!.dropPercent).toBeGreaterThanOrEqual(dropPercent);
    }
  }
  // By the formula a wire of 4 mm² loses 1.5/4 of what one of 1.5 mm² does; what is shared stays.
  const percent = (design: Design) => compare(design)[0]!.figures!.circuits.find(({ name }) => name === 'Fridge')!.dropPercent;
  expect(percent(thick) / percent(thin)).toBeGreaterThan(1.5 / 4);
  expect(percent(thick) / percent(thin)).toBeLessThan(0.6);
});

test('an option’s price is what its parts cost more than those that stand, at the prices given', () => {
  const design = thicker();
  const priced = (colour: string, conductor: string) => `wire ${conductor} ${colour}`;
  const edit = new Edit(design);
  const lines = compare(design).flatMap(({ figures }) => figures!.parts);
  const wires = lines.filter((line) => line.group === 'wire' && line.what === 'wire');
  const keys = new Set(wires.map(partKey).filter((key) => key === priced('-', 'mm2:1.5') || key === priced('-', 'mm2:4')));
  for (const key of keys) edit.add({ id: `stock_${key.replace(/\W/g, '')}`, type: 'stock', part: key, price: key.includes(':4') ? 2 : 1 });
  const [, thin] = compare(applyChange(design, edit.change));
  const metres = (at: number, key: string) =>
    compare(design)[at]!.figures!.parts.filter((line) => partKey(line) === key).reduce((sum, { count }) => sum + count, 0) / 1000; // prettier-ignore
  const more =
    (metres(1, 'wire mm2:1.5 -') - metres(0, 'wire mm2:1.5 -')) * 1 + (metres(1, 'wire mm2:4 -') - metres(0, 'wire mm2:4 -')) * 2;
  expect(more).toBeLessThan(0);
  expect(thin!.figures!.price.cost).toBeCloseTo(more, 6);
});

test('what is wrong with each is counted as the workspace counts it, and what it brings is named', () => {
  const design = thicker();
  const compared = compare(design, true);
  for (const { option, figures } of compared) {
    const { findings } = withSlowFindings(analyse(designWith(design, option)));
    const count = (severity: string) => findings.filter((finding) => finding.severity === severity).length;
    expect([figures!.findings!.faults, figures!.findings!.cautions]).toEqual([count('fault'), count('caution')]);
  }
  // The fridge's thin wire is one of Heron's planted mistakes: the option with it brings its drop back.
  expect(compared[1]!.figures!.findings!.brought.map(({ rule }) => rule)).toContain('drop.overTarget');
  expect(rowOf(compared, 'It brings')![0]).toBe('nothing');
  expect(rowOf(compare(design), 'It brings')).toBeUndefined();
});

test('what stands is told as now, wires by their whole length, and findings are counted in words', () => {
  const heard: number[] = [];
  const design = thicker();
  const compared = compareOptions(analyse(design), recordsOf(design, 'choice')[0]!, false, (done) => heard.push(done));
  expect(heard).toEqual([0.5, 1]);
  expect(rowOf(compared, 'Parts cost')![0]).toBe('as now');
  const whole = analyse(design).index.wires.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  expect(compared[0]!.figures!.wireMm / whole).toBeGreaterThan(0.98);
  expect(compared[0]!.figures!.wireMm / whole).toBeLessThan(1.1);
  const [stands, other] = compared as [OptionCompared, OptionCompared];
  const found = (faults: number, cautions: number, ended: number) => ({ ...other, figures: { ...other.figures!, findings: { faults, cautions, ended, brought: [] } } }); // prettier-ignore
  const judged = [{ ...stands, figures: { ...stands.figures!, findings: { faults: 0, cautions: 2, ended: 0, brought: [] } } }, found(1, 1, 1)]; // prettier-ignore
  expect(rowOf(judged, 'Open findings')).toEqual(['no faults, 2 cautions', '1 fault, 1 caution']);
  expect(rowOf(judged, 'It ends')).toEqual(['no findings', '1 finding']);
  const many = { ...other, figures: { ...other.figures!, hangsOn: Array.from({ length: 12 }, (_, at) => ({ loadId: `load${at}`, inputs: [] })) } }; // prettier-ignore
  const more = (list: OptionCompared[]) => table(list).find(({ title }) => title === 'What loads hang on')?.more;
  expect([more([stands, many]), more(compared)]).toEqual([expect.stringMatching(/^Of 12 loads at most/), undefined]);
});

test('only what differs is told of circuits and parts', () => {
  const compared = compare(thicker());
  const groups = new Map(table(compared).map(({ title, rows }) => [title, rows]));
  expect(groups.get('Circuits that differ')!.map(({ name }) => name)).toContain('02 Fridge');
  expect(groups.get('Circuits that differ')!.map(({ name }) => name)).not.toContain('04 Galley sockets');
  expect(groups.get('Parts that differ')!.every(({ cells }) => cells[0] !== cells[1])).toBe(true);
  expect(rowsThatDiffer([{ name: 'x', cells: ['a', '–', 'a'] }])).toEqual([]);
});

test('Heron’s locker light: what it hangs on and what more each way needs', () => {
  const compared = compare(heron());
  expect(compared.map(({ option }) => option.name)).toEqual(['Roller at the shutter', 'Switch at either end', 'By motion']);
  expect(rowOf(compared, 'Locker light')).toEqual([
    'Locker roller',
    expect.stringMatching(/^Locker light switch, (first|last) place; Locker light switch, (first|last) place$/),
    'Locker light motion sensor; Locker light enabling switch',
  ]);
  expect(rowOf(compared, 'switch, changeover')).toEqual(['2', '4', '2']);
  expect(rowOf(compared, 'micro-switch')).toEqual(['1', 'none', 'none']);
});

test('an option that no longer fits has no figures, says why in names, and leaves the others theirs', () => {
  const design = heron();
  const [, two] = optionsOf(design, recordsOf(design, 'choice')[0]!.id);
  const wire = two!.way!.added.find((record) => record.type === 'wire' && [record.from, record.to].some(({ deviceId }) => design.records.has(deviceId)))!; // prettier-ignore
  if (wire.type !== 'wire') throw new Error('no wire');
  const goneId = [wire.from, wire.to].find(({ deviceId }) => design.records.has(deviceId))!.deviceId;
  const hanging = (id: string) => recordsOf(design, 'wire').filter(({ from, to }) => from.deviceId === id || to.deviceId === id).map((one) => one.id); // prettier-ignore
  const edit = new Edit(design);
  for (const id of hanging(goneId)) edit.remove(id);
  for (const circuit of recordsOf(design, 'circuit')) if (circuit.protectionId === goneId) edit.remove(circuit.id);
  for (const duty of recordsOf(design, 'duty')) if (duty.loadId === goneId) edit.remove(duty.id);
  edit.remove(goneId);
  const now = applyChange(design, edit.change);
  const compared = compare(now);
  expect(compared[0]!.figures).not.toBeNull();
  const misfit = compared.find(({ option }) => option.id === two!.id)!;
  expect(misfit.figures).toBeNull();
  const words = misfitWords(now, two!, misfit.problems);
  expect(words).toMatch(/^It no longer fits what was edited since: /);
  expect(words).not.toContain(goneId);
  expect(table(compared)[0]!.rows.every(({ cells }) => cells.length === 3)).toBe(true);
});

test('the report says why it is so, with what was turned down', () => {
  const report = makeReport(withSlowFindings(analyse(heron())));
  const section = report.sections.find(({ title }) => title.startsWith('Why it is so'))!;
  expect(section.text).toMatch(/found burning after a week.*2026-09-30/);
  expect(section.columns.map(({ title }) => title)).toEqual(['', 'Roller at the shutter (stands)', 'Switch at either end', 'By motion']);
  expect(section.rows).toContainEqual(['Speaks against it', expect.stringMatching(/dirt/), expect.stringMatching(/shut shutter/), expect.stringMatching(/stands still/)]); // prettier-ignore
  const undecided = makeDesign(Array.from(heron().records.values(), (record) => (record.type === 'choice' ? { ...record, why: undefined } : record)) as never); // prettier-ignore
  expect(makeReport(withSlowFindings(analyse(undecided))).sections.find(({ title }) => title.startsWith('Why'))!.text).toMatch(
    /^Not decided yet/,
  );
});

test('a report works out no more options than a reader waits for, and still prints the reasons of the others', () => {
  const design = heron();
  const edit = new Edit(design);
  const [choice] = recordsOf(design, 'choice');
  for (let at = 0; at < 4; at++) {
    edit.add({ ...choice!, id: `choice_${at}`, name: `Again ${at}`, standingId: `stand_${at}` });
    for (const option of optionsOf(design, choice!.id))
      edit.add({ ...option, id: option.way ? `other_${at}_${option.name.length}` : `stand_${at}`, choiceId: `choice_${at}` });
  }
  const report = makeReport(withSlowFindings(analyse(edit.design)));
  const sections = report.sections.filter(({ title }) => title.startsWith('Why it is so'));
  expect(sections).toHaveLength(5);
  expect(sections.map(({ rows }) => rows.some(([name]) => name === 'Wires'))).toEqual([true, true, true, true, false]);
  expect(sections[4]!.text).toMatch(/figures are in Choices/);
  expect(sections[4]!.rows.map(([name]) => name)).toEqual(['Speaks for it', 'Speaks against it']);
});
