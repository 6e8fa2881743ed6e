import { heron } from '../../../demo/heron';
import { pip } from '../../../demo/pip';
import { analyse } from '../analyse';
import { applyChange, isEmpty, updateRecords } from '../../design/change';
import type { Design } from '../../design/design';
import { Edit } from '../../design/edit';
import type { DesignRecord } from '../../design/schema';
import { COORDINATION_RULES } from '../../wording/coordinationWords';
import { remediesFor } from '../../advice/remedies';
import type { Rule } from '../finding';
import { wordFinding } from '../../wording/wording';

const named = (design: Design, name: string) =>
  Array.from(design.records.values()).find((record) => record.type === 'device' && record.name === name)!.id;
const circuitNamed = (design: Design, name: string) => analyse(design).circuits.find((circuit) => circuit.name === name)!;
const set = (design: Design, ...sets: [id: string, fields: object][]) =>
  applyChange(design, updateRecords(design, sets.map(([id, fields]) => ({ id, set: fields })))); // prettier-ignore
const wiresOf = (design: Design, name: string) => {
  const { supplyWireIds, returnWireIds } = circuitNamed(design, name);
  return [...supplyWireIds, ...returnWireIds];
};
const withRecords = (design: Design, records: DesignRecord[]) => {
  const edit = new Edit(design);
  records.forEach((record) => edit.add(record));
  return applyChange(design, edit.change);
};

test('a small sound design has no fault and no caution (no crying wolf)', () => {
  expect(analyse(pip()).findings.filter(({ severity }) => severity !== 'note')).toEqual([]);
});

test('Heron’s chain of fuses is in order but for what its notes say', () => {
  const rules = analyse(heron()).findings.filter(({ rule }) => rule in COORDINATION_RULES);
  expect(new Set(rules.map(({ severity }) => severity))).toEqual(new Set(['note']));
});

/** Ways to spoil Pip, each with the rule that must see it, how badly, and whether one click mends it. */
const SPOILED: [what: string, spoil: (design: Design) => Design, rule: Rule, severity: string, mends: boolean][] = [
  [
    // Glass-mat, 80 Ah at 3 mΩ per 100 Ah, 12.8 V: 3.4 kA; a mega fuse breaks 2 kA (from memory).
    'a mega main fuse on a battery that gives 3.2 kA there',
    (design) => set(design, [named(design, 'Main fuse'), { family: 'mega', ratingA: 60 }]),
    'fuse.cannotBreak',
    'fault',
    true,
  ],
  [
    // Half a square millimetre would do: 16 AWG of 60 m and back has about 1.8 Ω, 6 A of short for a 5 A fuse.
    'a fuse whose run is so long that a short at its end carries less than twice its rating',
    (design) => set(design, ...wiresOf(design, 'Roof fan').map((id): [string, object] => [id, { lengthMm: 60_000, lengthMeasured: true }])),
    'fuse.neverClears',
    'fault',
    false,
  ],
  [
    'a run on which a short is ended slowly',
    (design) => set(design, ...wiresOf(design, 'Roof fan').map((id): [string, object] => [id, { lengthMm: 28_000, lengthMeasured: true }])),
    'fuse.slowToClear',
    'caution',
    false,
  ],
  [
    // A pump of 4 A takes 6 times that for 0.15 s (trade range 4 to 8): 24 A through 5 A opens within its gates before.
    'a pump on a fuse its start is likely to open',
    (design) => set(design, [circuitNamed(design, 'Water pump').protectionId, { ratingA: 5 }]),
    'fuse.opensAtStart',
    'caution',
    true,
  ],
  [
    'a main fuse no larger than a circuit’s',
    (design) =>
      set(design, [named(design, 'Main fuse'), { ratingA: 30 }], [circuitNamed(design, 'Water pump').protectionId, { ratingA: 30 }]),
    'fuse.aheadOpensFirst',
    'caution',
    false,
  ],
  [
    // Practice: 1.6 times between larger fuses; 40 over 30 is 1.33.
    'a main fuse too close to a circuit’s',
    (design) =>
      set(design, [named(design, 'Main fuse'), { ratingA: 40 }], [circuitNamed(design, 'Water pump').protectionId, { ratingA: 30 }]),
    'fuse.notSelective',
    'caution',
    false,
  ],
  [
    // 18 AWG behind 60 A: 32 000 A²s and more let through, of (143 x 0.823)² = 13 850.
    'a wire that a short spoils before its fuse has opened',
    (design) =>
      set(
        design,
        [circuitNamed(design, 'Galley light').protectionId, { family: 'largeBlade', ratingA: 60 }],
        ...wiresOf(design, 'Galley light').map((id): [string, object] => [
          id,
          { conductor: 'awg:18', lengthMm: 300, lengthMeasured: true },
        ]),
      ),
    'wire.spoiltFirst',
    'fault',
    true,
  ],
  [
    'a return thinner than its feed',
    (design) =>
      set(design, ...circuitNamed(design, 'Water pump').returnWireIds.map((id): [string, object] => [id, { conductor: 'awg:14' }])),
    'return.thinnerThanFeed',
    'caution',
    true,
  ],
  [
    'a bus bar made for less than what flows',
    (design) => set(design, [named(design, 'Return bar'), { ratingA: 5 }]),
    'contact.overRating',
    'fault',
    false,
  ],
  [
    'a switch too small for a motor’s start',
    (design) =>
      set(
        design,
        ...Array.from(design.records.values())
          .filter((record) => record.type === 'device' && record.kind === 'switch')
          .map(({ id }): [string, object] => [id, { ratingA: 4.5 }]),
      ),
    'contact.start',
    'caution',
    false,
  ],
  [
    'a switch rated for alternating current only, counted half',
    (design) =>
      set(
        design,
        ...Array.from(design.records.values())
          .filter((record) => record.type === 'device' && record.kind === 'switch')
          .map(({ id }): [string, object] => [id, { ratingA: 6, ratedFor: 'ac' }]),
      ),
    'switch.overRating',
    'fault',
    false,
  ],
  [
    'a load that needs more volts than the battery keeps',
    (design) => set(design, [named(design, 'Water pump'), { cutOutV: 12.25 }]),
    'drop.starved',
    'caution',
    false,
  ],
];

