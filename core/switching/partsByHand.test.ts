import { heron } from '../../demo/heron';
import { pip } from '../../demo/pip';
import { analyse } from '../analysis/analyse';
import { withSlowFindings } from '../analysis/rules/slowFindings';
import { solveDesign, type SolvedDesign } from '../analysis/solved';
import { USUAL_PRICES } from '../advice/prices';
import { propose } from '../advice/propose';
import { soundRemedies } from '../advice/soundRemedies';
import { applyChange, updateRecords } from '../design/change';
import { recordOf, recordsOf, type Design } from '../design/design';
import type { Device } from '../design/schema';
import { checkReferences } from '../design/references';
import { kindOf } from '../devices';
import { PARTS, runPath, type Part } from '../devices/parts';
import { indexDesign } from '../rig/designIndex';
import { wordFinding } from '../wording/wording';
import { allEnds, drawWire } from './drawWire';
import { figuresOf } from '../../testing/figuresOf';
import { addLoosePart, moveAlongRun, placeInRun, putIntoRun, removePart, stretchOf, trace, whyNotRemoved, wireHome } from './partsByHand';

const part = (id: string): Part => PARTS.find((one) => one.id === id)!;
/** Terminals of a part that no wire lands on. */
const freeTerminals = (of: Design, device: Device) =>
  kindOf(device)
    .terminals(device)
    .filter(
      (terminal) =>
        !wiresTo(of, device.id).some(({ from, to }) => [from, to].some((end) => end.deviceId === device.id && end.terminal === terminal)),
    );
const lengthOf = (design: Design) => recordsOf(design, 'wire').reduce((sum, { lengthMm }) => sum + lengthMm, 0);
const laidMm = (design: Design, id: string) => indexDesign(design).wires.find((wire) => wire.id === id)!.lengthMm;
const wiresTo = (design: Design, id: string) =>
  recordsOf(design, 'wire').filter(({ from, to }) => from.deviceId === id || to.deviceId === id);

test('every part is a whole record of its kind, in 12 and in 24 volts, and stands in the runs it says it does', () => {
  for (const one of PARTS)
    for (const nominalV of [12, 24]) {
      const device = { ...{ id: 'p', type: 'device', name: one.label, zoneId: null }, ...one.make(nominalV) } as never as Parameters<
        typeof runPath
      >[0];
      expect([one.id, kindOf(device).schema.safeParse(device).error?.issues ?? []]).toEqual([one.id, []]);
      for (const side of one.sides)
        expect([one.id, side, runPath(device, side)]).toEqual([one.id, side, expect.objectContaining({ from: expect.any(String) })]);
    }
});

// The trade's rule of splicing in: nothing of the run is lost or gained, and what comes out again leaves the wire as it was.
test.each([
  ['Pip', pip],
  ['Heron', heron],
])('any part put into any wire of %s keeps its length and its circuits, and taken out again leaves everything as it was', (_, make) => {
  const design = make();
  const before = analyse(design);
  let put = 0;
  const sides = new Set<string>();
  const wires = recordsOf(design, 'wire');
  for (const [at, one] of PARTS.entries())
    for (const wire of wires.filter((_wire, place) => place % 9 === at % 9)) {
      const stretch = stretchOf(trace(design), wire.id);
      const done = putIntoRun(design, wire.id, one, wire.lengthMm / 3);
      if (!stretch || !one.sides.includes(stretch.side)) {
        expect(done).toBeNull();
        continue;
      }
      put += 1;
      sides.add(`${one.id} ${stretch.side}`);
      const now = applyChange(design, done!.change);
      expect([one.id, checkReferences(now)]).toEqual([one.id, []]);
      const path = runPath(recordOf(now, done!.deviceId, 'device')!, stretch.side)!;
      const inRun = wiresTo(now, done!.deviceId).filter(({ from, to }) =>
        [from, to].some((end) => end.deviceId === done!.deviceId && (end.terminal === path.from || end.terminal === path.to)),
      );
      expect(inRun.length).toBeGreaterThanOrEqual(2);
      const analysis = analyse(now, before);
      expect(analysis.circuits.map(({ id, fed, loadIds }) => [id, fed, loadIds])).toEqual(
        before.circuits.map(({ id, fed, loadIds }) => [id, fed, loadIds]),
      );
      const out = removePart(now, done!.deviceId)!;
      const healed = applyChange(now, out);
      // A length that comes from the vehicle's plan is stored as it was last worked out; laid, it is the same.
      const stored = ({ records }: Design) =>
        [...records.values()].map((record) => (record.id === wire.id ? { ...record, lengthMm: 0 } : record));
      expect([one.id, stored(healed)]).toEqual([one.id, stored(design)]);
      expect(laidMm(healed, wire.id)).toBeCloseTo(laidMm(design, wire.id), 6);
    }
  expect(put).toBeGreaterThan(20);
  if (make === heron) for (const one of PARTS) for (const side of one.sides) expect([...sides]).toContain(`${one.id} ${side}`);
});

