import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import type { Finding } from '../analysis/finding';
import { findInNetwork } from '../analysis/rules/networkRules';
import { withSlowFindings } from '../analysis/rules/slowFindings';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { checkReferences } from '../design/references';
import type { TerminalRef } from '../design/schema';
import { PARTS } from '../devices/parts';
import { traceWiring } from '../network/traceWiring';
import type { Ring } from '../network/wiring';
import { indexDesign } from '../rig/designIndex';
import { allEnds, drawWire, removeWire, sensibleEnds } from './drawWire';
import { Edit } from '../design/edit';
import { namedLoad } from './newLoad';
import { addCircuit } from './schemes';
import { usualScheme } from './usualScheme';
import { figuresOf } from '../../testing/figuresOf';
import { addLoosePart, putIntoRun, removePart, turnRound } from './partsByHand';

const design = heron();
const device = (of: Design, name: string) => recordsOf(of, 'device').find((one) => one.name === name)!;

test('no end offered, from any terminal, makes a short, a ring or a second wire beside one that is there', () => {
  const miswired = (of: Design) => {
    const { faults, rings } = traceWiring(indexDesign(of));
    return faults.length + rings.filter(({ neverClosed }) => !neverClosed).length;
  };
  let drawn = 0;
  for (const from of allEnds(design))
    for (const to of sensibleEnds(design, from).filter((_, at) => at % 23 === 0)) {
      const change = drawWire(design, from, to, 500, 'mm2:1.5');
      const now = applyChange(design, change!);
      expect(checkReferences(now)).toEqual([]);
      expect([from.deviceId, from.terminal, to.deviceId, to.terminal, miswired(now)]).toEqual([
        ...[from.deviceId, from.terminal, to.deviceId, to.terminal],
        miswired(design),
      ]);
      drawn += 1;
    }
  expect(drawn).toBeGreaterThan(100);
});

test('two free terminals joined once are not offered each other again, from either end', () => {
  let now = design;
  const ids = ['plug', 'relay'].map((id) => {
    const { change, deviceId } = addLoosePart(
      now,
      PARTS.find((one) => one.id === id)!,
      null,
    );
    now = applyChange(now, change);
    return deviceId;
  });
  const [a, b] = [
    { deviceId: ids[0]!, terminal: 'a1' },
    { deviceId: ids[1]!, terminal: '86' },
  ];
  const offers = (from: typeof a, to: typeof a) =>
    sensibleEnds(now, from!).some((end) => end.deviceId === to!.deviceId && end.terminal === to!.terminal);
  expect([offers(a!, b!), offers(b!, a!)]).toEqual([true, true]);
  now = applyChange(now, drawWire(now, a!, b!, 300, 'mm2:1.5')!);
  expect([offers(a!, b!), offers(b!, a!)]).toEqual([false, false]);
});

test('plus to minus is never drawn, whoever asks', () => {
  const battery = device(design, 'House battery');
  const bar = recordsOf(design, 'device').find(({ kind }) => kind === 'busBar')!;
  const plus = { deviceId: battery.id, terminal: 'plus' };
  expect(drawWire(design, plus, { deviceId: battery.id, terminal: 'minus' }, 100, 'mm2:16')).toBeNull();
  const ground = recordsOf(design, 'device').find(({ kind }) => kind === 'groundPoint')!;
  expect(drawWire(design, plus, { deviceId: ground.id, terminal: 'stud' }, 100, 'mm2:16')).toBeNull();
  expect(sensibleEnds(design, { deviceId: bar.id, terminal: 'bar' }).every(({ side }) => side === null)).toBe(true);
});

