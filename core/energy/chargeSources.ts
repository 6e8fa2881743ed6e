import type { DesignIndex } from '../rig/designIndex';
import type { Alternator } from '../devices/alternator';
import type { DcDcCharger } from '../devices/dcDcCharger';
import type { SolarController } from '../devices/solarController';
import type { SolarPanel } from '../devices/solarPanel';
import { clearSky } from './clearSky';
import { airAt, isWithin, settingDay, type Setting } from './setting';
import { cosIncidence, solarHour, sunPosition } from './sun';

/** Panels that charge through one controller, or by themselves. */
export interface SunString {
  /** Under a clear sky on the panel, straight and from the sky, W/m², step by step. */
  beam: Float32Array;
  diffuse: Float32Array;
  /** A tracking controller passes power on, W per W/m²; a simple one current, A per W/m². */
  per: number;
  tracking: boolean;
  /** Change of power with cell temperature, per kelvin; and how far a cell is warmer than the air, K per W/m². */
  perK: number;
  warming: number;
  /** The most its controller passes on, A. */
  maxA: number;
}

/** Everything that charges, step by step. */
export interface ChargeSources {
  sun: SunString[];
  vehicleA: Float32Array;
  shoreA: Float32Array;
  /** Air outside, °C. */
  airC: Float32Array;
  /** Share of a clear day's sun that is diffuse, by day. */
  diffuseShare: Float32Array;
}

/** Usual silicon, percent of power a kelvin. Source: crystalline module data in general, from memory. */
export const POWER_PERCENT_PER_K = -0.4;
/** How far cells are warmer than the air, K per W/m²: aired, and flat on a roof. Common practice. */
const WARMING_AIRED = 0.03;
const WARMING_FLAT = 0.045;
/** What a tracking controller passes on of the panel's best power. Trade range 0.94 to 0.98. */
const TRACKING_EFFICIENCY = 0.96;
/** Dirt, mismatch and cable. Common practice. */
const OTHER_LOSSES = 0.95;

/** What charges in a setting, over some days. */
export function chargeSources(index: DesignIndex, setting: Setting, days: number, stepsPerDay: number, fromDay = 0): ChargeSources {
  const steps = days * stepsPerDay;
  const panels: SolarPanel[] = [];
  for (const device of index.devices.values()) if (device.kind === 'solarPanel') panels.push(device);
  const sources: ChargeSources = {
    sun: panels.map((panel) => sunString(panel, controllerOf(index, panel), panels, steps)),
    vehicleA: new Float32Array(steps),
    shoreA: new Float32Array(steps),
    airC: new Float32Array(steps),
    diffuseShare: new Float32Array(days).fill(1),
  };
  const vehicleA = vehicleChargeA(index);
  const shoreA = shoreChargeA(index);
  for (let day = 0; day < days; day++) {
    const today = settingDay(setting, fromDay + day);
    let clearTotal = 0;
    let clearDiffuse = 0;
    for (let step = 0; step < stepsPerDay; step++) {
      const at = day * stepsPerDay + step;
      const minute = ((step + 0.5) * 1440) / stepsPerDay;
      sources.airC[at] = airAt(setting, today, minute).outsideC;
      if (vehicleA > 0 && isWithin(today.driving, minute)) sources.vehicleA[at] = vehicleA;
      if (shoreA > 0 && isWithin(today.shore, minute)) sources.shoreA[at] = shoreA;
      if (panels.length === 0) continue;
      const sun = sunPosition(today.dayOfYear, solarHour(minute / 60, today.dayOfYear, setting.longitudeDeg), setting.latitudeDeg);
      const sky = clearSky(today.dayOfYear, sun.altitude, setting.southern);
      if (sky.beamNormal === 0) continue;
      clearDiffuse += sky.diffuseHorizontal;
      clearTotal += sky.diffuseHorizontal + sky.beamNormal * Math.sin(sun.altitude);
      const open = setting.openSky[Math.floor(minute / 60)]!;
      panels.forEach((panel, place) => {
        const { beam, diffuse } = sources.sun[place]!;
        const faces = setting.headingDeg + panel.facesDeg;
        const cosine = panel.turned ? 1 : Math.max(0, cosIncidence(sun, panel.tiltDeg, faces));
        beam[at] = sky.beamNormal * cosine * open;
        diffuse[at] = sky.diffuseHorizontal * ((1 + Math.cos((panel.tiltDeg * Math.PI) / 180)) / 2) * skyLeft(open);
      });
    }
    if (clearTotal > 0) sources.diffuseShare[day] = clearDiffuse / clearTotal;
  }
  return sources;
}

/**
 * Share of the sky's own light left where trees and walls take so much of the sun: they hide part of the sky too; indoors there is none.
 * Common practice.
 */
function skyLeft(open: number): number {
  return open === 0 ? 0 : 0.4 + 0.6 * open;
}