describe('a run with a joint', () => {
  const design = heron();
  const circuit = recordsOf(design, 'circuit').find(({ name }) => name === 'Fridge')!;
  const wire = analyse(design).wires.get(analyse(design).circuits.find(({ id }) => id === circuit.id)!.supplyWireIds[0]!)!.wire;
  const { change, deviceId } = putIntoRun(design, wire.id, part('splice'), 1000)!;
  const joined = applyChange(design, change);

  test('is measured from where the current comes from, and the joint moves along it', () => {
    expect(placeInRun(trace(joined), deviceId)).toMatchObject({ beforeMm: 1000, wholeMm: wire.lengthMm });
    const moved = applyChange(joined, moveAlongRun(joined, deviceId, 1700)!);
    expect(placeInRun(trace(moved), deviceId)).toMatchObject({ beforeMm: 1700, wholeMm: wire.lengthMm });
    expect(lengthOf(moved)).toBeCloseTo(lengthOf(joined), 6);
    expect(moveAlongRun(joined, deviceId, wire.lengthMm + 1)).toBeNull();
    expect(moveAlongRun(joined, deviceId, -1)).toBeNull();
    for (const end of [0, wire.lengthMm]) expect(moveAlongRun(joined, deviceId, end)).not.toBeNull();
  });

  test('its drop is what it was: a joint costs nothing, a part what its contact does', () => {
    const dropOf = (of: Design) => analyse(of).circuits.find(({ id }) => id === circuit.id)!.dropV;
    expect(dropOf(joined)).toBeCloseTo(dropOf(design), 9);
  });
});

test('a switch with a pilot lamp comes wired: lit from its own outlet, home to the return bar; a relay says what is left to wire', () => {
  const design = heron();
  const fuse = recordsOf(design, 'circuit').find(({ name }) => name === 'Fridge')!.protectionId;
  const wire = wiresTo(design, fuse).find(({ from, to }) => [from, to].some(({ terminal }) => terminal === 'out'))!;
  const pilot = putIntoRun(design, wire.id, part('pilotSwitch'), 500)!;
  const lit = applyChange(design, pilot.change);
  expect(freeTerminals(lit, recordOf(lit, pilot.deviceId, 'device')!)).toEqual([]);
  const relay = putIntoRun(design, wire.id, part('relay'), 500)!;
  const switched = applyChange(design, relay.change);
  expect(freeTerminals(switched, recordOf(switched, relay.deviceId, 'device')!)).toEqual(['85', '86']);
});

test('what holds or feeds other things is not taken out, and why is said', () => {
  const design = heron();
  const of = (kind: string) => recordsOf(design, 'device').find((device) => device.kind === kind)!;
  for (const kind of ['battery', 'load', 'fuseBlock']) {
    expect(removePart(design, of(kind).id)).toBeNull();
    expect(whyNotRemoved(trace(design), of(kind))).not.toBeNull();
  }
  expect(
    whyNotRemoved(
      trace(design),
      recordsOf(design, 'device').find(({ name }) => name === 'Main fuse')!,
    ),
  ).toContain('main protection');
  const own = recordOf(design, recordsOf(design, 'circuit')[0]!.protectionId, 'device')!;
  expect(whyNotRemoved(trace(design), own)).toContain('fuse of a circuit');
});