describe.each(SPOILED)('%s', (_, spoil, rule, severity, mends) => {
  const design = spoil(pip());
  const analysis = analyse(design);
  const finding = analysis.findings.find((one) => one.rule === rule);
  it(`is ${rule}, a ${severity}, in words with figures`, () => {
    expect(finding).toMatchObject({ severity });
    const { message, why } = wordFinding(finding!, design, 'metric');
    expect(message).toMatch(/\d/);
    expect(message + why).not.toMatch(/undefined|NaN|Infinity/);
  });
  if (mends)
    it('is mended by a click', () => {
      const [remedy] = remediesFor(analysis, finding!);
      expect(isEmpty(remedy!.change)).toBe(false);
      expect(analyse(applyChange(design, remedy!.change)).findings.some((one) => one.rule === rule)).toBe(false);
    });
});

test('a coil that electronics drive wants something across it, and five rings on a stud are one too many', () => {
  const base = pip();
  const at = { type: 'device' as const, zoneId: null };
  const wire = (id: string, from: [string, string], to: [string, string], role: 'supply' | 'return' = 'supply'): DesignRecord => ({
    ...{ id, type: 'wire', role, lengthMm: 500, lengthMeasured: true, conductor: 'awg:14' },
    from: { deviceId: from[0], terminal: from[1] },
    to: { deviceId: to[0], terminal: to[1] },
  });
  const fuse = circuitNamed(base, 'Cabin sockets').protectionId;
  const design = withRecords(base, [
    { ...at, id: 'rx', name: 'Receiver', kind: 'receiver', channels: 2, mode: 'latching', channelMaxA: 3, standbyA: 0.01 },
    {
      ...{ ...at, id: 'rl', name: 'Relay', kind: 'relay', pins: 4, coilOhm: 90, pullInV: 7.5, dropOutV: 2 },
      ...{ suppression: 'none', contactMilliohm: 4, ratingA: 30 },
    },
    { ...at, id: 'stud', name: 'Stud', kind: 'groundPoint', jointMilliohm: 1 },
    wire('w1', [fuse, 'out'], ['rx', 'plus']),
    wire('w2', ['rx', 'ch1'], ['rl', '86']),
    ...Array.from({ length: 5 }, (_, at5) => ({ ...at, id: `bar${at5}`, name: `Bar ${at5}`, kind: 'busBar' as const, ratingA: 50 })),
    ...Array.from({ length: 5 }, (_, at5) => wire(`g${at5}`, [`bar${at5}`, 'bar'], ['stud', 'stud'], 'return')),
  ]);
  const analysis = analyse(design);
  const bare = analysis.findings.find(({ rule }) => rule === 'relay.bareCoil')!;
  expect(bare.subjects).toEqual(['rl', 'rx']);
  expect(wordFinding(bare, design, 'metric').message).toBe('Relay is driven by Receiver, and nothing quenches its coil.');
  const mended = analyse(applyChange(design, remediesFor(analysis, bare)[0]!.change));
  expect(mended.findings.some(({ rule }) => rule === 'relay.bareCoil')).toBe(false);
  expect(analysis.findings.find(({ rule }) => rule === 'ground.crowded')).toMatchObject({
    subjects: ['stud'],
    numbers: { count: 5, most: 4 },
  });
});

test('a short lead to a fuse of its own may be thinner than the fuse ahead guards, a long one not (ABYC E-11: 7 in, from memory)', () => {
  const design = pip();
  const lead = (lengthMm: number) => {
    const edit = new Edit(design);
    const at = { type: 'device' as const, zoneId: null };
    edit.add({ ...at, id: 'tap', name: 'Tap fuse', kind: 'protection', family: 'blade', ratingA: 5, mount: null });
    edit.add({
      ...{ id: 'lead', type: 'wire', role: 'supply', lengthMm, lengthMeasured: true, conductor: 'awg:16' },
      from: { deviceId: 'block', terminal: 'in' },
      to: { deviceId: 'tap', terminal: 'in' },
    });
    return analyse(applyChange(design, edit.change)).findings.filter(({ rule }) => rule === 'fuse.aboveConductor');
  };
  expect(lead(170)).toEqual([]);
  expect(lead(400)).toHaveLength(1);
});
