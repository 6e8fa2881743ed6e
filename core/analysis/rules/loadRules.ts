import type { Moved } from '../figures';
import type { Finding } from '../finding';
import type { Analysis } from '../types';
import { kindOf } from '../../devices';
import { isDrawUnknown, stripMetres } from '../../devices/load';
import { hoursUnsaid } from '../../energy/budget';
import { memoryOf, type ControlState } from '../../network/controlState';

/** A measured draw further than this from the rated one is worth a word, share of the rated. Common practice. */
const MEASURED_DIFFERS = 0.2;
/** Longest light strip fed from one end before its own copper dims the far end, metres. Common practice. */
const STRIP_ONE_END_M = 5;

/** What a state has moved from its rest. */
function movedIn({ devices }: Analysis['index'], state: ControlState): Moved[] {
  return Object.keys(state.controls).flatMap((id) => {
    const device = devices.get(id);
    if (!device || device.kind === 'load') return [];
    // A channel that latches is on while it remembers to be, whatever its button does.
    const set = { ...state.controls[id], ...(device.kind === 'receiver' && device.mode === 'latching' && memoryOf(state, id)) };
    return Object.entries(kindOf(device).controls!(device)).flatMap(([key, [resting]]) =>
      set[key] === undefined || set[key] === resting ? [] : [{ deviceId: id, control: key, value: set[key] }],
    );
  });
}

/** Loads without a draw or a circuit, measurements that disagree with the box, long strips, and whether the battery lasts. */
export function findLoads({ loads, index, scenario, exclusions }: Analysis): Finding[] {
  const found: Finding[] = [];
  for (const { id, load, circuitId, draw } of loads.values()) {
    if (isDrawUnknown(load)) found.push({ rule: 'load.noDraw', severity: 'caution', subjects: [id], circuitId, numbers: {} });
    if (circuitId === null)
      found.push({ rule: 'load.noCircuit', severity: 'caution', subjects: [id], circuitId, numbers: { amps: draw.amps } });
    if (draw.basis === 'measured' && Math.abs(draw.watts - draw.ratedWatts) > MEASURED_DIFFERS * draw.ratedWatts) {
      const numbers = { watts: draw.watts, ratedWatts: draw.ratedWatts };
      found.push({ rule: 'load.measuredDiffers', severity: 'note', subjects: [id], circuitId, numbers });
    }
    if (load.rated.kind === 'strip' && load.rated.join === 'endToEnd' && stripMetres(load.rated) > STRIP_ONE_END_M) {
      const numbers = { lengthMm: stripMetres(load.rated) * 1000, mostMm: STRIP_ONE_END_M * 1000 };
      found.push({ rule: 'strip.longRun', severity: 'caution', subjects: [id], circuitId, numbers });
    }
  }
  for (const { group, loadIds, state, batteryV } of exclusions.unproven) {
    const numbers = { group, positions: state ? movedIn(index, state) : null, batteryV };
    found.push({
      rule: 'reach.together',
      severity: 'caution',
      subjects: [...loadIds],
      circuitId: loads.get(loadIds[0])!.circuitId,
      numbers,
    });
  }
  const { settings, battery } = index;
  if (battery && scenario && scenario.runtimeH !== null && scenario.runtimeH < settings.wantedRuntimeH) {
    const numbers = { runtimeH: scenario.runtimeH, wantedH: settings.wantedRuntimeH, dailyAh: scenario.dailyAh };
    found.push({ rule: 'energy.shortRuntime', severity: 'caution', subjects: [battery.id, scenario.id], circuitId: null, numbers });
  }
  const { unsaid, of } = hoursUnsaid(index);
  const nothing = !scenario || scenario.dailyWh === 0 || unsaid.length === of;
  if (index.loads.length > 0 && (nothing || unsaid.length > 0)) {
    const subjects = nothing ? [settings.id] : unsaid.map(({ id }) => id);
    found.push({
      rule: 'energy.noUse',
      severity: 'note',
      subjects,
      circuitId: null,
      numbers: { unsaid: nothing ? null : unsaid.length, of },
    });
  }
  return found;
}