test('a part that stands by itself is added where it was asked for, under a name of its own', () => {
  let design = pip();
  for (const name of ['Ground point', 'Ground point 2']) {
    const { change, deviceId } = addLoosePart(design, part('groundPoint'), null);
    design = applyChange(design, change);
    expect(recordOf(design, deviceId, 'device')).toMatchObject({ name, kind: 'groundPoint' });
  }
});

// A relay whose coil nothing feeds never pulls in: the lamp behind it stays dark however well its wire is sized.
describe('a contact that nothing works', () => {
  const design = heron();
  const circuit = recordsOf(design, 'circuit').find(({ name }) => name === 'Fridge')!;
  const wire = wiresTo(design, circuit.protectionId).find(({ from, to }) => [from, to].some(({ terminal }) => terminal === 'out'))!;
  const found = (of: Design) => analyse(of).findings.filter(({ rule }) => rule === 'contact.unworked');
  const put = (id: string) => {
    const { change, deviceId } = putIntoRun(design, wire.id, part(id), 500)!;
    return { now: applyChange(design, change), deviceId };
  };

  test.each(['motion', 'receiver', 'hub', 'cutOut', 'dimmer', 'switch', 'roller', 'splice'])('is none where a %s comes wired', (id) => {
    expect(found(put(id).now)).toEqual([]);
  });

  test('is a fault for a relay until its coil is wired at both ends, and the way home is a click', () => {
    const { now, deviceId } = put('relay');
    const [finding] = found(now);
    expect(finding).toMatchObject({ severity: 'fault', subjects: [deviceId], circuitId: circuit.id, numbers: { terminals: ['86', '85'] } });
    expect(wordFinding(finding!, now, 'metric').message).toContain('no wire lands on 86 of its coil and 85 of its coil');
    const home = applyChange(now, wireHome(now, deviceId, '85')!);
    expect(figuresOf(found(home)[0], 'contact.unworked').terminals).toEqual(['86']);
    const feed = allEnds(home).find(({ device, side }) => side === 'supply' && device.kind === 'busBar')!;
    expect(found(applyChange(home, drawWire(home, { deviceId, terminal: '86' }, feed, 500, wire.conductor)!))).toEqual([]);
  });

  test('is a fault for a sensor whose minus is taken off, mended by the click offered', () => {
    const { now, deviceId } = put('motion');
    const minus = wiresTo(now, deviceId).find(({ from, to }) => [from, to].some(({ terminal }) => terminal === 'minus'))!;
    const loose = analyse(applyChange(now, { added: [], updated: [], removed: [minus] }));
    const finding = loose.findings.find(({ rule }) => rule === 'contact.unworked')!;
    expect(figuresOf(finding, 'contact.unworked').terminals).toEqual(['minus']);
    const [remedy] = soundRemedies(loose, finding);
    expect(remedy!.label).toBe('Wire its minus home');
    expect(found(applyChange(loose.design, remedy!.change))).toEqual([]);
  });
});

test('a form that changes the ways inside a part is traced afresh: going on from the analysis before gives what a fresh one does', () => {
  const design = heron();
  const wire = recordsOf(design, 'wire').find(({ id }) => stretchOf(trace(design), id)?.side === 'supply')!;
  const { change, deviceId } = putIntoRun(design, wire.id, part('changeoverRelay'), 100)!;
  const five = applyChange(design, change);
  const four = applyChange(five, updateRecords(five, [{ id: deviceId, set: { pins: 4 } }]));
  expect(analyse(four, analyse(five)).wiring.supply.nodes).toEqual(analyse(four).wiring.supply.nodes);
});

