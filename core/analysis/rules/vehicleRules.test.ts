import { heron } from '../../../demo/heron';
import { pip } from '../../../demo/pip';
import { agreesWithNgspice } from '../../../testing/agreesWithNgspice';
import { applyChange, updateRecords } from '../../design/change';
import { recordsOf, type Design } from '../../design/design';
import { Edit } from '../../design/edit';
import { checkReferences } from '../../design/references';
import type { VehicleFeed } from '../../devices/vehicleFeed';
import { NetworkError } from '../../network/networkError';
import { attachLoad } from '../../switching/loadWires';
import { addWire } from '../../switching/wires';
import { newLoad } from '../../switching/newLoad';
import { addVehicleCircuit, type VehicleSource } from '../../switching/vehicleCircuit';
import { wordFinding } from '../../wording/wording';
import { analyse } from '../analyse';
import { solveDesign } from '../solved';
import { findInNetwork } from './networkRules';

const KNOWN: VehicleSource = {
  signal: 'accessory',
  from: 'slot',
  leg: 'load',
  ownFuseA: 15,
  drawnA: 4,
  serves: 'the radio and the lighter',
};

/** A dash lamp of so many watts on a tap of the vehicle's accessory slot. */
function tapped(source: Partial<VehicleFeed> = {}, { watts = 24, fuseA = 5, to = pip() } = {}) {
  const made = addVehicleCircuit(to, 'Dash lamp', null, { ...KNOWN, ...source } as VehicleSource, fuseA);
  const edit = new Edit(applyChange(to, made.change));
  const load = edit.add({ ...newLoad('Dash lamp', null), rated: { kind: 'watts', watts, atV: 12 } });
  attachLoad(edit, load.id, made.circuitId);
  const feed = recordsOf(edit.design, 'device').find((device): device is VehicleFeed => device.kind === 'vehicleFeed')!;
  edit.set(feed.id, source);
  return { design: edit.design, circuitId: made.circuitId, loadId: load.id, feedId: feed.id };
}

const vehicleRules = (design: Design) =>
  analyse(design).findings.flatMap(({ rule, severity }) => (rule.startsWith('vehicle.') ? [`${severity} ${rule}`] : []));

test('a circuit on a tap of the vehicle’s fuse box is a circuit like any: fed, sized, dropped, measured', () => {
  const { design, circuitId, loadId, feedId } = tapped();
  expect(checkReferences(design)).toEqual([]);
  const analysis = analyse(design);
  const circuit = analysis.circuits.find(({ id }) => id === circuitId)!;
  expect(circuit).toMatchObject({ fed: true, loadIds: [loadId], peakA: 2, verdict: 'ok' });
  expect(circuit.dropV).toBeGreaterThan(0);
  expect(vehicleRules(design)).toEqual([]);
  const solved = solveDesign(analysis, { kind: 'allOn' });
  if (solved instanceof NetworkError) throw solved;
  expect(solved.live.partAmps(loadId, 'draw')).toBeCloseTo(2, 0);
  expect(Math.abs(solved.live.partAmps(feedId, 'vehicle'))).toBeCloseTo(solved.live.partAmps(loadId, 'draw'), 3);
  agreesWithNgspice(solved.live);
  expect(findInNetwork(analysis).filter(({ severity }) => severity === 'fault')).toEqual([]);
});

test('what the vehicle lends goes home to its own battery by its ground wire, which is judged by it', () => {
  const { design, feedId, loadId } = tapped();
  const analysis = analyse(design);
  const ground = analysis.index.wires.find(({ from, to }) => [from, to].some(({ deviceId, terminal }) => deviceId === feedId && terminal === 'minus'))!; // prettier-ignore
  expect(analysis.wires.get(ground.id)).toMatchObject({ side: 'return', protectionA: 5, sharedBy: [loadId] });
  expect(analysis.wires.get(ground.id)!.amps).toBeCloseTo(2, 9);
  const solved = solveDesign(analysis, { kind: 'allOn' });
  if (solved instanceof NetworkError) throw solved;
  expect(Math.abs(solved.live.wireAmps(ground.id))).toBeCloseTo(2, 0);
  // Thinner than its fuse guards, it is a fault as any shared return.
  const thin = analyse(applyChange(design, updateRecords(design, [{ id: ground.id, set: { conductor: 'mm2:1' } }, { id: analysis.circuits.at(-1)!.protectionId, set: { ratingA: 30 } }]))); // prettier-ignore
  expect(thin.findings.some(({ rule, subjects }) => rule === 'return.sharedThin' && subjects.includes(ground.id))).toBe(true); // prettier-ignore
});

test('what it takes is the vehicle’s battery’s: the house day, its margin and its runtime stay; with one battery for all they do not', () => {
  const before = analyse(pip());
  const { design, loadId } = tapped();
  const duty = {
    ...{ id: 'd_dash', type: 'duty' as const, scenarioId: before.scenario!.id, loadId },
    ...{ hoursPerDay: 5, sharePercent: 100 },
  };
  const used = applyChange(design, { added: [duty], updated: [], removed: [] });
  const after = analyse(used);
  expect(after.scenario!.dailyWh).toBeCloseTo(before.scenario!.dailyWh, 9);
  expect(after.main).toEqual(before.main);
  expect(after.scenario!.loads.has(loadId)).toBe(false);
  const one = new Edit(used);
  one.add({ ...{ id: 'alt', type: 'device', kind: 'alternator', name: 'Alternator', zoneId: null }, ...{ ratedA: 90, idleA: 40, regulatedV: 14.2, chassisA: 30, direct: true } } as never); // prettier-ignore
  expect(analyse(one.design).scenario!.dailyWh).toBeCloseTo(before.scenario!.dailyWh + 24 * 5, 6);
});

