import { indexDesign } from '../core/rig/designIndex';
import { Edit } from '../core/design/edit';
import type { Scenario } from '../core/design/schema';
import { forecast } from '../core/energy/forecast';
import { prepareTrip } from '../core/energy/trip';
import { marl } from '../demo/marl';

/** Days simulated: how the time grows with days, loads and draws. Arguments: loads, days and draws, separated by commas, each a row. */
const rows = process.argv.slice(2).map((text) => text.split(',').map(Number) as [number, number, number]);
console.log(JSON.stringify(rows.map(([loads, days, draws]) => timed(loads, days, draws))));

function timed(loads: number, days: number, draws: number) {
  const { index, scenario } = withLoads(loads);
  const run = () => {
    const start = performance.now();
    const trip = prepareTrip(index, index.battery!, scenario, days);
    const prepared = performance.now();
    forecast(trip, { draws, seed: 1, startShare: 1 });
    return { prepare: prepared - start, all: performance.now() - start };
  };
  const runs = [run(), run(), run()].sort((a, b) => a.all - b.all);
  const { prepare, all } = runs[1]!;
  const steps = days * 288;
  return {
    loads,
    days,
    draws,
    'made ready, ms': round(prepare),
    'all, ms': round(all),
    'ns a step and draw': round(((all - prepare) * 1e6) / steps / draws),
  };
}

function withLoads(count: number) {
  const edit = new Edit(marl(Math.ceil(count / 2)));
  const loads = indexDesign(edit.design).loads;
  loads.slice(count).forEach(({ id }) => {
    for (const record of edit.design.records.values()) {
      const touches = record.type === 'wire' && (record.from.deviceId === id || record.to.deviceId === id);
      if (touches || (record.type === 'duty' && record.loadId === id)) edit.remove(record.id);
    }
    edit.remove(id);
  });
  edit.add({
    id: 'ctl',
    type: 'device',
    kind: 'solarController',
    name: 'Controller',
    zoneId: null,
    method: 'tracking',
    maxA: 30,
    maxPanelV: 100,
    outputV: 14.4,
  });
  edit.add({
    ...{
      id: 'sun',
      type: 'device',
      kind: 'solarPanel',
      name: 'Panel',
      zoneId: null,
      watts: 200,
      bestV: 18,
      openV: 22,
      shortA: 11.5,
      count: 2,
    },
    ...{ wired: 'parallel', tiltDeg: 0, facesDeg: 0, regulated: false, controllerId: 'ctl' },
  });
  const scenario = indexDesign(edit.design).scenarios[0] as Scenario;
  return { index: indexDesign(edit.design), scenario };
}

function round(value: number): number {
  return Number(value.toPrecision(3));
}