describe('with everything on', () => {
  const design = heron();
  const circuit = recordsOf(design, 'circuit').find(({ name }) => name === 'Fridge')!;
  const wire = wiresTo(design, circuit.protectionId).find(({ from, to }) => [from, to].some(({ terminal }) => terminal === 'out'))!;
  const solvedDrop = (of: Design) => (solveDesign(analyse(of), { kind: 'allOn' }) as SolvedDesign).drops.get(circuit.id)?.dropPercent;
  const back = recordsOf(design, 'wire').find(
    ({ from, to, role }) => role === 'return' && [from, to].some((end) => wire.to.deviceId === end.deviceId),
  )!;

  // Its contact costs a tenth of a volt at most: the drop is the wire's, as with a panel switch (common practice: 5 to 50 milliohm).
  test.each([
    ['switch', wire.id],
    ['motion', wire.id],
    ['receiver', wire.id],
    ['roller', wire.id],
    ['dimmer', wire.id],
    ['door', back.id],
  ])('a load behind a %s is lit and its drop counts', (id, at) => {
    const now = applyChange(design, putIntoRun(design, at, part(id), 400)!.change);
    expect(solvedDrop(now)!).toBeGreaterThan(solvedDrop(design)!);
    expect(solvedDrop(now)! - solvedDrop(design)!).toBeLessThan(3);
  });

  test('one behind a relay that nothing works is dark: it is a fault, and no drop of a hundred per cent', () => {
    const now = applyChange(design, putIntoRun(design, wire.id, part('relay'), 400)!.change);
    expect(solvedDrop(now)).toBeUndefined();
    const { findings } = withSlowFindings(analyse(now));
    expect(findings.some(({ rule }) => rule === 'contact.unworked')).toBe(true);
    expect(findings.some(({ rule, circuitId }) => rule === 'drop.asWired' && circuitId === circuit.id)).toBe(false);
  });

  test('one behind a relay that the vehicle’s high beam works is lit, the signal being live', () => {
    const relay = putIntoRun(design, wire.id, part('relay'), 400)!;
    let now = applyChange(design, relay.change);
    const signals = addLoosePart(now, part('signals'), null);
    now = applyChange(now, signals.change);
    const bar = () => allEnds(now).find(({ device, side }) => side === 'return' && device.kind === 'busBar')!;
    for (const [from, to] of [
      [
        { deviceId: relay.deviceId, terminal: '86' },
        { deviceId: signals.deviceId, terminal: 'highBeam' },
      ],
      [{ deviceId: relay.deviceId, terminal: '85' }, bar()],
      [{ deviceId: signals.deviceId, terminal: 'minus' }, bar()],
    ])
      now = applyChange(now, drawWire(now, from!, to!, 1500, 'mm2:1.5')!);
    expect(solvedDrop(now)! - solvedDrop(design)!).toBeLessThan(3);
    expect(solvedDrop(now)!).toBeGreaterThan(solvedDrop(design)!);
  });
});

// A short inside a part sends all its circuit's fuse lets through down the part's own minus.
test.each(['motion', 'pilotSwitch', 'receiver', 'hub', 'dimmer'])(
  'the minus of a %s is guarded by its circuit’s fuse, judged by it, and grows with it',
  (id) => {
    const design = heron();
    const circuit = recordsOf(design, 'circuit').find(({ name }) => name === 'Fridge')!;
    const wire = wiresTo(design, circuit.protectionId).find(({ from, to }) => [from, to].some(({ terminal }) => terminal === 'out'))!;
    const { change, deviceId } = putIntoRun(design, wire.id, part(id), 500)!;
    const now = applyChange(design, change);
    const minus = wiresTo(now, deviceId).find(({ role }) => role === 'return')!;
    const faultsOf = (of: Design) =>
      analyse(of)
        .findings.filter(({ circuitId, severity }) => circuitId === circuit.id && severity === 'fault')
        .map(({ rule }) => rule);
    expect(analyse(now).circuits.find((one) => one.id === circuit.id)!.returnWireIds).toContain(minus.id);
    expect(faultsOf(now)).toEqual([]);
    const thin = applyChange(
      now,
      updateRecords(now, [
        { id: minus.id, set: { conductor: 'mm2:0.75' } },
        { id: circuit.protectionId, set: { ratingA: 20 } },
      ]),
    );
    expect(faultsOf(thin)).toContain('return.thinnerThanFuse');
    const { change: proposed } = propose(analyse(now), { circuitIds: [circuit.id], measure: 'cost', prices: USUAL_PRICES })!;
    const taken = applyChange(now, proposed);
    const sizes = new Set(wiresTo(taken, deviceId).map(({ conductor }) => conductor));
    expect(sizes.size).toBe(1);
  },
);