// A relay worked by the high beam: coil from the vehicle's trigger, home to ground; the trigger carries the coil's current and no more
// (common practice).
test('a relay put into a lamp’s run is wired by hand to the vehicle’s high beam: free ends first, and nothing of it is left loose', () => {
  const fuse = recordsOf(design, 'circuit').find(({ name }) => name === 'Driving lamps')!.protectionId;
  const run = recordsOf(design, 'wire').find(({ from, to }) => [from, to].some((end) => end.deviceId === fuse && end.terminal === 'out'))!;
  const relay = putIntoRun(
    design,
    run.id,
    PARTS.find(({ id }) => id === 'relay')!,
    300,
  )!;
  const signals = addLoosePart(
    applyChange(design, relay.change),
    PARTS.find(({ id }) => id === 'signals')!,
    null,
  );
  let now = applyChange(applyChange(design, relay.change), signals.change);
  const coil = { deviceId: relay.deviceId, terminal: '86' };
  const coilLoose = (of: Design) => {
    const found = analyse(of).findings.find(({ rule }) => rule === 'contact.unworked');
    return found ? figuresOf(found, 'contact.unworked').terminals : [];
  };
  const [first] = sensibleEnds(now, coil);
  expect(first!.side).toBeNull();
  for (const [from, to] of [
    [{ deviceId: signals.deviceId, terminal: 'highBeam' }, coil],
    [
      { deviceId: relay.deviceId, terminal: '85' },
      allEnds(now).find(({ device: bar, side }) => bar.kind === 'busBar' && side === 'return')!,
    ],
    [
      { deviceId: signals.deviceId, terminal: 'minus' },
      allEnds(now).find(({ device: bar, side }) => bar.kind === 'busBar' && side === 'return')!,
    ],
  ] as const)
    now = applyChange(now, drawWire(now, from, to, 2000, 'mm2:1.5')!);
  expect(coilLoose(now)).toEqual([]);
  const isOwn = (end: TerminalRef) => end.deviceId === relay.deviceId && end.terminal === '85';
  const home = recordsOf(now, 'wire').filter(({ role, from, to }) => role === 'return' && [from, to].some(isOwn));
  // Drawn as the current goes: home.
  expect(home).toMatchObject([{ from: { deviceId: relay.deviceId, terminal: '85' } }]);
  expect(analyse(now).circuits.find(({ name }) => name === 'Driving lamps')!.fed).toBe(true);
  const cut = applyChange(now, removeWire(now, home[0]!.id)!);
  expect(coilLoose(cut)).toEqual(['85']);
});

test('a star of four lamps from a joint is drawn by hand and counted; the joint taken out, each hangs where the joint hung', () => {
  const fuse = recordsOf(design, 'circuit').find(({ name }) => name === 'Galley lights')!.protectionId;
  const run = recordsOf(design, 'wire').find(({ from, to }) => [from, to].some((end) => end.deviceId === fuse && end.terminal === 'out'))!;
  const joint = putIntoRun(
    design,
    run.id,
    PARTS.find(({ id }) => id === 'splice')!,
    600,
  )!;
  let now = applyChange(design, joint.change);
  const bar = () => allEnds(now).find(({ device: one, side }) => one.kind === 'busBar' && side === 'return')!;
  const before = analyse(now).circuits.find(({ protectionId }) => protectionId === fuse)!;
  const lamps = [1, 2, 3, 4].map((at) => namedLoad(`Puck ${at}`, null));
  now = applyChange(now, { added: lamps, updated: [], removed: [] });
  for (const { id } of lamps) {
    now = applyChange(
      now,
      drawWire(now, { deviceId: joint.deviceId, terminal: 'joint' }, { deviceId: id, terminal: 'plus' }, 700, run.conductor)!,
    );
    now = applyChange(now, drawWire(now, { deviceId: id, terminal: 'minus' }, bar(), 1500, run.conductor)!);
  }
  now = applyChange(
    now,
    updateRecords(
      now,
      lamps.map(({ id }) => ({ id, set: { rated: { kind: 'watts' as const, watts: 3, atV: 12 } } })),
    ),
  );
  const after = analyse(now).circuits.find(({ protectionId }) => protectionId === fuse)!;
  expect(after.loadIds).toEqual(expect.arrayContaining(lamps.map(({ id }) => id)));
  // Four lamps of 3 W at 12 V: one ampere more.
  expect(after.peakA - before.peakA).toBeCloseTo(1, 9);
  expect(removePart(now, joint.deviceId)).not.toBeNull();
  const healed = analyse(applyChange(now, removePart(now, joint.deviceId)!));
  expect(healed.circuits.find(({ protectionId }) => protectionId === fuse)!.loadIds).toHaveLength(after.loadIds.length);
});

