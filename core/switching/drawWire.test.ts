import { heron } from '../../demo/heron';
import { analyse } from '../analysis/analyse';
import { applyChange, updateRecords } from '../design/change';
import { recordsOf, type Design } from '../design/design';
import { checkReferences } from '../design/references';
import { PARTS } from '../devices/parts';
import { traceWiring } from '../network/wiring';
import { indexDesign } from '../rig/designIndex';
import { allEnds, drawWire, removeWire, sensibleEnds } from './drawWire';
import { namedLoad } from './newLoad';
import { addLoosePart, putIntoRun, removePart } from './partsByHand';

const design = heron();
const device = (of: Design, name: string) => recordsOf(of, 'device').find((one) => one.name === name)!;

test('no end offered, from any terminal, makes a short, a ring or a second wire beside one that is there', () => {
  const faults = traceWiring(indexDesign(design)).faults.length;
  let drawn = 0;
  for (const from of allEnds(design))
    for (const to of sensibleEnds(design, from).filter((_, at) => at % 11 === 0)) {
      const change = drawWire(design, from, to, 500, 'mm2:1.5');
      const now = applyChange(design, change!);
      expect(checkReferences(now)).toEqual([]);
      expect([from.deviceId, from.terminal, to.deviceId, to.terminal, traceWiring(indexDesign(now)).faults.length]).toEqual([
        ...[from.deviceId, from.terminal, to.deviceId, to.terminal],
        faults,
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

// A relay worked by the high beam: coil from the vehicle's trigger, home to ground; the trigger carries the coil's current and no more (common practice).
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
  const coilLoose = (of: Design) =>
    String(analyse(of).findings.find(({ rule }) => rule === 'contact.unworked')?.numbers.terminals ?? '')
      .split(' ')
      .filter(Boolean);
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
  const home = recordsOf(now, 'wire').filter(({ role, from, to }) => role === 'return' && [from, to].some((end) => end.terminal === '85'));
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
