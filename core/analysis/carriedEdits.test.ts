import { fieldOf, kindNameOf, KINDS_OF_RECORD } from '../../testing/kindsOfRecord';
import { seeded } from '../../testing/random';
import { randomDesign } from '../../testing/randomDesign';
import { rig } from '../../testing/rig';
import { runs, seedOf } from '../../testing/runs';
import { expectAsFresh } from '../../testing/sameSaid';
import { sampleOf } from '../../testing/sampleOf';
import { applyChange, sameRecord, updateRecords } from '../design/change';
import type { Design } from '../design/design';
import { analyse } from './analyse';
import type { Analysis } from './types';

const edited = (design: Design, id: string, set: object) => applyChange(design, updateRecords(design, [{ id, set }]));

/** Another value in some field of some record; null where the schema or the check of the whole design refuses it. */
function anyEdit(design: Design, random: () => number): Design | null {
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
  const records = Array.from(design.records.values());
  const record = pick(records)!;
  const [field, schema] = pick(KINDS_OF_RECORD.find(({ name }) => name === kindNameOf(record))!.fields)!;
  const elsewhere = records.map((other) => fieldOf(other, field)).filter((value) => value !== undefined);
  const value = random() < 0.35 ? pick(elsewhere) : sampleOf(schema, random);
  if (sameRecord(value, fieldOf(record, field)) || !schema.safeParse(value).success) return null;
  try {
    return edited(design, record.id, { [field]: value });
  } catch {
    return null;
  }
}

test('edit after edit of whatever field, an analysis carried on says what a fresh one says', () => {
  let edits = 0;
  let taken = 0;
  for (let run = 0; run < runs(40); run++) {
    const seed = seedOf(10_050) + run;
    const random = seeded(seed);
    let { design } = randomDesign(seed);
    let before = analyse(design);
    for (let at = 0; at < 25; at++) {
      const after = anyEdit(design, random);
      if (!after) continue;
      const now = analyse(after, before);
      try {
        expectAsFresh(now);
      } catch (error) {
        throw new Error(`seed ${seed}, edit ${at}: ${String(error).slice(0, 1500)}`, { cause: error });
      }
      const earlier = new Set(before.circuits);
      taken += now.circuits.filter((circuit) => earlier.has(circuit)).length;
      edits += 1;
      [design, before] = [after, now];
    }
  }
  expect(edits).toBeGreaterThan(runs(40) * 10);
  // Were nothing taken over, this would say nothing.
  expect(taken).toBeGreaterThan(edits);
});

// Its way home is not drawn yet, so that the battery is on neither way.
test('a fuse on the vehicle’s own wiring has its short circuit anew when the house battery is another', () => {
  const build = rig();
  build.supply();
  build.tapLamp();
  const design = build.design();
  const shortA = (analysis: Analysis) => analysis.protections.get('tapFuse')!.atA;
  const before = analyse(design);
  const after = edited(design, 'battery', { internalMilliohm: 100 });
  expect(shortA(analyse(after))).toBeLessThan(shortA(before));
  expect(shortA(analyse(after, before))).toBe(shortA(analyse(after)));
});

test('a fuse ahead of another carries no longer what the load behind both has not to carry for hours', () => {
  const build = rig();
  build.supply();
  build.slot('first', 1, 15);
  build.circuit('first', 1, 'first');
  build.add({ id: 'second', kind: 'protection', family: 'blade', ratingA: 10, mount: null });
  build.wire('first.out', 'second.in', 500);
  build.circuit('second', 2, 'second');
  build.load(60, 'resistive', 0, { id: 'lamp', continuous: true });
  build.wire('second.out', 'lamp.plus');
  build.wire('lamp.minus', 'bar.bar', 1000, 'mm2:2.5', 'return');
  const design = build.design();
  const before = analyse(design);
  expect(before.protections.get('first')!.continuousA).toBeCloseTo(5, 9);
  expect(analyse(edited(design, 'lamp', { continuous: false }), before).protections.get('first')!.continuousA).toBe(0);
});

test('of two ways home the one of less resistance is found anew when the conductors are warmer', () => {
  const build = rig();
  build.supply();
  build.slot('f', 1, 10);
  build.circuit('lamp', 1, 'f');
  build.load(60, 'resistive', 0, { id: 'lamp' });
  build.wire('f.out', 'lamp.plus');
  // Five metres of 1 mm² are some 0.09 Ω cold and 0.12 Ω at 100 °C; two joints of the chassis are 0.1 Ω at either.
  const cable = build.wire('lamp.minus', 'bar.bar', 5000, 'mm2:1', 'return');
  for (const [id, end] of [
    ['near', 'lamp.minus'],
    ['far', 'bar.bar'],
  ] as const) {
    build.add({ id, kind: 'groundPoint', jointMilliohm: 50 });
    build.wire(end, `${id}.stud`, 10, 'mm2:16', 'return');
  }
  const design = build.design();
  const cold = analyse(edited(design, 'settings', { conductorTemperatureC: 20 }));
  const warm = edited(cold.design, 'settings', { conductorTemperatureC: 100 });
  const way = ({ wiring }: Analysis) => wiring.return.nodes.flatMap(({ wire }) => (wire ? [wire.id] : []));
  expect(way(cold)).toContain(cable);
  expect(way(analyse(warm))).not.toContain(cable);
  expect(way(analyse(warm, cold))).toEqual(way(analyse(warm)));
});