test('a lamp is switched from two places by hand: two changeovers, the second turned round, the free throws joined', () => {
  const lamp = device(design, 'Galley light strip');
  const wire = recordsOf(design, 'wire').find(({ to }) => to.deviceId === lamp.id && to.terminal === 'plus')!;
  const part = PARTS.find(({ id }) => id === 'changeover')!;
  const one = putIntoRun(design, wire.id, part, 300)!;
  const first = applyChange(design, one.change);
  const onward = recordsOf(first, 'wire').find(({ from }) => from.deviceId === one.deviceId)!;
  const two = putIntoRun(first, onward.id, part, 300)!;
  const both = applyChange(first, two.change);
  const turned = applyChange(both, turnRound(both, two.deviceId)!);
  // Twice round is as it was.
  expect(applyChange(turned, turnRound(turned, two.deviceId)!).records.get(onward.id)).toEqual(both.records.get(onward.id));
  const up = (deviceId: string) => ({ deviceId, terminal: 'up' });
  expect(sensibleEnds(turned, up(one.deviceId)).map(({ deviceId, terminal }) => `${deviceId} ${terminal}`)).toContain(`${two.deviceId} up`);
  const wired = applyChange(turned, drawWire(turned, up(one.deviceId), up(two.deviceId), 2000, 'mm2:1.5')!);
  // The bench has one of its own.
  const isMine = ({ contacts }: Ring) => contacts.some((contact) => contact.startsWith(one.deviceId));
  expect(traceWiring(indexDesign(wired)).rings.filter(isMine)).toEqual([expect.objectContaining({ neverClosed: true })]);
  const known = new Set(analyse(design).findings.map(({ rule, circuitId }) => `${rule} ${circuitId}`));
  expect(
    analyse(wired).findings.filter(({ rule, severity, circuitId }) => severity === 'fault' && !known.has(`${rule} ${circuitId}`)),
  ).toEqual([]);
  expect(findInNetwork(analyse(wired)).filter(({ severity }) => severity === 'fault')).toEqual([]);
});

test('a second feed is offered only for what is said to be fed by two fuses, and from a fuse that feeds nothing else', () => {
  const edit = new Edit(design);
  const second = addCircuit(edit, usualScheme(design, 'Second feed', null));
  const lamp = device(design, 'Galley light strip');
  const radio = analyse(design).circuits.find(({ name }) => name === 'Cab radio')!;
  const offered = (of: Design, protectionId: string) =>
    sensibleEnds(of, { deviceId: protectionId, terminal: 'out' }).some(
      ({ deviceId, terminal }) => deviceId === lamp.id && terminal === 'plus',
    );
  expect(offered(edit.design, second.protectionId)).toBe(false);
  edit.set(lamp.id, { fedTwice: true });
  const meant = edit.design;
  expect(offered(meant, second.protectionId)).toBe(true);
  // The radio on that fuse would be fed twice too, which nobody has said.
  expect(offered(meant, radio.protectionId)).toBe(false);
  const from = { deviceId: second.protectionId, terminal: 'out' };
  const wired = applyChange(meant, drawWire(meant, from, { deviceId: lamp.id, terminal: 'plus' }, 3000, 'mm2:2.5')!);
  expect(analyse(wired).findings.flatMap(({ rule }) => (rule.startsWith('reach.') ? [rule] : []))).toEqual(['reach.twoFeeds']);
});

test('with a load that is said to be fed by two fuses, no end of the supply is offered that bridges a fuse, or joins house and vehicle', () => {
  const lamp = device(design, 'Galley light strip');
  const meant = applyChange(design, updateRecords(design, [{ id: lamp.id, set: { fedTwice: true } }]));
  const about = ({ rule, subjects: [first] }: Finding) => `${rule} ${first}`;
  const before = new Set(withSlowFindings(analyse(meant)).findings.map(about));
  let offered = 0;
  for (const from of allEnds(meant).filter(({ side }, at) => side === 'supply' && at % 2 === 0))
    for (const to of sensibleEnds(meant, from).filter(({ side }) => side === 'supply')) {
      offered += 1;
      if (offered % 2 === 0) continue;
      const after = withSlowFindings(analyse(applyChange(meant, drawWire(meant, from, to, 500, 'mm2:2.5')!)));
      const faults = after.findings.filter((finding) => finding.severity === 'fault' && !before.has(about(finding)));
      expect([from.device.name, to.device.name, faults.map(({ rule }) => rule)]).toEqual([from.device.name, to.device.name, []]);
    }
  // The locker's own fuse, by its roller, to points of the strip's run.
  expect(offered).toBeGreaterThan(2);
});