// Kirchhoff's current law: behind the vehicle's own fuse both currents pass it.
test('the sum of what the vehicle draws and what is added is judged, and what its maker allows', () => {
  expect(vehicleRules(tapped({ drawnA: 12 }, { watts: 36 }).design)).toEqual([]);
  expect(vehicleRules(tapped({ drawnA: 12.5 }, { watts: 36 }).design)).toEqual(['fault vehicle.overdrawn']);
  // In the live clip the tap is beside the vehicle's fuse and adds nothing to it.
  expect(vehicleRules(tapped({ drawnA: 12.5, leg: 'supply' }, { watts: 36 }).design)).toEqual([]);
  expect(vehicleRules(tapped({ mayDrawA: 1 }).design)).toEqual(['fault vehicle.overdrawn']);
});

test('what is not known is asked for, and never taken as well', () => {
  const unknown = tapped({ leg: undefined, ownFuseA: undefined, drawnA: undefined });
  const [finding] = analyse(unknown.design).findings.filter(({ rule }) => rule === 'vehicle.unknown');
  expect(wordFinding(finding!, unknown.design, 'metric').message).toContain(
    'its own fuse is, what it draws there is, which clip is live is not said',
  );
  expect(vehicleRules(tapped({ from: 'wire', leg: undefined }).design)).toEqual([]);
});

test('a short behind a large tap fuse takes the vehicle’s own along, and what then goes dark is said', () => {
  const { design } = tapped({}, { fuseA: 10 });
  const [finding] = analyse(design).findings.filter(({ rule }) => rule === 'vehicle.goesDark');
  expect(finding!.severity).toBe('note');
  expect(wordFinding(finding!, design, 'metric').message).toMatch(/10 A .* 15 A fuse first\. Then dark: the radio and the lighter\./);
});

test('a wire from the live clip that meets no fuse of its own at once is a fault; behind the vehicle’s fuse that one guards it', () => {
  const far = (source: Partial<VehicleFeed>) => {
    const { design, feedId } = tapped(source);
    const lead = recordsOf(design, 'wire').find(({ from }) => from.deviceId === feedId && from.terminal === 'out')!;
    return { design: applyChange(design, updateRecords(design, [{ id: lead.id, set: { lengthMm: 1500, conductor: 'mm2:1' } }])), lead };
  };
  expect(vehicleRules(far({ leg: 'supply' }).design)).toContain('fault vehicle.bareTap');
  expect(vehicleRules(far({ leg: undefined }).design)).toContain('fault vehicle.bareTap');
  const behind = far({ ownFuseA: 30 });
  expect(vehicleRules(behind.design)).toContain('caution vehicle.goesDark');
  expect(analyse(behind.design).wires.get(behind.lead.id)!.protectionA).toBe(30);
  expect(analyse(behind.design).findings.find(({ rule }) => rule === 'fuse.aboveConductor')?.subjects).toContain(behind.lead.id);
});

test('the vehicle’s plus joined to the house’s through a lamp’s lead is a fault, in the drawing and as solved', () => {
  const { design, loadId } = tapped();
  const other = analyse(design).circuits.find(({ name }) => name === 'Cabin lights')!;
  const edit = new Edit(design);
  addWire(edit, 'supply', { deviceId: other.protectionId, terminal: 'out' }, { deviceId: loadId, terminal: 'plus' }, 2000, 'mm2:2.5');
  expect(vehicleRules(edit.design)).toEqual(['fault vehicle.joined']);
  // Both feed both lamps: currents run against the drawing, and each lamp lives with its own fuse out.
  expect(findInNetwork(analyse(edit.design)).map(({ rule }) => rule)).toEqual(
    expect.arrayContaining(['network.reversed', 'network.besideFuse']),
  );
  // A second way home says nothing of the feeds: what runs backwards there is found as before.
  addWire(edit, 'return', { deviceId: loadId, terminal: 'minus' }, { deviceId: other.loadIds[0]!, terminal: 'minus' }, 1000, 'mm2:2.5');
  const ringed = analyse(edit.design);
  expect(ringed.wiring.rings.map(({ side }) => side)).toContain('return');
  expect(findInNetwork(ringed).map(({ rule }) => rule)).toContain('network.reversed');
  // With hardly a lamp on, the fuller battery charges the other.
  const idle = updateRecords(edit.design, recordsOf(edit.design, 'device').flatMap((one) => (one.kind === 'load' ? [{ id: one.id, set: { rated: { kind: 'watts', watts: 0.1, atV: 12 } as const, measured: null } }] : []))); // prettier-ignore
  expect(findInNetwork(analyse(applyChange(edit.design, idle))).map(({ rule }) => rule)).toContain('network.sourcesJoined');
});

test('a wire pulled to ground works a coil and feeds nothing', () => {
  expect(vehicleRules(tapped({ polarity: 'ground' }).design)).toEqual(['fault vehicle.pulledToGround']);
});

test('on a design with two batteries the house side stays as it was, finding for finding', () => {
  const plain = analyse(heron());
  const known = new Set(plain.findings.map(({ rule, circuitId }) => `${rule} ${circuitId}`));
  const { design } = tapped({}, { to: plain.design });
  const after = analyse(design).findings.filter(({ rule, circuitId }) => !known.has(`${rule} ${circuitId}`));
  expect(after.map(({ rule }) => rule)).toEqual([]);
});