function controllerOf({ devices }: DesignIndex, panel: SolarPanel): SolarController | null {
  const device = panel.controllerId === null ? undefined : devices.get(panel.controllerId);
  return device?.kind === 'solarController' ? device : null;
}

/**
 * A panel with neither a controller nor one of its own charges nothing: it may not be connected. Nor does one whose voltage is too low for
 * its controller.
 */
function sunString(panel: SolarPanel, controller: SolarController | null, all: readonly SolarPanel[], steps: number): SunString {
  const watts = panel.watts * panel.count;
  const tracking = !panel.regulated && controller?.method === 'tracking';
  const stringV = panel.bestV * (panel.wired === 'series' ? panel.count : 1);
  const charges = panel.regulated || (controller !== null && stringV >= controller.outputV);
  const amps = (panel.watts / panel.bestV) * (panel.wired === 'series' ? 1 : panel.count);
  const onController = all.filter(({ controllerId }) => controllerId !== null && controllerId === panel.controllerId);
  const share = watts / Math.max(watts, onController.reduce((sum, one) => sum + one.watts * one.count, 0)); // prettier-ignore
  return {
    beam: new Float32Array(steps),
    diffuse: new Float32Array(steps),
    per: charges ? ((tracking ? watts * TRACKING_EFFICIENCY : amps) * OTHER_LOSSES) / 1000 : 0,
    tracking,
    perK: (panel.powerPercentPerK ?? POWER_PERCENT_PER_K) / 100,
    warming: panel.aired || panel.turned ? WARMING_AIRED : WARMING_FLAT,
    maxA: controller && !panel.regulated ? controller.maxA * share : Infinity,
  };
}

/** Light on a string under a sky that shares a clear day's beam and diffuse light by these factors, W/m². */
export function lightOn({ beam, diffuse }: SunString, at: number, beamFactor: number, diffuseFactor: number): number {
  return beamFactor * beam[at]! + diffuseFactor * diffuse[at]!;
}

/** What a string passes on to a battery at a voltage, A: power when it tracks, less in hot cells; else the panel's current. */
export function stringA({ per, tracking, perK, warming, maxA }: SunString, light: number, airC: number, volts: number): number {
  const amps = tracking ? (light * per * (1 + perK * (airC + warming * light - 25))) / volts : light * per;
  return amps < maxA ? amps : maxA;
}

/** Amperes an alternator has to spare at a share of its rating, the vehicle's own needs met. */
export function spareA({ ratedA, vehicleA }: { ratedA: number; vehicleA: number }, percent: number): number {
  return Math.max(0, (ratedA * percent) / 100 - vehicleA);
}

/**
 * What reaches the house battery while driving, A: what the alternator has to spare, hot and for part of the time idling, as far
 * as the DC-DC charger or the split-charge relay passes it on. Nothing without one of them, but where the vehicle has one battery alone.
 */
export function vehicleChargeA(index: Pick<DesignIndex, 'devices'>): number {
  return engineBrings(index, (alternator) => {
    const idling = (alternator.idlingPercent ?? 10) / 100;
    return spareA(alternator, alternator.hotPercent) * (1 - idling) + spareA(alternator, alternator.idlePercent) * idling;
  }).amps;
}

/**
 * What the engine brings the house side with so much to spare on each alternator: amperes, and the voltage they are held to; null without a
 * way.
 */
export function engineBrings(
  { devices }: Pick<DesignIndex, 'devices'>,
  spareOf: (alternator: Alternator) => number,
): { amps: number; heldV: number | null } {
  let spare = 0;
  let relayA = 0;
  let directA = 0;
  let directV: number | null = null;
  let alternatorV: number | null = null;
  const chargers: DcDcCharger[] = [];
  for (const device of devices.values()) {
    if (device.kind === 'alternator' && device.direct) {
      directA += spareOf(device);
      directV = device.outputV;
    } else if (device.kind === 'alternator') {
      spare += spareOf(device);
      alternatorV = device.outputV;
    } else if (device.kind === 'dcDcCharger') chargers.push(device);
    else if (device.kind === 'splitRelay') relayA += device.ratingA;
  }
  if (alternatorV === null || (chargers.length === 0 && relayA === 0)) return { amps: directA, heldV: directV };
  if (chargers.length === 0) return { amps: directA + Math.min(spare, relayA), heldV: Math.min(alternatorV, directV ?? Infinity) };
  const heldIn = alternatorV;
  const amps = chargers.reduce((sum, { maxA, efficiencyPercent, outputV }) => {
    const perA = ((efficiencyPercent / 100) * heldIn) / outputV;
    const passed = Math.min(maxA, spare * perA);
    spare -= passed / perA;
    return sum + passed;
  }, 0);
  return { amps: directA + amps, heldV: Math.min(directV ?? Infinity, ...chargers.map(({ outputV }) => outputV)) };
}

function shoreChargeA({ devices }: DesignIndex): number {
  let amps = 0;
  for (const device of devices.values()) if (device.kind === 'charger') amps += device.maxA;
  return amps;
}
